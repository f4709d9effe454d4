import { type LightGrid, NODE } from '../warp';
import type { Straight } from './rectify';

/**
 * The light on a blank face, taken apart: values are logarithms of the share of the face's own brightness. `smooth` is
 * the illumination, `creases` what is darker than it (folds, shadows with an edge), `gleam` what is lighter.
 */
export type Shading = {
  readonly columns: number;
  readonly rows: number;
  readonly smooth: Float32Array;
  readonly creases: Float32Array;
  readonly gleam: Float32Array;
};

/**
 * How much of each part of the light is laid over the art, 0 to 1 and more; `tone` is the brightness and colour of the
 * light where it falls full on the face.
 */
export type Strengths = {
  readonly smooth: number;
  readonly creases: number;
  readonly gleam: number;
  readonly tone: number;
};
export const fullStrength: Strengths = { smooth: 1, creases: 1, gleam: 1, tone: 1 };
export const noStrength: Strengths = { smooth: 0, creases: 0, gleam: 0, tone: 0 };

/** Share of a face's longer side over which its illumination is even. */
const EVEN = 0.1;
/** A face is as bright as this share of its cells at most: where the light falls full on it. */
const FULL = 0.9;
const LEAST = 40;
/** What white paper throws back of the light that falls on it. */
const PAPER = 0.92;

/** Mean of rows and then columns over 2r + 1 cells, three times: near a Gaussian. The border counts only what is there. */
function smoothed(values: Float32Array, columns: number, rows: number, radius: number): Float32Array {
  let now = values;
  const sums = new Float64Array(Math.max(columns, rows) + 1);
  const pass = (from: Float32Array, n: number, lines: number, step: number, line: number): Float32Array => {
    const out = new Float32Array(from.length);
    for (let l = 0; l < lines; l++) {
      for (let i = 0; i < n; i++) sums[i + 1] = sums[i] + from[l * line + i * step];
      for (let i = 0; i < n; i++) {
        // The same number of cells on both sides: a slope up to the border stays one.
        const r = Math.min(radius, i, n - 1 - i);
        out[l * line + i * step] = (sums[i + r + 1] - sums[i - r]) / (2 * r + 1);
      }
    }
    return out;
  };
  for (let k = 0; k < 3; k++) now = pass(pass(now, columns, rows, 1, columns), rows, columns, columns, 1);
  return now;
}

/**
 * The face as if nothing stood before it: cells of which `hidden` (0..1) is a part get the light of the nearest ones
 * that are free, found over wider and wider rings.
 */
export function uncovered(straight: Straight, hidden: Float32Array): Straight {
  if (!hidden.some((h) => h > 0.05)) return straight;
  const { columns, rows, light } = straight;
  const free = hidden.map((h) => (h > 0.05 ? 0 : 1));
  const out = new Float32Array(light);
  const open = new Set<number>();
  free.forEach((f, i) => f === 0 && open.add(i));
  for (let radius = 2; open.size > 0 && radius < 2 * Math.max(columns, rows); radius *= 2) {
    const weight = smoothed(free, columns, rows, radius);
    const parts = [0, 1, 2].map((c) =>
      smoothed(
        free.map((f, i) => f * light[i * 3 + c]),
        columns,
        rows,
        radius,
      ),
    );
    for (const i of open) {
      if (weight[i] < 0.02) continue;
      for (let c = 0; c < 3; c++) out[i * 3 + c] = parts[c][i] / weight[i];
      open.delete(i);
    }
  }
  return { columns, rows, light: out };
}

/** A face's own colour: that of its brightest cells, in linear light 0..65535. */
export function blankOf({ columns, rows, light }: Straight): [number, number, number] {
  const of = (c: number): number => {
    const values = Float32Array.from({ length: columns * rows }, (_, i) => light[i * 3 + c]).sort();
    return values[Math.floor(FULL * (values.length - 1))];
  };
  return [of(0), of(1), of(2)];
}

/** What white art is multiplied by, each channel, so that it is as bright and as tinted as the blank, were that white paper. */
export const tintOf = (blank: readonly number[], tone: number): [number, number, number] => {
  const of = (c: number): number => Math.min(1.15, Math.max(0.05, blank[c] / 65535 / PAPER)) ** tone;
  return [of(0), of(1), of(2)];
};

/** Light of a face that is blank in the photograph. */
export function shadingOf({ columns, rows, light }: Straight): Shading {
  const n = columns * rows;
  const luminance = Float32Array.from({ length: n }, (_, i) =>
    Math.max(LEAST, 0.2126 * light[i * 3] + 0.7152 * light[i * 3 + 1] + 0.0722 * light[i * 3 + 2]),
  );
  const full = luminance.slice().sort()[Math.floor(FULL * (n - 1))];
  const logs = luminance.map((v) => Math.log(v / full));
  const smooth = smoothed(logs, columns, rows, Math.max(1, Math.round((EVEN * Math.max(columns, rows)) / 3)));
  // The photograph's noise is no fold: what is left is smoothed by a cell, and little of it is nothing.
  const rest = smoothed(
    logs.map((v, i) => v - smooth[i]),
    columns,
    rows,
    1,
  );
  const sizes = rest.map(Math.abs).sort();
  const noise = sizes[sizes.length >> 1] / 0.6745;
  const kept = (v: number): number => Math.max(0, v - Math.min(0.02, noise));
  return { columns, rows, smooth, creases: rest.map((v) => -kept(-v)), gleam: rest.map(kept) };
}

/** The light as a shader lays it over art: what darkens multiplies, what gleams is added as white. */
export function lightGridOf({ columns, rows, smooth, creases, gleam }: Shading, strengths: Strengths): LightGrid {
  const nodes = new Float32Array((columns + 1) * (rows + 1) * NODE);
  // Nodes stand at the cells' corners: each is the mean of the cells that meet there.
  const at = (values: Float32Array, i: number, j: number): number => {
    const [x0, x1] = [Math.max(0, i - 1), Math.min(columns - 1, i)];
    const [y0, y1] = [Math.max(0, j - 1), Math.min(rows - 1, j)];
    return (
      (values[y0 * columns + x0] + values[y0 * columns + x1] + values[y1 * columns + x0] + values[y1 * columns + x1]) /
      4
    );
  };
  for (let j = 0; j <= rows; j++) {
    for (let i = 0; i <= columns; i++) {
      const even = Math.exp(strengths.smooth * at(smooth, i, j) + strengths.creases * at(creases, i, j));
      const white = Math.exp(strengths.gleam * at(gleam, i, j)) - 1;
      const o = (j * (columns + 1) + i) * NODE;
      nodes[o] = even;
      nodes[o + 1] = white * even * GLEAM;
      nodes[o + 2] = even;
      nodes[o + 3] = 1;
    }
  }
  return { columns, rows, nodes };
}

/** Light of a white face, of which a gleam is a share. */
const GLEAM = 0.5 * 65535;
