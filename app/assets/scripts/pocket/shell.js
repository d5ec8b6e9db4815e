// The page that stands where there is no signal: it begins the phone's Ruby, loads the taken
// jobs, and answers for the service worker what htmx asks. Everything done is kept before it
// is shown.
import { keys } from "./keys.js";
import { looked, places } from "./files.js";
import { Phone } from "./phone.js";
import { askPin } from "./pin.js";
import { store } from "./store.js";
import { sync } from "./sync.js";

const { htmx } = window;
const place = document.getElementById("pocket-begin");
const say = (text) => place && (place.textContent = text);
const here = () => location.pathname + location.search;
const phone = new Phone();
const POCKET = { "X-Pocket": "1" };
document.documentElement.dataset.pocket = POCKET["X-Pocket"];

// Without signal nobody keeps how the page looks: it looks so until it is left.
document.addEventListener(
  "submit",
  (event) => {
    const looks = event.submitter?.dataset.looks;
    if (!looks) return;
    document.documentElement.dataset.appearance = looks;
    event.preventDefault();
    event.stopPropagation();
  },
  true,
);
document.addEventListener("htmx:configRequest", ({ detail }) => (detail.headers["X-Pocket"] = "1"));

// Forms with files go the same way as all others here.
htmx.onLoad((page) => {
  for (const form of page.querySelectorAll('form[enctype="multipart/form-data"][hx-boost]')) {
    form.removeAttribute("hx-boost");
    htmx.process(form);
  }
});

const UUID = /^[0-9a-f]{8}-([0-9a-f]{4}-){3}[0-9a-f]{12}$/i;

// One after the other, over all pages of this phone.
const answered = (request) => navigator.locks.request("fenbo-pocket", () => inTurn(request));

// A press is kept with the job it leaves behind before anybody is told that it was taken.
async function inTurn({ files = {}, ...request }) {
  if (!(await keys.current())) await askPin();
  keys.touch();
  const at = Date.now();
  const { told, thumbnail } = await looked(files);
  const answer = await phone.ask(request, told);
  if (request.verb === "POST" && answer.job && answer.status < 400) {
    await keep(request, files, thumbnail, answer, at);
    sync.show();
  }
  if (answer.status === 303) {
    const to = new URL(answer.headers.location, location.origin);
    const next = await phone.ask({ verb: "GET", path: to.pathname, query: to.search.slice(1), body: "" });
    return { ...next, headers: { ...next.headers, "hx-push-url": to.pathname + to.search } };
  }
  return answer;
}

async function keep({ path, body }, files, thumbnail, { job, seen }, at) {
  const told = new URLSearchParams(body).get("client_id");
  const id = UUID.test(told) ? told.toLowerCase() : crypto.randomUUID();
  const kept = places(files, thumbnail, id, job.number);
  const parts = kept.flatMap((one) => (one.field ? [{ ...one, blob: undefined, name: files[one.field].name }] : []));
  await store.keep({ number: job.number, at, clock: sync.clock(), id, path, body, seen, parts }, kept, job);
  phone.kept(job.number);
}

navigator.serviceWorker.addEventListener("message", async ({ data, ports }) => {
  if (data.file) return ports[0].postMessage(await picture(data.file));
  if (!data.ask) return;
  try {
    ports[0].postMessage(await answered(data.ask));
  } catch (problem) {
    const full = problem?.name === "QuotaExceededError";
    const text = full ? FULL : `That was not kept: ${problem?.message || problem}`;
    ports[0].postMessage({ status: full ? 507 : 500, headers: { "content-type": "text/html" }, body: broken(text) });
  }
});

// The small one where the whole one did not come along.
async function picture(path) {
  const blob = (await store.file(path)) || (await store.file(`${path}/small`));
  return blob && { blob, type: blob.type };
}

const FULL = "The phone is full: nothing more can be kept. Let a job go, then press again.";

function broken(text) {
  const page = document.createElement("div");
  page.id = "page";
  page.innerHTML = '<main id="main" class="wide pt-10"><h1>Not kept</h1><p class="told mt-4" role="alert"></p></main>';
  page.querySelector("p").textContent = text;
  return page.outerHTML;
}

// What was sent from a page of the server's just when the signal went.
function pressedBefore() {
  return new Promise((done) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = ({ data }) => done(data);
    navigator.serviceWorker.controller ? navigator.serviceWorker.controller.postMessage("left", [port2]) : done(null);
  });
}

async function goOn(press) {
  const { body, headers } = await answered(press);
  if (headers["hx-push-url"]) history.replaceState(null, "", headers["hx-push-url"]);
  htmx.swap("#page", body, { swapStyle: "outerHTML" }, { select: "#page" });
}

async function begin() {
  if (!(await keys.current()) && (await keys.anybody())) await askPin();
  await phone.begin(say);
  await navigator.serviceWorker.ready;
  const left = await pressedBefore();
  if (left) await goOn(left);
  else await htmx.ajax("GET", here(), { target: "#page", select: "#page", swap: "outerHTML", headers: POCKET });
  sync.start(phone);
}
begin().catch((problem) => say(`The phone's Fenbo did not begin: ${problem.message}`));
