import type { Point } from './geometry';

/**
 * 3x3 projective map in row order: (x, y) -> ((h0 x + h1 y + h2) / w, (h3 x + h4 y + h5) / w), w = h6 x + h7 y + h8.
 * Scaled so that its largest entry is 1 or -1; h8 may be 0, where the origin goes to infinity.
 */
export type Homography = readonly number[];

/** The map from the unit square's corners (0,0), (1,0), (1,1), (0,1) to a quadrilateral (Heckbert 1989, 2.2.3). */
function fromUnitSquare([p0, p1, p2, p3]: readonly Point[]): number[] | null {
  const dx1 = p1.x - p2.x;
  const dx2 = p3.x - p2.x;
  const dy1 = p1.y - p2.y;
  const dy2 = p3.y - p2.y;
  const det = dx1 * dy2 - dx2 * dy1;
  if (det === 0) return null;
  const sx = p0.x - p1.x + p2.x - p3.x;
  const sy = p0.y - p1.y + p2.y - p3.y;
  const g = (sx * dy2 - dx2 * sy) / det;
  const h = (dx1 * sy - sx * dy1) / det;
  return [
    p1.x - p0.x + g * p1.x,
    p3.x - p0.x + h * p3.x,
    p0.x,
    p1.y - p0.y + g * p1.y,
    p3.y - p0.y + h * p3.y,
    p0.y,
    g,
    h,
    1,
  ];
}

/** The inverse up to scale, which is all a projective map needs. */
function adjugate(m: readonly number[]): number[] {
  const [a, b, c, d, e, f, g, h, i] = m;
  return [
    e * i - f * h,
    c * h - b * i,
    b * f - c * e,
    f * g - d * i,
    a * i - c * g,
    c * d - a * f,
    d * h - e * g,
    b * g - a * h,
    a * e - b * d,
  ];
}

function product(m: readonly number[], n: readonly number[]): number[] {
  return Array.from({ length: 9 }, (_, k) => {
    const row = Math.floor(k / 3) * 3;
    const col = k % 3;
    return m[row] * n[col] + m[row + 1] * n[col + 3] + m[row + 2] * n[col + 6];
  });
}

/** Whether three of the four points lie on one line, as near as doubles can tell. */
function degenerate(points: readonly Point[]): boolean {
  return points.some((_, i) => {
    const [a, b, c] = [points[i], points[(i + 1) % 4], points[(i + 2) % 4]];
    const area = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y);
    const size = Math.hypot(b.x - a.x, b.y - a.y) * Math.hypot(c.x - a.x, c.y - a.y);
    return Math.abs(area) <= 1e-12 * size;
  });
}

/** The map that takes four points to four others, or null where three of either are collinear. */
export function homography(from: readonly Point[], to: readonly Point[]): Homography | null {
  if (degenerate(from) || degenerate(to)) return null;
  const source = fromUnitSquare(from);
  const target = fromUnitSquare(to);
  if (!source || !target) return null;
  const h = product(target, adjugate(source));
  const most = Math.max(...h.map(Math.abs));
  return h.map((v) => v / most);
}

export function project(h: Homography, p: Point): Point {
  const w = h[6] * p.x + h[7] * p.y + h[8];
  return { x: (h[0] * p.x + h[1] * p.y + h[2]) / w, y: (h[3] * p.x + h[4] * p.y + h[5]) / w };
}
