// What the phone keeps, in its browser's own database.
//   keys     one row a person: by what their entries are opened
//   packs    jobs as they were fetched, each as it stands here
//   entries  what was done, in order, until the server has it
//   files    photos and recordings, by the address that pages ask them at
const NAME = "fenbo-pocket";
const VERSION = 2;
const STORES = {
  packs: { keyPath: "number" },
  entries: { keyPath: "order", autoIncrement: true },
  keys: { keyPath: "user" },
  files: { keyPath: "path" },
};

function opened() {
  return new Promise((done, failed) => {
    const request = indexedDB.open(NAME, VERSION);
    request.onupgradeneeded = () => {
      const there = request.result.objectStoreNames;
      for (const [name, shape] of Object.entries(STORES))
        if (!there.contains(name)) request.result.createObjectStore(name, shape);
    };
    request.onsuccess = () => done(request.result);
    request.onerror = () => failed(request.error);
  });
}

let database = null;

// All of what work asks for in one transaction, or nothing of it.
// work: called with at(name), a store, and give(request), whose result is answered with.
export async function within(mode, work) {
  database ??= await opened();
  database.onclose = () => (database = null);
  // Another page brings a newer shape.
  database.onversionchange = () => {
    database.close();
    database = null;
  };
  return new Promise((done, failed) => {
    const transaction = database.transaction(Object.keys(STORES), mode, { durability: "strict" });
    let value;
    const give = (request) => (request.onsuccess = () => (value = request.result));
    work((name) => transaction.objectStore(name), give);
    transaction.oncomplete = () => done(value);
    transaction.onabort = transaction.onerror = () => failed(transaction.error);
  });
}

export const rows = (name) => within("readonly", (at, give) => give(at(name).getAll()));
export const row = (name, key) => within("readonly", (at, give) => give(at(name).get(key)));
export const put = (name, value) => within("readwrite", (at, give) => give(at(name).put(value)));
