import { type Result, fail, ok } from '@yosomi/core/base';
import { z } from 'zod';
import { db } from './db';
import { guarded } from './guarded';

/**
 * A list that is kept for every title of this browser, in one row: `{schema: 1, [name]: items}`.
 * Faults of a change: `scenes-newer`, `scenes-full`, `store-full`, `store-failed`.
 */
export function keptList<T extends { id: string }>(name: 'scenes' | 'pins', item: z.ZodType<T>, most: number) {
  const Row = z.object({ schema: z.literal(1), items: z.array(item).max(most) });
  /** The list as it is stored; null where a newer release wrote it. */
  const read = async (): Promise<T[] | null> => {
    const row = await db.keeps.get(name);
    if (!row) return [];
    const value = z.record(z.string(), z.unknown()).safeParse(row.value);
    const parsed = Row.safeParse(value.success ? { schema: value.data.schema, items: value.data[name] } : null);
    return parsed.success ? parsed.data.items : null;
  };
  const change = async (edit: (items: T[]) => T[]): Promise<Result<void>> => {
    let refused: Result<void> = ok(undefined);
    const done = await guarded(async () => {
      await db.transaction('rw', db.keeps, async () => {
        const now = await read();
        const items = now && edit(now);
        if (!items) refused = fail('scenes-newer');
        else if (items.length > most) refused = fail('scenes-full', { most });
        else await db.keeps.put({ id: name, value: { schema: 1, [name]: items } });
      });
    });
    return refused.ok ? done : refused;
  };
  return {
    read,
    keep: (one: T): Promise<Result<void>> => change((items) => [...items, one]),
    drop: (id: string): Promise<Result<void>> => change((items) => items.filter((one) => one.id !== id)),
  };
}
