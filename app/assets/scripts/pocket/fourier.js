// Fourier's transform for the phone's Ruby, which has no library of its own for it: a device in
// its folder. Written: direction (1 or -1), then all real parts, then all imaginary ones, as
// doubles. Read: the same of the transform, not divided by its size. With 0 for a direction all
// that follows is real, and the half of the transform comes back that the other one mirrors.
import { Fd, Inode, wasi } from "@bjorn3/browser_wasi_shim";

// In place; a size that is a power of two.
function powerOfTwo(re, im, direction) {
  const size = re.length;
  for (let at = 1, turned = 0; at < size; at++) {
    let bit = size >> 1;
    for (; turned & bit; bit >>= 1) turned ^= bit;
    turned ^= bit;
    if (at < turned) {
      [re[at], re[turned]] = [re[turned], re[at]];
      [im[at], im[turned]] = [im[turned], im[at]];
    }
  }
  const cos = new Float64Array(size / 2);
  const sin = new Float64Array(size / 2);
  for (let k = 0; k < size / 2; k++) {
    cos[k] = Math.cos((2 * Math.PI * k) / size);
    sin[k] = -direction * Math.sin((2 * Math.PI * k) / size);
  }
  for (let half = 1; half < size; half *= 2) {
    const stride = size / (2 * half);
    for (let from = 0; from < size; from += 2 * half)
      for (let k = 0; k < half; k++) {
        const [a, b] = [from + k, from + k + half];
        const [c, s] = [cos[k * stride], sin[k * stride]];
        const [x, y] = [re[b] * c - im[b] * s, re[b] * s + im[b] * c];
        re[b] = re[a] - x;
        im[b] = im[a] - y;
        re[a] += x;
        im[a] += y;
      }
  }
}

// Any size, as a convolution with a chirp (Bluestein).
function anySize(re, im, direction) {
  const size = re.length;
  const wide = 2 ** Math.ceil(Math.log2(2 * size - 1));
  const [aRe, aIm, bRe, bIm] = Array.from({ length: 4 }, () => new Float64Array(wide));
  const angle = (k) => (Math.PI * ((k * k) % (2 * size))) / size;
  for (let k = 0; k < size; k++) {
    const [c, s] = [Math.cos(angle(k)), direction * Math.sin(angle(k))];
    aRe[k] = re[k] * c + im[k] * s;
    aIm[k] = im[k] * c - re[k] * s;
    bRe[k] = bRe[(wide - k) % wide] = c;
    bIm[k] = bIm[(wide - k) % wide] = s;
  }
  powerOfTwo(aRe, aIm, 1);
  powerOfTwo(bRe, bIm, 1);
  for (let k = 0; k < wide; k++)
    [aRe[k], aIm[k]] = [aRe[k] * bRe[k] - aIm[k] * bIm[k], aRe[k] * bIm[k] + aIm[k] * bRe[k]];
  powerOfTwo(aRe, aIm, -1);
  for (let k = 0; k < size; k++) {
    const [c, s] = [Math.cos(angle(k)), direction * Math.sin(angle(k))];
    re[k] = (aRe[k] * c + aIm[k] * s) / wide;
    im[k] = (aIm[k] * c - aRe[k] * s) / wide;
  }
}

// bytes: as written to the device; answers with what is read from it.
export function transformed(bytes) {
  const told = new Float64Array(bytes.slice().buffer);
  const direction = told[0];
  const size = direction ? (told.length - 1) / 2 : told.length - 1;
  const re = told.slice(1, 1 + size);
  const im = direction ? told.slice(1 + size) : new Float64Array(size);
  const way = size & (size - 1) ? anySize : powerOfTwo;
  way(re, im, direction || 1);
  const half = direction ? size : Math.floor(size / 2) + 1;
  const both = new Float64Array(2 * half);
  both.set(re.subarray(0, half));
  both.set(im.subarray(0, half), half);
  return new Uint8Array(both.buffer);
}

class Open extends Fd {
  fd_fdstat_get() {
    return { ret: 0, fdstat: new wasi.Fdstat(wasi.FILETYPE_CHARACTER_DEVICE, 0) };
  }
  fd_filestat_get() {
    return { ret: 0, filestat: new wasi.Filestat(0n, wasi.FILETYPE_CHARACTER_DEVICE, 0n) };
  }
  fd_write(data) {
    this.left = transformed(data);
    return { ret: 0, nwritten: data.byteLength };
  }
  fd_read(size) {
    const data = this.left.subarray(0, size);
    this.left = this.left.subarray(data.length);
    return { ret: 0, data };
  }
}

export class Fourier extends Inode {
  stat() {
    return new wasi.Filestat(this.ino, wasi.FILETYPE_CHARACTER_DEVICE, 0n);
  }
  path_open() {
    return { ret: 0, fd_obj: new Open() };
  }
}
