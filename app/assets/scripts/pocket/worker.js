// Runs the phone's Ruby beside the page, under a policy of its own that lets WebAssembly be
// compiled. It is told {id, what, ...} and answers {id, ok, value}.
import { Ruby } from "./ruby.js";

const CACHE = "fenbo-runtime";
const MEMORY = "/pocket/memory";
const CODE = "/pocket/code.json";
let ruby = null;
let begun = null;

async function fetched(address, told) {
  const cache = await caches.open(CACHE);
  let answer = await cache.match(address);
  if (!answer) {
    answer = await fetch(address, { credentials: "same-origin" });
    if (!answer.ok || !answer.headers.get("x-fenbo")) throw new Error(`${address} cannot be fetched`);
    await cache.put(address, answer.clone());
  }
  told?.();
  return answer;
}

// Where the runtime is kept it comes by way of the service worker: of such an answer the browser
// keeps the machine code that it makes in time, and begins with it. Of one taken out of the cache
// here it would make it anew every time.
async function compiled(address, told) {
  if (await caches.match(address, { cacheName: CACHE })) {
    try {
      return await WebAssembly.compileStreaming(fetch(address, { credentials: "same-origin" }));
    } catch {
      // No service worker stands before this worker, and no net behind it: as kept, below.
    }
  }
  return WebAssembly.compileStreaming(await fetched(address, told));
}

const through = (bytes, stream) => new Response(new Blob([bytes]).stream().pipeThrough(stream)).arrayBuffer();

async function kept(release) {
  const cache = await caches.open(CACHE);
  const answer = await cache.match(`${MEMORY}/${release}`);
  return answer && new Uint8Array(await through(await answer.arrayBuffer(), new DecompressionStream("gzip")));
}

async function keep(release) {
  const cache = await caches.open(CACHE);
  const small = await through(ruby.keep(), new CompressionStream("gzip"));
  // What an earlier release has left makes room.
  for (const request of await cache.keys()) {
    const { pathname, search } = new URL(request.url);
    const old = pathname.startsWith(MEMORY) || (pathname === CODE && !search.includes(release));
    if (old) await cache.delete(request);
  }
  await cache.put(`${MEMORY}/${release}`, new Response(small));
  return small.byteLength;
}

// release: of the code; runtime: address of the runtime; assets: name => address.
async function begin({ release, runtime, assets }, told) {
  const [module, code, memory] = await Promise.all([
    compiled(runtime, () => told("The runtime is here.")),
    fetched(`${CODE}?release=${release}`, () => told("The stations are here.")).then((answer) => answer.json()),
    kept(release),
  ]);
  ruby = await Ruby.begin(module, code.files, memory);
  if (!memory) {
    told("The first beginning takes some seconds.");
    ruby.call("begin", JSON.stringify({ assets }));
    ruby.call("warm", "");
    await keep(release).catch(() => {});
  }
  ruby.call("begin", JSON.stringify({ assets }));
  return { restored: Boolean(memory), bytes: ruby.memory.buffer.byteLength };
}

// files: field => {name, type, pixels, bytes}
function ask({ request, files }) {
  const names = [];
  const lain = {};
  for (const [field, { bytes, ...about }] of Object.entries(files)) {
    // Its ending goes with it; the rest of a name is anybody's.
    const name = `${field}${about.name.match(/\.[A-Za-z0-9]{1,5}$/)?.[0] || ""}`;
    names.push(name);
    lain[field] = { ...about, path: ruby.lay(name, bytes) };
  }
  try {
    return JSON.parse(ruby.call("ask", JSON.stringify({ ...request, files: lain })));
  } finally {
    names.forEach((name) => ruby.take(name));
  }
}

const DO = {
  begin: (job, told) => (begun ??= begin(job, told)),
  load: ({ pack }) => ruby.call("load", pack),
  ask,
};

let last = Promise.resolve();
self.addEventListener("message", ({ data }) => {
  const told = (text) => self.postMessage({ id: data.id, told: text });
  // One after the other: there is one Ruby.
  last = last.then(async () => {
    try {
      self.postMessage({ id: data.id, ok: true, value: await DO[data.what](data, told) });
    } catch (problem) {
      self.postMessage({ id: data.id, ok: false, value: String(problem?.message || problem).slice(0, 2000) });
    }
  });
});
