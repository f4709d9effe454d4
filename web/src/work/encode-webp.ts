import type { Raster } from '@yosomi/core/pixels';

/** Lossy WebP, transparent where the picture is; null where this browser cannot write the format. */
export async function encodeWebp(pixels: Raster): Promise<Uint8Array<ArrayBuffer> | null> {
  const canvas = new OffscreenCanvas(pixels.width, pixels.height);
  canvas.getContext('2d')?.putImageData(new ImageData(pixels.data, pixels.width, pixels.height), 0, 0);
  const blob = await canvas.convertToBlob({ type: 'image/webp', quality: 0.92 });
  return blob.type === 'image/webp' ? new Uint8Array(await blob.arrayBuffer()) : null;
}
