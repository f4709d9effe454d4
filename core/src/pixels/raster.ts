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

/** A box of whole pixels; it may reach beyond the picture that it is of. */
export type PixelBox = { readonly x: number; readonly y: number; readonly width: number; readonly height: number };

/** The box round what is not clear in a picture, with a margin; null where all of it is clear. */
export function inkBox({ width, height, data }: Raster, marginPx: number): PixelBox | null {
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
  if (x1 < 0) return null;
  const [w, h] = [x1 - x0 + 1, y1 - y0 + 1];
  return { x: x0 - marginPx, y: y0 - marginPx, width: w + 2 * marginPx, height: h + 2 * marginPx };
}

/** The part of a picture in a box; clear where the box reaches beyond it. */
export function cropped({ width, height, data }: Raster, box: PixelBox): Raster {
  const out = raster(box.width, box.height);
  const [x0, x1] = [Math.max(0, box.x), Math.min(width, box.x + box.width)];
  if (x1 <= x0) return out;
  for (let y = Math.max(0, box.y); y < Math.min(height, box.y + box.height); y++) {
    const row = data.subarray((y * width + x0) * 4, (y * width + x1) * 4);
    out.data.set(row, ((y - box.y) * box.width + (x0 - box.x)) * 4);
  }
  return out;
}
