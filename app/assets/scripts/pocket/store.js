// What the phone keeps: packs as they were fetched, each job as it stands here, and what was
// done, in order, until the server has it.
const NAME = "fenbo-pocket";
const VERSION = 1;

function opened() {
  return new Promise((done, failed) => {
    const request = indexedDB.open(NAME, VERSION);
    request.onupgradeneeded = () => {
      request.result.createObjectStore("packs", { keyPath: "number" });
      request.result.createObjectStore("entries", { keyPath: "order", autoIncrement: true });
    };
    request.onsuccess = () => done(request.result);
    request.onerror = () => failed(request.error);
  });
}

let database = null;
async function within(mode, work) {
  database ??= await opened();
  database.onclose = () => (database = null);
  return new Promise((done, failed) => {
    const transaction = database.transaction(["packs", "entries"], mode, { durability: "strict" });
    let value;
    const store = (name) => transaction.objectStore(name);
    const result = (request) => (request.onsuccess = () => (value = request.result));
    work(store, result);
    transaction.oncomplete = () => done(value);
    transaction.onabort = transaction.onerror = () => failed(transaction.error);
  });
}

export const store = {
  packs: () => within("readonly", (at, give) => give(at("packs").getAll())),
  entries: () => within("readonly", (at, give) => give(at("entries").getAll())),
  pack: (number) => within("readonly", (at, give) => give(at("packs").get(number))),
  // pack: as the server gave it.
  take: (pack) => {
    const row = { number: pack.job.number, pack, bytes: JSON.stringify(pack).length, stand: Date.now() };
    return within("readwrite", (at) => at("packs").put(row));
  },
  letGo: (number) => within("readwrite", (at) => at("packs").delete(number)),
  // An entry and the job it leaves behind, both or neither; `stand` tells other pages of it.
  keep: (entry, number, job) =>
    within("readwrite", (at) => {
      at("entries").add(entry);
      const packs = at("packs");
      packs.get(number).onsuccess = ({ target }) => {
        const row = target.result;
        row.pack.job = job;
        row.stand += 1;
        packs.put(row);
      };
    }),
  // order => what became of it; what was taken goes, the rest stays with its sentence.
  answered: (answers) =>
    within("readwrite", (at) => {
      const entries = at("entries");
      for (const { order, answer, sentence } of answers) {
        if (answer === "taken" || answer === "repeat") entries.delete(order);
        else
          entries.get(order).onsuccess = ({ target }) => {
            if (target.result) entries.put({ ...target.result, answer, sentence });
          };
      }
    }),
  drop: (order) => within("readwrite", (at) => at("entries").delete(order)),
};
