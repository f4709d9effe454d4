import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { change } from '@yosomi/core/base';
import {
  type Doc,
  type Part,
  type PicturePart,
  docOf,
  drawnArea,
  newGround,
  newPicture,
  newShape,
  newWords,
} from '@yosomi/core/cover';
import { cropToFill } from '@yosomi/core/plane';
import { moveNode, panPicture, resizeBy, turnTowards, zoomPicture } from './drags';
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

describe('turning by the handle', () => {
  const at = (rad: number): { x: number; y: number } => ({
    x: 550 + 400 * Math.sin(rad),
    y: 1430 - 400 * Math.cos(rad),
  });
  it('follows the hand, is pulled to quarter turns, and steps by 15 degrees when asked', () => {
    fc.assert(
      fc.property(fc.double({ min: -3, max: 3, noNaN: true }), (rad) => {
        const free = turnTowards(frame, at(rad), false);
        expect(Math.abs(Math.atan2(Math.sin(free - rad), Math.cos(free - rad)))).toBeLessThan(0.031);
        const stepped = turnTowards(frame, at(rad), true) / (Math.PI / 12);
        expect(stepped).toBeCloseTo(Math.round(stepped), 9);
      }),
    );
    expect(turnTowards(frame, at(0.02), false)).toBe(0);
  });
});

describe('dragging a point of a curve', () => {
  const nodes = [
    { x: 0.2, y: 0.2, inX: 0.2, inY: 0.2, outX: 0.3, outY: 0.25 },
    { x: 0.6, y: 0.5, inX: 0.5, inY: 0.45, outX: 0.7, outY: 0.55 },
  ];
  it('takes its handles along, and a handle turns the opposite one but keeps its length', () => {
    const moved = moveNode(nodes, 1, 'point', 0.1, -0.05, doc);
    expect(moved[0]).toBe(nodes[0]);
    expect(moved[1].inX - moved[1].x).toBeCloseTo(-0.1, 9);
    const turned = moveNode(nodes, 1, 'out', 0, 0.1, doc)[1];
    const px = (x: number, y: number): number => Math.hypot((x - turned.x) * 1600, (y - turned.y) * 2560);
    expect(px(turned.inX, turned.inY)).toBeCloseTo(Math.hypot(0.1 * 1600, 0.05 * 2560), 6);
    const cross =
      (turned.outX - turned.x) * 1600 * (turned.inY - turned.y) * 2560 -
      (turned.outY - turned.y) * 2560 * (turned.inX - turned.x) * 1600;
    expect(cross).toBeCloseTo(0, 3);
  });
});

describe('dragging a handle', () => {
  const d = fc.double({ min: -0.9, max: 0.9, noNaN: true });
  const corners = fc.constantFrom<Corner>('n', 'ne', 'e', 'se', 's', 'sw', 'w', 'nw');
  it('moves that side, keeps the other, and never turns the place inside out', () => {
    fc.assert(
      fc.property(corners, d, d, (corner, dx, dy) => {
        const before = areaOf(doc.parts.title);
        const after = areaOf(apply(resizeBy(doc.parts.title, frame, doc, corner, dx, dy)).parts.title);
        expect(after.width).toBeGreaterThanOrEqual(0.005 - 1e-9);
        expect(after.height).toBeGreaterThanOrEqual(0.005 - 1e-9);
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

describe('resizing a drawing', () => {
  const drawn = docOf(1600, 2560, [
    { ...newGround('#102030'), id: 'ground' },
    {
      ...newShape(
        { kind: 'drawn', ratio: 2, paths: [{ d: 'M0 0L2000 0L2000 1000Z', colour: null }] },
        { area: { x: 0.2, y: 0.3, width: 0.4, height: 0.4 }, colour: '#ffffff' },
      ),
      id: 'mark',
    },
  ]);
  const corners: Corner[] = ['nw', 'n', 'ne', 'e', 'se', 's', 'sw', 'w'];

  it('always changes it as a whole: its place has its ratio, and the opposite side or corner stays', () => {
    const before = drawnArea(2, areaOf(drawn.parts.mark), drawn);
    const span = fc.double({ min: -0.15, max: 0.3, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...corners), span, span, (corner, dx, dy) => {
        const done = change(drawn, resizeBy(drawn.parts.mark, frame, drawn, corner, dx, dy));
        if (!done.ok) throw new Error(done.fault.code);
        const area = areaOf(done.value.next.parts.mark);
        expect((area.width * 1600) / (area.height * 2560)).toBeCloseTo(2, 6);
        if (!corner.includes('w')) {
          const middle =
            corner === 'n' || corner === 's'
              ? [area.x + area.width / 2, before.x + before.width / 2]
              : [area.x, before.x];
          expect(middle[0]).toBeCloseTo(middle[1], 9);
        } else expect(area.x + area.width).toBeCloseTo(before.x + before.width, 9);
        // What is drawn fills the place that is dragged: the drawing follows the hand.
        const inside = drawnArea(2, area, drawn);
        expect(inside.width).toBeCloseTo(area.width, 9);
      }),
    );
  });
});

describe('zooming inside a frame', () => {
  const size = { widthPx: 3000, heightPx: 2000 };
  const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });
  const start = (zoom: number, x: number, y: number, flipX: boolean): Doc => ({
    ...doc,
    parts: { ...doc.parts, picture: { ...(doc.parts.picture as PicturePart), zoom, focus: { x, y }, flipX } },
  });
  /** The point of the picture that is seen at a point of its frame. */
  const seen = (state: Doc, at: { x: number; y: number }) => {
    const part = state.parts.picture as PicturePart;
    const crop = cropToFill(size, frame, part.focus, part.zoom);
    const u = (at.x - frame.x) / frame.width;
    return {
      x: crop.x + (part.flipX ? 1 - u : u) * crop.width,
      y: crop.y + ((at.y - frame.y) / frame.height) * crop.height,
    };
  };

  it('keeps in place what is under the hand, and goes back to where it was', () => {
    fc.assert(
      fc.property(
        share,
        share,
        share,
        share,
        fc.boolean(),
        fc.double({ min: 1.05, max: 2, noNaN: true }),
        (x, y, u, v, flip, k) => {
          const before = start(2, x, y, flip);
          const at = { x: frame.x + u * frame.width, y: frame.y + v * frame.height };
          const run = (state: Doc, factor: number): Doc => {
            const done = change(state, zoomPicture(state.parts.picture as PicturePart, size, frame, factor, at));
            if (!done.ok) throw new Error(done.fault.code);
            return done.value.next;
          };
          const larger = run(before, k);
          const [is, was] = [seen(larger, at), seen(before, at)];
          expect(is.x).toBeCloseTo(was.x, 6);
          expect(is.y).toBeCloseTo(was.y, 6);
          const back = (run(larger, 1 / k).parts.picture as PicturePart).focus;
          expect(back.x).toBeCloseTo(x, 6);
          expect(back.y).toBeCloseTo(y, 6);
          // It never shrinks away from its frame.
          expect((run(before, 0.01).parts.picture as PicturePart).zoom).toBe(1);
        },
      ),
    );
  });
});
