import type { Point } from '../plane';
import { type Raster, LINEAR_OF, raster } from '../pixels';
import { speck } from '../texture';

/** What a photograph's pixels have of their own: noise (standard deviation, sRGB codes) and softness (sigma, px). */
export type Grain = { readonly noise: number; readonly softPx: number };

const luma = ({ data, width }: Raster, x: number, y: number): number => {
  const p = (y * width + x) * 4;
  return 0.2126 * data[p] + 0.7152 * data[p + 1] + 0.0722 * data[p + 2];
};

/** A point within the quadrilateral at shares of its sides, as the corners' blend. */
const within = (quad: readonly Point[], u: number, v: number): Point => {
  const mix = (c: 'x' | 'y'): number =>
    (quad[0][c] * (1 - u) + quad[1][c] * u) * (1 - v) + (quad[3][c] * (1 - u) + quad[2][c] * u) * v;
  return { x: mix('x'), y: mix('y') };
};

/**
 * Noise of a blank face: the middle size of what a pixel differs from the mean of its neighbours by (median absolute
 * deviation), which edges and folds do not move.
 */
export function noiseIn(photo: Raster, quad: readonly Point[]): number {
  const found: number[] = [];
  for (let j = 1; j < 60; j++) {
    for (let i = 1; i < 60; i++) {
      const p = within(quad, 0.08 + (0.84 * i) / 60, 0.08 + (0.84 * j) / 60);
      const [x, y] = [Math.round(p.x), Math.round(p.y)];
      if (x < 1 || y < 1 || x >= photo.width - 1 || y >= photo.height - 1) continue;
      const around =
        (luma(photo, x - 1, y - 1) +
          luma(photo, x + 1, y - 1) +
          luma(photo, x - 1, y + 1) +
          luma(photo, x + 1, y + 1)) /
        4;
      found.push(Math.abs(luma(photo, x, y) - around));
    }
  }
  if (found.length < 30) return 0;
  found.sort((a, b) => a - b);
  // A difference to the mean of four has 1.25 times the variance of one pixel.
  return found[found.length >> 1] / 0.6745 / Math.sqrt(1.25);
}

/**
 * Softness of a photograph at the outline of a face: the spread of the step across its sides. A Gaussian step's slope at
 * its middle is its height over sigma times the square root of 2 pi. 0 where no side makes a clear step.
 */
export function softnessAt(photo: Raster, quad: readonly Point[]): number {
  const found: number[] = [];
  const light = (x: number, y: number): number => {
    const [i, j] = [Math.floor(x - 0.5), Math.floor(y - 0.5)];
    if (i < 0 || j < 0 || i >= photo.width - 1 || j >= photo.height - 1) return NaN;
    const [fx, fy] = [x - 0.5 - i, y - 0.5 - j];
    const at = (a: number, b: number): number => LINEAR_OF[photo.data[((j + b) * photo.width + i + a) * 4 + 1]];
    return (at(0, 0) * (1 - fx) + at(1, 0) * fx) * (1 - fy) + (at(0, 1) * (1 - fx) + at(1, 1) * fx) * fy;
  };
  quad.forEach((p, s) => {
    const q = quad[(s + 1) % 4];
    const length = Math.hypot(q.x - p.x, q.y - p.y);
    const [nx, ny] = [(q.y - p.y) / length, -(q.x - p.x) / length];
    for (let k = 2; k < 38; k++) {
      const [x, y] = [p.x + ((q.x - p.x) * k) / 40, p.y + ((q.y - p.y) * k) / 40];
      const profile = Array.from({ length: 49 }, (_, i) => light(x + nx * (i - 24) * 0.25, y + ny * (i - 24) * 0.25));
      const [from, to] = [profile[0], profile[48]];
      const height = Math.abs(from - to);
      if (!(height > 9000)) continue;
      let steepest = 0;
      for (let i = 2; i < 47; i++) steepest = Math.max(steepest, Math.abs(profile[i + 2] - profile[i - 2]));
      found.push(height / steepest / Math.sqrt(2 * Math.PI));
    }
  });
  if (found.length < 12) return 0;
  found.sort((a, b) => a - b);
  return found[found.length >> 1];
}

/** A pixel's own softness: bilinear reading of a sharp edge spreads it by about this, px. */
export const SHARP_PX = 0.55;

/** A picture with noise of a standard deviation in sRGB codes where it is not clear; the same place, the same noise. */
export function withNoise(source: Raster, sigma: number, seed: number): Raster {
  if (sigma <= 0) return source;
  const { width, height } = source;
  const out = raster(width, height, new Uint8ClampedArray(source.data));
  const { data } = out;
  for (let i = 0; i < data.length; i += 4) {
    if (data[i + 3] === 0) continue;
    const [x, y] = [(i / 4) % width, Math.floor(i / 4 / width)];
    // Three even throws are near a Gaussian one; of each the variance is a third.
    const n = (speck(seed, x, y) + speck(seed + 1, x, y) + speck(seed + 2, x, y)) * sigma;
    for (let c = 0; c < 3; c++) data[i + c] += n;
  }
  return out;
}
