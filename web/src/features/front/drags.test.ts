import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { change } from '@yosomi/core/base';
import { type Doc, type Part, type PicturePart, docOf, newGround, newPicture, newWords } from '@yosomi/core/cover';
import { cropToFill } from '@yosomi/core/plane';
import { moveBy, panPicture, resizeBy } from './drags';
import type { Corner } from './handles';

const words = (id: string, follows: { part: string; gap: number } | null) => ({
  ...newWords({
    role: 'title',
    says: { kind: 'own', text: 'x' },
    area: { x: 0.1, y: 0.2, width: 0.5, height: 0.3 },
    cut: 'jost/600',
    colour: '#ffffff',
    follows,
  }),
  id,
});
const doc: Doc = docOf(1600, 2560, [
  { ...newGround('#102030'), id: 'ground' },
  { ...newPicture({ kind: 'asset', asset: 'abcdef' }), id: 'picture' },
  words('title', null),
  words('subtitle', { part: 'title', gap: 0.02 }),
]);
const frame = { x: 200, y: 1280, width: 700, height: 300 };
const apply = (edit: Parameters<typeof change<Doc>>[1]): Doc => {
  const done = change(doc, edit);
  if (!done.ok) throw new Error(done.fault.code);
  return done.value.next;
};
const areaOf = (part: Part): { x: number; y: number; width: number; height: number } => {
  if (!('area' in part)) throw new Error('no area');
  return part.area;
};

describe('dragging words', () => {
  it('moves their place by what the hand moved', () => {
    const next = apply(moveBy(doc.parts.title, frame, doc, 0.1, -0.05));
    expect(areaOf(next.parts.title)).toEqual({
      x: expect.closeTo(0.2, 9),
      y: expect.closeTo(0.15, 9),
      width: 0.5,
      height: 0.3,
    });
  });

  it('sets words that hang under others free, where they are seen', () => {
    const next = apply(moveBy(doc.parts.subtitle, frame, doc, 0, 0.1));
    expect(next.parts.subtitle).toMatchObject({ follows: null, alignY: 'top' });
    expect(areaOf(next.parts.subtitle).y).toBeCloseTo(0.6, 9);
  });

  it('leaves the ground where it is', () => expect(apply(moveBy(doc.parts.ground, frame, doc, 0.5, 0.5))).toEqual(doc));
});

describe('dragging a handle', () => {
  const d = fc.double({ min: -0.9, max: 0.9, noNaN: true });
  const corners = fc.constantFrom<Corner>('n', 'ne', 'e', 'se', 's', 'sw', 'w', 'nw');
  it('moves that side, keeps the other, and never turns the place inside out', () => {
    fc.assert(
      fc.property(corners, d, d, (corner, dx, dy) => {
        const before = areaOf(doc.parts.title);
        const after = areaOf(apply(resizeBy(doc.parts.title, frame, doc, corner, dx, dy)).parts.title);
        expect(after.width).toBeGreaterThanOrEqual(0.01 - 1e-9);
        expect(after.height).toBeGreaterThanOrEqual(0.01 - 1e-9);
        if (!corner.includes('w')) expect(after.x).toBe(before.x);
        if (!corner.includes('n')) expect(after.y).toBe(before.y);
        if (corner.includes('w')) expect(after.x + after.width).toBeCloseTo(before.x + before.width, 9);
        if (corner.includes('n')) expect(after.y + after.height).toBeCloseTo(before.y + before.height, 9);
        if (corner === 'n' || corner === 's') expect(after.width).toBe(before.width);
        if (corner === 'e' || corner === 'w') expect(after.height).toBe(before.height);
      }),
    );
  });
});

describe('moving a picture inside its frame', () => {
  const picture = doc.parts.picture as PicturePart;
  const whole = { x: 0, y: 0, width: 1600, height: 2560 };
  const d = fc.double({ min: -3000, max: 3000, noNaN: true });
  it('follows the hand pixel for pixel until an edge of the picture is reached, and never shows ground', () => {
    fc.assert(
      fc.property(d, d, fc.double({ min: 1, max: 4, noNaN: true }), (dx, dy, zoom) => {
        const part = { ...picture, zoom };
        const size = { widthPx: 2400, heightPx: 2600 };
        const state: Doc = { ...doc, parts: { ...doc.parts, picture: part } };
        const done = change(state, panPicture(part, size, whole, dx, dy));
        if (!done.ok) throw new Error(done.fault.code);
        const { focus } = done.value.next.parts.picture as PicturePart;
        const from = cropToFill(size, whole, part.focus, zoom);
        const to = cropToFill(size, whole, focus, zoom);
        const k = 1600 / from.width;
        const moved = (from.x - to.x) * k;
        expect(Math.abs(moved)).toBeLessThanOrEqual(Math.abs(dx) + 1e-6);
        if (focus.x > 0.001 && focus.x < 0.999) expect(moved).toBeCloseTo(dx, 3);
        expect(to.x).toBeGreaterThanOrEqual(-1e-6);
        expect(to.x + to.width).toBeLessThanOrEqual(size.widthPx + 1e-6);
      }),
    );
  });
});
