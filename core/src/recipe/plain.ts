import { type Finding, type Result, fail, finding, ok } from '../base';
import type { Book } from '../project';
import { coverFindings, coverRaster, sizedCover } from './cover';
import { type Delivered, IMAGE_FILES, PRINT_PPI } from './delivered';
import { encodeWithin } from './encode';
import { missingFile } from './missing';
import { pdfFile, svgFile } from './page';
import type { Studio } from './studio';

/** Formats in which a cover is saved without a store being asked. */
export const PLAIN_FORMATS = ['png', 'jpeg', 'webp', 'tiff', 'pdf', 'svg'] as const;
export type PlainFormat = (typeof PLAIN_FORMATS)[number];

/** How such files end, and their media types. */
export const PLAIN_FILES: Readonly<Record<PlainFormat, readonly [ending: string, type: string]>> = {
  png: IMAGE_FILES.png,
  jpeg: IMAGE_FILES.jpeg,
  webp: IMAGE_FILES.webp,
  tiff: IMAGE_FILES.tiff,
  pdf: ['pdf', 'application/pdf'],
  svg: ['svg', 'image/svg+xml'],
};

/** The format that the ending of a file's name stands for; null where it stands for none. */
export function plainFormatOf(name: string): PlainFormat | null {
  const ending = /\.(\w+)$/.exec(name)?.[1].toLowerCase() ?? '';
  const spelled = { jpeg: 'jpg', tiff: 'tif' }[ending] ?? ending;
  return PLAIN_FORMATS.find((format) => PLAIN_FILES[format][0] === spelled) ?? null;
}

/** Sides that a cover can be saved with, px. */
export const PLAIN_LEAST = 16;
export const PLAIN_MOST = 10_000;

const MOST_BYTES = 500 * 1024 * 1024;

/**
 * The cover as a file of any size and format, as good as the format allows: recomposed where the ratio is another; a cover
 * that somebody else finished is shown whole. Faults: `size-range`, `picture-missing`, `title-missing` for a PDF or SVG.
 */
export async function plainFile(
  book: Book,
  format: PlainFormat,
  size: { readonly widthPx: number; readonly heightPx: number },
  modified: string,
  studio: Studio,
): Promise<Result<Delivered>> {
  const fits = (n: number): boolean => Number.isInteger(n) && n >= PLAIN_LEAST && n <= PLAIN_MOST;
  if (!fits(size.widthPx) || !fits(size.heightPx)) return fail('size-range', { least: PLAIN_LEAST, most: PLAIN_MOST });
  const lost = await missingFile(book, 'cover', studio);
  if (lost) return { ok: false, fault: lost };
  const same = size.widthPx === book.cover.widthPx && size.heightPx === book.cover.heightPx;
  const sized = same ? book : await sizedCover(book, size, studio);
  if (format === 'pdf') return pdfFile(sized, modified, studio);
  if (format === 'svg') return svgFile(sized, studio);
  const pixels = await coverRaster(sized, size.widthPx, studio);
  const made = await encodeWithin(pixels, format, { mostBytes: MOST_BYTES, ppi: PRINT_PPI }, studio);
  if (!made.ok) return made;
  const notes: Finding[] = [];
  if (sized.cover.finished && size.widthPx > (widestOf(book) ?? Infinity)) {
    notes.push(finding('cover-enlarged', 'should', null, { from: widestOf(book) ?? 0, to: size.widthPx }));
  }
  return ok({ bytes: made.value.bytes, findings: [...(await coverFindings(sized, studio)), ...notes] });
}

const widestOf = (book: Book): number | null => {
  const picture = Object.values(book.cover.parts).find((p) => p.kind === 'picture');
  const asset = picture?.kind === 'picture' && picture.source.kind === 'asset' ? picture.source.asset : null;
  return asset === null ? null : (book.assets[asset]?.widthPx ?? null);
};
