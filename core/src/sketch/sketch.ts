import { z } from 'zod';
import { AssetId, CutName, HexColour } from '../cover';
import { GRADES } from './grades';

/** Colours by what they are for. Words, second and accent read on the ground, `onBlock` reads on the block. */
export const Tones = z.object({
  name: z.string().max(80),
  ground: HexColour,
  words: HexColour,
  second: HexColour,
  accent: HexColour,
  /** A second surface: bands, halves, plates. */
  block: HexColour,
  onBlock: HexColour,
});
export type Tones = z.infer<typeof Tones>;

/** The two faces of a cover. */
export const Faces = z.object({ title: CutName, other: CutName });
export type Faces = z.infer<typeof Faces>;

export const StructureId = z.string().max(40);

/** How one cover of the sheet is made: with the book's words it gives the same cover each time. */
export const Sketch = z.object({
  structure: StructureId,
  faces: Faces,
  tones: Tones,
  /** Pictures in the order in which the structure takes them. */
  pictures: z.array(AssetId).max(5),
  /** Symbols in the order in which the structure takes them. */
  symbols: z.array(z.string().max(40)).max(4),
  /** How its pictures are graded. */
  grade: z.enum(GRADES),
  /** Which of the structure's own variations. */
  turn: z.number().int().min(0).max(7),
});
export type Sketch = z.infer<typeof Sketch>;
