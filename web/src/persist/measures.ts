import { type Result, ok, versioned } from '@yosomi/core/base';
import { z } from 'zod';
import { changeKeep, readKeep } from './keep-row';

const Row = z.object({ schema: z.literal(1), lengths: z.enum(['mm', 'in']) });

/** What a person measures in, as it is stored. Faults: `kept-newer`, `kept-wrong`. */
export const Measures = versioned('measures', Row, [], { newer: 'kept-newer', wrong: 'kept-wrong' });

const ID = 'measures';
const USUAL: z.infer<typeof Row> = { schema: 1, lengths: 'mm' };

/** What lengths are shown in, for all titles of this browser. */
export async function loadLengths(): Promise<'mm' | 'in'> {
  // The whole page hangs on it: where it cannot be read, the usual is shown.
  const read = await readKeep(ID, Measures, USUAL).catch(() => null);
  return read?.ok ? read.value.lengths : USUAL.lengths;
}

/** Faults: `kept-newer`, `kept-wrong`, `store-full`, `store-failed`. */
export const keepLengths = (lengths: 'mm' | 'in'): Promise<Result<void>> =>
  changeKeep(ID, Measures, USUAL, () => ok({ schema: 1 as const, lengths }));
