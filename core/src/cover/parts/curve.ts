import { z } from 'zod';
import { HexColour, Shadow, common, unit } from './common';

const place = z.number().min(-4).max(4);

/** A point of a smooth curve with its two handles, all in fractions of the cover's width (x) and height (y). */
export const CurveNode = z.object({ x: place, y: place, inX: place, inY: place, outX: place, outY: place });
export type CurveNode = z.infer<typeof CurveNode>;

/**
 * A drawn line: few smooth points, a width (fraction of the cover's width) and how far it thins towards each end.
 * A family repeats it: at even offsets, or in steps towards another curve, by way of others.
 */
export const CurvePart = z.object({
  kind: z.literal('curve'),
  ...common,
  nodes: z.array(CurveNode).min(2).max(200),
  /** Runs from the last point back to the first. Older documents do not say these four. */
  closed: z.boolean().default(false),
  /** Length of dashes in widths of the line; 0 draws a whole one. */
  dash: z.number().min(0).max(20).default(0),
  arrowStart: z.boolean().default(false),
  arrowEnd: z.boolean().default(false),
  width: z.number().min(0.0005).max(0.3),
  taperStart: unit,
  taperEnd: unit,
  colour: HexColour,
  family: z
    .discriminatedUnion('kind', [
      z.object({
        kind: z.literal('offset'),
        count: z.number().int().min(1).max(40),
        gap: z.number().min(-0.5).max(0.5),
      }),
      z.object({
        kind: z.literal('between'),
        count: z.number().int().min(1).max(40),
        part: z.string().max(40),
        /** Curves that it passes on the way there, in order. */
        via: z.array(z.string().max(40)).max(8).default([]),
        /** Width, colour and opacity go over too. */
        carry: z.boolean().default(false),
      }),
    ])
    .nullable(),
  shadow: Shadow.nullable(),
});
export type CurvePart = z.infer<typeof CurvePart>;
