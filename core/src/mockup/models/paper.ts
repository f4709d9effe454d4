import { seeded } from '../../base';
import { type Raster, raster } from '../../pixels';

function filled(width: number, height: number, grey: readonly [number, number, number]): Raster {
  const out = raster(width, height);
  for (let i = 0; i < width * height; i++) out.data.set([grey[0], grey[1], grey[2], 255], i * 4);
  return out;
}

/** Darkens a box of a picture by a share, its edges softened over a pixel. */
function ink(out: Raster, x0: number, y0: number, x1: number, y1: number, keep: number): void {
  for (let y = Math.max(0, Math.floor(y0)); y < Math.min(out.height, Math.ceil(y1)); y++) {
    for (let x = Math.max(0, Math.floor(x0)); x < Math.min(out.width, Math.ceil(x1)); x++) {
      const inX = Math.min(x + 1, x1) - Math.max(x, x0);
      const inY = Math.min(y + 1, y1) - Math.max(y, y0);
      const k = 1 - (1 - keep) * Math.max(0, inX) * Math.max(0, inY);
      const p = (y * out.width + x) * 4;
      for (let c = 0; c < 3; c++) out.data[p + c] *= k;
    }
  }
}

/** A printed page seen from too far to read: lines of words as grey strokes, paragraphs, a folio. Seeded. */
export function printedPage(seed: number, ratio: number): Raster {
  const height = 900;
  const width = Math.round(height * ratio);
  const out = filled(width, height, [246, 242, 231]);
  const random = seeded(seed * 97 + 5);
  const [left, right, top, foot] = [width * 0.13, width * 0.87, height * 0.11, height * 0.87];
  const leading = 19.5;
  let indent = 0;
  for (let y = top; y + 8 < foot; y += leading) {
    const ends = random() < 0.16;
    const end = ends ? left + (right - left) * (0.3 + 0.5 * random()) : right;
    for (let x = left + indent; x < end - 6;) {
      const word = Math.min(end - x, 9 + random() * 38);
      // Letters have an x-height with some that rise above it.
      ink(out, x, y + 3, x + word, y + 8.5, 0.62);
      ink(out, x + word * 0.2 * random(), y + 0.8, x + word * (0.3 + 0.5 * random()), y + 3, 0.84);
      x += word + 6.5;
    }
    indent = ends ? 22 : 0;
  }
  ink(out, width / 2 - 9, height * 0.92, width / 2 + 9, height * 0.92 + 6, 0.66);
  return out;
}

/** Keys of a keyboard without letters: five rows and a bar. */
export function keyboard(): Raster {
  const [width, height] = [900, 340];
  const out = filled(width, height, [126, 128, 130]);
  const rows = [14, 14, 13, 12, 0];
  const high = height / 5;
  rows.forEach((count, row) => {
    const y = row * high + 4;
    const keys =
      count > 0
        ? Array.from({ length: count }, (_, i) => [(i * width) / count, ((i + 1) * width) / count])
        : [
            [0, 0.09],
            [0.09, 0.18],
            [0.18, 0.27],
            [0.27, 0.7],
            [0.7, 0.8],
            [0.8, 0.9],
            [0.9, 1],
          ].map(([a, b]) => [a * width, b * width]);
    for (const [x0, x1] of keys) ink(out, x0 + 4, y, x1 - 4, y + high - 8, 0.26);
  });
  return out;
}
