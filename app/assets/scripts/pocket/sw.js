// Between the pages and the net, only on phones that took a job along. With signal it keeps out
// of the way; without, an address opened leads to the pocket's own page, never to the browser's.
const SHELL = "fenbo-shell";
const FILES = ["/pocket/about.json", "/pocket/worker.js"];
// Whoever waits longer than this for a page that the phone has too stands in a cellar, in ms.
const PATIENCE = 4000;
const HERE = /^\/(jobs\/\d+(\/(look|frost|measure|decide|fit|prove|hand_over))?)?$/;

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

// Fenbo says so; a hotel's sign-in page does not.
const ours = (answer) => answer.headers.get("x-fenbo") === "1";

async function page(request) {
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
  return (await caches.match("/pocket/shell", { cacheName: SHELL })) || Response.error();
}

// Files of the page and what belongs to the pocket: as packed, where there is no newer.
async function file(request) {
  try {
    const answer = await fetch(request);
    if (ours(answer)) return answer;
  } catch {
    // As packed.
  }
  return (await caches.match(request, { cacheName: SHELL, ignoreSearch: true })) || Response.error();
}

// Asked by the pocket's page: it answers by its own Ruby.
async function pocket(event) {
  const { request } = event;
  const url = new URL(request.url);
  const client = await self.clients.get(event.clientId);
  const body = request.method === "POST" ? await request.text() : "";
  const ask = { verb: request.method, path: url.pathname, query: url.search.slice(1), body };
  const answer = await new Promise((done) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = ({ data }) => done(data);
    client.postMessage({ ask }, [port2]);
  });
  const { "content-length": _length, location: _location, ...headers } = answer.headers;
  return new Response(answer.body, { status: answer.status, headers });
}

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (origin !== location.origin) return;
  if (request.headers.get("x-pocket")) return event.respondWith(pocket(event));
  if (request.method !== "GET") return;
  if (request.mode === "navigate") return event.respondWith(page(request));
  if (pathname.startsWith("/assets/") || FILES.includes(pathname)) event.respondWith(file(request));
});
