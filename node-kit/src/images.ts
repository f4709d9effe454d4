import { ImageData, createCanvas, loadImage } from '@napi-rs/canvas';
import { type Result, fail, ok } from '@yosomi/core/base';
import {
  type ImageInfo,
  decodeTiff,
  liesOnSide,
  readDelivered,
  readImage,
  stripMetadata,
  uprightMap,
} from '@yosomi/core/image-file';
import { type Raster, raster } from '@yosomi/core/pixels';

export type DecodedImage = {
  readonly info: ImageInfo;
  readonly stripped: Uint8Array<ArrayBuffer>;
  readonly raster: Raster;
};

/** Checks, strips and decodes an image file, upright. Faults: those of `readImage`, and `image-damaged`. */
export async function decodeImage(bytes: Uint8Array): Promise<Result<DecodedImage>> {
  const read = readImage(bytes);
  if (!read.ok) return read;
  const info = read.value;
  const stripped = stripMetadata(bytes, info);
  const pixels = await upright(stripped, info);
  return pixels ? ok({ info, stripped, raster: pixels }) : fail('image-damaged', { format: info.format.toUpperCase() });
}

/** The same for any image that a store may be sent. Faults: those of `readDelivered`, and `image-damaged`. */
export async function decodeDelivered(bytes: Uint8Array): Promise<Result<{ info: ImageInfo; raster: Raster }>> {
  const read = readDelivered(bytes);
  if (!read.ok) return read;
  const info = read.value;
  const { format } = info;
  const stored =
    format === 'tiff' || format === 'avif' ? new Uint8Array(bytes) : stripMetadata(bytes, { ...info, format });
  const pixels = await upright(stored, info);
  return pixels ? ok({ info, raster: pixels }) : fail('image-damaged', { format: format.toUpperCase() });
}

/** Pixels turned as the orientation says; the tag itself is gone. AVIF is turned by its decoder. */
async function upright(bytes: Uint8Array<ArrayBuffer>, info: ImageInfo): Promise<Raster | null> {
  try {
    const tiff = info.format === 'tiff' ? decodeTiff(bytes) : null;
    if (info.format === 'tiff' && (!tiff || info.orientation === 1)) return tiff;
    const image = tiff ? canvasOf(tiff) : await loadImage(Buffer.from(bytes));
    const orientation = info.format === 'avif' ? 1 : info.orientation;
    const side = liesOnSide(info.orientation);
    const [width, height] = side ? [info.heightPx, info.widthPx] : [info.widthPx, info.heightPx];
    const canvas = createCanvas(width, height);
    const context = canvas.getContext('2d');
    context.setTransform(...uprightMap(orientation, info.widthPx, info.heightPx));
    context.drawImage(image, 0, 0);
    const { data } = context.getImageData(0, 0, width, height);
    return raster(width, height, new Uint8ClampedArray(data));
  } catch {
    return null;
  }
}

function canvasOf(source: Raster) {
  const canvas = createCanvas(source.width, source.height);
  canvas.getContext('2d').putImageData(new ImageData(source.data, source.width, source.height), 0, 0);
  return canvas;
}
