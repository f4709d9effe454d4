import { type Result, diff, fail, ok, versioned } from '@yosomi/core/base';
import { type House, Houses, emptyHouse } from '@yosomi/core/project';
import { z } from 'zod';
import { db } from './db';
import { guarded } from './guarded';
import type { HouseRow } from './keeps';
import { readKeep } from './keep-row';

const ROWS: readonly HouseRow[] = ['house', 'house-demo'];

/** The last change of a house that was made in its titles too: the house before it and after, as they were stored. */
const HouseStep = z.object({ schema: z.literal(1), id: z.string(), before: z.unknown(), after: z.unknown() });

export const HouseSteps = versioned('houseStep', HouseStep, [], { newer: 'kept-newer', wrong: 'kept-wrong' });

const stepRow = (row: HouseRow): string => `${row}-step`;

/** Changes the house style as it is now, so that the step of this id, which its titles share, can take it back. Faults: those of `changeHouse`. */
export async function changeHouseWide(
  row: HouseRow,
  step: string,
  edit: (house: House) => House,
): Promise<Result<void>> {
  let refused: Result<never> | null = null;
  const done = await guarded(async () => {
    await db.transaction('rw', db.keeps, async () => {
      const now = await readKeep(row, Houses, emptyHouse);
      if (!now.ok) return void (refused = now);
      const next = Houses.read(edit(now.value));
      if (!next.ok) return void (refused = fail('house-full'));
      await db.keeps.put({ id: row, value: next.value });
      await db.keeps.put({ id: stepRow(row), value: { schema: 1, id: step, before: now.value, after: next.value } });
    });
  });
  return refused ?? done;
}

const same = (a: House, b: House): boolean => diff(a, b).length === 0;

/**
 * Takes what a step changed in a house back, or makes it again. `none` where the step changed no house, `left` where somebody has changed
 * that house since. Faults: `store-full`, `store-failed`.
 */
export async function followHouse(step: string, way: 'undo' | 'redo'): Promise<Result<'moved' | 'left' | 'none'>> {
  let became: 'moved' | 'left' | 'none' = 'none';
  const done = await guarded(async () => {
    await db.transaction('rw', db.keeps, async () => {
      for (const row of ROWS) {
        const kept = await db.keeps.get(stepRow(row));
        const read = kept ? HouseSteps.read(kept.value) : null;
        if (!read?.ok || read.value.id !== step) continue;
        const [now, before, after] = [
          await readKeep(row, Houses, emptyHouse),
          Houses.read(read.value.before),
          Houses.read(read.value.after),
        ];
        if (!now.ok || !before.ok || !after.ok) return void (became = 'left');
        const [from, to] = way === 'undo' ? [after.value, before.value] : [before.value, after.value];
        if (same(from, to)) return;
        if (!same(now.value, from)) return void (became = 'left');
        await db.keeps.put({ id: row, value: to });
        became = 'moved';
      }
    });
  });
  return done.ok ? ok(became) : done;
}
