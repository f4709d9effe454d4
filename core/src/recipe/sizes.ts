import { type Doc, adaptDoc } from '../cover';
import type { Book } from '../project';
import type { Profile } from '../stores';
import { siblingDoc } from './sibling';

/** Sizes that books of other kinds are made in, ready to be added. */
export const MASTERS = [
  { id: 'audio', name: 'Square, for audiobooks', widthPx: 2400, heightPx: 2400 },
  { id: 'picture-square', name: 'Square picture book', widthPx: 2550, heightPx: 2550 },
  { id: 'picture-landscape', name: 'Landscape picture book', widthPx: 3300, heightPx: 2550 },
  { id: 'picture-tall', name: 'Tall picture book', widthPx: 2400, heightPx: 3000 },
  { id: 'screen', name: 'Landscape, for screens', widthPx: 2560, heightPx: 1440 },
] as const;

/** One shape that the cover is delivered in: the front, another size of the title, or one that only stores ask for. */
export type SizeOfCover = {
  readonly kind: 'front' | 'sibling' | 'store';
  /** The sibling's id; '' for the front, the store's for a store. */
  readonly id: string;
  readonly name: string;
  readonly doc: Doc;
  /** Stores of the title that take files of this shape, by name. */
  readonly stores: readonly string[];
};

/** Ratios nearer than this are one shape. */
const SAME = 0.004;
const alike = (a: Size, b: Size): boolean => Math.abs((a.heightPx * b.widthPx) / (a.widthPx * b.heightPx) - 1) < SAME;
type Size = { readonly widthPx: number; readonly heightPx: number };

/** Whether the title has a size of this shape. */
export const hasShape = (book: Book, size: Size): boolean =>
  [book.cover, ...Object.values(book.siblings)].some((one) => alike(one, size));

/** Every shape of a title's cover, each once: as a person has made it, or as it is composed for the stores that ask for it. */
export function sizesOf(book: Book, profiles: readonly Profile[]): SizeOfCover[] {
  const own: SizeOfCover[] = [
    { kind: 'front', id: '', name: 'Front', doc: book.cover, stores: [] },
    ...Object.entries(book.siblings).map(([id, one]) => ({
      kind: 'sibling' as const,
      id,
      name: one.name,
      doc: siblingDoc(book.cover, one),
      stores: [],
    })),
  ];
  const all = [...own];
  for (const { id, name, ideal } of profiles) {
    const at = all.findIndex(({ doc }) => alike(doc, ideal));
    if (at >= 0) all[at] = { ...all[at], stores: [...all[at].stores, name] };
    else all.push({ kind: 'store', id, name, doc: adaptDoc(book.cover, ideal), stores: [name] });
  }
  return all;
}
