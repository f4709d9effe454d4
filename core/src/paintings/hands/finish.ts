import { raster, type Raster } from '../../pixels';
import { type Rgb, rgbOf, type Hex } from '../../colour';
import type { Canvas } from '../canvas';

/** Calls back for every pixel: index, place in pixels, place in widths. */
export function eachPixel(
  { width, height, k }: Canvas,
  visit: (i: number, x: number, y: number, u: number, v: number) => void,
): void {
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) visit(y * width + x, x, y, (x + 0.5) / k, (y + 0.5) / k);
}

/** The canvas as a picture. */
export function rasterOf({ width, height, rgb }: Canvas): Raster {
  const out = raster(width, height);
  for (let i = 0, n = width * height; i < n; i++) {
    for (let c = 0; c < 3; c++) out.data[i * 4 + c] = rgb[i * 3 + c] * 255;
    out.data[i * 4 + 3] = 255;
  }
  return out;
}

/** RGB 0..1. */
export const unit = (hex: Hex): Rgb => {
  const [r, g, b] = rgbOf(hex);
  return [r / 255, g / 255, b / 255];
};

/** How light a pixel looks, 0..1. */
export const lightness = (rgb: ArrayLike<number>, i: number): number =>
  0.2126 * rgb[i * 3] + 0.7152 * rgb[i * 3 + 1] + 0.0722 * rgb[i * 3 + 2];
