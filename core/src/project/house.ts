import { z } from 'zod';
import { type Migration, versioned } from '../base';
import { DrawnForm, HexColour, WordsStyle } from '../cover';
import { OwnFace } from './book';

/** What a publisher's titles share: colours, faces, marks and styles of words that are at hand in each of them. */
export const House = z.object({
  schema: z.literal(4),
  name: z.string().max(120),
  website: z.string().max(120),
  colours: z.array(HexColour).max(24),
  faces: z.array(OwnFace).max(40),
  marks: z.array(z.object({ id: z.string().min(1).max(40), name: z.string().max(120), form: DrawnForm })).max(12),
  styles: z.array(WordsStyle.extend({ id: z.string().min(1).max(40) })).max(24),
});
export type House = z.infer<typeof House>;

/** Schema 1 had no styles. */
const withStyles: Migration = (old) => ({ ...old, styles: [], schema: 2 });

/** Until schema 3 marks asked for no credit: one that does must not be lost to a reader who does not know of it. */
const withCredits: Migration = (old) => ({ ...old, schema: 3 });

/** Until schema 4 a house had no address. */
const withSite: Migration = (old) => ({ ...old, website: '', schema: 4 });

/** The house style as it is stored. Faults: `house-newer`, `house-wrong`. */
export const Houses = versioned('house', House, [withStyles, withCredits, withSite], {
  newer: 'house-newer',
  wrong: 'house-wrong',
});
export type Mark = House['marks'][number];

export const emptyHouse: House = { schema: 4, name: '', website: '', colours: [], faces: [], marks: [], styles: [] };
