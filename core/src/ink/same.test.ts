import { describe, expect, it } from 'vitest';
import { rectPath, translate } from '../plane';
import { type Ink, type InkItem, fill, flat, group, image, sameAtBack } from './index';

const box = (x: number, colour = '#ff0000') => fill(rectPath({ x, y: 0, width: 10, height: 10 }), flat(colour));
const list = (...items: InkItem[]): Ink => ({ widthPx: 100, heightPx: 160, items });
const copy = (ink: Ink): Ink => JSON.parse(JSON.stringify(ink)) as Ink;

describe('what is the same at the back of two lists', () => {
  const all = { x: 0, y: 0, width: 1, height: 1 };
  const ink = list(
    box(0),
    image('p', all, { x: 0, y: 0, width: 50, height: 50 }),
    group([box(1), box(2)], { blurPx: 4, mask: [box(3)] }),
    box(4),
  );

  it('is all of it for equal lists, however they came to be', () => {
    expect(sameAtBack(ink, ink)).toBe(4);
    expect(sameAtBack(ink, copy(ink))).toBe(4);
  });

  it('ends at the first thing that differs, however deep', () => {
    const changes: [number, (next: InkItem[]) => void][] = [
      [0, (items) => (items[0] = box(0, '#ff0001'))],
      [1, (items) => (items[1] = { ...items[1], opacity: 0.99 })],
      [2, (items) => (items[2] = group([box(1), box(2.5)], { blurPx: 4, mask: [box(3)] }))],
      [2, (items) => (items[2] = group([box(1), box(2)], { blurPx: 4 }))],
      [3, (items) => (items[3] = { ...items[3], transform: translate(1, 0) })],
      [3, (items) => items.pop()],
    ];
    for (const [at, change] of changes) {
      const items = [...copy(ink).items];
      change(items);
      expect(sameAtBack(ink, { ...ink, items })).toBe(at);
    }
  });

  it('is nothing for lists of another size', () => {
    expect(sameAtBack(ink, { ...ink, widthPx: 101 })).toBe(0);
  });
});
