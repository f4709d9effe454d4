import { z } from 'zod';
import { HexColour, common } from './common';

export const TEXTURES = ['grain', 'worn', 'paper', 'rays', 'vignette', 'halftone', 'fog', 'wash', 'strokes'] as const;
export type TextureKind = (typeof TEXTURES)[number];

/**
 * A procedural texture over everything below it. `scale` 0.25..4 sizes its features, `amount` 0..1 says how much of it
 * there is; the same seed gives the same texture. `angleRad` turns those that have a direction.
 */
export const OverlayPart = z.object({
  kind: z.literal('overlay'),
  ...common,
  texture: z.enum(TEXTURES),
  seed: z.number().int().min(0).max(9999),
  scale: z.number().min(0.25).max(4),
  amount: z.number().min(0).max(1),
  angleRad: z.number().min(-7).max(7),
  colour: HexColour,
});
export type OverlayPart = z.infer<typeof OverlayPart>;
