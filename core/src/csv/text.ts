import { type Result, fail, ok } from '../base';

const UTF8 = [0xef, 0xbb, 0xbf];
const ZIP = [0x50, 0x4b, 0x03, 0x04];
/** Old workbooks of spreadsheets (compound files). */
const COMPOUND = [0xd0, 0xcf, 0x11, 0xe0];

const begins = (bytes: Uint8Array, sign: readonly number[]): boolean => sign.every((byte, i) => bytes[i] === byte);

/**
 * The text of a table file: UTF-8, UTF-16 where its first bytes say so, else Windows-1252, in which older spreadsheets save. Faults:
 * `table-workbook` (a spreadsheet's own file, not a text), `table-encoding` (no text).
 */
export function textOfTable(bytes: Uint8Array): Result<string> {
  if (begins(bytes, ZIP) || begins(bytes, COMPOUND)) return fail('table-workbook');
  if (begins(bytes, [0xff, 0xfe])) return ok(new TextDecoder('utf-16le').decode(bytes));
  if (begins(bytes, [0xfe, 0xff])) return ok(new TextDecoder('utf-16be').decode(bytes));
  const text = utf8(begins(bytes, UTF8) ? bytes.subarray(3) : bytes) ?? windows1252(bytes);
  return text.includes('\0') ? fail('table-encoding') : ok(text);
}

/** What the codes 0x80 to 0x9f are in Windows-1252; Node takes them for control characters. */
const HIGH = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

const windows1252 = (bytes: Uint8Array): string =>
  new TextDecoder('latin1').decode(bytes).replace(/[\u0080-\u009f]/g, (sign) => HIGH[sign.charCodeAt(0) - 0x80]);

function utf8(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}
