import { z } from 'zod';
import { HexColour, common } from './common';

/** What lies under everything: one colour, or a linear gradient at an angle (0 from left to right, clockwise). */
export const GroundPart = z.object({
  kind: z.literal('ground'),
  ...common,
  paint: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('flat'), colour: HexColour }),
    z.object({
      kind: z.literal('linear'),
      angleRad: z.number().min(-7).max(7),
      colours: z.array(HexColour).min(2).max(5),
    }),
    z.object({ kind: z.literal('radial'), colours: z.array(HexColour).min(2).max(5) }),
  ]),
});
export type GroundPart = z.infer<typeof GroundPart>;
