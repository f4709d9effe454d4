import { describe, expect, it } from 'vitest';
import { inkBounds } from '../ink';
import { SCENERIES, scenery } from './index';

const colours = { high: '#1c2536', low: '#54506a', far: '#6d6a86', near: '#141926', light: '#f2d79a' };

describe.each(SCENERIES)('the scenery %s', (kind) => {
  it('is the same for the same seed and another for another', () => {
    expect(scenery(kind, 3, colours)).toEqual(scenery(kind, 3, colours));
    expect(scenery(kind, 4, colours)).not.toEqual(scenery(kind, 3, colours));
  });

  it('covers the whole picture, in nothing but what its colours give, and of a size that can be drawn', () => {
    const { items, widthPx, heightPx } = scenery(kind, 1, colours);
    expect([widthPx, heightPx]).toEqual([1600, 2560]);
    expect(items.length).toBeGreaterThan(8);
    expect(items.length).toBeLessThan(700);
    const plain = JSON.stringify(items).replace(/#[0-9a-f]{6}/g, '');
    const numbers = plain.match(/-?\d+\.?\d*(e-?\d+)?/g) ?? [];
    expect(numbers.every((n) => Number.isFinite(Number(n)))).toBe(true);
    expect(plain).not.toMatch(/[[,]null/);
    const paint = JSON.stringify(items[0]);
    expect(paint).toContain(colours.high);
    expect(inkBounds(items[0], [1, 0, 0, 1, 0, 0])).toMatchObject({ x: 0, y: 0, width: 1600, height: 2560 });
  });
});
