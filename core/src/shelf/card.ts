import { versioned } from '../base';
import type { Book } from '../project';
import { coverKey } from '../recipe';
import { z } from 'zod';

/** What a list of titles shows of one: so little that thousands are read at once. All of it is computed from the title. */
export const Card = z.object({
  schema: z.literal(1),
  id: z.string().min(1),
  /** ISO 8601. */
  updatedAt: z.string(),
  title: z.string(),
  author: z.string(),
  series: z.string(),
  number: z.number().nullable(),
  /** Ids of the stores it is sold at. */
  stores: z.array(z.string()),
  widthPx: z.number().positive(),
  heightPx: z.number().positive(),
  campaigns: z.number().int().min(0),
  /** Of all that its cover is made from: equal looks, equal covers. */
  look: z.string(),
});
export type Card = z.infer<typeof Card>;

/** As it is stored. */
export const Cards = versioned('card', Card, [], { newer: 'kept-newer', wrong: 'kept-wrong' });

export function cardOf(book: Book): Card {
  const { id, updatedAt, brief, cover, promos } = book;
  return {
    schema: 1,
    id,
    updatedAt,
    title: brief.title.trim(),
    author: brief.author.trim(),
    series: brief.seriesName.trim(),
    number: brief.seriesNumber,
    stores: [...brief.stores],
    widthPx: cover.widthPx,
    heightPx: cover.heightPx,
    campaigns: Object.keys(promos).length,
    look: coverKey(book),
  };
}

/** How a title is called where it has none. */
export const nameOfCard = ({ title }: Pick<Card, 'title'>): string => title || 'Untitled';
