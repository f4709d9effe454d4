import { z } from 'zod';
import { GroundPart } from './ground';
import { PicturePart } from './picture';
import { ScrimPart } from './scrim';
import { ShapePart } from './shape';
import { WordsPart } from './words';

export * from './common';
export * from './ground';
export * from './picture';
export * from './scrim';
export * from './shape';
export * from './words';

export const Part = z.discriminatedUnion('kind', [WordsPart, PicturePart, ShapePart, ScrimPart, GroundPart]);
export type Part = z.infer<typeof Part>;
