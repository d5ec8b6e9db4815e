// Packs, entries and files, sealed before they are written. Of an entry who made it, when and
// for which job stays readable, so that it can be counted while the key is forgotten.
import { row, rows, within } from "./base.js";
import { unsent } from "./auto.js";
import { keys } from "./keys.js";

const mine = async (name) => {
  const open = await keys.current();
  return open ? (await rows(name)).filter((one) => one.by === open.user) : [];
};

const opened = async (one) => one && { ...one, pack: await keys.unseal(one.sealed), sealed: undefined };

// path => {path, number, by, type, own, sealed}: `own` came from here and is not sent yet.
async function sealedFiles(files, number, by, own) {
  return Promise.all(
    files.map(async ({ path, blob, type }) => {
      const sealed = await keys.seal(await blob.arrayBuffer());
      return { path, number, by, own, type: type || blob.type, sealed };
    }),
  );
}

// Files of a job but those that are not sent yet; then what comes in their place, which the
// cursor would meet too.
function dropFiles(at, number, then = () => {}) {
  const files = at("files");
  files.openCursor().onsuccess = ({ target: { result } }) => {
    if (!result) return then();
    if (result.value.number === number && !result.value.own) result.delete();
    result.continue();
  };
}

export const store = {
  // Of every job that this person took along: number, bytes, made_at, stand.
  packs: () => mine("packs"),

  // Told apart by it, whether another page went on with the job.
  stand: async (number) => (await row("packs", number))?.stand,

  // The pack itself, opened.
  async pack(number) {
    const there = await row("packs", number);
    return there?.by === (await keys.current())?.user ? opened(there) : null;
  },

  // pack: as the server gave it; pictures: what its pages show, small.
  async take(pack, pictures = []) {
    const { number } = pack.job;
    const by = (await keys.current()).user;
    const files = await sealedFiles(pictures, number, by, false);
    const weight = files.reduce((sum, { sealed }) => sum + sealed.data.byteLength, JSON.stringify(pack).length);
    const told = { number, by, made_at: pack.made_at, bytes: weight, stand: Date.now(), sealed: await keys.seal(pack) };
    return within("readwrite", (at) => {
      at("packs").put(told);
      dropFiles(at, number, () => files.forEach((file) => at("files").put(file)));
    });
  },

  letGo: (number) =>
    within("readwrite", (at) => {
      at("packs").delete(number);
      dropFiles(at, number);
    }),

  // Everybody's, as far as it can be read without a key.
  entries: () => rows("entries"),

  // What was pressed: id, path, body, files.
  open: async (entry) => (entry.sealed ? { ...entry, ...(await keys.unseal(entry.sealed)) } : entry),

  // An entry, its files and the job it leaves behind, all or nothing; `stand` tells other pages.
  async keep({ number, at: pressed, clock, ...press }, files, job) {
    const there = await this.pack(number);
    if (!there) throw new Error(`Job ${number} is not on this phone any more: take it along anew.`);
    const sealed = await keys.seal(press);
    const pack = await keys.seal({ ...there.pack, job });
    const kept = await sealedFiles(files, number, there.by, true);
    unsent.tell(true);
    return within("readwrite", (at) => {
      at("entries").add({ number, at: pressed, clock, by: there.by, files: kept.map(({ path }) => path), sealed });
      at("packs").put({ ...there, pack: undefined, stand: there.stand + 1, sealed: pack });
      kept.forEach((file) => at("files").put(file));
    });
  },

  // order => what became of it; what was taken goes, the rest stays with what was said.
  async answered(answers) {
    const said = await Promise.all(
      answers.map(async ({ order, answer, sentence }) => [order, answer, sentence && (await keys.seal({ sentence }))]),
    );
    return within("readwrite", (at) => {
      const entries = at("entries");
      for (const [order, answer, box] of said)
        entries.get(order).onsuccess = ({ target: { result } }) => {
          if (!result) return;
          if (answer !== "taken" && answer !== "repeat") return entries.put({ ...result, answer, said: box });
          entries.delete(order);
          sent(at, result);
        };
    });
  },

  // Why it was not taken.
  why: async (entry) => (entry.said ? (await keys.unseal(entry.said)).sentence : ""),

  // Lets what was not taken go; or sends it again, though somebody else came first.
  drop: (order) =>
    within("readwrite", (at) => {
      at("entries").get(order).onsuccess = ({ target: { result } }) => result && sent(at, result);
      at("entries").delete(order);
    }),
  insist: (order) =>
    within("readwrite", (at) => {
      at("entries").get(order).onsuccess = ({ target: { result } }) =>
        result && at("entries").put({ ...result, answer: undefined, said: undefined, anyway: true });
    }),

  // A photo or recording by its address: {blob, type}, or null.
  async file(path) {
    const there = await row("files", path);
    if (there?.by !== (await keys.current())?.user) return null;
    return new Blob([await keys.unseal(there.sealed, "bytes")], { type: there.type });
  },
};

// Its files are the server's now; what is left of them here goes with the job.
function sent(at, { files = [] }) {
  for (const path of files)
    at("files").get(path).onsuccess = ({ target: { result } }) => result && at("files").put({ ...result, own: false });
}
