import { clamp, smoothstep } from '../../plane';
import { layeredNoise, noise } from '../../texture';
import { eachPixel, rasterOf, unit } from './finish';
import type { Hand } from './hand';

/** Opaque paint: few tones laid beside one another, hairs of the brush in them, paper showing where it ran dry. */
export const gouache: Hand = {
  name: 'Gouache',
  steps: 5,
  wobble: 0.0032,
  shadow: 0,
  lens: 0,
  depth: 0.9,
  finish(canvas, pigments) {
    const { rgb, ways, edges, seed } = canvas;
    const body = layeredNoise(seed + 31, 3);
    const hair = noise(seed + 32);
    const [r, g, b] = unit(pigments.paper);
    const paper = [r, g, b];
    eachPixel(canvas, (i, _x, _y, u, v) => {
      const way = ways[i] + 0.35 * body(u * 3, v * 3);
      const [along, across] = [u * Math.cos(way) + v * Math.sin(way), -u * Math.sin(way) + v * Math.cos(way)];
      const bristle = hair(along * 14, across * 210) * 0.6 + hair(along * 30 + 7, across * 420) * 0.4;
      const load = body(u * 7 + 3, v * 7);
      const shade = bristle * 0.055 + load * 0.05;
      const dry = smoothstep(0.52, 0.85, bristle * 0.7 + body(u * 11, v * 11 + 5) * 0.55) * (0.25 + 0.5 * edges[i]);
      for (let c = 0; c < 3; c++) {
        const painted = rgb[i * 3 + c] * (1 + shade);
        rgb[i * 3 + c] = clamp(painted + (paper[c] - painted) * dry * 0.5, 0, 1);
      }
    });
    return rasterOf(canvas);
  },
};
