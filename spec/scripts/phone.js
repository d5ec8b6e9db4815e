// A phone for the scripts: its stores, its locks, and a net that answers what a test says.
import "fake-indexeddb/auto";

class Kept {
  constructor() {
    this.there = new Map();
  }
  getItem(name) {
    return this.there.get(name) ?? null;
  }
  setItem(name, value) {
    this.there.set(name, String(value));
  }
  removeItem(name) {
    this.there.delete(name);
  }
  clear() {
    this.there.clear();
  }
}

globalThis.localStorage = new Kept();
globalThis.sessionStorage = new Kept();
Object.defineProperty(globalThis, "navigator", {
  value: { onLine: true, locks: { request: (_name, work) => work() } },
  configurable: true,
});

// What was asked of the net, and what it answers: path => a value, or a function of the request.
export const net = {
  asked: [],
  answers: {},
  begin(answers) {
    this.asked = [];
    this.answers = answers;
  },
};

globalThis.fetch = async (path, options = {}) => {
  net.asked.push({ path, ...options });
  const told = net.answers[path];
  if (told === undefined) throw new TypeError("no signal");
  const given = typeof told === "function" ? await told(options) : told;
  const { status = 200, ours = true, at = path, ...json } = given;
  const headers = new Headers(ours ? { "x-fenbo": "1" } : {});
  return {
    ok: status < 400,
    status,
    headers,
    url: `http://fenbo.test${at}`,
    json: async () => json,
  };
};

export const secret = (letter) => btoa(letter.repeat(32));

// Everything gone, as on a new phone.
export async function fresh(...stores) {
  const { rows, within } = await import("../../app/assets/scripts/pocket/base.js");
  const names = stores.length ? stores : ["packs", "entries", "keys", "files"];
  await within("readwrite", (at) => names.forEach((name) => at(name).clear()));
  localStorage.clear();
  sessionStorage.clear();
  return rows;
}
