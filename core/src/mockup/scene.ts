import { z } from 'zod';
import { HexColour } from '../cover';

const angle = z.number().min(-6.3).max(6.3);
const share = z.number().min(0).max(1);

/** A mockup as plain data: an object, how it stands, how it is lit, what it stands on. Angles in rad, lengths in mm. */
export const Scene = z.object({
  schema: z.literal(1),
  object: z.discriminatedUnion('kind', [
    z.object({
      kind: z.literal('paperback'),
      /** null takes the thickness from the page count. */
      thicknessMm: z.number().min(1).max(120).nullable(),
    }),
  ]),
  pose: z.object({
    /** Turn about the upright; positive shows the spine (on the left), 0 is straight on. */
    turnRad: angle,
    /** How far the camera looks down on the book. */
    tiltRad: z.number().min(0).max(1.2),
    /** Focal length for a 36 mm frame: short is strong perspective. */
    lensMm: z.number().min(24).max(400),
  }),
  light: z.object({
    /** Where it comes from, seen from above: 0 from the camera, negative from the left. */
    azimuthRad: z.number().min(-3.15).max(3.15),
    heightRad: z.number().min(0.15).max(1.5),
    /** 0 hard to 1 very soft. */
    softness: share,
    /** Strength of the shadow; 0 leaves it out. */
    shadow: share,
    gloss: share,
  }),
  ground: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('clear') }),
    z.object({ kind: z.literal('colour'), colour: HexColour }),
  ]),
});
export type Scene = z.infer<typeof Scene>;

/** A standing paperback seen three-quarter from the left, light from the upper left, on nothing. */
export const defaultScene: Scene = {
  schema: 1,
  object: { kind: 'paperback', thicknessMm: null },
  pose: { turnRad: 0.51, tiltRad: 0.2, lensMm: 85 },
  light: { azimuthRad: -0.42, heightRad: 0.86, softness: 0.55, shadow: 0.75, gloss: 0.25 },
  ground: { kind: 'clear' },
};
