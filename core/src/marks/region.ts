import {
  EndType,
  FillRule,
  JoinType,
  areaPaths,
  difference,
  getBoundsPaths,
  inflatePaths,
  intersect,
  union as joined,
} from '@countertype/clipper2-ts';
import {
  type Affine,
  type Path,
  PathBuilder,
  type Point,
  type Rect,
  apply,
  contoursOf,
  fitCurve,
  joinPaths,
} from '../plane';

/** Flat areas as closed rings, holes running the other way round. Clipped on a grid of 1/32 of a unit. */
export type Region = readonly (readonly Point[])[];

export const NOTHING: Region = [];

const GRID = 32;
/** Pieces of a curve, by its length: in a mark about 1000 high none is as long as `STRAIGHT`. */
const piecesOf = (length: number): number => Math.max(8, Math.min(96, Math.ceil(length / 9)));
const STRAIGHT = 20;
/** Points that lie nearer to one another show the grid and not the shape. */
const NEAR = 0.6;
/** A ring turns by more than this only at a corner. */
const CORNER_RAD = 0.35;
const TOLERANCE = 0.3;

const toGrid = (region: Region) =>
  region.map((ring) => ring.map(({ x, y }) => ({ x: Math.round(x * GRID), y: Math.round(y * GRID) })));
const offGrid = (paths: readonly (readonly Point[])[]): Region =>
  paths.map((ring) => ring.map(({ x, y }) => ({ x: x / GRID, y: y / GRID })));

/** What paths cover, by the rule of fonts and SVG: whatever is wound round. */
export const regionOf = (...paths: readonly Path[]): Region =>
  offGrid(joined(toGrid(paths.flatMap((path) => contoursOf(path, piecesOf))), FillRule.NonZero));

export const together = (...all: readonly Region[]): Region => offGrid(joined(toGrid(all.flat()), FillRule.NonZero));

export const without = (a: Region, b: Region): Region =>
  b.length === 0 ? a : offGrid(difference(toGrid(a), toGrid(b), FillRule.NonZero));

export const both = (a: Region, b: Region): Region => offGrid(intersect(toGrid(a), toGrid(b), FillRule.NonZero));

export const rectRegion = (x: number, y: number, width: number, height: number): Region => [
  [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ],
];

/** Larger all round by `by` units, or smaller below 0. */
export const grown = (region: Region, by: number, corners: 'round' | 'sharp' = 'sharp'): Region =>
  offGrid(
    inflatePaths(
      toGrid(region),
      by * GRID,
      corners === 'round' ? JoinType.Round : JoinType.Miter,
      EndType.Polygon,
      3,
      GRID * 0.05,
    ),
  );

/** Square units, holes taken off. */
export const areaOf = (region: Region): number => Math.abs(areaPaths(toGrid(region))) / GRID ** 2;

/** Whether a ring bounds something full, not a hole. */
export const isFull = (ring: readonly Point[]): boolean => areaPaths(toGrid([ring])) > 0;

export function boxOf(region: Region): Rect {
  if (region.every((ring) => ring.length === 0)) return { x: 0, y: 0, width: 0, height: 0 };
  const { left, top, right, bottom } = getBoundsPaths(toGrid(region));
  return { x: left / GRID, y: top / GRID, width: (right - left) / GRID, height: (bottom - top) / GRID };
}

/** A mapping that mirrors turns the rings about again, so that what was full stays full. */
export function moved(region: Region, by: Affine): Region {
  const mirrors = by[0] * by[3] - by[1] * by[2] < 0;
  return region.map((ring) => {
    const points = ring.map((p) => apply(by, p));
    return mirrors ? points.reverse() : points;
  });
}

/** The smallest convex ring round a region (Andrew's monotone chain). */
export function hullOf(region: Region): Region {
  const points = region.flat().sort((p, q) => p.x - q.x || p.y - q.y);
  const half = (all: readonly Point[]): Point[] => {
    const kept: Point[] = [];
    for (const p of all) {
      while (kept.length > 1 && turn(kept[kept.length - 2], kept[kept.length - 1], p) <= 0) kept.pop();
      kept.push(p);
    }
    return kept.slice(0, -1);
  };
  return points.length < 3 ? [] : [[...half(points), ...half([...points].reverse())]];
}

const turn = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

/** A region as few straight lines and smooth cubics, none further than 0.3 units from it. */
export const outlineOf = (region: Region): Path =>
  joinPaths(region.filter((ring) => ring.length > 2 && areaOf([ring]) > SPECK).map(ringPath));

/** What is smaller than this, square units, is left over from cutting and is no part of a mark. */
const SPECK = 4;

function ringPath(dense: readonly Point[]): Path {
  const ring = thinned(dense);
  const n = ring.length;
  const at = (i: number): Point => ring[((i % n) + n) % n];
  const straight = (i: number): boolean => Math.hypot(at(i + 1).x - at(i).x, at(i + 1).y - at(i).y) > STRAIGHT;
  const bend = (i: number): number => {
    const [p, q, r] = [at(i - 1), at(i), at(i + 1)];
    return Math.abs(Math.atan2(turn(p, q, r), (q.x - p.x) * (r.x - q.x) + (q.y - p.y) * (r.y - q.y)));
  };
  const breaks = ring.flatMap((_, i) => (straight(i) || straight(i - 1) || bend(i) > CORNER_RAD ? [i] : []));
  const b = new PathBuilder();
  const start = breaks[0] ?? 0;
  b.move(at(start).x, at(start).y);
  const smooth = breaks.length === 0;
  const stops = smooth ? [0] : breaks;
  stops.forEach((from, k) => {
    const to = k + 1 < stops.length ? stops[k + 1] : stops[0] + n;
    const end = at(to);
    if (to - from === 1) return void b.line(end.x, end.y);
    const piece = Array.from({ length: to - from + 1 }, (_, i) => at(from + i));
    const along = { x: at(1).x - at(-1).x, y: at(1).y - at(-1).y };
    const ends = smooth ? { first: along, last: { x: -along.x, y: -along.y } } : undefined;
    for (const { b: p, c: q, d: r } of fitCurve(piece, TOLERANCE, ends)) b.cubic(p.x, p.y, q.x, q.y, r.x, r.y);
  });
  return b.close().done();
}

function thinned(ring: readonly Point[]): Point[] {
  const kept: Point[] = [];
  for (const p of ring) {
    const before = kept[kept.length - 1];
    if (!before || Math.hypot(p.x - before.x, p.y - before.y) > NEAR) kept.push(p);
  }
  return kept.length > 2 ? kept : [...ring];
}
