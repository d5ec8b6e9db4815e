// What goes to the server, in which order and size, and what becomes of its answers.
import assert from "node:assert/strict";
import { beforeEach, mock, test } from "node:test";
import { fresh, net, secret } from "./phone.js";
import { keys } from "../../app/assets/scripts/pocket/keys.js";
import { store } from "../../app/assets/scripts/pocket/store.js";
import { ahead, batch, leave, signedIn } from "../../app/assets/scripts/pocket/wire.js";

const HOUR = 3_600_000;
const me = { user: "ilka", token: "t" };
const bodies = () => net.asked.filter(({ body }) => body).map(({ body }) => JSON.parse(body).entries);
const taken = ({ body }) => ({ answers: JSON.parse(body).entries.map(({ order }) => ({ order, answer: "taken" })) });

beforeEach(async () => {
  mock.timers.reset();
  mock.timers.enable({ apis: ["Date"], now: HOUR });
  keys.lock();
  await fresh();
  await keys.openBySecret("ilka", secret("i"));
  await store.take({ job: { number: 7 }, person: { ticket: "ticket" }, made_at: 1 });
  net.begin({ "/pocket/sync": taken });
});

async function pressed(id, more = {}, files = []) {
  const press = { number: 7, at: Date.now(), clock: ahead(), id, path: "/jobs/7/look", body: "a=1", ...more };
  await store.keep(press, files, { number: 7 });
}

async function sentAll() {
  const sizes = [];
  for (let some = 1; some;) sizes.push((some = await batch(me)));
  return sizes.slice(0, -1);
}

test("sends what waits in its order, a hundred at a time", async () => {
  for (let index = 0; index < 103; index++) await pressed(`p${index}`);
  assert.deepEqual(await sentAll(), [100, 3]);
  assert.deepEqual(
    bodies()
      .flat()
      .map(({ id }) => id),
    Array.from({ length: 103 }, (_, index) => `p${index}`),
  );
  assert.equal((await store.entries()).length, 0);
});

test("sends no more at once than goes through the door, and one alone however long", async () => {
  const long = "x".repeat(150_000);
  for (const id of ["a", "b", "c"]) await pressed(id, { body: long });
  await pressed("d", { body: "y".repeat(500_000) });
  assert.deepEqual(await sentAll(), [2, 1, 1]);
});

test("sends a press with a file by itself, with the file", async () => {
  const parts = [{ field: "photo", path: "/photos/2", name: "plate.jpg" }];
  net.answers["/pocket/sync/files"] = ({ body }) => ({
    answers: [{ order: JSON.parse(body.get("press")).order, answer: "taken" }],
  });
  await pressed("a");
  await pressed("b", { parts }, [{ path: "/photos/2", blob: new Blob(["picture"], { type: "image/jpeg" }) }]);
  await pressed("c");
  assert.deepEqual(await sentAll(), [1, 1, 1]);
  const form = net.asked[1].body;
  assert.deepEqual([form.get("photo").name, await form.get("photo").text()], ["plate.jpg", "picture"]);
});

test("stops at a press whose file is gone, and loses nothing", async () => {
  await pressed("a", { parts: [{ field: "photo", path: "/photos/9", name: "x.jpg" }] });
  await assert.rejects(batch(me), /file of a press on job 7 is gone/);
  assert.equal((await store.entries()).length, 1);
});

test("says how long each was held, by the server's clock, though this one was put right meanwhile", async () => {
  net.answers["/pocket/me.json"] = () => ({ user: "ilka", now: (Date.now() - 600_000) / 1000 });
  assert.equal((await signedIn()).user, "ilka");
  assert.equal(ahead(), 600_000);
  await pressed("a");
  mock.timers.setTime(Date.now() + 90_000 - 600_000);
  net.answers["/pocket/me.json"] = () => ({ user: "ilka", now: Date.now() / 1000 });
  await signedIn();
  await batch(me);
  assert.equal(bodies()[0][0].held_seconds, 90);
});

test("sends only one's own, and nothing that was answered", async () => {
  await pressed("a");
  const [{ order }] = await store.entries();
  await store.answered([{ order, answer: "refused", sentence: "No." }]);
  assert.equal(await batch(me), 0);
  await pressed("b");
  assert.equal(await batch({ user: "jorun", token: "t" }), 0);
  assert.equal(net.asked.length, 0);
});

test("keeps those that could not be read with why, and lets the others go on", async () => {
  for (const id of ["a", "b"]) await pressed(id);
  net.answers["/pocket/sync"] = () => ({ status: 422, errors: [{ field: "entries[1].path", message: "is none" }] });
  assert.equal(await batch(me), 1);
  const [first, second] = await store.entries();
  assert.deepEqual([first.answer, second.answer], [undefined, "refused"]);
  assert.equal(await store.why(second), "It could not be read: it is none.");
});

test("believes nobody but Fenbo, and nobody once the session has ended", async () => {
  await pressed("a");
  net.answers["/pocket/sync"] = () => ({ ours: false, answers: [] });
  await assert.rejects(batch(me), /not Fenbo that answers/);
  net.answers["/pocket/sync"] = () => ({ status: 500 });
  await assert.rejects(batch(me), /answered 500/);
  delete net.answers["/pocket/sync"];
  await assert.rejects(batch(me), TypeError);
  net.answers["/pocket/me.json"] = () => ({ at: "/sign-in" });
  assert.equal(await signedIn(), null);
  assert.equal((await store.entries()).length, 1);
});

test("leaves what waits with the office, by the ticket that came with the job", async () => {
  for (const id of ["a", "b"]) await pressed(id);
  net.answers["/left"] = taken;
  await leave();
  assert.equal(net.asked[0].headers["x-pocket-ticket"], "ticket");
  assert.equal((await store.entries()).length, 0);
  await pressed("c");
  net.answers["/left"] = () => ({ status: 422, errors: [] });
  await assert.rejects(leave(), /could not be left/);
  assert.equal((await store.entries()).length, 1);
});
