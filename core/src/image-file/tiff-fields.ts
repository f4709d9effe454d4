import { type Result, fail, ok } from '../base';
import { u16, u16le, u32, u32le } from './bytes';

/** Types of values. */
export const [SHORT, LONG, RATIONAL] = [3, 4, 5] as const;
const SIZES: Readonly<Record<number, number>> = { 1: 1, 2: 1, 3: 2, 4: 4, 5: 8, 7: 1 };

type Field = { readonly type: number; readonly count: number; readonly at: number };

/** The directory of a TIFF's first picture, read within the bytes of the file. */
export type TiffFields = {
  readonly little: boolean;
  readonly has: (tag: number) => boolean;
  readonly count: (tag: number) => number;
  /** One value of a field; `usual` where it is not there or lies outside the file. */
  readonly number: (tag: number, usual: number, place?: number) => number;
  /** All values of a field, none where there are more than `most` or they are not all in the file. */
  readonly numbers: (tag: number, most: number) => number[];
  /** The bytes of a field as they are; null where they are not all in the file. */
  readonly bytes: (tag: number) => Uint8Array | null;
};

/** Faults: `image-truncated`, `image-damaged`. */
export function tiffFields(b: Uint8Array): Result<TiffFields> {
  const little = b[0] === 0x49;
  const short = (at: number): number => (little ? u16le : u16)(b, at);
  const long = (at: number): number => (little ? u32le : u32)(b, at);
  if (b.length < 8 || short(2) !== 42) return fail('image-damaged', { format: 'TIFF' });
  const start = long(4);
  const rows = start + 2 <= b.length ? short(start) : 0;
  if (rows === 0 || start + 2 + rows * 12 > b.length) return fail('image-truncated', { format: 'TIFF' });
  const fields = new Map<number, Field>();
  for (let i = 0; i < rows; i++) {
    const row = start + 2 + i * 12;
    const [type, count] = [short(row + 2), long(row + 4)];
    fields.set(short(row), { type, count, at: (SIZES[type] ?? 1) * count <= 4 ? row + 8 : long(row + 8) });
  }
  const count = (tag: number): number => fields.get(tag)?.count ?? 0;
  const number = (tag: number, usual: number, place = 0): number => {
    const field = fields.get(tag);
    if (!field || place >= field.count) return usual;
    const size = SIZES[field.type] ?? 1;
    const at = field.at + place * size;
    if (at + size > b.length) return usual;
    if (field.type === RATIONAL) return long(at) / Math.max(1, long(at + 4));
    return field.type === SHORT ? short(at) : field.type === LONG ? long(at) : b[at];
  };
  const numbers = (tag: number, most: number): number[] => {
    const field = fields.get(tag);
    if (!field || field.count > most || field.at + field.count * (SIZES[field.type] ?? 1) > b.length) return [];
    return Array.from({ length: field.count }, (_, i) => number(tag, 0, i));
  };
  const bytes = (tag: number): Uint8Array | null => {
    const field = fields.get(tag);
    return field && field.at + field.count <= b.length ? b.subarray(field.at, field.at + field.count) : null;
  };
  return ok({ little, has: (tag) => fields.has(tag), count, number, numbers, bytes });
}
