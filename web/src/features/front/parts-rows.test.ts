import { change } from '@yosomi/core/base';
import { type Doc, docOf, dropBehind, inOrder, newGround, newShape } from '@yosomi/core/cover';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dropped, idsOf, rowsOf } from './parts-rows';

/** Parts p0, p1 ... from the back, each in a group or in none. */
const docWith = (groups: readonly (string | null)[]): Doc =>
  docOf(100, 160, [
    { ...newGround('#000000'), id: 'ground' },
    ...groups.map((group, i) => ({
      ...newShape(
        { kind: 'rectangle' as const, radius: 0 },
        { area: { x: 0, y: 0, width: 1, height: 0.1 }, colour: '#ffffff' },
      ),
      id: `p${i}`,
      group,
    })),
  ]);
const none = new Set<string>();
const shown = (doc: Doc, folded: ReadonlySet<string> = none): string[] =>
  rowsOf(doc, [], folded).map((row) => (row.kind === 'group' ? `[${idsOf(row).join(' ')}]` : row.id));
const carry = (doc: Doc, id: string, over: string, folded: ReadonlySet<string> = none): Doc => {
  const drop = dropped(rowsOf(doc, [], folded), id, over);
  if (!drop) return doc;
  const done = change(doc, dropBehind(drop.ids, drop.before, drop.into));
  if (!done.ok) throw new Error(done.fault.code);
  return done.value.next;
};

describe('the list of parts', () => {
  it('stands as the parts lie, groups as rows that fold', () => {
    const doc = docWith([null, 'g', 'g', null]);
    expect(shown(doc)).toEqual(['p3', '[p2 p1]', 'p2', 'p1', 'p0', 'ground']);
    expect(shown(doc, new Set(['g']))).toEqual(['p3', '[p2 p1]', 'p0', 'ground']);
    // A group whose parts lie apart has a row for each run of them; one alone is a part.
    expect(shown(docWith(['g', null, 'g', 'g']))).toEqual(['[p3 p2]', 'p3', 'p2', 'p1', 'p0', 'ground']);
  });

  it('shows a scrim that was added in front of the picture it lies on', () => {
    const doc = docWith([null]);
    const scrim = { from: 'top', parts: ['p0'], hold: 0, reach: 1, colour: '#000000', opacity: 0.3 } as const;
    const rows = rowsOf(doc, [{ ...scrim, parts: ['nobody'] }] as never, none);
    expect(rows.map((row) => row.id)).toEqual(['p0', 'added-top', 'ground']);
    expect(dropped(rows, 'added-top', 'p0')).toBeNull();
  });

  it('lets a row be carried to any other: it stands there afterwards', () => {
    const groups = fc.array(fc.constant(null), { minLength: 2, maxLength: 8 });
    fc.assert(
      fc.property(groups, fc.nat(20), fc.nat(20), (all, a, b) => {
        const doc = docWith(all);
        const rows = shown(doc);
        const [from, to] = [a % all.length, b % all.length];
        const wanted = [...rows];
        wanted.splice(to, 0, ...wanted.splice(from, 1));
        expect(shown(carry(doc, rows[from], rows[to]))).toEqual(wanted);
      }),
    );
  });

  it('loses no part and keeps the ground last, whatever is dropped where', () => {
    const groups = fc.array(fc.constantFrom(null, 'g', 'h'), { minLength: 1, maxLength: 8 });
    const folds = fc.constantFrom(none, new Set(['g']), new Set(['g', 'h']));
    fc.assert(
      fc.property(groups, folds, fc.nat(30), fc.nat(30), (all, folded, a, b) => {
        const doc = docWith(all);
        const rows = rowsOf(doc, [], folded);
        const next = carry(doc, rows[a % rows.length].id, rows[b % rows.length].id, folded);
        expect(inOrder(next)[0].id).toBe('ground');
        expect(
          inOrder(next)
            .map((p) => p.id)
            .sort(),
        ).toEqual(
          inOrder(doc)
            .map((p) => p.id)
            .sort(),
        );
      }),
    );
  });

  it('joins a group by being dropped in it, leaves it outside, and carries a group as one', () => {
    const doc = docWith([null, 'g', 'g', null]);
    const row = (now: Doc, ids: string): string =>
      rowsOf(now, [], none).find((r) => r.kind === 'group' && idsOf(r).join(' ') === ids)!.id;
    const joined = carry(doc, 'p0', 'p1');
    expect(shown(joined)).toEqual(['p3', '[p2 p0 p1]', 'p2', 'p0', 'p1', 'ground']);
    expect(shown(carry(joined, 'p0', 'p3'))).toEqual(['p0', 'p3', '[p2 p1]', 'p2', 'p1', 'ground']);
    const behind = carry(doc, row(doc, 'p2 p1'), 'p0');
    expect(shown(behind)).toEqual(['p3', 'p0', '[p2 p1]', 'p2', 'p1', 'ground']);
    const front = carry(doc, row(doc, 'p2 p1'), 'p3');
    expect(shown(front)).toEqual(['[p2 p1]', 'p2', 'p1', 'p3', 'p0', 'ground']);
    // Right under the head of an open group is the front of the group.
    const first = carry(doc, 'p3', row(doc, 'p2 p1'));
    expect(first.parts.p3.group).toBe('g');
    // A folded one is passed whole.
    const folded = new Set(['g']);
    expect(shown(carry(doc, 'p3', row(doc, 'p2 p1'), folded), folded)).toEqual(['[p2 p1]', 'p3', 'p0', 'ground']);
  });
});
