// Between the pages and the net: with signal it keeps out of the way, without it brings the
// pocket's own page, and it never takes a hotel's page for Fenbo's.
import assert from "node:assert/strict";
import { beforeEach, mock, test } from "node:test";

const heard = {};
let packed = {};
let runtimes = {};
let net;
let pages = {};

globalThis.location = new URL("http://fenbo.test/sw.js");
globalThis.self = globalThis;
globalThis.addEventListener = (name, work) => (heard[name] = work);
globalThis.skipWaiting = () => {};
globalThis.clients = { claim: async () => {}, get: async (id) => pages[id] };
globalThis.caches = {
  match: async (asked, { cacheName }) =>
    (cacheName === "fenbo-shell" ? packed : runtimes)[new URL(asked.url ?? asked, location).pathname]?.clone(),
};
await import("../../app/assets/scripts/pocket/sw.js");

const ours = (text, more = {}) => new Response(text, { headers: { "x-fenbo": "1" }, ...more });
const hotel = (text) => new Response(text);

beforeEach(() => {
  mock.timers.reset();
  packed = { "/pocket/shell": new Response("shell"), "/assets/fenbo.css": new Response("packed styles") };
  runtimes = {};
  pages = {};
  net = () => Promise.reject(new TypeError("no signal"));
  globalThis.fetch = (request, options) => net(request, options);
});

// What a page gets that asks so; null where the browser asks for itself.
async function asked(path, { mode = "navigate", from = "page", ...options } = {}) {
  const request = new Request(new URL(path, location), options);
  Object.defineProperty(request, "mode", { value: mode });
  let given = null;
  heard.fetch({ request, clientId: from, respondWith: (answer) => (given = answer) });
  return given && (await given);
}
const text = async (...given) => (await asked(...given))?.text();

// A page that answers what the worker asks it.
const answering = (work) => ({
  url: "http://fenbo.test/pocket",
  postMessage: async (question, [port]) => {
    port.postMessage(await work(question));
    port.close();
  },
});

test("gives the server's page with signal, and the pocket's without", async () => {
  net = async () => ours("server's");
  assert.equal(await text("/jobs/7/look"), "server's");
  net = () => Promise.reject(new TypeError("no signal"));
  assert.equal(await text("/jobs/7/look"), "shell");
  assert.equal(await text("/units"), "shell");
});

test("takes no hotel's page for Fenbo's, and follows a redirect", async () => {
  net = async () => hotel("Welcome to our wifi");
  assert.equal(await text("/"), "shell");
  net = async () => Object.defineProperty(new Response(), "type", { value: "opaqueredirect" });
  assert.equal((await asked("/jobs/7")).type, "opaqueredirect");
});

test("waits four seconds in a cellar for a page that the phone has too, longer for others", async () => {
  mock.timers.enable({ apis: ["setTimeout"] });
  net = (_request, { signal }) =>
    new Promise((done, failed) => {
      signal.addEventListener("abort", () => failed(new DOMException("late", "AbortError")));
      setTimeout(() => done(ours("late")), 9000);
    });
  const [have, not] = [text("/jobs/7/measure"), text("/units")];
  mock.timers.tick(4000);
  assert.equal(await have, "shell");
  mock.timers.tick(5000);
  assert.equal(await not, "late");
});

test("brings the runtime as it is kept, and asks the net only for one that is not", async () => {
  const runtime = (name) => text(`/pocket/ruby-${name}.wasm`, { mode: "cors" });
  runtimes = { "/pocket/ruby-2.1.0.wasm": new Response("kept") };
  assert.equal(await runtime("2.1.0"), "kept");
  net = async () => ours("newer");
  assert.equal(await runtime("2.1.0"), "kept");
  assert.equal(await runtime("2.2.0"), "newer");
});

test("opens what was kept without asking the net", async () => {
  net = () => assert.fail("nobody asks");
  assert.equal(await text("/pocket/kept"), "shell");
});

test("brings styles and scripts as packed where there are no newer ones", async () => {
  const styles = () => text("/assets/fenbo.css?v=2", { mode: "no-cors" });
  net = async () => ours("new styles");
  assert.equal(await styles(), "new styles");
  net = async () => ours("sign in", { status: 500 });
  assert.equal(await styles(), "packed styles");
  packed["/assets/fenbo.css"] = new Response("packed styles");
  net = async () => hotel("wifi");
  assert.equal(await styles(), "packed styles");
  net = () => Promise.reject(new TypeError("no signal"));
  assert.equal((await asked("/assets/other.css", { mode: "no-cors" })).type, "error");
});

test("asks the pocket's page for a picture that the server does not give", async () => {
  const path = "/photos/1f0c7a52-0000-4000-8000-000000000000/small";
  net = async () => ours("server's picture");
  assert.equal(await text(path, { mode: "no-cors" }), "server's picture");
  net = async () => ours("sign in", { status: 404 });
  pages.page = answering(({ file }) => file === path && { blob: new Blob(["kept"]), type: "image/webp" });
  const kept = await asked(path, { mode: "no-cors" });
  assert.deepEqual([await kept.text(), kept.headers.get("content-type")], ["kept", "image/webp"]);
  pages.page = answering(() => null);
  assert.equal((await asked(path, { mode: "no-cors" })).type, "error");
  pages.page = { ...answering(() => ({ blob: new Blob(["kept"]) })), url: "http://elsewhere.test/" };
  assert.equal((await asked(path, { mode: "no-cors" })).type, "error");
  assert.equal((await asked(path, { mode: "no-cors", from: "nobody" })).type, "error");
});

test("lets the pocket's page answer what is asked of it, with its form and its files", async () => {
  let told;
  pages.page = answering(({ ask }) => {
    told = ask;
    return {
      status: 422,
      body: "page",
      headers: { "content-type": "text/html", location: "/x", "content-length": "4" },
    };
  });
  const form = new FormData();
  form.append("note", "hums");
  form.append("photo", new File(["picture"], "plate.jpg"));
  const answer = await asked("/jobs/7/photos?fan=evaporator-1", {
    method: "POST",
    body: form,
    mode: "cors",
    headers: { "x-pocket": "1" },
  });
  assert.deepEqual([answer.status, answer.headers.get("location"), await answer.text()], [422, null, "page"]);
  assert.deepEqual(
    [told.verb, told.path, told.query, told.body],
    ["POST", "/jobs/7/photos", "fan=evaporator-1", "note=hums"],
  );
  assert.deepEqual(Object.keys(told.files), ["photo"]);
});

test("hands a photo over to the pocket's page when the signal is gone in between", async () => {
  const ask = () =>
    new Promise((done) => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = ({ data }) => (port1.close(), done(data));
      heard.message({ data: "left", ports: [port2] });
    });
  const form = new FormData();
  form.append("photo", new File(["picture"], "plate.jpg"));
  assert.equal(await text("/jobs/7/photos", { method: "POST", body: form }), "shell");
  const left = await ask();
  assert.deepEqual([left.verb, left.path, Object.keys(left.files)], ["POST", "/jobs/7/photos", ["photo"]]);
  assert.equal(await ask(), null);
  net = async () => ours("taken");
  assert.equal(await text("/jobs/7/photos", { method: "POST", body: form }), "taken");
  assert.equal(await ask(), null);
});

test("leaves everything else to the browser", async () => {
  assert.equal(await asked("http://elsewhere.test/jobs/7"), null);
  assert.equal(await asked("/jobs/7/findings", { method: "POST", body: "a=1" }), null);
  assert.equal(await asked("/clock.json", { mode: "cors" }), null);
});
