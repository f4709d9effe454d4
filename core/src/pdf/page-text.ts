import type { PDFDict, PDFDocument, PDFPage } from '@cantoo/pdf-lib';
import type { Affine } from '../plane';
import { type Reader, readerOf } from './font-text';
import { isString } from './graphics-state';
import { paintedOf } from './painted';
import { seenOf } from './seen';

/** Gaps that part words: between letters of one string, in thousandths of the size, and between two, in sizes. */
const GAP = 180;
const APART = 0.15;
/** A line that begins farther up or down than this is another, in sizes. */
const LOWER = 0.5;

/**
 * Reads the words of pages in the order in which they are drawn, which in most files is that of reading. Fonts are read once. What a font
 * does not tell is left out.
 */
export function pageReader(doc: PDFDocument): (page: PDFPage) => string {
  const readers = new Map<PDFDict, Reader>();
  const readerFor = (font: PDFDict): Reader => {
    const known = readers.get(font) ?? readerOf(font);
    readers.set(font, known);
    return known;
  };
  return (page) => {
    let text = '';
    let end: Affine | null = null;
    paintedOf(doc, page, seenOf(page), ({ words, font, size, from, to }) => {
      if (!font) return;
      const scale = size * Math.hypot(from[0], from[1]);
      if (end) {
        const [along, across] = offset(from, [from[4] - end[4], from[5] - end[5]]);
        if (Math.abs(across) > LOWER * scale) text += '\n';
        else if (Math.abs(along) > APART * scale) text += ' ';
      }
      const read = readerFor(font);
      for (const word of words) {
        if (isString(word)) text += read(word.bytes);
        else if (typeof word === 'number' && word < -GAP) text += ' ';
      }
      end = to;
    });
    return text;
  };
}

/** How far a step leads along a line of text, and across it. */
function offset([a, b]: Affine, [x, y]: readonly [number, number]): [along: number, across: number] {
  const length = Math.hypot(a, b) || 1;
  return [(a * x + b * y) / length, (a * y - b * x) / length];
}
