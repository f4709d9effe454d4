import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Edit, change, replay } from '../base';
import {
  Doc,
  type Part,
  addPart,
  coloursOf,
  commonDefaults,
  docOf,
  inOrder,
  placeBehind,
  newGround,
  newPicture,
  newShape,
  newWords,
  evenStops,
  recolour,
  removePart,
  setPart,
} from './index';

const doc: Doc = docOf(1600, 2560, [
  { ...newGround('#102030'), id: 'ground' },
  { ...newPicture({ kind: 'asset', asset: 'abcdef' }), id: 'picture' },
  {
    ...newWords({
      role: 'title',
      says: { kind: 'brief', field: 'title' },
      area: { x: 0.1, y: 0.1, width: 0.8, height: 0.3 },
      cut: 'jost/600',
      colour: '#ffffff',
      minor: { cut: 'jost/400', scale: 0.6, colour: '#102030' },
    }),
    id: 'title',
  },
  {
    ...newShape(
      { kind: 'rectangle', radius: 0 },
      { role: 'band', area: { x: 0, y: 0.5, width: 1, height: 0.1 }, colour: '#aa3300' },
    ),
    id: 'band',
  },
  {
    ...commonDefaults,
    kind: 'scrim',
    from: 'top',
    hold: 0.2,
    reach: 0.4,
    colour: '#102030',
    opacity: 0.5,
    id: 'scrim',
  },
]);

const apply = (state: Doc, edit: Edit<Doc>): Doc => {
  const done = change(state, edit);
  if (!done.ok) throw new Error(done.fault.code);
  return done.value.next;
};
const refused = (edit: Edit<Doc>, state = doc): string | null => {
  const done = change(state, edit);
  return done.ok ? null : done.fault.code;
};
const names = (state: Doc): string[] => inOrder(state).map((part) => part.id);

describe('a document', () => {
  it('is valid, and sorted as it was given', () => {
    expect(Doc.parse(doc)).toEqual(doc);
    expect(names(doc)).toEqual(['ground', 'picture', 'title', 'band', 'scrim']);
  });

  it('refuses values that no cover can have', () => {
    expect(Doc.safeParse({ ...doc, widthPx: 0 }).success).toBe(false);
    expect(Doc.safeParse({ ...doc, heightPx: 20_000 }).success).toBe(false);
    const part = { ...doc.parts.title, colour: 'red' };
    expect(Doc.safeParse({ ...doc, parts: { title: part } }).success).toBe(false);
    expect(Doc.safeParse({ ...doc, parts: { x: { ...part, kind: 'hologram' } } }).success).toBe(false);
  });
});

describe('ops', () => {
  const ids = fc.constantFrom('ground', 'picture', 'title', 'band', 'scrim', 'gone');
  const edit: fc.Arbitrary<Edit<Doc>> = fc.oneof(
    fc
      .record({ id: ids, opacity: fc.double({ min: 0, max: 1, noNaN: true }) })
      .map(({ id, opacity }) => setPart(id, { opacity })),
    ids.map((id) => setPart(id, { locked: true })),
    ids.map((id) => removePart(id)),
    fc.tuple(ids, fc.option(ids)).map(([id, before]) => placeBehind([id], before)),
    fc
      .tuple(fc.constantFrom('#102030', '#ffffff'), fc.constantFrom('#445566', '#102030'))
      .map(([a, b]) => recolour(a, b)),
    fc.tuple(fc.string({ minLength: 1, maxLength: 8 }), fc.option(ids)).map(([id, after]) =>
      addPart(
        `new-${id}`,
        {
          ...newShape(
            { kind: 'rectangle', radius: 0 },
            { role: 'rule', area: { x: 0, y: 0, width: 1, height: 0.1 }, colour: '#000000' },
          ),
        },
        after === 'gone' ? null : after,
      ),
    ),
  );

  it('are taken back exactly, in any order, and always leave a valid document', () => {
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 20 }), (edits) => {
        let now = doc;
        const backs: ((state: Doc) => Doc)[] = [];
        for (const one of edits) {
          const done = change(now, one);
          if (!done.ok) continue;
          const { back } = done.value;
          backs.push((state) => replay(state, back));
          now = done.value.next;
          expect(Doc.safeParse(now).success).toBe(true);
        }
        for (const back of backs.reverse()) now = back(now);
        expect(now).toEqual(doc);
      }),
    );
  });

  it('write only what differs', () => {
    const done = change(doc, setPart('title', { colour: '#ffffff', tracking: 0.1 }));
    expect(done.ok && done.value.forward).toHaveLength(1);
  });

  it('keep a part\u2019s kind, id and order', () => {
    const next = apply(doc, setPart('title', { kind: 'ground', id: 'x', order: 'zzz', leading: 1.5 }));
    expect(next.parts.title).toMatchObject({ kind: 'words', id: 'title', order: doc.parts.title.order, leading: 1.5 });
  });

  it('refuse with a code', () => {
    const locked = apply(doc, setPart('band', { locked: true }));
    expect(refused(setPart('gone', {}))).toBe('part-gone');
    expect(refused(setPart('title', { tracking: 40 }))).toBe('part-value');
    expect(refused(setPart('band', { opacity: 0.5 }), locked)).toBe('part-locked');
    expect(refused(setPart('band', { locked: false, opacity: 0.5 }), locked)).toBeNull();
    expect(refused(setPart('band', { hidden: true }), locked)).toBeNull();
    expect(refused(removePart('band'), locked)).toBe('part-locked');
    expect(refused(removePart('ground'))).toBe('ground-stays');
    expect(refused(addPart('title', { ...newGround('#000000') }))).toBe('part-exists');
    expect(refused(placeBehind(['gone'], null))).toBe('part-gone');
    expect(refused(placeBehind(['title'], 'gone'))).toBe('part-gone');
  });

  it('add in front of a part or in front of all', () => {
    const rule = {
      ...newShape(
        { kind: 'rectangle', radius: 0 },
        { role: 'rule', area: { x: 0, y: 0, width: 1, height: 0.1 }, colour: '#000000' },
      ),
    };
    expect(names(apply(doc, addPart('r', rule, 'picture')))).toEqual([
      'ground',
      'picture',
      'r',
      'title',
      'band',
      'scrim',
    ]);
    expect(names(apply(doc, addPart('r', rule)))).toEqual([...names(doc), 'r']);
  });

  it('change a colour everywhere it is used, in one step', () => {
    expect(coloursOf(doc).sort()).toEqual(['#102030', '#aa3300', '#ffffff']);
    const next = apply(doc, recolour('#102030', '#334455'));
    expect(coloursOf(next).sort()).toEqual(['#334455', '#aa3300', '#ffffff']);
    const gradient = apply(
      doc,
      setPart('ground', { paint: { kind: 'linear', angleRad: 1, stops: evenStops(['#102030', '#aa3300']) } }),
    );
    const recoloured = apply(gradient, recolour('#aa3300', '#010203'));
    expect((recoloured.parts.ground as Extract<Part, { kind: 'ground' }>).paint).toMatchObject({
      stops: evenStops(['#102030', '#010203']),
    });
  });
});
