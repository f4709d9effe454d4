import { type Raster, shrink } from '../pixels';
import { luminance } from '../colour';

/**
 * How busy a picture is, on a grid of cells: mean absolute luma step to the right and downwards, 0..255.
 * Lower is calmer.
 */
export type Busyness = { readonly columns: number; readonly rows: number; readonly cells: Float32Array };

export function busyness(source: Raster, columns = 16): Busyness {
  const small = shrink(source, 128, Math.round((128 * source.height) / source.width));
  const { width, height, data } = small;
  const luma = new Float32Array(width * height);
  for (let i = 0; i < luma.length; i++) {
    luma[i] = 0.2126 * data[i * 4] + 0.7152 * data[i * 4 + 1] + 0.0722 * data[i * 4 + 2];
  }
  const rows = Math.max(1, Math.round((columns * height) / width));
  const cells = new Float32Array(columns * rows);
  const counts = new Float32Array(columns * rows);
  for (let y = 0; y + 1 < height; y++) {
    for (let x = 0; x + 1 < width; x++) {
      const i = y * width + x;
      const cell = Math.floor((y * rows) / height) * columns + Math.floor((x * columns) / width);
      cells[cell] += Math.abs(luma[i + 1] - luma[i]) + Math.abs(luma[i + width] - luma[i]);
      counts[cell]++;
    }
  }
  for (let i = 0; i < cells.length; i++) cells[i] = counts[i] > 0 ? cells[i] / counts[i] : 0;
  return { columns, rows, cells };
}

/** Mean busyness of a band of the full width, its edges as fractions of the height. */
export function busyBand(map: Busyness, from: number, to: number): number {
  const first = Math.floor(from * map.rows);
  const last = Math.max(first + 1, Math.ceil(to * map.rows));
  let sum = 0;
  let n = 0;
  for (let i = first * map.columns; i < Math.min(last, map.rows) * map.columns; i++) {
    sum += map.cells[i];
    n++;
  }
  return n === 0 ? 0 : sum / n;
}

/** Mean relative luminance and mean colour of a band of the picture. */
export function bandColour(
  source: Raster,
  from: number,
  to: number,
): { rgb: [number, number, number]; luminance: number } {
  const small = shrink(source, 32, Math.max(8, Math.round((32 * source.height) / source.width)));
  const y0 = Math.floor(from * small.height);
  const y1 = Math.max(y0 + 1, Math.round(to * small.height));
  const sum = [0, 0, 0];
  let n = 0;
  for (let i = y0 * small.width * 4; i < Math.min(y1, small.height) * small.width * 4; i += 4) {
    for (let c = 0; c < 3; c++) sum[c] += small.data[i + c];
    n++;
  }
  const rgb = sum.map((v) => v / Math.max(1, n)) as [number, number, number];
  return { rgb, luminance: luminance(rgb) };
}
