import { type Result, fail, ok } from '../base';
import { untold } from '../book';
import { formatOf, readImage, stripMetadata, writePng } from '../image-file';
import { type Raster, raster } from '../pixels';
import { type Asset, assetId } from '../project';
import { readSvg } from '../vector';
import { SCREEN_PPI } from './delivered';
import { pngFile } from './deliverables';
import { drawingRaster } from './drawing';
import type { Studio } from './studio';

/** A picture file that was checked and stripped; `sample` is small. */
export type TakenPicture = { readonly asset: Asset; readonly bytes: Uint8Array<ArrayBuffer>; readonly sample: Raster };

const SAMPLE_PX = 400;
/** Longer side of a picture made from an SVG: sharp on a whole cover. */
const SVG_PX = 3200;
const TURNED_QUALITY = 95;

/**
 * A picture file as a title keeps it: upright, and without what a camera wrote into it. A turned photograph is turned
 * once and for all, so that no reader has to know of the tag. Of an SVG only the shapes are read, and they become pixels at
 * once. Faults: those of `readImage` and `readSvg`, and `image-damaged`.
 */
export async function takePicture(
  input: Uint8Array<ArrayBuffer>,
  name: string,
  studio: Studio,
): Promise<Result<TakenPicture>> {
  const found = formatOf(input);
  const svg = typeof found === 'object' && found.other === 'an SVG';
  const bytes = svg ? await drawn(input, studio) : ok(input);
  if (!bytes.ok) return bytes;
  const read = readImage(bytes.value);
  if (!read.ok) return read;
  const { format, orientation } = read.value;
  const image = await studio.opened(bytes.value);
  if (!image) return fail('image-damaged', { format: format.toUpperCase() });
  const { widthPx, heightPx } = image;
  let stored = { format, bytes: stripMetadata(bytes.value, read.value) };
  if (orientation !== 1) {
    const pixels = studio.pixelsOf(image);
    stored =
      format === 'jpeg'
        ? { format, bytes: await studio.encodeJpeg(pixels, TURNED_QUALITY, false) }
        : { format: 'png', bytes: writePng(pixels, SCREEN_PPI) };
  }
  const asset: Asset = {
    id: assetId(stored.bytes),
    format: stored.format,
    widthPx,
    heightPx,
    name: name.slice(0, 200) || 'Picture',
    rights: untold,
  };
  const small = studio.pixelsOf(widthPx > SAMPLE_PX ? studio.resized(image, SAMPLE_PX) : image);
  return ok({ asset, bytes: stored.bytes, sample: raster(small.width, small.height, small.data) });
}

async function drawn(svg: Uint8Array, studio: Studio): Promise<Result<Uint8Array<ArrayBuffer>>> {
  const drawing = readSvg(svg);
  if (!drawing.ok) return drawing;
  const png = pngFile(await drawingRaster(drawing.value, SVG_PX, null, studio), true);
  return png.ok ? ok(png.value.bytes) : png;
}
