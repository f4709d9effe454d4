import { clamp, smoothstep } from '../../plane';
import { speck } from '../../texture';
import { softenedPlane } from '../canvas';
import { eachPixel, rasterOf } from './finish';
import type { Hand } from './hand';

/** As through a lens: smooth tones, far things soft, lights that bloom, grain of film and corners a little darker. */
export const photographic: Hand = {
  name: 'Photographic',
  steps: null,
  wobble: 0,
  shadow: 0,
  lens: 0.004,
  depth: 1,
  finish(canvas) {
    const { width, height, k, rgb, seed } = canvas;
    const tall = height / width;
    const bright = [0, 1, 2].map((c) => {
      const plane = new Float32Array(width * height);
      for (let i = 0; i < plane.length; i++) plane[i] = smoothstep(0.72, 1, rgb[i * 3 + c]) * rgb[i * 3 + c];
      return softenedPlane(plane, width, height, 0.022 * k);
    });
    eachPixel(canvas, (i, x, y, u, v) => {
      const corner = Math.hypot((u - 0.5) * 1.5, (v / tall - 0.5) * 1.5);
      const dim = 1 - 0.3 * smoothstep(0.55, 1.15, corner);
      // Grain is strongest in the middle tones, and of a size of its own.
      const [gx, gy] = [Math.floor(u * 1100), Math.floor(v * 1100)];
      const grain = (speck(seed + 3, gx, gy) + speck(seed + 4, gx + 1, gy) + speck(seed + 5, x, y)) / 3;
      for (let c = 0; c < 3; c++) {
        const lit = 1 - (1 - rgb[i * 3 + c]) * (1 - 0.4 * bright[c][i]);
        const curved = lit + 0.055 * Math.sin((lit - 0.5) * 2 * Math.PI);
        rgb[i * 3 + c] = clamp(curved * dim + grain * 0.035 * (1 - Math.abs(2 * lit - 1) * 0.6), 0, 1);
      }
    });
    return rasterOf(canvas);
  },
};
