import { z } from 'zod';
import { BLENDS } from '../../ink';

export const HexColour = z.string().regex(/^#[0-9a-f]{6}$/);
export const unit = z.number().min(0).max(1);
export const AssetId = z.string().max(80);
export const CutName = z.string().max(80);

/** A place on the cover in fractions of its width (x, width) and height (y, height): it survives a change of pixels. */
export const Area = z.object({
  x: z.number().min(-4).max(4),
  y: z.number().min(-4).max(4),
  width: z.number().min(0.002).max(8),
  height: z.number().min(0.002).max(8),
});
export type Area = z.infer<typeof Area>;

/** A web address that a reader may follow; it goes into files that can carry links. */
export const LinkTarget = z
  .string()
  .max(300)
  .regex(/^(https?:\/\/|mailto:)[^\s<>"]+$/);

/** What every part has. `order` sorts back to front. */
export const common = {
  id: z.string().min(1).max(40),
  /** What a person calls it; empty where its role says enough. Older documents do not say it. */
  name: z.string().max(60).default(''),
  order: z.string().min(1).max(200),
  hidden: z.boolean(),
  locked: z.boolean(),
  opacity: unit,
  blend: z.enum(BLENDS),
  turnRad: z.number().min(-6.3).max(6.3),
  /** Parts with the same group are selected and moved together. */
  group: z.string().max(40).nullable(),
  /** Shown only where the part right below it is. */
  maskBelow: z.boolean(),
  link: LinkTarget.nullable(),
  /** Stamped in foil where the cover is seen in 3D. Older documents do not say it. */
  foil: z.boolean().default(false),
};

export const commonDefaults = {
  name: '',
  hidden: false,
  locked: false,
  opacity: 1,
  blend: 'normal',
  turnRad: 0,
  group: null,
  maskBelow: false,
  link: null,
  foil: false,
} as const;

/** A soft copy behind a part. Lengths are fractions of the cover's width. */
export const Shadow = z.object({
  dx: z.number().min(-0.5).max(0.5),
  dy: z.number().min(-0.5).max(0.5),
  blur: z.number().min(0).max(0.2),
  colour: HexColour,
  opacity: unit,
});
export type Shadow = z.infer<typeof Shadow>;

/** A line round a part, its width a fraction of the cover's width. */
export const Border = z.object({ width: z.number().min(0.0005).max(0.2), colour: HexColour });
export type Border = z.infer<typeof Border>;

export const defaultShadow: Shadow = { dx: 0, dy: 0.006, blur: 0.012, colour: '#000000', opacity: 0.5 };
