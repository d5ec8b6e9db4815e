// Sends what was done, in order, some at a time; each is answered by itself. The band at the
// top says how much is kept here, when the server was last reached, and what it refused.
import { keys } from "./keys.js";
import { pictures } from "./packing.js";
import { store } from "./store.js";

const AT_ONCE = 100;
// What goes through the door at once, in characters; one alone always does.
const LARGEST = 400_000;
const EVERY = 20_000;
// Ahead of the server's clock, in ms, as last measured; kept, since a clock may be put right.
const CLOCK = "fenbo-pocket-clock";
// From here on a wrong clock is told of.
const WRONG_MS = 120_000;
let sending = false;
let reached = null;
let signal = true;

const band = () => document.getElementById("pocket-band");
const clock = (date) => date.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
const ahead = () => Number(localStorage.getItem(CLOCK) || 0);

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
  const me = await json("/pocket/me.json");
  reached = new Date();
  if (!me.user) return null;
  localStorage.setItem(CLOCK, String(Date.now() - me.now * 1000));
  return me;
}

// How long ago, in s: by the server's clock, whatever this one said then and says now.
const held = (entry) => Math.max(0, Date.now() - ahead() - (entry.at - (entry.clock ?? ahead()))) / 1000;

function press(entry) {
  const { order, id, path, body, seen, anyway } = entry;
  return { order, id, path, body, seen, anyway: Boolean(anyway), held_seconds: held(entry) };
}

// Those that go now: some without files, or one with its files.
function next(mine) {
  if (mine[0]?.parts?.length) return mine.slice(0, 1);
  let sum = 0;
  const fits = ({ body, parts }, index) => !parts?.length && ((sum += body.length) <= LARGEST || index === 0);
  const end = mine.findIndex((entry, index) => index === AT_ONCE || !fits(entry, index));
  return end < 0 ? mine : mine.slice(0, end);
}

const post = (path, me, body, more) =>
  json(path, { method: "POST", headers: { "x-csrf-token": me.token, ...more }, body });

async function formOf(entry) {
  const form = new FormData();
  form.set("press", JSON.stringify(press(entry)));
  for (const { field, path, name } of entry.parts) form.set(field, await store.file(path), name);
  return form;
}

const withFiles = async (me, entry) => post("/pocket/sync/files", me, await formOf(entry));

const plain = (me, entries) =>
  post("/pocket/sync", me, JSON.stringify({ entries: entries.map(press) }), { "content-type": "application/json" });

// Somebody who cannot sign in any more leaves it on the server, for the office to take in.
async function leave() {
  const open = await keys.current();
  const [{ number }] = await store.packs();
  const headers = { "x-pocket-ticket": (await store.pack(number)).pack.person.ticket };
  for (;;) {
    const waiting = (await store.entries()).filter((entry) => !entry.answer && entry.by === open.user);
    const some = next(await Promise.all(waiting.slice(0, AT_ONCE + 1).map(store.open)));
    if (!some.length) return;
    const { answers } = await (some[0].parts?.length
      ? json("/left", { method: "POST", headers, body: await formOf(some[0]) })
      : json("/left", { method: "POST", headers, body: JSON.stringify({ entries: some.map(press) }) }));
    if (!answers) throw new Error("It could not be left there.");
    await store.answered(answers);
  }
}

async function batch(me) {
  const waiting = (await store.entries()).filter((entry) => !entry.answer && entry.by === me.user);
  const some = next(await Promise.all(waiting.slice(0, AT_ONCE + 1).map(store.open)));
  if (!some.length) return 0;
  const { answers, errors } = await (some[0].parts?.length ? withFiles(me, some[0]) : plain(me, some));
  const told = answers ?? unreadable(errors ?? [], some);
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
// refused. Nobody presses anything meanwhile.
const refresh = (before) =>
  navigator.locks.request("fenbo-pocket", async () => {
    const unsent = new Set((await store.entries()).filter((entry) => !entry.answer).map((entry) => entry.number));
    for (const number of before) {
      if (unsent.has(number)) continue;
      const pack = await json(`/pocket/packs/${number}.json`);
      await store.take(pack, await pictures(pack));
    }
  });

// With the key open for as long as it takes, where nobody has it open.
async function opened(me, work) {
  const there = await keys.current();
  if (there && there.user !== me.user) return;
  if (!there && !(await keys.openBySecret(me.user, me.secret))) throw new Error("Open it with the PIN to send it.");
  try {
    await work();
  } finally {
    if (!there) keys.lock();
  }
}

async function send(me) {
  const packed = (await store.packs()).map((row) => row.number);
  const waited = new Set((await store.entries()).filter((entry) => !entry.answer).map((entry) => entry.number));
  while (await batch(me));
  await refresh(packed.filter((number) => waited.has(number)));
}

function wrongClock() {
  const minutes = Math.round(ahead() / 60_000);
  if (Math.abs(ahead()) < WRONG_MS) return "";
  return `This phone's clock is ${Math.abs(minutes)} min ${minutes > 0 ? "ahead" : "behind"}; times are counted right.`;
}

export const sync = {
  // How far this phone's clock is ahead, in ms, as far as is known.
  clock: ahead,

  // nobody: who is not signed in any more may leave it there.
  async show(problem = "", nobody = false) {
    const place = band();
    if (!place) return;
    const entries = await store.entries();
    const asked = entries.filter((entry) => entry.answer === "conflict").length;
    const refused = entries.filter((entry) => entry.answer).length - asked;
    const kept = entries.length - refused - asked;
    const words = [
      signal ? "" : "No signal.",
      kept ? `${kept} kept on this phone.` : "",
      reached ? `In touch at ${clock(reached)}.` : "",
      problem,
      refused ? `${refused} not taken.` : "",
      asked ? `${asked} to be asked: somebody else came first.` : "",
      wrongClock(),
    ].filter(Boolean);
    place.querySelector("[data-words]").textContent = words.join(" ");
    place.querySelector("[data-back]").hidden = !signal || !reached;
    place.querySelector("[data-leave]").hidden = !nobody || !kept;
    place.hidden = false;
  },

  // Sends until nothing waits; told what stood against it.
  async now() {
    if (sending) return;
    sending = true;
    try {
      const me = await signedIn();
      signal = true;
      if (!me) return this.show("Sign in to send it.", true);
      // Two pages of this phone would send the same.
      await navigator.locks.request("fenbo-pocket-sync", () => opened(me, () => send(me)));
      await this.show();
    } catch (problem) {
      signal = false;
      await this.show(problem instanceof TypeError ? "" : problem.message);
    } finally {
      sending = false;
    }
  },

  async leave() {
    await leave().then(
      () => this.show("Left for the office, who takes it in under your name."),
      (problem) => this.show(problem.message, true),
    );
  },

  start() {
    band()?.querySelector("[data-leave]").addEventListener("click", () => this.leave());
    this.show();
    this.now();
    setInterval(() => this.now(), EVERY);
    addEventListener("online", () => this.now());
  },
};
