import type { Raster } from '../../pixels';
import type { Canvas } from '../canvas';
import type { Pigments } from '../layer';

/**
 * How a hand lays things down, and what it does with the whole afterwards. The first half is the same for all: a thing is laid in its tones, in
 * so many steps, with such an edge.
 */
export type Hand = {
  readonly name: string;
  /** Flat steps that tones are laid in; null runs them smoothly. */
  readonly steps: number | null;
  /** How far an edge wanders, in widths of the picture. */
  readonly wobble: number;
  /** How dark the shadow is that a thing throws on what is behind it, 0..1. */
  readonly shadow: number;
  /** How soft far things are, in widths. */
  readonly lens: number;
  /** How much of the dark and light of a thing is shown. */
  readonly depth: number;
  finish(canvas: Canvas, pigments: Pigments): Raster;
};
