import { seeded } from '../base';
import type { Ink } from '../ink';
import { type Raster, cropped } from '../pixels';
import { layeredNoise } from '../texture';
import { canvasOf, patchOf } from './canvas';
import { HANDS, type HandName } from './hands';
import { layDown } from './lay';
import type { Sitting } from './layer';
import { MOTIFS, type MotifName } from './motifs';
import { PIGMENTS, type PigmentName } from './pigments';

/** A picture that the product paints by itself: what it shows, in which hand and colours, with which chances, and its height in widths. */
export type PaintingSpec = {
  readonly motif: MotifName;
  readonly hand: HandName;
  readonly pigments: PigmentName;
  readonly seed: number;
  readonly tall: number;
};

/** What paints a display list, at a width in pixels: any studio does. */
export type Brush = (ink: Ink, widthPx: number) => Raster;

/**
 * Paints a picture. Shapes are outlines and all else is a function of the place, so that it is the same picture at any width; between two
 * things `stopped` is told the share that is done, and null comes of a stop.
 */
export function paintPicture(
  spec: PaintingSpec,
  widthPx: number,
  brush: Brush,
  stopped: (share: number) => boolean = () => false,
): Raster | null {
  const { seed, tall } = spec;
  const c = PIGMENTS[spec.pigments];
  const sitting: Sitting = {
    random: seeded(seed * 6151 + 17),
    seed,
    c,
    tall,
    noise: (octaves, salt) => layeredNoise(seed * 131 + salt, octaves),
  };
  const hand = HANDS[spec.hand];
  const canvas = canvasOf(widthPx, Math.round(widthPx * tall), seed);
  const whole = { x: 0, y: 0, width: canvas.width, height: canvas.height };
  // So far a thing reaches out of its own outline: softness, shadow, a wandering edge.
  const margin = Math.ceil(0.05 * widthPx);
  const layers = MOTIFS[spec.motif].draw(sitting);
  for (const [i, layer] of layers.entries()) {
    if (stopped((0.8 * i) / layers.length)) return null;
    if (!layer.shape) layDown(canvas, layer, null, hand, i * 7);
    else {
      const painted = brush({ widthPx: 1000, heightPx: 1000 * tall, items: layer.shape }, widthPx);
      const mask = patchOf(painted.height === canvas.height ? painted : cropped(painted, whole), margin);
      if (mask) layDown(canvas, layer, mask, hand, i * 7);
    }
  }
  return stopped(0.8) ? null : hand.finish(canvas, c);
}
