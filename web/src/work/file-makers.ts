import { type Finding, type Result, fail, ok } from '@yosomi/core/base';
import { rgbOf } from '@yosomi/core/colour';
import { edgeColour } from '@yosomi/core/compose';
import { checkEpub } from '@yosomi/core/ebook';
import { inGreys } from '@yosomi/core/glance';
import { type ImageInfo, readDelivered } from '@yosomi/core/image-file';
import { type Raster, shrink } from '@yosomi/core/pixels';
import { Book } from '@yosomi/core/project';
import {
  type BookletFormat,
  type Delivered,
  type Measure,
  type PlainFormat,
  REFRAMES,
  type Reframe,
  type Studio,
  type Wishes,
  bookletFileOf,
  coverRaster,
  ebookFile,
  ebookPicture,
  examineImage,
  fitsRatio,
  formatFor,
  missingFile,
  pdfFile,
  plainFile,
  rememberMeasure,
  repairImage,
  storeImage,
  svgFile,
} from '@yosomi/core/recipe';
import { type Profile, type StoreFormat, findProfile } from '@yosomi/core/stores';
import { transfer } from 'comlink';

type Bytes = Uint8Array<ArrayBuffer>;

/** An image from outside as a store sees it, with a small picture of it. */
export type CheckedImage = { readonly info: ImageInfo; readonly findings: readonly Finding[]; readonly small: Raster };

/** A copy of an image, mended in one way. */
export type Mended = Delivered & { readonly way: Reframe; readonly small: Raster };

const SMALL_PX = 360;
const PAPER_GREYS = 16;

/** Files of titles, and files from outside, for the press. */
export const fileMakers = (studio: Studio) => ({
  /** `known` is what the screen has measured of a cover; it is used if it is this one. */
  async storeImage(input: Book, store: string, wishes: Wishes, known: { key: string; measure: Measure } | null) {
    if (known) rememberMeasure(studio, known.key, known.measure);
    const profile = findProfile(store, wishes.stores);
    if (!profile) return fail('store-unknown', { store });
    return storeImage(Book.parse(input), profile, studio, formatFor(profile, wishes));
  },

  plain: (input: Book, format: PlainFormat, size: { widthPx: number; heightPx: number }, modified: string) =>
    plainFile(Book.parse(input), format, size, modified, studio),

  pdf: (input: Book, modified: string, wishes: Wishes) => pdfFile(Book.parse(input), modified, studio, wishes.page),
  booklet: (input: Book, modified: string, format: BookletFormat) =>
    bookletFileOf(Book.parse(input), modified, format, studio),
  svg: (input: Book) => svgFile(Book.parse(input), studio),
  ebook: (input: Book, modified: string) => ebookFile(Book.parse(input), modified, studio),

  /** The cover as the picture inside an ebook. */
  ebookPicture: (input: Book) => ebookPicture(Book.parse(input), studio),

  async checkImage(bytes: Bytes, profile: Profile): Promise<Result<CheckedImage>> {
    const info = readDelivered(bytes);
    if (!info.ok) return info;
    const read = await examineImage(bytes, profile, studio);
    if (!read.ok) return read;
    const { findings, pixels } = read.value;
    const k = Math.min(1, SMALL_PX / pixels.width);
    return ok({ info: info.value, findings, small: shrink(pixels, pixels.width * k, pixels.height * k) });
  },

  /** Copies that the store takes, in each way there is, each with a small picture of it. */
  async repairImage(bytes: Bytes, profile: Profile, format?: StoreFormat): Promise<Result<readonly Mended[]>> {
    const info = readDelivered(bytes);
    if (!info.ok) return info;
    const side = info.value.orientation >= 5;
    const { widthPx: w, heightPx: h } = info.value;
    const upright = side ? { widthPx: h, heightPx: w } : { widthPx: w, heightPx: h };
    const ways = fitsRatio(upright, profile) ? (['whole'] as const) : REFRAMES;
    const made: Mended[] = [];
    for (const way of ways) {
      const one = await repairImage(bytes, profile, studio, format, way);
      if (!one.ok) return one;
      const pixels = await studio.decode(one.value.bytes);
      if (!pixels) return fail('work-failed');
      const k = Math.min(1, SMALL_PX / Math.max(pixels.width, pixels.height));
      made.push({ way, ...one.value, small: shrink(pixels, pixels.width * k, pixels.height * k) });
    }
    return ok(made);
  },

  /** A picture within a screen of electronic paper; null where it cannot be decoded. */
  async onPaper(bytes: Bytes, widthPx: number, heightPx: number): Promise<ImageBitmap | null> {
    const pixels = await studio.decode(bytes);
    if (!pixels) return null;
    const k = Math.min(1, widthPx / pixels.width, heightPx / pixels.height);
    const greys = inGreys(shrink(pixels, pixels.width * k, pixels.height * k), PAPER_GREYS);
    const bitmap = await createImageBitmap(new ImageData(greys.data, greys.width, greys.height));
    return transfer(bitmap, [bitmap]);
  },

  /** The cover as the picture of a PDF page, with the colour of its edge. */
  async pdfCover(
    input: Book,
  ): Promise<Result<{ jpeg: Bytes; widthPx: number; heightPx: number; ground: readonly [number, number, number] }>> {
    const book = Book.parse(input);
    const lost = await missingFile(book, 'cover', studio);
    if (lost) return { ok: false, fault: lost };
    const pixels = await coverRaster(book, book.cover.widthPx, studio);
    const jpeg = await studio.encodeJpeg(pixels, 92, false);
    return ok({ jpeg, widthPx: pixels.width, heightPx: pixels.height, ground: rgbOf(edgeColour(pixels)) });
  },

  checkEpub: (file: Blob, mostPixels?: number): Promise<Finding[]> => checkEpub(file, mostPixels),
});
