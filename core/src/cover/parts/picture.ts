import { z } from 'zod';
import { Area, common } from './common';

/** A picture in a frame. `focus` 0..1 says which point stays in view, `zoom` enlarges about it. Never stretched. */
export const PicturePart = z.object({
  kind: z.literal('picture'),
  ...common,
  source: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('asset'), asset: z.string().max(80) }),
    z.object({ kind: z.literal('mockup') }),
  ]),
  area: Area,
  fit: z.enum(['fill', 'whole']),
  focus: z.object({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) }),
  zoom: z.number().min(1).max(8),
});
export type PicturePart = z.infer<typeof PicturePart>;
