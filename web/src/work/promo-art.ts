import type { Finding, Result } from '@yosomi/core/base';
import type { Doc } from '@yosomi/core/cover';
import type { Rect } from '@yosomi/core/plane';
import type { MotionKind } from '@yosomi/core/motion';
import type { Raster } from '@yosomi/core/pixels';
import { Book } from '@yosomi/core/project';
import { type Slot } from '@yosomi/core/promo';
import {
  type Delivered,
  type FlatSource,
  type Others,
  type PromoAt,
  type PromoJob,
  type PromoPicture,
  type PromoWish,
  type Studio,
  bookAt,
  composePromo,
  coverPicture,
  imagesOf,
  missingFile,
  motionsOf,
  partPictures,
  pictureKey,
  promoDoc,
  promoFile,
  promoFindings,
  promoPictures,
  promoRaster,
  promoWords,
} from '@yosomi/core/recipe';
import { transfer } from 'comlink';
import { PART_PX, bitmapOf, bitmapsOf } from './bitmaps';
import { LRUCache } from 'lru-cache';
import type { SurfaceImage } from '@yosomi/core/ink';

/** A picture that promos place, by the key of what it is made from. */
export type KeyedPicture = PromoPicture & { readonly key: string };

/** A promo as the contact sheet shows it. */
export type PromoTile = {
  readonly bitmap: ImageBitmap;
  readonly dropped: readonly Slot[];
  readonly look: string;
  /** Where its wrapping is torn, fractions of the cover; null where it has none. */
  readonly hole: { readonly x: number; readonly y: number } | null;
  /** What of it can move. */
  readonly motions: readonly MotionKind[];
};

/** A promo as it is worked on. `ruled` is the promo by its rule alone; null where it is drawn by hand. */
export type PromoView = PromoTile & {
  readonly frames: ReadonlyMap<string, Rect>;
  readonly findings: readonly Finding[];
  readonly doc: Doc;
  readonly ruled: Doc | null;
  /** Each part by itself, small. */
  readonly pictures: ReadonlyMap<string, ImageBitmap>;
};

function holeOf(doc: Doc): PromoTile['hole'] {
  for (const part of Object.values(doc.parts))
    if (part.kind === 'picture' && part.source.kind === 'reveal') return part.source.at;
  return null;
}

const KEPT_PIXELS = 60_000_000;

/** What a worker does for promos: it keeps the pictures that they place, so that words are laid anew without tracing anything. */
export function promoArt(studio: Studio) {
  const kept = new LRUCache<string, SurfaceImage>({
    maxSize: KEPT_PIXELS,
    sizeCalculation: (image) => image.widthPx * image.heightPx,
  });
  const read = (input: Book, shown: readonly Book[]): { book: Book; others: Others } => ({
    book: Book.parse(input),
    others: new Map(shown.map((one) => [one.id, one])),
  });
  const picturesBy = (keys: Readonly<Record<string, string>>): Map<string, SurfaceImage> =>
    new Map(
      Object.entries(keys).flatMap(([name, key]) => {
        const image = kept.get(key);
        return image ? [[name, image] as const] : [];
      }),
    );
  return {
    /** The pictures that promos place where each is shown `widthPx` wide, and which of them are not here yet. */
    async promoPlan(
      input: Book,
      shown: readonly Book[],
      asks: readonly { readonly at: PromoAt; readonly widthPx: number }[],
      quick: boolean,
    ): Promise<{ names: string[][]; pictures: KeyedPicture[]; lacking: string[] }> {
      const { book, others } = read(input, shown);
      const all = new Map<string, PromoPicture>();
      const names: string[][] = [];
      for (const { at, widthPx } of asks) {
        const { doc } = await promoDoc(book, at, others, studio);
        const own = promoPictures(doc, book.brief, widthPx);
        names.push(own.map(({ name }) => name));
        for (const picture of own) {
          const before = all.get(picture.name);
          if (!before || before.widthPx < picture.widthPx) all.set(picture.name, picture);
        }
      }
      // A quick picture never stands in for a finished one, but a finished one for it.
      // What is made while something is missing is made anew when that is there again.
      const lacks = await Promise.all(
        [...new Set(asks.map(({ at }) => at.campaign))].map((campaign) =>
          missingFile({ ...book, promos: { [campaign.id]: campaign } }, 'promo', studio, others),
        ),
      );
      const state = lacks.some((lost) => lost !== null) ? ' lacking' : '';
      const keyed = (one: PromoPicture): string => {
        const key = `${pictureKey(book, one, others)}${state}`;
        return quick && !kept.has(key) ? `${key} quick` : key;
      };
      const pictures = [...all.values()].map((one) => ({ ...one, key: keyed(one) }));
      return { names, pictures, lacking: pictures.filter(({ key }) => !kept.has(key)).map(({ key }) => key) };
    },

    keepPicture(key: string, pixels: Raster): void {
      kept.set(key, studio.imageOf(pixels));
    },

    async keepCover(input: Book, source: FlatSource, widthPx: number, key: string): Promise<void> {
      kept.set(key, studio.imageOf(await coverPicture(Book.parse(input), source, widthPx, studio)));
    },

    async promoTile(
      input: Book,
      shown: readonly Book[],
      at: PromoAt,
      widthPx: number,
      keys: Readonly<Record<string, string>>,
    ): Promise<PromoTile> {
      const { book, others } = read(input, shown);
      const made = await composePromo(book, at, picturesBy(keys), widthPx, others, studio);
      const bitmap = await bitmapOf(studio.paint(made.composition.ink, widthPx, made.images));
      const motions = motionsOf(made.doc, bookAt(book, at), others);
      const { dropped, look } = made;
      return transfer({ bitmap, dropped, look, hole: holeOf(made.doc), motions }, [bitmap]);
    },

    async promoView(
      input: Book,
      shown: readonly Book[],
      at: PromoAt,
      widthPx: number,
      keys: Readonly<Record<string, string>>,
    ): Promise<PromoView> {
      const { book, others } = read(input, shown);
      const pictures = picturesBy(keys);
      const made = await composePromo(book, at, pictures, widthPx, others, studio);
      const bitmap = await bitmapOf(studio.paint(made.composition.ink, widthPx, made.images));
      const { findings } = await promoWords(book, at, pictures, others, studio);
      const { doc, ruled, dropped, look } = made;
      const motions = motionsOf(doc, bookAt(book, at), others);
      const { frames } = made.composition;
      const parts = partPictures(made.composition, Object.keys(doc.parts), made.images, studio, PART_PX);
      const small = await bitmapsOf(parts);
      return transfer(
        { bitmap, frames, findings, doc, ruled, dropped, look, hole: holeOf(doc), motions, pictures: small },
        [bitmap, ...small.values()],
      );
    },

    /** What of a promo cannot be read, or was left out, measured on its pixels. */
    async promoSeen(
      input: Book,
      shown: readonly Book[],
      at: PromoAt,
      keys: Readonly<Record<string, string>>,
    ): Promise<readonly Finding[]> {
      const { book, others } = read(input, shown);
      return (await promoWords(book, at, picturesBy(keys), others, studio)).findings;
    },

    promoDocOf: async (input: Book, shown: readonly Book[], at: PromoAt): Promise<Doc> => {
      const { book, others } = read(input, shown);
      return (await promoDoc(book, at, others, studio)).doc;
    },

    coverPicture: (input: Book, source: FlatSource, widthPx: number): Promise<Raster> =>
      coverPicture(Book.parse(input), source, widthPx, studio),

    async promoPixels({ book, at, pictures, others, widthPx }: PromoJob): Promise<Raster> {
      const made = await promoRaster(Book.parse(book), at, imagesOf(pictures, studio), widthPx, others, studio);
      return transfer(made, [made.data.buffer]);
    },

    promoFindings: ({ book, at, pictures, others }: PromoJob): Promise<Finding[]> =>
      promoFindings(Book.parse(book), at, imagesOf(pictures, studio), others, studio),

    promoFile: (job: PromoJob, wish: PromoWish): Promise<Result<Delivered>> => promoFile(job, wish, studio),
  };
}
