import { type Result, fail, ok } from '@yosomi/core/base';
import { type Hex, palette } from '@yosomi/core/colour';
import { readImage } from '@yosomi/core/image-file';
import { assetId } from '@yosomi/core/project';
import { type TakenPicture, drawingRaster, takePicture } from '@yosomi/core/recipe';
import { type FontInfo, readFontFile } from '@yosomi/core/text';
import { type Drawing, type TraceOptions, readSvg, traceRaster } from '@yosomi/core/vector';
import type { BrowserStudio } from './browser-studio';
import { unpackFont } from './unpack-font';

/** A person's own font, unpacked: `lacks` are the letters of the given words that it does not have. */
export type TakenFont = Pick<FontInfo, 'name'> & {
  readonly format: 'ttf' | 'otf';
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly lacks: readonly string[];
};

/** What comes in from outside: pictures, drawings, marks and fonts, each checked before it is believed. */
export const takenIn = (studio: BrowserStudio) => ({
  takePicture: (bytes: Uint8Array<ArrayBuffer>, name: string): Promise<Result<TakenPicture>> =>
    takePicture(bytes, name, studio),

  takeDrawing: (bytes: Uint8Array<ArrayBuffer>): Result<Drawing> => readSvg(bytes),

  /** The main colours of a picture that is not kept. */
  async paletteOf(bytes: Uint8Array<ArrayBuffer>): Promise<Result<Hex[]>> {
    const read = readImage(bytes);
    if (!read.ok) return read;
    const image = await studio.opened(bytes);
    if (!image) return fail('image-damaged', { format: read.value.format.toUpperCase() });
    const small = image.widthPx > 320 ? studio.resized(image, 320) : image;
    return ok(palette(studio.pixelsOf(small), 6).map(({ hex }) => hex));
  },

  /** A picture of a mark as clean outlines, with a picture of them. */
  async traceMark(
    bytes: Uint8Array<ArrayBuffer>,
    options: TraceOptions,
  ): Promise<Result<{ drawing: Drawing; colours: number; bitmap: ImageBitmap }>> {
    const read = readImage(bytes);
    if (!read.ok) return read;
    const image = await studio.opened(bytes);
    if (!image) return fail('image-damaged', { format: read.value.format.toUpperCase() });
    const small = image.widthPx > 960 ? studio.resized(image, 960) : image;
    const traced = traceRaster(studio.pixelsOf(small), options);
    if (!traced.ok) return traced;
    const { drawing, colours } = traced.value;
    const shown = await drawingRaster(drawing, 400, null, studio);
    const bitmap = await createImageBitmap(new ImageData(shown.data, shown.width, shown.height));
    return ok({ drawing, colours, bitmap });
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
