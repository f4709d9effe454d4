import { keyOf } from '../base';
import {
  type Design,
  type Dress,
  PAGE_LOOKS,
  type Pages,
  cutsOf,
  designOf,
  findPageLook,
  findSheet,
  makePages,
  openingOf,
  pageInk,
  picturesIn,
} from '../booklet';
import { palette } from '../colour';
import type { SurfaceImage } from '../ink';
import type { Raster } from '../pixels';
import { type Book, type Paged, hasPages } from '../project';
import { FALLBACK_CUT, fallbacksFor, syllablesFor } from '../text';
import { bareRaster, facesOf } from './bare-cover';
import { coverKey, coverRaster } from './cover';
import { bookletCredits } from './credits';
import { perStudio } from './per-studio';
import type { Studio } from './studio';
import { VERSIONS } from './versions';

/** The cover's own picture, as pages draw it. */
export const ART = 'cover-art';
export const ART_PX = 1400;

/** Booklets whose pages are kept: as many as there are looks to choose from, and two that are worked on. */
const KEPT_PAGES = PAGE_LOOKS.length + 2;

export type Made = { readonly design: Design; readonly pages: Pages };
/** The pictures that the pages show, as far as the title knows them. */
export const shownIn = (book: Paged) => picturesIn(book.booklet.manuscript).flatMap((id) => book.assets[id] ?? []);

/** Key of all that the pages are made from: equal keys, equal pages. */
export const bookletKey = (book: Book): string =>
  keyOf({
    booklet: book.booklet,
    cover: coverKey(book),
    pictures: hasPages(book) ? shownIn(book).map(({ id, widthPx, heightPx }) => [id, widthPx, heightPx]) : [],
    brief: [book.brief.title, book.brief.author, book.brief.language],
    credits: hasPages(book) ? bookletCredits(book) : [],
    version: VERSIONS.booklet,
  });

/** How much changes along each row of a picture: where there is something to see. */
function detailOf({ data, width, height }: Raster): number[] {
  return Array.from({ length: height }, (_, y) => {
    let sum = 0;
    for (let x = 1; x < width; x++) {
      const p = (y * width + x) * 4;
      for (let c = 0; c < 3; c++) sum += Math.abs(data[p + c] - data[p - 4 + c]);
    }
    return sum / width;
  });
}

const dressesOf = perStudio<Dress>({ max: 4 });
const madeOf = perStudio<Made>({ max: KEPT_PAGES });

/** What pages take from the cover; remembered while it stays as it is. */
export async function dressOf(book: Paged, studio: Studio): Promise<Dress> {
  const kept = dressesOf(studio);
  const key = keyOf({ cover: coverKey(book), brief: [book.brief.title, book.brief.author, book.brief.language] });
  let known = kept.get(key);
  if (!known) {
    const { title, author, language } = book.brief;
    const art = await bareRaster(book, 64, studio);
    const small = await coverRaster(book, 160, studio);
    known = {
      swatches: palette(small),
      titleCut: facesOf(book.cover).head,
      art: art && { image: ART, ratio: art.height / art.width, detail: detailOf(art) },
      title: title.trim(),
      author: author.trim(),
      language,
      syllables: await syllablesFor(language),
      credits: [],
      pictures: new Map(),
    };
    kept.set(key, known);
  }
  const pictures = new Map<string, { widthPx: number; heightPx: number }>();
  for (const { id, widthPx, heightPx } of shownIn(book))
    if (await studio.picture(id)) pictures.set(id, { widthPx, heightPx });
  return { ...known, credits: bookletCredits(book), pictures };
}

const letterSet = (book: Paged): string => JSON.stringify(book.booklet.manuscript);

/** The pages of a title as they are now. Its booklet must have a text. */
export async function bookletPages(book: Paged, studio: Studio): Promise<Made> {
  const kept = madeOf(studio);
  const dress = await dressOf(book, studio);
  const key = keyOf({ pages: bookletKey(book), there: [...dress.pictures.keys()] });
  const known = kept.get(key);
  if (known) return known;
  const design = designOf(findPageLook(book.booklet.look), findSheet(book.booklet.sheet), dress);
  await studio.loadFonts([...cutsOf(design), FALLBACK_CUT, ...fallbacksFor(letterSet(book))]);
  const made = { design, pages: makePages(studio.shaper, design, book.booklet.manuscript) };
  kept.set(key, made);
  return made;
}

/** One page painted. Null where there is no such page. */
export async function bookletPage(book: Paged, at: number, widthPx: number, studio: Studio): Promise<Raster | null> {
  const { pages } = await bookletPages(book, studio);
  const page = pages.pages[at];
  if (!page) return null;
  const images = new Map<string, SurfaceImage>();
  for (const mark of page.marks) {
    if (mark.kind !== 'picture' || images.has(mark.image)) continue;
    const image =
      mark.image === ART
        ? await artImage(book, Math.min(ART_PX, widthPx * 2), studio)
        : await studio.picture(mark.image);
    if (image) images.set(mark.image, image);
  }
  return studio.paint(pageInk(pages, page, studio.shaper), widthPx, images);
}

/** The cover's own picture for pages; null where it has none. */
export async function artImage(book: Book, widthPx: number, studio: Studio) {
  const art = await bareRaster(book, widthPx, studio);
  return art && studio.imageOf(art);
}

/** The opening that a book shows where it lies open and nobody has said which: the place of its left page. */
export const bookletOpening = async (book: Paged, studio: Studio): Promise<number> =>
  openingOf((await bookletPages(book, studio)).pages);
