// What is kept on a phone opens by its person's PIN or secret, and by nothing else.
import assert from "node:assert/strict";
import { beforeEach, mock, test } from "node:test";
import { fresh, secret } from "./phone.js";
import { row, rows } from "../../app/assets/scripts/pocket/base.js";
import { keys } from "../../app/assets/scripts/pocket/keys.js";

const HOUR = 3_600_000;

// How often a PIN is stirred is asked, and then shortened: sixty times the whole takes half a minute.
const asked = [];
const stir = crypto.subtle.deriveKey.bind(crypto.subtle);
crypto.subtle.deriveKey = (way, ...rest) => {
  asked.push(way.iterations);
  return stir({ ...way, iterations: 1000 }, ...rest);
};

beforeEach(async () => {
  mock.timers.reset();
  keys.lock();
  await fresh();
});

async function person(user, pin) {
  await keys.openBySecret(user, secret(user[0]));
  await keys.choosePin(pin);
  keys.lock();
}

const wrong = async (times) => {
  const said = [];
  for (let index = 0; index < times; index++) said.push(await keys.openByPin("000000"));
  return said;
};

test("seals what it keeps, and opens it again by PIN after the page is gone", async () => {
  await keys.openBySecret("ilka", secret("i"));
  const box = await keys.seal({ outcome: "grinding" });
  await keys.choosePin("246810");
  assert.ok(!Buffer.from(box.data).toString("latin1").includes("grinding"));
  keys.lock();
  assert.equal(await keys.current(), null);
  assert.equal(await keys.openByPin("246810"), null);
  assert.equal((await keys.current()).user, "ilka");
  assert.deepEqual(await keys.unseal(box), { outcome: "grinding" });
});

test("keeps bytes as bytes", async () => {
  await keys.openBySecret("ilka", secret("i"));
  const bytes = new Uint8Array([1, 2, 3]).buffer;
  assert.deepEqual(new Uint8Array(await keys.unseal(await keys.seal(bytes), "bytes")), new Uint8Array([1, 2, 3]));
});

test("opens by the secret it was wrapped with, and by no other", async () => {
  await keys.openBySecret("ilka", secret("i"));
  const box = await keys.seal("kept");
  keys.lock();
  assert.equal(await keys.openBySecret("ilka", secret("x")), null);
  assert.ok(await keys.openBySecret("ilka", secret("i")));
  assert.equal(await keys.unseal(box), "kept");
});

test("stores neither key nor PIN in the clear", async () => {
  await person("ilka", "246810");
  const kept = JSON.stringify(await row("keys", "ilka"), (_, value) =>
    value instanceof ArrayBuffer ? Buffer.from(value).toString("latin1") : value,
  );
  assert.ok(!kept.includes("246810"));
  assert.ok(asked.length > 0 && asked.every((times) => times >= 600_000));
  assert.equal(sessionStorage.getItem("fenbo-pocket-key"), null);
});

test("says that a PIN is wrong, then makes one wait, longer each time, and at last asks to sign in", async () => {
  mock.timers.enable({ apis: ["Date"], now: HOUR });
  await person("ilka", "246810");
  assert.deepEqual(await wrong(5), Array(5).fill("That is not the PIN."));
  assert.equal(await keys.openByPin("246810"), "Wrong too often: wait 30 s.");
  mock.timers.setTime(HOUR + 30_000);
  assert.deepEqual(await wrong(1), ["That is not the PIN."]);
  assert.equal(await keys.openByPin("246810"), "Wrong too often: wait 60 s.");
  for (let tries = 7; tries < 10; tries++) {
    mock.timers.setTime(tries * HOUR);
    await wrong(1);
  }
  mock.timers.setTime(20 * HOUR);
  assert.match((await wrong(1))[0], /opens nothing any more\. Sign in with signal; nothing is lost/);
  assert.equal(await keys.anybody(), false);
  assert.ok(await keys.openBySecret("ilka", secret("i")));
});

test("forgets wrong tries once the right PIN was given", async () => {
  await person("ilka", "246810");
  await wrong(4);
  assert.equal(await keys.openByPin("246810"), null);
  assert.equal((await row("keys", "ilka")).wrong, 0);
});

test("opens each person's own on a shared phone, and counts nobody's PIN against another", async () => {
  await person("ilka", "246810");
  await person("jorun", "135790");
  for (let times = 0; times < 2; times++) {
    assert.equal(await keys.openByPin("135790"), null);
    assert.equal((await keys.current()).user, "jorun");
    keys.lock();
  }
  assert.equal(await keys.openByPin("246810"), null);
  assert.equal((await keys.current()).user, "ilka");
  assert.deepEqual(
    (await rows("keys")).map((one) => one.wrong),
    [0, 0],
  );
});

test("locks itself after half an hour without a touch", async () => {
  mock.timers.enable({ apis: ["Date"], now: HOUR });
  await keys.openBySecret("ilka", secret("i"));
  mock.timers.setTime(HOUR + 29 * 60_000);
  keys.touch();
  mock.timers.setTime(HOUR + 58 * 60_000);
  assert.equal((await keys.current()).user, "ilka");
  mock.timers.setTime(HOUR + 60 * 60_000);
  assert.equal(await keys.current(), null);
  keys.touch();
  assert.equal(await keys.current(), null);
});

test("knows who has chosen a PIN", async () => {
  await keys.openBySecret("ilka", secret("i"));
  assert.deepEqual([await keys.chosen("ilka"), await keys.anybody()], [false, false]);
  await keys.choosePin("246810");
  assert.deepEqual([await keys.chosen("ilka"), await keys.chosen("jorun"), await keys.anybody()], [true, false, true]);
});
