import { z } from 'zod';
import { Area, HexColour, common } from './common';

/** A flat rectangle: a plate behind words, a band or a rule. `radius` is a fraction of the shorter side. */
export const ShapePart = z.object({
  kind: z.literal('shape'),
  ...common,
  role: z.enum(['plate', 'band', 'rule']),
  area: Area,
  radius: z.number().min(0).max(0.5),
  colour: HexColour,
});
export type ShapePart = z.infer<typeof ShapePart>;
