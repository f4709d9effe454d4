import { zipSync } from 'fflate';
import { type RasterLayer, animatedWebp, openRaster } from '@yosomi/core/image-file';
import type { Raster } from '@yosomi/core/pixels';

/** Lossy WebP, transparent where the picture is; null where this browser cannot write the format. */
async function encodeWebp(pixels: Raster): Promise<Uint8Array<ArrayBuffer> | null> {
  const canvas = new OffscreenCanvas(pixels.width, pixels.height);
  canvas.getContext('2d')?.putImageData(new ImageData(pixels.data, pixels.width, pixels.height), 0, 0);
  const blob = await canvas.convertToBlob({ type: 'image/webp', quality: 0.92 });
  return blob.type === 'image/webp' ? new Uint8Array(await blob.arrayBuffer()) : null;
}

/** Files of pictures that are made already. */
export const pictureFiles = {
  webp: encodeWebp,

  /** Still WebP files as one animation, over and over. */
  animation: (
    stills: readonly Uint8Array[],
    widthPx: number,
    heightPx: number,
    frameMs: number,
  ): Uint8Array<ArrayBuffer> => animatedWebp(stills, widthPx, heightPx, frameMs, true),

  /** Layers apart, in one OpenRaster file. */
  openRaster: (layers: readonly RasterLayer[], merged: Raster): Uint8Array<ArrayBuffer> => openRaster(layers, merged),

  /** Finished files in one zip, as they are. */
  zip(files: readonly { name: string; bytes: Uint8Array }[]): Uint8Array<ArrayBuffer> {
    const entries = Object.fromEntries(files.map((file) => [file.name, [file.bytes, { level: 0 as const }] as const]));
    return zipSync(entries as Record<string, [Uint8Array, { level: 0 }]>) as Uint8Array<ArrayBuffer>;
  },
};
