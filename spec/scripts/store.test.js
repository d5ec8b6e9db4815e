// What a phone keeps of its jobs: all of a press or nothing of it, and only for who made it.
import assert from "node:assert/strict";
import { beforeEach, test } from "node:test";
import { fresh, secret } from "./phone.js";
import { rows } from "../../app/assets/scripts/pocket/base.js";
import { forget } from "../../app/assets/scripts/pocket/forget.js";
import { keys } from "../../app/assets/scripts/pocket/keys.js";
import { store } from "../../app/assets/scripts/pocket/store.js";

const pack = (number, more = {}) => ({ job: { number, complaint: "A fan has stopped.", ...more }, made_at: 1 });
const blob = (text) => new Blob([text], { type: "image/webp" });
const press = (number, id, more = {}) => ({
  number,
  at: 1000,
  clock: 0,
  id,
  path: `/jobs/${number}/look`,
  body: "a=1",
  ...more,
});

async function as(user) {
  keys.lock();
  await keys.openBySecret(user, secret(user[0]));
}

beforeEach(async () => {
  keys.lock();
  await fresh();
  await as("ilka");
});

test("takes a job along with its pictures, sealed, and weighs it", async () => {
  await store.take(pack(7), [{ path: "/photos/1/small", blob: blob("a picture") }]);
  const [kept] = await store.packs();
  assert.deepEqual([kept.number, kept.by, kept.bytes > 60], [7, "ilka", true]);
  assert.equal((await store.pack(7)).pack.job.complaint, "A fan has stopped.");
  assert.equal(await (await store.file("/photos/1/small")).text(), "a picture");
  assert.ok(!JSON.stringify(kept).includes("stopped"));
});

test("shows nobody else's jobs and pictures", async () => {
  await store.take(pack(7), [{ path: "/photos/1/small", blob: blob("a picture") }]);
  await as("jorun");
  assert.deepEqual([await store.packs(), await store.pack(7), await store.file("/photos/1/small")], [[], null, null]);
});

test("keeps a press, its files and the job it leaves together, and tells other pages", async () => {
  await store.take(pack(7));
  const before = await store.stand(7);
  await store.keep(press(7, "x"), [{ path: "/photos/2", blob: blob("new") }], { number: 7, complaint: "changed" });
  const [entry] = await store.entries();
  assert.deepEqual([entry.number, entry.by, entry.files, entry.body], [7, "ilka", ["/photos/2"], undefined]);
  assert.equal((await store.open(entry)).body, "a=1");
  assert.equal((await store.pack(7)).pack.job.complaint, "changed");
  assert.equal(await store.stand(7), before + 1);
  assert.equal(localStorage.getItem("fenbo-pocket-unsent"), "1");
});

test("keeps nothing of a press on a job that was let go meanwhile, and says so", async () => {
  await store.take(pack(7));
  await store.letGo(7);
  await assert.rejects(store.keep(press(7, "a"), [], { number: 7 }), /Job 7 is not on this phone any more/);
  assert.deepEqual([await store.entries(), await rows("files")], [[], []]);
});

test("lets go what the server took, and keeps what it did not, with what was said", async () => {
  await store.take(pack(7));
  for (const id of ["a", "b", "c", "d"]) await store.keep(press(7, id), [], { number: 7 });
  const [a, b, c, d] = (await store.entries()).map(({ order }) => order);
  await store.answered([
    { order: a, answer: "taken" },
    { order: b, answer: "repeat" },
    { order: c, answer: "conflict", sentence: "Jorun decided meanwhile." },
    { order: 999, answer: "taken" },
  ]);
  const left = await store.entries();
  assert.deepEqual(
    left.map(({ order, answer }) => [order, answer]),
    [
      [c, "conflict"],
      [d, undefined],
    ],
  );
  assert.equal(await store.why(left[0]), "Jorun decided meanwhile.");
  assert.equal(await store.why(left[1]), "");
  await store.insist(c);
  const [again] = await store.entries();
  assert.deepEqual([again.answer, again.anyway], [undefined, true]);
  await store.drop(d);
  assert.deepEqual(
    (await store.entries()).map(({ order }) => order),
    [c],
  );
});

test("keeps files that are not sent yet when their job is packed anew or let go", async () => {
  await store.take(pack(7), [{ path: "/photos/1/small", blob: blob("old") }]);
  await store.keep(press(7, "a"), [{ path: "/photos/2", blob: blob("mine") }], { number: 7 });
  await store.take(pack(7), [{ path: "/photos/3/small", blob: blob("theirs") }]);
  const paths = async () => (await rows("files")).map(({ path }) => path).sort();
  assert.deepEqual(await paths(), ["/photos/2", "/photos/3/small"]);
  await store.letGo(7);
  assert.deepEqual([await paths(), await store.packs()], [["/photos/2"], []]);
  const [{ order }] = await store.entries();
  await store.answered([{ order, answer: "taken" }]);
  assert.equal((await rows("files"))[0].own, false);
});

test("signing out asks where something is unsent, and leaves that alone", async () => {
  globalThis.caches = { delete: async () => true };
  await store.take(pack(7), [{ path: "/photos/1/small", blob: blob("old") }]);
  await keys.choosePin("246810");
  await store.keep(press(7, "a"), [{ path: "/photos/2", blob: blob("mine") }], { number: 7 });
  let asked = "";
  globalThis.confirm = (words) => ((asked = words), false);
  assert.equal(await forget(), false);
  assert.match(asked, /^1 not sent yet/);
  assert.equal((await store.packs()).length, 1);
  globalThis.confirm = () => true;
  assert.equal(await forget(), true);
  assert.deepEqual([await rows("packs"), (await rows("files")).map(({ path }) => path)], [[], ["/photos/2"]]);
  assert.equal((await store.entries()).length, 1);
  assert.equal(await keys.anybody(), false);
  await as("ilka");
  assert.equal((await store.open((await store.entries())[0])).body, "a=1");
});
