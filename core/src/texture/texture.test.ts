import { describe, expect, it } from 'vitest';
import type { Raster } from '../pixels';
import { type TextureSpec, textureRaster } from './index';

const KINDS = ['grain', 'worn', 'paper', 'rays', 'vignette', 'halftone', 'fog', 'wash', 'strokes'] as const;
const spec = (texture: TextureSpec['texture'], more: Partial<TextureSpec> = {}): TextureSpec => ({
  texture,
  seed: 1,
  scale: 1,
  amount: 0.5,
  angleRad: Math.PI / 2,
  colour: '#204060',
  ...more,
});
/** Mean difference of opacity, levels. */
const difference = (a: Raster, b: Raster): number => {
  let sum = 0;
  for (let i = 3; i < a.data.length; i += 4) sum += Math.abs(a.data[i] - b.data[i]);
  return sum / (a.data.length / 4);
};
const meanAlpha = (r: Raster, keep: (x: number, y: number) => boolean = () => true): number => {
  let [sum, n] = [0, 0];
  for (let y = 0; y < r.height; y++)
    for (let x = 0; x < r.width; x++)
      if (keep(x / r.width, y / r.height)) {
        sum += r.data[(y * r.width + x) * 4 + 3];
        n++;
      }
  return sum / n;
};

describe('textures', () => {
  it.each(KINDS)('%s: the same seed gives the same texture, another seed another', (kind) => {
    const one = textureRaster(spec(kind), 0.3);
    expect(difference(textureRaster(spec(kind), 0.3), one)).toBe(0);
    // Vignette and halftone have nothing that chance decides but the noise that hides their steps.
    const least = kind === 'vignette' || kind === 'halftone' ? 0 : 2;
    expect(difference(textureRaster(spec(kind, { seed: 2 }), 0.3), one)).toBeGreaterThan(least);
  });

  it.each(KINDS)('%s: more of it covers more, none of it covers nothing', (kind) => {
    const none = meanAlpha(textureRaster(spec(kind, { amount: 0 }), 0.25));
    const some = meanAlpha(textureRaster(spec(kind, { amount: 0.4 }), 0.25));
    const much = meanAlpha(textureRaster(spec(kind, { amount: 0.9 }), 0.25));
    expect(some).toBeGreaterThan(none);
    expect(much).toBeGreaterThan(some);
    // Worn edges, washes and strokes still have a trace where the noise is strongest.
    expect(none).toBeLessThan(/worn|wash|strokes/.test(kind) ? 60 : 1);
  });

  it.each(KINDS)('%s is in its own colour, or in white where it lightens', (kind) => {
    const r = textureRaster(spec(kind), 0.3);
    for (let i = 0; i < r.data.length; i += 4 * 97)
      expect(['32,64,96', '255,255,255']).toContain(r.data.slice(i, i + 3).join());
  });

  it('has the ratio that it is asked for', () => {
    for (const ratio of [0.5, 1, 1.6]) {
      const r = textureRaster(spec('fog'), ratio);
      expect(r.height / r.width).toBeCloseTo(ratio, 2);
    }
  });

  it('a vignette is clear in the middle and strongest in the corners', () => {
    const r = textureRaster(spec('vignette', { amount: 1 }), 1.6);
    const middle = meanAlpha(r, (x, y) => Math.abs(x - 0.5) < 0.15 && Math.abs(y - 0.5) < 0.15);
    const corner = meanAlpha(r, (x, y) => x < 0.06 && y < 0.06);
    expect(middle).toBeLessThan(2);
    expect(corner).toBeGreaterThan(150);
  });

  it('directions: fog and halftone gather where they are sent', () => {
    for (const kind of ['fog', 'halftone'] as const) {
      const down = textureRaster(spec(kind, { angleRad: Math.PI / 2, amount: 0.8 }), 1.6);
      const low = meanAlpha(down, (_, y) => y > 0.8);
      expect(low).toBeGreaterThan(2 * meanAlpha(down, (_, y) => y < 0.2));
      const right = textureRaster(spec(kind, { angleRad: 0, amount: 0.8 }), 1.6);
      expect(meanAlpha(right, (x) => x > 0.8)).toBeGreaterThan(2 * meanAlpha(right, (x) => x < 0.2));
    }
  });

  it('rays come from where they are sent from and fade on their way', () => {
    const r = textureRaster(spec('rays', { amount: 1 }), 1.6);
    expect(meanAlpha(r, (_, y) => y < 0.25)).toBeGreaterThan(1.5 * meanAlpha(r, (_, y) => y > 0.75));
  });

  it('grain lightens as often as it darkens', () => {
    const r = textureRaster(spec('grain'), 0.5);
    let light = 0;
    for (let i = 0; i < r.data.length; i += 4) if (r.data[i] === 255) light++;
    expect(light / (r.data.length / 4)).toBeGreaterThan(0.45);
    expect(light / (r.data.length / 4)).toBeLessThan(0.55);
  });
});
