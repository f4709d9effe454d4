import { describe, expect, it } from 'vitest';
import { labOf, rgbOf } from '../colour';
import { type Raster, raster } from '../pixels';
import { edgeColours } from './edge';

type Rgb = readonly [number, number, number];
const W = 200;
const H = 320;

function cover(at: (x: number, y: number) => Rgb): Raster {
  const r = raster(W, H);
  for (let y = 0; y < H; y++) for (let x = 0; x < W; x++) r.data.set([...at(x, y), 255], (y * W + x) * 4);
  return r;
}
const mixed = (a: Rgb, b: Rgb, k: number): Rgb => [0, 1, 2].map((c) => a[c] + (b[c] - a[c]) * k) as unknown as Rgb;
const off = (hex: string, rgb: Rgb): number => {
  const [a, b] = [labOf(rgbOf(hex)), labOf(rgb)];
  return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
};

const dark: Rgb = [12, 40, 44];
const sky = (y: number): Rgb => mixed([20, 60, 90], [230, 170, 120], y / H);

describe('the ground of an edge', () => {
  it.each(['left', 'right'] as const)('has nothing of a glow that only touches the %s edge', (side) => {
    const x0 = side === 'left' ? 0 : W - 1;
    const glowing = cover((x, y) => mixed(dark, [240, 250, 180], Math.exp(-((Math.hypot(x - x0, y - 250) / 14) ** 2))));
    for (const colour of edgeColours(glowing, side)) expect(off(colour, dark)).toBeLessThan(0.03);
  });

  it('has nothing of letters that are cut by it', () => {
    const letters = cover((x, y) => (y > 60 && y < 90 && x % 16 < 8 ? [250, 240, 220] : dark));
    for (const colour of edgeColours(letters, 'left')) expect(off(colour, dark)).toBeLessThan(0.03);
  });

  it('goes on with a stripe, and with a field that takes up a good part of it', () => {
    const red: Rgb = [190, 30, 20];
    const striped = edgeColours(
      cover((_, y) => (y > 140 && y < 170 ? red : dark)),
      'left',
    );
    expect(off(striped[16], red)).toBeLessThan(0.03);
    expect(off(striped[4], dark)).toBeLessThan(0.01);
    const hills = edgeColours(
      cover((x, y) => (y > 210 + 20 * Math.sin(x / 9) ? [30, 25, 20] : [200, 210, 220])),
      'left',
    );
    expect(off(hills[31], [30, 25, 20])).toBeLessThan(0.02);
    expect(off(hills[2], [200, 210, 220])).toBeLessThan(0.02);
  });

  it('follows a gradient to its ends', () => {
    const colours = edgeColours(
      cover((_, y) => sky(y)),
      'left',
    );
    colours.forEach((colour, i) => expect(off(colour, sky((i / 32) * (H - 1)))).toBeLessThan(0.02));
  });

  it('leaves a gradient alone where something lies on it', () => {
    const moon = cover((x, y) => (Math.hypot(x, y - 90) < 18 ? [255, 250, 230] : sky(y)));
    edgeColours(moon, 'left').forEach((colour, i) => expect(off(colour, sky((i / 32) * (H - 1)))).toBeLessThan(0.06));
  });
});
