import type { Point } from '../../plane';
import type { Gradient } from './gradient';
import { type Line, threshold } from './lines';

/** Four lines that enclose a face, and how well the picture bears them out, 0..1. */
export type Quad = { readonly corners: readonly Point[]; readonly score: number };

/** Along a line, px by px from its foot point: how much of it up to there is a step in its own direction. */
type Support = { readonly line: Line; readonly start: number; readonly sums: Float32Array };

const ALIGNED = Math.cos(0.32);
const LEAST_ANGLE = 0.38;

function supportOf(line: Line, g: Gradient, least: number): Support {
  const { width, height, size, angle } = g;
  const reach = Math.ceil(Math.hypot(width, height));
  const sums = new Float32Array(2 * reach + 1);
  const [dx, dy] = [-line.ny, line.nx];
  const [fx, fy] = [line.nx * line.c, line.ny * line.c];
  // The foot of the normal may lie far off: lengths are measured from the point nearest to the picture's middle.
  const start = (width / 2 - fx) * dx + (height / 2 - fy) * dy - reach;
  for (let i = 0; i < sums.length - 1; i++) {
    const t = start + i + 0.5;
    let there = 0;
    for (let k = -1; k <= 1; k++) {
      const [x, y] = [Math.floor(fx + dx * t + line.nx * k), Math.floor(fy + dy * t + line.ny * k)];
      if (x < 0 || y < 0 || x >= width || y >= height) continue;
      const p = y * width + x;
      if (size[p] < least) continue;
      if (Math.abs(Math.cos(angle[p]) * line.nx + Math.sin(angle[p]) * line.ny) > ALIGNED) there = 1;
    }
    sums[i + 1] = sums[i] + there;
  }
  return { line, start, sums };
}

const alongOf = ({ line, start }: Support, p: Point): number => p.x * -line.ny + p.y * line.nx - start;

/** Share of the line between two places that is a step. */
function share({ sums }: Support, from: number, to: number): number {
  const [a, b] = [Math.min(from, to), Math.max(from, to)].map((t) =>
    Math.min(sums.length - 1, Math.max(0, Math.round(t))),
  );
  return b > a ? (sums[b] - sums[a]) / (b - a) : 0;
}

function meet(a: Line, b: Line): Point | null {
  const det = a.nx * b.ny - a.ny * b.nx;
  if (Math.abs(det) < Math.sin(LEAST_ANGLE)) return null;
  return { x: (a.c * b.ny - b.c * a.ny) / det, y: (a.nx * b.c - b.nx * a.c) / det };
}

/** Area of a quadrilateral whose corners go round clockwise as seen. */
export const areaOf = (q: readonly Point[]): number =>
  q.reduce((sum, p, i) => sum + p.x * q[(i + 1) % 4].y - q[(i + 1) % 4].x * p.y, 0) / 2;

/** Clockwise as seen, the corner at the top left first. */
export function inOrder(quad: readonly Point[]): Point[] {
  const round = areaOf(quad) < 0 ? [...quad].reverse() : [...quad];
  const cx = round.reduce((sum, p) => sum + p.x, 0) / 4;
  const cy = round.reduce((sum, p) => sum + p.y, 0) / 4;
  const first = round.reduce(
    (best, p, i) => (p.x - cx + (p.y - cy) < round[best].x - cx + (round[best].y - cy) ? i : best),
    0,
  );
  return [0, 1, 2, 3].map((i) => round[(first + i) % 4]);
}

/** Faces that lines may enclose, the best borne out first, as far as their sides alone can tell. */
export function quadsOf(lines: readonly Line[], g: Gradient, most: number): Quad[] {
  const least = threshold(g) * 0.7;
  const supports = lines.map((line) => supportOf(line, g, least));
  const pairs: [number, number][] = [];
  for (let i = 0; i < lines.length; i++) {
    for (let j = i + 1; j < lines.length; j++) {
      const turn = Math.abs(lines[i].nx * lines[j].nx + lines[i].ny * lines[j].ny);
      if (turn > Math.cos(0.75)) pairs.push([i, j]);
    }
  }
  const found: Quad[] = [];
  let worst = 0;
  for (let a = 0; a < pairs.length; a++) {
    for (let b = a + 1; b < pairs.length; b++) {
      const [i, k] = pairs[a];
      const [j, l] = pairs[b];
      if (i === j || i === l || k === j || k === l) continue;
      const quad = scored(
        [i, j, k, l].map((n) => supports[n]),
        g,
        worst,
      );
      if (!quad) continue;
      found.push(quad);
      if (found.length < 4 * most) continue;
      found.sort((p, q) => q.score - p.score);
      found.length = most;
      worst = found[most - 1].score;
    }
  }
  return found.sort((p, q) => q.score - p.score).slice(0, most);
}

/** The face between four lines in turn; null where there is none, or none better than `worst`. */
function scored(sides: readonly Support[], { width, height }: Gradient, worst: number): Quad | null {
  const corners: Point[] = [];
  for (let s = 0; s < 4; s++) {
    const p = meet(sides[(s + 3) % 4].line, sides[s].line);
    const [mx, my] = [width * 0.02, height * 0.02];
    if (!p || p.x < -mx || p.y < -my || p.x > width + mx || p.y > height + my) return null;
    corners.push(p);
  }
  const area = areaOf(corners);
  if (Math.abs(area) < 0.015 * width * height) return null;
  const turn = Math.sign(area);
  let [all, past] = [1, 0];
  for (let s = 0; s < 4; s++) {
    const [o, p, q] = [corners[(s + 3) % 4], corners[s], corners[(s + 1) % 4]];
    if (turn * ((p.x - o.x) * (q.y - p.y) - (p.y - o.y) * (q.x - p.x)) <= 0) return null;
    const [from, to] = [alongOf(sides[s], p), alongOf(sides[s], q)];
    const length = Math.abs(to - from);
    if (length < 18) return null;
    all *= Math.max(0.02, share(sides[s], from, to));
    if (all ** 0.25 <= worst) return null;
    // A side of a face ends at its corners; a line of the table goes on.
    const on = Math.max(6, length * 0.12) * Math.sign(to - from);
    past += share(sides[s], from - on, from - on / 4) + share(sides[s], to + on / 4, to + on);
  }
  const score = all ** 0.25 * (1 - 0.035 * past);
  return score > worst ? { corners: inOrder(corners), score } : null;
}
