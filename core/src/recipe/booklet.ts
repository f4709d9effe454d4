import { type Finding, type Result, fail, finding, never, ok } from '../base';
import { type PageNote, type Pages, allTold, chaptersOf, findPageLook, pageColours, styleSheet } from '../booklet';
import { checkEpub, coverAlt, makeEpub } from '../ebook';
import { readJpeg } from '../image-file';
import type { SurfaceImage } from '../ink';
import { bookletFile } from '../pdf';
import { flatten } from '../pixels';
import { type Book, type Paged, hasPages } from '../project';
import { ART, ART_PX, artImage, bookletPages, dressOf, shownIn } from './booklet-pages';
import { coverFindings, coverRaster } from './cover';
import { bookletCredits } from './credits';
import type { Delivered } from './delivered';
import { ebookPicture } from './ebook-picture';
import { missingFile } from './missing';
import type { Studio } from './studio';

/** Pictures in files have no more than this for an inch, and are JPEG of this quality. */
const FILE_PPI = 220;
const FILE_QUALITY = 84;
const COVER_PX = 1400;
/** What is clear in a picture is paper. */
const PAPER = [255, 255, 255] as const;
/** Pictures within an EPUB are no wider. */
const EPUB_PX = 1600;

/** The pages on which a picture is largest, in points: how many of its pixels a file needs. */
function widest({ pages }: Pages): Map<string, number> {
  const sizes = new Map<string, number>();
  for (const { marks } of pages)
    for (const mark of marks)
      if (mark.kind === 'picture')
        sizes.set(mark.image, Math.max(sizes.get(mark.image) ?? 0, mark.to.width / mark.from.width));
  return sizes;
}

/** Pixels to a side, times those that are wanted, up to which a JPEG goes along as it is: coded anew it would lose more than its file gains. */
const LARGER = 1.4;
/** Bytes a pixel that a photograph of good quality takes at most. */
const MOST_BYTES_A_PIXEL = 1;

async function coded(source: SurfaceImage | null, widthPx: number, studio: Studio): Promise<Uint8Array | null> {
  if (!source) return null;
  const sized = source.widthPx > widthPx ? studio.resized(source, widthPx) : source;
  return studio.encodeJpeg(flatten(studio.pixelsOf(sized), PAPER), FILE_QUALITY, false);
}

/** A picture of the title as a JPEG of about this width: as it is kept where it is one in sRGB and not much larger, else coded anew; null where it is not there. */
async function pictureFile(asset: string, widthPx: number, studio: Studio): Promise<Uint8Array | null> {
  const image = await studio.picture(asset);
  const kept = image && image.widthPx <= widthPx * LARGER ? await studio.file(asset) : null;
  const info = kept && readJpeg(kept);
  if (kept && info?.ok) {
    const { colour, orientation, profile, widthPx: w, heightPx: h } = info.value;
    const plain = colour === 'rgb' && orientation === 1 && (profile === null || /sRGB/i.test(profile));
    if (plain && kept.length <= w * h * MOST_BYTES_A_PIXEL) return kept;
  }
  return coded(image, widthPx, studio);
}

/** Pictures of pages as files of their own, as large as they are shown. */
async function pictureFiles(book: Paged, pages: Pages, studio: Studio): Promise<Map<string, Uint8Array>> {
  const files = new Map<string, Uint8Array>();
  for (const [image, points] of widest(pages)) {
    const wanted = Math.round((points / 72) * FILE_PPI);
    const file =
      image === ART
        ? await coded(await artImage(book, Math.min(ART_PX, wanted), studio), wanted, studio)
        : await pictureFile(image, wanted, studio);
    if (file) files.set(image, file);
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
    const bytes = await pictureFile(id, EPUB_PX, studio);
    if (!bytes) continue;
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
