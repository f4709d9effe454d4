import { describe, expect, it } from 'vitest';
import { checkCorners, findCorners, settled } from '@yosomi/core/pin';
import { raster } from '@yosomi/core/pixels';
import { ofMany } from './fixtures/cases';
import { cornerError, photographOf } from './fixtures/photographs';

const COUNT = ofMany(24, 60);

describe('the corner finder', () => {
  it('finds the blank in made-up photographs, and says when it is not sure', { timeout: 600_000 }, () => {
    const errors: number[] = [];
    const wrong: number[] = [];
    let [sure, tilted] = [0, 0];
    for (let seed = 1; seed <= COUNT; seed++) {
      const { pixels, corners, tiltDeg } = photographOf(seed);
      const found = findCorners(pixels);
      const error = found.kind === 'none' ? Infinity : cornerError(found.corners, corners);
      errors.push(error);
      if (found.kind === 'found') {
        sure++;
        expect(checkCorners(found.corners, pixels).ok).toBe(true);
        if (error > 3) wrong.push(error);
      }
      if (tiltDeg > 45 && error <= 3) tilted++;
    }
    errors.sort((a, b) => a - b);
    // Corners at 1600 px: the middle error within a pixel, at least 85 % within three.
    expect(errors[COUNT / 2]).toBeLessThanOrEqual(1);
    expect(errors.filter((e) => e <= 3).length).toBeGreaterThanOrEqual(0.85 * COUNT);
    // It is sure of most, and seldom of what is wrong.
    expect(sure).toBeGreaterThanOrEqual(0.8 * COUNT);
    expect(wrong.length).toBeLessThanOrEqual(0.06 * COUNT);
    expect(tilted).toBeGreaterThanOrEqual(ofMany(3, 8));
  });

  it('is not sure where there is no blank', () => {
    for (const seed of [3, 4, 5]) {
      const grain = raster(500, 400);
      for (let i = 0; i < grain.data.length; i += 4) {
        const [x, y] = [(i / 4) % 500, Math.floor(i / 2000)];
        const v = 120 + 60 * Math.sin(x / (7 + seed)) * Math.cos(y / 11) + 40 * Math.sin((x + y * seed) / 23);
        grain.data.set([v, v * 0.9, v * 0.8, 255], i);
      }
      expect(findCorners(grain).kind).not.toBe('found');
    }
    const grey = raster(300, 200);
    for (let i = 0; i < grey.data.length; i += 4) grey.data.set([128, 128, 128, 255], i);
    expect(findCorners(grey)).toEqual({ kind: 'none' });
    expect(findCorners(raster(1, 1))).toEqual({ kind: 'none' });
  });

  it('settles corners that were put down roughly', () => {
    const { pixels, corners } = photographOf(9);
    const rough = corners.map((p, i) => ({ x: p.x + [6, -5, 4, -6][i], y: p.y + [-4, 6, 5, -3][i] }));
    expect(cornerError(rough, corners)).toBeGreaterThan(5);
    expect(cornerError(settled(pixels, rough, 10).corners, corners)).toBeLessThan(1);
  });
});
