import { z } from 'zod';
import { binder, carton, disc, discCase, slipcase } from './boxes';
import { SMOOTH, caseBound, softBound } from './bound';
import { EREADER, PHONE, TABLET, device, laptop } from './device';
import type { Model } from './model';
import { openBook } from './open-book';

const thicknessMm = z.number().min(1).max(120).nullable();

/** Kinds of objects, with the numbers that are theirs alone; null takes the thickness from the page count. */
export const Kind = z.discriminatedUnion('kind', [
  /** The front cover can stand off the pages a little, mm at its edge. */
  z.object({ kind: z.literal('paperback'), thicknessMm, liftMm: z.number().min(0).max(40).optional() }),
  z.object({ kind: z.literal('hardcover'), thicknessMm }),
  z.object({ kind: z.literal('jacketed'), thicknessMm, openRad: z.number().min(0).max(2.4) }),
  z.object({ kind: z.literal('booklet'), thicknessMm }),
  z.object({ kind: z.literal('magazine'), thicknessMm }),
  z.object({ kind: z.literal('binder'), thicknessMm }),
  z.object({ kind: z.literal('ereader') }),
  z.object({ kind: z.literal('tablet') }),
  z.object({ kind: z.literal('phone') }),
  z.object({ kind: z.literal('laptop') }),
  z.object({ kind: z.literal('disc') }),
  z.object({ kind: z.literal('disc-case') }),
  z.object({ kind: z.literal('carton'), thicknessMm }),
  z.object({ kind: z.literal('slipcase'), thicknessMm }),
  z.object({ kind: z.literal('open-book'), thicknessMm }),
]);
export type Kind = z.infer<typeof Kind>;

/** Things on which a page is read, and not only a cover seen. */
const READ_ON: ReadonlySet<Kind['kind']> = new Set(['open-book', 'ereader', 'tablet', 'phone', 'laptop']);
export const showsPages = (kind: Kind['kind']): boolean => READ_ON.has(kind);

export const KINDS = Kind.options.map((one) => one.shape.kind.value);

/** The art that an object is made for: the pixels of its front, or of a page of what lies open, and how many pages its book has. */
export type Subject = {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly pageCount: number | null;
  /** Whether what lies open shows pages that are made, and not lines that only look like text. */
  readonly pages?: boolean;
};

/** Height of the trimmed page of a common trade paperback. */
export const TRIM_HEIGHT_MM = 203;

/** Thickness of a book whose spine art has these sides, within what can be bound: 2 to 120 mm. */
export const spineThickness = (width: number, height: number): number =>
  Math.min(120, Math.max(2, (TRIM_HEIGHT_MM * width) / height));

/** Height of an object whose front takes the art's ratio, in mm; common trade sizes. */
const HEIGHTS: Partial<Record<Kind['kind'], number>> = {
  paperback: TRIM_HEIGHT_MM,
  hardcover: 222,
  jacketed: 222,
  booklet: 240,
  magazine: 276,
  binder: 300,
  'disc-case': 180,
  carton: 235,
  slipcase: 213,
  'open-book': TRIM_HEIGHT_MM,
};

/** Thickness in mm where none is typed: pages of a book, and of other things what is common. */
function thicknessOf(kind: Kind, bookMm: number): number {
  const typed = 'thicknessMm' in kind ? kind.thicknessMm : null;
  if (typed !== null) return typed;
  switch (kind.kind) {
    case 'booklet':
      return Math.min(4, Math.max(1.4, bookMm * 0.18));
    case 'magazine':
      return Math.min(6, Math.max(2.4, bookMm * 0.3));
    case 'binder':
      return 42;
    case 'carton':
      return 46;
    case 'slipcase':
      return bookMm;
    case 'hardcover':
    case 'jacketed':
      return bookMm + 6;
    default:
      return bookMm;
  }
}

export type Size = { readonly widthMm: number; readonly heightMm: number; readonly thicknessMm: number };

/** Outer sizes of an object's body, whose front has the art's ratio. `bookMm` is the thickness of the pages. */
export function sizeOf(kind: Kind, subject: Subject, bookMm: number): Size {
  const heightMm = HEIGHTS[kind.kind] ?? 0;
  // A strip of a picture is no book: the front stays between a scroll and a landscape print.
  const ratio = Math.min(2.2, Math.max(0.3, subject.widthPx / subject.heightPx));
  return { widthMm: heightMm * ratio, heightMm, thicknessMm: thicknessOf(kind, bookMm) };
}

/** The object built from its numbers. `strips` is how smooth round faces are. */
export function makeModel(kind: Kind, subject: Subject, bookMm: number, strips = SMOOTH): Model {
  const size = sizeOf(kind, subject, bookMm);
  const { widthMm: w, heightMm: h, thicknessMm: d } = size;
  switch (kind.kind) {
    case 'paperback':
      return softBound(
        size,
        { bulgeMm: Math.min(d * 0.16, 4.5), exponent: 2.6, creased: true },
        strips,
        kind.liftMm ?? 0,
      );
    case 'booklet':
    case 'magazine':
      return softBound(size, { bulgeMm: d * 0.5, exponent: 2, creased: false }, Math.min(strips, 12));
    case 'hardcover':
      return caseBound(size, false, 0, strips);
    case 'jacketed':
      return caseBound(size, true, kind.openRad, strips);
    case 'binder':
      return binder(w, h, d);
    case 'ereader':
      return device(EREADER);
    case 'tablet':
      return device(TABLET);
    case 'phone':
      return device(PHONE);
    case 'laptop':
      return laptop();
    case 'disc':
      return disc();
    case 'disc-case':
      return discCase(w, h);
    case 'carton':
      return carton(w, h, d);
    case 'slipcase':
      return slipcase(w, h, d);
    case 'open-book':
      return openBook(w, h, d, strips, subject.pages ?? false);
  }
}
