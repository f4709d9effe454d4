import { describe, expect, it } from 'vitest';
import { type Raster, raster } from '../pixels';
import { cutOut } from './cut-out';
import { DROP, KEEP, hintPixels } from './hints';
import { refined } from './refine';

const [W, H] = [120, 90];
const share = (x: number, y: number): number => Math.min(1, Math.max(0, (30 - Math.hypot(x - 60, y - 45)) / 5 + 0.5));
const mixed = (ground: (x: number, y: number) => readonly number[], thing: readonly number[]): Raster => {
  const out = raster(W, H);
  for (let y = 0; y < H; y++)
    for (let x = 0; x < W; x++) {
      const [s, g] = [share(x, y), ground(x, y)];
      out.data.set([...thing.map((v, c) => Math.round(v * s + g[c] * (1 - s))), 255], (y * W + x) * 4);
    }
  return out;
};
const matte = mixed(() => [0, 0, 0], [255, 255, 255]);
const over = (top: Raster, ground: readonly number[]): Raster => {
  const out = raster(W, H);
  for (let p = 0; p < out.data.length; p += 4) {
    const a = top.data[p + 3] / 255;
    for (let c = 0; c < 3; c++) out.data[p + c] = Math.round(top.data[p + c] * a + ground[c] * (1 - a));
    out.data[p + 3] = 255;
  }
  return out;
};
const furthest = (a: Raster, b: Raster): number =>
  a.data.reduce((most, v, i) => Math.max(most, Math.abs(v - b.data[i])), 0);

describe('a thing that is cut out', () => {
  const thing = [180, 60, 40];
  it.each([
    ['white', () => [250, 250, 250]],
    ['green', () => [30, 160, 60]],
    ['dark', () => [12, 14, 20]],
  ] as const)('from a %s ground and laid on another one looks as if it had always been there', (_, ground) => {
    const cut = cutOut(mixed(ground, thing), matte, 0);
    for (const next of [
      [0, 0, 0],
      [255, 255, 255],
      [40, 90, 200],
    ])
      expect(
        furthest(
          over(cut, next),
          mixed(() => next, thing),
        ),
      ).toBeLessThanOrEqual(4);
  });

  it('keeps its colour where it is whole, and is clear where it is not', () => {
    const cut = cutOut(
      mixed(() => [250, 250, 250], thing),
      matte,
      0,
    );
    expect([...cut.data.subarray((45 * W + 60) * 4, (45 * W + 60) * 4 + 4)]).toEqual([...thing, 255]);
    expect(cut.data[3]).toBe(0);
  });

  it('gets a softer edge inwards only: what was ground stays gone', () => {
    const hard = cutOut(
      mixed(() => [250, 250, 250], thing),
      matte,
      0,
    );
    const soft = cutOut(
      mixed(() => [250, 250, 250], thing),
      matte,
      0.03,
    );
    let less = 0;
    for (let p = 3; p < hard.data.length; p += 4) {
      expect(soft.data[p]).toBeLessThanOrEqual(hard.data[p]);
      less += hard.data[p] - soft.data[p];
    }
    expect(less).toBeGreaterThan(5000);
  });

  it('takes a matte of another size', () => {
    const large = raster(W * 2, H * 2);
    for (let y = 0; y < H * 2; y++)
      for (let x = 0; x < W * 2; x++) {
        const v = Math.round(255 * share((x - 0.5) / 2, (y - 0.5) / 2));
        large.data.set([v, v, v, 255], (y * W * 2 + x) * 4);
      }
    const picture = mixed(() => [250, 250, 250], thing);
    const on = [40, 90, 200];
    expect(furthest(over(cutOut(picture, large, 0), on), over(cutOut(picture, matte, 0), on))).toBeLessThan(12);
  });
});

describe('a matte from a rough mask', () => {
  it('is the mask far from its edge, and by degrees at it', () => {
    const picture = mixed(() => [20, 20, 20], [220, 220, 220]);
    const rough = Uint8Array.from({ length: 30 * 23 }, (_, i) =>
      share((i % 30) * 4 + 2, Math.floor(i / 30) * 4 + 2) > 0.5 ? 1 : 0,
    );
    const made = refined(picture, rough, 30, 23);
    expect([made.data[0], made.data[(45 * W + 60) * 4]]).toEqual([0, 255]);
    let wrong = 0;
    for (let i = 0; i < W * H; i++) wrong += Math.abs(made.data[i * 4] - matte.data[i * 4]);
    let blocky = 0;
    for (let i = 0; i < W * H; i++)
      blocky += Math.abs(
        255 * rough[Math.min(22, Math.floor(Math.floor(i / W) / 4)) * 30 + Math.floor((i % W) / 4)] - matte.data[i * 4],
      );
    expect(wrong).toBeLessThan(blocky * 0.75);
  });
});

describe('strokes', () => {
  it('say of pixels what they say, the later over the earlier, and nothing beyond their width', () => {
    const line = (keep: boolean, y: number) => ({
      keep,
      width: 0.1,
      points: [
        { x: 0.2, y },
        { x: 0.8, y },
      ],
    });
    const said = hintPixels([line(true, 0.5), { ...line(false, 0.5), points: [{ x: 0.5, y: 0.5 }] }], 100, 100);
    expect(said[50 * 100 + 30]).toBe(KEEP);
    expect(said[50 * 100 + 50]).toBe(DROP);
    expect(said[50 * 100 + 90]).toBe(0);
    expect(said[57 * 100 + 30]).toBe(0);
    expect(said.filter((v) => v !== 0).length).toBeGreaterThan(580);
    expect(said.filter((v) => v !== 0).length).toBeLessThan(740);
  });
  it('that lie outside are no harm', () =>
    expect(hintPixels([{ keep: true, width: 0.1, points: [{ x: -1, y: 2 }] }], 10, 10).every((v) => v === 0)).toBe(
      true,
    ));
});
