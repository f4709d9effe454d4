import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Edit, change } from '../base';
import { type Rect, apply as at, centreOf, rotateAbout } from '../plane';
import {
  type CurvePart,
  Doc,
  type PicturePart,
  type WordsPart,
  docOf,
  inOrder,
  newCurve,
  newGround,
  newPicture,
  newShape,
  newWords,
  scaleParts,
  setPart,
  setParts,
  sharedField,
  turnParts,
} from './index';

const W = 1000;
const H = 1600;
const node = (x: number, y: number) => ({ x, y, inX: x - 0.05, inY: y, outX: x + 0.05, outY: y });
const words = (id: string, y: number, more: Partial<WordsPart> = {}) => ({
  ...newWords({
    role: 'free',
    says: { kind: 'own', text: id },
    area: { x: 0.1, y, width: 0.8, height: 0.1 },
    cut: 'jost/600',
    colour: '#ffffff',
    shadow: { dx: 0.01, dy: -0.02, blur: 0.01, colour: '#000000', opacity: 1 },
    ...more,
  }),
  id,
});
const doc = docOf(W, H, [
  { ...newGround('#102030'), id: 'ground' },
  {
    ...newPicture({ kind: 'asset', asset: 'abcdef' }, { area: { x: 0.2, y: 0.3, width: 0.3, height: 0.2 } }),
    id: 'picture',
    border: { width: 0.01, colour: '#ffffff' },
  },
  words('high', 0.1, { size: 0.05 }),
  words('hung', 0.3, { follows: { part: 'high', gap: 0.02 } }),
  {
    ...newShape({ kind: 'ellipse' }, { area: { x: 0.4, y: 0.5, width: 0.2, height: 0.125 }, colour: '#aa3300' }),
    id: 'seal',
  },
  { ...newCurve([node(0.2, 0.4), node(0.5, 0.5), node(0.8, 0.4)], '#ffffff'), id: 'curve', width: 0.01 },
]);
const frames = new Map<string, Rect>([
  ['picture', { x: 200, y: 480, width: 300, height: 320 }],
  ['high', { x: 150, y: 160, width: 700, height: 120 }],
  ['hung', { x: 300, y: 312, width: 400, height: 60 }],
  ['seal', { x: 400, y: 800, width: 200, height: 200 }],
  ['curve', { x: 200, y: 640, width: 600, height: 160 }],
]);
const apply = (edit: Edit<Doc>, state = doc): Doc => {
  const done = change(state, edit);
  if (!done.ok) throw new Error(done.fault.code);
  return done.value.next;
};
const refused = (edit: Edit<Doc>, state = doc): string | null => {
  const done = change(state, edit);
  return done.ok ? null : done.fault.code;
};
/** Numbers of a document to a millionth of the cover. */
const near = (state: Doc): unknown =>
  JSON.parse(JSON.stringify(state, (_, v: unknown) => (typeof v === 'number' ? Math.round(v * 1e6) / 1e6 + 0 : v)));

const ids = fc.uniqueArray(fc.constantFrom('picture', 'high', 'seal', 'curve'), { minLength: 1 });
const point = fc.record({ x: fc.integer({ min: 0, max: W }), y: fc.integer({ min: 0, max: H }) });

describe('parts together', () => {
  it('grow, and shrink again to what they were', () => {
    fc.assert(
      fc.property(ids, point, fc.double({ min: 0.4, max: 2.5, noNaN: true }), (some, about, k) => {
        const next = apply(scaleParts(some, frames, about, k));
        expect(Doc.safeParse(next).success).toBe(true);
        expect(near(apply(scaleParts(some, frames, about, 1 / k), next))).toEqual(near(doc));
      }),
    );
  });

  it('keep their shape: places, lines, letters and shadows grow alike', () => {
    const next = apply(scaleParts(['picture', 'high', 'hung', 'curve'], frames, { x: 0, y: 0 }, 2));
    expect(next.parts.picture).toMatchObject({
      area: { x: 0.4, y: 0.6, width: 0.6, height: 0.4 },
      border: { width: 0.02 },
    });
    expect(next.parts.high).toMatchObject({ size: 0.1, shadow: { dx: 0.02, dy: -0.04, blur: 0.02 } });
    expect((next.parts.hung as WordsPart).follows).toEqual({ part: 'high', gap: 0.04 });
    expect((next.parts.curve as CurvePart).nodes[1]).toEqual({ x: 1, y: 1, inX: 0.9, inY: 1, outX: 1.1, outY: 1 });
    expect((next.parts.curve as CurvePart).width).toBe(0.02);
    // Without what it hangs under it stays where it is seen.
    const alone = apply(scaleParts(['hung'], frames, { x: 0, y: 312 }, 2));
    expect(alone.parts.hung).toMatchObject({ follows: null, area: { y: 312 / H, height: 0.2 } });
  });

  it('never leave what a part can be: all of them grow by less', () => {
    const far = apply(scaleParts(['seal', 'high'], frames, { x: 500, y: 800 }, 1000));
    expect(Doc.safeParse(far).success).toBe(true);
    const k = (far.parts.seal as PicturePart).area.width / 0.2;
    expect((far.parts.high as WordsPart).area.width / 0.8).toBeCloseTo(k, 9);
    const small = apply(scaleParts(['seal', 'high'], frames, { x: 500, y: 800 }, 0));
    expect(Doc.safeParse(small).success).toBe(true);
  });

  it('turn about a point, and back to where they were', () => {
    fc.assert(
      fc.property(ids, point, fc.double({ min: -6, max: 6, noNaN: true }), (some, about, rad) => {
        const next = apply(turnParts(some, frames, about, rad));
        expect(Doc.safeParse(next).success).toBe(true);
        // Frames turn about their own middles; these have gone round.
        const gone = new Map<string, Rect>(
          [...frames].map(([id, f]) => {
            if (!some.some((one) => one === id)) return [id, f] as const;
            const c = at(rotateAbout(rad, about.x, about.y), centreOf(f));
            return [id, { ...f, x: c.x - f.width / 2, y: c.y - f.height / 2 }] as const;
          }),
        );
        const back = apply(turnParts(some, gone, about, -rad), next);
        expect(near(back)).toEqual(near(doc));
      }),
    );
  });

  it('keep their distances while they turn, and a curve its points', () => {
    const next = apply(turnParts(['seal', 'curve'], frames, { x: 500, y: 900 }, Math.PI / 2));
    expect(next.parts.seal.turnRad).toBeCloseTo(Math.PI / 2, 9);
    expect((next.parts.seal as PicturePart).area.x * W + 100).toBeCloseTo(500, 6);
    const curve = next.parts.curve as CurvePart;
    expect(curve.turnRad).toBe(0);
    // 200 px left of the middle and 260 above it are 260 right of it and 200 above.
    expect(curve.nodes[0].x * W).toBeCloseTo(760, 6);
    expect(curve.nodes[0].y * H).toBeCloseTo(600, 6);
  });

  it('leave locked ones and what has no place of its own', () => {
    const locked = apply(setPart('seal', { locked: true }));
    expect(apply(scaleParts(['seal', 'ground'], frames, { x: 0, y: 0 }, 2), locked)).toEqual(locked);
    expect(refused(scaleParts(['gone'], frames, { x: 0, y: 0 }, 2))).toBe('part-gone');
    expect(refused(turnParts(['gone'], frames, { x: 0, y: 0 }, 2))).toBe('part-gone');
  });
});

describe('what parts share', () => {
  const of = (...some: string[]) => some.map((id) => doc.parts[id]);

  it('is what all of them have, mixed where they differ', () => {
    expect(sharedField(of('high', 'seal'), 'colour')).toEqual({ value: '#ffffff', mixed: true });
    expect(sharedField(of('high', 'curve'), 'colour')).toEqual({ value: '#ffffff', mixed: false });
    expect(sharedField(of('high', 'picture'), 'colour')).toBeNull();
    expect(sharedField(of('high', 'hung'), 'shadow')?.mixed).toBe(false);
    expect(sharedField([], 'opacity')).toBeNull();
  });

  it('is written into all but the locked, in one step, or refused whole', () => {
    const locked = apply(setPart('seal', { locked: true }));
    const next = apply(
      setParts(['high', 'seal', 'curve'], () => ({ opacity: 0.5 })),
      locked,
    );
    expect(inOrder(next).map((part) => part.opacity)).toEqual([1, 1, 0.5, 1, 1, 0.5]);
    expect(
      refused(
        setParts(['seal'], () => ({ opacity: 0.5 })),
        locked,
      ),
    ).toBe('part-locked');
    expect(refused(setParts(['high', 'curve'], () => ({ opacity: 7 })))).toBe('part-value');
    expect(refused(setParts(['gone'], () => ({})))).toBe('part-gone');
    // Each may get its own, and none becomes another part.
    const own = apply(setParts(['high', 'hung'], (part) => ({ id: 'x', order: 'z', name: part.id })));
    expect(own.parts.hung).toMatchObject({ id: 'hung', order: doc.parts.hung.order, name: 'hung' });
  });
});
