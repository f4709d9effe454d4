import { PDFArray, PDFDict, PDFName, StandardFontEmbedder, StandardFonts } from '@cantoo/pdf-lib';
import { dictIn, itemsOf, numberOf, numbersOf, pdfName as name } from './objects';

/** How far letters of a font reach, in units of the font size; never less than they do. */
export type Reach = {
  /** The font itself; null where the page names none that is there. */
  readonly font: PDFDict | null;
  readonly bytes: 1 | 2;
  readonly upright: boolean;
  readonly top: number;
  readonly bottom: number;
  width(code: number): number;
};

/** Without a table of widths a letter may be as wide as it is high. */
const WIDEST = 1;

/** Letters reach at least from a descender to an accent over a capital, and at most twice the size. */
function heights(descriptor: PDFDict | undefined): { top: number; bottom: number } {
  const [, low = 0, , high = 0] = numbersOf(descriptor?.lookup(name('FontBBox'))).map((n) => n / 1000);
  return { top: Math.min(2, Math.max(0.95, high)), bottom: Math.max(-1, Math.min(-0.3, low)) };
}

/** Widths of the fonts that every reader has, and whose tables files leave out (ISO 32000-1, 9.6.2.2). */
function standard(font: PDFDict): ((code: number) => number) | null {
  const base = font.lookup(name('BaseFont'));
  const found = Object.values(StandardFonts).find((one) => base === name(one));
  if (!found || found === StandardFonts.Symbol || found === StandardFonts.ZapfDingbats) return null;
  const letters = StandardFontEmbedder.for(found as never);
  const known = new Map<number, number>();
  return (code) => {
    const before = known.get(code);
    if (before !== undefined) return before;
    let width = WIDEST;
    try {
      width = code < 32 || code > 126 ? WIDEST : letters.widthOfTextAtSize(String.fromCharCode(code), 1);
    } catch {
      // It has no such letter; then none is painted, or one that is not known.
    }
    known.set(code, width);
    return width;
  };
}

function simple(font: PDFDict, scale: number): (code: number) => number {
  const first = numberOf(font.lookup(name('FirstChar'))) ?? 0;
  const widths = itemsOf(font.lookup(name('Widths')), 256);
  if (widths.length === 0) return standard(font) ?? (() => WIDEST);
  const table = widths.map((one) => (numberOf(one) ?? 0) * scale);
  return (code) => table[code - first] ?? WIDEST;
}

const MOST_CODES = 70_000;

/** Widths of a composite font (ISO 32000, 9.7.4.3). */
function composite(font: PDFDict): (code: number) => number {
  const table = new Map<number, number>();
  const usual = (numberOf(font.lookup(name('DW'))) ?? 1000) / 1000;
  const values = itemsOf(font.lookup(name('W')), 200_000);
  for (let i = 0; i < values.length && table.size < MOST_CODES;) {
    const first = numberOf(values[i]) ?? 0;
    const next = values[i + 1];
    if (next instanceof PDFArray) {
      itemsOf(next, MOST_CODES).forEach((one, k) => table.set(first + k, (numberOf(one) ?? 0) / 1000));
      i += 2;
      continue;
    }
    const last = Math.min(numberOf(next) ?? first, first + MOST_CODES);
    for (let code = first; code <= last; code++) table.set(code, (numberOf(values[i + 2]) ?? 0) / 1000);
    i += 3;
  }
  return (code) => table.get(code) ?? usual;
}

/** How far the letters of a font reach, by what the file says of it. */
export function reachOf(font: PDFDict | undefined): Reach {
  const kind = font?.lookup(name('Subtype'));
  if (!font) return { font: null, bytes: 1, upright: false, ...heights(undefined), width: () => WIDEST };
  if (kind === name('Type0')) {
    const [own] = itemsOf(font.lookup(name('DescendantFonts')), 1);
    const descendant = own instanceof PDFDict ? own : undefined;
    const coding = font.lookup(name('Encoding'));
    const code = coding instanceof PDFName ? coding.decodeText() : '';
    return {
      font,
      bytes: 2,
      upright: code.endsWith('-V'),
      ...heights(dictIn(descendant, 'FontDescriptor')),
      // Only there are codes the numbers of the table.
      width: descendant && code.startsWith('Identity') ? composite(descendant) : () => WIDEST,
    };
  }
  if (kind === name('Type3')) {
    const k = Math.abs(numbersOf(font.lookup(name('FontMatrix')))[0] ?? 0.001);
    const [, low = 0, , high = 0] = numbersOf(font.lookup(name('FontBBox'))).map((n) => n * k);
    return {
      font,
      bytes: 1,
      upright: false,
      top: Math.max(1.2, high),
      bottom: Math.min(-0.5, low),
      width: simple(font, k),
    };
  }
  return { font, bytes: 1, upright: false, ...heights(dictIn(font, 'FontDescriptor')), width: simple(font, 0.001) };
}
