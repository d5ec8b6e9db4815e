// Between the pages and the net, only on phones that took a job along. With signal it keeps out
// of the way; without, an address opened leads to the pocket's own page, never to the browser's.
const SHELL = "fenbo-shell";
const FILES = ["/pocket/about.json", "/pocket/worker.js"];
// Never another under the same name: its release is in it.
const RUNTIME = { path: /^\/pocket\/ruby-[\w.]+\.wasm$/, cacheName: "fenbo-runtime" };
// Whoever waits longer than this for a page that the phone has too stands in a cellar, in ms.
const PATIENCE = 4000;
const HERE = /^\/(jobs\/\d+(\/(look|frost|measure|decide|fit|prove|hand_over))?)?$/;
const PICTURE = /^\/(photos\/[0-9a-f-]{36}(\/small)?|jobs\/\d+\/sounds\/[0-9a-f-]{36}\.wav)$/;
const PRESSED = /^\/jobs\/\d+\/(photos|sounds)$/;

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

// Fenbo says so; a hotel's sign-in page does not.
const ours = (answer) => answer.headers.get("x-fenbo") === "1";
// What was asked for, not the sign-in that it leads to.
const itself = (answer) => ours(answer) && answer.ok && !answer.redirected;

async function page(request) {
  // Asked for by somebody who cannot sign in any more.
  if (new URL(request.url).pathname === "/pocket/kept") return shell();
  const stop = new AbortController();
  const timer = HERE.test(new URL(request.url).pathname) && setTimeout(() => stop.abort(), PATIENCE);
  try {
    const answer = await fetch(request, { signal: stop.signal });
    if (answer.type === "opaqueredirect" || ours(answer)) return answer;
  } catch {
    // No signal.
  } finally {
    clearTimeout(timer);
  }
  return shell();
}

const shell = async () => (await caches.match("/pocket/shell", { cacheName: SHELL })) || Response.error();

// Files of the page and what belongs to the pocket: as packed, where there is no newer.
async function file(request) {
  try {
    const answer = await fetch(request);
    if (itself(answer)) return answer;
  } catch {
    // As packed.
  }
  return (await caches.match(request, { cacheName: SHELL, ignoreSearch: true })) || Response.error();
}

const runtime = async (request) => (await caches.match(request, { cacheName: RUNTIME.cacheName })) || fetch(request);

// What a page answers.
function asked(client, question) {
  return new Promise((done) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = ({ data }) => done(data);
    client.postMessage(question, [port2]);
  });
}

// The fields of a form as one line, its files by their fields.
async function form(request) {
  if (request.method !== "POST") return { body: "", files: {} };
  if (!request.headers.get("content-type")?.startsWith("multipart/")) return { body: await request.text(), files: {} };
  const fields = new URLSearchParams();
  const files = {};
  for (const [name, value] of await request.formData()) {
    if (typeof value === "string") fields.append(name, value);
    else if (value.size || value.name) files[name] = value;
  }
  return { body: fields.toString(), files };
}

// A photo or recording: the server's, or what the pocket's page has of it.
async function picture(event) {
  try {
    const answer = await fetch(event.request);
    if (itself(answer)) return answer;
  } catch {
    // As kept.
  }
  const client = await self.clients.get(event.clientId);
  if (!client || new URL(client.url).origin !== location.origin) return Response.error();
  const kept = await asked(client, { file: new URL(event.request.url).pathname });
  if (!kept) return Response.error();
  return new Response(kept.blob, { headers: { "content-type": kept.type } });
}

// A photo or recording sent from a page of the server's, when the signal is gone: the pocket's
// page comes instead, and asks for it.
let left = null;
async function pressed(request) {
  const copy = request.clone();
  try {
    const answer = await fetch(request);
    if (answer.type === "opaqueredirect" || ours(answer)) return answer;
  } catch {
    // No signal.
  }
  left = { verb: "POST", path: new URL(copy.url).pathname, query: "", ...(await form(copy)) };
  return shell();
}

self.addEventListener("message", ({ data, ports }) => {
  if (data !== "left") return;
  ports[0].postMessage(left);
  left = null;
});

// Asked by the pocket's page: it answers by its own Ruby.
async function pocket(event) {
  const { request } = event;
  const url = new URL(request.url);
  const client = await self.clients.get(event.clientId);
  const ask = { verb: request.method, path: url.pathname, query: url.search.slice(1), ...(await form(request)) };
  const answer = await asked(client, { ask });
  const { "content-length": _length, location: _location, ...headers } = answer.headers;
  return new Response(answer.body, { status: answer.status, headers });
}

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (origin !== location.origin) return;
  if (request.headers.get("x-pocket")) return event.respondWith(pocket(event));
  if (request.method === "POST" && request.mode === "navigate" && PRESSED.test(pathname))
    return event.respondWith(pressed(request));
  if (request.method !== "GET") return;
  if (request.mode === "navigate") return event.respondWith(page(request));
  if (RUNTIME.path.test(pathname)) return event.respondWith(runtime(request));
  if (PICTURE.test(pathname)) return event.respondWith(picture(event));
  if (pathname.startsWith("/assets/") || FILES.includes(pathname)) event.respondWith(file(request));
});
