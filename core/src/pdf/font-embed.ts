import { type PDFDocument, PDFHexString, type PDFRef, PDFString } from '@cantoo/pdf-lib';
import { pathBounds, union } from '../plane';
import type { CutId, FontSubsetter, Shaper } from '../text';

/** Signs of one cut that a file shows, with what each stands for. */
export type UsedSigns = { readonly cut: CutId; readonly signs: ReadonlyMap<number, string> };

const hex = (n: number, digits = 4): string => n.toString(16).padStart(digits, '0');
/** Letters as numbers of UTF-16, in hexadecimal. */
export const utf16 = (text: string): string =>
  Array.from({ length: text.length }, (_, i) => hex(text.charCodeAt(i))).join('');

/** Six capitals that tell this subset from others of the same font (ISO 32000, 9.6.4). */
function prefixOf(index: number): string {
  let [n, name] = [index, ''];
  for (let i = 0; i < 6; i++, n = Math.floor(n / 26)) name = String.fromCharCode(65 + (n % 26)) + name;
  return name;
}

/** Character codes to letters (Adobe Technical Note 5411), at most 100 to a block. */
function toUnicode(signs: ReadonlyMap<number, string>): string {
  const told = [...signs].filter(([, text]) => text !== '').sort(([a], [b]) => a - b);
  const blocks: string[] = [];
  for (let i = 0; i < told.length; i += 100) {
    const some = told.slice(i, i + 100);
    blocks.push(
      `${some.length} beginbfchar`,
      ...some.map(([glyph, text]) => `<${hex(glyph)}> <${utf16(text)}>`),
      'endbfchar',
    );
  }
  return [
    '/CIDInit /ProcSet findresource begin',
    '12 dict begin',
    'begincmap',
    '/CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def',
    '/CMapName /Adobe-Identity-UCS def',
    '/CMapType 2 def',
    '1 begincodespacerange',
    '<0000> <ffff>',
    'endcodespacerange',
    ...blocks,
    'endcmap',
    'CMapName currentdict /CMap defineresource pop',
    'end',
    'end',
  ].join('\n');
}

/**
 * Puts the used signs of a font into a document, as a composite font whose codes are glyph numbers (ISO 32000, 9.7). Null where the font
 * cannot be cut down.
 */
export function embedFont(
  doc: PDFDocument,
  { cut, signs }: UsedSigns,
  index: number,
  shaper: Shaper,
  subset: FontSubsetter,
): PDFRef | null {
  const { bytes, axes } = shaper.fileOf(cut);
  const glyphs = [...signs.keys()].sort((a, b) => a - b);
  const file = subset(bytes, glyphs, axes);
  if (!file) return null;
  const { context } = doc;
  const name = `${prefixOf(index)}+${cut.replace(/[^A-Za-z0-9]+/g, '-')}`;
  // Outlines in a CFF table are another kind of font to a reader.
  const cff = file[0] === 0x4f;
  const stream = context.register(context.flateStream(file, cff ? { Subtype: 'OpenType' } : { Length1: file.length }));
  const metrics = shaper.metrics(cut);
  const boxes = glyphs.map((glyph) => pathBounds(shaper.outline(cut, glyph))).filter(({ width }) => width > 0);
  const box = boxes.length > 0 ? union(boxes) : { x: 0, y: -1, width: 1, height: 1 };
  const milli = (n: number): number => Math.round(n * 1000);
  const descriptor = context.register(
    context.obj({
      Type: 'FontDescriptor',
      FontName: name,
      Flags: 4,
      FontBBox: [milli(box.x), milli(-(box.y + box.height)), milli(box.x + box.width), milli(-box.y)],
      ItalicAngle: /italic/.test(cut) ? -12 : 0,
      Ascent: milli(metrics.ascent),
      Descent: milli(-metrics.descent),
      CapHeight: milli(metrics.capHeight),
      StemV: 80,
      [cff ? 'FontFile3' : 'FontFile2']: stream,
    }),
  );
  const widths = glyphs.flatMap((glyph) => [glyph, [milli(shaper.advanceOf(cut, glyph))]]);
  const own = context.register(
    context.obj({
      Type: 'Font',
      Subtype: cff ? 'CIDFontType0' : 'CIDFontType2',
      BaseFont: name,
      CIDSystemInfo: { Registry: PDFString.of('Adobe'), Ordering: PDFString.of('Identity'), Supplement: 0 },
      FontDescriptor: descriptor,
      DW: 0,
      W: widths,
      ...(cff ? {} : { CIDToGIDMap: 'Identity' }),
    }),
  );
  return context.register(
    context.obj({
      Type: 'Font',
      Subtype: 'Type0',
      BaseFont: name,
      Encoding: 'Identity-H',
      DescendantFonts: [own],
      ToUnicode: context.register(context.flateStream(toUnicode(signs))),
    }),
  );
}

export const unicodeString = (text: string): PDFHexString => PDFHexString.fromText(text);
