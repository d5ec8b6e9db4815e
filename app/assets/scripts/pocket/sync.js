// Sends what was done, in order, some at a time; each is answered by itself. The band at the
// top says how much is kept here, when the server was last reached, and what it refused.
import { store } from "./store.js";

const AT_ONCE = 50;
// What goes through the door at once, in characters; one alone always does.
const LARGEST = 400_000;
const EVERY = 20_000;
let sending = false;
let reached = null;
let signal = true;

const band = () => document.getElementById("pocket-band");
const clock = (date) => date.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });

async function json(path, options) {
  const answer = await fetch(path, { credentials: "same-origin", cache: "no-store", ...options });
  if (answer.headers.get("x-fenbo") !== "1") throw new Error("This is not Fenbo that answers.");
  // The session has ended meanwhile.
  if (new URL(answer.url).pathname === "/sign-in") return {};
  if (!answer.ok && answer.status !== 422) throw new Error(`Fenbo answered ${answer.status}.`);
  return answer.json();
}

// Signed in as whom, with the token that forms carry; null where nobody is.
async function signedIn() {
  const { user, token } = await json("/pocket/me.json");
  reached = new Date();
  return user ? { user, token } : null;
}

async function batch(me) {
  const mine = (await store.entries()).filter((entry) => !entry.answer && entry.by === me.user);
  let sum = 0;
  const fits = ({ body }, index) => (sum += body.length) <= LARGEST || index === 0;
  const end = mine.findIndex((entry, index) => index === AT_ONCE || !fits(entry, index));
  const waiting = end < 0 ? mine : mine.slice(0, end);
  if (!waiting.length) return 0;
  const now = Date.now();
  const held = (at) => Math.max(0, now - at) / 1000;
  const entries = waiting.map(({ order, id, path, body, at }) => ({ order, id, path, body, held_seconds: held(at) }));
  const { answers, errors } = await json("/pocket/sync", {
    method: "POST",
    headers: { "content-type": "application/json", "x-csrf-token": me.token },
    body: JSON.stringify({ entries }),
  });
  const told = answers ?? unreadable(errors ?? [], waiting);
  await store.answered(told);
  return told.length;
}

// Those that could not be read are told apart by their place, so that the others go on.
function unreadable(errors, waiting) {
  const told = errors.map(({ field, message }) => [waiting[field.match(/^entries\[(\d+)\]/)?.[1]], message]);
  return told
    .filter(([entry]) => entry)
    .map(([{ order }, message]) => ({ order, answer: "refused", sentence: `It could not be read: it ${message}.` }));
}

// What is all sent is packed anew: the server has what others did meanwhile, and not what it
// refused.
// Nobody presses anything meanwhile.
const refresh = (before) =>
  navigator.locks.request("fenbo-pocket", async () => {
    const unsent = new Set((await store.entries()).filter((entry) => !entry.answer).map((entry) => entry.number));
    for (const number of before) if (!unsent.has(number)) await store.take(await json(`/pocket/packs/${number}.json`));
  });

export const sync = {
  async show(problem = "") {
    const place = band();
    if (!place) return;
    const entries = await store.entries();
    const refused = entries.filter((entry) => entry.answer);
    const kept = entries.length - refused.length;
    const words = [
      signal ? "" : "No signal.",
      kept ? `${kept} kept on this phone.` : "",
      reached ? `In touch at ${clock(reached)}.` : "",
      problem,
      refused.length ? `${refused.length} not taken.` : "",
    ].filter(Boolean);
    place.querySelector("[data-words]").textContent = words.join(" ");
    place.querySelector("[data-back]").hidden = !signal || !reached;
    place.hidden = false;
  },

  // Sends until nothing waits; told what stood against it.
  async now() {
    if (sending) return;
    sending = true;
    try {
      const me = await signedIn();
      signal = true;
      if (!me) return this.show("Sign in to send it.");
      const packed = (await store.packs()).map((row) => row.number);
      const waited = new Set((await store.entries()).filter((entry) => !entry.answer).map((entry) => entry.number));
      while (await batch(me));
      await refresh(packed.filter((number) => waited.has(number)));
      await this.show();
    } catch (problem) {
      signal = false;
      await this.show(problem instanceof TypeError ? "" : problem.message);
    } finally {
      sending = false;
    }
  },

  start() {
    this.show();
    this.now();
    setInterval(() => this.now(), EVERY);
    addEventListener("online", () => this.now());
  },
};
