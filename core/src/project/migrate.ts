import { type Result, type Step, fail, ok } from '../base';
import { BOOK_SCHEMA, Book } from './book';
import { to2 } from './migrations/to-2';
import { to3 } from './migrations/to-3';
import { to4 } from './migrations/to-4';
import { to5 } from './migrations/to-5';
import { to6 } from './migrations/to-6';
import { to7 } from './migrations/to-7';
import { patchTo8, to8 } from './migrations/to-8';

type Loose = Record<string, unknown>;

/** Each entry takes a document of its number to the next. A document is only ever read through this table. */
export const MIGRATIONS: Readonly<Record<number, (old: Loose) => Loose>> = {
  1: to2,
  2: to3,
  3: to4,
  4: to5,
  5: to6,
  6: to7,
  7: to8,
};

/** Reads a stored or imported document of any known schema. Faults: `project-newer`, `project-damaged`. */
export function readBook(raw: unknown): Result<Book> {
  if (typeof raw !== 'object' || raw === null) return fail('project-damaged', { where: 'document' });
  let current = raw as Loose;
  const schema = current.schema;
  if (typeof schema !== 'number' || !Number.isInteger(schema) || schema < 1)
    return fail('project-damaged', { where: 'schema' });
  if (schema > BOOK_SCHEMA) return fail('project-newer', { found: schema, known: BOOK_SCHEMA });
  for (let n = schema; n < BOOK_SCHEMA; n++) current = MIGRATIONS[n](current);
  const parsed = Book.safeParse(current);
  if (!parsed.success) return fail('project-damaged', { where: parsed.error.issues[0]?.path.join('.') || 'document' });
  return ok(parsed.data);
}

/** Entries take a patch of a history along with its document. Steps of a number that is not here do not fit any more. */
const PATCHES: Readonly<Record<number, (patch: Patch) => Patch>> = { 7: patchTo8 };
type Patch = Step['forward'][number];

/** Takes a step of a title's history from the schema it was made on to the present one; null where it cannot be. */
export function readStep(step: Step, schema: number): Step | null {
  let { forward, back } = step;
  for (let n = schema; n < BOOK_SCHEMA; n++) {
    if (!PATCHES[n]) return null;
    forward = forward.map(PATCHES[n]);
    back = back.map(PATCHES[n]);
  }
  return { ...step, forward, back };
}
