import { z } from 'zod';
import { CurvePart } from './curve';
import { GroundPart } from './ground';
import { OverlayPart } from './overlay';
import { PicturePart } from './picture';
import { ScrimPart } from './scrim';
import { ShapePart } from './shape';
import { WordsPart } from './words';

export * from './common';
export * from './curve';
export * from './fill';
export * from './ground';
export * from './overlay';
export * from './picture';
export * from './scrim';
export * from './shape';
export * from './style';
export * from './words';

export const Part = z.discriminatedUnion('kind', [
  WordsPart,
  PicturePart,
  ShapePart,
  CurvePart,
  OverlayPart,
  ScrimPart,
  GroundPart,
]);
export type Part = z.infer<typeof Part>;
