import type { Point } from './geometry';
import { type Path, eachOp } from './path';

/** Every contour of a path as points; curves in `steps` pieces, a closed one ends where it began. */
export function contoursOf(path: Path, steps = 24): Point[][] {
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
      for (let s = 1; s <= steps; s++) {
        const [t, u] = [s / steps, 1 - s / steps];
        const [a, b, c, d] =
          code === 2 ? [u * u, 2 * u * t, 0, t * t] : [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
        const [qx, qy] = code === 2 ? [0, 0] : [o[i + 2], o[i + 3]];
        now.push({ x: a * x0 + b * o[i] + c * qx + d * o[end], y: a * y0 + b * o[i + 1] + c * qy + d * o[end + 1] });
      }
    }
  });
  return contours;
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
