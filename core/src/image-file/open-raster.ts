import { zipSync } from 'fflate';
import { xml } from '../base';
import { type Raster, shrink } from '../pixels';
import { bytesOf } from './bytes';
import { writePng } from './png';

/** A layer of an open picture file; its top left corner lies at (x, y), px, 0 where nothing is said. */
export type RasterLayer = { readonly name: string; readonly pixels: Raster; readonly x?: number; readonly y?: number };

/** Where the layer of a place in the list is within the file. */
export const layerPath = (place: number): string => `data/layer${place}.png`;

const THUMB_PX = 256;

/**
 * An OpenRaster file (baseline of version 0.0.3): the layers, topmost first, as PNGs in a zip whose first
 * entry is the media type, with the merged picture and a thumbnail of at most 256 px. `more` are other files that go in,
 * which readers of the format leave alone.
 */
export function openRaster(
  layers: readonly RasterLayer[],
  merged: Raster,
  more: Readonly<Record<string, Uint8Array>> = {},
): Uint8Array<ArrayBuffer> {
  const { width, height } = merged;
  const stack = layers
    .map(
      ({ name, x = 0, y = 0 }, i) =>
        `    <layer name="${xml(name)}" src="${layerPath(i)}" x="${x}" y="${y}" opacity="1.0" visibility="visible" composite-op="svg:src-over" />`,
    )
    .join('\n');
  const stackXml = `<?xml version="1.0" encoding="UTF-8"?>\n<image version="0.0.3" w="${width}" h="${height}" xres="72" yres="72">\n  <stack>\n${stack}\n  </stack>\n</image>\n`;
  const k = Math.min(1, THUMB_PX / Math.max(width, height));
  const thumb =
    k < 1 ? shrink(merged, Math.max(1, Math.round(width * k)), Math.max(1, Math.round(height * k))) : merged;
  const stored = (bytes: Uint8Array) => [bytes, { level: 0 }] as [Uint8Array, { level: 0 }];
  const entries: Record<string, [Uint8Array, { level: 0 }]> = { mimetype: stored(bytesOf('image/openraster')) };
  entries['stack.xml'] = stored(new TextEncoder().encode(stackXml));
  layers.forEach(({ pixels }, i) => (entries[layerPath(i)] = stored(writePng(pixels, 72))));
  entries['mergedimage.png'] = stored(writePng(merged, 72));
  entries['Thumbnails/thumbnail.png'] = stored(writePng(thumb, 72));
  for (const [name, bytes] of Object.entries(more)) entries[name] = stored(bytes);
  return zipSync(entries) as Uint8Array<ArrayBuffer>;
}
