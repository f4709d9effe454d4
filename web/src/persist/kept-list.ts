import { type Migration, type Result, fail, ok, versioned } from '@yosomi/core/base';
import { z } from 'zod';
import { type Kept, changeKeep, readKeep } from './keep-row';

/** A list that is kept for every title of this browser, in one row: `{schema, [name]: items}`; `migrations` as of `versioned`. */
export function keptList<N extends 'scenes' | 'pins', T extends { id: string }>(
  name: N,
  item: z.ZodType<T>,
  most: number,
  migrations: readonly Migration[] = [],
) {
  const schema = migrations.length + 1;
  type Row = { readonly schema: number } & Readonly<Record<N, T[]>>;
  const items = z.array(item).max(most);
  const shape = z.object({ schema: z.literal(schema), [name]: items }) as unknown as z.ZodType<Row>;
  const kind = versioned(name, shape, migrations, { newer: 'scenes-newer', wrong: 'scenes-wrong' });
  const row = (list: T[]): Row => ({ schema, [name]: list }) as unknown as Row;
  const change = (edit: (list: T[]) => T[]): Promise<Result<void>> =>
    changeKeep(name, kind, row([]), (now) => {
      const next = edit(now[name]);
      return next.length > most ? fail('scenes-full', { most }) : ok(row(next));
    });
  return {
    kind,
    read: async (): Promise<Result<T[]>> => {
      const read = await readKeep(name, kind, row([]));
      return read.ok ? ok(read.value[name]) : read;
    },
    /** Faults: `scenes-newer`, `scenes-wrong`, `scenes-full`, `store-full`, `store-failed`. */
    keep: (one: T): Promise<Result<void>> => change((list) => [...list, one]),
    drop: (id: string): Promise<Result<void>> => change((list) => list.filter((one) => one.id !== id)),
  };
}

/** The items that can be read; those that cannot stay stored, and the first of their faults is told. */
export function readable<T, U>(list: Result<readonly T[]>, read: (item: T) => Result<U>): Kept<U[]> {
  if (!list.ok) return { value: [], fault: list.fault };
  const all = list.value.map(read);
  const wrong = all.find((one) => !one.ok);
  return { value: all.flatMap((one) => (one.ok ? [one.value] : [])), fault: wrong && !wrong.ok ? wrong.fault : null };
}
