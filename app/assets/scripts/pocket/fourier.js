// Fourier's transform of complex rows of any size, not divided by it. What hangs on the size
// alone is worked out once: a recording has hundreds of stretches of one length.

const once = (make) => {
  const made = new Map();
  return (size) => {
    if (!made.has(size)) made.set(size, make(size));
    return made.get(size);
  };
};

const turns = once((size) => {
  const angle = (k) => (2 * Math.PI * k) / size;
  const half = Float64Array.from({ length: size / 2 }, (_, k) => angle(k));
  return { cos: half.map(Math.cos), sin: half.map(Math.sin) };
});

// A size that is a power of two: each index with its bits turned round.
const turnedRound = once((size) => {
  const found = new Uint32Array(size);
  for (let at = 1; at < size; at++) found[at] = (found[at >> 1] >> 1) | (at & 1 ? size >> 1 : 0);
  return found;
});

function turnRound(row) {
  turnedRound(row.length).forEach((other, at) => {
    if (at >= other) return;
    const kept = row[at];
    row[at] = row[other];
    row[other] = kept;
  });
}

// In place; a size that is a power of two.
function powerOfTwo(re, im, direction) {
  const size = re.length;
  turnRound(re);
  turnRound(im);
  const { cos, sin } = turns(size);
  for (let half = 1; half < size; half *= 2) {
    const stride = size / (2 * half);
    for (let from = 0; from < size; from += 2 * half)
      for (let k = 0; k < half; k++) {
        const a = from + k;
        const b = a + half;
        const c = cos[k * stride];
        const s = -direction * sin[k * stride];
        const x = re[b] * c - im[b] * s;
        const y = re[b] * s + im[b] * c;
        re[b] = re[a] - x;
        im[b] = im[a] - y;
        re[a] += x;
        im[a] += y;
      }
  }
}

// What a row of any size is multiplied with, and the transform of what it is folded with.
const chirp = once((size) => {
  const wide = 2 ** Math.ceil(Math.log2(2 * size - 1));
  const angles = Float64Array.from({ length: size }, (_, k) => (Math.PI * ((k * k) % (2 * size))) / size);
  const [cos, sin] = [angles.map(Math.cos), angles.map(Math.sin)];
  const [re, im] = [new Float64Array(wide), new Float64Array(wide)];
  for (let k = 0; k < size; k++) {
    re[k] = re[(wide - k) % wide] = cos[k];
    im[k] = im[(wide - k) % wide] = sin[k];
  }
  powerOfTwo(re, im, 1);
  return { wide, cos, sin, re, im };
});

// In place, any size, as a convolution with a chirp (Bluestein).
function forwards(re, im) {
  const size = re.length;
  const { wide, cos, sin, re: withRe, im: withIm } = chirp(size);
  const [aRe, aIm] = [new Float64Array(wide), new Float64Array(wide)];
  for (let k = 0; k < size; k++) {
    aRe[k] = re[k] * cos[k] + im[k] * sin[k];
    aIm[k] = im[k] * cos[k] - re[k] * sin[k];
  }
  powerOfTwo(aRe, aIm, 1);
  for (let k = 0; k < wide; k++) {
    const x = aRe[k];
    aRe[k] = x * withRe[k] - aIm[k] * withIm[k];
    aIm[k] = x * withIm[k] + aIm[k] * withRe[k];
  }
  powerOfTwo(aRe, aIm, -1);
  for (let k = 0; k < size; k++) {
    re[k] = (aRe[k] * cos[k] + aIm[k] * sin[k]) / wide;
    im[k] = (aIm[k] * cos[k] - aRe[k] * sin[k]) / wide;
  }
}

// Direction 1, or -1 for the way back. Answers with all real parts, then all imaginary ones.
export function fourier(reals, imaginaries, direction) {
  const size = reals.length;
  const both = new Float64Array(2 * size);
  both.set(reals);
  both.set(imaginaries, size);
  const [re, im] = [both.subarray(0, size), both.subarray(size)];
  // The way back is the way there with both parts changed over.
  if (!(size & (size - 1))) powerOfTwo(re, im, direction);
  else if (direction > 0) forwards(re, im);
  else forwards(im, re);
  return both;
}
