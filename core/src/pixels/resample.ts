import { LINEAR_OF, ENCODED_OF } from './transfer';
import { type Raster, raster } from './raster';

type Taps = { first: Int32Array; weights: Float32Array; count: number };

/** Area (box) weights of each output pixel over its input pixels. */
function areaTaps(from: number, to: number): Taps {
  const ratio = from / to;
  const count = Math.ceil(ratio) + 1;
  const first = new Int32Array(to);
  const weights = new Float32Array(to * count);
  for (let i = 0; i < to; i++) {
    const low = i * ratio;
    const high = Math.min(from, (i + 1) * ratio);
    const start = Math.floor(low);
    first[i] = start;
    for (let k = 0; k < count && start + k < from; k++) {
      const share = Math.min(high, start + k + 1) - Math.max(low, start + k);
      if (share > 0) weights[i * count + k] = share / (high - low);
    }
  }
  return { first, weights, count };
}

/**
 * Makes a picture smaller by exact area averaging in linear light with premultiplied alpha.
 * Sides are clamped to at least 1 px and never enlarged.
 */
export function shrink(source: Raster, widthPx: number, heightPx: number): Raster {
  const w = Math.max(1, Math.min(source.width, Math.round(widthPx)));
  const h = Math.max(1, Math.min(source.height, Math.round(heightPx)));
  if (w === source.width && h === source.height) return source;
  const tx = areaTaps(source.width, w);
  const ty = areaTaps(source.height, h);
  const row = new Float32Array(w * 4);
  const out = raster(w, h);
  const sum = new Float32Array(w * 4);
  for (let y = 0; y < h; y++) {
    sum.fill(0);
    for (let k = 0; k < ty.count; k++) {
      const wy = ty.weights[y * ty.count + k];
      if (wy === 0) continue;
      shrinkRow(source, ty.first[y] + k, tx, row);
      for (let i = 0; i < row.length; i++) sum[i] += row[i] * wy;
    }
    for (let x = 0, i = 0, o = y * w * 4; x < w; x++, i += 4, o += 4) {
      const a = sum[i + 3];
      if (a <= 0) continue;
      for (let c = 0; c < 3; c++) out.data[o + c] = ENCODED_OF[Math.min(8191, (sum[i + c] / a) >> 3)];
      out.data[o + 3] = Math.round(a * 255);
    }
  }
  return out;
}

function shrinkRow(source: Raster, y: number, taps: Taps, out: Float32Array): void {
  const { data, width } = source;
  for (let x = 0, o = 0; o < out.length; x++, o += 4) {
    let r = 0;
    let g = 0;
    let b = 0;
    let alpha = 0;
    for (let k = 0; k < taps.count; k++) {
      const weight = taps.weights[x * taps.count + k];
      if (weight === 0) continue;
      const p = (y * width + taps.first[x] + k) * 4;
      const a = (data[p + 3] / 255) * weight;
      r += LINEAR_OF[data[p]] * a;
      g += LINEAR_OF[data[p + 1]] * a;
      b += LINEAR_OF[data[p + 2]] * a;
      alpha += a;
    }
    out[o] = r;
    out[o + 1] = g;
    out[o + 2] = b;
    out[o + 3] = alpha;
  }
}
