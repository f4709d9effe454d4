import { type Point, homography, project } from '../../plane';
import { SQUARE } from '../sheet';
import type { Gradient } from './gradient';

const STEPS = 22;

/**
 * How much a quadrilateral looks like a blank face: even within but for a slope of the light, and unlike what lies
 * outside its sides. 0..1 each; `sides` is the worst side's share that differs.
 */
export type Blankness = { readonly even: number; readonly apart: number; readonly sides: number };

export function blanknessOf(
  quad: readonly Point[],
  channels: readonly Float32Array[],
  g: Gradient,
  least: number,
): Blankness {
  const { width, height, size } = g;
  const h = homography(SQUARE, quad);
  if (!h) return { even: 0, apart: 0, sides: 0 };
  const at = (u: number, v: number): number => {
    const p = project(h, { x: u, y: v });
    const [x, y] = [Math.floor(p.x), Math.floor(p.y)];
    return x < 0 || y < 0 || x >= width || y >= height ? -1 : y * width + x;
  };
  let [seen, calm] = [0, 0];
  for (let j = 0; j < STEPS; j++) {
    for (let i = 0; i < STEPS; i++) {
      const p = at(0.07 + (0.86 * (i + 0.5)) / STEPS, 0.07 + (0.86 * (j + 0.5)) / STEPS);
      if (p < 0) continue;
      seen++;
      if (size[p] < least) calm++;
    }
  }
  const parts = quad.map((p, s) => {
    const q = quad[(s + 1) % 4];
    const l = Math.hypot(q.x - p.x, q.y - p.y);
    const [nx, ny] = [-(q.y - p.y) / l, (q.x - p.x) / l];
    const read = (t: number, off: number): number[] | null => {
      const [x, y] = [Math.floor(p.x + (q.x - p.x) * t + nx * off), Math.floor(p.y + (q.y - p.y) * t + ny * off)];
      return x < 0 || y < 0 || x >= width || y >= height ? null : channels.map((c) => c[y * width + x]);
    };
    // A difference has a direction: over a side that is whole, it is the same nearly everywhere.
    const steps: number[][] = [];
    for (let k = 1; k < 24; k++) {
      // Beyond a crease the face goes on: of places near and farther off, those that are most alike count.
      const [inside, outside] = [
        [3, 8],
        [-3, -8],
      ].map((offs) => offs.flatMap((off) => [read(k / 24, off)].filter((v) => v !== null)));
      const pairs = inside.flatMap((i) => outside.map((o) => i.map((v, c) => v - o[c])));
      if (pairs.length > 0) steps.push(pairs.reduce((a, d) => (Math.hypot(...d) < Math.hypot(...a) ? d : a)));
    }
    if (steps.length < 8) return 0;
    const mid = channels.map((_, c) => steps.map((d) => d[c]).sort((a, b) => a - b)[steps.length >> 1]);
    const norm = Math.hypot(...mid);
    if (norm < 4) return 0;
    return steps.filter((d) => d.reduce((sum, v, c) => sum + v * mid[c], 0) / norm > 0.35 * norm).length / steps.length;
  });
  const apart = parts.reduce((sum, v) => sum + v, 0) / 4;
  return { even: seen > 0 ? calm / seen : 0, apart, sides: Math.min(...parts) };
}
