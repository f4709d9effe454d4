import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Edit, change } from '../base';
import { pointOn } from '../plane';
import {
  type CurveNode,
  type CurvePart,
  Doc,
  SMOOTH_RAD,
  cornerNode,
  docOf,
  familyWay,
  joinCurves,
  nearestOn,
  newCurve,
  newGround,
  piecesOf,
  reverseCurve,
  reversed,
  setPart,
  smoothNode,
  splitCurve,
  turnAt,
} from './index';

const SIZE = { widthPx: 1000, heightPx: 1600 };
const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });
const node: fc.Arbitrary<CurveNode> = fc.record({
  x: share,
  y: share,
  inX: share,
  inY: share,
  outX: share,
  outY: share,
});
const nodes = fc.array(node, { minLength: 2, maxLength: 7 });

/** A place on a piece of a curve. */
const at = (all: readonly CurveNode[], piece: number, t: number): { x: number; y: number } => {
  const [p, q] = [all[piece], all[(piece + 1) % all.length]];
  const cubic = { a: p, b: { x: p.outX, y: p.outY }, c: { x: q.inX, y: q.inY }, d: q };
  return pointOn(cubic, t);
};
const docWith = (...curves: readonly (readonly CurveNode[])[]): Doc =>
  docOf(SIZE.widthPx, SIZE.heightPx, [
    { ...newGround('#000000'), id: 'ground' },
    ...curves.map((one, i) => ({ ...newCurve([...one], '#ffffff'), id: `c${i}` })),
  ]);
const apply = (doc: Doc, edit: Edit<Doc>): Doc => {
  const done = change(doc, edit);
  if (!done.ok) throw new Error(done.fault.code);
  return done.value.next;
};
const refused = (doc: Doc, edit: Edit<Doc>): string | null => {
  const done = change(doc, edit);
  return done.ok ? null : done.fault.code;
};
const curve = (doc: Doc, id: string): CurvePart => doc.parts[id] as CurvePart;

describe('points of a curve', () => {
  it('one more leaves the curve as it was, on any piece, closed or not', () => {
    fc.assert(
      fc.property(nodes, fc.boolean(), fc.nat(20), share, share, (all, closed, n, t, u) => {
        const piece = n % piecesOf(all, closed);
        const next = splitCurve(all, piece, t);
        expect(next).toHaveLength(all.length + 1);
        // A place before the new point and one after it are where they were.
        const before = at(next, piece, u);
        const was = at(all, piece, t * u);
        expect(Math.hypot(before.x - was.x, before.y - was.y)).toBeLessThan(1e-9);
        const after = at(next, piece + 1, u);
        const still = at(all, piece, t + (1 - t) * u);
        expect(Math.hypot(after.x - still.x, after.y - still.y)).toBeLessThan(1e-9);
      }),
    );
  });

  it('finds where on the line a hand is', () => {
    fc.assert(
      fc.property(nodes, fc.boolean(), fc.nat(20), share, (all, closed, n, t) => {
        const piece = n % piecesOf(all, closed);
        const found = nearestOn(all, closed, at(all, piece, t), SIZE);
        expect(found.awayPx).toBeLessThan(40);
        const there = at(all, found.piece, found.t);
        const meant = at(all, piece, t);
        expect(Math.hypot((there.x - meant.x) * 1000, (there.y - meant.y) * 1600)).toBeLessThan(60);
      }),
    );
  });

  it('is smooth after it was smoothed, and a corner after it was made one', () => {
    const bent = fc.array(node, { minLength: 3, maxLength: 6 });
    fc.assert(
      fc.property(bent, fc.boolean(), fc.nat(20), (all, closed, n) => {
        const index = closed ? n % all.length : 1 + (n % (all.length - 2));
        const turn = turnAt(smoothNode(all, closed, index, SIZE), index, SIZE);
        if (turn !== null) expect(turn).toBeLessThan(SMOOTH_RAD);
        const sharp = cornerNode(all, closed, index);
        const [before, own] = [sharp[(index + all.length - 1) % all.length], sharp[index]];
        // Its handle points straight at its neighbour.
        const cross = (own.inX - own.x) * (before.y - own.y) - (own.inY - own.y) * (before.x - own.x);
        expect(Math.abs(cross)).toBeLessThan(1e-9);
        expect([own.x, own.y]).toEqual([all[index].x, all[index].y]);
      }),
    );
  });
});

describe('whole curves', () => {
  it('turned round twice are as they were, and what is at their ends goes along', () => {
    fc.assert(
      fc.property(nodes, (all) => {
        expect(reversed(reversed(all))).toEqual(all);
        const doc = apply(docWith(all), setPart('c0', { taperStart: 0.5, arrowEnd: true }));
        const once = apply(doc, reverseCurve('c0'));
        expect(curve(once, 'c0')).toMatchObject({ taperStart: 0, taperEnd: 0.5, arrowStart: true, arrowEnd: false });
        expect(apply(once, reverseCurve('c0'))).toEqual(doc);
      }),
    );
  });

  it('are joined at their nearest ends: every point of both is there, and the gap is the least', () => {
    fc.assert(
      fc.property(nodes, nodes, (a, b) => {
        const joined = apply(docWith(a, b), joinCurves('c0', 'c1'));
        expect(joined.parts.c1).toBeUndefined();
        const all = curve(joined, 'c0').nodes;
        expect(Doc.safeParse(joined).success).toBe(true);
        const places = (some: readonly CurveNode[]): string[] => some.map((n) => `${n.x} ${n.y}`);
        for (const place of [...places(a), ...places(b)]) expect(places(all)).toContain(place);
        const px = (p: CurveNode, q: CurveNode): number => Math.hypot((p.x - q.x) * 1000, (p.y - q.y) * 1600);
        const least = Math.min(...[a[0], a.at(-1)!].flatMap((p) => [b[0], b.at(-1)!].map((q) => px(p, q))));
        if (all.length === a.length + b.length) expect(px(all[a.length - 1], all[a.length])).toBeCloseTo(least, 6);
        else expect(least).toBeLessThanOrEqual(2);
      }),
    );
  });

  it('that touch become one in one point; closed ones have no end', () => {
    const n = (x: number, y: number): CurveNode => ({ x, y, inX: x - 0.02, inY: y, outX: x + 0.02, outY: y });
    const doc = docWith([n(0.1, 0.1), n(0.5, 0.5)], [n(0.9, 0.1), n(0.5, 0.5)]);
    expect(curve(apply(doc, joinCurves('c0', 'c1')), 'c0').nodes.map(({ x }) => x)).toEqual([0.1, 0.5, 0.9]);
    const closed = apply(doc, setPart('c1', { closed: true }));
    expect(refused(closed, joinCurves('c0', 'c1'))).toBe('curve-closed');
    expect(refused(doc, joinCurves('c0', 'c0'))).toBe('part-gone');
    const long = docWith(
      Array.from({ length: 120 }, (_, i) => n(i / 200, 0.2)),
      Array.from({ length: 120 }, (_, i) => n(i / 200, 0.4)),
    );
    expect(refused(long, joinCurves('c0', 'c1'))).toBe('curve-long');
  });

  it('lead a family by way of others, and pass over those that are gone', () => {
    const n = (y: number): CurveNode[] => [0.1, 0.9].map((x) => ({ x, y, inX: x, inY: y, outX: x, outY: y }));
    const family = { kind: 'between', count: 2, part: 'c2', via: ['c1', 'gone', 'c0'], carry: true };
    const doc = apply(docWith(n(0.1), n(0.4), n(0.7)), setPart('c0', { family }));
    expect(familyWay(curve(doc, 'c0'), doc).map(({ id }) => id)).toEqual(['c0', 'c1', 'c2']);
    // Joined to the one it led to, it leads nowhere.
    const joined = apply(doc, joinCurves('c0', 'c2'));
    expect(curve(joined, 'c0').family).toBeNull();
  });
});
