import { z } from 'zod';
import { WORD_FIELDS } from '../../book';
import { BLENDS } from '../../ink';
import { FIGURES, KERNINGS } from '../../text';
import { Area, CutName, HexColour, Shadow, common, unit } from './common';
import { CurveNode } from './curve';
import { Fill } from './fill';

export const WORD_ROLES = [
  'title',
  'subtitle',
  'byline',
  'series',
  'strapline',
  'endorsement',
  'website',
  'blurb',
  'publisher',
  'headline',
  'call',
  'free',
] as const;

/** One word set apart from its line: by its place in the text, counted from 0. null keeps the line's own. */
export const Accent = z.object({
  word: z.number().int().min(0).max(200),
  colour: HexColour.nullable(),
  scale: z.number().min(0.2).max(4).nullable(),
  cut: CutName.nullable(),
});
export type Accent = z.infer<typeof Accent>;

/** A line over or under words: length a fraction of the words' width, thickness and distance in em. */
export const WordRule = z.object({
  length: z.number().min(0.05).max(3),
  thick: z.number().min(0.005).max(0.5),
  gap: z.number().min(0).max(3),
  colour: HexColour,
});
export type WordRule = z.infer<typeof WordRule>;

/** A flat shape behind words: padding in em, radius a fraction of its shorter side. */
export const Plate = z.object({
  padX: z.number().min(0).max(4),
  padY: z.number().min(0).max(4),
  radius: z.number().min(0).max(0.5),
  colour: HexColour,
  opacity: unit,
  blend: z.enum(BLENDS),
});
export type Plate = z.infer<typeof Plate>;

export const Outline = z.object({
  /** em */
  width: z.number().min(0.004).max(0.4),
  colour: HexColour,
  side: z.enum(['inside', 'centre', 'outside']),
});
export type Outline = z.infer<typeof Outline>;

/**
 * Where the baseline runs: an arc (bend -1..1, upwards when positive), a drawn curve in fractions of the cover, or along another
 * part: moved on by a share of that line (`from`), off it by `gap` em, and the other way round (`back`).
 */
export const Baseline = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('arc'), bend: z.number().min(-1).max(1) }),
  z.object({ kind: z.literal('curve'), nodes: z.array(CurveNode).min(2).max(60) }),
  z.object({
    kind: z.literal('along'),
    part: z.string().max(40),
    from: z.number().min(-1).max(1),
    gap: z.number().min(-3).max(3),
    back: z.boolean(),
  }),
]);
export type Baseline = z.infer<typeof Baseline>;

/** Lines that fill another part, or run beside it; `gap` is kept from its outline, a fraction of the cover's width. */
export const Room = z.object({
  kind: z.enum(['inside', 'beside']),
  part: z.string().max(40),
  gap: z.number().min(0).max(0.3),
});
export type Room = z.infer<typeof Room>;

/** A first letter as high as so many lines; null keeps the cut or colour of the rest. */
export const Initial = z.object({
  lines: z.number().int().min(2).max(8),
  cut: CutName.nullable(),
  colour: HexColour.nullable(),
});
export type Initial = z.infer<typeof Initial>;

/**
 * Words on a cover: bound to a field of the brief or written here. Lengths in em of the set size, those of shadow and
 * glow in fractions of the cover's width.
 */
export const WordsPart = z.object({
  kind: z.literal('words'),
  ...common,
  role: z.enum(WORD_ROLES),
  says: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('brief'), field: z.enum(WORD_FIELDS) }),
    z.object({ kind: z.literal('own'), text: z.string().max(600) }),
  ]),
  area: Area,
  /** Hangs the words under another part's words at a gap (fraction of the height); `area.y` then does not count. */
  follows: z.object({ part: z.string().max(40), gap: z.number().min(0).max(1) }).nullable(),
  cut: CutName,
  /** Width of the letters in percent of the family's own, where the family has that axis; null keeps its own. */
  wide: z.number().min(25).max(200).nullable(),
  /** Font size as a fraction of the cover's width; null sets the words as large as the area allows. */
  size: z.number().min(0.004).max(2).nullable(),
  /** Upper bound of a fitted size, fraction of the width. */
  maxSize: z.number().min(0.004).max(2),
  /** A fitted size under this is reported, fraction of the width; null asks for nothing. */
  leastSize: z.number().min(0.004).max(2).nullable(),
  tracking: z.number().min(-0.2).max(1),
  leading: z.number().min(0.5).max(3),
  upper: z.boolean(),
  smallCaps: z.boolean(),
  alternates: z.boolean(),
  /** How figures stand. Older documents do not say it. */
  figures: z.enum(FIGURES).default('face'),
  /** The next six are not said by older documents. Space between letters as the face has it, or by eye. */
  kerning: z.enum(KERNINGS).default('face'),
  /** Space that a person gave two letters wherever they stand side by side, as they are seen; em. */
  pairs: z
    .array(z.object({ pair: z.string().min(2).max(16), by: z.number().min(-0.5).max(0.5) }))
    .max(60)
    .default([]),
  /** Whether words are divided at the ends of lines, by the rules of the title's language. */
  hyphens: z.boolean().default(false),
  initial: Initial.nullable().default(null),
  room: Room.nullable().default(null),
  /** The style of the document that it was given; what it differs in is its own. */
  style: z.string().max(40).nullable().default(null),
  align: z.enum(['left', 'centre', 'right']),
  alignY: z.enum(['top', 'middle', 'bottom']),
  /** Lines across, turned to read down or up an edge, or one letter under the other. */
  setting: z.enum(['across', 'down', 'up', 'stacked']),
  /** Every line set to the full width of the area, each at its own size. */
  justified: z.boolean(),
  baseline: Baseline.nullable(),
  colour: HexColour,
  /** What shows in the letters instead of the colour. */
  fill: Fill.nullable(),
  outline: Outline.nullable(),
  shadow: Shadow.nullable(),
  glow: z.object({ blur: z.number().min(0.002).max(0.2), colour: HexColour, opacity: unit }).nullable(),
  plate: Plate.nullable(),
  ruleAbove: WordRule.nullable(),
  ruleBelow: WordRule.nullable(),
  /** How articles and prepositions are set; null like the rest. */
  minor: z.object({ cut: CutName, scale: z.number().min(0.2).max(1.5), colour: HexColour }).nullable(),
  accents: z.array(Accent).max(60),
  /** Whether a scrim is added behind the words when their contrast is low. */
  support: z.enum(['auto', 'none']),
});
export type WordsPart = z.infer<typeof WordsPart>;
export type WordRole = WordsPart['role'];
