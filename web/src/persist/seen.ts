import { keyOf, versioned } from '@yosomi/core/base';
import { VERSIONS, coverKey } from '@yosomi/core/recipe';
import type { Book } from '@yosomi/core/project';
import { z } from 'zod';
import { db } from './db';

const Rect = z.object({ x: z.number(), y: z.number(), width: z.number(), height: z.number() });
const Finding = z.object({
  code: z.string(),
  severity: z.enum(['must', 'should', 'note']),
  part: z.string().nullable(),
  data: z.record(z.string(), z.union([z.string(), z.number()])),
});
const Report = z.object({
  part: z.string(),
  sizePx: z.number(),
  words: z.array(z.object({ text: z.string(), typical: z.number(), worstTenth: z.number() })),
  typical: z.number(),
  worstTenth: z.number(),
  seen: z.number(),
  readsFromPx: z.number().nullable(),
});
const Added = z.object({
  hold: z.number(),
  reach: z.number(),
  colour: z.string(),
  opacity: z.number(),
  from: z.enum(['top', 'bottom']),
  parts: z.array(z.string()),
});

/** What a person saw last of a cover: its picture and those of the glance as PNG, and what was measured of it. */
export const Seen = z.object({
  schema: z.literal(1),
  picture: z.instanceof(Blob),
  thumbs: z.array(z.instanceof(Blob)).min(1).max(12),
  frames: z.record(z.string(), Rect),
  reports: z.record(z.string(), Report),
  findings: z.array(Finding),
  measure: z.object({
    added: z.array(Added),
    titleFromPx: z.number().nullable().optional(),
    reads: z.array(z.object({ role: z.string(), fromPx: z.number().nullable() })),
    findings: z.array(Finding),
  }),
});
export type Seen = z.infer<typeof Seen>;

/** As it is stored. */
export const Seens = versioned('seen', Seen, [], { newer: 'kept-newer', wrong: 'kept-wrong' });

/** So many titles' last sight is kept; the oldest goes first. */
const MOST = 24;

/** What a sight is of: all that the cover is made from, and this release. */
const keyFor = (book: Book): string => keyOf({ cover: coverKey(book), versions: VERSIONS });

/** The sight of a cover as it is now; null where another was seen last, or none, or it cannot be read. */
export async function lastSeen(book: Book): Promise<Seen | null> {
  try {
    const row = await db.seen.get(book.id);
    if (row?.key !== keyFor(book)) return null;
    const read = Seens.read(row.value);
    return read.ok ? read.value : null;
  } catch {
    return null;
  }
}

/** Keeps what was seen of a cover. It can always be made again: where there is no room for it, nothing is said. */
export async function keepSeen(
  book: Book,
  seen: { readonly [name in Exclude<keyof Seen, 'schema'>]: unknown },
  atMs: number,
): Promise<void> {
  try {
    const value = Seen.parse({ schema: 1, ...seen });
    await db.seen.put({ id: book.id, key: keyFor(book), atMs, value });
    const old = await db.seen.orderBy('atMs').reverse().offset(MOST).primaryKeys();
    if (old.length > 0) await db.seen.bulkDelete(old);
  } catch {
    // Where one could not be written, older ones are in the way of what a person makes.
    await db.seen.clear().catch(() => {});
  }
}
