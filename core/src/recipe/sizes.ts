import { type Edit, fault } from '../base';
import { type Book, Sibling } from '../project';
import type { Profile } from '../stores';

/** Sizes that books of other kinds are made in, ready to be added. */
export const MASTERS = [
  { id: 'audio', name: 'Square, for audiobooks', widthPx: 2400, heightPx: 2400 },
  { id: 'picture-square', name: 'Square picture book', widthPx: 2550, heightPx: 2550 },
  { id: 'picture-landscape', name: 'Landscape picture book', widthPx: 3300, heightPx: 2550 },
  { id: 'picture-tall', name: 'Tall picture book', widthPx: 2400, heightPx: 3000 },
  { id: 'screen', name: 'Landscape, for screens', widthPx: 2560, heightPx: 1440 },
] as const;

type Size = { readonly widthPx: number; readonly heightPx: number };

/** One shape that the cover is delivered in: the front, another size of the title, or one that only stores ask for. */
export type SizeOfCover = Size & {
  readonly kind: 'front' | 'sibling' | 'store';
  /** The sibling's id; '' for the front, the store's for a store. */
  readonly id: string;
  readonly name: string;
  /** Stores of the title that take files of this shape, by name. */
  readonly stores: readonly string[];
};

/** Ratios nearer than this are one shape. */
const SAME = 0.004;
export const sameShape = (a: Size, b: Size): boolean =>
  Math.abs((a.heightPx * b.widthPx) / (a.widthPx * b.heightPx) - 1) < SAME;

/** Whether the title has a size of this shape. */
export const hasShape = (book: Book, size: Size): boolean =>
  [book.cover, ...Object.values(book.siblings)].some((one) => sameShape(one, size));

/** Every shape of a title's cover, each once: as a person has made it, or as it is composed for the stores that ask for it. */
export function sizesOf({ cover, siblings }: Book, profiles: readonly Profile[]): SizeOfCover[] {
  const own = (kind: 'front' | 'sibling', id: string, name: string, { widthPx, heightPx }: Size): SizeOfCover => ({
    kind,
    id,
    name,
    widthPx,
    heightPx,
    stores: [],
  });
  const all = [
    own('front', '', 'Front', cover),
    ...Object.entries(siblings).map(([id, one]) => own('sibling', id, one.name, one)),
  ];
  for (const { id, name, ideal } of profiles) {
    const at = all.findIndex((one) => sameShape(one, ideal));
    if (at >= 0) all[at] = { ...all[at], stores: [...all[at].stores, name] };
    else all.push({ kind: 'store', id, name, ...ideal, stores: [name] });
  }
  return all;
}

/**
 * Adds a size of its own to a title, composed from the front, with parts where `places` say (those of `placesAt`). Faults: `cover-finished` where nothing can be composed anew, `size-there`
 * where it has one of this shape, `size-range`.
 */
export function addSize(
  id: string,
  name: string,
  { widthPx, heightPx }: Size,
  places: Sibling['places'] = {},
): Edit<Book> {
  return (book) => {
    if (book.cover.finished) return fault('cover-finished');
    if (hasShape(book, { widthPx, heightPx })) return fault('size-there');
    const made = Sibling.safeParse({ name: name.trim().slice(0, 60), widthPx, heightPx, places });
    if (!made.success) return fault('size-range', { least: 16, most: 10_000 });
    book.siblings[id] = made.data;
  };
}

/** Takes a size out of a title, with what was placed in it. Fault: `sibling-gone`. */
export function removeSize(id: string): Edit<Book> {
  return (book) => {
    if (!book.siblings[id]) return fault('sibling-gone');
    delete book.siblings[id];
  };
}
