import { z } from 'zod';
import { HexColour, common } from './common';

/** A gradient from one edge that darkens or lightens behind words: full up to `hold`, gone at `reach` (fractions). */
export const ScrimPart = z.object({
  kind: z.literal('scrim'),
  ...common,
  from: z.enum(['top', 'bottom', 'left', 'right']),
  hold: z.number().min(0).max(1),
  reach: z.number().min(0).max(1),
  colour: HexColour,
});
export type ScrimPart = z.infer<typeof ScrimPart>;
