// The phone's arithmetic on long rows, against the plain way to reckon it.
import assert from "node:assert/strict";
import { test } from "node:test";
import { fourier } from "../../app/assets/scripts/pocket/fourier.js";
import { done } from "../../app/assets/scripts/pocket/rows.js";

let seed = 7;
const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647 - 0.5;
const row = (size) => Float64Array.from({ length: size }, random);
const near = (one, other, slack = 1e-9) => {
  assert.equal(one.length, other.length);
  one.forEach((value, at) => assert.ok(Math.abs(value - other[at]) <= slack, `${at}: ${value} and ${other[at]}`));
};

// As the transform is defined.
function plainly(re, im, direction) {
  const size = re.length;
  const found = new Float64Array(2 * size);
  for (let k = 0; k < size; k++)
    for (let at = 0; at < size; at++) {
      const angle = (-direction * 2 * Math.PI * k * at) / size;
      found[k] += re[at] * Math.cos(angle) - im[at] * Math.sin(angle);
      found[size + k] += re[at] * Math.sin(angle) + im[at] * Math.cos(angle);
    }
  return found;
}

function written(name, number, ...rows) {
  const bytes = rows.flatMap((one) => [...new Uint8Array(one.buffer, one.byteOffset, one.byteLength)]);
  const head = new Uint8Array(32).fill(32);
  head.set(new TextEncoder().encode(name));
  new DataView(head.buffer).setFloat64(24, number, true);
  return Uint8Array.from([...head, ...bytes]);
}

function asked(name, number, ...rows) {
  const told = done(written(name, number, ...rows));
  assert.equal(new DataView(told.buffer).getUint32(0, true), told.length - 4);
  return new Float64Array(told.slice(4).buffer);
}

for (const size of [1, 2, 3, 7, 8, 12, 31, 64, 100])
  test(`transforms ${size} both ways as defined`, () => {
    const [re, im] = [row(size), row(size)];
    for (const direction of [1, -1]) near(fourier(re, im, direction), plainly(re, im, direction));
    const there = fourier(re, im, 1);
    const back = fourier(there.subarray(0, size), there.subarray(size), -1);
    near(
      back.subarray(0, size).map((value) => value / size),
      re,
    );
  });

test("leaves what it was given as it was, and reckons the same twice", () => {
  const [re, im] = [row(12), row(12)];
  const before = re.slice();
  near(fourier(re, im, 1), fourier(re, im, 1), 0);
  near(re, before, 0);
});

test("reads samples of every kind that a recording holds", () => {
  near(asked("int16", 0, Int16Array.of(-32768, 0, 32767)), [-32768, 0, 32767], 0);
  near(asked("int32", 0, Int32Array.of(-5, 6)), [-5, 6], 0);
  near(asked("uint8", 0, Uint8Array.of(0, 128, 255)), [0, 128, 255], 0);
  near(asked("float32", 0, Float32Array.of(0.5, -0.25)), [0.5, -0.25], 0);
});

test("does each sum value by value", () => {
  const one = row(5);
  const other = row(5);
  const ways = {
    plus: [(value) => value + 2, 2],
    times: [(value) => value * 2, 2],
    over: [(value) => value / 2, 2],
    less_from: [(value) => 2 - value, 2],
    square: [(value) => value * value, 0],
    abs: [Math.abs, 0],
    sin: [Math.sin, 0],
    cos: [Math.cos, 0],
    at_least: [(value) => Number(value >= 0), 0],
  };
  for (const [name, [work, number]] of Object.entries(ways))
    near(
      asked(name, number, one),
      one.map((v) => work(v)),
      0,
    );
  near(asked("power", 3, Float64Array.of(2, 3)), [8, 27], 0);
  near(asked("sqrt", 0, Float64Array.of(4, 9)), [2, 3], 0);
  near(asked("finite", 0, Float64Array.of(1, NaN, Infinity)), [1, 0, 0], 0);
  near(asked("seq", 4), [0, 1, 2, 3], 0);
  near(
    asked("add", 0, one, other),
    one.map((value, at) => value + other[at]),
    0,
  );
  near(
    asked("subtract", 0, one, other),
    one.map((value, at) => value - other[at]),
    0,
  );
  near(
    asked("multiply", 0, one, other),
    one.map((value, at) => value * other[at]),
    0,
  );
});

test("adds up without losing small values beside large ones", () => {
  const long = new Float64Array(100_001).fill(1e-8);
  long[0] = 1e8;
  near(asked("sum", 0, long), [1e8 + 1e-3], 1e-7);
  near(asked("max", 0, Float64Array.of(-3, -1, -2)), [-1], 0);
  near(asked("means", 2, Float64Array.of(1, 3, 5, 9)), [2, 7], 0);
});

test("gives the half that a row of reals needs", () => {
  for (const size of [8, 9]) {
    const reals = row(size);
    const whole = plainly(reals, new Float64Array(size), 1);
    const half = Math.floor(size / 2) + 1;
    near(asked("rfft", 0, reals), [...whole.subarray(0, half), ...whole.subarray(size, size + half)]);
  }
});
