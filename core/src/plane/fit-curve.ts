import type { Point } from './geometry';

/** One cubic from `a` to `d` by way of the handles `b` and `c`. */
export type Cubic = { readonly a: Point; readonly b: Point; readonly c: Point; readonly d: Point };

const sub = (p: Point, q: Point): Point => ({ x: p.x - q.x, y: p.y - q.y });
const add = (p: Point, q: Point): Point => ({ x: p.x + q.x, y: p.y + q.y });
const times = (p: Point, k: number): Point => ({ x: p.x * k, y: p.y * k });
const dot = (p: Point, q: Point): number => p.x * q.x + p.y * q.y;
const unitOf = (p: Point): Point => {
  const length = Math.hypot(p.x, p.y);
  return length > 1e-12 ? times(p, 1 / length) : { x: 1, y: 0 };
};

export const pointOn = ({ a, b, c, d }: Cubic, t: number): Point => {
  const u = 1 - t;
  const [k0, k1, k2, k3] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
  return { x: k0 * a.x + k1 * b.x + k2 * c.x + k3 * d.x, y: k0 * a.y + k1 * b.y + k2 * c.y + k3 * d.y };
};

/**
 * Few smooth cubics through a freehand stroke, none further than `tolerance` from a point of it
 * (Schneider, "An algorithm for automatically fitting digitized curves", Graphics Gems 1990).
 * Fewer than two different points give none. `ends` says in which directions it leaves its first and last point.
 */
export function fitCurve(
  points: readonly Point[],
  tolerance: number,
  ends?: { readonly first: Point; readonly last: Point },
): Cubic[] {
  const clean = points.filter((p, i) => i === 0 || Math.hypot(p.x - points[i - 1].x, p.y - points[i - 1].y) > 1e-6);
  if (clean.length < 2) return [];
  const n = clean.length;
  const first = unitOf(ends?.first ?? sub(clean[Math.min(3, n - 1)], clean[0]));
  const last = unitOf(ends?.last ?? sub(clean[Math.max(0, n - 4)], clean[n - 1]));
  return fitPiece(clean, first, last, tolerance);
}

function fitPiece(points: readonly Point[], t1: Point, t2: Point, tolerance: number): Cubic[] {
  const n = points.length;
  if (n === 2) {
    const reach = Math.hypot(points[1].x - points[0].x, points[1].y - points[0].y) / 3;
    return [{ a: points[0], b: add(points[0], times(t1, reach)), c: add(points[1], times(t2, reach)), d: points[1] }];
  }
  let at = chordPlaces(points);
  for (let round = 0; round < 6; round++) {
    const curve = leastSquares(points, at, t1, t2);
    const { error, where } = furthest(points, curve, at);
    if (error <= tolerance) return [curve];
    if (round === 5 || error > tolerance * 16) {
      const near = Math.max(1, Math.min(4, where, n - 1 - where));
      const centre = unitOf(sub(points[where - near], points[where + near]));
      return [
        ...fitPiece(points.slice(0, where + 1), t1, centre, tolerance),
        ...fitPiece(points.slice(where), times(centre, -1), t2, tolerance),
      ];
    }
    at = at.map((t, i) => nearer(curve, points[i], t));
  }
  return [];
}

function chordPlaces(points: readonly Point[]): number[] {
  const at = [0];
  for (let i = 1; i < points.length; i++) {
    at.push(at[i - 1] + Math.hypot(points[i].x - points[i - 1].x, points[i].y - points[i - 1].y));
  }
  const whole = at[at.length - 1] || 1;
  return at.map((v) => v / whole);
}

function leastSquares(points: readonly Point[], at: readonly number[], t1: Point, t2: Point): Cubic {
  const a = points[0];
  const d = points[points.length - 1];
  let [c00, c01, c11, x0, x1] = [0, 0, 0, 0, 0];
  points.forEach((p, i) => {
    const t = at[i];
    const u = 1 - t;
    const b1 = 3 * u * u * t;
    const b2 = 3 * u * t * t;
    const p1 = times(t1, b1);
    const p2 = times(t2, b2);
    const rest = sub(p, add(times(a, u * u * u + b1), times(d, t * t * t + b2)));
    c00 += dot(p1, p1);
    c01 += dot(p1, p2);
    c11 += dot(p2, p2);
    x0 += dot(p1, rest);
    x1 += dot(p2, rest);
  });
  const determinant = c00 * c11 - c01 * c01;
  const chord = Math.hypot(d.x - a.x, d.y - a.y);
  let l1 = Math.abs(determinant) > 1e-12 ? (x0 * c11 - x1 * c01) / determinant : 0;
  let l2 = Math.abs(determinant) > 1e-12 ? (c00 * x1 - c01 * x0) / determinant : 0;
  // Handles that point backwards or hardly at all are put at a third of the chord.
  if (l1 < chord * 1e-3 || l2 < chord * 1e-3) l1 = l2 = chord / 3;
  return { a, b: add(a, times(t1, l1)), c: add(d, times(t2, l2)), d };
}

function furthest(points: readonly Point[], curve: Cubic, at: readonly number[]): { error: number; where: number } {
  let error = 0;
  let where = points.length >> 1;
  for (let i = 1; i < points.length - 1; i++) {
    const p = pointOn(curve, at[i]);
    const away = Math.hypot(p.x - points[i].x, p.y - points[i].y);
    if (away > error) [error, where] = [away, i];
  }
  return { error, where };
}

/** One Newton step towards the nearest place on the curve. */
function nearer(curve: Cubic, p: Point, t: number): number {
  const { a, b, c, d } = curve;
  const u = 1 - t;
  const q = pointOn(curve, t);
  const v = add(add(times(sub(b, a), 3 * u * u), times(sub(c, b), 6 * u * t)), times(sub(d, c), 3 * t * t));
  const w = add(times(add(sub(c, times(b, 2)), a), 6 * u), times(add(sub(d, times(c, 2)), b), 6 * t));
  const away = sub(q, p);
  const slope = dot(v, v) + dot(away, w);
  return Math.abs(slope) < 1e-12 ? t : Math.min(1, Math.max(0, t - dot(away, v) / slope));
}
