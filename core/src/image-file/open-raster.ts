import { zipSync } from 'fflate';
import { type Raster, shrink } from '../pixels';
import { bytesOf } from './bytes';
import { writePng } from './png';

/** A layer of an open picture file, as large as the whole picture. */
export type RasterLayer = { readonly name: string; readonly pixels: Raster };

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/"/g, '&quot;');

const THUMB_PX = 256;

/**
 * An OpenRaster file (baseline of version 0.0.3): the layers, topmost first, as PNGs in a zip whose first
 * entry is the media type, with the merged picture and a thumbnail of at most 256 px.
 */
export function openRaster(layers: readonly RasterLayer[], merged: Raster): Uint8Array<ArrayBuffer> {
  const { width, height } = merged;
  const stack = layers
    .map(({ name }, i) => `    <layer name="${escaped(name)}" src="data/layer${i}.png" x="0" y="0" opacity="1.0" visibility="visible" composite-op="svg:src-over" />`)
    .join('\n');
  const xml = `<?xml version="1.0" encoding="UTF-8"?>\n<image version="0.0.3" w="${width}" h="${height}" xres="72" yres="72">\n  <stack>\n${stack}\n  </stack>\n</image>\n`;
  const k = Math.min(1, THUMB_PX / Math.max(width, height));
  const thumb = k < 1 ? shrink(merged, Math.max(1, Math.round(width * k)), Math.max(1, Math.round(height * k))) : merged;
  const stored = (bytes: Uint8Array) => [bytes, { level: 0 }] as [Uint8Array, { level: 0 }];
  const entries: Record<string, [Uint8Array, { level: 0 }]> = { mimetype: stored(bytesOf('image/openraster')) };
  entries['stack.xml'] = stored(bytesOf(xml));
  layers.forEach(({ pixels }, i) => (entries[`data/layer${i}.png`] = stored(writePng(pixels, 72))));
  entries['mergedimage.png'] = stored(writePng(merged, 72));
  entries['Thumbnails/thumbnail.png'] = stored(writePng(thumb, 72));
  return zipSync(entries) as Uint8Array<ArrayBuffer>;
} // prettier-ignore
