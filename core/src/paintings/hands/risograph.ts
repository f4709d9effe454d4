import { clamp, smoothstep } from '../../plane';
import { layeredNoise, speck } from '../../texture';
import { type Plane, sampled } from '../canvas';
import { eachPixel, rasterOf, unit } from './finish';
import type { Hand } from './hand';

const CELLS = 12;
const STEPS = [CELLS ** 2, CELLS, 1];
const AMOUNTS = [0, 0.2, 0.4, 0.6, 0.8, 1];
/** Dots across the width, and the angle at which each ink's rows run. */
const DOTS = 150;
const ANGLES = [0.26, 1.31, 0.79];
/** How far each ink is off its place, in widths. */
const OFF = [
  [0, 0],
  [0.0022, -0.0014],
  [-0.0016, 0.0019],
];

/** How much of three inks gives each colour, on a coarse grid of RGB: the nearest of all mixtures. */
function mixtures(inks: readonly (readonly number[])[], paper: readonly number[]): Float32Array {
  const made: { amounts: number[]; rgb: number[] }[] = [];
  for (const a of AMOUNTS)
    for (const b of AMOUNTS)
      for (const d of AMOUNTS) {
        const amounts = [a, b, d];
        const rgb = [0, 1, 2].map((c) => amounts.reduce((left, n, i) => left * (1 - n * (1 - inks[i][c])), paper[c]));
        made.push({ amounts, rgb });
      }
  const table = new Float32Array(CELLS ** 3 * 3);
  for (let cell = 0; cell < CELLS ** 3; cell++) {
    const want = [Math.floor(cell / CELLS ** 2), Math.floor(cell / CELLS) % CELLS, cell % CELLS].map(
      (n) => n / (CELLS - 1),
    );
    let best = made[0];
    let least = Infinity;
    for (const one of made) {
      const far = one.rgb.reduce((sum, v, c) => sum + (v - want[c]) ** 2 * [0.9, 1.3, 0.8][c], 0);
      const cost = far + one.amounts.reduce((sum, n) => sum + n, 0) * 0.002;
      if (cost < least) [least, best] = [cost, one];
    }
    table.set(best.amounts, cell * 3);
  }
  return table;
}

/** Three inks one after the other, in grain and dots, each a little off its place; where two lie they make a third. */
export const risograph: Hand = {
  name: 'Risograph',
  steps: 4,
  wobble: 0.0006,
  shadow: 0,
  lens: 0,
  depth: 0.9,
  finish(canvas, pigments) {
    const { width, height, k, rgb, seed } = canvas;
    const inks = [unit(pigments.ink), unit(pigments.accent), unit(pigments.far)];
    const paper = unit(pigments.paper);
    const table = mixtures(inks, paper);
    const planes = inks.map((): Plane => new Float32Array(width * height));
    for (let i = 0; i < width * height; i++) {
      // Between the eight colours of the table about it, so that what runs smoothly stays smooth.
      let cell = 0;
      const part = [0, 0, 0];
      for (let c = 0; c < 3; c++) {
        const at = clamp(rgb[i * 3 + c], 0, 1) * (CELLS - 1);
        const low = Math.min(CELLS - 2, Math.floor(at));
        part[c] = at - low;
        cell += low * STEPS[c];
      }
      for (let corner = 0; corner < 8; corner++) {
        let share = 1;
        let from = cell;
        for (let c = 0; c < 3; c++) {
          const up = (corner >> c) & 1;
          share *= up ? part[c] : 1 - part[c];
          from += up * STEPS[c];
        }
        if (share > 0) for (let ink = 0; ink < 3; ink++) planes[ink][i] += table[from * 3 + ink] * share;
      }
    }
    const uneven = layeredNoise(seed + 71, 3);
    const soft = Math.min(0.6, (DOTS / k) * 0.9);
    eachPixel(canvas, (i, x, y, u, v) => {
      const left = [...paper];
      for (let ink = 0; ink < 3; ink++) {
        const want = sampled(planes[ink], width, height, x + OFF[ink][0] * k, y + OFF[ink][1] * k);
        if (want < 0.02) continue;
        const [cos, sin] = [Math.cos(ANGLES[ink]), Math.sin(ANGLES[ink])];
        const [s, t] = [(u * cos + v * sin) * DOTS, (v * cos - u * sin) * DOTS];
        const away = Math.hypot(s - Math.floor(s) - 0.5, t - Math.floor(t) - 0.5);
        // Radius of the dot that covers this share of its cell; full ink has no dots.
        const radius = Math.sqrt(want / Math.PI) * 1.06;
        const dot = want > 0.93 ? 1 : 1 - smoothstep(radius - soft, radius + soft, away);
        const grain = 1 - 0.16 * Math.max(0, speck(seed + ink, Math.floor(u * 1000), Math.floor(v * 1000)));
        const laid = dot * grain * (0.93 + 0.07 * uneven(u * 6 + ink * 9, v * 6));
        for (let c = 0; c < 3; c++) left[c] *= 1 - laid * (1 - inks[ink][c]);
      }
      for (let c = 0; c < 3; c++) rgb[i * 3 + c] = clamp(left[c], 0, 1);
    });
    return rasterOf(canvas);
  },
};
