import { busyness } from '../compose';
import { type Raster, raster, shrink } from '../pixels';
import { smoothstep } from '../plane';
import type { Studio } from './studio';

type Size = { readonly widthPx: number; readonly heightPx: number };

/** Ways to bring a picture into another ratio: whole on the colour of its edge, its own ground carried on, or cut. */
export const REFRAMES = ['whole', 'carried', 'cut'] as const;
export type Reframe = (typeof REFRAMES)[number];

/** How far into what is carried on the picture itself fades, and how much smaller the copy is that it fades into. */
const FADE = 0.35;
const SOFT = 24;
/** The border that is carried on, as a share of the picture: too narrow for words to come back in it. */
const BORDER = 0.02;

/**
 * Cuts a picture to a ratio: what is left out is what is calmest, so that its subject stays. Made to `size`.
 */
export function cutTo(picture: Raster, size: Size, studio: Studio): Raster {
  const wanted = size.heightPx / size.widthPx;
  const tall = picture.height / picture.width > wanted;
  const [w, h] = tall
    ? [picture.width, Math.round(picture.width * wanted)]
    : [Math.round(picture.height / wanted), picture.height];
  const { columns, rows, cells } = busyness(picture, 32);
  // How much is going on in each line across the way in which it is cut.
  const lines = Array.from({ length: tall ? rows : columns }, (_, i) => {
    let sum = 0;
    for (let j = 0; j < (tall ? columns : rows); j++) sum += cells[tall ? i * columns + j : j * columns + i];
    return sum;
  });
  const span = Math.max(1, Math.round((lines.length * (tall ? h : w)) / (tall ? picture.height : picture.width)));
  let [best, most] = [0, -1];
  for (let i = 0; i + span <= lines.length; i++) {
    const sum = lines.slice(i, i + span).reduce((a, b) => a + b, 0);
    // Among equals the middle one.
    const centred = sum - 1e-6 * Math.abs(i + span / 2 - lines.length / 2);
    if (centred > most) [best, most] = [i, centred];
  }
  const at = best / lines.length;
  const x0 = tall ? 0 : Math.min(picture.width - w, Math.round(at * picture.width));
  const y0 = tall ? Math.min(picture.height - h, Math.round(at * picture.height)) : 0;
  const out = raster(w, h);
  for (let y = 0; y < h; y++) {
    const from = ((y0 + y) * picture.width + x0) * 4;
    out.data.set(picture.data.subarray(from, from + w * 4), y * w * 4);
  }
  return scaled(out, size, studio);
}

/** A picture at other pixels of (nearly) the same ratio. */
function scaled(picture: Raster, { widthPx, heightPx }: Size, studio: Studio): Raster {
  if (picture.width === widthPx && picture.height === heightPx) return picture;
  if (widthPx <= picture.width && heightPx <= picture.height) return shrink(picture, widthPx, heightPx);
  const larger = studio.pixelsOf(studio.resized(studio.imageOf(picture), widthPx));
  return larger.height === heightPx ? larger : lined(larger, widthPx, heightPx);
}

/** The same rows, one more or one fewer at the foot: rounding of a side. */
function lined(picture: Raster, widthPx: number, heightPx: number): Raster {
  const out = raster(widthPx, heightPx);
  for (let y = 0; y < heightPx; y++) {
    const from = Math.min(y, picture.height - 1) * picture.width * 4;
    out.data.set(picture.data.subarray(from, from + widthPx * 4), y * widthPx * 4);
  }
  return out;
}

/**
 * A picture whole in a frame of another ratio, its ground carried on beyond it: its border mirrored and then drawn out, softer
 * the farther out it lies.
 */
export function carriedTo(picture: Raster, size: Size, studio: Studio): Raster {
  const { widthPx: W, heightPx: H } = size;
  const k = Math.min(W / picture.width, H / picture.height);
  const [w, h] = [Math.min(W, Math.round(picture.width * k)), Math.min(H, Math.round(picture.height * k))];
  const whole = scaled(picture, { widthPx: w, heightPx: h }, studio);
  const [x0, y0] = [(W - w) >> 1, (H - h) >> 1];
  const carry = (i: number, n: number): number => {
    const out = i < 0 ? -1 - i : i - n;
    if (out < 0) return i;
    const border = Math.max(1, BORDER * n);
    const back = Math.min(n - 1, Math.floor(border * (1 - Math.exp(-out / border))));
    return i < 0 ? back : n - 1 - back;
  };
  const columns = Array.from({ length: W }, (_, x) => carry(x - x0, w));
  const sharp = raster(W, H);
  for (let y = 0; y < H; y++) {
    const row = carry(y - y0, h) * w;
    for (let x = 0; x < W; x++) {
      const p = (row + columns[x]) * 4;
      const q = (y * W + x) * 4;
      for (let c = 0; c < 4; c++) sharp.data[q + c] = whole.data[p + c];
    }
  }
  const small = shrink(sharp, Math.max(2, Math.round(W / SOFT)), Math.max(2, Math.round(H / SOFT)));
  const reach = FADE * Math.max(x0, y0, 1);
  // Between the pixels of the small copy, straight: where each column and each row lies in it.
  const [across, down] = [placesIn(W, small.width, 4), placesIn(H, small.height, 4 * small.width)];
  const { data } = small;
  for (let y = 0; y < H; y++) {
    const [above, below, v] = [down.first[y], down.second[y], down.share[y]];
    for (let x = 0; x < W; x++) {
      const out = Math.max(x0 - x, x - (x0 + w - 1), y0 - y, y - (y0 + h - 1));
      if (out <= 0) continue;
      const soft = smoothstep(0, reach, out);
      const q = (y * W + x) * 4;
      const [left, right, u] = [across.first[x], across.second[x], across.share[x]];
      for (let c = 0; c < 3; c++) {
        const high = data[above + left + c] * (1 - u) + data[above + right + c] * u;
        const low = data[below + left + c] * (1 - u) + data[below + right + c] * u;
        sharp.data[q + c] = Math.round(sharp.data[q + c] * (1 - soft) + (high * (1 - v) + low * v) * soft);
      }
    }
  }
  return sharp;
}

/** Of each of `n` pixels, between which two of `m` it lies, as offsets of `stride`, and how near it is to the second, 0..1. */
function placesIn(n: number, m: number, stride: number) {
  const [first, second, share] = [new Int32Array(n), new Int32Array(n), new Float64Array(n)];
  for (let i = 0; i < n; i++) {
    const at = ((i + 0.5) * m) / n - 0.5;
    const whole = Math.floor(at);
    first[i] = Math.min(m - 1, Math.max(0, whole)) * stride;
    second[i] = Math.min(m - 1, Math.max(0, whole + 1)) * stride;
    share[i] = at - whole;
  }
  return { first, second, share };
}
