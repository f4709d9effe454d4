import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Edit, change } from '../base';
import type { Rect } from '../plane';
import {
  type AlignRoom,
  type CurvePart,
  type Doc,
  type PicturePart,
  type WordsPart,
  adaptDoc,
  alignParts,
  applyScheme,
  coverSlivers,
  docOf,
  duplicateParts,
  nameGroup,
  pasteParts,
  equalMargins,
  groupParts,
  inOrder,
  marginsOf,
  moveParts,
  newCurve,
  newGround,
  newPicture,
  newShape,
  newWords,
  nodesFrom,
  pasteLook,
  placeBehind,
  recolourRole,
  roleColours,
  setPart,
  snap,
  spaceParts,
  withGroup,
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
    ...more,
  }),
  id,
});
const doc: Doc = docOf(W, H, [
  { ...newGround('#102030'), id: 'ground' },
  { ...newPicture({ kind: 'asset', asset: 'abcdef' }), id: 'picture' },
  words('high', 0.1),
  words('hung', 0.3, { follows: { part: 'high', gap: 0.02 } }),
  words('low', 0.8),
  {
    ...newShape({ kind: 'ellipse' }, { area: { x: 0.4, y: 0.5, width: 0.2, height: 0.125 }, colour: '#aa3300' }),
    id: 'seal',
  },
  { ...newCurve([node(0.2, 0.4), node(0.5, 0.5), node(0.8, 0.4)], '#ffffff'), id: 'curve' },
]);
const frames = new Map<string, Rect>([
  ['high', { x: 150, y: 160, width: 700, height: 120 }],
  ['hung', { x: 300, y: 312, width: 400, height: 60 }],
  ['low', { x: 250, y: 1300, width: 500, height: 80 }],
  ['seal', { x: 400, y: 800, width: 200, height: 200 }],
  ['curve', { x: 200, y: 640, width: 600, height: 160 }],
]);
const apply = (edit: Edit<Doc>, state = doc): Doc => {
  const done = change(state, edit);
  if (!done.ok) throw new Error(done.fault.code);
  return done.value.next;
};
const refused = (edit: Edit<Doc>): string | null => {
  const done = change(doc, edit);
  return done.ok ? null : done.fault.code;
};
const area = (state: Doc, id: string) => (state.parts[id] as WordsPart).area;

describe('moving parts', () => {
  it('moves them together, and moving back is where they were', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        (dx, dy) => {
          const ids = ['high', 'seal', 'curve'];
          const back = apply(moveParts(ids, frames, -dx, -dy), apply(moveParts(ids, frames, dx, dy)));
          expect(area(back, 'high').x).toBeCloseTo(0.1, 9);
          expect(area(back, 'seal').y).toBeCloseTo(0.5, 9);
          (back.parts.curve as CurvePart).nodes.forEach((n, i) =>
            expect(n.outX).toBeCloseTo((doc.parts.curve as CurvePart).nodes[i].outX, 9),
          );
        },
      ),
    );
  });

  it('sets words that hang under others free where they are seen', () => {
    const next = apply(moveParts(['hung'], frames, 0, 0.1));
    const hung = next.parts.hung as WordsPart;
    expect(hung.follows).toBeNull();
    expect(hung.area.y).toBeCloseTo(312 / H + 0.1, 9);
  });

  it('leaves locked parts, grounds and overlays where they are', () => {
    const locked = apply(setPart('seal', { locked: true }));
    expect(apply(moveParts(['seal', 'ground'], frames, 0.1, 0.1), locked)).toEqual(locked);
    expect(refused(moveParts(['gone'], frames, 0, 0))).toBe('part-gone');
  });
});

describe('lining up and spacing', () => {
  it('one part lines up with the safe area of the cover', () => {
    const right = apply(alignParts(['seal'], frames, 'right', 'each-other'));
    expect(area(right, 'seal').x * W + 200).toBeCloseTo(W - 40, 6);
    const middle = apply(alignParts(['seal'], frames, 'middle', 'safe'));
    expect(area(middle, 'seal').y * H + 100).toBeCloseTo(H / 2, 6);
  });

  it('several line up with each other', () => {
    const left = apply(alignParts(['high', 'low', 'seal'], frames, 'left', 'each-other'));
    expect(area(left, 'seal').x * W).toBeCloseTo(150, 6);
    // Words keep their letters at the line although their area is wider than they are.
    expect((area(left, 'low').x - 0.1) * W).toBeCloseTo(150 - 250, 6);
  });

  it('several line up with the first, with the safe area or with the cover', () => {
    const lined = (within: AlignRoom): number =>
      area(apply(alignParts(['seal', 'high', 'low'], frames, 'left', within)), 'high').x * W - 100 + 150;
    expect(lined('first')).toBeCloseTo(400, 6);
    expect(lined('safe')).toBeCloseTo(40, 6);
    expect(lined('cover')).toBeCloseTo(0, 6);
    expect(lined('each-other')).toBeCloseTo(150, 6);
    const spread = apply(spaceParts(['high', 'seal', 'low'], frames, true, 'cover'));
    expect(area(spread, 'high').y * H - 160 + 160).toBeCloseTo(0, 6);
    expect((area(spread, 'low').y - 0.8) * H + 1300 + 80).toBeCloseTo(H, 6);
  });

  it('makes gaps equal and keeps the outer two', () => {
    const next = apply(spaceParts(['high', 'seal', 'low'], frames, true));
    expect(area(next, 'high').y).toBe(0.1);
    expect(area(next, 'low').y).toBe(0.8);
    const seal = area(next, 'seal').y * H;
    expect(seal - 280).toBeCloseTo(1300 - (seal + 200), 6);
    expect(apply(spaceParts(['high', 'low'], frames, true))).toEqual(doc);
  });

  it('gives the top and the foot the same margin, taking the nearer one as its measure', () => {
    const next = apply(equalMargins(frames));
    // 160 px above, 220 px below: the foot moves down by 60.
    expect(area(next, 'low').y * H).toBeCloseTo(0.8 * H + 60, 6);
    expect(area(next, 'high').y).toBe(0.1);
  });
});

describe('margins at the top and the foot', () => {
  it('say what would move, and why nothing does', () => {
    expect(marginsOf(doc, frames)).toEqual({ kind: 'move', id: 'low', byPx: 60, marginPx: 160 });
    const even = new Map(frames).set('low', { x: 250, y: 1360, width: 500, height: 80 });
    expect(marginsOf(doc, even)).toEqual({ kind: 'equal', marginPx: 160 });
    expect(apply(equalMargins(even))).toEqual(doc);
    const locked = apply(setPart('low', { locked: true }));
    expect(marginsOf(apply(setPart('hung', { hidden: true }), locked), frames)).toEqual({ kind: 'few' });
  });
});

describe('colours by what they are for', () => {
  const dark = { name: 'd', ground: '#101820', words: '#fdf6e3', second: '#d8cfb8', accent: '#e0a030' };
  const light = { name: 'l', ground: '#f4f1ea', words: '#20242a', second: '#454b54', accent: '#9a3020' };

  it('a scheme gives the same cover whatever scheme was put on before', () => {
    const direct = apply(applyScheme(light, frames));
    expect(apply(applyScheme(light, frames), apply(applyScheme(dark, frames)))).toEqual(direct);
    expect(roleColours(direct)).toEqual({ ground: '#f4f1ea', words: null, second: '#454b54', accent: '#9a3020' });
  });

  it('each is changed by itself, everywhere it is used', () => {
    const next = apply(recolourRole('second', '#123456'));
    for (const id of ['high', 'hung', 'low']) expect(next.parts[id]).toMatchObject({ colour: '#123456' });
    expect(next.parts.seal).toEqual(doc.parts.seal);
    const accent = apply(recolourRole('accent', '#654321'));
    expect(accent.parts.seal).toMatchObject({ colour: '#654321' });
    expect(accent.parts.curve).toMatchObject({ colour: '#654321' });
    expect(accent.parts.high).toEqual(doc.parts.high);
    const ground = apply(recolourRole('ground', '#abcdef'));
    expect(roleColours(ground).ground).toBe('#abcdef');
    expect(apply(recolourRole('words', '#abcdef'))).toEqual(doc);
  });
});

describe('copies, groups and looks', () => {
  it('a copy stands right in front of its original, aside, and copies that hang together still do', () => {
    const next = apply(duplicateParts(['high', 'hung'], ['high-2', 'hung-2']));
    const order = inOrder(next).map((p) => p.id);
    expect(order.indexOf('high-2')).toBe(order.indexOf('high') + 1);
    expect((next.parts['hung-2'] as WordsPart).follows?.part).toBe('high-2');
    expect(area(next, 'high-2').x).toBeCloseTo(0.12, 9);
    expect(refused(duplicateParts(['ground'], ['x']))).toBe('ground-stays');
  });

  it('a group is found from any of its parts', () => {
    const next = apply(groupParts(['high', 'seal'], 'g'));
    expect(withGroup(next, 'seal')).toEqual(['high', 'seal']);
    expect(withGroup(next, 'low')).toEqual(['low']);
    expect(withGroup(apply(groupParts(['high', 'seal'], null), next), 'seal')).toEqual(['seal']);
  });

  it('a group that is copied whole is another group of the same name; a part copied out of one stays in it', () => {
    const named = apply(nameGroup('g', '  Seals  '), apply(groupParts(['high', 'seal'], 'g')));
    expect(named.groups).toEqual({ g: 'Seals' });
    const twice = apply(duplicateParts(['high', 'seal'], ['high-2', 'seal-2']), named);
    expect(withGroup(twice, 'seal-2').sort()).toEqual(['high-2', 'seal-2']);
    expect(withGroup(twice, 'seal').sort()).toEqual(['high', 'seal']);
    expect(twice.groups).toEqual({ g: 'Seals', 'high-2': 'Seals' });
    // Neither lies between the parts of the other.
    const grouped = inOrder(twice).filter((p) => p.group !== null);
    expect(grouped.map((p) => p.group)).toEqual(['g', 'g', 'high-2', 'high-2']);
    expect(grouped.map((p) => p.kind).slice(0, 2)).toEqual(grouped.map((p) => p.kind).slice(2));
    const one = apply(duplicateParts(['seal'], ['seal-3']), named);
    expect(withGroup(one, 'seal').sort()).toEqual(['high', 'seal', 'seal-3']);
  });

  it('parts that are pasted are bound to each other, never to those they were copied from', () => {
    const named = apply(nameGroup('g', 'Seals'), apply(groupParts(['high', 'seal'], 'g')));
    const pair = ['high', 'seal', 'hung'].map((id) => named.parts[id]);
    const pasted = apply(pasteParts(pair, ['a', 'b', 'c'], named.groups), named);
    expect(withGroup(pasted, 'a').sort()).toEqual(['a', 'b']);
    expect((pasted.parts.c as WordsPart).follows?.part).toBe('a');
    expect(pasted.groups).toEqual({ g: 'Seals', a: 'Seals' });
    const back = apply(pasteParts([...pair].reverse(), ['c', 'b', 'a'], named.groups), named);
    expect(inOrder(back).map(({ id }) => id)).toEqual(inOrder(pasted).map(({ id }) => id));
    const alone = apply(pasteParts([named.parts.seal], ['d'], named.groups), named);
    expect(alone.parts.d.group).toBeNull();
    expect(withGroup(alone, 'seal').sort()).toEqual(['high', 'seal']);
  });

  it('a name goes with an empty one, and with its group; a group that is not there has none', () => {
    const named = apply(nameGroup('g', 'Seals'), apply(groupParts(['high', 'seal'], 'g')));
    expect(apply(nameGroup('g', ' '), named).groups).toEqual({});
    const free = apply(groupParts(['high', 'seal'], null), named);
    const other = apply(nameGroup('h', 'Lines'), apply(groupParts(['high', 'low'], 'h'), free));
    expect(other.groups).toEqual({ h: 'Lines' });
    expect(refused(nameGroup('nobody', 'x'))).toBe('part-gone');
  });

  it('gives the look and leaves what is said and where it sits', () => {
    const loud = apply(
      setPart('high', {
        colour: '#ffcc00',
        tracking: 0.2,
        upper: true,
        glow: { blur: 0.02, colour: '#000000', opacity: 1 },
      }),
    );
    const next = apply(pasteLook(loud.parts.high, ['low', 'seal']), loud);
    expect(next.parts.low).toMatchObject({ colour: '#ffcc00', tracking: 0.2, upper: true, says: { text: 'low' } });
    expect(area(next, 'low')).toEqual(area(doc, 'low'));
    // Another kind takes what both have.
    expect(next.parts.seal).toMatchObject({ colour: '#ffcc00', form: { kind: 'ellipse' } });
  });

  it('puts a part behind another, in front of all, and never behind the ground', () => {
    const order = (state: Doc): string[] => inOrder(state).map((p) => p.id);
    expect(order(apply(placeBehind(['curve'], 'high')))).toEqual([
      'ground',
      'picture',
      'curve',
      'high',
      'hung',
      'low',
      'seal',
    ]);
    expect(order(apply(placeBehind(['picture'], null))).at(-1)).toBe('picture');
    expect(order(apply(placeBehind(['picture'], 'ground')))).toEqual(order(doc));
  });

  it('draws a picture out over the slivers at its edges, and only there', () => {
    const short = apply(setPart('picture', { area: { x: 0.01, y: 0.2, width: 0.985, height: 0.795 } }));
    const next = apply(coverSlivers('picture', ['left', 'right', 'bottom']), short);
    const { x, y, width, height } = (next.parts.picture as PicturePart).area;
    expect([x, y]).toEqual([0, 0.2]);
    expect(x + width).toBeCloseTo(1, 9);
    expect(y + height).toBeCloseTo(1, 9);
  });
});

describe('snapping', () => {
  const page = { widthPx: W, heightPx: H };
  const box = (x: number, y: number): Rect => ({ x, y, width: 200, height: 100 });
  const kinds = (r: Rect, others: readonly Rect[] = []): string[] =>
    snap(r, others, page, 0.04, 8).guides.map((g) => `${g.axis} ${g.kind}`);

  it('pulls to edges, centres, safe area and thirds, and says to which', () => {
    expect(kinds(box(3, 500))).toContain('x edge');
    expect(kinds(box(397, 500))).toContain('x centre');
    expect(kinds(box(43, 500))).toContain('x safe');
    expect(kinds(box(W / 3 - 100 + 4, 500))).toContain('x third');
    expect(snap(box(397, 500), [], page, 0.04, 8).dx).toBe(3);
  });

  it('pulls to other parts and to equal gaps between them', () => {
    const others = [
      { x: 100, y: 900, width: 150, height: 40 },
      { x: 700, y: 300, width: 120, height: 40 },
    ];
    expect(kinds(box(104, 500), others)).toContain('x part');
    // Between the end of the first (250) and the start of the second (700) the gap is equal at 375.
    const free = snap({ x: 379, y: 500, width: 200, height: 100 }, others, page, 0.04, 8);
    expect(free.guides.some((g) => g.axis === 'x' && g.kind === 'gap') && free.dx === -4).toBe(true);
  });

  it('never pulls further than its reach, and what has been pulled stays', () => {
    const rects = fc.record({ x: fc.integer({ min: 0, max: 800 }), y: fc.integer({ min: 0, max: 1500 }) });
    fc.assert(
      fc.property(rects, fc.array(rects, { maxLength: 5 }), (at, others) => {
        const all = others.map((o) => ({ ...o, width: 90, height: 60 }));
        const moving = box(at.x, at.y);
        const first = snap(moving, all, page, 0.04, 8);
        const { dx, dy } = first;
        expect(Math.abs(dx)).toBeLessThanOrEqual(8);
        expect(Math.abs(dy)).toBeLessThanOrEqual(8);
        const again = snap({ ...moving, x: moving.x + dx, y: moving.y + dy }, all, page, 0.04, 8);
        // A line reached is a line kept; an even gap may have other neighbours from there.
        for (const [axis, by] of [
          ['x', again.dx],
          ['y', again.dy],
        ] as const) {
          const pulled = first.guides.find((g) => g.axis === axis);
          if (pulled && pulled.kind !== 'gap') expect(by).toBeCloseTo(0, 6);
          if (pulled) expect(again.guides.some((g) => g.axis === axis)).toBe(true);
        }
      }),
    );
  });
});

describe('another size', () => {
  const squares = [
    { widthPx: 2400, heightPx: 2400 },
    { widthPx: 1400, heightPx: 2100 },
    { widthPx: 3000, heightPx: 1600 },
  ];

  it('of the same ratio changes nothing but the pixels', () => {
    const next = adaptDoc(doc, { widthPx: 2000, heightPx: 3200 });
    expect(next).toEqual({ ...doc, widthPx: 2000, heightPx: 3200 });
  });

  it('keeps what is round round, and on the cover', () => {
    for (const size of squares) {
      const { x, y, width, height } = area(adaptDoc(doc, size), 'seal');
      expect((width * size.widthPx) / (height * size.heightPx)).toBeCloseTo(1, 6);
      expect(x).toBeGreaterThanOrEqual(0);
      expect(x + width).toBeLessThanOrEqual(1 + 1e-9);
      expect(y + height).toBeLessThanOrEqual(1 + 1e-9);
    }
  });

  it('crops a picture that fills the cover anew, and keeps every part and its words', () => {
    for (const size of squares) {
      const next = adaptDoc(doc, size);
      expect((next.parts.picture as PicturePart).area).toEqual({ x: 0, y: 0, width: 1, height: 1 });
      expect(Object.keys(next.parts)).toEqual(Object.keys(doc.parts));
      expect((next.parts.high as WordsPart).says).toEqual((doc.parts.high as WordsPart).says);
    }
  });

  it('leaves at an edge what touches it, and over an edge what runs over it', () => {
    const span = fc.double({ min: 0.1, max: 0.5, noNaN: true });
    fc.assert(
      fc.property(
        span,
        span,
        fc.constantFrom(0, -0.04),
        fc.boolean(),
        fc.boolean(),
        fc.constantFrom(...squares),
        (w, h, over, right, low, size) => {
          const place = { x: right ? 1 - w - over : over, y: low ? 1 - h - over : over, width: w, height: h };
          const seal = {
            ...newShape({ kind: 'burst', points: 12, depth: 0.2 }, { area: place, colour: '#aa3300' }),
            id: 'seal',
          };
          const base = docOf(W, H, [{ ...newGround('#102030'), id: 'ground' }, seal]);
          const next = area(adaptDoc(base, size), 'seal');
          const gap = (start: number, length: number, far: boolean): number => (far ? 1 - start - length : start);
          for (const [start, length, far, k] of [
            [next.x, next.width, right, next.width / w],
            [next.y, next.height, low, next.height / h],
          ] as const) {
            // By the same share of itself as before.
            expect(gap(start, length, far)).toBeCloseTo(over * k, 9);
          }
          // It keeps its shape.
          const shape = (a: { width: number; height: number }, d: { widthPx: number; heightPx: number }): number =>
            (a.width * d.widthPx) / (a.height * d.heightPx);
          expect(shape(next, size)).toBeCloseTo(shape(place, base), 6);
        },
      ),
    );
  });

  it('lets a turned ribbon that runs off both sides run off both sides again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1.4, max: 1.4, noNaN: true }),
        fc.constantFrom(...squares, { widthPx: 1000, heightPx: 2600 }),
        (turnRad, size) => {
          // Just long enough on this cover.
          const long =
            1.03 * Math.min(W / Math.abs(Math.cos(turnRad)), H / Math.max(1e-6, Math.abs(Math.sin(turnRad))));
          const width = long / W;
          const place = { x: 0.5 - width / 2, y: 0.46, width, height: 0.08 };
          const ribbon = {
            ...newShape({ kind: 'ribbon', fold: 0, notch: 0 }, { area: place, colour: '#aa3300', turnRad }),
            id: 'ribbon',
          };
          const base = docOf(W, H, [{ ...newGround('#102030'), id: 'ground' }, ribbon]);
          const ends = (d: Doc): boolean[] => {
            const a = area(d, 'ribbon');
            const [cx, cy] = [(a.x + a.width / 2) * d.widthPx, (a.y + a.height / 2) * d.heightPx];
            return [-1, 1].map((side) => {
              const [x, y] = [
                cx + (side * Math.cos(turnRad) * a.width * d.widthPx) / 2,
                cy + (side * Math.sin(turnRad) * a.width * d.widthPx) / 2,
              ];
              return x <= 0 || y <= 0 || x >= d.widthPx || y >= d.heightPx;
            });
          };
          expect(ends(base)).toEqual([true, true]);
          expect(ends(adaptDoc(base, size))).toEqual([true, true]);
        },
      ),
    );
  });

  it('keeps the angles of a drawn curve', () => {
    const size = squares[0];
    const slope = (d: Doc): number => {
      const [a, b] = (d.parts.curve as CurvePart).nodes;
      return ((b.y - a.y) * d.heightPx) / ((b.x - a.x) * d.widthPx);
    };
    expect(slope(adaptDoc(doc, size))).toBeCloseTo(slope(doc), 6);
  });
});

describe('nodes of a stroke', () => {
  it('are fractions of the cover, joined by their handles', () => {
    const stroke = Array.from({ length: 80 }, (_, i) => ({ x: 100 + i * 10, y: 400 + Math.sin(i / 9) * 90 }));
    const nodes = nodesFrom(stroke, doc, 5)!;
    expect(nodes.length).toBeGreaterThan(1);
    expect(nodes.length).toBeLessThan(12);
    expect(nodes[0]).toMatchObject({ x: 0.1, y: 400 / H });
    expect(nodes.at(-1)!.x).toBeCloseTo(0.89, 6);
    expect(nodesFrom([{ x: 5, y: 5 }], doc, 5)).toBeNull();
  });
});
