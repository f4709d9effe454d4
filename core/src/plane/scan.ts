import type { Point } from './geometry';
import { type Path, eachOp } from './path';

/**
 * Every contour of a path as points; curves in `steps` pieces, or in as many as the length of their handles asks for. A closed
 * one ends where it began.
 */
export function contoursOf(path: Path, steps: number | ((length: number) => number) = 24): Point[][] {
  const contours: Point[][] = [];
  const o = path.ops;
  let now: Point[] = [];
  eachOp(path, (code, i) => {
    if (code === 0) contours.push((now = [{ x: o[i], y: o[i + 1] }]));
    else if (code === 1) now.push({ x: o[i], y: o[i + 1] });
    else if (code === 4) now.push(now[0]);
    else {
      const { x: x0, y: y0 } = now[now.length - 1];
      const end = code === 2 ? i + 2 : i + 4;
      const pieces = typeof steps === 'number' ? steps : steps(handles(o, i, end, x0, y0));
      for (let s = 1; s <= pieces; s++) {
        const [t, u] = [s / pieces, 1 - s / pieces];
        const [a, b, c, d] =
          code === 2 ? [u * u, 2 * u * t, 0, t * t] : [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
        const [qx, qy] = code === 2 ? [0, 0] : [o[i + 2], o[i + 3]];
        now.push({ x: a * x0 + b * o[i] + c * qx + d * o[end], y: a * y0 + b * o[i + 1] + c * qy + d * o[end + 1] });
      }
    }
  });
  return contours;
}

/** From a curve's start by way of its handles to its end: never shorter than the curve. */
function handles(o: readonly number[], from: number, end: number, x: number, y: number): number {
  let length = 0;
  let [px, py] = [x, y];
  for (let k = from; k <= end; k += 2) {
    length += Math.hypot(o[k] - px, o[k + 1] - py);
    [px, py] = [o[k], o[k + 1]];
  }
  return length;
}

/** Where a level line enters and leaves contours (even-odd), pairs from left to right. */
export function crossingsAt(contours: readonly (readonly Point[])[], y: number): (readonly [number, number])[] {
  const xs: number[] = [];
  for (const points of contours) {
    points.forEach((p, i) => {
      const q = points[(i + 1) % points.length];
      if (p.y <= y === q.y <= y) return;
      xs.push(p.x + ((y - p.y) / (q.y - p.y)) * (q.x - p.x));
    });
  }
  xs.sort((a, b) => a - b);
  return Array.from({ length: xs.length >> 1 }, (_, i) => [xs[2 * i], xs[2 * i + 1]] as const);
}
