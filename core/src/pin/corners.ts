import { type Result, fail, ok } from '../base';
import type { Point } from '../plane';

export type Size = { readonly width: number; readonly height: number };

/**
 * Whether corners make a face: convex, in the art's order, with some size, and in the photograph at least in part.
 * Faults: `pin-corners` with what is wrong with them: `count`, `crossed`, `flat` or `outside`.
 */
export function checkCorners(corners: readonly Point[], photo: Size): Result<readonly Point[]> {
  if (corners.length !== 4 || corners.some((p) => !Number.isFinite(p.x) || !Number.isFinite(p.y)))
    return fail('pin-corners', { wrong: 'count' });
  const turns = corners.map((p, i) => {
    const [q, r] = [corners[(i + 1) % 4], corners[(i + 2) % 4]];
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x);
  });
  const sides = corners.map((_, i) => sideOf(corners, i));
  if (sides.some((s) => s < 2) || turns.some((t, i) => Math.abs(t) < 1e-3 * sides[i] * sides[(i + 1) % 4]))
    return fail('pin-corners', { wrong: 'flat' });
  if (!turns.every((t) => t > 0)) return fail('pin-corners', { wrong: 'crossed' });
  const { width, height } = photo;
  const outside =
    corners.every((p) => p.x < 0) ||
    corners.every((p) => p.y < 0) ||
    corners.every((p) => p.x > width) ||
    corners.every((p) => p.y > height);
  return outside ? fail('pin-corners', { wrong: 'outside' }) : ok(corners);
}

/** Length of the side from corner i to the next, px. */
export function sideOf(corners: readonly Point[], i: number): number {
  const [p, q] = [corners[i], corners[(i + 1) % corners.length]];
  return Math.hypot(q.x - p.x, q.y - p.y);
}

type Triple = readonly [number, number, number];
const cross = (a: Triple, b: Triple): Triple => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const dot = (a: Triple, b: Triple): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** Where the lens cannot be told from the corners: about that of a camera held in the hand, in longer sides of the picture. */
const USUAL_LENS = 1.1;

/**
 * Width to height of the flat rectangle that a camera saw with these corners (Zhang and He 2007, 3.2), its axis in the
 * middle of the photograph. The focal length follows from the corners where they show enough perspective.
 */
export function ratioOf(corners: readonly Point[], photo: Size): number {
  const from = ({ x, y }: Point): Triple => [x - photo.width / 2, y - photo.height / 2, 1];
  const [m1, m2, m4, m3] = corners.map(from);
  const k2 = dot(cross(m1, m4), m3) / dot(cross(m2, m4), m3);
  const k3 = dot(cross(m1, m4), m2) / dot(cross(m3, m4), m2);
  const n2 = m2.map((v, i) => k2 * v - m1[i]);
  const n3 = m3.map((v, i) => k3 * v - m1[i]);
  const side = Math.max(photo.width, photo.height);
  const found = -(n2[0] * n3[0] + n2[1] * n3[1]) / (n2[2] * n3[2]);
  const clear = Math.min(Math.abs(n2[2]), Math.abs(n3[2])) > 0.02;
  const lens = clear && found > (0.4 * side) ** 2 && found < (8 * side) ** 2 ? found : (USUAL_LENS * side) ** 2;
  const length = (n: readonly number[]): number => Math.sqrt((n[0] * n[0] + n[1] * n[1]) / lens + n[2] * n[2]);
  return length(n2) / length(n3);
}
