import { type Raster, raster } from '../pixels';

/** Widths of three box blurs that together come near a Gaussian (Kovesi 2010). */
function boxes(sigma: number): number[] {
  const ideal = Math.sqrt((12 * sigma * sigma) / 3 + 1);
  let low = Math.floor(ideal);
  if (low % 2 === 0) low--;
  low = Math.max(1, low);
  const m = Math.round((12 * sigma * sigma - 3 * low * low - 12 * low - 9) / (-4 * low - 4));
  return [0, 1, 2].map((i) => (i < m ? low : low + 2));
}

/** Gaussian blur by three box blurs over premultiplied colour; edges repeat. Sigma in pixels. */
export function blurred(source: Raster, sigma: number): Raster {
  const { width, height } = source;
  if (sigma < 0.3) return source;
  let from = new Float32Array(width * height * 4);
  let to = new Float32Array(width * height * 4);
  for (let i = 0; i < source.data.length; i += 4) {
    const a = source.data[i + 3] / 255;
    from[i] = source.data[i] * a;
    from[i + 1] = source.data[i + 1] * a;
    from[i + 2] = source.data[i + 2] * a;
    from[i + 3] = source.data[i + 3];
  }
  for (const size of boxes(sigma)) {
    const r = (size - 1) / 2;
    for (let y = 0; y < height; y++) box(from, to, y * width * 4, 4, width, r);
    for (let x = 0; x < width; x++) box(to, from, x * 4, width * 4, height, r);
  }
  const out = raster(width, height);
  for (let i = 0; i < from.length; i += 4) {
    const a = from[i + 3];
    const k = a > 0 ? 255 / a : 0;
    out.data[i] = from[i] * k;
    out.data[i + 1] = from[i + 1] * k;
    out.data[i + 2] = from[i + 2] * k;
    out.data[i + 3] = a;
  }
  return out;
}

function box(from: Float32Array, to: Float32Array, at: number, stride: number, length: number, r: number): void {
  const k = 1 / (2 * r + 1);
  const last = length - 1;
  for (let c = 0; c < 4; c++) {
    const base = at + c;
    let sum = from[base] * (r + 1);
    for (let i = 1; i <= r; i++) sum += from[base + Math.min(i, last) * stride];
    for (let i = 0; i < length; i++) {
      to[base + i * stride] = sum * k;
      sum += from[base + Math.min(i + r + 1, last) * stride] - from[base + Math.max(i - r, 0) * stride];
    }
  }
}
