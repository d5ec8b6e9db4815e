// Taking jobs along: the service worker, the runtime and the packs onto the phone, with their
// size told; letting them go; and asking about what came back not taken.
import { auto } from "./auto.js";
import { keys } from "./keys.js";
import { packing } from "./packing.js";
import { store } from "./store.js";
import { sync } from "./sync.js";

const at = (id) => document.getElementById(id);
const size = (bytes) => (bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(1)} MB`);
const when = (time) => new Date(time).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" });
// By which fields a press is known again.
const TOLD_BY = ["test", "outcome", "amps", "volts", "state", "cause", "action", "part", "summary"];
const say = (text) => (at("pocket-told").textContent = text);

async function take(number) {
  say("Asking for room on this phone …");
  await navigator.storage?.persist?.();
  say(`Fetching job ${number} …`);
  await packing.take(number);
  say("Fetching the runtime, once a release …");
  const { bytes } = await packing.pack(say);
  say(`Job ${number} is on this phone. Working on it takes ${size(bytes)} of memory.`);
}

// A job on this phone that the page did not list, being closed or somebody else's by now.
function unlisted({ number }) {
  const row = at("pocket-row").content.firstElementChild.cloneNode(true);
  row.dataset.job = row.querySelector("[data-number]").textContent = number;
  row.dataset.unlisted = "";
  return row;
}

async function list() {
  const packs = await store.packs();
  const entries = await store.entries();
  const listed = (pack) => document.querySelector(`[data-job="${pack.number}"]`);
  at("pocket-jobs").append(...packs.filter((pack) => !listed(pack)).map(unlisted));
  for (const row of document.querySelectorAll("[data-job]")) {
    const number = Number(row.dataset.job);
    const kept = packs.find((one) => one.number === number);
    if (!kept && "unlisted" in row.dataset) row.remove();
    const waiting = entries.filter((one) => one.number === number && !one.answer).length;
    row.querySelector("[data-kept]").textContent = kept
      ? ` · on this phone since ${when(kept.made_at)}, ${size(kept.bytes)}`
      : "";
    if (waiting) row.querySelector("[data-kept]").textContent += ` · ${waiting} not sent yet`;
    row.querySelector("[data-take]").textContent = kept ? "Take along anew" : "Take along";
    row.querySelector("[data-take]").disabled = Boolean(kept) && waiting > 0;
    row.querySelector("[data-let-go]").hidden = !kept || waiting > 0;
  }
  const { me } = at("pocket-room").dataset;
  await answers(entries.filter((one) => one.answer && one.by === me));
  await room(entries.filter((one) => one.by !== me).length);
}

async function room(others) {
  const { usage, quota } = (await navigator.storage?.estimate?.()) || {};
  const full = usage && quota - usage < 50e6;
  at("pocket-room").textContent = [
    usage ? `Fenbo holds ${size(usage)} here; ${size(quota - usage)} are free.` : "",
    full ? await largest() : "",
    others ? `${others} kept here by somebody else: sent when they sign in on this phone.` : "",
  ].join(" ");
}

async function largest() {
  const [most] = (await store.packs()).sort((one, two) => two.bytes - one.bytes);
  return most ? `That is little: let job ${most.number} go first, it holds ${size(most.bytes)}.` : "That is little.";
}

// What the server did not take, each with why, and what can be done about it.
async function answers(entries) {
  const place = at("pocket-answers");
  place.hidden = !entries.length;
  place.querySelector("ul").replaceChildren(...(await Promise.all(entries.map(line))));
}

async function line(entry) {
  const { order, number, path, at: pressed, body, answer } = await store.open(entry);
  const row = at("pocket-answer").content.firstElementChild.cloneNode(true);
  const fields = new URLSearchParams(body);
  const told = [path.split("/")[3], ...TOLD_BY.map((name) => fields.get(name))].filter(Boolean).join(" · ");
  row.querySelector("[data-what]").textContent = `Job ${number}, ${when(pressed)}: ${told.replaceAll("_", " ")}`;
  row.querySelector("[data-why]").textContent = await store.why(entry);
  row.querySelector("a").href = `/jobs/${number}`;
  for (const part of row.querySelectorAll("[data-when]")) part.hidden = part.dataset.when !== answer;
  row.querySelectorAll("[data-drop], [data-insist]").forEach((button) => (button.value = order));
  return row;
}

// The PIN is chosen before the first job is taken along, and may be changed.
async function choosing() {
  const { me } = at("pocket-room").dataset;
  const chosen = await keys.chosen(me);
  at("pocket-pin").hidden = false;
  at("pocket-pin").open = !chosen;
  at("pocket-pin").querySelector("summary").textContent = chosen ? "Choose another PIN" : "First choose a PIN";
  document.querySelectorAll("[data-take]").forEach((button) => (button.disabled ||= !chosen));
}

at("pocket-pin")
  .querySelector("form")
  .addEventListener("submit", async (event) => {
    event.preventDefault();
    event.stopPropagation();
    const { pin, again } = event.target.elements;
    const problem = at("pocket-pin").querySelector("[data-problem]");
    problem.textContent =
      pin.value.length < keys.SHORTEST
        ? `Six figures or letters at least.`
        : pin.value !== again.value
          ? "The second is another one."
          : /^(.)\1*$/.test(pin.value) || "01234567890".includes(pin.value) || "09876543210".includes(pin.value)
            ? "That one is tried first by whoever finds the phone."
            : "";
    if (problem.textContent) return;
    await keys.choosePin(pin.value);
    event.target.reset();
    say("The PIN is chosen. It opens without signal what you take along.");
    await shown();
  });

document.addEventListener("click", async ({ target }) => {
  const button = target.closest?.("[data-drop], [data-insist]");
  if (!button) return;
  await (button.matches("[data-drop]") ? store.drop : store.insist)(Number(button.value));
  await sync.now();
  await shown();
});

document.addEventListener("click", async ({ target }) => {
  const row = target.closest?.("[data-job]");
  if (!row || !target.closest("button")) return;
  keys.touch();
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
  await shown();
});

at("pocket-auto").addEventListener("change", ({ target }) => auto.wanted(target.checked));

// What is packed is kept up with the server's release, once all is sent.
async function renew() {
  if (!(await packing.old())) return;
  say("Fetching the new release …");
  await packing.pack(say);
  say("What is on this phone is of the newest release.");
}

async function shown() {
  await list();
  await choosing();
}

async function begin() {
  at("pocket-auto").checked = auto.isWanted();
  const me = await (await fetch("/pocket/me.json", { cache: "no-store" })).json();
  if (!(await keys.openBySecret(me.user, me.secret)) && (await keys.current())?.user !== me.user)
    return say("What is on this phone opens by its PIN alone: open it without signal once.");
  await shown();
  await sync.now();
  await shown();
  await renew();
}
await begin().catch((problem) => say(`That did not work: ${problem.message}`));
