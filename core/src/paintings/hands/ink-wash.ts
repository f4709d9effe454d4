import { clamp, smoothstep } from '../../plane';
import { layeredNoise, speck } from '../../texture';
import { softenedPlane } from '../canvas';
import { eachPixel, lightness, rasterOf, unit } from './finish';
import type { Hand } from './hand';

/** Thinned ink on rough paper: it runs, settles in the hollows, and is darkest where a wash dries. One colour beside it where a thing has much. */
export const inkWash: Hand = {
  name: 'Ink wash',
  steps: null,
  wobble: 0.0045,
  shadow: 0,
  lens: 0.006,
  depth: 1,
  finish(canvas, pigments) {
    const { width, height, k, rgb, edges, seed } = canvas;
    const cloud = layeredNoise(seed + 51, 4);
    const tooth = layeredNoise(seed + 52, 2);
    const paper = unit(pigments.paper);
    const ink = unit(pigments.ink);
    const accent = unit(pigments.accent);
    const tone = new Float32Array(width * height);
    const red = new Float32Array(width * height);
    const [ar, ag, ab] = accent;
    const aMean = (ar + ag + ab) / 3;
    const norm = Math.hypot(ar - aMean, ag - aMean, ab - aMean) || 1;
    for (let i = 0; i < tone.length; i++) {
      tone[i] = 1 - lightness(rgb, i);
      const m = (rgb[i * 3] + rgb[i * 3 + 1] + rgb[i * 3 + 2]) / 3;
      const near =
        ((rgb[i * 3] - m) * (ar - aMean) + (rgb[i * 3 + 1] - m) * (ag - aMean) + (rgb[i * 3 + 2] - m) * (ab - aMean)) /
        norm;
      red[i] = smoothstep(0.2, 0.34, near);
    }
    // The lightest twentieth stays paper, the darkest is ink.
    const sorted = Float32Array.from({ length: 2000 }, (_, n) => tone[Math.floor((n / 2000) * tone.length)]).sort();
    const [low, high] = [sorted[100], Math.max(sorted[100] + 0.3, sorted[1900])];
    const wet = softenedPlane(tone, width, height, 0.004 * k);
    eachPixel(canvas, (i, x, y, u, v) => {
      const run = cloud(u * 5, v * 5);
      const grain = tooth(u * 260, v * 260);
      const body = clamp((wet[i] * 0.6 + tone[i] * 0.4 - low) / (high - low), 0, 1);
      const settled = body ** 1.1 * (0.9 + 0.16 * run) + edges[i] * 0.16 * smoothstep(0.1, 0.5, body);
      const dark = clamp(settled + grain * 0.1 * body * (1.2 - body) + speck(seed, x, y) * 0.01, 0, 1);
      for (let c = 0; c < 3; c++) {
        const pigment = ink[c] + (accent[c] - ink[c]) * red[i];
        const deep = dark * (red[i] > 0 ? 1 + 0.35 * red[i] : 1);
        rgb[i * 3 + c] = clamp(paper[c] * (1 + grain * 0.012) * (1 - deep) + pigment * deep, 0, 1);
      }
    });
    return rasterOf(canvas);
  },
};
