import { PDFArray, PDFDict, PDFName, PDFNumber, type PDFObject } from '@cantoo/pdf-lib';
import type { Rect } from '../plane';

export const pdfName = (text: string): PDFName => PDFName.of(text);

export const numberOf = (value: unknown): number | null => (value instanceof PDFNumber ? value.asNumber() : null);

/** What an array holds, references followed, no more than `most` of it; none where it is no array. */
export const itemsOf = (list: unknown, most = 5000): (PDFObject | undefined)[] =>
  list instanceof PDFArray ? Array.from({ length: Math.min(list.size(), most) }, (_, i) => list.lookup(i)) : [];

/** The numbers of an array; what is none counts as nought. */
export const numbersOf = (list: unknown): number[] => itemsOf(list).map((one) => numberOf(one) ?? 0);

/** A dictionary within another; none where there is none. */
export const dictIn = (dict: PDFDict | undefined, key: string): PDFDict | undefined => {
  const found = dict?.lookup(pdfName(key));
  return found instanceof PDFDict ? found : undefined;
};

/** Two corners as a box, whichever they are. */
export const boxOf = ([x0, y0, x1, y1]: readonly number[]): Rect => ({
  x: Math.min(x0, x1),
  y: Math.min(y0, y1),
  width: Math.abs(x1 - x0),
  height: Math.abs(y1 - y0),
});

/** True where straight lines go round all four corners of their box, and nowhere else. */
export function isRectangle(points: readonly Rect[], box: Rect): boolean {
  const near = (a: number, b: number): boolean => Math.abs(a - b) < 0.01;
  const corners = points.map(({ x, y }) => {
    const [left, right] = [near(x, box.x), near(x, box.x + box.width)];
    const [top, foot] = [near(y, box.y), near(y, box.y + box.height)];
    return (left || right) && (top || foot) ? (left ? 0 : 1) + (top ? 0 : 2) : -1;
  });
  return !corners.includes(-1) && new Set(corners).size === 4;
}
