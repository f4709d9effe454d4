import { clamp, smoothstep } from '../../plane';
import { layeredNoise, noise, speck } from '../../texture';
import { sampled, type Plane } from '../canvas';
import { eachPixel, rasterOf, unit } from './finish';
import type { Hand } from './hand';

/** Chalk on toothed paper: soft edges, strokes across one another, the paper's colour in every hollow. */
export const pastel: Hand = {
  name: 'Pastel',
  steps: null,
  wobble: 0.0018,
  shadow: 0,
  lens: 0.003,
  depth: 0.85,
  finish(canvas, pigments) {
    const { width, height, k, rgb, ways, seed } = canvas;
    const tooth = layeredNoise(seed + 41, 2);
    const stroke = noise(seed + 42);
    const paper = unit(pigments.paper);
    const planes = [0, 1, 2].map((c): Plane => {
      const plane = new Float32Array(width * height);
      for (let i = 0; i < plane.length; i++) plane[i] = rgb[i * 3 + c];
      return plane;
    });
    eachPixel(canvas, (i, x, y, u, v) => {
      const way = ways[i] + 0.9;
      const [along, across] = [u * Math.cos(way) + v * Math.sin(way), -u * Math.sin(way) + v * Math.cos(way)];
      const hatch = stroke(along * 9, across * 95);
      // A stroke drags colour along with it.
      const drag = stroke(along * 6 + 50, across * 60) * 0.006 * k;
      const grain = tooth(u * 230, v * 230) * 0.75 + speck(seed, Math.floor(u * 900), Math.floor(v * 900)) * 0.35;
      const bare = smoothstep(0.1, 0.75, grain - hatch * 0.35) * 0.5;
      for (let c = 0; c < 3; c++) {
        const chalk =
          sampled(planes[c], width, height, x + Math.cos(way) * drag, y + Math.sin(way) * drag) * (1 + hatch * 0.09);
        rgb[i * 3 + c] = clamp(chalk + (paper[c] * 0.55 + chalk * 0.45 - chalk) * bare, 0, 1);
      }
    });
    return rasterOf(canvas);
  },
};
