import { type Lab, type Rgb, labOf, rgbOfLab } from '../colour';
import type { Raster } from '../pixels';

/** Colours of a picture that has few, as bytes. */
export type Palette = readonly (readonly [number, number, number])[];

type Bin = { readonly lab: Lab; readonly weight: number };

/** Bits of a channel in the histogram, and in the table that finds the nearest colour. */
const COARSE = 5;
const FINE = 6;

/** The colours that show a film best: median cut by variance in OKLab over all that its frames hold, then a few rounds of k-means. Deterministic. */
export function paletteOf(samples: readonly Raster[], count: number): Palette {
  const bins = histogram(samples);
  if (bins.length === 0) return [[0, 0, 0]];
  const centres = refined(bins, cut(bins, count));
  const byte = (v: number): number => Math.min(255, Math.max(0, Math.round(v)));
  const rgb = centres.map((lab): Rgb => {
    const [r, g, b] = rgbOfLab(lab);
    return [byte(r), byte(g), byte(b)];
  });
  return [...new Map(rgb.map((c) => [c.join(), c])).values()];
}

function histogram(samples: readonly Raster[]): Bin[] {
  const size = 1 << (3 * COARSE);
  const sums = new Float64Array(size * 4);
  for (const { data } of samples) {
    for (let i = 0; i < data.length; i += 4) {
      const bin = ((data[i] >> 3) << 10) | ((data[i + 1] >> 3) << 5) | (data[i + 2] >> 3);
      sums[bin * 4] += data[i];
      sums[bin * 4 + 1] += data[i + 1];
      sums[bin * 4 + 2] += data[i + 2];
      sums[bin * 4 + 3]++;
    }
  }
  const bins: Bin[] = [];
  for (let b = 0; b < size; b++) {
    const n = sums[b * 4 + 3];
    if (n === 0) continue;
    const lab = labOf([sums[b * 4] / n, sums[b * 4 + 1] / n, sums[b * 4 + 2] / n]);
    // Even a large plain ground must leave colours for what is small and matters.
    bins.push({ lab, weight: n ** 0.6 });
  }
  return bins;
}

type Box = { readonly bins: readonly Bin[]; readonly mean: Lab; readonly spread: number; readonly axis: 0 | 1 | 2 };

function boxOf(bins: readonly Bin[]): Box {
  const mean: [number, number, number] = [0, 0, 0];
  let weight = 0;
  for (const bin of bins) {
    weight += bin.weight;
    for (let c = 0; c < 3; c++) mean[c] += bin.lab[c] * bin.weight;
  }
  for (let c = 0; c < 3; c++) mean[c] /= weight;
  const squares = [0, 1, 2].map((c) => bins.reduce((sum, bin) => sum + bin.weight * (bin.lab[c] - mean[c]) ** 2, 0));
  const axis = squares.indexOf(Math.max(...squares)) as 0 | 1 | 2;
  return { bins, mean, spread: squares[axis], axis };
}

/** Splits the box that varies most until there are enough; colours are the means of the boxes. */
function cut(bins: readonly Bin[], count: number): Lab[] {
  const boxes = [boxOf(bins)];
  while (boxes.length < count) {
    const at = boxes.reduce((best, box, i) => (box.spread > boxes[best].spread ? i : best), 0);
    const { bins: own, mean, axis, spread } = boxes[at];
    if (own.length < 2 || spread <= 0) break;
    const low = own.filter(({ lab }) => lab[axis] <= mean[axis]);
    const high = own.filter(({ lab }) => lab[axis] > mean[axis]);
    if (low.length === 0 || high.length === 0) break;
    boxes.splice(at, 1, boxOf(low), boxOf(high));
  }
  return boxes.map(({ mean }) => mean);
}

const apart = (a: Lab, b: Lab): number => (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2;

function nearest(lab: Lab, centres: readonly Lab[]): number {
  let best = 0;
  let least = Infinity;
  for (let k = 0; k < centres.length; k++) {
    const d = apart(lab, centres[k]);
    if (d < least) [best, least] = [k, d];
  }
  return best;
}

function refined(bins: readonly Bin[], start: readonly Lab[]): Lab[] {
  let centres = [...start];
  for (let round = 0; round < 4; round++) {
    const sums = centres.map(() => [0, 0, 0, 0]);
    for (const { lab, weight } of bins) {
      const sum = sums[nearest(lab, centres)];
      for (let c = 0; c < 3; c++) sum[c] += lab[c] * weight;
      sum[3] += weight;
    }
    centres = centres.map((lab, k) => {
      const [l, a, b, n] = sums[k];
      return n > 0 ? ([l / n, a / n, b / n] as Lab) : lab;
    });
  }
  return centres;
}

/** Turns frames into numbers of a palette's colours. */
export type Indexer = (frame: Raster) => Uint8Array<ArrayBuffer>;

/**
 * The nearest colour in OKLab for each pixel, with a fixed pattern of noise (interleaved gradient noise, Jimenez 2014) as wide as the
 * palette is coarse: what does not move keeps its dots from frame to frame.
 */
export function indexer(palette: Palette): Indexer {
  const labs = palette.map((rgb) => labOf(rgb));
  const table = new Int16Array(1 << (3 * FINE)).fill(-1);
  const spread = ditherOf(palette);
  return ({ width, height, data }) => {
    const out = new Uint8Array(width * height);
    for (let y = 0, p = 0; y < height; y++) {
      for (let x = 0; x < width; x++, p++) {
        const noise = (fraction(52.9829189 * fraction(0.06711056 * x + 0.00583715 * y)) - 0.5) * spread;
        const [r, g, b] = [fine(data[p * 4] + noise), fine(data[p * 4 + 1] + noise), fine(data[p * 4 + 2] + noise)];
        const cell = (r << (2 * FINE)) | (g << FINE) | b;
        let index = table[cell];
        if (index < 0) index = table[cell] = nearest(labOf([coarse(r), coarse(g), coarse(b)]), labs);
        out[p] = index;
      }
    }
    return out;
  };
}

const fraction = (v: number): number => v - Math.floor(v);
const fine = (v: number): number => (v <= 0 ? 0 : v >= 255 ? 255 : v) >> (8 - FINE);
/** The middle of a cell of the table. */
const coarse = (v: number): number => (v * 255) / ((1 << FINE) - 1);

/** How far apart the colours of a palette lie along the greys, 0..255: so wide the noise has to be. */
function ditherOf(palette: Palette): number {
  const steps = palette.map((rgb, i) =>
    palette.reduce(
      (least, other, j) => (i === j ? least : Math.min(least, Math.max(...rgb.map((v, c) => Math.abs(v - other[c]))))),
      64,
    ),
  );
  const middle = [...steps].sort((a, b) => a - b)[Math.floor(steps.length / 2)] ?? 0;
  return Math.min(40, middle * 1.2);
}
