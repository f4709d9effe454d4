import { z } from 'zod';
import { Border, common } from './common';
import { Fill } from './fill';

/** What lies under everything, with an optional border along the edge (`inset` a fraction of the width). */
export const GroundPart = z.object({
  kind: z.literal('ground'),
  ...common,
  paint: Fill,
  border: Border.extend({ inset: z.number().min(0).max(0.2) }).nullable(),
});
export type GroundPart = z.infer<typeof GroundPart>;
