import { type Result, fail, ok } from '../base';

/** What a font file says of itself, read from its bytes. */
export type FontInfo = { readonly format: 'ttf' | 'otf' | 'woff2'; readonly name: string };

export const MOST_FONT_BYTES = 20 * 1024 * 1024;

/**
 * Tells a font file by its content. The name of a woff2 file is known only once it is unpacked and is empty here.
 * Faults: `file-empty`, `font-large`, `font-format`, `font-damaged`.
 */
export function readFontFile(bytes: Uint8Array): Result<FontInfo> {
  if (bytes.length === 0) return fail('file-empty');
  if (bytes.length > MOST_FONT_BYTES) return fail('font-large', { most: MOST_FONT_BYTES / 1048576 });
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 12) return fail('font-format');
  const tag = view.getUint32(0);
  if (tag === 0x774f4632) return ok({ format: 'woff2', name: '' });
  const format = tag === 0x4f54544f ? 'otf' : tag === 0x00010000 || tag === 0x74727565 ? 'ttf' : null;
  if (!format) return fail('font-format');
  const tables = view.getUint16(4);
  if (12 + tables * 16 > bytes.length) return fail('font-damaged', { cut: '' });
  let name = '';
  for (let i = 0; i < tables; i++) {
    const at = 12 + i * 16;
    const offset = view.getUint32(at + 8);
    const length = view.getUint32(at + 12);
    if (offset + length > bytes.length) return fail('font-damaged', { cut: '' });
    if (view.getUint32(at) === 0x6e616d65) name = familyName(view, offset, length);
  }
  return ok({ format, name });
}

/** The full name (4) or the family name (1) of a font in Unicode, from its name table (OpenType 1.9, "name"). */
function familyName(view: DataView, table: number, length: number): string {
  if (length < 6) return '';
  const count = Math.min(view.getUint16(table + 2), Math.floor((length - 6) / 12));
  const strings = table + view.getUint16(table + 4);
  let best = { id: 0, text: '' };
  for (let i = 0; i < count; i++) {
    const at = table + 6 + i * 12;
    const [platform, id] = [view.getUint16(at), view.getUint16(at + 6)];
    if ((platform !== 3 && platform !== 0) || (id !== 1 && id !== 4) || id <= best.id) continue;
    const size = Math.min(view.getUint16(at + 8), 200);
    const from = strings + view.getUint16(at + 10);
    if (from + size > table + length) continue;
    let text = '';
    for (let k = 0; k + 1 < size; k += 2) text += String.fromCharCode(view.getUint16(from + k));
    best = { id, text };
  }
  return best.text.replace(/[^\p{L}\p{N} ._-]/gu, '').trim();
}
