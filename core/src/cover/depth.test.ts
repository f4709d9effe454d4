import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Edit, change } from '../base';
import { type Rect, contains } from '../plane';
import {
  DEPTHS,
  type Doc,
  type Part,
  type PartSeed,
  depthPlace,
  docOf,
  dropBehind,
  groupParts,
  inOrder,
  moveInDepth,
  newGround,
  newShape,
  newWords,
  placeBehind,
} from './index';

const W = 100;
const H = 160;
const apply = (doc: Doc, edit: Edit<Doc>): Doc => {
  const done = change(doc, edit);
  if (!done.ok) throw new Error(done.fault.code);
  return done.value.next;
};
const order = (doc: Doc): string =>
  inOrder(doc)
    .map((part) => part.id)
    .join(' ');

type Box = { readonly x: number; readonly y: number; readonly w: number; readonly h: number; readonly words: boolean };

/** Opaque boxes, places in px; some are words. */
function pile(
  boxes: readonly Box[],
  more: (i: number) => Partial<Part> = () => ({}),
): { doc: Doc; frames: Map<string, Rect> } {
  const frames = new Map<string, Rect>();
  const parts = boxes.map(({ x, y, w, h, words }, i): PartSeed => {
    const area = { x: x / W, y: y / H, width: w / W, height: h / H };
    const id = `p${i}`;
    frames.set(id, { x, y, width: w, height: h });
    const part = words
      ? newWords({ role: 'free', says: { kind: 'own', text: id }, area, cut: 'jost/600', colour: '#ffffff' })
      : newShape({ kind: 'rectangle', radius: 0 }, { area, colour: '#aa3300' });
    return { ...part, ...more(i), id } as PartSeed;
  });
  return { doc: docOf(W, H, [{ ...newGround('#102030'), id: 'ground' }, ...parts]), frames };
}

const box: fc.Arbitrary<Box> = fc.record({
  x: fc.integer({ min: 0, max: 80 }),
  y: fc.integer({ min: 0, max: 140 }),
  w: fc.integer({ min: 3, max: 60 }),
  h: fc.integer({ min: 3, max: 60 }),
  words: fc.boolean(),
});
const boxes = fc.array(box, { minLength: 1, maxLength: 7 });
const some = (doc: Doc, pick: readonly number[]): string[] => {
  const ids = inOrder(doc)
    .filter((part) => part.kind !== 'ground')
    .map((part) => part.id);
  return [...new Set(pick.map((n) => ids[n % ids.length]))];
};
const picks = fc.array(fc.nat(20), { minLength: 1, maxLength: 3 });

/** Which part is seen at each point of a grid. */
function seenBy(doc: Doc, frames: ReadonlyMap<string, Rect>): string[] {
  const parts = inOrder(doc).reverse();
  const points: string[] = [];
  for (let y = 0.5; y < H; y += 2)
    for (let x = 0.5; x < W; x += 2)
      points.push(
        parts.find((part) => contains(frames.get(part.id) ?? { x: 0, y: 0, width: W, height: H }, { x, y }))!.id,
      );
  return points;
}

describe('depth', () => {
  it('goes anywhere and back again to the very order', () => {
    fc.assert(
      fc.property(boxes, picks, fc.option(fc.nat(20)), (all, pick, to) => {
        const { doc } = pile(all);
        const [id] = some(doc, pick);
        const sorted = inOrder(doc);
        const next = sorted[sorted.findIndex((part) => part.id === id) + 1]?.id ?? null;
        const moved = apply(doc, placeBehind([id], to === null ? null : sorted[to % sorted.length].id));
        expect(inOrder(moved)[0].kind).toBe('ground');
        expect(order(apply(moved, placeBehind([id], next)))).toBe(order(doc));
      }),
    );
  });

  it('keeps among themselves the order of parts that move together', () => {
    fc.assert(
      fc.property(boxes, picks, fc.nat(20), (all, pick, to) => {
        const { doc } = pile(all);
        const ids = some(doc, pick);
        const sorted = inOrder(doc).map((part) => part.id);
        const moved = inOrder(apply(doc, placeBehind(ids, sorted[to % sorted.length]))).map((part) => part.id);
        const among = (list: readonly string[]): string[] => list.filter((id) => ids.includes(id));
        expect(among(moved)).toEqual(among(sorted));
        const rest = (list: readonly string[]): string[] => list.filter((id) => !ids.includes(id));
        expect(rest(moved)).toEqual(rest(sorted));
        const places = ids.map((id) => moved.indexOf(id));
        expect(Math.max(...places) - Math.min(...places)).toBe(ids.length - 1);
      }),
    );
  });

  it('says that nothing changes only where nothing would be seen, and one step is always seen where edges truly meet', () => {
    fc.assert(
      fc.property(boxes, fc.nat(20), fc.constantFrom(...DEPTHS), (all, n, to) => {
        const { doc, frames } = pile(all);
        const ids = some(doc, [n]);
        const before = seenBy(doc, frames);
        if (depthPlace(doc, ids, frames, to) === 'nothing') {
          expect(order(apply(doc, moveInDepth(ids, frames, to)))).toBe(order(doc));
          if (to === 'behind-words') return;
          const forced = to === 'forward' || to === 'front' ? null : 'ground';
          expect(seenBy(apply(doc, placeBehind(ids, forced)), frames)).toEqual(before);
          return;
        }
        expect(order(apply(doc, moveInDepth(ids, frames, to)))).not.toBe(order(doc));
      }),
    );
  });

  it('passes in one step what it overlaps, not what lies elsewhere', () => {
    const at = (x: number, y: number, words = false): Box => ({ x, y, w: 20, h: 20, words });
    // p0 meets p3 only; eight presses that did nothing are one that does.
    const { doc, frames } = pile([at(0, 0), at(60, 60), at(60, 100), at(10, 10), at(60, 0)]);
    expect(order(apply(doc, moveInDepth(['p0'], frames, 'forward')))).toBe('ground p1 p2 p3 p0 p4');
    expect(order(apply(doc, moveInDepth(['p3'], frames, 'back')))).toBe('ground p3 p0 p1 p2 p4');
    expect(depthPlace(doc, ['p1'], frames, 'forward')).toBe('nothing');
    expect(depthPlace(doc, ['p0'], frames, 'back')).toBe('nothing');
    expect(depthPlace(doc, ['ground'], frames, 'front')).toBe('nothing');
    expect(depthPlace(doc, ['p0'], new Map(), 'front')).toBe('nothing');
  });

  it('goes behind the words that it covers, wherever these lie in the pile', () => {
    const at = (words: boolean): Box => ({ x: 10, y: 10, w: 20, h: 20, words });
    const { doc, frames } = pile([at(false), at(true), at(false), at(true), at(false)]);
    expect(order(apply(doc, moveInDepth(['p4'], frames, 'behind-words')))).toBe('ground p0 p4 p1 p2 p3');
    expect(depthPlace(doc, ['p0'], frames, 'behind-words')).toBe('nothing');
    // What is hidden covers nothing.
    const hidden = pile([at(true), at(false)], (i) => ({ hidden: i === 0 }));
    expect(depthPlace(hidden.doc, ['p1'], hidden.frames, 'behind-words')).toBe('nothing');
  });

  it('takes along what is shown only where a part is, and never comes between the two', () => {
    const at = (): Box => ({ x: 10, y: 10, w: 20, h: 20, words: false });
    const { doc, frames } = pile([at(), at(), at(), at()], (i) => ({ maskBelow: i === 1 || i === 2 }));
    expect(order(apply(doc, moveInDepth(['p0'], frames, 'front')))).toBe('ground p3 p0 p1 p2');
    expect(order(apply(doc, moveInDepth(['p3'], frames, 'back')))).toBe('ground p3 p0 p1 p2');
    const low = pile([at(), at(), at()], (i) => ({ maskBelow: i === 2 }));
    expect(order(apply(low.doc, moveInDepth(['p0'], low.frames, 'forward')))).toBe('ground p1 p2 p0');
  });

  it('tells parts of one order key apart when one is placed between them', () => {
    const { doc } = pile([box, box, box].map(() => ({ x: 0, y: 0, w: 9, h: 9, words: false })));
    const same = {
      ...doc,
      parts: Object.fromEntries(
        Object.entries(doc.parts).map(([id, p]) => [id, { ...p, order: p.kind === 'ground' ? '1' : 'm' }]),
      ),
    };
    expect(order(apply(same, placeBehind(['p2'], 'p1')))).toBe('ground p0 p2 p1');
  });
});

describe('groups', () => {
  const at = (): Box => ({ x: 10, y: 10, w: 20, h: 20, words: false });
  const grouped = (groups: readonly (string | null)[]): Doc => pile(groups.map(at), (i) => ({ group: groups[i] })).doc;
  const groupsOf = (doc: Doc): (string | null)[] =>
    inOrder(doc)
      .slice(1)
      .map((part) => part.group);

  it('come together at the foremost of their parts, and no other moves', () => {
    const { doc } = pile([at(), at(), at(), at()]);
    const next = apply(doc, groupParts(['p0', 'p2'], 'g'));
    expect(order(next)).toBe('ground p1 p0 p2 p3');
    expect(groupsOf(next)).toEqual([null, 'g', 'g', null]);
    expect(order(apply(next, groupParts(['p0', 'p2'], null)))).toBe('ground p1 p0 p2 p3');
  });

  it('are joined and left by dropping, and a whole one never lands in another', () => {
    const doc = grouped([null, 'g', 'g', 'h', 'h']);
    const joined = apply(doc, dropBehind(['p0'], 'p2', 'g'));
    expect(groupsOf(joined)).toEqual(['g', 'g', 'g', 'h', 'h']);
    expect(groupsOf(apply(joined, dropBehind(['p0'], 'p1', null)))).toEqual([null, 'g', 'g', 'h', 'h']);
    const whole = apply(doc, dropBehind(['p1', 'p2'], 'p4', 'own'));
    expect(order(whole)).toBe('ground p0 p1 p2 p3 p4');
    expect(groupsOf(whole)).toEqual([null, 'g', 'g', 'h', 'h']);
    expect(change(doc, dropBehind(['p1'], 'gone', null)).ok).toBe(false);
  });
});
