import type { Finding } from '@yosomi/core/base';
import type { Page } from '@yosomi/core/booklet';
import { Book, hasPages } from '@yosomi/core/project';
import { bookletPage, bookletPages, pageFindings } from '@yosomi/core/recipe';
import { transfer } from 'comlink';
import { bitmapOf } from './bitmaps';
import type { BrowserStudio } from './browser-studio';

/** How many pages a booklet has, how large they are, and what stands where on them. */
export type BookletShape = {
  readonly width: number;
  readonly height: number;
  readonly pages: readonly Pick<Page, 'number' | 'places'>[];
  readonly findings: readonly Finding[];
};

const SMALL_PX = 200;

/** Pages of booklets for the screen. */
export const bookletViews = (studio: BrowserStudio) => ({
  /** Null where the booklet has no text. */
  async bookletShape(input: Book): Promise<BookletShape | null> {
    const book = Book.parse(input);
    if (!hasPages(book)) return null;
    const { pages } = await bookletPages(book, studio);
    return {
      width: pages.width,
      height: pages.height,
      pages: pages.pages.map(({ number, places }) => ({ number, places })),
      findings: pageFindings(pages.notes),
    };
  },

  /** A picture of the title, small; null where it is not there. */
  async smallPicture(asset: string): Promise<ImageBitmap | null> {
    const image = await studio.picture(asset);
    if (!image) return null;
    const bitmap = await bitmapOf(studio.pixelsOf(studio.resized(image, SMALL_PX)));
    return transfer(bitmap, [bitmap]);
  },

  /** One page, painted; null where there is none. */
  bookletPage: (input: Book, at: number, widthPx: number): Promise<ImageBitmap | null> =>
    painted(Book.parse(input), at, widthPx, studio),

  /** The first page on which the text stands; null where there is none. */
  async bookletSample(input: Book, widthPx: number): Promise<ImageBitmap | null> {
    const book = Book.parse(input);
    if (!hasPages(book)) return null;
    const { pages } = await bookletPages(book, studio);
    return painted(
      book,
      pages.pages.findIndex(({ places }) => places.length > 0),
      widthPx,
      studio,
    );
  },
});

async function painted(book: Book, at: number, widthPx: number, studio: BrowserStudio): Promise<ImageBitmap | null> {
  const pixels = hasPages(book) ? await bookletPage(book, at, widthPx, studio) : null;
  if (!pixels) return null;
  const bitmap = await bitmapOf(pixels);
  return transfer(bitmap, [bitmap]);
}
