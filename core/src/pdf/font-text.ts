import { PDFDict, PDFName, PDFStream } from '@cantoo/pdf-lib';
import { type Operand, Operators } from './operators';
import { isString } from './graphics-state';
import { itemsOf, numberOf, pdfName as name } from './objects';
import { unpacked } from './page-content';

/** Reads the letters that codes of a font stand for; codes that stand for none that is known are left out. */
export type Reader = (bytes: Uint8Array) => string;

const MOST_CMAP = 4 * 1024 * 1024;
const MOST_CODES = 100_000;

const codeOf = (bytes: Uint8Array): number => bytes.reduce((sum, byte) => sum * 256 + byte, 0);

function utf16Of(bytes: Uint8Array): string {
  let text = '';
  for (let i = 0; i + 1 < bytes.length; i += 2) text += String.fromCharCode(bytes[i] * 256 + bytes[i + 1]);
  return text;
}

type Told = { readonly letters: Map<number, string>; readonly bytes: 1 | 2 };

/** What a font says that its codes stand for (ISO 32000, 9.10.3); it is written in the same signs as a page. */
function told(stream: PDFStream): Told | null {
  const source = unpacked(stream, MOST_CMAP);
  if (!source) return null;
  const letters = new Map<number, string>();
  let bytes: 1 | 2 = 2;
  const put = (code: number, text: string): void => {
    if (letters.size < MOST_CODES) letters.set(code, text);
  };
  for (const { op, operands } of new Operators(source)) {
    const strings = operands.filter(isString);
    if (op === 'endcodespacerange' && strings[0]) bytes = strings[0].bytes.length === 1 ? 1 : 2;
    if (op === 'endbfchar')
      for (let i = 0; i + 1 < strings.length; i += 2) put(codeOf(strings[i].bytes), utf16Of(strings[i + 1].bytes));
    if (op !== 'endbfrange') continue;
    for (let i = 0; i + 2 < operands.length; i += 3) range(operands.slice(i, i + 3), put);
  }
  return { letters, bytes };
}

function range([from, to, target]: readonly Operand[], put: (code: number, text: string) => void): void {
  if (!isString(from) || !isString(to)) return;
  const [first, last] = [codeOf(from.bytes), Math.min(codeOf(to.bytes), codeOf(from.bytes) + MOST_CODES)];
  if (Array.isArray(target)) {
    (target as readonly Operand[]).forEach((one, k) => isString(one) && put(first + k, utf16Of(one.bytes)));
    return;
  }
  if (!isString(target)) return;
  const base = utf16Of(target.bytes);
  const end = base.charCodeAt(base.length - 1);
  for (let code = first; code <= last; code++) put(code, base.slice(0, -1) + String.fromCharCode(end + code - first));
}

/** Names of signs that are not their own letter (Adobe Glyph List, those of Latin text). */
const SIGNS: Readonly<Record<string, string>> = {
  space: ' ',
  quoteright: '’',
  quoteleft: '‘',
  quotesingle: "'",
  quotedblleft: '“',
  quotedblright: '”',
  quotedbl: '"',
  hyphen: '-',
  endash: '–',
  emdash: '—',
  period: '.',
  comma: ',',
  colon: ':',
  semicolon: ';',
  slash: '/',
  at: '@',
  underscore: '_',
  ampersand: '&',
  parenleft: '(',
  parenright: ')',
  fi: 'fi',
  fl: 'fl',
  ff: 'ff',
  ffi: 'ffi',
  ffl: 'ffl',
  zero: '0',
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
};
const MARKS: Readonly<Record<string, string>> = {
  acute: '\u0301',
  grave: '\u0300',
  circumflex: '\u0302',
  dieresis: '\u0308',
  tilde: '\u0303',
  cedilla: '\u0327',
  ring: '\u030a',
  caron: '\u030c',
};

/** The letters that a named sign stands for. */
function signOf(sign: string): string {
  if (/^[A-Za-z]$/.test(sign)) return sign;
  const unicode = /^uni([0-9A-F]{4})/.exec(sign) ?? /^u([0-9A-F]{4,5})$/.exec(sign);
  if (unicode) return String.fromCodePoint(Number.parseInt(unicode[1], 16));
  const accented = /^([A-Za-z])([a-z]+)$/.exec(sign);
  const mark = accented && MARKS[accented[2]];
  return mark ? `${accented[1]}${mark}`.normalize('NFC') : (SIGNS[sign] ?? '');
}

/** Codes of the encoding that most files of Latin text have (ISO 32000, annex D). */
const LATIN = new TextDecoder('windows-1252');

function simple(font: PDFDict): Reader {
  const coding = font.lookup(name('Encoding'));
  const other = new Map<number, string>();
  let code = 0;
  for (const one of coding instanceof PDFDict ? itemsOf(coding.lookup(name('Differences'))) : []) {
    if (one instanceof PDFName) other.set(code++, signOf(one.decodeText()));
    else code = numberOf(one) ?? code;
  }
  return (bytes) => Array.from(bytes, (byte) => other.get(byte) ?? LATIN.decode(Uint8Array.of(byte))).join('');
}

/** How the codes of a font are read: by what it says itself, else by its encoding; a composite font that says nothing cannot be read. */
export function readerOf(font: PDFDict): Reader {
  const stream = font.lookup(name('ToUnicode'));
  const own = stream instanceof PDFStream ? told(stream) : null;
  const composite = font.lookup(name('Subtype')) === name('Type0');
  if (!own || own.letters.size === 0) return composite ? () => '' : simple(font);
  const rest = composite ? null : simple(font);
  const step = composite ? own.bytes : 1;
  return (bytes) => {
    let text = '';
    for (let i = 0; i + step <= bytes.length; i += step) {
      const code = codeOf(bytes.subarray(i, i + step));
      text += own.letters.get(code) ?? rest?.(bytes.subarray(i, i + step)) ?? '';
    }
    return text;
  };
}
