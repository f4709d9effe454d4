import { z } from 'zod';
import { AssetId, HexColour, unit } from './common';

export const GradientStop = z.object({ at: unit, colour: HexColour });
export type GradientStop = z.infer<typeof GradientStop>;
/** Most colours of a gradient: what follows an edge has many, what a person makes has few. */
export const MOST_STOPS = 40;
const stops = z.array(GradientStop).min(2).max(MOST_STOPS);
const Focus = z.object({ x: unit, y: unit });

export const MOTIFS = ['stripes', 'dots', 'checks', 'waves', 'diamonds', 'leaves'] as const;

/**
 * What covers a surface. Angles: 0 runs from left to right, clockwise. `reach` of a radial gradient is a fraction of
 * half the diagonal. `size` of a motif is a fraction of the cover's width.
 */
export const Fill = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('flat'), colour: HexColour }),
  z.object({ kind: z.literal('linear'), angleRad: z.number().min(-7).max(7), stops }),
  z.object({ kind: z.literal('radial'), centre: Focus, reach: z.number().min(0.05).max(3), stops }),
  z.object({ kind: z.literal('picture'), asset: AssetId, focus: Focus, zoom: z.number().min(1).max(8) }),
  z.object({
    kind: z.literal('pattern'),
    motif: z.enum(MOTIFS),
    colour: HexColour,
    back: HexColour,
    size: z.number().min(0.005).max(1),
    angleRad: z.number().min(-7).max(7),
  }),
]);
export type Fill = z.infer<typeof Fill>;

/** Colours as stops at even distances. */
export const evenStops = (colours: readonly string[]): GradientStop[] =>
  colours.map((colour, i) => ({ at: colours.length < 2 ? 0 : i / (colours.length - 1), colour }));

/** The one colour that stands for a fill where only one can be shown. */
export function mainColour(fill: Fill): string {
  switch (fill.kind) {
    case 'flat':
    case 'pattern':
      return fill.kind === 'pattern' ? fill.back : fill.colour;
    case 'linear':
    case 'radial':
      return fill.stops[0].colour;
    case 'picture':
      return '#808080';
  }
}
