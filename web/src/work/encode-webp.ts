import type { Raster } from '@yosomi/core/pixels';

/** Lossy WebP by the browser, transparent where the picture is; null where this browser cannot write the format. `quality` is 0..1. */
export async function encodeWebp(pixels: Raster, quality: number): Promise<Uint8Array<ArrayBuffer> | null> {
  const canvas = new OffscreenCanvas(pixels.width, pixels.height);
  canvas.getContext('2d')?.putImageData(new ImageData(pixels.data, pixels.width, pixels.height), 0, 0);
  const blob = await canvas.convertToBlob({ type: 'image/webp', quality });
  return blob.type === 'image/webp' ? new Uint8Array(await blob.arrayBuffer()) : null;
}
