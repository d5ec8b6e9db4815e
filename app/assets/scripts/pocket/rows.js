// Arithmetic on long rows of doubles for the phone's Ruby, which has no library of its own for it
// and would take ten times as long: a device in its folder. Written: what is to be done (24
// letters, blanks after it), a number, then one row or two of the same length; or samples as a
// file holds them. Read: how many bytes (32 bits), and a row.
import { Fd, Inode, wasi } from "@bjorn3/browser_wasi_shim";
import { fourier } from "./fourier.js";

const NAMED = 24;
const HEAD = NAMED + 8;

const doubles = (bytes) => new Float64Array(bytes.buffer);
const samples = (Kind) => (bytes) => Float64Array.from(new Kind(bytes.buffer));
const halves = (row) => [row.subarray(0, row.length / 2), row.subarray(row.length / 2)];
const each = (work) => (bytes, number) => doubles(bytes).map((one) => work(one, number));
const one = (work) => (bytes, number) => Float64Array.of(work(doubles(bytes), number));

const both = (work) => (bytes) => {
  const [left, right] = halves(doubles(bytes));
  return left.map((value, at) => work(value, right[at]));
};

// With what is lost in rounding carried along (Kahan).
function sum(row) {
  let [total, lost] = [0, 0];
  for (const value of row) {
    const add = value - lost;
    const next = total + add;
    lost = next - total - add;
    total = next;
  }
  return total;
}

function means(bytes, columns) {
  const row = doubles(bytes);
  return Float64Array.from(
    { length: row.length / columns },
    (_, at) => sum(row.subarray(at * columns, (at + 1) * columns)) / columns,
  );
}

const DONE = {
  int16: samples(Int16Array),
  int32: samples(Int32Array),
  uint8: samples(Uint8Array),
  float32: samples(Float32Array),
  seq: (_, size) => Float64Array.from({ length: size }, (_, at) => at),
  plus: each((value, number) => value + number),
  times: each((value, number) => value * number),
  over: each((value, number) => value / number),
  less_from: each((value, number) => number - value),
  power: each((value, number) => value ** number),
  square: each((value) => value * value),
  abs: each(Math.abs),
  sqrt: each(Math.sqrt),
  sin: each(Math.sin),
  cos: each(Math.cos),
  at_least: each((value, number) => Number(value >= number)),
  finite: each((value) => Number(Number.isFinite(value))),
  sum: one(sum),
  max: one((row) => row.reduce((most, value) => Math.max(most, value), -Infinity)),
  means,
  add: both((left, right) => left + right),
  subtract: both((left, right) => left - right),
  multiply: both((left, right) => left * right),
  // All real parts, then all imaginary ones, both ways.
  fft: (bytes) => fourier(...halves(doubles(bytes)), 1),
  ifft: (bytes) => fourier(...halves(doubles(bytes)), -1),
  // Of reals alone, and without the half that the other one mirrors.
  rfft(bytes) {
    const reals = doubles(bytes);
    const [re, im] = halves(fourier(reals, new Float64Array(reals.length), 1));
    const half = Math.floor(reals.length / 2) + 1;
    const kept = new Float64Array(2 * half);
    kept.set(re.subarray(0, half));
    kept.set(im.subarray(0, half), half);
    return kept;
  },
};

// told: as written to the device; answers with what is read from it.
export function done(told) {
  const name = new TextDecoder().decode(told.subarray(0, NAMED)).trim();
  const [number] = new Float64Array(told.slice(NAMED, HEAD).buffer);
  const row = new Uint8Array(DONE[name](told.slice(HEAD), number).buffer);
  const answer = new Uint8Array(4 + row.length);
  new DataView(answer.buffer).setUint32(0, row.length, true);
  answer.set(row, 4);
  return answer;
}

class Open extends Fd {
  fd_fdstat_get() {
    return { ret: 0, fdstat: new wasi.Fdstat(wasi.FILETYPE_CHARACTER_DEVICE, 0) };
  }
  fd_filestat_get() {
    return { ret: 0, filestat: new wasi.Filestat(0n, wasi.FILETYPE_CHARACTER_DEVICE, 0n) };
  }
  fd_write(data) {
    this.left = done(data);
    return { ret: 0, nwritten: data.byteLength };
  }
  fd_read(size) {
    const data = this.left.subarray(0, size);
    this.left = this.left.subarray(data.length);
    return { ret: 0, data };
  }
}

export class Rows extends Inode {
  stat() {
    return new wasi.Filestat(this.ino, wasi.FILETYPE_CHARACTER_DEVICE, 0n);
  }
  path_open() {
    return { ret: 0, fd_obj: new Open() };
  }
}
