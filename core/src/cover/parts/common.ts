import { z } from 'zod';
import { BLENDS } from '../../ink';

export const HexColour = z.string().regex(/^#[0-9a-f]{6}$/);
const unit = z.number().min(0).max(1);

/** A place on the cover in fractions of its width (x, width) and height (y, height): it survives a change of pixels. */
export const Area = z.object({
  x: z.number().min(-4).max(4),
  y: z.number().min(-4).max(4),
  width: z.number().min(0.002).max(8),
  height: z.number().min(0.002).max(8),
});
export type Area = z.infer<typeof Area>;

/** What every part has. `order` sorts back to front. */
export const common = {
  id: z.string().min(1).max(40),
  order: z.string().min(1).max(200),
  hidden: z.boolean(),
  locked: z.boolean(),
  opacity: unit,
  blend: z.enum(BLENDS),
  turnRad: z.number().min(-6.3).max(6.3),
};

export const commonDefaults = { hidden: false, locked: false, opacity: 1, blend: 'normal', turnRad: 0 } as const;
