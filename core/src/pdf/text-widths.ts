import {
  PDFArray,
  type PDFDict,
  PDFDict as Dict,
  PDFName,
  PDFNumber,
  StandardFontEmbedder,
  StandardFonts,
} from '@cantoo/pdf-lib';

/** How far letters of a font reach, in units of the font size; never less than they do. */
export type Reach = {
  readonly bytes: 1 | 2;
  readonly upright: boolean;
  readonly top: number;
  readonly bottom: number;
  width(code: number): number;
};

const name = (text: string): PDFName => PDFName.of(text);
const numberOf = (value: unknown): number | null => (value instanceof PDFNumber ? value.asNumber() : null);

/** Without a table of widths a letter may be as wide as it is high. */
const WIDEST = 1;

/** Letters reach at least from a descender to an accent over a capital, and at most twice the size. */
function heights(descriptor: PDFDict | undefined): { top: number; bottom: number } {
  const box = descriptor?.lookupMaybe(name('FontBBox'), PDFArray);
  const at = (i: number): number => (box && box.size() === 4 ? (numberOf(box.lookup(i)) ?? 0) / 1000 : 0);
  return { top: Math.min(2, Math.max(0.95, at(3))), bottom: Math.max(-1, Math.min(-0.3, at(1))) };
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
  const widths = font.lookupMaybe(name('Widths'), PDFArray);
  const descriptor = font.lookupMaybe(name('FontDescriptor'), Dict);
  const missing = (numberOf(descriptor?.lookup(name('MissingWidth'))) ?? 0) * scale;
  if (!widths) return standard(font) ?? (() => WIDEST);
  const table = Array.from(
    { length: Math.min(widths.size(), 256) },
    (_, i) => (numberOf(widths.lookup(i)) ?? 0) * scale,
  );
  return (code) => table[code - first] ?? missing;
}

/** Widths of a composite font (ISO 32000, 9.7.4.3). */
function composite(font: PDFDict): (code: number) => number {
  const table = new Map<number, number>();
  const list = font.lookupMaybe(name('W'), PDFArray);
  const usual = (numberOf(font.lookup(name('DW'))) ?? 1000) / 1000;
  const values = list ? Array.from({ length: list.size() }, (_, i) => list.lookup(i)) : [];
  for (let i = 0; i < values.length && table.size < 70_000;) {
    const first = numberOf(values[i]) ?? 0;
    const next = values[i + 1];
    if (next instanceof PDFArray) {
      for (let k = 0; k < next.size(); k++) table.set(first + k, (numberOf(next.lookup(k)) ?? 0) / 1000);
      i += 2;
      continue;
    }
    const last = Math.min(numberOf(next) ?? first, first + 70_000);
    for (let code = first; code <= last; code++) table.set(code, (numberOf(values[i + 2]) ?? 0) / 1000);
    i += 3;
  }
  return (code) => table.get(code) ?? usual;
}

/** How far the letters of a font reach, by what the file says of it. */
export function reachOf(font: PDFDict | undefined): Reach {
  const kind = font?.lookup(name('Subtype'));
  if (!font) return { bytes: 1, upright: false, ...heights(undefined), width: () => WIDEST };
  if (kind === name('Type0')) {
    const own = font.lookupMaybe(name('DescendantFonts'), PDFArray)?.lookup(0);
    const descendant = own instanceof Dict ? own : undefined;
    const coding = font.lookup(name('Encoding'));
    return {
      bytes: 2,
      upright: coding instanceof PDFName && coding.decodeText().endsWith('-V'),
      ...heights(descendant?.lookupMaybe(name('FontDescriptor'), Dict)),
      width: descendant ? composite(descendant) : () => WIDEST,
    };
  }
  if (kind === name('Type3')) {
    const matrix = font.lookupMaybe(name('FontMatrix'), PDFArray);
    const k = Math.abs((matrix && numberOf(matrix.lookup(0))) ?? 0.001);
    const box = font.lookupMaybe(name('FontBBox'), PDFArray);
    const at = (i: number): number => (box && box.size() === 4 ? (numberOf(box.lookup(i)) ?? 0) * k : 0);
    return {
      bytes: 1,
      upright: false,
      top: Math.max(1.2, at(3)),
      bottom: Math.min(-0.5, at(1)),
      width: simple(font, k),
    };
  }
  return {
    bytes: 1,
    upright: false,
    ...heights(font.lookupMaybe(name('FontDescriptor'), Dict)),
    width: simple(font, 0.001),
  };
}
