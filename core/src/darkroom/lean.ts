import { type Raster, raster } from '../pixels';
import { homography } from '../plane';

/**
 * -1..1 each. `y` above 0 sets lines upright that run together towards the top, as those of a house seen from below; below 0 those that
 * do so towards the foot. `x` above 0 levels lines that run together to the left, below 0 to the right.
 */
export type Lean = { readonly x: number; readonly y: number };

/** What is left away at each end of the narrowest side, as a share of it, where a lean is 1. */
const MOST = 0.3;

export const isUpright = ({ x, y }: Lean): boolean => x === 0 && y === 0;

/** How many times a picture is enlarged where it is most. */
export const enlargedBy = ({ x, y }: Lean): number => 1 / ((1 - 2 * MOST * Math.abs(x)) * (1 - 2 * MOST * Math.abs(y)));

/** The corners of what is shown of a picture, in fractions of it, clockwise from the top left. */
export function shownOf({ x, y }: Lean): { x: number; y: number }[] {
  const [top, foot] = [MOST * Math.max(0, y), MOST * Math.max(0, -y)];
  const [left, right] = [MOST * Math.max(0, x), MOST * Math.max(0, -x)];
  return [
    { x: top, y: left },
    { x: 1 - top, y: right },
    { x: 1 - foot, y: 1 - right },
    { x: foot, y: 1 - left },
  ];
}

const UNIT = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];

/** A copy of the same size with its lines set upright, by the plane's own perspective: no corner of it is bare. Its alpha goes along. */
export function uprighted(source: Raster, lean: Lean): Raster {
  const { width, height, data } = source;
  const h = homography(UNIT, shownOf(lean));
  const out = raster(width, height);
  if (!h) return source;
  const [right, down] = [4, 4 * width];
  for (let j = 0; j < height; j++) {
    const v = (j + 0.5) / height;
    for (let i = 0; i < width; i++) {
      const u = (i + 0.5) / width;
      const w = h[6] * u + h[7] * v + h[8];
      const x = Math.min(width - 1, Math.max(0, ((h[0] * u + h[1] * v + h[2]) / w) * width - 0.5));
      const y = Math.min(height - 1, Math.max(0, ((h[3] * u + h[4] * v + h[5]) / w) * height - 0.5));
      const [x0, y0] = [Math.min(width - 2, Math.floor(x)), Math.min(height - 2, Math.floor(y))];
      const [fx, fy] = [x - x0, y - y0];
      const p = Math.max(0, y0) * down + Math.max(0, x0) * right;
      const [q, r] = [p + (width > 1 ? right : 0), height > 1 ? down : 0];
      const a = (1 - fx) * (1 - fy) * data[p + 3];
      const b = fx * (1 - fy) * data[q + 3];
      const c = (1 - fx) * fy * data[p + r + 3];
      const d = fx * fy * data[q + r + 3];
      const alpha = a + b + c + d;
      const o = (j * width + i) * 4;
      // Weighed by their alpha: what is clear lends no colour.
      if (alpha > 0)
        for (let k = 0; k < 3; k++)
          out.data[o + k] = (a * data[p + k] + b * data[q + k] + c * data[p + r + k] + d * data[q + r + k]) / alpha;
      out.data[o + 3] = alpha;
    }
  }
  return out;
}
