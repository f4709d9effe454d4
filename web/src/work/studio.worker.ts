import { zipSync } from 'fflate';
import { type Finding, type Result, fail, ok } from '@yosomi/core/base';
import { type Hex, palette } from '@yosomi/core/colour';
import { compose } from '@yosomi/core/compose';
import { GLANCE_WIDTHS } from '@yosomi/core/glance';
import { type ImageInfo, readImage, stripMetadata } from '@yosomi/core/image-file';
import type { Doc } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import { type Raster, raster, shrink } from '@yosomi/core/pixels';
import { type Asset, Book, type Project, assetId, packProject, unpackProject } from '@yosomi/core/project';
import {
  type Delivered,
  type Settled,
  type Start,
  type WordsReport,
  artKey,
  bookThickness,
  composePromo,
  coverRaster,
  ebookFile,
  gather,
  jpegFile,
  mockupArt,
  pngFile,
  promoRaster,
  settledCover,
  spineStrip,
  startFromFinished,
  startFromPicture,
  storeImage,
} from '@yosomi/core/recipe';
import { findProfile } from '@yosomi/core/stores';
import { type Remote, expose, transfer, wrap } from 'comlink';
import { BrowserStudio, decodeUpright } from './browser-studio';
import type { TracerApi } from './tracer.worker';

/** A picture file that was checked and stripped; `sample` is small. */
export type TakenPicture = { readonly asset: Asset; readonly bytes: Uint8Array<ArrayBuffer>; readonly sample: Raster };

/** The cover as the editor shows it. */
export type CoverView = {
  readonly bitmap: ImageBitmap;
  readonly thumbs: readonly ImageBitmap[];
  readonly reports: ReadonlyMap<string, WordsReport>;
  readonly frames: ReadonlyMap<string, Rect>;
  readonly findings: readonly Finding[];
  readonly added: Settled['added'];
};

/** The promo as the editor shows it; `doc` is the promo in the colours it is shown in. */
export type PromoView = {
  readonly bitmap: ImageBitmap;
  readonly frames: ReadonlyMap<string, Rect>;
  readonly findings: readonly Finding[];
  readonly doc: Doc;
};

const studio = new BrowserStudio();
const tracers: Remote<TracerApi>[] = [];
const SAMPLE_PX = 400;

const bitmapOf = (r: Raster): Promise<ImageBitmap> => createImageBitmap(new ImageData(r.data, r.width, r.height));

/** Scrims of the last measured cover, for quick views while something is dragged. */
let lastAdded: { book: string; added: Settled['added'] } = { book: '', added: [] };

function upright(info: ImageInfo): { widthPx: number; heightPx: number } {
  const { widthPx, heightPx, orientation } = info;
  return orientation >= 5 ? { widthPx: heightPx, heightPx: widthPx } : { widthPx, heightPx };
}

const api = {
  /** Checks, strips and decodes a picture file. */
  async takePicture(bytes: Uint8Array<ArrayBuffer>, name: string): Promise<Result<TakenPicture>> {
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

  startFromPicture: (start: Start, taken: TakenPicture): Book => startFromPicture(start, taken.asset, taken.sample),
  startFromFinished: (start: Start, taken: TakenPicture): Book => startFromFinished(start, taken.asset, taken.sample),

  /** The cover with thumbnails and measurements; `quick` keeps the last scrims and measures nothing. */
  async coverView(input: Book, widthPx: number, quick: boolean): Promise<CoverView> {
    const book = Book.parse(input);
    if (quick && lastAdded.book === book.id) {
      const { resources, images } = await gather(book.cover, book.brief, studio, widthPx);
      const composition = compose(book.cover, book.brief, resources, lastAdded.added);
      const view = studio.paint(composition.ink, widthPx, images);
      const bitmap = await bitmapOf(view);
      const { frames, findings } = composition;
      return transfer({ bitmap, thumbs: [], reports: new Map(), frames, findings, added: lastAdded.added }, [bitmap]);
    }
    const { settled, images } = await settledCover(book, studio, Math.max(widthPx, 800));
    lastAdded = { book: book.id, added: settled.added };
    const full = studio.paint(settled.composition.ink, Math.max(widthPx, 800), images);
    const view = shrink(full, widthPx, Math.round((widthPx * full.height) / full.width));
    const bitmap = await bitmapOf(view);
    const thumbs = await Promise.all(
      GLANCE_WIDTHS.map((w) => bitmapOf(shrink(full, w, Math.round((w * full.height) / full.width)))),
    );
    const { reports, findings, added } = settled;
    return transfer({ bitmap, thumbs, reports, frames: settled.composition.frames, findings, added }, [
      bitmap,
      ...thumbs,
    ]);
  },

  async coverBitmap(input: Book, widthPx: number): Promise<ImageBitmap> {
    const book = Book.parse(input);
    const full = await coverRaster(book, Math.max(widthPx, 400), studio);
    const bitmap = await bitmapOf(shrink(full, widthPx, Math.round((widthPx * full.height) / full.width)));
    return transfer(bitmap, [bitmap]);
  },

  /** Main colours of the cover, for choosing others that go with it. */
  async coverColours(input: Book): Promise<Hex[]> {
    const small = await coverRaster(Book.parse(input), 160, studio);
    return palette(small, 7).map((swatch) => swatch.hex);
  },

  /** Takes a line to a tracer, so that art goes there without a stop on the page. */
  connect(port: MessagePort): void {
    tracers.push(wrap<TracerApi>(port));
  },

  /** Makes the art of a mockup and hands it to every tracer under its key. */
  async sendArt(input: Book): Promise<void> {
    const book = Book.parse(input);
    const art = await mockupArt(book, studio);
    await Promise.all(tracers.map((t) => t.load(artKey(book), art, bookThickness(book), book.brief.pageCount)));
  },

  async spineBitmap(input: Book, widthPx: number, heightPx: number, head: number): Promise<ImageBitmap> {
    const bitmap = await bitmapOf(await spineStrip(Book.parse(input), { widthPx, heightPx }, head, studio));
    return transfer(bitmap, [bitmap]);
  },

  async promoView(input: Book, mockup: Raster, widthPx: number): Promise<PromoView> {
    const book = Book.parse(input);
    const { doc, composition, images } = await composePromo(book, mockup, studio);
    const bitmap = await bitmapOf(studio.paint(composition.ink, widthPx, images));
    const { frames, findings } = composition;
    return transfer({ bitmap, frames, findings, doc }, [bitmap]);
  },

  promoPixels: (input: Book, mockup: Raster): Promise<Raster> => {
    const book = Book.parse(input);
    return promoRaster(book, mockup, book.promo.widthPx, studio);
  },

  png: (pixels: Raster, clear: boolean): Result<Delivered> => pngFile(pixels, clear),

  jpeg: (pixels: Raster): Promise<Uint8Array<ArrayBuffer>> => jpegFile(pixels, studio),

  async storeImage(input: Book, store: string) {
    const profile = findProfile(store);
    return profile ? storeImage(Book.parse(input), profile, studio) : fail('store-unknown', { store });
  },

  ebook: (input: Book, modified: string) => ebookFile(Book.parse(input), modified, studio),

  zip(files: readonly { name: string; bytes: Uint8Array }[]): Uint8Array<ArrayBuffer> {
    const entries = Object.fromEntries(files.map((file) => [file.name, [file.bytes, { level: 0 as const }] as const]));
    return zipSync(entries as Record<string, [Uint8Array, { level: 0 }]>) as Uint8Array<ArrayBuffer>;
  },

  pack: (project: Project): Uint8Array<ArrayBuffer> => packProject(project),
  unpack: (bytes: Uint8Array): Result<Project> => unpackProject(bytes),
};

export type StudioApi = typeof api;
expose(api);
