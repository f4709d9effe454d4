import type { Point } from './geometry';

/** 3x3 projective map in row order with the last entry 1: (x, y) -> ((h0 x + h1 y + h2) / w, ...), w = h6 x + h7 y + 1. */
export type Homography = readonly number[];

/**
 * The map that takes four points to four others, or null where three of either are collinear.
 * Solves the usual 8x8 system by elimination with pivoting.
 */
export function homography(from: readonly Point[], to: readonly Point[]): Homography | null {
  const a: number[][] = [];
  for (let i = 0; i < 4; i++) {
    const { x, y } = from[i];
    const { x: u, y: v } = to[i];
    a.push([x, y, 1, 0, 0, 0, -u * x, -u * y, u], [0, 0, 0, x, y, 1, -v * x, -v * y, v]);
  }
  for (let col = 0; col < 8; col++) {
    let pivot = col;
    for (let row = col + 1; row < 8; row++) if (Math.abs(a[row][col]) > Math.abs(a[pivot][col])) pivot = row;
    if (Math.abs(a[pivot][col]) < 1e-12) return null;
    [a[col], a[pivot]] = [a[pivot], a[col]];
    for (let row = 0; row < 8; row++) {
      if (row === col) continue;
      const k = a[row][col] / a[col][col];
      for (let j = col; j < 9; j++) a[row][j] -= k * a[col][j];
    }
  }
  return [...a.map((row, i) => row[8] / row[i]), 1];
}

export function project(h: Homography, p: Point): Point {
  const w = h[6] * p.x + h[7] * p.y + h[8];
  return { x: (h[0] * p.x + h[1] * p.y + h[2]) / w, y: (h[3] * p.x + h[4] * p.y + h[5]) / w };
}
