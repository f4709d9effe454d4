import { type Finding, type Result, fail, finding, keyOf, never, ok } from '../base';
import {
  type Booklet,
  type Design,
  type Dress,
  PAGE_LOOKS,
  type PageNote,
  type Pages,
  allTold,
  chaptersOf,
  cutsOf,
  designOf,
  findPageLook,
  findSheet,
  makePages,
  pageColours,
  pageInk,
  picturesIn,
  styleSheet,
} from '../booklet';
import { palette } from '../colour';
import { checkEpub, coverAlt, makeEpub } from '../ebook';
import type { SurfaceImage } from '../ink';
import { bookletFile } from '../pdf';
import { type Raster, flatten } from '../pixels';
import type { Book } from '../project';
import { FALLBACK_CUT, fallbacksFor, syllablesFor } from '../text';
import { coverFindings, coverKey, coverRaster } from './cover';
import type { Delivered } from './delivered';
import { ebookPicture } from './ebook-picture';
import { missingFile } from './missing';
import { bareRaster, facesOf } from './promo-facts';
import { perStudio } from './per-studio';
import { bookletCredits } from './rights';
import type { Studio } from './studio';
import { VERSIONS } from './versions';

/** The cover's own picture, as pages draw it. */
const ART = 'cover-art';
const ART_PX = 1400;
/** Pictures in files have no more than this for an inch, and are JPEG of this quality. */
const FILE_PPI = 220;
const FILE_QUALITY = 84;
const COVER_PX = 1400;
/** What is clear in a picture is paper. */
const PAPER = [255, 255, 255] as const;
/** Pictures within an EPUB are no wider. */
const EPUB_PX = 1600;

/** Booklets whose pages are kept: as many as there are looks to choose from, and two that are worked on. */
const KEPT_PAGES = PAGE_LOOKS.length + 2;

type Made = { readonly design: Design; readonly pages: Pages };
type Has = Book & { readonly booklet: Booklet };

export const hasPages = (book: Book): book is Has => (book.booklet?.manuscript.blocks.length ?? 0) > 0;

/** The pictures that the pages show, as far as the title knows them. */
const shownIn = (book: Has) => picturesIn(book.booklet.manuscript).flatMap((id) => book.assets[id] ?? []);

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
async function dressOf(book: Has, studio: Studio): Promise<Dress> {
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

const letterSet = (book: Has): string => JSON.stringify(book.booklet.manuscript);

/** The pages of a title as they are now. Its booklet must have a text. */
export async function bookletPages(book: Has, studio: Studio): Promise<Made> {
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
export async function bookletPage(book: Has, at: number, widthPx: number, studio: Studio): Promise<Raster | null> {
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

async function artImage(book: Book, widthPx: number, studio: Studio) {
  const art = await bareRaster(book, widthPx, studio);
  return art && studio.imageOf(art);
}

/** The pages on which a picture is largest, in points: how many of its pixels a file needs. */
function widest({ pages }: Pages): Map<string, number> {
  const sizes = new Map<string, number>();
  for (const { marks } of pages)
    for (const mark of marks)
      if (mark.kind === 'picture')
        sizes.set(mark.image, Math.max(sizes.get(mark.image) ?? 0, mark.to.width / mark.from.width));
  return sizes;
}

/** Pictures of pages as files of their own, as large as they are shown. */
async function pictureFiles(book: Has, pages: Pages, studio: Studio): Promise<Map<string, Uint8Array>> {
  const files = new Map<string, Uint8Array>();
  for (const [image, points] of widest(pages)) {
    const wanted = Math.round((points / 72) * FILE_PPI);
    const source = image === ART ? await artImage(book, Math.min(ART_PX, wanted), studio) : await studio.picture(image);
    if (!source) continue;
    const sized = source.widthPx > wanted ? studio.resized(source, wanted) : source;
    files.set(image, await studio.encodeJpeg(flatten(studio.pixelsOf(sized), PAPER), FILE_QUALITY, false));
  }
  return files;
}

/**
 * The booklet as an EPUB that readers set themselves: the same words, headings, pictures and links. Faults: `booklet-empty`, `title-missing`,
 * `picture-missing`, `face-missing`.
 */
export async function bookletEpub(book: Book, modified: string, studio: Studio): Promise<Result<Delivered>> {
  if (!hasPages(book)) return fail('booklet-empty');
  if (!book.brief.title.trim()) return fail('title-missing');
  const lost = await missingFile(book, 'booklet', studio);
  if (lost) return { ok: false, fault: lost };
  const cover = await ebookPicture(book, studio);
  if (!cover.ok) return cover;
  const { manuscript, look } = book.booklet;
  const pictures = [];
  for (const { id } of shownIn(book)) {
    const source = await studio.picture(id);
    if (!source) continue;
    const sized = source.widthPx > EPUB_PX ? studio.resized(source, EPUB_PX) : source;
    const bytes = await studio.encodeJpeg(flatten(studio.pixelsOf(sized), PAPER), FILE_QUALITY, false);
    pictures.push({ id, name: `picture-${pictures.length + 1}.jpg`, type: 'image/jpeg', bytes });
  }
  const named = new Map(pictures.map(({ id, name }) => [id, name]));
  const { swatches } = await dressOf(book, studio);
  const { pages } = await bookletPages(book, studio);
  const bytes = makeEpub({
    brief: book.brief,
    cover: cover.value,
    credits: bookletCredits(book),
    identifier: beside(book.identifier),
    modified,
    text: {
      chapters: chaptersOf(manuscript, book.brief.title.trim(), (asset) => named.get(asset) ?? null),
      style: styleSheet(pageColours(swatches, findPageLook(look).ground)),
      pictures,
      told: allTold(manuscript),
    },
  });
  // What is true of the text is true of it in readers too.
  const told = pages.notes.filter(({ kind }) => kind === 'alt-missing' || kind === 'button-nowhere');
  return ok({
    bytes,
    findings: [...(await checkEpub(new Blob([bytes]))), ...(await coverFindings(book, studio)), ...pageFindings(told)],
  });
}

/** The identifier of a file beside the ebook of a title: readers would take one for the other. The next UUID where it is one. */
export function beside(identifier: string): string {
  const uuid = /^(urn:uuid:.*-)([0-9a-f]{12})$/i.exec(identifier);
  if (!uuid) return `${identifier}:booklet`;
  const next = (BigInt(`0x${uuid[2]}`) + 1n) % (1n << 48n);
  return `${uuid[1]}${next.toString(16).padStart(12, '0')}`;
}

/** What pages tell of themselves, as findings. */
export const pageFindings = (notes: readonly PageNote[]): Finding[] =>
  notes.map((note) => {
    switch (note.kind) {
      case 'letters-missing':
        return finding('pages-letters', 'must', null, { letters: note.letters });
      case 'word-cut':
        return finding('pages-word', 'note', null, { word: note.word });
      case 'picture-missing':
        return finding('pages-picture', 'must', null, { page: note.page });
      case 'picture-small':
        return finding('pages-coarse', 'should', null, { page: note.page, ppi: note.ppi });
      case 'button-nowhere':
        return finding('pages-button', 'must', null, { page: note.page, label: note.label });
      case 'alt-missing':
        return finding('pages-alt', 'should', null, { page: note.page });
      default:
        return never(note);
    }
  });

/**
 * The booklet as a tagged PDF, the cover as its first page where that is wanted. Faults: `booklet-empty`, `title-missing`, `picture-missing`,
 * `face-missing`, `font-damaged`.
 */
export async function bookletPdf(book: Book, modified: string, studio: Studio): Promise<Result<Delivered>> {
  if (!hasPages(book)) return fail('booklet-empty');
  const { title, author, language } = book.brief;
  if (!title.trim()) return fail('title-missing');
  const lost = await missingFile(book, 'booklet', studio);
  if (lost) return { ok: false, fault: lost };
  const { pages } = await bookletPages(book, studio);
  const images = await pictureFiles(book, pages, studio);
  const cover = book.booklet.cover ? await coverRaster(book, Math.min(COVER_PX, book.cover.widthPx), studio) : null;
  const first = cover && {
    jpeg: await studio.encodeJpeg(cover, 88, false),
    ratio: cover.height / cover.width,
    alt: coverAlt(book.brief),
  };
  const subset = await studio.subsetter();
  const file = { pages, images, cover: first, title, author, language, modified };
  const made = await bookletFile(file, studio.shaper, subset);
  if (!made.ok) return made;
  const seen = first ? await coverFindings(book, studio) : [];
  return ok({ bytes: made.value, findings: [...seen, ...pageFindings(pages.notes)] });
}

export type BookletFormat = 'pdf' | 'epub';

/** The booklet in one of its formats. */
export const bookletFileOf = (
  book: Book,
  modified: string,
  format: BookletFormat,
  studio: Studio,
): Promise<Result<Delivered>> =>
  format === 'pdf' ? bookletPdf(book, modified, studio) : bookletEpub(book, modified, studio);
