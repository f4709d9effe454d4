import { versioned } from '@yosomi/core/base';
import { z } from 'zod';
import { db } from './db';

const Row = z.object({
  schema: z.literal(1),
  /** True once all demo books have been on the Shelf; what a person removes then stays removed. */
  done: z.boolean(),
  /** The files that have been taken in. */
  taken: z.array(z.string().max(200)).max(200),
});
export type DemoProgress = { readonly done: boolean; readonly taken: readonly string[] };

export const DemoRows = versioned('demo', Row, [], { newer: 'kept-newer', wrong: 'kept-wrong' });
const ID = 'demo';

/** How far the demo books have come; null where they were never begun. */
export async function demoProgress(): Promise<DemoProgress | null> {
  const read = DemoRows.read((await db.keeps.get(ID))?.value);
  return read.ok ? read.value : null;
}

export async function noteDemo({ done, taken }: DemoProgress): Promise<void> {
  await db.keeps.put({ id: ID, value: { schema: 1, done, taken: [...taken] } });
}
