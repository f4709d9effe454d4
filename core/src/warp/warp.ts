import { ENCODED_OF, type Raster, raster } from '../pixels';
import { type Homography, type Point, homography } from '../plane';
import { type Filter, type LightGrid, type Linear, type Shader, type Surface, plainLight } from './surface';
import type { Texture, Textures } from './textures';

/** Pixels are made in bands of so many rows, and a band in runs of so many: texels of near pixels are near in memory. */
const BAND = 32;
const RUN = 128;
/** A pixel whose centre is farther than this from every edge is wholly in or wholly out. */
const REACH = 0.7072;

/** sRGB codes for red, green and blue of linear light, as a shader wants them. */
export const plainTones: Uint8Array = Uint8Array.from({ length: 3 * 8192 }, (_, i) => ENCODED_OF[i & 8191]);

/** The surface of a texture whose corners (top left, top right, foot right, foot left) come to lie at `quad`, px; null where three are in a line. */
export function surfaceOn(texture: Texture, quad: readonly Point[]): Surface | null {
  const square = [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
    { x: 1, y: 1 },
    { x: 0, y: 1 },
  ];
  const h = homography(quad, square);
  if (!h) return null;
  return surfaceBy(h, texture, plainLight);
}

/** The surface whose places a homography finds: it takes px of the picture to places across and down the texture, 0..1. */
export function surfaceBy(h: Homography, texture: Texture | null, light: LightGrid): Surface {
  const row = (i: number): Linear => [h[i], h[i + 1], h[i + 2]];
  return { a: row(0), b: row(3), g: row(6), u0: 0, du: 1, light, profile: null, texture, colour: [0, 0, 0] };
}

/** Half-planes (a, b, c) of a convex outline, unit normals inwards. */
function edgesOf(quad: readonly Point[]): number[][] {
  const doubled = quad.reduce((sum, p, i) => {
    const q = quad[(i + 1) % quad.length];
    return sum + p.x * q.y - p.y * q.x;
  }, 0);
  return quad.map((p, i) => {
    const q = quad[(i + 1) % quad.length];
    const [dx, dy] = doubled < 0 ? [p.x - q.x, p.y - q.y] : [q.x - p.x, q.y - p.y];
    const l = Math.hypot(dx, dy);
    return [-dy / l, dx / l, (dy * p.x - dx * p.y) / l];
  });
}

/**
 * A texture under perspective: straight-alpha sRGB of width x height pixels, its corners at a convex `quad`, edges
 * antialiased, in a `light` that falls on it, encoded by `tones`; null where three corners are in a line.
 */
export function warped(
  textures: Textures,
  name: string,
  quad: readonly Point[],
  width: number,
  height: number,
  filter: Filter,
  shader: Shader,
  light: LightGrid = plainLight,
  tones: Uint8Array = plainTones,
): Raster | null {
  const texture = textures.byName.get(name);
  const surface = texture && surfaceOn(texture, quad);
  if (!surface) return null;
  shader.place([{ ...surface, light }], filter);
  // A band is made within the shader's memory and taken out at once.
  const { sums, bytes: band } = shader.room(RUN, width * BAND);
  const out = raster(width, height);
  const edges = edgesOf(quad);
  const [top, foot] = [Math.min(...quad.map((p) => p.y)), Math.max(...quad.map((p) => p.y))];
  for (let y0 = 0; y0 < height; y0 += BAND) {
    if (foot < y0 - 1 || top > y0 + BAND + 1) continue;
    band.fill(0);
    const y1 = Math.min(height, y0 + BAND);
    for (let x0 = 0; x0 < width; x0 += RUN) {
      for (let y = y0; y < y1; y++) {
        const { from, to, inner, outer } = across(edges, y + 0.5, x0, Math.min(width, x0 + RUN));
        if (from >= to) continue;
        const row = (y - y0) * width;
        sums.fill(0, 0, (to - from) * 4);
        shader.shade(0, from + 0.5, y + 0.5, to - from, 1, sums, 0);
        shader.encode(sums, 0, to - from, tones, band, (row + from) * 4);
        for (let x = from; x < to; x++) {
          if (x === inner && outer > inner) x = outer;
          if (x < to) band[(row + x) * 4 + 3] = 255 * coverOf(edges, x + 0.5, y + 0.5) + 0.5;
        }
      }
    }
    out.data.set(band.subarray(0, (y1 - y0) * width * 4), y0 * width * 4);
  }
  return out;
}

/** How many levels of art's texture are asked for when it is seen at a quadrilateral: more are not worth making. */
export function levelsFor(art: { width: number; height: number }, quad: readonly Point[], taps: number): number {
  const h = homography(quad, [
    { x: 0, y: 0 },
    { x: art.width, y: 0 },
    { x: art.width, y: art.height },
    { x: 0, y: art.height },
  ]);
  if (!h) return 1;
  // Footprints are largest at a corner: along a side they only grow or only shrink.
  const most = quad.map(({ x, y }) => {
    const k = 1 / (h[6] * x + h[7] * y + h[8]);
    const [u, v] = [(h[0] * x + h[1] * y + h[2]) * k, (h[3] * x + h[4] * y + h[5]) * k];
    const lx = Math.hypot((h[0] - u * h[6]) * k, (h[3] - v * h[6]) * k);
    const ly = Math.hypot((h[1] - u * h[7]) * k, (h[4] - v * h[7]) * k);
    return Math.max(Math.min(lx, ly) / 2, Math.max(lx, ly) / (2 * taps));
  });
  return 1 + Math.max(0, Math.ceil(Math.log2(Math.max(...most)) + 0.01));
}

type Span = { from: number; to: number; inner: number; outer: number };

/** The pixels from..to of a row between x0 and x1 that the outline touches, and those inner..outer well inside it. */
function across(edges: readonly (readonly number[])[], y: number, x0: number, x1: number): Span {
  const span = { from: x0, to: x1, inner: x0, outer: x1 };
  for (let e = 0; e < edges.length; e++) {
    const a = edges[e][0];
    const d = edges[e][1] * y + edges[e][2];
    if (Math.abs(a) < 1e-9) {
      if (d < -REACH) span.to = x0;
      if (d < REACH) span.outer = x0;
      continue;
    }
    const near = (-REACH - d) / a - 0.5;
    const far = (REACH - d) / a - 0.5;
    if (a > 0) {
      span.from = Math.max(span.from, Math.ceil(near));
      span.inner = Math.max(span.inner, Math.ceil(far));
    } else {
      span.to = Math.min(span.to, Math.floor(near) + 1);
      span.outer = Math.min(span.outer, Math.floor(far) + 1);
    }
  }
  span.outer = Math.min(span.outer, span.to);
  return span;
}

/** Share of a pixel that lies within all half-planes, taken along the nearest edge's normal. */
function coverOf(edges: readonly (readonly number[])[], x: number, y: number): number {
  let least = 1;
  for (let e = 0; e < edges.length; e++) least = Math.min(least, edges[e][0] * x + edges[e][1] * y + edges[e][2] + 0.5);
  return Math.max(0, least);
}
