import { z } from 'zod';
import { versioned } from '../base';
import { DrawnForm, HexColour } from '../cover';
import { OwnFace } from './book';

/** What a publisher's titles share: colours, faces and marks that are at hand in each of them. */
export const House = z.object({
  schema: z.literal(1),
  name: z.string().max(120),
  colours: z.array(HexColour).max(24),
  faces: z.array(OwnFace).max(40),
  marks: z.array(z.object({ id: z.string().min(1).max(40), name: z.string().max(120), form: DrawnForm })).max(12),
});
export type House = z.infer<typeof House>;

/** The house style as it is stored. Faults: `house-newer`, `house-wrong`. */
export const Houses = versioned('house', House, [], { newer: 'house-newer', wrong: 'house-wrong' });
export type Mark = House['marks'][number];

export const emptyHouse: House = { schema: 1, name: '', colours: [], faces: [], marks: [] };
