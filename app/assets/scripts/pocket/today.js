// Today's jobs onto this phone, without being asked each time. What has something unsent is left
// as it is.
import { auto } from "./auto.js";
import { keys } from "./keys.js";
import { packing } from "./packing.js";
import { store } from "./store.js";

async function today() {
  const me = await (await fetch("/pocket/me.json", { cache: "no-store" })).json();
  if (!me.user || !(await keys.chosen(me.user))) return;
  const there = await keys.current();
  if (!there && !(await keys.openBySecret(me.user, me.secret))) return;
  const unsent = new Set((await store.entries()).map((entry) => entry.number));
  for (const number of me.today) if (!unsent.has(number)) await packing.take(number);
  if (await packing.old()) await packing.pack(() => {});
  if (!there) keys.lock();
}

if (auto.due()) {
  auto.done();
  // Tried again next time: nobody waits for it.
  today().catch((problem) => console.warn(`today's jobs were not taken along: ${problem.message}`));
}
