// What goes between the phone and the server: what was done, some at a time in its order, and
// what the server says of each.
import { keys } from "./keys.js";
import { store } from "./store.js";

const AT_ONCE = 100;
// What goes through the door at once, in characters; one alone always does.
const LARGEST = 400_000;
// Ahead of the server's clock, in ms, as last measured; kept, since a clock may be put right.
const CLOCK = "fenbo-pocket-clock";
export const ahead = () => Number(localStorage.getItem(CLOCK) || 0);

async function json(path, options) {
  const answer = await fetch(path, { credentials: "same-origin", cache: "no-store", ...options });
  if (answer.headers.get("x-fenbo") !== "1") throw new Error("This is not Fenbo that answers.");
  // The session has ended meanwhile.
  if (new URL(answer.url).pathname === "/sign-in") return {};
  if (!answer.ok && answer.status !== 422) throw new Error(`Fenbo answered ${answer.status}.`);
  return answer.json();
}

// Signed in as whom, with the token that forms carry; null where nobody is.
export async function signedIn() {
  const me = await json("/pocket/me.json");
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
  for (const { field, path, name } of entry.parts) {
    const file = await store.file(path);
    if (!file) throw new Error(`The file of a press on job ${entry.number} is gone from this phone.`);
    form.set(field, file, name);
  }
  return form;
}

const withFiles = async (me, entry) => post("/pocket/sync/files", me, await formOf(entry));

const plain = (me, entries) =>
  post("/pocket/sync", me, JSON.stringify({ entries: entries.map(press) }), { "content-type": "application/json" });

// Those that could not be read are told apart by their place, so that the others go on.
function unreadable(errors, waiting) {
  const told = errors.map(({ field, message }) => [waiting[field.match(/^entries\[(\d+)\]/)?.[1]], message]);
  return told
    .filter(([entry]) => entry)
    .map(([{ order }, message]) => ({ order, answer: "refused", sentence: `It could not be read: it ${message}.` }));
}

// Somebody who cannot sign in any more leaves it on the server, for the office to take in.
export async function leave() {
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

export async function batch(me) {
  const waiting = (await store.entries()).filter((entry) => !entry.answer && entry.by === me.user);
  const some = next(await Promise.all(waiting.slice(0, AT_ONCE + 1).map(store.open)));
  if (!some.length) return 0;
  const { answers, errors } = await (some[0].parts?.length ? withFiles(me, some[0]) : plain(me, some));
  const told = answers ?? unreadable(errors ?? [], some);
  await store.answered(told);
  return told.length;
}
