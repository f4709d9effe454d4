import { type Point, homography } from '../plane';
import { type Linear, type Textures, plainLight, shaderOf } from '../warp';

/** Linear light 0..65535 of a face as seen straight on: RGB, row by row. */
export type Straight = { readonly columns: number; readonly rows: number; readonly light: Float32Array };

/** The same with the outermost cells like the next ones within: a soft outline mixes what lies behind the face into them. */
export function withoutRim({ columns, rows, light }: Straight, cells: number): Straight {
  const keep = (i: number, n: number): number => Math.min(Math.max(i, Math.min(cells, (n - 1) >> 1)), n - 1 - Math.min(cells, (n - 1) >> 1));
  const own = new Float32Array(light.length);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const from = (keep(y, rows) * columns + keep(x, columns)) * 3;
      own.set(light.subarray(from, from + 3), (y * columns + x) * 3);
    }
  return { columns, rows, light: own };
} // prettier-ignore

type Size = { readonly width: number; readonly height: number };

/**
 * What a photograph shows within a quadrilateral (its corners in px: top left, top right, foot right, foot left), seen
 * straight on in columns x rows cells, each the mean over what it covers. null where three corners are in a line.
 */
export function rectified(photo: Textures, name: string, size: Size, quad: readonly Point[], columns: number, rows: number): Straight | null {
  const texture = photo.byName.get(name);
  const cells = [{ x: 0, y: 0 }, { x: columns, y: 0 }, { x: columns, y: rows }, { x: 0, y: rows }];
  const h = homography(cells, quad.map((p) => ({ x: p.x / size.width, y: p.y / size.height })));
  if (!texture || !h) return null;
  const row = (i: number): Linear => [h[i], h[i + 1], h[i + 2]];
  const shader = shaderOf(photo);
  shader.place([{ a: row(0), b: row(3), g: row(6), u0: 0, du: 1, light: plainLight, profile: null, texture, colour: [0, 0, 0] }], { kind: 'linear', taps: 8 });
  const sums = shader.sums(columns);
  const light = new Float32Array(columns * rows * 3);
  for (let y = 0; y < rows; y++) {
    sums.fill(0);
    shader.shade(0, 0.5, y + 0.5, columns, 1, sums, 0);
    for (let x = 0; x < columns; x++) for (let c = 0; c < 3; c++) light[(y * columns + x) * 3 + c] = sums[x * 4 + c];
  }
  return { columns, rows, light };
} // prettier-ignore
