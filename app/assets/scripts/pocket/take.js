// Taking jobs along: the service worker, the runtime and the packs onto the phone, with their
// size told; and letting them go.
import { packing } from "./packing.js";
import { store } from "./store.js";
import { sync } from "./sync.js";

const size = (bytes) => (bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(1)} MB`);
const when = (time) => new Date(time).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" });
// By which fields a press is known again.
const TOLD_BY = ["test", "outcome", "amps", "volts", "state", "cause", "action"];
const say = (text) => (document.getElementById("pocket-told").textContent = text);

async function take(number) {
  say("Asking for room on this phone …");
  await navigator.storage?.persist?.();
  say(`Fetching job ${number} …`);
  const answer = await fetch(`/pocket/packs/${number}.json`);
  if (!answer.ok) throw new Error(`Fenbo answered ${answer.status}.`);
  await store.take(await answer.json());
  say("Fetching the runtime, once a release …");
  const { bytes } = await packing.pack(say);
  say(`Job ${number} is on this phone. Working on it takes ${size(bytes)} of memory.`);
  await list();
}

async function list() {
  const packs = await store.packs();
  const entries = await store.entries();
  for (const row of document.querySelectorAll("[data-job]")) {
    const number = Number(row.dataset.job);
    const kept = packs.find((one) => one.number === number);
    const waiting = entries.filter((one) => one.number === number && !one.answer).length;
    row.querySelector("[data-kept]").textContent = kept
      ? ` · on this phone since ${when(kept.pack.made_at)}, ${size(kept.bytes)}`
      : "";
    if (waiting) row.querySelector("[data-kept]").textContent += ` · ${waiting} not sent yet`;
    row.querySelector("[data-take]").textContent = kept ? "Take along anew" : "Take along";
    row.querySelector("[data-take]").disabled = Boolean(kept) && waiting > 0;
    row.querySelector("[data-let-go]").hidden = !kept || waiting > 0;
  }
  refused(entries.filter((one) => one.answer));
  const { usage, quota } = (await navigator.storage?.estimate?.()) || {};
  const room = document.getElementById("pocket-room");
  const others = entries.filter((one) => one.by !== room.dataset.me).length;
  room.textContent = [
    usage ? `Fenbo holds ${size(usage)} here; ${size(quota - usage)} are free.` : "",
    others ? `${others} kept here by somebody else: sent when they sign in on this phone.` : "",
  ].join(" ");
}

// What the server did not take, each with why and a way to note it anew.
function refused(entries) {
  const place = document.getElementById("pocket-refused");
  place.hidden = !entries.length;
  place.querySelector("ul").replaceChildren(
    ...entries.map(({ order, number, at, body, sentence }) => {
      const line = document.getElementById("pocket-refused-line").content.firstElementChild.cloneNode(true);
      const fields = new URLSearchParams(body);
      const said = TOLD_BY.map((name) => fields.get(name)).filter(Boolean).join(" ").replaceAll("_", " ");
      line.querySelector("[data-what]").textContent = `Job ${number}, ${when(at)}: ${said}`;
      line.querySelector("[data-why]").textContent = sentence;
      line.querySelector("a").href = `/jobs/${number}`;
      line.querySelector("[data-drop]").dataset.drop = order;
      return line;
    }),
  );
}

document.addEventListener("click", async ({ target }) => {
  const order = target.closest?.("[data-drop]")?.dataset.drop;
  if (!order) return;
  await store.drop(Number(order));
  await list();
});

document.addEventListener("click", async ({ target }) => {
  const row = target.closest?.("[data-job]");
  if (!row || !target.closest("button")) return;
  const number = Number(row.dataset.job);
  const buttons = [...document.querySelectorAll("[data-job] button")];
  buttons.forEach((button) => (button.disabled = true));
  try {
    if (target.dataset.letGo !== undefined) {
      await store.letGo(number);
      say(`Job ${number} is not on this phone any more.`);
    } else await take(number);
  } catch (problem) {
    say(`Job ${number} could not be taken along: ${problem.message}`);
  }
  buttons.forEach((button) => (button.disabled = false));
  await list();
});
// What is packed is kept up with the server's release, once all is sent.
async function renew() {
  if (!(await packing.old())) return;
  say("Fetching the new release …");
  await packing.pack(say);
  say("What is on this phone is of the newest release.");
}
await list();
await sync.now();
await list();
await renew().catch((problem) => say(`The new release could not be fetched: ${problem.message}`));
