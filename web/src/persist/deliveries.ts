import { type Result, ok, versioned } from '@yosomi/core/base';
import { z } from 'zod';
import { db } from './db';
import { guarded } from './guarded';
import type { Kept } from './keep-row';
import { readable } from './kept-list';

const Delivery = z.object({
  schema: z.literal(1),
  deliverable: z.string().max(80),
  name: z.string().max(200),
  bytes: z.number().int(),
  /** The state of the title that the file was made from. */
  key: z.string().max(40),
  how: z.enum(['saved', 'packed', 'sent']),
  /** What a store answered. */
  accepted: z.boolean().nullable(),
});
export type Delivery = z.infer<typeof Delivery> & { readonly at: string };
export const Deliveries = versioned('delivery', Delivery, [], { newer: 'kept-newer', wrong: 'kept-wrong' });

/** Notes that a file left. Faults: `store-full`, `store-failed`. */
export const noteDelivery = (title: string, { at, ...delivery }: Omit<Delivery, 'schema'>): Promise<Result<void>> =>
  guarded(async () => {
    await db.deliveries.add({ title, at, delivery: { schema: 1, ...delivery } });
  });

/** Everything that left for a title, the last first; what cannot be read stays stored, and is told. */
export async function deliveriesOf(title: string): Promise<Kept<Delivery[]>> {
  const rows = await db.deliveries.where('title').equals(title).reverse().sortBy('id');
  return readable(ok(rows), ({ at, delivery }) => {
    const read = Deliveries.read(delivery);
    return read.ok ? ok({ ...read.value, at }) : read;
  });
}
