import { clamp, smoothstep } from '../../plane';
import { noise } from '../../texture';
import { softenedPlane } from '../canvas';
import { eachPixel, lightness, rasterOf, unit } from './finish';
import type { Hand } from './hand';

/** Lines across the width. */
const LINES = 96;

/** Cut in lines that swell with the dark, crossed where it is deep, edges drawn; some colour laid under it by hand. */
export const engraving: Hand = {
  name: 'Engraving',
  steps: null,
  wobble: 0.0008,
  shadow: 0,
  lens: 0,
  depth: 1.1,
  finish(canvas, pigments) {
    const { width, height, k, rgb, ways, edges, seed } = canvas;
    const sway = noise(seed + 61);
    const paper = unit(pigments.paper);
    const ink = unit(pigments.ink);
    const tone = new Float32Array(width * height);
    for (let i = 0; i < tone.length; i++) tone[i] = lightness(rgb, i);
    const calm = softenedPlane(tone, width, height, 0.0022 * k);
    // Half the width of a pixel in lines: how soft a line's edge has to be.
    const soft = Math.min(0.5, (LINES / k) * 0.8);
    const line = (s: number, wide: number): number => {
      const off = Math.abs(s - Math.floor(s) - 0.5) * 2;
      return 1 - smoothstep(wide - soft, wide + soft, off);
    };
    eachPixel(canvas, (i, _x, _y, u, v) => {
      const dark = clamp((0.86 - calm[i]) * 1.3, 0, 1);
      const way = ways[i];
      const bend = sway(u * 2.2, v * 2.2) * 0.016 + sway(u * 9, v * 9) * 0.0016;
      const at = (angle: number): number => (-u * Math.sin(angle) + v * Math.cos(angle) + bend) * LINES;
      let cut = dark < 0.05 ? 0 : line(at(way), clamp(dark * 0.95, 0.05, 0.92));
      if (dark > 0.55) cut = Math.max(cut, line(at(way + 1.05), clamp((dark - 0.55) * 1.7, 0, 0.9)));
      cut = Math.max(cut, smoothstep(0.45, 0.8, edges[i]) * 0.92);
      for (let c = 0; c < 3; c++) {
        const tint = paper[c] * (1 - 0.34) + rgb[i * 3 + c] * paper[c] * 0.34 + 0.04;
        const ground = tint + (paper[c] - tint) * canvas.lit[i] * 0.5;
        rgb[i * 3 + c] = clamp(ground + (ink[c] - ground) * cut, 0, 1);
      }
    });
    return rasterOf(canvas);
  },
};
