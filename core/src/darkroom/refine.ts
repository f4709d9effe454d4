import { type Raster, raster } from '../pixels';

/** Radius within which an edge of the picture is looked for, a fraction of the wider side. */
const REACH = 0.008;
/** How little an edge of the picture may stand out to be followed: variance of luma 0..1. */
const EDGE = 2e-4;

/** Means over squares of side 2 r + 1, of what lies within the borders. */
function boxMean(v: Float32Array, width: number, height: number, r: number): Float32Array {
  const run = (from: Float32Array, n: number, lines: number, step: number, across: number): Float32Array => {
    const to = new Float32Array(from.length);
    for (let line = 0; line < lines; line++) {
      const base = line * across;
      let sum = 0;
      for (let i = 0; i <= Math.min(r, n - 1); i++) sum += from[base + i * step];
      for (let i = 0; i < n; i++) {
        to[base + i * step] = sum / (Math.min(n - 1, i + r) - Math.max(0, i - r) + 1);
        if (i + r + 1 < n) sum += from[base + (i + r + 1) * step];
        if (i - r >= 0) sum -= from[base + (i - r) * step];
      }
    }
    return to;
  };
  return run(run(v, width, height, 1, width), height, width, width, 1);
}

/**
 * A rough mask (1 kept, 0 not, of any size) as a matte that follows the edges of its picture by degrees: white is kept. Far from
 * the mask's own edge it says what the mask says (He, Sun and Tang, "Guided image filtering", 2010, guided by luma).
 */
export function refined(picture: Raster, mask: Uint8Array, maskWidth: number, maskHeight: number): Raster {
  const { width, height, data } = picture;
  const n = width * height;
  const [guide, rough] = [new Float32Array(n), new Float32Array(n)];
  for (let y = 0, i = 0; y < height; y++) {
    const my = Math.min(maskHeight - 1, Math.floor(((y + 0.5) * maskHeight) / height));
    for (let x = 0; x < width; x++, i++) {
      const mx = Math.min(maskWidth - 1, Math.floor(((x + 0.5) * maskWidth) / width));
      rough[i] = mask[my * maskWidth + mx] ? 1 : 0;
      guide[i] = (0.2126 * data[i * 4] + 0.7152 * data[i * 4 + 1] + 0.0722 * data[i * 4 + 2]) / 255;
    }
  }
  // Never less than a step of the mask, or its steps would be seen.
  const r = Math.max(2, Math.round(REACH * Math.max(width, height)), Math.ceil((1.5 * width) / maskWidth));
  const mean = (v: Float32Array): Float32Array => boxMean(v, width, height, r);
  const [meanG, meanM] = [mean(guide), mean(rough)];
  const meanGM = mean(guide.map((g, i) => g * rough[i]));
  const meanGG = mean(guide.map((g) => g * g));
  const [slope, offset] = [new Float32Array(n), new Float32Array(n)];
  for (let i = 0; i < n; i++) {
    slope[i] = (meanGM[i] - meanG[i] * meanM[i]) / (meanGG[i] - meanG[i] * meanG[i] + EDGE);
    offset[i] = meanM[i] - slope[i] * meanG[i];
  }
  const [a, b] = [mean(slope), mean(offset)];
  const out = raster(width, height);
  for (let i = 0; i < n; i++) {
    const pure = meanM[i] < 1e-4 ? 0 : meanM[i] > 1 - 1e-4 ? 1 : null;
    // A little steeper than the filter leaves it, so that full is full.
    const share = pure ?? (a[i] * guide[i] + b[i] - 0.12) / 0.76;
    const v = Math.round(255 * Math.min(1, Math.max(0, share)));
    out.data.set([v, v, v, 255], i * 4);
  }
  return out;
}
