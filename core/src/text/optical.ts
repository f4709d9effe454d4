import { type Path, contoursOf } from '../plane';

/** Height of the rows in which two letters are held against each other, em, and the range of rows: baseline at 0, y down. */
const ROW = 0.02;
const TOP = -1.1;
const ROWS = 75;
/** How far into the hollow of a letter white counts as standing between it and its neighbour, em. */
const DEPTH = 0.19;
/** Bounds of a correction, em, and the least distance that it leaves between two letters. */
const CLOSER = -0.16;
const APART = 0.08;
const LEAST = 0.035;

/** White at both sides of a letter by rows, from its pen and from its advance; Infinity where it has no ink. */
export type Flanks = {
  readonly left: Float32Array;
  readonly right: Float32Array;
  readonly leftMost: number;
  readonly rightMost: number;
};

/** The flanks of an outline in em; null for a sign without ink. */
export function flanksOf(path: Path, advance: number): Flanks | null {
  if (path.ops.length === 0) return null;
  const left = new Float32Array(ROWS).fill(Infinity);
  const right = new Float32Array(ROWS).fill(Infinity);
  for (const points of contoursOf(path, 10))
    points.slice(1).forEach((q, i) => {
      const p = points[i];
      const steps = Math.max(1, Math.ceil(Math.abs(q.y - p.y) / (ROW / 2)));
      for (let s = 0; s <= steps; s++) {
        const [x, y] = [p.x + ((q.x - p.x) * s) / steps, p.y + ((q.y - p.y) * s) / steps];
        const row = Math.floor((y - TOP) / ROW);
        if (row < 0 || row >= ROWS) continue;
        left[row] = Math.min(left[row], x);
        right[row] = Math.min(right[row], advance - x);
      }
    });
  return { left, right, leftMost: Math.min(...left), rightMost: Math.min(...right) };
}

/** Mean white between two letters that stand side by side, em, over the rows where both could have ink; null where they share none. */
export function whiteBetween(a: Flanks, b: Flanks): { white: number; least: number } | null {
  const extent = (side: Float32Array): [number, number] => [
    side.findIndex((v) => v < Infinity),
    side.findLastIndex((v) => v < Infinity),
  ];
  const [topA, footA] = extent(a.right);
  const [topB, footB] = extent(b.left);
  const [from, to] = [Math.max(topA, topB), Math.min(footA, footB)];
  if (to < from) return null;
  let sum = 0;
  let least = Infinity;
  for (let row = from; row <= to; row++) {
    sum += Math.min(a.right[row], a.rightMost + DEPTH) + Math.min(b.left[row], b.leftMost + DEPTH);
    // A corner of one letter may lie a row above that of the other.
    for (let near = Math.max(0, row - 1); near <= Math.min(ROWS - 1, row + 1); near++)
      least = Math.min(least, a.right[row] + b.left[near]);
  }
  return { white: sum / (to - from + 1), least };
}

/** How much nearer (below 0) or farther two letters go so that the white between them is `wanted`, em. */
export function opticalKern(a: Flanks, b: Flanks, wanted: number): number {
  const between = whiteBetween(a, b);
  if (!between) return 0;
  // Faces whose letters join each other are left as they are.
  if (between.least < 0.005) return 0;
  const kern = Math.min(APART, Math.max(CLOSER, wanted - between.white));
  return Math.max(kern, Math.min(0, LEAST - between.least));
}
