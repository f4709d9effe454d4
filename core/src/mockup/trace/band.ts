import { COARSE, SMOOTH } from '../models';
import type { Facet } from './facet';
import { type ShadowGrid, shadowGrid } from './ground';
import type { Painted, Stage } from './stage';
import { type Texture, addSample } from './texture';
import type { Tones } from './tones';

export type Quality = {
  /** Grid step of the shadow, px. */
  readonly shadowStep: number;
  /** Whether the shadow is computed for each pixel where it is steep. */
  readonly refined: boolean;
  /** Most texture taps along each side of a pixel's footprint. */
  readonly taps: number;
  /** Coverage samples along each side of an edge pixel. */
  readonly coverage: number;
  /** Strips of rounded faces, and cells of a face's light where things shade each other. */
  readonly strips: number;
  readonly cells: number;
};
export const PREVIEW: Quality = { shadowStep: 8, refined: false, taps: 1, coverage: 3, strips: COARSE, cells: 10 };
export const FINAL: Quality = { shadowStep: 4, refined: true, taps: 8, coverage: 8, strips: SMOOTH, cells: 64 };

/** Textures by the keys of looks. */
export type Textures = ReadonlyMap<string, Texture>;

/** What is drawn of a scene. */
export type Layers = { readonly things: boolean; readonly reflection: boolean; readonly shadow: boolean };
export const ALL_LAYERS: Layers = { things: true, reflection: true, shadow: true };

const TILE = 32;
/** A pixel whose centre is farther than this from every edge is wholly in or wholly out. */
const REACH = 0.7072;
/** Linear light of a face whose art is missing: unprinted paper. */
const PAPER: readonly [number, number, number] = [52_000, 52_000, 52_000];

/** A facet with what it is textured with, looked up once a band. */
type Lit = Omit<Painted, 'texture' | 'colour'> & { readonly texture: Texture | null; readonly colour: readonly [number, number, number] }; // prettier-ignore

/**
 * Buffers of one band: linear premultiplied RGB (0..65535) and coverage of a tile for the things and for their mirror,
 * and for an edge pixel each candidate's hits and the sums of their places.
 */
type Scratch = { sum: Float32Array; mirror: Float32Array; hits: Int32Array; sx: Float64Array; sy: Float64Array };

/**
 * Renders output rows y0..y1 as straight-alpha sRGB bytes on nothing. Pure: bands can be made anywhere in any order and
 * put together without a seam.
 */
export function renderBand(
  stage: Stage,
  textures: Textures,
  y0: number,
  y1: number,
  quality: Quality,
  layers: Layers = ALL_LAYERS,
): Uint8ClampedArray<ArrayBuffer> {
  const { width, shadowBox } = stage;
  const out = new Uint8ClampedArray(width * (y1 - y0) * 4);
  const grid = shadowGrid(
    stage.ground,
    stage.camera,
    width,
    shadowBox,
    y0,
    y1,
    quality.shadowStep,
    quality.refined,
    stage.scratch,
  );
  const of = (painted: readonly Painted[]): Lit[] =>
    painted.map((one) => ({
      ...one,
      texture: one.texture === null ? null : (textures.get(one.texture) ?? null),
      colour: one.colour ?? PAPER,
    }));
  const things = of(stage.facets);
  const mirror = layers.reflection ? of(stage.mirror) : [];
  const most = Math.max(things.length, mirror.length);
  const scratch: Scratch = {
    sum: new Float32Array(TILE * TILE * 4),
    mirror: new Float32Array(TILE * TILE * 4),
    hits: new Int32Array(most),
    sx: new Float64Array(most),
    sy: new Float64Array(most),
  };
  for (let ty = y0; ty < y1; ty += TILE) {
    for (let tx = 0; tx < width; tx += TILE) {
      const x1 = Math.min(width, tx + TILE);
      const yEnd = Math.min(y1, ty + TILE);
      const meets = ({ facet }: Lit): boolean => !outside(facet.edges, facet.box, tx, ty, x1, yEnd);
      const shaded = tx < shadowBox[2] && x1 > shadowBox[0] && ty < shadowBox[3] && yEnd > shadowBox[1];
      const seen = things.filter(meets);
      const reflected = mirror.filter(meets);
      if (seen.length === 0 && reflected.length === 0 && !shaded) continue;
      scratch.sum.fill(0);
      scratch.mirror.fill(0);
      if (seen.length > 0) traceTile(seen, stage.disjoint, tx, ty, x1, yEnd, quality, scratch, scratch.sum);
      if (reflected.length > 0) traceTile(reflected, false, tx, ty, x1, yEnd, quality, scratch, scratch.mirror);
      developTile(stage, grid, layers, tx, ty, x1, yEnd, y0, scratch, out);
    }
  }
  return out;
}

/** The thing that is seen at a point of the picture; null where there is none. */
export function thingUnder(stage: Stage, x: number, y: number): number | null {
  let best: Facet | null = null;
  for (const { facet } of stage.facets) {
    if (inside(facet.edges, x, y) < 0 || inside(facet.seams, x, y) < 0) continue;
    if (!best || nearness(facet, x, y) > nearness(best, x, y)) best = facet;
  }
  return best?.thing ?? null;
}

/** Smallest signed distance (px) of a point to half-planes: positive inside, infinite for none. */
function inside(edges: Float64Array, x: number, y: number): number {
  let least = Infinity;
  for (let e = 0; e < edges.length; e += 3) {
    const d = edges[e] * x + edges[e + 1] * y + edges[e + 2];
    if (d < least) least = d;
  }
  return least;
}

/** Whether a tile lies wholly outside one half-plane or the box. */
function outside(edges: Float64Array, box: Facet['box'], x0: number, y0: number, x1: number, y1: number): boolean {
  if (box[0] > x1 || box[2] < x0 || box[1] > y1 || box[3] < y0) return true;
  for (let e = 0; e < edges.length; e += 3) {
    const a = edges[e];
    const b = edges[e + 1];
    if (Math.max(a * x0, a * x1) + Math.max(b * y0, b * y1) + edges[e + 2] < 0) return true;
  }
  return false;
}

/** Whether a tile lies wholly inside all half-planes. */
function within(edges: Float64Array, x0: number, y0: number, x1: number, y1: number): boolean {
  for (let e = 0; e < edges.length; e += 3) {
    const a = edges[e];
    const b = edges[e + 1];
    if (Math.min(a * x0, a * x1) + Math.min(b * y0, b * y1) + edges[e + 2] < 0) return false;
  }
  return true;
}

const nearness = ({ g }: Facet, x: number, y: number): number => g[0] * x + g[1] * y + g[2];

/**
 * Fills a tile. A pixel well inside one facet is shaded at its centre; one that an edge crosses is sampled on a
 * grid, and each facet is shaded once, at the mean of its samples. Seams between strips of one face are no edges:
 * there the strip under the centre has the whole pixel.
 */
function traceTile(
  candidates: readonly Lit[],
  disjoint: boolean,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  quality: Quality,
  scratch: Scratch,
  sum: Float32Array,
): void {
  const { hits, sx, sy } = scratch;
  const { coverage, taps } = quality;
  const n = candidates.length;
  const full = candidates.map(({ facet }) => within(facet.edges, x0, y0, x1, y1));
  const alone = n === 1 && full[0] && within(candidates[0].facet.seams, x0, y0, x1, y1);
  let last = -1;
  for (let y = y0; y < y1; y++) {
    for (let x = x0; x < x1; x++) {
      const at = ((y - y0) * TILE + x - x0) * 4;
      const cx = x + 0.5;
      const cy = y + 0.5;
      if (alone) {
        shade(candidates[0], cx, cy, 1, taps, sum, at);
        continue;
      }
      if (disjoint && last >= 0) {
        // Neighbours mostly lie in the same facet.
        const { facet } = candidates[last];
        if (inside(facet.seams, cx, cy) >= 0 && (full[last] || inside(facet.edges, cx, cy) >= REACH)) {
          shade(candidates[last], cx, cy, 1, taps, sum, at);
          continue;
        }
      }
      let mixed = false;
      let nearest = -1;
      for (let k = 0; k < n && !mixed; k++) {
        const { facet } = candidates[k];
        const seam = inside(facet.seams, cx, cy);
        if (seam <= -REACH) continue;
        const d = full[k] ? Infinity : inside(facet.edges, cx, cy);
        if (d <= -REACH) continue;
        if (d < REACH) mixed = true;
        else if (seam >= 0 && (nearest < 0 || nearness(facet, cx, cy) > nearness(candidates[nearest].facet, cx, cy)))
          nearest = k;
      }
      if (!mixed) {
        last = nearest;
        if (nearest >= 0) shade(candidates[nearest], cx, cy, 1, taps, sum, at);
        continue;
      }
      for (let k = 0; k < n; k++) hits[k] = sx[k] = sy[k] = 0;
      for (let j = 0; j < coverage; j++) {
        for (let i = 0; i < coverage; i++) {
          const px = x + (i + 0.5) / coverage;
          const py = y + (j + 0.5) / coverage;
          let best = -1;
          for (let k = 0; k < n; k++) {
            const { facet } = candidates[k];
            if (inside(facet.seams, px, py) < 0 || inside(facet.edges, px, py) < 0) continue;
            if (best < 0 || nearness(facet, px, py) > nearness(candidates[best].facet, px, py)) best = k;
          }
          if (best < 0) continue;
          hits[best]++;
          sx[best] += px;
          sy[best] += py;
        }
      }
      for (let k = 0; k < n; k++) {
        if (hits[k] === 0) continue;
        shade(candidates[k], sx[k] / hits[k], sy[k] / hits[k], hits[k] / (coverage * coverage), taps, sum, at);
      }
    }
  }
}

/** Adds a facet's lit colour at a point of the picture, times its share of the pixel. */
function shade(
  { facet, texture, colour, profile }: Lit,
  x: number,
  y: number,
  whole: number,
  taps: number,
  sum: Float32Array,
  at: number,
): void {
  const { a, b, g, u0, du, light, columns, rows, fade } = facet;
  const k = 1 / (g[0] * x + g[1] * y + g[2]);
  const s = (a[0] * x + a[1] * y + a[2]) * k;
  const t = (b[0] * x + b[1] * y + b[2]) * k;
  const u = u0 + s * du;

  const ls = (s < 0 ? 0 : s > 0.99999 ? 0.99999 : s) * columns;
  const lt = (t < 0 ? 0 : t > 0.99999 ? 0.99999 : t) * rows;
  const i = ls | 0;
  const j = lt | 0;
  const fi = ls - i;
  const fj = lt - j;
  const p = (j * (columns + 1) + i) * 2;
  const q = p + (columns + 1) * 2;
  const w11 = fi * fj;
  const w10 = fi - w11;
  const w01 = fj - w11;
  const w00 = 1 - fi - w01;
  let diffuse = w00 * light[p] + w10 * light[p + 2] + w01 * light[q] + w11 * light[q + 2];
  const sheen = w00 * light[p + 1] + w10 * light[p + 3] + w01 * light[q + 1] + w11 * light[q + 3];
  if (profile) {
    const place = (u * profile.length) | 0;
    diffuse *= profile[place < 0 ? 0 : place >= profile.length ? profile.length - 1 : place];
  }
  const share = fade
    ? whole * (w00 * fade[p >> 1] + w10 * fade[(p >> 1) + 1] + w01 * fade[q >> 1] + w11 * fade[(q >> 1) + 1])
    : whole;
  const lit = diffuse * share;
  if (texture) {
    const ux = (a[0] - s * g[0]) * k * du;
    const uy = (a[1] - s * g[1]) * k * du;
    const vx = (b[0] - t * g[0]) * k;
    const vy = (b[1] - t * g[1]) * k;
    addSample(texture, u, t, ux, vx, uy, vy, taps, lit, sum, at);
  } else for (let c = 0; c < 3; c++) sum[at + c] += colour[c] * lit;
  if (sheen > 0) for (let c = 0; c < 3; c++) sum[at + c] += sheen * share;
  sum[at + 3] += share;
}

/** Less than half a step of 8 bits, fixed by the pixel's place: smooth shadows do not band. */
function dither(x: number, y: number): number {
  const h = Math.imul(x * 374761393 + y * 668265263, 1274126177) >>> 0;
  return (((h ^ (h >>> 13)) & 1023) / 1023 - 0.5) / 255;
}

function developTile(
  stage: Stage,
  grid: ShadowGrid,
  layers: Layers,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  top: number,
  { sum, mirror }: Scratch,
  out: Uint8ClampedArray,
): void {
  const { shadowBox, width, tones } = stage;
  const { alpha: dark, columns, step, patches, fine } = grid;
  for (let y = y0; y < y1; y++) {
    const gy = (y + 0.5) / step - grid.firstRow;
    const row = (gy | 0) * columns;
    const fy = gy - (gy | 0);
    const shadowRow = layers.shadow && y >= shadowBox[1] && y < shadowBox[3];
    let at = (y - y0) * TILE * 4;
    let o = ((y - top) * width + x0) * 4;
    for (let x = x0; x < x1; x++, at += 4, o += 4) {
      const cover = !layers.things ? 0 : sum[at + 3] > 0.9999 ? 1 : sum[at + 3];
      if (cover === 1) {
        encode(tones, sum, at, 1, 1, out, o);
        out[o + 3] = 255;
        continue;
      }
      let shade = 0;
      if (shadowRow && x >= shadowBox[0] && x < shadowBox[2]) {
        const gx = (x + 0.5) / step;
        const i = gx | 0;
        const fx = gx - i;
        const p = row + i;
        const q = p + columns;
        const patch = patches[p];
        if (patch > 0) shade = fine[(patch - 1) * step * step + ((fy * step) | 0) * step + ((fx * step) | 0)];
        else {
          const above = dark[p] + (dark[p + 1] - dark[p]) * fx;
          shade = above + (dark[q] + (dark[q + 1] - dark[q]) * fx - above) * fy;
        }
        if (shade > 0) shade = Math.max(0, shade + dither(x, y));
      }
      // The things over their mirror over their shadow. The shadow is black, so only its alpha counts; the colours of the
      // others are weighted by their shares of what is seen here: straight alpha.
      const mirrored = mirror[at + 3];
      const below = mirrored + (1 - mirrored) * shade;
      const alpha = cover + (1 - cover) * below;
      if (alpha <= 0) continue;
      if (cover > 0) encode(tones, sum, at, 1 / cover, cover / alpha, out, o);
      if (mirrored > 0) {
        const [r, g, b] = [out[o], out[o + 1], out[o + 2]];
        encode(tones, mirror, at, 1 / mirrored, ((1 - cover) * mirrored) / alpha, out, o);
        out[o] += r;
        out[o + 1] += g;
        out[o + 2] += b;
      }
      out[o + 3] = alpha * 255 + 0.5;
    }
  }
}

/** Writes linear light times `gain`, encoded, times `share`. */
function encode(
  tones: Tones,
  sum: Float32Array,
  at: number,
  gain: number,
  share: number,
  out: Uint8ClampedArray,
  o: number,
): void {
  for (let c = 0; c < 3; c++) {
    const linear = sum[at + c] * gain;
    out[o + c] = tones[c][linear >= 65535 ? 8191 : linear >> 3] * share;
  }
}
