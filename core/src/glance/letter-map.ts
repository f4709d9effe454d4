import type { Raster } from '../pixels';

/** How far round a letter pixels count as behind it, px. */
const REACH = 2;
/** A pixel is near a letter where one covers this much of it or of one beside it, 0..255. */
const SOLID = 96;
/** Letters of which less can be seen than this are known by what little they cover, 0..255. */
const FAINT = 40;

/** Where one word lies in a raster: pixels by their index. */
export type WordPixels = {
  /** Pixels that its letters cover enough for their colour to be told, with how much of each, 0..1. */
  readonly letters: Int32Array;
  readonly cover: Float32Array;
  /** Pixels behind its letters and up to two beside them. */
  readonly near: Int32Array;
  /** Sum of what its letters cover, px: inside the raster, and in front of the letters of other words. */
  readonly area: number;
};

/** Steps of a colour channel that tell words apart: far enough for the rounding of soft edges. */
const STEPS = 8;
const STEP = 36;
/** How many words one raster can tell apart. */
export const MOST_WORDS = STEPS ** 3 - 1;

/** The colour that marks the letters of word `n`, 0 to `MOST_WORDS` - 1. */
export function markOf(n: number): string {
  const digits = [Math.floor((n + 1) / (STEPS * STEPS)), Math.floor((n + 1) / STEPS) % STEPS, (n + 1) % STEPS];
  return `#${digits.map((d) => (d * STEP).toString(16).padStart(2, '0')).join('')}`;
}

/** The word whose mark a pixel has; -1 where it has none or a mixture of several. */
function wordAt({ data }: Raster, p: number): number {
  let n = 0;
  for (let c = 0; c < 3; c++) {
    const digit = Math.round(data[p * 4 + c] / STEP);
    // Soft edges of one mark keep its colour, up to the rounding of what they cover.
    if (Math.abs(data[p * 4 + c] - digit * STEP) > 8) return -1;
    n = n * STEPS + digit;
  }
  return n - 1;
}

const NONE = new Int32Array(0);

/** Reads a raster in which the letters of each of `count` words are painted in its mark on nothing. */
export function letterMap(marks: Raster, count: number): WordPixels[] {
  const { width, height, data } = marks;
  // The word that each pixel has, from 1 on; and how many of a word's pixels are covered just so much.
  const owner = new Uint16Array(width * height);
  const levels = new Int32Array(count * 256);
  const covered = Array.from({ length: count }, () => ({ area: 0, x0: width, y0: height, x1: -1, y1: -1 }));
  for (let y = 0, p = 0; y < height; y++) {
    for (let x = 0; x < width; x++, p++) {
      const alpha = data[p * 4 + 3];
      if (alpha < 24) continue;
      const n = wordAt(marks, p);
      if (n < 0 || n >= count) continue;
      const word = covered[n];
      owner[p] = n + 1;
      levels[n * 256 + alpha]++;
      word.area += alpha / 255;
      word.x0 = Math.min(word.x0, x);
      word.x1 = Math.max(word.x1, x);
      word.y0 = Math.min(word.y0, y);
      word.y1 = y;
    }
  }
  return covered.map(({ area, x0, y0, x1, y1 }, n) => {
    if (area === 0) return { letters: NONE, cover: new Float32Array(NONE), near: NONE, area };
    // Thin letters cover no pixel well: then the best that they have must do.
    let most = 255;
    while (levels[n * 256 + most] === 0) most--;
    const least = Math.max(FAINT, Math.min(SOLID, most * 0.6));
    let solid = 0;
    for (let level = Math.ceil(least); level < 256; level++) solid += levels[n * 256 + level];
    const letters = new Int32Array(solid);
    const cover = new Float32Array(solid);
    let i = 0;
    for (let y = y0; y <= y1; y++) {
      for (let p = y * width + x0; p <= y * width + x1; p++) {
        if (owner[p] !== n + 1 || data[p * 4 + 3] < least) continue;
        letters[i] = p;
        cover[i++] = data[p * 4 + 3] / 255;
      }
    }
    const left = Math.max(0, x0 - REACH);
    const top = Math.max(0, y0 - REACH);
    const w = Math.min(width - 1, x1 + REACH) - left + 1;
    const h = Math.min(height - 1, y1 + REACH) - top + 1;
    return { letters, cover, near: nearOf(letters, width, left, top, w, h), area };
  });
}

/** Pixels of a box that lie within two, across and down, of some of its pixels. */
function nearOf(solid: Int32Array, width: number, left: number, top: number, w: number, h: number): Int32Array {
  const across = new Uint8Array(w * h);
  const both = new Uint8Array(w * h);
  for (let n = 0; n < solid.length; n++) {
    const y = Math.floor(solid[n] / width);
    const x = solid[n] - y * width - left;
    for (let i = Math.max(0, x - REACH); i <= Math.min(w - 1, x + REACH); i++) across[(y - top) * w + i] = 1;
  }
  let many = 0;
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      if (across[y * w + x] === 0) continue;
      for (let j = Math.max(0, y - REACH); j <= Math.min(h - 1, y + REACH); j++) {
        many += 1 - both[j * w + x];
        both[j * w + x] = 1;
      }
    }
  }
  const near = new Int32Array(many);
  let n = 0;
  for (let y = 0, i = 0; y < h; y++) {
    for (let x = 0; x < w; x++, i++) if (both[i] === 1) near[n++] = (top + y) * width + left + x;
  }
  return near;
}
