import { type Raster, raster } from '../pixels';
import { type Point, type Rect, homography } from '../plane';
import { type Filter, type LightGrid, type Shader, type Surface, type Textures, surfaceBy, warped } from '../warp';
import { type Sheet, outlineOf, piecesOf } from './sheet';

/** A pixel whose centre is farther than this from the outline is wholly in or wholly out. */
const REACH = 0.7072;

const moved = (points: readonly Point[], { x, y }: Rect): Point[] => points.map((p) => ({ x: p.x - x, y: p.y - y }));

/** Where a polygon's sides cross the middle of a row, in order. Sides that polygons share are crossed at the same place. */
function crossings(polygon: readonly Point[], y: number): number[] {
  const found: number[] = [];
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length];
    const [p, q] = a.y < b.y || (a.y === b.y && a.x < b.x) ? [a, b] : [b, a];
    if (p.y <= y && y < q.y) found.push(p.x + ((y - p.y) / (q.y - p.y)) * (q.x - p.x));
  });
  return found.sort((a, b) => a - b);
}

/** Calls back with the runs from..to of pixels whose centres are in a polygon. */
function runs(
  polygon: readonly Point[],
  { width, height }: Rect,
  each: (y: number, from: number, to: number) => void,
): void {
  const ys = polygon.map((p) => p.y);
  const [y0, y1] = [Math.max(0, Math.floor(Math.min(...ys) - 0.5)), Math.min(height, Math.ceil(Math.max(...ys) + 0.5))];
  for (let y = y0; y < y1; y++) {
    const xs = crossings(polygon, y + 0.5);
    for (let i = 0; i + 1 < xs.length; i += 2) {
      const [from, to] = [Math.max(0, Math.ceil(xs[i] - 0.5)), Math.min(width, Math.ceil(xs[i + 1] - 0.5))];
      if (from < to) each(y, from, to);
    }
  }
}

/** Calls back with pixels near an outline (clockwise as seen), the side they are near, and the share of them within it. */
function rim(
  outline: readonly Point[],
  { width, height }: Rect,
  each: (at: number, side: number, share: number) => void,
): void {
  outline.forEach((p, side) => {
    const q = outline[(side + 1) % outline.length];
    const l = Math.hypot(q.x - p.x, q.y - p.y);
    if (l === 0) return;
    const [dx, dy] = [(q.x - p.x) / l, (q.y - p.y) / l];
    const y1 = Math.min(height, Math.ceil(Math.max(p.y, q.y) + 1));
    for (let y = Math.max(0, Math.floor(Math.min(p.y, q.y) - 1)); y < y1; y++) {
      // Along a row the side is crossed within a band as wide as it is slanted.
      const [lx, rx] =
        Math.abs(dy) < 1e-6 ? [Math.min(p.x, q.x), Math.max(p.x, q.x)] : band(p, dx / dy, y + 0.5, Math.abs(1.5 / dy));
      const from = Math.max(0, Math.floor(Math.max(Math.min(p.x, q.x), lx) - 1));
      const to = Math.min(width, Math.ceil(Math.min(Math.max(p.x, q.x), rx) + 1));
      for (let x = from; x < to; x++) {
        const [ex, ey] = [x + 0.5 - p.x, y + 0.5 - p.y];
        const along = ex * dx + ey * dy;
        const inside = ey * dx - ex * dy;
        if (Math.abs(inside) > REACH || along < -REACH || along > l + REACH) continue;
        each(y * width + x, side, Math.min(1, Math.max(0, inside + 0.5)));
      }
    }
  });
}

function band(p: Point, slant: number, y: number, half: number): [number, number] {
  const x = p.x + (y - p.y) * slant;
  return [x - half, x + half];
}

/** Share of each pixel of a region that a face covers, 0..255. */
export function coverageOf(sheet: Sheet, region: Rect): Uint8Array {
  const cover = new Uint8Array(region.width * region.height);
  const outline = moved(outlineOf(sheet), region);
  runs(outline, region, (y, from, to) => cover.fill(255, y * region.width + from, y * region.width + to));
  const least = new Map<number, number>();
  rim(outline, region, (at, _, share) => least.set(at, Math.min(share, least.get(at) ?? 1)));
  for (const [at, share] of least) cover[at] = 255 * share + 0.5;
  return cover;
}

/**
 * A texture on a face, as straight-alpha sRGB of a region of the photograph (whole px), antialiased at the outline, in
 * `light` that lies over the whole face; `tones` as a shader wants them. null where a piece of the face is degenerate.
 */
export function laid(
  textures: Textures,
  name: string,
  sheet: Sheet,
  region: Rect,
  filter: Filter,
  shader: Shader,
  light: LightGrid,
  tones: Uint8Array,
): Raster | null {
  const { width, height } = region;
  if (sheet.pieces === 1)
    return warped(textures, name, moved(sheet.corners, region), width, height, filter, shader, light, tones);
  const texture = textures.byName.get(name) ?? null;
  const n = sheet.pieces;
  const quads = piecesOf(sheet).map((quad) => moved(quad, region));
  const surfaces: Surface[] = [];
  for (const [k, quad] of quads.entries()) {
    const [u, v] = [(k % n) / n, Math.floor(k / n) / n];
    const [u1, v1] = [((k % n) + 1) / n, (Math.floor(k / n) + 1) / n];
    const h = homography(quad, [
      { x: u, y: v },
      { x: u1, y: v },
      { x: u1, y: v1 },
      { x: u, y: v1 },
    ]);
    if (!h) return null;
    surfaces.push(surfaceBy(h, texture, light));
  }
  const owner = new Int16Array(width * height).fill(-1);
  quads.forEach((quad, k) => runs(quad, region, (y, from, to) => owner.fill(k, y * width + from, y * width + to)));
  const out = raster(width, height);
  const least = new Map<number, number>();
  rim(moved(outlineOf(sheet), region), region, (at, side, share) => {
    if (share === 0) owner[at] = -1;
    else if (owner[at] < 0) owner[at] = pieceAt(side, n);
    least.set(at, Math.min(share, least.get(at) ?? 1));
  });
  shader.place(surfaces, filter);
  const { sums, bytes } = shader.room(width, width);
  for (let y = 0; y < height; y++) {
    const row = owner.subarray(y * width, (y + 1) * width);
    for (let x = 0; x < width;) {
      const k = row[x];
      let to = x + 1;
      while (to < width && row[to] === k) to++;
      if (k >= 0) {
        sums.fill(0, x * 4, to * 4);
        shader.shade(k, x + 0.5, y + 0.5, to - x, 1, sums, x * 4);
        shader.encode(sums, x * 4, to - x, tones, bytes, x * 4);
        out.data.set(bytes.subarray(x * 4, to * 4), (y * width + x) * 4);
      }
      x = to;
    }
  }
  for (const [at, share] of least) if (owner[at] >= 0) out.data[at * 4 + 3] = 255 * share + 0.5;
  return out;
}

/** The piece behind a side of the outline, counted as the outline is. */
function pieceAt(side: number, n: number): number {
  const i = side % n;
  switch (Math.floor(side / n)) {
    case 0:
      return i;
    case 1:
      return i * n + n - 1;
    case 2:
      return (n - 1) * n + n - 1 - i;
    default:
      return (n - 1 - i) * n;
  }
}
