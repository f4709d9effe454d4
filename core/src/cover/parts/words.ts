import { z } from 'zod';
import { WORD_FIELDS } from '../../book';
import { Area, HexColour, common } from './common';

export const WORD_ROLES = [
  'title',
  'subtitle',
  'byline',
  'series',
  'strapline',
  'website',
  'headline',
  'call',
  'free',
] as const;

/** Words on a cover: bound to a field of the brief or written here. Lengths in em of the set size. */
export const WordsPart = z.object({
  kind: z.literal('words'),
  ...common,
  role: z.enum(WORD_ROLES),
  says: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('brief'), field: z.enum(WORD_FIELDS) }),
    z.object({ kind: z.literal('own'), text: z.string().max(600) }),
  ]),
  area: Area,
  /** Hangs the words under another part's words at a gap (fraction of the height); `area.y` then does not count. */
  follows: z.object({ part: z.string().max(40), gap: z.number().min(0).max(1) }).nullable(),
  cut: z.string().max(80),
  /** Font size as a fraction of the cover's width; null sets the words as large as the area allows. */
  size: z.number().min(0.004).max(2).nullable(),
  /** Upper bound of a fitted size, fraction of the width. */
  maxSize: z.number().min(0.004).max(2),
  tracking: z.number().min(-0.2).max(1),
  leading: z.number().min(0.5).max(3),
  upper: z.boolean(),
  align: z.enum(['left', 'centre', 'right']),
  alignY: z.enum(['top', 'middle', 'bottom']),
  colour: HexColour,
  /** How articles and prepositions are set; null like the rest. */
  minor: z.object({ cut: z.string().max(80), scale: z.number().min(0.2).max(1.5), colour: HexColour }).nullable(),
  /** Whether a scrim is added behind the words when their contrast is low. */
  support: z.enum(['auto', 'none']),
});
export type WordsPart = z.infer<typeof WordsPart>;
export type WordRole = WordsPart['role'];
