import type { Fault, Result, Versioned } from '@yosomi/core/base';
import { db } from './db';
import { guarded } from './guarded';

/** What is kept, as far as it can be read, and why not all of it can; what cannot be read stays as it is stored. */
export type Kept<T> = { readonly value: T; readonly fault: Fault | null };

/** One row of what is kept across titles; `empty` where nothing is kept. Faults: those of its kind. */
export async function readKeep<T>(id: string, kind: Versioned<T>, empty: T): Promise<Result<T>> {
  const row = await db.keeps.get(id);
  return row ? kind.read(row.value) : { ok: true, value: empty };
}

export const orEmpty = <T>(read: Result<T>, empty: T): Kept<T> =>
  read.ok ? { value: read.value, fault: null } : { value: empty, fault: read.fault };

/**
 * Changes a row as it is now; a row that cannot be read is never written over. `edit` answers what is to be stored, or a
 * fault. Faults: those of its kind and of `edit`, `store-full`, `store-failed`.
 */
export async function changeKeep<T>(
  id: string,
  kind: Versioned<T>,
  empty: T,
  edit: (now: T) => Result<T>,
): Promise<Result<void>> {
  let refused: Result<never> | null = null;
  const done = await guarded(async () => {
    await db.transaction('rw', db.keeps, async () => {
      const now = await readKeep(id, kind, empty);
      const next = now.ok ? edit(now.value) : now;
      if (next.ok) await db.keeps.put({ id, value: next.value });
      else refused = next;
    });
  });
  return refused ?? done;
}
