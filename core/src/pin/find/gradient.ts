import type { Raster } from '../../pixels';

/** Steepness of a picture, px by px: size and direction (rad, towards what is lighter in the channel that changes most). */
export type Gradient = {
  readonly width: number;
  readonly height: number;
  readonly size: Float32Array;
  readonly angle: Float32Array;
};

/** Brightness and two opponent colours, each 0..255 about, smoothed a little: noise makes no lines. */
export function channelsOf({ width, height, data }: Raster): Float32Array[] {
  const n = width * height;
  const [light, red, blue] = [new Float32Array(n), new Float32Array(n), new Float32Array(n)];
  for (let i = 0; i < n; i++) {
    const a = data[i * 4 + 3] / 255;
    const [r, g, b] = [0, 1, 2].map((c) => data[i * 4 + c] * a + 255 * (1 - a));
    light[i] = 0.3 * r + 0.59 * g + 0.11 * b;
    red[i] = 0.6 * (r - g);
    blue[i] = 0.6 * (b - 0.5 * (r + g));
  }
  return [light, red, blue].map((c) => binomial(binomial(c, width, height), width, height));
}

/** Smoothing by 1 2 1 in both directions. */
function binomial(from: Float32Array, width: number, height: number): Float32Array {
  const across = new Float32Array(from.length);
  const out = new Float32Array(from.length);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const p = y * width + x;
      across[p] = (from[x > 0 ? p - 1 : p] + 2 * from[p] + from[x < width - 1 ? p + 1 : p]) / 4;
    }
  }
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const p = y * width + x;
      out[p] = (across[y > 0 ? p - width : p] + 2 * across[p] + across[y < height - 1 ? p + width : p]) / 4;
    }
  }
  return out;
}

export function gradientOf(channels: readonly Float32Array[], width: number, height: number): Gradient {
  const size = new Float32Array(width * height);
  const angle = new Float32Array(width * height);
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const p = y * width + x;
      let [most, mx, my] = [0, 0, 0];
      for (const c of channels) {
        const gx = (c[p + 1] - c[p - 1]) / 2;
        const gy = (c[p + width] - c[p - width]) / 2;
        const s = gx * gx + gy * gy;
        if (s > most) [most, mx, my] = [s, gx, gy];
      }
      size[p] = Math.sqrt(most);
      angle[p] = Math.atan2(my, mx);
    }
  }
  return { width, height, size, angle };
}
