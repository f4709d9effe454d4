import { type Raster, inkBox } from '../pixels';
import { noise } from '../texture';

/** Values over pixels: rows from the top. */
export type Plane = Float32Array<ArrayBuffer>;

/**
 * What hands paint on. `rgb` are sRGB codes 0..1; `ways` are directions of strokes, radians; `edges` 0..1 where things end. `k` is the
 * width in pixels.
 */
export type Canvas = {
  readonly width: number;
  readonly height: number;
  readonly k: number;
  readonly seed: number;
  readonly rgb: Plane;
  readonly ways: Plane;
  readonly edges: Plane;
  /** How much of a pixel light was added to, 0..1. */
  readonly lit: Plane;
  /** How a hand's edges wander: two values -1..1 or so at a place in pixels. */
  readonly wander: readonly [Spread, Spread];
};

/** A value at a place in pixels. */
export type Spread = (x: number, y: number) => number;

export function canvasOf(width: number, height: number, seed: number): Canvas {
  const plane = (n = 1): Plane => new Float32Array(width * height * n);
  const n = noise(seed + 5);
  const wanders = (at: number): Spread =>
    spread((u, v) => n(u * 22 + at, v * 22) + 0.5 * n(u * 61 + at, v * 61 + 9), width, height, SPREAD_PX * 1.5);
  return {
    width,
    height,
    k: width,
    seed,
    rgb: plane(3),
    ways: plane(),
    edges: plane(),
    lit: plane(),
    wander: [wanders(0), wanders(40)],
  };
}

/** Cells across the width on which what has no edge is computed. */
export const SPREAD_PX = 320;

/** A field of places in widths, computed on cells and read between them. */
export function spread(field: (u: number, v: number) => number, width: number, height: number, cells: number): Spread {
  const step = Math.max(1, Math.floor(width / cells));
  const [columns, rows] = [Math.ceil(width / step) + 2, Math.ceil(height / step) + 2];
  const grid = new Float32Array(columns * rows);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) grid[y * columns + x] = field((x * step + 0.5) / width, (y * step + 0.5) / width);
  if (step === 1) return (x, y) => grid[Math.round(y) * columns + Math.round(x)];
  return (x, y) => sampled(grid, columns, rows, x / step, y / step);
}

/** A part of a picture's pixels with values of its own; beyond it they are 0. */
export type Patch = {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly plane: Plane;
};

/** Where a painted picture is not clear, 0..1, with a margin of clear pixels about it; null where all is clear. */
export function patchOf(painted: Raster, margin: number): Patch | null {
  const found = inkBox(painted, 0);
  if (!found) return null;
  const [x, y] = [Math.max(0, found.x - margin), Math.max(0, found.y - margin)];
  const width = Math.min(painted.width, found.x + found.width + margin) - x;
  const height = Math.min(painted.height, found.y + found.height + margin) - y;
  const plane = new Float32Array(width * height);
  for (let row = 0; row < height; row++)
    for (let i = 0, at = ((y + row) * painted.width + x) * 4 + 3; i < width; i++, at += 4)
      plane[row * width + i] = painted.data[at] / 255;
  return { x, y, width, height, plane };
}

/** The same patch, softened. */
export const softenedPatch = (patch: Patch, radius: number): Patch => ({
  ...patch,
  plane: softenedPlane(patch.plane, patch.width, patch.height, radius),
});

/** Two box means one after the other, radius in pixels; edges repeat. */
export function softenedPlane(from: Plane, width: number, height: number, radius: number): Plane {
  const r = Math.round(radius);
  if (r < 1) return from;
  const [a, b] = [new Float32Array(from.length), new Float32Array(from.length)];
  acrossRows(from, a, width, height, r);
  acrossRows(a, b, width, height, r);
  downColumns(b, a, width, height, r);
  downColumns(a, b, width, height, r);
  return b;
}

function acrossRows(from: Plane, to: Plane, width: number, height: number, r: number): void {
  const share = 1 / (2 * r + 1);
  for (let y = 0; y < height; y++) {
    const start = y * width;
    const end = start + width - 1;
    let sum = from[start] * (r + 1);
    for (let i = 1; i <= r; i++) sum += from[Math.min(end, start + i)];
    for (let i = start; i <= end; i++) {
      to[i] = sum * share;
      sum += from[i + r + 1 > end ? end : i + r + 1] - from[i - r < start ? start : i - r];
    }
  }
}

/** Row by row with a sum for each column, which is how memory likes it. */
function downColumns(from: Plane, to: Plane, width: number, height: number, r: number): void {
  const share = 1 / (2 * r + 1);
  const row = (y: number): number => Math.max(0, Math.min(height - 1, y)) * width;
  const sums = new Float64Array(width);
  for (let y = -r; y <= r; y++) {
    const at = row(y);
    for (let x = 0; x < width; x++) sums[x] += from[at + x];
  }
  for (let y = 0; y < height; y++) {
    const [at, next, last] = [y * width, row(y + r + 1), row(y - r)];
    for (let x = 0; x < width; x++) {
      to[at + x] = sums[x] * share;
      sums[x] += from[next + x] - from[last + x];
    }
  }
}

/** A plane between its pixels, by the four about the place; edges repeat. */
export function sampled(plane: Plane, width: number, height: number, x: number, y: number): number {
  const fx = Math.max(0, Math.min(width - 1.001, x));
  const fy = Math.max(0, Math.min(height - 1.001, y));
  const [ix, iy] = [Math.floor(fx), Math.floor(fy)];
  const [s, t] = [fx - ix, fy - iy];
  const i = iy * width + ix;
  const right = width > 1 ? 1 : 0;
  const below = height > 1 ? width : 0;
  return (
    (plane[i] * (1 - s) + plane[i + right] * s) * (1 - t) +
    (plane[i + below] * (1 - s) + plane[i + below + right] * s) * t
  );
}
