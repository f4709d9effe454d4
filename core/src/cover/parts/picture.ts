import { z } from 'zod';
import { Area, AssetId, Border, CutName, HexColour, Shadow, common, unit } from './common';

/** The shape a picture is cut to. Lengths are fractions of the shorter side of the frame. */
export const Mask = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('rectangle'), radius: z.number().min(0).max(0.5) }),
  z.object({ kind: z.literal('ellipse') }),
  z.object({ kind: z.literal('polygon'), sides: z.number().int().min(3).max(24) }),
  z.object({ kind: z.literal('arch') }),
  z.object({ kind: z.literal('torn'), rough: z.number().min(0.005).max(0.3), seed: z.number().int().min(0).max(9999) }),
  z.object({ kind: z.literal('brush'), rough: z.number().min(0.02).max(1), seed: z.number().int().min(0).max(9999) }),
  z.object({ kind: z.literal('letters'), text: z.string().min(1).max(60), cut: CutName }),
]);
export type Mask = z.infer<typeof Mask>;

/** Shares of the way across the frame between which a picture goes from whole to gone. */
const fades = { from: z.number().min(0).max(1.5), to: z.number().min(0).max(1.5) };

/**
 * What of a picture is seen, by degrees. `fade`: towards a side (`angleRad` 0 to the right, a quarter turn to the foot), or all
 * round, where 1 is the ellipse that touches the frame. `strokes` of a brush take away or bring back, in order: points in
 * fractions of the frame, `width` of its width, `soft` 0..1 of the brush. `clear` takes out one colour: `reach` is the distance in
 * OKLab up to which it is gone, `soft` that over which it comes back.
 */
export const SoftMask = z.object({
  fade: z
    .discriminatedUnion('kind', [
      z.object({ kind: z.literal('side'), angleRad: z.number().min(-3.15).max(3.15), ...fades }),
      z.object({ kind: z.literal('round'), ...fades }),
    ])
    .nullable(),
  strokes: z
    .array(
      z.object({
        show: z.boolean(),
        width: z.number().min(0.005).max(1),
        soft: unit,
        points: z
          .array(z.object({ x: z.number().min(-2).max(3), y: z.number().min(-2).max(3) }))
          .min(1)
          .max(160),
      }),
    )
    .max(120),
  clear: z
    .object({ colour: HexColour, reach: z.number().min(0).max(0.6), soft: z.number().min(0.005).max(0.4) })
    .nullable(),
});
export type SoftMask = z.infer<typeof SoftMask>;
export type BrushStroke = SoftMask['strokes'][number];

/** Most strokes that say what is kept of a picture. */
export const MOST_HINTS = 80;

/**
 * What of a picture is kept and what goes, found from a person's strokes: `matte` is a picture of the same shape as `of`, in which it
 * was found, white where it is kept. `hints` are those strokes, in fractions of the whole picture, `width` of its width. `feather`
 * softens the edge, a fraction of the width.
 */
export const CutOut = z.object({
  of: AssetId,
  matte: AssetId,
  hints: z
    .array(
      z.object({
        keep: z.boolean(),
        width: z.number().min(0.002).max(0.5),
        points: z
          .array(z.object({ x: z.number().min(-1).max(2), y: z.number().min(-1).max(2) }))
          .min(1)
          .max(160),
      }),
    )
    .max(MOST_HINTS),
  feather: z.number().min(0).max(0.05),
});
export type CutOut = z.infer<typeof CutOut>;
export type CutHint = CutOut['hints'][number];

/** How a picture is developed; the original is never touched. 0 leaves a thing as it is, except where it says so. */
export const Look = z.object({
  brightness: z.number().min(-1).max(1),
  contrast: z.number().min(-1).max(1),
  saturation: z.number().min(-1).max(1),
  hueRad: z.number().min(-3.15).max(3.15),
  /** Two colours for dark and light, mixed in by `amount`. */
  tint: z.object({ dark: HexColour, light: HexColour, amount: unit }).nullable(),
  /** Fraction of the picture's width. */
  blur: z.number().min(0).max(0.1),
  grain: unit,
});
export type Look = z.infer<typeof Look>;

export const plainLook: Look = {
  brightness: 0,
  contrast: 0,
  saturation: 0,
  hueRad: 0,
  tint: null,
  blur: 0,
  grain: 0,
};

/** What a cover is hidden in before it is shown. */
export const WRAPPINGS = ['paper', 'ribbon', 'envelope', 'curtain', 'frost', 'tiles'] as const;

/**
 * Where a picture comes from: a stored one, or made from the cover and always as it is now. `mockup` is the title's own scene, `shot`
 * one of the product's (of `ratio`, width by height, with the things in `place`, where they stand on something), `cover` the
 * flat cover, bare without its words, `reveal` the flat cover of which a share is shown, the rest in a wrapping, `pinned` the title's
 * photograph with the cover on it.
 */
export const PictureSource = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('asset'), asset: AssetId }),
  z.object({ kind: z.literal('mockup') }),
  z.object({
    kind: z.literal('shot'),
    shot: z.string().max(40),
    set: z.object({ ratio: z.number().min(0.1).max(10), place: Area, wall: HexColour, colour: HexColour }).nullable(),
  }),
  z.object({ kind: z.literal('cover'), bare: z.boolean() }),
  z.object({
    kind: z.literal('reveal'),
    wrapping: z.enum(WRAPPINGS),
    share: unit,
    at: z.object({ x: unit, y: unit }),
    colour: HexColour,
    accent: HexColour,
    seed: z.number().int().min(0).max(9999),
  }),
  z.object({ kind: z.literal('pinned') }),
]);
export type PictureSource = z.infer<typeof PictureSource>;

/**
 * A picture in a frame. `focus` 0..1 says which point stays in view, `zoom` enlarges about it. Never stretched.
 * `tile` repeats it, each tile `tileSize` of the cover's width wide with `tileGap` between.
 */
export const PicturePart = z.object({
  kind: z.literal('picture'),
  ...common,
  source: PictureSource,
  area: Area,
  fit: z.enum(['fill', 'whole', 'tile']),
  tileSize: z.number().min(0.01).max(1),
  tileGap: z.number().min(0).max(0.5),
  focus: z.object({ x: unit, y: unit }),
  zoom: z.number().min(1).max(8),
  /** Turns the picture inside its frame. */
  innerTurnRad: z.number().min(-3.15).max(3.15),
  flipX: z.boolean(),
  flipY: z.boolean(),
  mask: Mask.nullable(),
  /** Older documents do not say it. */
  soft: SoftMask.nullable().default(null),
  cutOut: CutOut.nullable().default(null),
  /** How far lines that run together are set upright (`y`: those to the top, or below 0 to the foot) and level (`x`: to the left, or the right). */
  lean: z.object({ x: z.number().min(-1).max(1), y: z.number().min(-1).max(1) }).default({ x: 0, y: 0 }),
  look: Look,
  border: Border.nullable(),
  shadow: Shadow.nullable(),
});
export type PicturePart = z.infer<typeof PicturePart>;
