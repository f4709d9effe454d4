import { type Result, fail, ok } from '@yosomi/core/base';
import { type ImageInfo, formatOf, readImage, stripMetadata } from '@yosomi/core/image-file';
import { type Raster, raster } from '@yosomi/core/pixels';
import { type Asset, assetId } from '@yosomi/core/project';
import { drawingRaster, pngFile } from '@yosomi/core/recipe';
import { type FontInfo, readFontFile } from '@yosomi/core/text';
import { type Drawing, type TraceOptions, readSvg, traceRaster } from '@yosomi/core/vector';
import { type BrowserStudio, decodeUpright } from './browser-studio';
import { unpackFont } from './unpack-font';

/** A picture file that was checked and stripped; `sample` is small. */
export type TakenPicture = { readonly asset: Asset; readonly bytes: Uint8Array<ArrayBuffer>; readonly sample: Raster };

/** A person's own font, unpacked: `lacks` are the letters of the given words that it does not have. */
export type TakenFont = Pick<FontInfo, 'name'> & {
  readonly format: 'ttf' | 'otf';
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly lacks: readonly string[];
};

const SAMPLE_PX = 400;
/** Longer side of a picture made from an SVG: sharp on a whole cover. */
const SVG_PX = 3200;

const isSvg = (bytes: Uint8Array): boolean => {
  const format = formatOf(bytes);
  return typeof format === 'object' && format.other === 'an SVG';
};

function upright(info: ImageInfo): { widthPx: number; heightPx: number } {
  const { widthPx, heightPx, orientation } = info;
  return orientation >= 5 ? { widthPx: heightPx, heightPx: widthPx } : { widthPx, heightPx };
}

/** What comes in from outside: pictures, drawings, marks and fonts, each checked before it is believed. */
export const takenIn = (studio: BrowserStudio) => ({
  /** Checks, strips and decodes a picture file. */
  async takePicture(input: Uint8Array<ArrayBuffer>, name: string): Promise<Result<TakenPicture>> {
    let bytes = input;
    if (isSvg(bytes)) {
      // Only its shapes are read, and they become pixels at once: no SVG is ever kept or shown.
      const drawing = readSvg(bytes);
      if (!drawing.ok) return drawing;
      const png = pngFile(await drawingRaster(drawing.value, SVG_PX, null, studio), true);
      if (!png.ok) return png;
      bytes = png.value.bytes;
    }
    const read = readImage(bytes);
    if (!read.ok) return read;
    const stripped = stripMetadata(bytes, read.value);
    const { orientation, format } = read.value;
    const canvas = await decodeUpright(bytes);
    if (!canvas) return fail('image-damaged', { format: format.toUpperCase() });
    const context = canvas.getContext('2d');
    if (!context) return fail('image-damaged', { format: format.toUpperCase() });
    let stored: Uint8Array<ArrayBuffer> = stripped;
    if (orientation !== 1) {
      // Turned once and for all, so that no reader has to know of the tag.
      const pixels = context.getImageData(0, 0, canvas.width, canvas.height).data as Uint8ClampedArray<ArrayBuffer>;
      stored = await studio.encodeJpeg(raster(canvas.width, canvas.height, pixels), 95, false);
    }
    const size = upright(read.value);
    const asset: Asset = {
      id: assetId(stored),
      format: orientation === 1 ? format : 'jpeg',
      ...size,
      name: name.slice(0, 200) || 'Picture',
      rights: '',
    };
    const k = Math.min(1, SAMPLE_PX / canvas.width);
    const small = new OffscreenCanvas(
      Math.max(1, Math.round(canvas.width * k)),
      Math.max(1, Math.round(canvas.height * k)),
    );
    const draw = small.getContext('2d');
    if (!draw) return fail('image-damaged', { format: format.toUpperCase() });
    draw.imageSmoothingQuality = 'high';
    draw.drawImage(canvas, 0, 0, small.width, small.height);
    const data = draw.getImageData(0, 0, small.width, small.height).data as Uint8ClampedArray<ArrayBuffer>;
    return ok({ asset, bytes: stored, sample: raster(small.width, small.height, data) });
  },

  takeDrawing: (bytes: Uint8Array<ArrayBuffer>): Result<Drawing> => readSvg(bytes),

  /** A picture of a mark as clean outlines, with a picture of them. */
  async traceMark(
    bytes: Uint8Array<ArrayBuffer>,
    options: TraceOptions,
  ): Promise<Result<{ drawing: Drawing; bitmap: ImageBitmap }>> {
    const read = readImage(bytes);
    if (!read.ok) return read;
    const canvas = await decodeUpright(bytes);
    if (!canvas) return fail('image-damaged', { format: read.value.format.toUpperCase() });
    const image = { widthPx: canvas.width, heightPx: canvas.height, source: canvas };
    const small = canvas.width > 960 ? studio.resized(image, 960) : image;
    const traced = traceRaster(studio.pixelsOf(small), options);
    if (!traced.ok) return traced;
    const shown = await drawingRaster(traced.value, 400, '#ffffff', studio);
    const bitmap = await createImageBitmap(new ImageData(shown.data, shown.width, shown.height));
    return ok({ drawing: traced.value, bitmap });
  },

  /** Checks a font file, unpacks a woff2, and says which letters of some words it lacks. */
  async takeFont(input: Uint8Array<ArrayBuffer>, words: string): Promise<Result<TakenFont>> {
    let bytes = input;
    let info = readFontFile(bytes);
    if (info.ok && info.value.format === 'woff2') {
      const plain = await unpackFont(bytes);
      if (!plain) return fail('font-damaged', { cut: '' });
      bytes = plain;
      info = readFontFile(bytes);
    }
    if (!info.ok) return info;
    const { name, format } = info.value;
    if (format === 'woff2') return fail('font-damaged', { cut: '' });
    await studio.loadFonts([]);
    const cut = `own/${assetId(bytes)}`;
    try {
      const added = studio.shaper.add(cut, bytes);
      if (!added.ok) return added;
    } catch {
      return fail('font-damaged', { cut: '' });
    }
    return ok({ name, format, bytes, lacks: studio.shaper.lacks(cut, words) });
  },
});
