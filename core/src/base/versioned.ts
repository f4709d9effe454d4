import type { z } from 'zod';
import { type Result, fail, ok } from './result';

type Loose = Record<string, unknown>;

/** Takes a document of one schema to the next. What was wrong in it stays wrong. */
export type Migration = (old: Loose) => Loose;

/** A kind of thing that is kept, saved or sent, with the number of its present schema. */
export type Versioned<T> = {
  readonly kind: string;
  readonly schema: number;
  /** Reads one of any known schema. The faults are the two codes: newer (`found`, `known`), and wrong (`where`). */
  read(raw: unknown): Result<T>;
};

/** `unnumbered` is the schema of those that bear no number: the ones that were written before there was one. */
type Manner = { readonly newer: string; readonly wrong: string; readonly unnumbered?: number };

/** The one reader of what is kept: `migrations` lead from schema 1 to `present`, the schema of today, one step each. */
export function versioned<T>(
  kind: string,
  present: z.ZodType<T>,
  migrations: readonly Migration[],
  { newer, wrong, unnumbered }: Manner,
): Versioned<T> {
  const schema = migrations.length + 1;
  const read = (raw: unknown): Result<T> => {
    if (typeof raw !== 'object' || raw === null || Array.isArray(raw)) return fail(wrong, { where: 'document' });
    const found = (raw as Loose).schema ?? unnumbered;
    if (typeof found !== 'number' || !Number.isInteger(found) || found < 1) return fail(wrong, { where: 'schema' });
    if (found > schema) return fail(newer, { found, known: schema });
    const now = migrations.slice(found - 1).reduce<Loose>((old, to) => to(old), { ...raw, schema: found });
    const parsed = present.safeParse(now);
    if (parsed.success) return ok(parsed.data);
    return fail(wrong, { where: parsed.error.issues[0]?.path.join('.') || 'document' });
  };
  return { kind, schema, read };
}
