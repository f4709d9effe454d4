import { type Point, homography } from '../plane';
import { type Surface, type Textures, plainLight, shaderOf, surfaceBy } from '../warp';
import type { Size } from './corners';
import { type Sheet, piecesOf } from './sheet';

/** Linear light 0..65535 of a face as seen straight on: RGB, row by row. */
export type Straight = { readonly columns: number; readonly rows: number; readonly light: Float32Array };

/** The same with the outermost cells like the next ones within: a soft outline mixes what lies behind the face into them. */
export function withoutRim({ columns, rows, light }: Straight, cells: number): Straight {
  const keep = (i: number, n: number): number =>
    Math.min(Math.max(i, Math.min(cells, (n - 1) >> 1)), n - 1 - Math.min(cells, (n - 1) >> 1));
  const own = new Float32Array(light.length);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const from = (keep(y, rows) * columns + keep(x, columns)) * 3;
      own.set(light.subarray(from, from + 3), (y * columns + x) * 3);
    }
  return { columns, rows, light: own };
}

/**
 * What a photograph shows within a face, seen straight on in columns x rows cells, each the mean over what it covers.
 * `size` is the photograph's, in the px of the face's corners. null where three corners are in a line.
 */
export function rectified(
  photo: Textures,
  name: string,
  size: Size,
  sheet: Sheet,
  columns: number,
  rows: number,
): Straight | null {
  const texture = photo.byName.get(name);
  if (!texture) return null;
  const n = sheet.pieces;
  const surfaces: Surface[] = [];
  for (const [k, quad] of piecesOf(sheet).entries()) {
    const [x, y] = [((k % n) * columns) / n, (Math.floor(k / n) * rows) / n];
    const [w, h] = [columns / n, rows / n];
    const cells: Point[] = [
      { x, y },
      { x: x + w, y },
      { x: x + w, y: y + h },
      { x, y: y + h },
    ];
    const m = homography(
      cells,
      quad.map((p) => ({ x: p.x / size.width, y: p.y / size.height })),
    );
    if (!m) return null;
    surfaces.push(surfaceBy(m, texture, plainLight));
  }
  const shader = shaderOf(photo);
  shader.place(surfaces, { kind: 'linear', taps: 8 });
  const sums = shader.sums(columns);
  const light = new Float32Array(columns * rows * 3);
  /** First cell whose middle is in piece i or after it. */
  const first = (i: number, cells: number): number => Math.ceil((i * cells) / n - 0.5);
  for (let j = 0; j < n; j++) {
    for (let y = first(j, rows); y < first(j + 1, rows); y++) {
      sums.fill(0);
      for (let i = 0; i < n; i++) {
        const x = first(i, columns);
        const count = first(i + 1, columns) - x;
        if (count > 0) shader.shade(j * n + i, x + 0.5, y + 0.5, count, 1, sums, x * 4);
      }
      for (let x = 0; x < columns; x++) for (let c = 0; c < 3; c++) light[(y * columns + x) * 3 + c] = sums[x * 4 + c];
    }
  }
  return { columns, rows, light };
}
