/**
 * An 8-bit picture: RGBA, rows from the top, straight (not premultiplied) alpha, sRGB-encoded.
 * `transfer` and `alpha` are part of the type so that a forgotten conversion does not compile.
 */
export type Raster = {
  readonly width: number;
  readonly height: number;
  readonly transfer: 'srgb';
  readonly alpha: 'straight';
  readonly data: Uint8ClampedArray<ArrayBuffer>;
};

export function raster(width: number, height: number, data?: Uint8ClampedArray<ArrayBuffer>): Raster {
  const pixels = data ?? new Uint8ClampedArray(width * height * 4);
  if (pixels.length !== width * height * 4) throw new Error('raster size does not match its data');
  return { width, height, transfer: 'srgb', alpha: 'straight', data: pixels };
}

/** The raster over an opaque colour: itself where it is opaque already; the source is not changed. */
export function flatten(source: Raster, rgb: readonly [number, number, number]): Raster {
  if (!hasTransparency(source)) return source;
  const out = raster(source.width, source.height);
  for (let i = 0; i < source.data.length; i += 4) {
    const a = source.data[i + 3] / 255;
    for (let c = 0; c < 3; c++) out.data[i + c] = source.data[i + c] * a + rgb[c] * (1 - a);
    out.data[i + 3] = 255;
  }
  return out;
}

export function hasTransparency(source: Raster): boolean {
  for (let i = 3; i < source.data.length; i += 4) if (source.data[i] !== 255) return true;
  return false;
}

/** The picture cut to what is not clear in it, with a margin of clear pixels; itself where all of it is clear. */
export function cropped(source: Raster, marginPx: number): Raster {
  const { width, height, data } = source;
  let [x0, y0, x1, y1] = [width, height, -1, -1];
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      if (data[(y * width + x) * 4 + 3] === 0) continue;
      if (x < x0) x0 = x;
      if (x > x1) x1 = x;
      if (y < y0) y0 = y;
      y1 = y;
    }
  }
  if (x1 < 0) return source;
  const out = raster(x1 - x0 + 1 + 2 * marginPx, y1 - y0 + 1 + 2 * marginPx);
  for (let y = y0; y <= y1; y++) {
    const from = (y * width + x0) * 4;
    out.data.set(data.subarray(from, from + (x1 - x0 + 1) * 4), ((y - y0 + marginPx) * out.width + marginPx) * 4);
  }
  return out;
}
