import { type Result, fail } from '@yosomi/core/base';
import { MOST_PATTERN, PAGE_SIZES, type Wishes, noWishes } from '@yosomi/core/recipe';
import { FORMATS, Profile } from '@yosomi/core/stores';
import { z } from 'zod';
import { db } from './db';
import { guarded } from './guarded';

const SIZES = Object.keys(PAGE_SIZES) as [keyof typeof PAGE_SIZES, ...(keyof typeof PAGE_SIZES)[]];

const Row = z.object({
  schema: z.literal(1),
  // With those that ship, no more than a title can be sold in.
  stores: z.array(Profile).max(30),
  formats: z.record(z.string().max(40), z.enum(FORMATS)),
  pattern: z.string().max(MOST_PATTERN).nullable(),
  page: z.object({
    size: z.enum(SIZES),
    ppi: z.union([z.literal(150), z.literal(300)]),
    bleedMm: z.union([z.literal(0), z.literal(3)]),
  }),
});

async function readWishes(): Promise<Wishes | null> {
  const row = await db.keeps.get('wishes');
  if (!row) return noWishes;
  const read = Row.safeParse(row.value);
  return read.success ? read.data : null;
}

/** How a person wants files, for all titles of this browser. */
export const loadWishes = async (): Promise<Wishes> => (await readWishes()) ?? noWishes;

/** Changes the wishes as they are now. Faults: `wishes-newer`, `wishes-full`, `store-full`, `store-failed`. */
export async function changeWishes(change: (now: Wishes) => Wishes): Promise<Result<void>> {
  let refused: Result<void> | null = null;
  const done = await guarded(async () => {
    await db.transaction('rw', db.keeps, async () => {
      const now = await readWishes();
      const next = now && Row.safeParse({ schema: 1, ...change(now) });
      refused = !next ? fail('wishes-newer') : next.success ? null : fail('wishes-full');
      if (next?.success) await db.keeps.put({ id: 'wishes', value: next.data });
    });
  });
  return refused ?? done;
}
