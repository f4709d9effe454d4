import type { Point, Rect } from './geometry';
import type { Path } from './path';
import { contoursOf } from './scan';

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
export const flatten = (path: Path, steps = 24): Point[] => contoursOf(path, steps)[0] ?? [];

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
