import { fitCurve } from './fit-curve';
import type { Point } from './geometry';
import { type Path, PathBuilder } from './path';
import { polyline } from './polyline';

/** Distance of points along the outline, px. */
const SPACING = 0.8;
const CALM_ROUNDS = 4;
/** How far along the outline its direction is taken before and after a point, as a number of points. */
const WINDOW = 5;
/** Most that the outline turns beside a corner, as a share of what it turns there. */
const CORNER_SHARE = 0.7;
/** How far a corner may be put from where the outline was seen to round it. */
const CORNER_REACH = 2.5;

const toward = (p: Point, q: Point): number => Math.atan2(q.y - p.y, q.x - p.x);
const between = (a: number, b: number): number => {
  const d = Math.abs(a - b) % (2 * Math.PI);
  return d > Math.PI ? 2 * Math.PI - d : d;
};

/**
 * A closed outline, about a point each pixel, as few straight lines and smooth cubics: corners where it turns by more than
 * `cornerRad` stay corners, and nothing is further than `tolerance` from the points.
 */
export function fitRing(input: readonly Point[], tolerance: number, cornerRad: number): Path | null {
  const points = evenly(input);
  const n = points.length;
  if (n < 3) return null;
  const corners = cornersOf(points, cornerRad);
  const builder = new PathBuilder();
  if (corners.length === 0) {
    // Without a corner it may begin anywhere, and leaves there as it comes in.
    const calm = calmed(points, true);
    const round = [...calm, calm[0]];
    const reach = Math.min(WINDOW, n >> 2) || 1;
    const [before, after] = [calm[n - reach], calm[reach]];
    const along = { x: after.x - before.x, y: after.y - before.y };
    const back = { x: -along.x, y: -along.y };
    builder.move(round[0].x, round[0].y);
    for (const { b, c, d } of fitCurve(round, tolerance, { first: along, last: back }))
      builder.cubic(b.x, b.y, c.x, c.y, d.x, d.y);
    return builder.close().done();
  }
  const sharp = new Map(corners.map((i) => [i, sharpened(points, i)]));
  const start = sharp.get(corners[0])!;
  builder.move(start.x, start.y);
  corners.forEach((from, k) => {
    const to = corners[(k + 1) % corners.length];
    const piece: Point[] = [sharp.get(from)!];
    // Right beside a corner the outline is already rounded.
    const steps = (to - from + n - 1) % n;
    for (let s = 1; s <= steps; s++) if (s > 1 && s < steps) piece.push(points[(from + s) % n]);
    const end = sharp.get(to)!;
    piece.push(end);
    if (isStraight(piece, tolerance)) return void builder.line(end.x, end.y);
    for (const { b, c, d } of fitCurve(calmed(piece, false), tolerance)) builder.cubic(b.x, b.y, c.x, c.y, d.x, d.y);
  });
  return builder.close().done();
}

/** The same outline with points at even distances of about a pixel. */
function evenly(ring: readonly Point[]): Point[] {
  const line = polyline([...ring, ring[0]]);
  const count = Math.round(line.length / SPACING);
  if (count < 3) return [];
  return Array.from({ length: count }, (_, i) => line.at((i * line.length) / count).point);
}

/** Points a little nearer to the middle of their neighbours: what the grid of pixels put in goes, and no curve shrinks to be seen. */
function calmed(points: readonly Point[], closed: boolean): Point[] {
  let now = [...points];
  const n = now.length;
  for (let round = 0; round < CALM_ROUNDS; round++)
    now = now.map((p, i) => {
      if (!closed && (i === 0 || i === n - 1)) return p;
      const [a, b] = [now[(i + n - 1) % n], now[(i + 1) % n]];
      return { x: (a.x + 2 * p.x + b.x) / 4, y: (a.y + 2 * p.y + b.y) / 4 };
    });
  return now;
}

/** Points at which the outline turns sharply: of neighbouring ones the sharpest. */
function cornersOf(points: readonly Point[], cornerRad: number): number[] {
  const n = points.length;
  const window = Math.min(WINDOW, Math.floor(n / 4));
  if (window < 1) return points.map((_, i) => i);
  const at = (i: number): Point => points[(i + n) % n];
  const turn = points.map((p, i) => between(toward(at(i - window), p), toward(p, at(i + window))));
  return turn.flatMap((angle, i) => {
    if (angle < cornerRad) return [];
    // A small circle turns everywhere alike; a corner turns more than what lies on one of its sides.
    const aside = Math.min(turn[(i - 2 * window + 2 * n) % n], turn[(i + 2 * window) % n]);
    if (aside > angle * CORNER_SHARE) return [];
    for (let k = 1; k <= window; k++) {
      const [before, after] = [turn[(i - k + n) % n], turn[(i + k) % n]];
      if (before >= angle || after > angle) return [];
    }
    return [i];
  });
}

/** Where the lines before and after a corner would meet, if that is near. */
function sharpened(points: readonly Point[], i: number): Point {
  const n = points.length;
  const at = (k: number): Point => points[(i + k + 2 * n) % n];
  const reach = Math.min(6, Math.floor(n / 4));
  if (reach < 4) return points[i];
  const [a, b, c, d] = [at(-reach), at(-2), at(2), at(reach)];
  const [ux, uy, vx, vy] = [b.x - a.x, b.y - a.y, d.x - c.x, d.y - c.y];
  const cross = ux * vy - uy * vx;
  if (Math.abs(cross) < 1e-6) return points[i];
  const t = ((c.x - a.x) * vy - (c.y - a.y) * vx) / cross;
  const met = { x: a.x + ux * t, y: a.y + uy * t };
  return Math.hypot(met.x - points[i].x, met.y - points[i].y) <= CORNER_REACH ? met : points[i];
}

function isStraight(piece: readonly Point[], tolerance: number): boolean {
  const [a, b] = [piece[0], piece[piece.length - 1]];
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (length < 1e-9) return piece.every((p) => Math.hypot(p.x - a.x, p.y - a.y) <= tolerance);
  return piece.every((p) => Math.abs((p.x - a.x) * (b.y - a.y) - (p.y - a.y) * (b.x - a.x)) / length <= tolerance);
}
