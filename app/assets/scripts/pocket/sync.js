// Sends what was done, in order, some at a time; each is answered by itself. The band at the
// top says how much is kept here, when the server was last reached, and what it refused.
import { keys } from "./keys.js";
import { unsent } from "./auto.js";
import { packing } from "./packing.js";
import { store } from "./store.js";
import { ahead, batch, leave, signedIn } from "./wire.js";

const EVERY = 20_000;
// From here on a wrong clock is told of.
const WRONG_MS = 120_000;
let sending = false;
let reached = null;
let signal = true;

const band = () => document.getElementById("pocket-band");
const clock = (date) => date.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });

// What is all sent is packed anew: the server has what others did meanwhile, and not what it
// refused. Nobody presses anything meanwhile.
const refresh = (before) =>
  navigator.locks.request("fenbo-pocket", async () => {
    const waiting = new Set((await store.entries()).filter((entry) => !entry.answer).map((entry) => entry.number));
    for (const number of before) if (!waiting.has(number)) await packing.take(number);
  });

// With this person's key open, for as long as it takes where it is not.
async function opened(me, work) {
  const mine = (await keys.current())?.user === me.user;
  if (!mine && !(await keys.openBySecret(me.user, me.secret))) throw new Error("Open it with the PIN to send it.");
  try {
    await work();
  } finally {
    if (!mine) keys.lock();
  }
}

// What is sent, and what is settled, needs no look any more.
const tellRest = async () => unsent.tell((await store.entries()).length > 0);

async function send(me) {
  const packed = (await store.packs()).map((row) => row.number);
  const waited = new Set((await store.entries()).filter((entry) => !entry.answer).map((entry) => entry.number));
  while (await batch(me));
  await refresh(packed.filter((number) => waited.has(number)));
  await tellRest();
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
      reached = new Date();
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
    band()
      ?.querySelector("[data-leave]")
      .addEventListener("click", () => this.leave());
    this.show();
    this.now();
    setInterval(() => this.now(), EVERY);
    addEventListener("online", () => this.now());
  },
};
