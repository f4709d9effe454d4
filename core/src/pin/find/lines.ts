import type { Gradient } from './gradient';

/** A straight step in a picture: the line nx * x + ny * y = c, and how much of it was seen. */
export type Line = { readonly nx: number; readonly ny: number; readonly c: number; readonly seen: number };

/** `weight` is its length, more for a high step: the grain of a table has many long faint ones. */
type Segment = {
  x: number;
  y: number;
  nx: number;
  ny: number;
  from: number;
  to: number;
  length: number;
  weight: number;
};

/** Pixels whose directions differ by less than this belong together (Grompone von Gioi 2010). */
const ALIKE = Math.PI / 8;
const LEAST_LENGTH = 12;
/** Directions of lines are told apart in so many steps of half a turn. */
const WAYS = 7;
/** A step of this many codes a px is as good as any higher one. */
const HIGH = 14;

/** Least steepness that counts as a step: above what three quarters of the picture have, and above noise. */
export function threshold({ size }: Gradient): number {
  const some = Float32Array.from({ length: 4000 }, (_, i) => size[Math.floor((i * size.length) / 4000)]).sort();
  return Math.max(1.6, Math.min(7, some[Math.floor(some.length * 0.75)] * 1.3));
}

/** Straight steps, by growing regions of pixels that are steep in one direction. */
function segments(g: Gradient, least: number): Segment[] {
  const { width, height, size, angle } = g;
  const used = new Uint8Array(size.length);
  const order: number[] = [];
  for (let p = 0; p < size.length; p++) if (size[p] > least) order.push(p);
  order.sort((a, b) => size[b] - size[a]);
  const found: Segment[] = [];
  for (const seed of order) {
    if (used[seed]) continue;
    const region = [seed];
    used[seed] = 1;
    let [sx, sy] = [Math.cos(angle[seed]), Math.sin(angle[seed])];
    for (let k = 0; k < region.length; k++) {
      const p = region[k];
      const px = p % width;
      for (let j = -1; j <= 1; j++) {
        for (let i = -1; i <= 1; i++) {
          const q = p + j * width + i;
          if (px + i < 0 || px + i >= width || q < 0 || q >= width * height || used[q] || size[q] <= least) continue;
          const dot = (Math.cos(angle[q]) * sx + Math.sin(angle[q]) * sy) / Math.hypot(sx, sy);
          if (dot < Math.cos(ALIKE)) continue;
          used[q] = 1;
          region.push(q);
          sx += Math.cos(angle[q]);
          sy += Math.sin(angle[q]);
        }
      }
    }
    if (region.length < LEAST_LENGTH) continue;
    const one = fitted(region, g);
    if (one && one.length >= LEAST_LENGTH) found.push(one);
  }
  return found.sort((a, b) => b.weight - a.weight);
}

/** The line through a region by its moments, weighted by steepness; null where it is no line. */
function fitted(region: readonly number[], { width, size }: Gradient): Segment | null {
  let [w, mx, my] = [0, 0, 0];
  for (const p of region) {
    w += size[p];
    mx += size[p] * ((p % width) + 0.5);
    my += size[p] * (Math.floor(p / width) + 0.5);
  }
  mx /= w;
  my /= w;
  let [xx, xy, yy] = [0, 0, 0];
  for (const p of region) {
    const [x, y] = [(p % width) + 0.5 - mx, Math.floor(p / width) + 0.5 - my];
    xx += size[p] * x * x;
    xy += size[p] * x * y;
    yy += size[p] * y * y;
  }
  const along = 0.5 * Math.atan2(2 * xy, xx - yy);
  const [dx, dy] = [Math.cos(along), Math.sin(along)];
  let [from, to, across] = [0, 0, 0];
  for (const p of region) {
    const [x, y] = [(p % width) + 0.5 - mx, Math.floor(p / width) + 0.5 - my];
    const t = x * dx + y * dy;
    from = Math.min(from, t);
    to = Math.max(to, t);
    across += size[p] * (y * dx - x * dy) ** 2;
  }
  // What is not much longer than wide is a blob.
  if (to - from < 3.5 * Math.sqrt(across / w)) return null;
  const weight = (to - from) * Math.min(HIGH, w / region.length);
  return { x: mx, y: my, nx: -dy, ny: dx, from, to, length: to - from, weight };
}

/** Lines, those with the most seen of them first: what lies in one line is one, however often it is interrupted. */
export function linesOf(g: Gradient, most: number): Line[] {
  const all = segments(g, threshold(g));
  const lines: Line[] = [];
  for (const first of all.slice(0, 260)) {
    const near = all.filter((s) => {
      if (Math.abs(s.nx * first.nx + s.ny * first.ny) < 0.999) return false;
      const off = (s.x - first.x) * first.nx + (s.y - first.y) * first.ny;
      const along = Math.abs((s.x - first.x) * -first.ny + (s.y - first.y) * first.nx);
      return Math.abs(off) < Math.min(2.5, 1.2 + (1.5 * along) / Math.max(30, first.length));
    });
    const line = through(near, first);
    if (lines.some((l) => same(l, line, g))) continue;
    lines.push(line);
  }
  // A grained table has many lines of one direction: they must not leave out those of another.
  const perWay = new Map<number, number>();
  const sorted = lines.sort((a, b) => b.seen - a.seen);
  return sorted
    .filter(({ nx, ny }) => {
      const way = Math.round(((Math.atan2(ny, nx) + Math.PI) / Math.PI) * WAYS) % WAYS;
      perWay.set(way, (perWay.get(way) ?? 0) + 1);
      return (perWay.get(way) ?? 0) <= most / 2.5;
    })
    .slice(0, most);
}

/** The line through segments, weighted by their lengths, about the first one. */
function through(near: readonly Segment[], first: Segment): Line {
  let [w, mt, mo] = [0, 0, 0];
  const ends = near.flatMap((s) => {
    const [dx, dy] = [-s.ny, s.nx];
    return [s.from, s.to].map((t) => {
      const [x, y] = [s.x + dx * t - first.x, s.y + dy * t - first.y];
      return { t: x * -first.ny + y * first.nx, o: x * first.nx + y * first.ny, w: s.length };
    });
  });
  for (const e of ends) {
    w += e.w;
    mt += e.w * e.t;
    mo += e.w * e.o;
  }
  mt /= w;
  mo /= w;
  let [tt, to] = [0, 0];
  for (const e of ends) {
    tt += e.w * (e.t - mt) ** 2;
    to += e.w * (e.t - mt) * (e.o - mo);
  }
  const slope = tt > 0 ? to / tt : 0;
  const l = Math.hypot(1, slope);
  // The normal, turned by the slope that was found.
  const nx = (first.nx + slope * first.ny) / l;
  const ny = (first.ny - slope * first.nx) / l;
  const px = first.x - first.ny * mt + first.nx * mo;
  const py = first.y + first.nx * mt + first.ny * mo;
  return { nx, ny, c: nx * px + ny * py, seen: near.reduce((sum, s) => sum + s.weight, 0) };
}

/** Whether two lines are the same within the picture. */
function same(a: Line, b: Line, { width, height }: Gradient): boolean {
  const dot = a.nx * b.nx + a.ny * b.ny;
  if (Math.abs(dot) < 0.9994) return false;
  const sign = Math.sign(dot);
  const at = (l: Line, s: number): number => s * l.c - (s * (l.nx * width)) / 2 - (s * (l.ny * height)) / 2;
  return Math.abs(at(a, 1) - at(b, sign)) < 2.2;
}
