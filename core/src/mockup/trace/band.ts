import { rgbOf } from '../../colour';
import { ENCODED_OF } from '../../pixels';
import type { FaceName } from '../models';
import { type ShadowGrid, shadowAtPixel, shadowGrid } from './ground-shadow';
import { COLUMNS, type Facet, ROWS, type Stage } from './stage';
import { type Texture, addSample } from './texture';

export type Quality = {
  /** Grid step of the shadow, px. */
  readonly shadowStep: number;
  /** Most texture taps along each side of a pixel's footprint. */
  readonly taps: number;
  /** Coverage samples along each side of an edge pixel. */
  readonly coverage: number;
};
export const PREVIEW: Quality = { shadowStep: 8, taps: 3, coverage: 3 };
export const FINAL: Quality = { shadowStep: 4, taps: 8, coverage: 8 };

export type Textures = ReadonlyMap<FaceName, Texture>;

const TILE = 32;
/** A pixel whose centre is farther than this from every edge is wholly in or wholly out. */
const REACH = 0.7072;

/** Per band: linear premultiplied RGB (0..65535) and coverage of one tile. */
type Scratch = { sum: Float32Array; hits: Int32Array; sx: Float64Array; sy: Float64Array };

/**
 * Renders output rows y0..y1 as straight-alpha sRGB bytes. Pure: bands can be made anywhere in any order and put
 * together without a seam.
 */
export function renderBand(
  stage: Stage,
  textures: Textures,
  y0: number,
  y1: number,
  quality: Quality,
): Uint8ClampedArray<ArrayBuffer> {
  const out = new Uint8ClampedArray(stage.width * (y1 - y0) * 4);
  const grid = shadowGrid(stage, y0, y1, quality.shadowStep);
  const n = stage.facets.length;
  const scratch: Scratch = {
    sum: new Float32Array(TILE * TILE * 4),
    hits: new Int32Array(n),
    sx: new Float64Array(n),
    sy: new Float64Array(n),
  };
  for (let ty = y0; ty < y1; ty += TILE) {
    for (let tx = 0; tx < stage.width; tx += TILE) {
      const x1 = Math.min(stage.width, tx + TILE);
      const yEnd = Math.min(y1, ty + TILE);
      scratch.sum.fill(0);
      traceTile(stage, textures, tx, ty, x1, yEnd, quality, scratch);
      developTile(stage, grid, tx, ty, x1, yEnd, y0, scratch.sum, out);
    }
  }
  return out;
}

/** Smallest signed distance (px) of a point to the facet's edges: positive inside. */
function inside(facet: Facet, x: number, y: number): number {
  const { edges } = facet;
  let least = Infinity;
  for (let e = 0; e < edges.length; e += 3) {
    const d = edges[e] * x + edges[e + 1] * y + edges[e + 2];
    if (d < least) least = d;
  }
  return least;
}

/** Whether a tile lies wholly outside (-1), across an edge (0) or wholly inside (1). */
function classify(facet: Facet, x0: number, y0: number, x1: number, y1: number): -1 | 0 | 1 {
  const { edges, box } = facet;
  if (box[0] > x1 || box[2] < x0 || box[1] > y1 || box[3] < y0) return -1;
  let full: -1 | 0 | 1 = 1;
  for (let e = 0; e < edges.length; e += 3) {
    const a = edges[e];
    const b = edges[e + 1];
    const c = edges[e + 2];
    if (Math.max(a * x0, a * x1) + Math.max(b * y0, b * y1) + c < 0) return -1;
    if (Math.min(a * x0, a * x1) + Math.min(b * y0, b * y1) + c < 0) full = 0;
  }
  return full;
}

const nearness = (facet: Facet, x: number, y: number): number => facet.g[0] * x + facet.g[1] * y + facet.g[2];

function traceTile(
  stage: Stage,
  textures: Textures,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  quality: Quality,
  scratch: Scratch,
): void {
  const { sum, hits, sx, sy } = scratch;
  const facets: Facet[] = [];
  const full: boolean[] = [];
  for (const facet of stage.facets) {
    const where = classify(facet, x0, y0, x1, y1);
    if (where < 0) continue;
    facets.push(facet);
    full.push(where === 1);
  }
  if (facets.length === 0) return;
  const alone = facets.length === 1 && full[0];
  const { coverage } = quality;
  for (let y = y0; y < y1; y++) {
    for (let x = x0; x < x1; x++) {
      const at = ((y - y0) * TILE + x - x0) * 4;
      if (alone) {
        shadeFacet(stage, textures, facets[0], x + 0.5, y + 0.5, 1, quality.taps, sum, at);
        continue;
      }
      let mixed = false;
      let nearest = -1;
      for (let k = 0; k < facets.length && !mixed; k++) {
        const d = full[k] ? Infinity : inside(facets[k], x + 0.5, y + 0.5);
        if (d <= -REACH) continue;
        if (d < REACH) mixed = true;
        else if (nearest < 0 || nearness(facets[k], x, y) > nearness(facets[nearest], x, y)) nearest = k;
      }
      if (!mixed) {
        if (nearest >= 0) shadeFacet(stage, textures, facets[nearest], x + 0.5, y + 0.5, 1, quality.taps, sum, at);
        continue;
      }
      for (let k = 0; k < facets.length; k++) hits[k] = sx[k] = sy[k] = 0;
      for (let j = 0; j < coverage; j++) {
        for (let i = 0; i < coverage; i++) {
          const px = x + (i + 0.5) / coverage;
          const py = y + (j + 0.5) / coverage;
          let best = -1;
          for (let k = 0; k < facets.length; k++) {
            if (!full[k] && inside(facets[k], px, py) < 0) continue;
            if (best < 0 || nearness(facets[k], px, py) > nearness(facets[best], px, py)) best = k;
          }
          if (best < 0) continue;
          hits[best]++;
          sx[best] += px;
          sy[best] += py;
        }
      }
      for (let k = 0; k < facets.length; k++) {
        if (hits[k] === 0) continue;
        const share = hits[k] / (coverage * coverage);
        shadeFacet(stage, textures, facets[k], sx[k] / hits[k], sy[k] / hits[k], share, quality.taps, sum, at);
      }
    }
  }
}

const one = new Float32Array(4);

function shadeFacet(
  stage: Stage,
  textures: Textures,
  facet: Facet,
  x: number,
  y: number,
  weight: number,
  taps: number,
  sum: Float32Array,
  at: number,
): void {
  const { a, b, g, u0, du, light } = facet;
  const k = 1 / (g[0] * x + g[1] * y + g[2]);
  const s = (a[0] * x + a[1] * y + a[2]) * k;
  const t = (b[0] * x + b[1] * y + b[2]) * k;
  const ux = (a[0] - s * g[0]) * k * du;
  const uy = (a[1] - s * g[1]) * k * du;
  const vx = (b[0] - t * g[0]) * k;
  const vy = (b[1] - t * g[1]) * k;
  const u = u0 + s * du;

  const ls = (s < 0 ? 0 : s > 0.99999 ? 0.99999 : s) * COLUMNS;
  const lt = (t < 0 ? 0 : t > 0.99999 ? 0.99999 : t) * ROWS;
  const i = ls | 0;
  const j = lt | 0;
  const fi = ls - i;
  const fj = lt - j;
  const p = (j * (COLUMNS + 1) + i) * 2;
  const q = p + (COLUMNS + 1) * 2;
  const w11 = fi * fj;
  const w10 = fi - w11;
  const w01 = fj - w11;
  const w00 = 1 - fi - w01;
  let diffuse = w00 * light[p] + w10 * light[p + 2] + w01 * light[q] + w11 * light[q + 2];
  const sheen = w00 * light[p + 1] + w10 * light[p + 3] + w01 * light[q + 1] + w11 * light[q + 3];
  const profile = stage.profiles.get(facet.face);
  if (profile) diffuse *= profile[Math.min(profile.length - 1, Math.max(0, Math.floor(u * profile.length)))];

  const texture = textures.get(facet.face);
  one[0] = one[1] = one[2] = 0;
  if (texture) addSample(texture, u, t, ux, vx, uy, vy, taps, 1, one, 0);
  else one[0] = one[1] = one[2] = 52000;
  for (let c = 0; c < 3; c++) {
    const lit = one[c] * diffuse + sheen;
    sum[at + c] += (lit > 65535 ? 65535 : lit) * weight;
  }
  sum[at + 3] += weight;
}

/** Less than half a step of 8 bits, fixed by the pixel's place: smooth shadows do not band. */
function dither(x: number, y: number): number {
  const h = Math.imul(x * 374761393 + y * 668265263, 1274126177) >>> 0;
  return (((h ^ (h >>> 13)) & 1023) / 1023 - 0.5) / 255;
}

function developTile(
  stage: Stage,
  grid: ShadowGrid,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  top: number,
  sum: Float32Array,
  out: Uint8ClampedArray,
): void {
  const { shadowBox, width, ground } = stage;
  const colour = ground.kind === 'colour' ? rgbOf(ground.colour) : null;
  for (let y = y0; y < y1; y++) {
    for (let x = x0; x < x1; x++) {
      const at = ((y - y0) * TILE + x - x0) * 4;
      const o = ((y - top) * width + x) * 4;
      const cover = sum[at + 3] > 0.9999 ? 1 : sum[at + 3];
      let shade = 0;
      if (cover < 1 && x >= shadowBox[0] && x < shadowBox[2] && y >= shadowBox[1] && y < shadowBox[3]) {
        shade = shadowAtPixel(grid, x, y);
        if (shade > 0) shade = Math.max(0, shade + dither(x, y));
      }
      // The object over its shadow: the shadow is black, so only its alpha counts.
      const alpha = cover + (1 - cover) * shade;
      if (colour) {
        const k = (1 - cover) * (1 - shade);
        for (let c = 0; c < 3; c++) out[o + c] = encode(cover > 0 ? sum[at + c] / cover : 0) * cover + colour[c] * k;
        out[o + 3] = 255;
        continue;
      }
      // Straight alpha: the object's own colour weighted by its share of what is seen here.
      if (cover > 0) {
        const share = cover / alpha;
        for (let c = 0; c < 3; c++) out[o + c] = encode(sum[at + c] / cover) * share;
      }
      out[o + 3] = alpha * 255 + 0.5;
    }
  }
}

const encode = (linear: number): number => ENCODED_OF[linear >= 65535 ? 8191 : linear >> 3];
