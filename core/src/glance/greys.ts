import { type Raster, raster } from '../pixels';

/** A picture in the nearest of `levels` greys: what words and what lies behind them keep of their contrast there. */
export function nearestGreys(source: Raster, levels: number): Raster {
  const out = raster(source.width, source.height);
  const step = 255 / (levels - 1);
  for (let p = 0; p < out.data.length; p += 4) {
    const [r, g, b] = [source.data[p], source.data[p + 1], source.data[p + 2]];
    const grey = Math.round((0.2126 * r + 0.7152 * g + 0.0722 * b) / step) * step;
    out.data[p] = out.data[p + 1] = out.data[p + 2] = Math.round(grey);
    out.data[p + 3] = source.data[p + 3];
  }
  return out;
}

/**
 * A picture as an electronic paper display shows it: `levels` greys, the rounding of each pixel handed on to its neighbours
 * (error diffusion by Floyd and Steinberg 1976, alternate rows from alternate sides). Luma of BT.709, as encoded.
 */
export function inGreys(source: Raster, levels: number): Raster {
  const { width, height, data } = source;
  const out = raster(width, height);
  const step = 255 / (levels - 1);
  let here = new Float32Array(width + 2);
  let below = new Float32Array(width + 2);
  for (let y = 0; y < height; y++) {
    const way = y % 2 === 0 ? 1 : -1;
    for (let i = 0; i < width; i++) {
      const x = way === 1 ? i : width - 1 - i;
      const p = (y * width + x) * 4;
      const wanted = 0.2126 * data[p] + 0.7152 * data[p + 1] + 0.0722 * data[p + 2] + here[x + 1];
      const grey = Math.min(255, Math.max(0, Math.round(wanted / step) * step));
      const off = wanted - grey;
      here[x + 1 + way] += (off * 7) / 16;
      below[x + 1 - way] += (off * 3) / 16;
      below[x + 1] += (off * 5) / 16;
      below[x + 1 + way] += off / 16;
      out.data[p] = out.data[p + 1] = out.data[p + 2] = Math.round(grey);
      out.data[p + 3] = 255;
    }
    [here, below] = [below, here];
    below.fill(0);
  }
  return out;
}
