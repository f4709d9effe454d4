import type { Raster } from '@yosomi/core/pixels';

const LONGER_PX = 320;

/** A picture so small that thousands can be kept, as a WebP file, or a PNG where this browser cannot write that. */
export async function smallFile(sample: Raster): Promise<Uint8Array<ArrayBuffer>> {
  const full = new OffscreenCanvas(sample.width, sample.height);
  full.getContext('2d')?.putImageData(new ImageData(sample.data, sample.width, sample.height), 0, 0);
  const k = Math.min(1, LONGER_PX / Math.max(sample.width, sample.height));
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(sample.width * k)),
    Math.max(1, Math.round(sample.height * k)),
  );
  const context = canvas.getContext('2d');
  if (context) context.imageSmoothingQuality = 'high';
  context?.drawImage(full, 0, 0, canvas.width, canvas.height);
  const blob = await canvas.convertToBlob({ type: 'image/webp', quality: 0.82 });
  return new Uint8Array(await blob.arrayBuffer());
}
