import { createCanvas, loadImage } from '@napi-rs/canvas';
import { type Result, fail, ok } from '@yosomi/core/base';
import { type ImageInfo, liesOnSide, readImage, stripMetadata, uprightMap } from '@yosomi/core/image-file';
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
  try {
    const image = await loadImage(Buffer.from(stripped));
    const side = liesOnSide(info.orientation);
    const width = side ? info.heightPx : info.widthPx;
    const height = side ? info.widthPx : info.heightPx;
    const canvas = createCanvas(width, height);
    const context = canvas.getContext('2d');
    context.setTransform(...uprightMap(info.orientation, info.widthPx, info.heightPx));
    context.drawImage(image, 0, 0);
    const { data } = context.getImageData(0, 0, width, height);
    return ok({ info, stripped, raster: raster(width, height, new Uint8ClampedArray(data)) });
  } catch {
    return fail('image-damaged', { format: info.format.toUpperCase() });
  }
}
