import { z } from 'zod';
import { WordsPart } from './words';

/** What a style of words sets: all that makes letters look alike, and nothing of where they stand. */
export const StyleLook = WordsPart.pick({
  cut: true,
  wide: true,
  size: true,
  tracking: true,
  leading: true,
  upper: true,
  smallCaps: true,
  alternates: true,
  figures: true,
  kerning: true,
  colour: true,
  ruleAbove: true,
  ruleBelow: true,
});
export type StyleLook = z.infer<typeof StyleLook>;

/** A look of words that has a name. */
export const WordsStyle = z.object({ name: z.string().min(1).max(60), look: StyleLook });
export type WordsStyle = z.infer<typeof WordsStyle>;
