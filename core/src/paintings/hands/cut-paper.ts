import { clamp } from '../../plane';
import { layeredNoise, speck } from '../../texture';
import { eachPixel, rasterOf } from './finish';
import type { Hand } from './hand';

/** Sheets of coloured paper, cut by hand and laid over one another with a little air between. */
export const cutPaper: Hand = {
  name: 'Cut paper',
  steps: 3,
  wobble: 0.0012,
  shadow: 0.42,
  lens: 0,
  depth: 0.5,
  finish(canvas) {
    const { rgb, edges, seed } = canvas;
    const fibre = layeredNoise(seed + 21, 3);
    eachPixel(canvas, (i, x, y, u, v) => {
      const slope = fibre(u * 90 + 0.1, v * 70 + 0.1) - fibre(u * 90, v * 70);
      const tooth = slope * 0.16 + speck(seed, x, y) * 0.014;
      // A cut edge shows the lighter heart of the paper.
      const rim = edges[i] > 0.75 ? (edges[i] - 0.75) * 0.25 : 0;
      for (let c = 0; c < 3; c++) rgb[i * 3 + c] = clamp(rgb[i * 3 + c] * (1 + tooth) + rim, 0, 1);
    });
    return rasterOf(canvas);
  },
};
