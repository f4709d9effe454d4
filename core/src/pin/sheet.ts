import { type Result, fail, ok } from '../base';
import { type Homography, type Point, homography, project } from '../plane';

/**
 * How a face is bent: size x size points, row by row, even in the art across and down; each lies `offsets` px of the
 * photograph from where the plane through the corners has it. The corners' own offsets are 0.
 */
export type Bend = { readonly size: number; readonly offsets: readonly (readonly [dx: number, dy: number])[] };

/** A face in a photograph: where each place (u, v), 0..1 across and down the art, is seen, px. */
export type Sheet = {
  readonly corners: readonly Point[];
  /** Flat pieces along each side: one where the face is flat. */
  readonly pieces: number;
  place(u: number, v: number): Point;
};

export const SQUARE: readonly Point[] = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];

/** A bent face is this many flat pieces along each side: a bend of 100 px is met within a fifth of a pixel. */
const PIECES = 24;

/** Second derivatives of the natural cubic spline through each unit vector of n even nodes (Press 1992, 3.3), nodes 1 apart. */
function seconds(n: number): number[][] {
  return Array.from({ length: n }, (_, j) => {
    const y = Array.from({ length: n }, (_u, i) => (i === j ? 1 : 0));
    const [m, u] = [new Float64Array(n), new Float64Array(n)];
    for (let i = 1; i < n - 1; i++) {
      const p = 0.5 * m[i - 1] + 2;
      m[i] = -0.5 / p;
      u[i] = (3 * (y[i + 1] - 2 * y[i] + y[i - 1]) - 0.5 * u[i - 1]) / p;
    }
    m[n - 1] = 0;
    for (let i = n - 2; i >= 0; i--) m[i] = m[i] * m[i + 1] + u[i];
    return [...m];
  });
}
const SECONDS = new Map([3, 4, 5].map((n) => [n, seconds(n)]));

/** How much each of n even nodes counts at t, 0..1: a natural cubic spline goes through all of them. */
function weightsAt(n: number, t: number): number[] {
  const x = t * (n - 1);
  const i = Math.min(n - 2, Math.max(0, Math.floor(x)));
  const [a, b] = [i + 1 - x, x - i];
  const [ca, cb] = [(a ** 3 - a) / 6, (b ** 3 - b) / 6];
  const all = SECONDS.get(n) ?? seconds(n);
  return all.map((m, j) => (j === i ? a : j === i + 1 ? b : 0) + ca * m[i] + cb * m[i + 1]);
}

/** The face at checked corners; null where three of them are in a line. */
export function sheetOf(corners: readonly Point[], bend: Bend | null): Sheet | null {
  const h = homography(SQUARE, corners);
  if (!h) return null;
  if (!bend || bend.offsets.every(([dx, dy]) => dx === 0 && dy === 0)) {
    return { corners, pieces: 1, place: (u, v) => project(h, { x: u, y: v }) };
  }
  return { corners, pieces: PIECES, place: (u, v) => bent(h, bend, u, v) };
}

/** How far a bend moves a place of the face, px. */
function offsetAt({ size, offsets }: Bend, u: number, v: number): [number, number] {
  const [across, down] = [weightsAt(size, u), weightsAt(size, v)];
  let [x, y] = [0, 0];
  offsets.forEach(([dx, dy], k) => {
    const w = across[k % size] * down[Math.floor(k / size)];
    x += w * dx;
    y += w * dy;
  });
  return [x, y];
}

function bent(h: Homography, bend: Bend, u: number, v: number): Point {
  const p = project(h, { x: u, y: v });
  const [dx, dy] = offsetAt(bend, u, v);
  return { x: p.x + dx, y: p.y + dy };
}

/** The same bend by another number of points: more of them leave the face as it is, fewer follow it as near as they can. */
export function rebent<N extends number>(bend: Bend | null, size: N): { size: N; offsets: [number, number][] } {
  const at = (k: number): [number, number] =>
    bend ? offsetAt(bend, (k % size) / (size - 1), Math.floor(k / size) / (size - 1)) : [0, 0];
  return { size, offsets: Array.from({ length: size * size }, (_, k) => at(k)) };
}

/** The corners of a face's flat pieces, (pieces + 1) x (pieces + 1), row by row. */
export function nodesOf(sheet: Sheet): Point[] {
  const n = sheet.pieces;
  return Array.from({ length: (n + 1) ** 2 }, (_, k) => sheet.place((k % (n + 1)) / n, Math.floor(k / (n + 1)) / n));
}

/** The outline of a face, from the top left to the right and round. */
export function outlineOf(sheet: Sheet): Point[] {
  const n = sheet.pieces;
  const t = Array.from({ length: n }, (_, i) => i / n);
  return [
    ...t.map((s) => sheet.place(s, 0)),
    ...t.map((s) => sheet.place(1, s)),
    ...t.map((s) => sheet.place(1 - s, 1)),
    ...t.map((s) => sheet.place(0, 1 - s)),
  ];
}

/** The corners of each flat piece, row by row. */
export function piecesOf(sheet: Sheet): Point[][] {
  const [nodes, n] = [nodesOf(sheet), sheet.pieces];
  return Array.from({ length: n * n }, (_, k) => {
    const at = Math.floor(k / n) * (n + 1) + (k % n);
    return [nodes[at], nodes[at + 1], nodes[at + n + 2], nodes[at + n + 1]];
  });
}

/** Whether a bent face nowhere folds over itself. Faults: `pin-mesh` with what is wrong: `count`, `corners` or `folded`. */
export function checkBend(corners: readonly Point[], bend: Bend | null): Result<Sheet> {
  if (bend) {
    const { size, offsets } = bend;
    if (![3, 4, 5].includes(size) || offsets.length !== size * size) return fail('pin-mesh', { wrong: 'count' });
    if (offsets.some((o) => o.length !== 2 || !o.every(Number.isFinite))) return fail('pin-mesh', { wrong: 'count' });
    const ends = [0, size - 1, size * (size - 1), size * size - 1];
    if (ends.some((k) => offsets[k][0] !== 0 || offsets[k][1] !== 0)) return fail('pin-mesh', { wrong: 'corners' });
  }
  const sheet = sheetOf(corners, bend);
  if (!sheet) return fail('pin-corners', { wrong: 'flat' });
  const folded = piecesOf(sheet).some((quad) =>
    quad.some((p, i) => {
      const [q, r] = [quad[(i + 1) % 4], quad[(i + 2) % 4]];
      return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x) <= 0;
    }),
  );
  return folded ? fail('pin-mesh', { wrong: 'folded' }) : ok(sheet);
}
