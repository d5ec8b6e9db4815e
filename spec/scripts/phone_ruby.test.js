// The worker with the phone's Ruby, as the page asks it.
import assert from "node:assert/strict";
import { beforeEach, test } from "node:test";
import { fresh, secret } from "./phone.js";
import { keys } from "../../app/assets/scripts/pocket/keys.js";
import { Phone } from "../../app/assets/scripts/pocket/phone.js";
import { store } from "../../app/assets/scripts/pocket/store.js";

let worker;

globalThis.caches = { match: async () => ({ json: async () => ({ release: "r1" }) }) };
globalThis.Worker = class {
  constructor() {
    worker = this;
    this.told = [];
  }
  postMessage(message) {
    this.told.push(message);
    if (this.answer) setTimeout(() => this.onmessage({ data: { id: message.id, ...this.answer(message) } }));
  }
};

const well = () => ({ ok: true, value: "well" });
const what = () => worker.told.map(({ what }) => what);
const press = { at: 1, clock: 0, id: "a", path: "/jobs/7/look", body: "" };

async function begun() {
  const phone = new Phone();
  const told = [];
  const beginning = phone.begin((words) => told.push(words));
  await new Promise((done) => setTimeout(done));
  worker.answer = well;
  worker.onmessage({ data: { id: 1, ok: true, value: { restored: true } } });
  return { phone, told, answer: await beginning };
}

beforeEach(async () => {
  keys.lock();
  await fresh();
  await keys.openBySecret("ilka", secret("i"));
  await store.take({ job: { number: 7, complaint: "stopped" }, made_at: 1 });
});

test("begins with the release that is packed, then loads every job on the phone", async () => {
  const { answer } = await begun();
  assert.deepEqual([what(), worker.told[0].release, answer], [["begin", "load"], "r1", { restored: true }]);
  assert.equal(JSON.parse(worker.told[1].pack).job.complaint, "stopped");
});

test("loads a job anew only where another page went on with it", async () => {
  const { phone } = await begun();
  await phone.ask({ verb: "GET", path: "/jobs/7/look" });
  await store.keep({ number: 7, ...press }, [], { number: 7, complaint: "mine" });
  phone.kept(7);
  await phone.ask({ verb: "GET", path: "/jobs/7/look" });
  assert.deepEqual(what(), ["begin", "load", "ask", "ask"]);
  await store.keep({ number: 7, ...press, id: "b" }, [], { number: 7, complaint: "another page's" });
  await phone.ask({ verb: "GET", path: "/jobs/7/look" });
  assert.deepEqual(what().slice(4), ["load", "ask"]);
  assert.equal(JSON.parse(worker.told[4].pack).job.complaint, "another page's");
});

test("gives each question its own answer, in whatever order they come, and what went wrong as that", async () => {
  const { phone } = await begun();
  worker.answer = null;
  const [one, two] = [phone.ask({ path: "/" }), phone.ask({ path: "/units" })];
  await new Promise((done) => setTimeout(done));
  const [first, second] = worker.told.slice(-2).map(({ id }) => id);
  worker.onmessage({ data: { id: second, ok: false, value: "no such page" } });
  worker.onmessage({ data: { id: first, ok: true, value: "day" } });
  assert.equal(await one, "day");
  await assert.rejects(two, /no such page/);
});

test("tells how far it is, and lets nobody wait for a Ruby that stopped", async () => {
  const { phone, told } = await begun();
  worker.answer = null;
  worker.onmessage({ data: { id: 9, told: "The runtime is here." } });
  const asked = phone.ask({ path: "/" });
  await new Promise((done) => setTimeout(done));
  worker.onerror({ message: "out of memory" });
  await assert.rejects(asked, /stopped: out of memory/);
  assert.deepEqual(told, ["The runtime is here.", "The phone's Ruby stopped: out of memory"]);
});
