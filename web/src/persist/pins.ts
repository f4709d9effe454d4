import { type Result, fail, ok } from '@yosomi/core/base';
import { type PinScene, pinAssetsOf, readPinScene } from '@yosomi/core/pin';
import { Asset } from '@yosomi/core/project';
import { z } from 'zod';
import { db } from './db';
import { guarded } from './guarded';

const MOST = 40;
const Row = z.object({
  schema: z.literal(1),
  pins: z
    .array(z.object({ id: z.string().max(40), name: z.string().max(80), pin: z.unknown(), assets: z.record(z.string(), Asset) }))
    .max(MOST),
}); // prettier-ignore
type Row = z.infer<typeof Row>;

/** A pinned photograph kept for every title of this browser, with the pictures it needs. */
export type KeptPin = {
  readonly id: string;
  readonly name: string;
  readonly pin: PinScene;
  readonly assets: Readonly<Record<string, Asset>>;
};

async function readRow(): Promise<Row | null> {
  const row = await db.keeps.get('pins');
  if (!row) return { schema: 1, pins: [] };
  const read = Row.safeParse(row.value);
  return read.success ? read.data : null;
}

/** What cannot be read is left out, and stays stored. */
export async function loadPins(): Promise<KeptPin[]> {
  const row = await readRow();
  return (row?.pins ?? []).flatMap(({ id, name, pin, assets }) => {
    const read = readPinScene(pin);
    return read.ok ? [{ id, name, pin: read.value, assets }] : [];
  });
}

/** Ids of the pictures that kept photographs need; null where that cannot be told. */
export async function pinFilesKept(): Promise<string[] | null> {
  const row = await readRow();
  if (!row) return null;
  return row.pins.flatMap(({ pin, assets }) => {
    const read = readPinScene(pin);
    return [...Object.keys(assets), ...(read.ok ? pinAssetsOf(read.value) : [])];
  });
}

/** Faults: `scenes-newer`, `scenes-full`, `store-full`, `store-failed`. */
async function change(edit: (pins: Row['pins']) => Row['pins']): Promise<Result<void>> {
  let refused: Result<void> = ok(undefined);
  const done = await guarded(async () => {
    await db.transaction('rw', db.keeps, async () => {
      const now = await readRow();
      const pins = now && edit(now.pins);
      if (!pins) refused = fail('scenes-newer');
      else if (pins.length > MOST) refused = fail('scenes-full', { most: MOST });
      else await db.keeps.put({ id: 'pins', value: { schema: 1, pins } });
    });
  });
  return refused.ok ? done : refused;
}

export const keepPin = (kept: KeptPin): Promise<Result<void>> => change((pins) => [...pins, kept]);

export const dropPin = (id: string): Promise<Result<void>> => change((pins) => pins.filter((p) => p.id !== id));
