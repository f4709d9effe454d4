import { COARSE, SMOOTH } from '../models';
import type { Facet } from './facet';
import type { Homography } from '../../plane';
import { type Filter, type Shader, type Sums, type Surface, type Textures, shaderOf } from '../../warp';
import { type ShadowGrid, shadowAt, shadowGrid } from './ground';
import type { Painted, Stage } from './stage';
import type { Tones } from './tones';

export type Quality = {
  /** Grid step of the shadow, px. */
  readonly shadowStep: number;
  /** Whether the shadow is computed for each pixel where it is steep. */
  readonly refined: boolean;
  readonly filter: Filter;
  /** Coverage samples along each side of an edge pixel. */
  readonly coverage: number;
  /** Strips of rounded faces, and cells of a face's light where things shade each other. */
  readonly strips: number;
  readonly cells: number;
  /** Most views through a lens with depth of field. */
  readonly lens: number;
};
export const PREVIEW: Quality = {
  shadowStep: 8,
  refined: false,
  filter: { kind: 'linear', taps: 4 },
  coverage: 3,
  strips: COARSE,
  cells: 10,
  lens: 7,
};
export const FINAL: Quality = {
  shadowStep: 4,
  refined: true,
  filter: { kind: 'cubic', taps: 8 },
  coverage: 8,
  strips: SMOOTH,
  cells: 64,
  lens: 64,
};

/** What is drawn of a scene. */
export type Layers = { readonly things: boolean; readonly reflection: boolean; readonly shadow: boolean };
export const ALL_LAYERS: Layers = { things: true, reflection: true, shadow: true };

const TILE = 32;
/** A pixel whose centre is farther than this from every edge is wholly in or wholly out. */
const REACH = 0.7072;
/** Linear light of a face whose art is missing: unprinted paper. */
const PAPER: readonly [number, number, number] = [52_000, 52_000, 52_000];

/** A facet and its number among the shader's surfaces. */
type Placed = { readonly facet: Facet; readonly surface: number };

/** Room for an edge pixel: the candidates that touch it, each one's hits and the sums of their places. */
type Scratch = {
  readonly near: Int32Array;
  readonly hits: Int32Array;
  readonly sx: Float64Array;
  readonly sy: Float64Array;
};

/**
 * Renders output rows y0..y1 as straight-alpha sRGB bytes on nothing. Pure: bands can be made anywhere in any order and
 * put together without a seam. Textures are named by the keys of looks.
 */
export function renderBand(
  stage: Stage,
  textures: Textures,
  y0: number,
  y1: number,
  quality: Quality,
  layers: Layers = ALL_LAYERS,
  shader: Shader = shaderOf(textures),
): Uint8ClampedArray<ArrayBuffer> {
  const { width, shadowBox } = stage;
  const shown = stage.views.length;
  // The mean of many views needs less of each.
  const coverage = shown > 1 ? Math.min(3, quality.coverage) : quality.coverage;
  const surfaces: Surface[] = [];
  const place = (painted: readonly Painted[]): Placed[] =>
    painted.map((one) => ({ facet: one.facet, surface: surfaces.push(surfaceOf(one, textures)) - 1 }));
  const views = stage.views.map(({ facets, mirror }) => ({
    things: place(layers.things ? facets : []),
    mirror: place(layers.reflection ? mirror : []),
  }));
  const maps = stage.views.flatMap(({ toMain }) => (toMain ? [toMain] : []));
  const beyond = reachOf(maps, shadowBox);
  const grid = shadowGrid(
    stage.ground,
    stage.camera,
    width,
    y0,
    y1,
    quality.shadowStep,
    quality.refined,
    stage.scratch,
    beyond,
  );
  shader.place(surfaces, shown > 1 ? { ...quality.filter, kind: 'linear' } : quality.filter);
  // Sums of a tile for the things, and for their mirror; the band itself.
  const { sums: both, bytes: out } = shader.room(2 * TILE * TILE, width * (y1 - y0));
  const [sum, behind] = [both.subarray(0, TILE * TILE * 4), both.subarray(TILE * TILE * 4)];
  const most = Math.max(...views.map(({ things, mirror }) => Math.max(things.length, mirror.length)));
  const scratch: Scratch = {
    near: new Int32Array(most),
    hits: new Int32Array(most),
    sx: new Float64Array(most),
    sy: new Float64Array(most),
  };
  const lit = layers.shadow && (stage.ground.cast > 0 || stage.ground.contact > 0);
  for (let ty = y0; ty < y1; ty += TILE) {
    for (let tx = 0; tx < width; tx += TILE) {
      const x1 = Math.min(width, tx + TILE);
      const yEnd = Math.min(y1, ty + TILE);
      const shaded = lit && tx < shadowBox[2] && x1 > shadowBox[0] && ty < shadowBox[3] && yEnd > shadowBox[1];
      both.fill(0);
      let some = shaded;
      for (const { things, mirror } of views) {
        const seen = meeting(things, tx, ty, x1, yEnd);
        const reflected = meeting(mirror, tx, ty, x1, yEnd);
        const share = 1 / shown;
        if (seen.length > 0) traceTile(seen, stage.disjoint, tx, ty, x1, yEnd, coverage, share, shader, scratch, sum);
        if (reflected.length > 0)
          traceTile(reflected, false, tx, ty, x1, yEnd, coverage, share, shader, scratch, behind);
        some ||= seen.length > 0 || reflected.length > 0;
      }
      if (some) developTile(stage, shaded ? grid : null, maps, tx, ty, x1, yEnd, y0, shader, sum, behind, out);
    }
  }
  // Its own copy: the shader's memory is used again.
  return new Uint8ClampedArray(out);
}

function surfaceOf({ facet, texture, colour, profile }: Painted, textures: Textures): Surface {
  const { a, b, g, u0, du, light } = facet;
  const found = texture === null ? null : (textures.byName.get(texture) ?? null);
  return { a, b, g, u0, du, light, profile, texture: found, colour: colour ?? PAPER };
}

/** Those that are not wholly outside a tile. */
function meeting(list: readonly Placed[], x0: number, y0: number, x1: number, y1: number): Placed[] {
  const some: Placed[] = [];
  for (let i = 0; i < list.length; i++) {
    const { edges, box } = list[i].facet;
    if (!outside(edges, box, x0, y0, x1, y1)) some.push(list[i]);
  }
  return some;
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
 * Adds a view of a tile, times `share`. Pixels well inside one facet are shaded at their centres, in runs; one that an edge crosses is sampled on
 * a grid, and each facet is shaded once, at the mean of its samples. Seams between strips of one face are no edges: there
 * the strip under the centre has the whole pixel.
 */
function traceTile(
  candidates: readonly Placed[],
  disjoint: boolean,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  coverage: number,
  share: number,
  shader: Shader,
  scratch: Scratch,
  sum: Sums,
): void {
  const n = candidates.length;
  const full = candidates.map(({ facet }) => within(facet.edges, x0, y0, x1, y1));
  const alone = n === 1 && full[0] && within(candidates[0].facet.seams, x0, y0, x1, y1);
  for (let y = y0; y < y1; y++) {
    const row = (y - y0) * TILE * 4;
    const cy = y + 0.5;
    if (alone) {
      shader.shade(candidates[0].surface, x0 + 0.5, cy, x1 - x0, share, sum, row);
      continue;
    }
    // The facet that the pixels from `from` on belong to.
    let run = -1;
    let from = x0;
    for (let x = x0; x < x1; x++) {
      const cx = x + 0.5;
      if (disjoint && run >= 0) {
        // Neighbours mostly lie in the same facet.
        const { facet } = candidates[run];
        if (inside(facet.seams, cx, cy) >= 0 && (full[run] || inside(facet.edges, cx, cy) >= REACH)) continue;
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
      const now = mixed ? -1 : nearest;
      if (now !== run) {
        if (run >= 0)
          shader.shade(candidates[run].surface, from + 0.5, cy, x - from, share, sum, row + (from - x0) * 4);
        run = now;
        from = x;
      }
      if (mixed) tracePixel(candidates, x, y, coverage, share, shader, scratch, sum, row + (x - x0) * 4);
    }
    if (run >= 0) shader.shade(candidates[run].surface, from + 0.5, cy, x1 - from, share, sum, row + (from - x0) * 4);
  }
}

/** A pixel that edges cross. */
function tracePixel(
  candidates: readonly Placed[],
  x: number,
  y: number,
  coverage: number,
  share: number,
  shader: Shader,
  { near, hits, sx, sy }: Scratch,
  sum: Sums,
  at: number,
): void {
  let n = 0;
  for (let k = 0; k < candidates.length; k++) {
    const { seams, edges } = candidates[k].facet;
    if (inside(seams, x + 0.5, y + 0.5) <= -REACH || inside(edges, x + 0.5, y + 0.5) <= -REACH) continue;
    hits[n] = sx[n] = sy[n] = 0;
    near[n++] = k;
  }
  for (let j = 0; j < coverage; j++) {
    for (let i = 0; i < coverage; i++) {
      const px = x + (i + 0.5) / coverage;
      const py = y + (j + 0.5) / coverage;
      let best = -1;
      for (let k = 0; k < n; k++) {
        const { facet } = candidates[near[k]];
        if (inside(facet.seams, px, py) < 0 || inside(facet.edges, px, py) < 0) continue;
        if (best < 0 || nearness(facet, px, py) > nearness(candidates[near[best]].facet, px, py)) best = k;
      }
      if (best < 0) continue;
      hits[best]++;
      sx[best] += px;
      sy[best] += py;
    }
  }
  const whole = coverage * coverage;
  for (let k = 0; k < n; k++) {
    if (hits[k] === 0) continue;
    shader.shade(candidates[near[k]].surface, sx[k] / hits[k], sy[k] / hits[k], 1, (share * hits[k]) / whole, sum, at);
  }
}

/** How far up or down the ground of the shadow's box is seen from the stage's own view, px: furthest at a corner. */
function reachOf(maps: readonly Homography[], [x0, y0, x1, y1]: Stage['shadowBox']): number {
  let most = 0;
  for (const h of maps)
    for (const x of [x0, x1])
      for (const y of [y0, y1])
        most = Math.max(most, Math.abs((h[3] * x + h[4] * y + h[5]) / (h[6] * x + h[7] * y + h[8]) - y));
  return Math.ceil(most) + (maps.length > 0 ? 8 : 0);
}

/** The mean of the shadow that the views of a lens see at a pixel, read where the stage's own view sees it. */
function shadowThrough(grid: ShadowGrid, maps: readonly Homography[], x: number, y: number): number {
  let sum = 0;
  for (let m = 0; m < maps.length; m++) {
    const h = maps[m];
    const k = 1 / (h[6] * (x + 0.5) + h[7] * (y + 0.5) + h[8]);
    sum += shadowAt(
      grid,
      (h[0] * (x + 0.5) + h[1] * (y + 0.5) + h[2]) * k - 0.5,
      (h[3] * (x + 0.5) + h[4] * (y + 0.5) + h[5]) * k - 0.5,
    );
  }
  return sum / maps.length;
}

/** Less than half a step of 8 bits, fixed by the pixel's place: smooth shadows do not band. */
export function dither(x: number, y: number): number {
  const h = Math.imul(x * 374761393 + y * 668265263, 1274126177) >>> 0;
  return (((h ^ (h >>> 13)) & 1023) / 1023 - 0.5) / 255;
}

/** Turns a tile's sums into bytes: the things over their mirror over their shadow. */
function developTile(
  { width, tones, shadowBox }: Stage,
  grid: ShadowGrid | null,
  maps: readonly Homography[],
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  top: number,
  shader: Shader,
  sum: Sums,
  mirror: Sums,
  out: Uint8ClampedArray,
): void {
  for (let y = y0; y < y1; y++) {
    const shadowRow = grid !== null && y >= shadowBox[1] && y < shadowBox[3];
    let at = (y - y0) * TILE * 4;
    let o = ((y - top) * width + x0) * 4;
    for (let x = x0; x < x1; x++, at += 4, o += 4) {
      let whole = 0;
      while (x + whole < x1 && sum[at + whole * 4 + 3] > 0.9999) whole++;
      if (whole > 0) {
        shader.encode(sum, at, whole, tones.bytes, out, o);
        at += whole * 4;
        o += whole * 4;
        x += whole;
        if (x === x1) break;
      }
      const cover = sum[at + 3];
      let shade = 0;
      if (shadowRow && x >= shadowBox[0] && x < shadowBox[2]) {
        shade = maps.length === 0 ? shadowAt(grid, x, y) : shadowThrough(grid, maps, x, y);
        if (shade > 0) shade = Math.max(0, shade + dither(x, y));
      }
      // The shadow is black, so only its alpha counts; the colours of the others are weighted by their shares of what is
      // seen here: straight alpha.
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
  { exact }: Tones,
  sum: Sums,
  at: number,
  gain: number,
  share: number,
  out: Uint8ClampedArray,
  o: number,
): void {
  for (let c = 0; c < 3; c++) {
    const linear = sum[at + c] * gain;
    out[o + c] = exact[c][linear >= 65535 ? 8191 : linear >> 3] * share;
  }
}
