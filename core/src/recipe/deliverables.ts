import { type Finding, type Result, fail, finding, keyOf, ok, slug } from '../base';
import { findSheet } from '../booklet';
import { checkEpub, makeEpub } from '../ebook';
import { dressJpeg, readPng, srgbProfile, writePng } from '../image-file';
import type { Raster } from '../pixels';
import { type Book, hasPages } from '../project';
import { OWN_FORMAT, formatsOf } from '../promo';
import { type Profile, type StoreFormat, findProfile } from '../stores';
import { bookletKey } from './booklet-pages';
import { coverFindings, coverKey } from './cover';
import { type Delivered, IMAGE_FILES, PRINT_PPI, SCREEN_PPI } from './delivered';
import { ebookPicture } from './ebook-picture';
import { mockupKey } from './mockup';
import { nameFields, patternName } from './names';
import { type PageWish, pagePixels, plainPage } from './page';
import { type Others, noOthers } from './scene-art';
import { promoKey } from './promo';
import { ebookCredits } from './credits';
import { siblingFor } from './sibling';
import type { Studio } from './studio';
import { VERSIONS } from './versions';

/** One file that leaves the house. `key` is equal as long as the file would be equal. */
export type Deliverable = {
  readonly id: string;
  readonly kind: 'store-image' | 'epub' | 'pdf' | 'svg' | 'booklet' | 'mockup' | 'promo';
  readonly store: string | null;
  readonly label: string;
  readonly fileName: string;
  readonly format: 'JPEG' | 'PNG' | 'WebP' | 'AVIF' | 'TIFF' | 'EPUB 3.3' | 'PDF' | 'SVG';
  readonly widthPx: number;
  readonly heightPx: number;
  readonly key: string;
  /** For a promo: the format of which campaign. */
  readonly promo: { readonly campaign: string; readonly format: string } | null;
};

/** How a person wants files: their own stores, another format for a store, names by a pattern; all can be left out. */
export type Wishes = {
  readonly stores: readonly Profile[];
  readonly formats: Readonly<Record<string, StoreFormat>>;
  /** Null gives names of our own. */
  readonly pattern: string | null;
  /** The sheet that the PDF of the cover is made for. */
  readonly page: PageWish;
};
export const noWishes: Wishes = { stores: [], formats: {}, pattern: null, page: plainPage };

/** The format that a store gets: the one wished for where it takes that, else its first. */
export function formatFor(profile: Profile, wishes: Wishes): StoreFormat {
  const wished = wishes.formats[profile.id];
  return wished && profile.formats.includes(wished) ? wished : profile.formats[0];
}

const FORMAT_NAMES = { jpeg: 'JPEG', png: 'PNG', webp: 'WebP', avif: 'AVIF', tiff: 'TIFF' } as const;

/** Words of the brief that a store compares with the cover; no part of the file, but of its verdict. */
const wordsFor = ({ brief: { title, subtitle, author } }: Book, { content }: Profile) =>
  content.includes('words-match') ? { title, subtitle, author } : null;

/** Everything that can be made of a title as it is now; `others` are other titles that its scene shows. */
export function deliverables(book: Book, others: Others = noOthers, wishes: Wishes = noWishes): Deliverable[] {
  const list: Deliverable[] = [];
  const taken = new Set<string>();
  const fileName = (what: string, ending: string, store = what): string => {
    const size = /(\d+)x(\d+)$/.exec(what);
    const [w, h] = size ? [Number(size[1]), Number(size[2])] : [book.cover.widthPx, book.cover.heightPx];
    const fields = nameFields(book, store.replace(/-?\d+x\d+$/, ''), w, h);
    const volume = book.brief.seriesNumber === null ? '' : '-vol-{number}';
    return patternName(wishes.pattern ?? `{title}${volume}-${what}`, fields, ending, taken);
  };
  for (const id of book.brief.stores) {
    const profile = findProfile(id, wishes.stores);
    if (!profile) continue;
    const { widthPx, heightPx } = profile.ideal;
    const format = formatFor(profile, wishes);
    list.push({
      id: `store-${id}`,
      kind: 'store-image',
      store: id,
      label: `Cover for ${profile.name}`,
      fileName: fileName(`cover-${id}-${widthPx}x${heightPx}`, IMAGE_FILES[format][0], id),
      format: FORMAT_NAMES[format],
      widthPx,
      heightPx,
      key: keyOf({
        cover: coverKey(book),
        brief: wordsFor(book, profile),
        profile,
        format,
        sibling: siblingFor(book, profile.ideal) ?? null,
        version: VERSIONS.image,
      }),
      promo: null,
    });
  }
  list.push({
    id: 'epub',
    kind: 'epub',
    store: null,
    label: 'Ebook with cover and title page',
    fileName: fileName('ebook', 'epub'),
    format: 'EPUB 3.3',
    widthPx: book.cover.widthPx,
    heightPx: book.cover.heightPx,
    key: keyOf({
      cover: coverKey(book),
      brief: book.brief,
      credits: ebookCredits(book),
      identifier: book.identifier,
      version: VERSIONS.epub,
    }),
    promo: null,
  });
  list.push({
    id: 'pdf',
    kind: 'pdf',
    store: null,
    label: 'Cover as a page, links live',
    fileName: fileName('cover', 'pdf'),
    format: 'PDF',
    ...pagePixels(book, wishes.page),
    key: keyOf({ cover: coverKey(book), brief: book.brief, page: wishes.page, version: VERSIONS.pdf }),
    promo: null,
  });
  list.push({
    id: 'svg',
    kind: 'svg',
    store: null,
    label: 'Cover as SVG, words as outlines',
    fileName: fileName('cover', 'svg'),
    format: 'SVG',
    widthPx: book.cover.widthPx,
    heightPx: book.cover.heightPx,
    key: keyOf({ cover: coverKey(book), title: book.brief.title, version: VERSIONS.svg }),
    promo: null,
  });
  if (hasPages(book)) {
    const sheet = findSheet(book.booklet.sheet);
    const px = (points: number): number => Math.round((points / 72) * PRINT_PPI);
    const key = bookletKey(book);
    const booklet = { kind: 'booklet', store: null, promo: null } as const;
    list.push({
      ...booklet,
      id: 'booklet',
      label: `Booklet, ${sheet.name}`,
      fileName: fileName(`booklet-${sheet.id}`, 'pdf'),
      format: 'PDF',
      widthPx: px(sheet.width),
      heightPx: px(sheet.height),
      key,
    });
    list.push({
      ...booklet,
      id: 'booklet-epub',
      label: 'Booklet for readers',
      fileName: fileName('booklet', 'epub'),
      format: 'EPUB 3.3',
      widthPx: book.cover.widthPx,
      heightPx: book.cover.heightPx,
      key: keyOf({ key, brief: book.brief, identifier: book.identifier }),
    });
  }
  const size = book.scene.frame;
  list.push({
    id: 'mockup',
    kind: 'mockup',
    store: null,
    label: book.scene.ground.kind === 'clear' ? 'Mockup on a clear ground' : 'Mockup',
    fileName: fileName(`mockup-${size.widthPx}x${size.heightPx}`, 'png'),
    format: 'PNG',
    ...size,
    key: mockupKey(book, size, book.scene, others),
    promo: null,
  });
  for (const campaign of Object.values(book.promos)) {
    for (const format of formatsOf(campaign)) {
      const { widthPx, heightPx } = format;
      const name = `${slug(campaign.name) || 'promo'}-${format.id.startsWith(OWN_FORMAT) ? 'own' : format.id}`;
      list.push({
        id: `promo-${campaign.id}-${format.id}`,
        kind: 'promo',
        store: null,
        label: `${campaign.name.trim() || 'Promo'}, ${format.name.toLowerCase()}`,
        fileName: fileName(`${name}-${widthPx}x${heightPx}`, 'png'),
        format: 'PNG',
        widthPx,
        heightPx,
        key: promoKey(book, { campaign, format }, others),
        promo: { campaign: campaign.id, format: format.id },
      });
    }
  }
  return list;
}

export async function ebookFile(book: Book, modified: string, studio: Studio): Promise<Result<Delivered>> {
  if (!book.brief.title.trim()) return fail('title-missing');
  const cover = await ebookPicture(book, studio);
  if (!cover.ok) return cover;
  const bytes = makeEpub({
    brief: book.brief,
    cover: cover.value,
    credits: ebookCredits(book),
    identifier: book.identifier,
    modified,
  });
  const seen = await coverFindings(book, studio);
  return ok({ bytes, findings: [...(await checkEpub(new Blob([bytes]))), ...seen] });
}

/** A finished picture as PNG with profile and density, read back: its size, and transparency where that is wanted. */
export function pngFile(pixels: Raster, clear: boolean): Result<Delivered> {
  const bytes = writePng(pixels, SCREEN_PPI);
  const read = readPng(bytes);
  if (!read.ok) return read;
  const { widthPx, heightPx, alpha } = read.value;
  const findings: Finding[] = [];
  if (widthPx !== pixels.width || heightPx !== pixels.height) findings.push(finding('png-size', 'must', null));
  if (alpha !== clear) findings.push(finding(clear ? 'png-opaque' : 'png-transparent', 'must', null));
  return ok({ bytes, findings });
}

export async function jpegFile(pixels: Raster, studio: Studio): Promise<Uint8Array<ArrayBuffer>> {
  return dressJpeg(await studio.encodeJpeg(pixels, 92, true), SCREEN_PPI, srgbProfile());
}
