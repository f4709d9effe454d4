import { type Result, versioned } from '@yosomi/core/base';
import { z } from 'zod';
import { db } from './db';
import { guarded } from './guarded';

const Row = z.object({
  schema: z.literal(1),
  name: z.string().max(400),
  use: z.enum(['picture', 'finished']).nullable(),
  file: z.instanceof(Blob),
});
/** A file that was chosen on the Shelf and has not become a title yet: it outlives the page. */
export type Arrival = { readonly name: string; readonly use: 'picture' | 'finished' | null; readonly file: Blob };

export const Arrivals = versioned('arrival', Row, [], { newer: 'kept-newer', wrong: 'kept-wrong' });
const ID = 'arrival';

/** Faults: `store-full`, `store-failed`. */
export const keepArrival = ({ name, use, file }: Arrival): Promise<Result<void>> =>
  guarded(async () => {
    await db.keeps.put({ id: ID, value: { schema: 1, name: name.slice(-400), use, file } });
  });

export async function keptArrival(): Promise<Arrival | null> {
  const read = Arrivals.read((await db.keeps.get(ID))?.value);
  return read.ok ? read.value : null;
}

export const dropArrival = (): Promise<Result<void>> =>
  guarded(async () => {
    await db.keeps.delete(ID);
  });
