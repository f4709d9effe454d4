import { PDFDict, type PDFDocument, PDFHexString, PDFName, PDFNumber, PDFString } from '@cantoo/pdf-lib';
import { itemsOf, pdfName } from './objects';

function roman(n: number): string {
  const signs = [
    [1000, 'm'],
    [900, 'cm'],
    [500, 'd'],
    [400, 'cd'],
    [100, 'c'],
    [90, 'xc'],
    [50, 'l'],
    [40, 'xl'],
    [10, 'x'],
    [9, 'ix'],
    [5, 'v'],
    [4, 'iv'],
    [1, 'i'],
  ] as const;
  let [out, left] = ['', Math.min(n, 5000)];
  for (const [value, sign] of signs)
    while (left >= value) {
      out += sign;
      left -= value;
    }
  return out;
}

/** a ... z, aa ... zz, and so on (ISO 32000, 12.4.2). */
const lettered = (n: number): string =>
  String.fromCharCode(97 + ((n - 1) % 26)).repeat(Math.min(20, Math.ceil(n / 26)));

function styled(style: string, n: number): string {
  switch (style) {
    case 'D':
      return String(n);
    case 'r':
      return roman(n);
    case 'R':
      return roman(n).toUpperCase();
    case 'a':
      return lettered(n);
    case 'A':
      return lettered(n).toUpperCase();
    default:
      return '';
  }
}

type Range = { readonly start: number; readonly dict: PDFDict };

/** All ranges of a number tree, with bounds on its depth and size. */
function rangesIn(node: PDFDict, depth = 0): Range[] {
  const nums = itemsOf(node.lookup(pdfName('Nums')), 20_000);
  const own = nums.flatMap((start, i): Range[] => {
    const dict = nums[i + 1];
    return i % 2 === 0 && start instanceof PDFNumber && dict instanceof PDFDict
      ? [{ start: start.asNumber(), dict }]
      : [];
  });
  const kids = depth < 10 ? itemsOf(node.lookup(pdfName('Kids')), 2000) : [];
  return [...own, ...kids.flatMap((kid) => (kid instanceof PDFDict ? rangesIn(kid, depth + 1) : []))];
}

/** The printed number of each page: what the file calls it, else how many it is. */
export function labelsOf(doc: PDFDocument, pages: number): string[] {
  const plain = Array.from({ length: pages }, (_, i) => String(i + 1));
  const tree = doc.catalog.lookupMaybe(pdfName('PageLabels'), PDFDict);
  const ranges = tree ? rangesIn(tree).sort((a, b) => a.start - b.start) : [];
  return plain.map((number, i) => {
    const range = ranges.filter(({ start }) => start <= i).at(-1);
    if (!range) return number;
    const [style, first, prefix] = ['S', 'St', 'P'].map((key) => range.dict.lookup(pdfName(key)));
    const from = first instanceof PDFNumber ? first.asNumber() : 1;
    const lead = prefix instanceof PDFString || prefix instanceof PDFHexString ? prefix.decodeText() : '';
    const own = style instanceof PDFName ? styled(style.decodeText(), from + i - range.start) : '';
    return `${lead}${own}` || number;
  });
}
