import { type Finding, type Result, fail, finding, keyOf, ok, slug } from '../base';
import { compose, edgeColours } from '../compose';
import { checkEpub, makeEpub } from '../ebook';
import { dressJpeg, readJpeg, readPng, srgbProfile, writePng } from '../image-file';
import { coverPage } from '../pdf';
import type { Raster } from '../pixels';
import { centreOf, rectAround, rotateAbout } from '../plane';
import type { Book } from '../project';
import { BEST_QUALITY, type Profile, checkImage, findProfile, fitQuality } from '../stores';
import { coverAt, coverKey, coverRaster } from './cover';
import { gather } from './gather';
import { mockupKey } from './mockup';
import { type Others, noOthers } from './scene-art';
import { promoKey } from './promo';
import { MEASURE_PX } from './settle';
import { siblingFor } from './sibling';
import type { Studio } from './studio';

export const PRINT_PPI = 300;
const SCREEN_PPI = 72;

/** One file that leaves the house. `key` is equal as long as the file would be equal. */
export type Deliverable = {
  readonly id: string;
  readonly kind: 'store-image' | 'epub' | 'pdf' | 'mockup' | 'promo';
  readonly store: string | null;
  readonly label: string;
  readonly fileName: string;
  readonly format: 'JPEG' | 'PNG' | 'EPUB 3.3' | 'PDF';
  readonly widthPx: number;
  readonly heightPx: number;
  readonly key: string;
};

export type Delivered = {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly findings: readonly Finding[];
};

/** File name of a deliverable: title and what it is, safe everywhere. */
const fileName = (book: Book, what: string, ending: string): string => `${slug(book.brief.title)}-${what}.${ending}`;

/** Everything that can be made of a title as it is now; `others` are other titles that its scene shows. */
export function deliverables(book: Book, others: Others = noOthers): Deliverable[] {
  const list: Deliverable[] = [];
  for (const id of book.brief.stores) {
    const profile = findProfile(id);
    if (!profile) continue;
    const { widthPx, heightPx } = profile.ideal;
    list.push({
      id: `store-${id}`,
      kind: 'store-image',
      store: id,
      label: `Cover for ${profile.name}`,
      fileName: fileName(book, `cover-${id}-${widthPx}x${heightPx}`, 'jpg'),
      format: 'JPEG',
      widthPx,
      heightPx,
      key: keyOf({ cover: coverKey(book), profile, sibling: siblingFor(book, profile.ideal) ?? null }),
    });
  }
  list.push({
    id: 'epub',
    kind: 'epub',
    store: null,
    label: 'Ebook with cover and title page',
    fileName: fileName(book, 'ebook', 'epub'),
    format: 'EPUB 3.3',
    widthPx: book.cover.widthPx,
    heightPx: book.cover.heightPx,
    key: keyOf({ cover: coverKey(book), brief: book.brief, identifier: book.identifier }),
  });
  list.push({
    id: 'pdf',
    kind: 'pdf',
    store: null,
    label: 'Cover as a page, links live',
    fileName: fileName(book, 'cover', 'pdf'),
    format: 'PDF',
    widthPx: book.cover.widthPx,
    heightPx: book.cover.heightPx,
    key: keyOf({ cover: coverKey(book), brief: book.brief, page: 1 }),
  });
  const size = book.scene.frame;
  list.push({
    id: 'mockup',
    kind: 'mockup',
    store: null,
    label: book.scene.ground.kind === 'clear' ? 'Mockup on a clear ground' : 'Mockup',
    fileName: fileName(book, `mockup-${size.widthPx}x${size.heightPx}`, 'png'),
    format: 'PNG',
    ...size,
    key: mockupKey(book, size, book.scene, others),
  });
  list.push({
    id: 'promo',
    kind: 'promo',
    store: null,
    label: 'Promo',
    fileName: fileName(book, `promo-${book.promo.widthPx}x${book.promo.heightPx}`, 'png'),
    format: 'PNG',
    widthPx: book.promo.widthPx,
    heightPx: book.promo.heightPx,
    key: promoKey(book, others),
  });
  return list;
}

/** The edge colour that carries a finished cover in a store of another ratio. */
const edgeOf = (front: Raster): string => edgeColours(front, 'left', 3)[1];

/** The cover for a store: recomposed to its pixels, encoded to its bytes, and checked as the store would. */
export async function storeImage(book: Book, profile: Profile, studio: Studio): Promise<Result<Delivered>> {
  if (!book.brief.title.trim()) return fail('title-missing');
  const edge = book.cover.finished ? edgeOf(await coverRaster(book, 200, studio)) : '#ffffff';
  const sized = coverAt(book, profile.ideal, edge);
  const pixels = await coverRaster(sized, profile.ideal.widthPx, studio);
  const fitted = await fitQuality(
    async (quality) => dressJpeg(await studio.encodeJpeg(pixels, quality, false), PRINT_PPI, srgbProfile()),
    profile.mostBytes,
  );
  if (!fitted.ok) return fitted;
  const { bytes, quality } = fitted.value;
  const info = readJpeg(bytes);
  if (!info.ok) return info;
  const findings = [
    ...checkImage(info.value, bytes.length, profile),
    finding('jpeg-quality', 'note', null, { quality }),
  ];
  const own = book.cover.heightPx / book.cover.widthPx;
  if (Math.abs(profile.ideal.heightPx / profile.ideal.widthPx / own - 1) >= 0.004) {
    findings.push(finding(book.cover.finished ? 'cover-fitted' : 'cover-recomposed', 'note', null));
  }
  if (sized.cover.finished && pixels.width > widthOfFinished(book)) {
    findings.push(finding('cover-enlarged', 'should', null, { from: widthOfFinished(book), to: pixels.width }));
  }
  return ok({ bytes, findings });
}

function widthOfFinished(book: Book): number {
  const picture = Object.values(book.cover.parts).find((p) => p.kind === 'picture');
  if (picture?.kind !== 'picture' || picture.source.kind !== 'asset') return Infinity;
  return book.assets[picture.source.asset]?.widthPx ?? Infinity;
}

/** Most pixels of the picture inside an EPUB that every stand-in store takes. */
const EPUB_PIXELS = 5_600_000;

export async function ebookFile(book: Book, modified: string, studio: Studio): Promise<Result<Delivered>> {
  if (!book.brief.title.trim()) return fail('title-missing');
  const { widthPx, heightPx } = book.cover;
  const k = Math.min(1, Math.sqrt(EPUB_PIXELS / (widthPx * heightPx)));
  const pixels = await coverRaster(book, Math.floor(widthPx * k), studio);
  const jpeg = dressJpeg(await studio.encodeJpeg(pixels, 88, false), PRINT_PPI, srgbProfile());
  const cover = { bytes: jpeg, widthPx: pixels.width, heightPx: pixels.height };
  const bytes = makeEpub({ brief: book.brief, cover, identifier: book.identifier, modified });
  return ok({ bytes, findings: checkEpub(bytes) });
}

/** The cover as a PDF of one page; the links of its parts work there. */
export async function pdfFile(book: Book, modified: string, studio: Studio): Promise<Result<Delivered>> {
  const { brief, cover } = book;
  if (!brief.title.trim()) return fail('title-missing');
  const pixels = await coverRaster(book, cover.widthPx, studio);
  const { resources } = await gather(cover, brief, studio, MEASURE_PX);
  const { frames } = compose(cover, brief, resources);
  const links = Object.values(cover.parts).flatMap((part) => {
    const frame = frames.get(part.id);
    if (!part.link || part.hidden || !frame || frame.width === 0) return [];
    const { x, y } = centreOf(frame);
    return [{ url: part.link, frame: rectAround(rotateAbout(part.turnRad, x, y), frame) }];
  });
  const jpeg = dressJpeg(await studio.encodeJpeg(pixels, BEST_QUALITY, false), PRINT_PPI, srgbProfile());
  const { title, author, publisher, language } = brief;
  const { widthPx, heightPx } = cover;
  const page = { jpeg, widthPx, heightPx, ppi: PRINT_PPI, links, title, author, publisher, language, modified };
  return ok({
    bytes: await coverPage(page),
    findings: links.length > 0 ? [finding('links-live', 'note', null, { count: links.length })] : [],
  });
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

export type Verdict = 'passes' | 'may' | 'fails';

export function verdictOf(findings: readonly Finding[]): Verdict {
  if (findings.some((f) => f.severity === 'must')) return 'fails';
  return findings.some((f) => f.severity === 'should') ? 'may' : 'passes';
}
