import { z } from 'zod';
import { Area, Border, HexColour, Shadow, common } from './common';
import { Fill } from './fill';

export const FRAME_CORNERS = ['square', 'round', 'cut', 'scooped', 'stepped'] as const;
export const DIVIDERS = ['line', 'diamond', 'leaf', 'wave', 'dots', 'double'] as const;

/** One closed outline of a drawing, as SVG path data in a box 1000 high and `ratio` times as wide; null takes the part's own fill. */
export const DrawnPath = z.object({ d: z.string().max(40_000), colour: HexColour.nullable() });

/** A drawing of one's own: a mark, or shapes of an SVG. */
export const DrawnForm = z.object({
  kind: z.literal('drawn'),
  ratio: z.number().min(0.02).max(50),
  paths: z.array(DrawnPath).min(1).max(300),
  /** What its licence wants to see wherever it is shown, of up to four drawings in one; left out where none is due. */
  credit: z.string().min(1).max(600).optional(),
});
export type DrawnForm = z.infer<typeof DrawnForm>;

/** Lengths are fractions of the shorter side of the place. */
export const Form = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('rectangle'), radius: z.number().min(0).max(0.5) }),
  z.object({ kind: z.literal('ellipse') }),
  z.object({ kind: z.literal('polygon'), sides: z.number().int().min(3).max(24) }),
  z.object({ kind: z.literal('line'), dash: z.number().min(0).max(20), round: z.boolean() }),
  z.object({ kind: z.literal('ribbon'), fold: z.number().min(0).max(0.6), notch: z.number().min(0).max(0.9) }),
  z.object({
    kind: z.literal('burst'),
    points: z.number().int().min(5).max(60),
    depth: z.number().min(0.02).max(0.8),
  }),
  z.object({ kind: z.literal('badge'), scallops: z.number().int().min(6).max(60), ring: z.boolean() }),
  z.object({
    kind: z.literal('frame'),
    thick: z.number().min(0.001).max(0.3),
    corner: z.enum(FRAME_CORNERS),
    size: z.number().min(0).max(0.4),
    double: z.boolean(),
  }),
  z.object({ kind: z.literal('divider'), ornament: z.enum(DIVIDERS) }),
  DrawnForm,
]);
export type Form = z.infer<typeof Form>;

/** A flat form: a plate behind words, a band, a rule, an ornament or the publisher's mark. */
export const ShapePart = z.object({
  kind: z.literal('shape'),
  ...common,
  role: z.enum(['plate', 'band', 'rule', 'ornament', 'mark']),
  area: Area,
  form: Form,
  colour: HexColour,
  /** What covers it instead of the colour. */
  fill: Fill.nullable(),
  border: Border.nullable(),
  shadow: Shadow.nullable(),
});
export type ShapePart = z.infer<typeof ShapePart>;
