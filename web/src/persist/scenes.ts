import { type Result, fail, ok } from '@yosomi/core/base';
import { Scene, readScene } from '@yosomi/core/mockup';
import { z } from 'zod';
import { db } from './db';
import { guarded } from './guarded';

const MOST = 60;
const Row = z.object({
  schema: z.literal(1),
  scenes: z.array(z.object({ id: z.string().max(40), name: z.string().max(80), scene: z.unknown() })).max(MOST),
});

export type KeptScene = { readonly id: string; readonly name: string; readonly scene: Scene };

/** The row as it is stored; null where a newer release wrote it. */
async function readRow(): Promise<z.infer<typeof Row> | null> {
  const row = await db.keeps.get('scenes');
  if (!row) return { schema: 1, scenes: [] };
  const read = Row.safeParse(row.value);
  return read.success ? read.data : null;
}

/** Scenes kept for every title of this browser; what cannot be read is left out, and stays stored. */
export async function loadScenes(): Promise<KeptScene[]> {
  const row = await readRow();
  return (row?.scenes ?? []).flatMap(({ id, name, scene }) => {
    const read = readScene(scene);
    return read.ok ? [{ id, name, scene: read.value }] : [];
  });
}

/** Faults: `scenes-newer`, `scenes-full`, `store-full`, `store-failed`. */
async function change(edit: (scenes: z.infer<typeof Row>['scenes']) => z.infer<typeof Row>['scenes']): Promise<Result<void>> {
  let refused: Result<void> = ok(undefined);
  const done = await guarded(async () => {
    await db.transaction('rw', db.keeps, async () => {
      const now = await readRow();
      const scenes = now && edit(now.scenes);
      if (!scenes) refused = fail('scenes-newer');
      else if (scenes.length > MOST) refused = fail('scenes-full', { most: MOST });
      else await db.keeps.put({ id: 'scenes', value: { schema: 1, scenes } });
    });
  });
  return refused.ok ? done : refused;
} // prettier-ignore

export const keepScene = (kept: KeptScene): Promise<Result<void>> => change((scenes) => [...scenes, kept]);

export const dropScene = (id: string): Promise<Result<void>> => change((scenes) => scenes.filter((s) => s.id !== id));
