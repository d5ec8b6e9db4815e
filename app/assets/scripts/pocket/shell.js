// The page that stands where there is no signal: it begins the phone's Ruby, loads the taken
// jobs, and answers for the service worker what htmx asks. Everything done is kept before it
// is shown.
import { Phone } from "./phone.js";
import { store } from "./store.js";
import { sync } from "./sync.js";

const { htmx } = window;
const place = document.getElementById("pocket-begin");
const say = (text) => place && (place.textContent = text);
const here = () => location.pathname + location.search;
const phone = new Phone();

document.addEventListener("htmx:configRequest", ({ detail }) => (detail.headers["X-Pocket"] = "1"));

const UUID = /^[0-9a-f]{8}-([0-9a-f]{4}-){3}[0-9a-f]{12}$/i;

// One after the other, over all pages of this phone.
const answered = (request) => navigator.locks.request("fenbo-pocket", () => inTurn(request));

// A press is kept with the job it leaves behind before anybody is told that it was taken.
async function inTurn(request) {
  const at = Date.now();
  const answer = await phone.ask({ ...request, at: at / 1000 });
  if (request.verb === "POST" && answer.job && answer.status < 400) {
    const id = new URLSearchParams(request.body).get("client_id");
    const { path, body } = request;
    const { number } = answer.job;
    const entry = { id: UUID.test(id) ? id : crypto.randomUUID(), number, path, body, at, by: phone.person };
    await store.keep(entry, number, answer.job);
    phone.kept(number);
    sync.show();
  }
  if (answer.status === 303) {
    const to = new URL(answer.headers.location, location.origin);
    const next = await phone.ask({ verb: "GET", path: to.pathname, query: to.search.slice(1), body: "" });
    return { ...next, headers: { ...next.headers, "hx-push-url": to.pathname + to.search } };
  }
  return answer;
}

navigator.serviceWorker.addEventListener("message", async ({ data, ports }) => {
  if (!data.ask) return;
  try {
    ports[0].postMessage(await answered(data.ask));
  } catch (problem) {
    const full = problem?.name === "QuotaExceededError";
    const text = full ? FULL : `That was not kept: ${problem?.message || problem}`;
    ports[0].postMessage({ status: full ? 507 : 500, headers: { "content-type": "text/html" }, body: broken(text) });
  }
});

const FULL = "The phone is full: nothing more can be kept. Let a job go, then press again.";

function broken(text) {
  const page = document.createElement("div");
  page.id = "page";
  page.innerHTML = '<main id="main" class="wide pt-10"><h1>Not kept</h1><p class="told mt-4" role="alert"></p></main>';
  page.querySelector("p").textContent = text;
  return page.outerHTML;
}

async function begin() {
  await phone.begin(say);
  await navigator.serviceWorker.ready;
  await htmx.ajax("GET", here(), { target: "#page", select: "#page", swap: "outerHTML", headers: { "X-Pocket": "1" } });
  sync.start(phone);
}
begin().catch((problem) => say(`The phone's Fenbo did not begin: ${problem.message}`));
