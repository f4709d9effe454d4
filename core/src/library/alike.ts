import type { Raster } from '../pixels';

/** Side of the small square that is looked at, and how many waves across and down are kept of it. */
const SIDE = 32;
const WAVES = 8;
/** A picture whose waves stay below this, in levels of 0..255, has nothing that could be compared. */
const FLAT = 1.2;
/** Pictures are nearly the same where so many of the 63 signs differ, or fewer. */
export const NEARLY = 8;
/** Where at most `NEARLY` signs differ, one of so many groups of 7 signs is the same in both. */
const BANDS = NEARLY + 1;
const BAND_BITS = 7;

const COSINES: readonly Float64Array[] = Array.from({ length: WAVES }, (_, u) =>
  Float64Array.from({ length: SIDE }, (_, x) => Math.cos(((2 * x + 1) * u * Math.PI) / (2 * SIDE))),
);

/**
 * A mark of what a picture looks like, 16 hexadecimal digits: the signs of its 63 longest waves (discrete cosine transform, DCT-II, of 32 x 32
 * grey values) against their median. Size, sharpness, encoding and a little more light leave it as it is. Empty where a picture is flat.
 * Source: perceptual hashing by DCT as in general use, e.g. C. Zauner, "Implementation and Benchmarking of Perceptual Image Hash Functions", 2010.
 */
export function alikeMark(picture: Raster): string {
  const grey = greyOf(picture);
  const rows = COSINES.map((wave) =>
    Float64Array.from({ length: SIDE }, (_, y) => {
      let sum = 0;
      for (let x = 0; x < SIDE; x++) sum += grey[y * SIDE + x] * wave[x];
      return sum;
    }),
  );
  const waves: number[] = [];
  for (let v = 0; v < WAVES; v++)
    for (let u = 0; u < WAVES; u++) {
      if (u === 0 && v === 0) continue;
      let sum = 0;
      for (let y = 0; y < SIDE; y++) sum += rows[u][y] * COSINES[v][y];
      waves.push((sum * 2) / (SIDE * SIDE));
    }
  if (Math.max(...waves.map(Math.abs)) < FLAT) return '';
  const median = [...waves].sort((a, b) => a - b)[(waves.length - 1) / 2];
  let mark = 0n;
  for (const wave of waves) mark = (mark << 1n) | (wave > median ? 1n : 0n);
  return mark.toString(16).padStart(16, '0');
}

/** The picture as a square of so many grey values on white, 0..255: each is the mean of the pixels that it lies on. */
function greyOf({ width, height, data }: Raster): Float64Array {
  const grey = new Float64Array(SIDE * SIDE);
  const ends = (at: number, size: number): [number, number] => {
    const from = Math.floor((at * size) / SIDE);
    return [from, Math.max(from + 1, Math.floor(((at + 1) * size) / SIDE))];
  };
  for (let v = 0; v < SIDE; v++)
    for (let u = 0; u < SIDE; u++) {
      const [[left, right], [top, foot]] = [ends(u, width), ends(v, height)];
      let sum = 0;
      for (let y = top; y < foot; y++)
        for (let x = left; x < right; x++) {
          const p = (y * width + x) * 4;
          const light = 0.2126 * data[p] + 0.7152 * data[p + 1] + 0.0722 * data[p + 2];
          sum += 255 + ((light - 255) * data[p + 3]) / 255;
        }
      grey[v * SIDE + u] = sum / ((right - left) * (foot - top));
    }
  return grey;
}

type Halves = readonly [number, number];
const halves = (mark: string): Halves => [parseInt(mark.slice(0, 8), 16), parseInt(mark.slice(8), 16)];

function ones(v: number): number {
  let n = v - ((v >>> 1) & 0x55555555);
  n = (n & 0x33333333) + ((n >>> 2) & 0x33333333);
  return (((n + (n >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}
const between = (a: Halves, b: Halves): number => ones(a[0] ^ b[0]) + ones(a[1] ^ b[1]);

/** In how many of the 63 signs two marks differ; more than all where one picture is flat. */
export const alikeDistance = (a: string, b: string): number =>
  a === '' || b === '' ? 64 : between(halves(a), halves(b));

/** For each mark the others that are nearly the same, by their places, the nearest first; only those that have any. */
export function nearlySame(marks: readonly string[]): Map<number, number[]> {
  const all = marks.map(halves);
  const groups = new Map<number, number[]>();
  marks.forEach((mark, at) => {
    if (mark === '') return;
    const signs = BigInt(`0x${mark}`);
    for (let band = 0; band < BANDS; band++) {
      const key = band * 128 + Number((signs >> BigInt(band * BAND_BITS)) & 127n);
      const group = groups.get(key);
      if (group) group.push(at);
      else groups.set(key, [at]);
    }
  });
  const near = new Map<number, Map<number, number>>();
  const note = (a: number, b: number, far: number): void => {
    const known = near.get(a) ?? new Map<number, number>();
    near.set(a, known.set(b, far));
  };
  for (const group of groups.values())
    for (let i = 1; i < group.length; i++)
      for (let j = 0; j < i; j++) {
        const far = between(all[group[i]], all[group[j]]);
        if (far > NEARLY) continue;
        note(group[i], group[j], far);
        note(group[j], group[i], far);
      }
  return new Map(
    [...near]
      .sort((a, b) => a[0] - b[0])
      .map(([at, others]) => [at, [...others].sort((a, b) => a[1] - b[1] || a[0] - b[0]).map(([other]) => other)]),
  );
}
