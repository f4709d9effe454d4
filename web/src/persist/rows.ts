import type { Result } from '@yosomi/core/base';
import { fail } from '@yosomi/core/base';
import { type Book, readBook } from '@yosomi/core/project';
import { z } from 'zod';

const Loose = z.object({
  id: z.string(),
  schema: z.number().catch(0),
  book: z.unknown(),
  rev: z.number().int().min(0).catch(0),
  order: z.array(z.number().int().min(0)).catch([]),
  done: z.number().int().min(0).catch(0),
});

/** A row of a title as far as it can be believed: what is not of the right shape is as if it had never been written. */
export type ReadRow = {
  readonly id: string;
  /** The number of the schema it was stored in; 0 where that is not known. */
  readonly schema: number;
  readonly book: Result<Book>;
  readonly rev: number;
  readonly order: readonly number[];
  readonly done: number;
};

export function readRow(raw: unknown): ReadRow | null {
  const row = Loose.safeParse(raw);
  if (!row.success) return null;
  const { id, schema, rev, order, done } = row.data;
  const book = readBook(row.data.book);
  const same = !book.ok || book.value.id === id;
  return {
    id,
    schema,
    book: same ? book : fail('project-damaged', { where: 'id' }),
    rev,
    order,
    done: Math.min(done, order.length),
  };
}

const Named = z.object({ book: z.object({ brief: z.object({ title: z.string() }) }) });

/** What a row that cannot be read calls itself, as far as it says. */
export function nameOfRow(raw: unknown): string {
  const named = Named.safeParse(raw);
  return (named.success && named.data.book.brief.title.trim().slice(0, 120)) || 'Untitled';
}
