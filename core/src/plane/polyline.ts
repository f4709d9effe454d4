import type { Point, Rect } from './geometry';
import { type Path, eachOp } from './path';

/** A path of straight pieces, measured: `at` gives the place and direction after a length (px), beyond the ends straight on. */
export type Polyline = {
  readonly points: readonly Point[];
  readonly length: number;
  at(length: number): { point: Point; angleRad: number };
};

export function polyline(points: readonly Point[]): Polyline {
  const lengths = [0];
  for (let i = 1; i < points.length; i++) {
    lengths.push(lengths[i - 1] + Math.hypot(points[i].x - points[i - 1].x, points[i].y - points[i - 1].y));
  }
  const length = lengths[lengths.length - 1];
  const at = (wanted: number): { point: Point; angleRad: number } => {
    let low = 0;
    let high = points.length - 2;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (lengths[middle] <= wanted) low = middle;
      else high = middle - 1;
    }
    const a = points[Math.max(0, low)];
    const b = points[Math.max(0, low) + 1] ?? a;
    const step = Math.max(1e-9, lengths[low + 1] - lengths[low]);
    const t = (wanted - lengths[low]) / step;
    return {
      point: { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t },
      angleRad: Math.atan2(b.y - a.y, b.x - a.x),
    };
  };
  return { points, length, at };
}

/** The length along a line at which it comes nearest to a point, px. */
export function nearestAlong({ points }: Polyline, to: Point): number {
  let best = { away: Infinity, length: 0 };
  let length = 0;
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const long = Math.hypot(dx, dy);
    const t = long === 0 ? 0 : Math.min(1, Math.max(0, ((to.x - a.x) * dx + (to.y - a.y) * dy) / (long * long)));
    const away = Math.hypot(to.x - a.x - t * dx, to.y - a.y - t * dy);
    if (away < best.away) best = { away, length: length + t * long };
    length += long;
  }
  return best.length;
}

/** Points along the first contour of a path; curves in `steps` pieces. */
export function flatten(path: Path, steps = 24): Point[] {
  const points: Point[] = [];
  const o = path.ops;
  let done = false;
  let x = 0;
  let y = 0;
  eachOp(path, (code, i) => {
    if (done) return;
    if (code === 0) {
      if (points.length > 0) done = true;
      else points.push({ x: (x = o[i]), y: (y = o[i + 1]) });
    } else if (code === 1) points.push({ x: (x = o[i]), y: (y = o[i + 1]) });
    else if (code === 2 || code === 3) {
      const [x0, y0] = [x, y];
      const end = code === 2 ? i + 2 : i + 4;
      for (let s = 1; s <= steps; s++) {
        const t = s / steps;
        const u = 1 - t;
        const [a, b, c, d] =
          code === 2 ? [u * u, 2 * u * t, 0, t * t] : [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
        const [qx, qy] = code === 2 ? [0, 0] : [o[i + 2], o[i + 3]];
        points.push({ x: a * x0 + b * o[i] + c * qx + d * o[end], y: a * y0 + b * o[i + 1] + c * qy + d * o[end + 1] });
      }
      x = o[end];
      y = o[end + 1];
    } else if (code === 4 && points.length > 0) points.push(points[0]);
  });
  return points;
}

/**
 * An arc over a chord of the given width, in reading direction, its ends at the bottom corners for an upward bend.
 * bend -1..1: half a circle at the ends of the range, straight at 0.
 */
export function arcBaseline(area: Rect, bend: number): Polyline {
  const half = (Math.abs(bend) * Math.PI) / 2;
  if (half < 0.01) {
    const y = area.y + area.height;
    return polyline([
      { x: area.x, y },
      { x: area.x + area.width, y },
    ]);
  }
  const radius = area.width / 2 / Math.sin(half);
  const up = bend > 0 ? -1 : 1;
  const cx = area.x + area.width / 2;
  const points: Point[] = [];
  for (let i = 0; i <= 64; i++) {
    const a = -half + (2 * half * i) / 64;
    points.push({
      x: cx + radius * Math.sin(a),
      y: area.y + area.height + up * radius * (Math.cos(a) - Math.cos(half)),
    });
  }
  return polyline(points);
}
