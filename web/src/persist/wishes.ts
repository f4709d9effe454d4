import { type Result, fail, ok, versioned } from '@yosomi/core/base';
import { MOST_PATTERN, PAGE_SIZES, type Wishes, noWishes } from '@yosomi/core/recipe';
import { FORMATS, Profiles } from '@yosomi/core/stores';
import { z } from 'zod';
import { type Kept, changeKeep, readKeep } from './keep-row';
import { readable } from './kept-list';

const SIZES = Object.keys(PAGE_SIZES) as [keyof typeof PAGE_SIZES, ...(keyof typeof PAGE_SIZES)[]];

const Row = z.object({
  schema: z.literal(1),
  // With those that ship, no more than a title can be sold in.
  stores: z.array(z.unknown()).max(30),
  formats: z.record(z.string().max(40), z.enum(FORMATS)),
  pattern: z.string().max(MOST_PATTERN).nullable(),
  page: z.object({
    size: z.enum(SIZES),
    ppi: z.union([z.literal(150), z.literal(300)]),
    bleedMm: z.union([z.literal(0), z.literal(3)]),
  }),
});

/** How a person wants files, as it is stored. Faults: `wishes-newer`, `wishes-wrong`. */
export const WishRows = versioned('wishes', Row, [], { newer: 'wishes-newer', wrong: 'wishes-wrong' });
const EMPTY: z.infer<typeof Row> = { schema: 1, ...noWishes, stores: [], formats: {} };

/** A person's own stores bear numbers of their own: they are read one by one. */
const wishesOf = (row: z.infer<typeof Row>): Kept<Wishes> => {
  const { value, fault } = readable(ok(row.stores), Profiles.read);
  const unread = fault && { ...fault, code: fault.code === 'stores-newer' ? 'wishes-newer' : 'wishes-wrong' };
  return { value: { stores: value, formats: row.formats, pattern: row.pattern, page: row.page }, fault: unread };
};

/** How a person wants files, for all titles of this browser. */
export async function loadWishes(): Promise<Kept<Wishes>> {
  const read = await readKeep('wishes', WishRows, EMPTY);
  return read.ok ? wishesOf(read.value) : { value: noWishes, fault: read.fault };
}

/**
 * Changes the wishes as they are now. Faults: `wishes-newer`, `wishes-wrong`, `wishes-full`, `store-full`, `store-failed`;
 * also where one of the stores cannot be read, for it would be lost.
 */
export const changeWishes = (change: (now: Wishes) => Wishes): Promise<Result<void>> =>
  changeKeep('wishes', WishRows, EMPTY, (row) => {
    const { value, fault } = wishesOf(row);
    if (fault) return { ok: false, fault };
    const next = Row.safeParse({ schema: 1, ...change(value) });
    return next.success ? ok(next.data) : fail('wishes-full');
  });
