// Beside the server's own pages: what was done without signal is sent, wherever one comes back;
// and today's jobs come onto this phone without being asked each time. A job that has something
// unsent is left as it is.
import { auto, unsent } from "./auto.js";
import { keys } from "./keys.js";
import { packing } from "./packing.js";
import { store } from "./store.js";
import { sync } from "./sync.js";

async function today() {
  const me = await (await fetch("/pocket/me.json", { cache: "no-store" })).json();
  if (!me.user || !(await keys.chosen(me.user))) return;
  const mine = (await keys.current())?.user === me.user;
  if (!mine && !(await keys.openBySecret(me.user, me.secret))) return;
  const waiting = new Set((await store.entries()).map((entry) => entry.number));
  for (const number of me.today) if (!waiting.has(number)) await packing.take(number);
  if (await packing.old()) await packing.pack(() => {});
  if (!mine) keys.lock();
}

async function sent() {
  await sync.now();
  const asked = (await store.entries()).some((entry) => entry.answer);
  document.getElementById("pocket-note")?.toggleAttribute("hidden", !asked || location.pathname === "/pocket");
}

// Tried again next time: nobody waits for it.
if (unsent.there()) await sent();
if (auto.due()) {
  auto.done();
  await today().catch((problem) => console.warn(`today's jobs were not taken along: ${problem.message}`));
}
