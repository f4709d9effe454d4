import { type Finding, type Result, fail, finding, ok } from '../base';
import { textOf } from '../compose';
import { readDelivered } from '../image-file';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import {
  type CoverWords,
  type Profile,
  type StoreFormat,
  checkImage,
  checkPixels,
  checkWords,
  graveFirst,
  paleEdges,
  withEdgeLine,
} from '../stores';
import { type Measure, coverMeasure, coverRaster, sizedCover } from './cover';
import { type Delivered, PRINT_PPI } from './delivered';
import { type Encoded, encodeWithin } from './encode';
import { missingFile } from './missing';
import type { Studio } from './studio';

/** What a cover says and shows, for the rules on content. */
export function coverWords(book: Book, measure: Measure | null): CoverWords {
  const { brief, cover } = book;
  const parts = Object.values(cover.parts).filter((p) => !p.hidden);
  return {
    texts: cover.finished ? null : parts.flatMap((p) => (p.kind === 'words' ? [textOf(p, brief)] : [])),
    brief,
    titleReadsFromPx: measure?.titleFromPx,
    reads: measure?.reads,
    hasObject: parts.some((p) => p.kind === 'picture' && p.source.kind === 'mockup'),
  };
}

/** How a file was encoded, as a note. */
export function encodingNote({ format, quality, chroma, likeness }: Encoded): Finding {
  const name = format.toUpperCase();
  if (quality === null) return finding('encoded-lossless', 'note', null, { format: name });
  const percent = Math.floor(likeness * 1000) / 10;
  return finding('encoded-lossy', 'note', null, { format: name, quality, percent, half: chroma === '4:2:0' ? 1 : 0 });
}

/** Reads a finished image back and says what a store would find: in its bytes, and in its pixels as they decode. Faults: those of `readDelivered`. */
export async function examineImage(
  bytes: Uint8Array<ArrayBuffer>,
  profile: Profile,
  studio: Studio,
): Promise<Result<{ findings: Finding[]; pixels: Raster }>> {
  const info = readDelivered(bytes);
  if (!info.ok) return info;
  const pixels = await studio.decode(bytes);
  if (!pixels) return fail('image-damaged', { format: info.value.format.toUpperCase() });
  const findings = graveFirst([...checkImage(info.value, bytes.length, profile), ...checkPixels(pixels, profile)]);
  return ok({ findings, pixels });
}

/** The cover for a store: recomposed to its pixels, encoded to its bytes, and read back as the store would. */
export async function storeImage(
  book: Book,
  profile: Profile,
  studio: Studio,
  format: StoreFormat = profile.formats[0],
): Promise<Result<Delivered>> {
  if (!book.brief.title.trim()) return fail('title-missing');
  const lost = await missingFile(book, 'cover', studio);
  if (lost) return { ok: false, fault: lost };
  const sized = await sizedCover(book, profile.ideal, studio);
  const painted = await coverRaster(sized, profile.ideal.widthPx, studio);
  const lined = profile.edgeLine && paleEdges(painted).length > 0;
  const pixels = lined ? withEdgeLine(painted) : painted;
  const limits = { mostBytes: profile.mostBytes, ppi: profile.ppi ?? PRINT_PPI };
  const made = await encodeWithin(pixels, format, limits, studio);
  if (!made.ok) return made;
  const { bytes } = made.value;
  const read = await examineImage(bytes, profile, studio);
  if (!read.ok) return read;
  const measure = profile.thumb && !book.cover.finished ? await coverMeasure(sized, studio, profile.thumb.greys) : null;
  // What the Front knows of its words holds for the cover as it was composed for this store.
  const seen = book.cover.finished ? [] : (await coverMeasure(sized, studio)).findings;
  const notes: Finding[] = [...seen, encodingNote(made.value)];
  if (lined) notes.push(finding('edge-line', 'note', null));
  const own = book.cover.heightPx / book.cover.widthPx;
  if (Math.abs(profile.ideal.heightPx / profile.ideal.widthPx / own - 1) >= 0.004) {
    notes.push(finding(book.cover.finished ? 'cover-fitted' : 'cover-recomposed', 'note', null));
  }
  if (sized.cover.finished && pixels.width > widthOfFinished(book)) {
    notes.push(finding('cover-enlarged', 'should', null, { from: widthOfFinished(book), to: pixels.width }));
  }
  return ok({
    bytes,
    findings: graveFirst([...read.value.findings, ...checkWords(coverWords(sized, measure), profile), ...notes]),
  });
}

function widthOfFinished(book: Book): number {
  const picture = Object.values(book.cover.parts).find((p) => p.kind === 'picture');
  if (picture?.kind !== 'picture' || picture.source.kind !== 'asset') return Infinity;
  return book.assets[picture.source.asset]?.widthPx ?? Infinity;
}
