import { newCampaign } from '@yosomi/core/promo';
import 'fake-indexeddb/auto';
import { type Edit, type History, change, emptyHistory, record, redo, undo } from '@yosomi/core/base';
import { newShape, addPart, applyScheme, duplicateParts, groupParts, removePart, setPart } from '@yosomi/core/cover';
import { schemesAround } from '@yosomi/core/colour';
import { newFace, newPinScene } from '@yosomi/core/pin';
import { type Book, Book as BookSchema } from '@yosomi/core/project';
import { newSide, startFromWords } from '@yosomi/core/recipe';
import { emptyBrief, untold } from '@yosomi/core/book';
import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { db } from './db';
import { addTitle, openTitle, saveOpen } from './titles';
import type { KeptHistory } from './histories';

const now = '2026-11-27T10:00:00Z';
const fresh = (id = 'history-book'): Book =>
  startFromWords({
    id,
    identifier: 'urn:x:12345',
    now,
    brief: { ...emptyBrief, title: 'T', author: 'A', subtitle: 'S' },
  });

const area = { x: 0.1, y: 0.2, width: 0.3, height: 0.1 };
const rect = newShape({ kind: 'rectangle', radius: 0 }, { area, colour: '#405060' });
const partIds = (book: Book): string[] => Object.keys(book.cover.parts).filter((id) => id !== 'ground');
const pick = (list: readonly string[], n: number): string => list[n % Math.max(1, list.length)] ?? 'none';
const scheme = schemesAround('#336699')[0];

/** One edit of every kind that a person can make, by a number that chooses where. */
const EDITS: Readonly<Record<string, (book: Book, n: number) => Edit<Book>>> = {
  add: (_, n) => (b) => addPart(`part-${n}`, rect)(b.cover),
  remove: (book, n) => (b) => removePart(pick(partIds(book), n))(b.cover),
  set: (book, n) => (b) => setPart(pick(partIds(book), n), { opacity: (n % 10) / 10 })(b.cover),
  group: (book, n) => (b) => groupParts(partIds(book).slice(0, 2 + (n % 2)), n % 3 === 0 ? null : `g${n}`)(b.cover),
  paste: (book, n) => (b) => duplicateParts([pick(partIds(book), n)], [`copy-${n}`])(b.cover),
  scheme: () => (b) => applyScheme(scheme, new Map())(b.cover),
  sketch: (book, n) => (b) => {
    b.versions.push({ id: `v${n}`, name: 'Before', madeAt: now, cover: b.cover });
    b.cover = structuredClone(fresh().cover);
  },
  version: () => (b) => void b.versions.pop(),
  side: (book, n) => (b) => {
    b.sides.spine = b.sides.spine && n % 2 ? null : newSide(book, 'spine', ['#223344', '#334455']);
  },
  scene: (_, n) => (b) => {
    if (n % 2 === 0) b.scene.things.push(structuredClone(fresh().scene.things[0]));
    else if (b.scene.things.length > 1) b.scene.things.splice(0, 1);
  },
  pin: (_, n) => (b) => {
    if (!b.pin) b.pin = newPinScene({ asset: 'abcdef12', widthPx: 900, heightPx: 700 });
    else if (n % 3 === 0) b.pin = null;
    else if (b.pin.faces.length > 0 && n % 2) b.pin.faces.pop();
    else
      b.pin.faces.push(
        newFace(
          `f${n}`,
          'Front',
          [
            [10, 10],
            [200, 10],
            [200, 300],
            [10, 300],
          ],
          { kind: 'side', side: 'front' },
        ),
      );
  },
  promo: (book, n) => (b) => {
    const id = `campaign-${n % 3}`;
    const made = b.promos[id]?.made.square;
    if (!b.promos[id]) b.promos[id] = newCampaign(id, `Campaign ${n}`, 'offer');
    else if (n % 5 === 0) delete b.promos[id];
    else if (made?.kind !== 'drawn')
      b.promos[id].made.square = { kind: 'drawn', doc: book.cover, follows: n % 2 === 0 };
    else return addPart(`pp-${n}`, rect)(made.doc);
  },
  assets: (_, n) => (b) => {
    const id = `asset${n % 4}`;
    if (b.assets[id]) delete b.assets[id];
    else b.assets[id] = { id, format: 'png', widthPx: 5, heightPx: 5, name: 'x', rights: untold };
  },
  brief: (_, n) => (b) => {
    b.brief.title = `Title ${n}`;
    b.brief.seriesNumber = n % 2 ? null : n;
  },
};

type State = { book: Book; history: History };
type Move = { readonly kind: string; readonly n: number; readonly merge: boolean };

function after(state: State, { kind, n, merge }: Move): State {
  if (kind === 'undo' || kind === 'redo') {
    const moved = (kind === 'undo' ? undo : redo)(state.book, state.history);
    return moved ? { book: moved.state, history: moved.history } : state;
  }
  const done = change(state.book, EDITS[kind](state.book, n));
  if (!done.ok) return state;
  return { book: done.value.next, history: record(state.history, done.value, kind, merge ? kind : null) };
}

const move = fc.record({
  kind: fc.constantFrom(...Object.keys(EDITS), 'undo', 'redo'),
  n: fc.integer({ min: 0, max: 40 }),
  merge: fc.boolean(),
});

beforeEach(async () => {
  await Promise.all([db.titles.clear(), db.steps.clear()]);
});

const numbersOf = (history: History): KeptHistory => ({ history, numbers: new Map() });

describe('a history that was stored', () => {
  it('comes back whole with every kind of step, and leads to the same states', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(move, { minLength: 1, maxLength: 30 }), async (moves) => {
        await Promise.all([db.titles.clear(), db.steps.clear()]);
        const start = fresh();
        await addTitle({ book: start, files: new Map() });
        let state: State = { book: start, history: emptyHistory };
        let kept = numbersOf(state.history);
        let rev = 1;
        for (const [i, one] of moves.entries()) {
          state = after(state, one);
          // Some states are stored and some are passed over, as when a person is quick.
          if (i % 3 === 1) continue;
          kept = { ...kept, history: state.history };
          const saved = await saveOpen(state.book, kept, rev);
          if (!saved.ok) throw new Error(saved.fault.code);
          rev = saved.value;
        }
        const last = await saveOpen(state.book, { ...kept, history: state.history }, rev);
        expect(last.ok).toBe(true);
        const opened = await openTitle(start.id);
        if (!opened.ok) throw new Error(opened.fault.code);
        const { book, history, lost } = opened.value;
        expect(lost).toBe(0);
        expect(book).toEqual(BookSchema.parse(state.book));
        expect(history.history).toEqual(state.history);
        let back: State = { book, history: history.history };
        while (back.history.past.length > 0) back = after(back, { kind: 'undo', n: 0, merge: false });
        while (back.history.future.length > 0) back = after(back, { kind: 'redo', n: 0, merge: false });
        let there: State = state;
        while (there.history.future.length > 0) there = after(there, { kind: 'redo', n: 0, merge: false });
        expect(back.book).toEqual(there.book);
      }),
      { numRuns: 60 },
    );
  });

  const four = async (): Promise<void> => {
    const start = fresh();
    await addTitle({ book: start, files: new Map() });
    let state: State = { book: start, history: emptyHistory };
    for (const n of [1, 2, 3, 4]) state = after(state, { kind: 'add', n, merge: false });
    state = after(state, { kind: 'undo', n: 0, merge: false });
    const saved = await saveOpen(state.book, numbersOf(state.history), 1);
    expect(saved.ok).toBe(true);
  };
  const open = async () => {
    const opened = await openTitle('history-book');
    if (!opened.ok) throw new Error(opened.fault.code);
    return opened.value;
  };

  it('loses the steps before a damaged one and says how many, not all', async () => {
    await four();
    const [, second] = await db.steps.toArray();
    await db.steps.put({ ...second, step: { label: 7 } });
    const { history, lost, book } = await open();
    expect(lost).toBe(2);
    expect(history.history.past.map((s) => s.label)).toEqual(['add']);
    expect(history.history.future).toHaveLength(1);
    const back = undo(book, history.history);
    expect(Object.keys(back?.state.cover.parts ?? {})).toContain('part-2');
    expect(Object.keys(back?.state.cover.parts ?? {})).not.toContain('part-3');
  });

  it('loses what would come after, where a step to be done again is damaged', async () => {
    await four();
    const rows = await db.steps.toArray();
    await db.steps.delete(rows[3].id);
    const { history, lost } = await open();
    expect(lost).toBe(1);
    expect(history.history.past).toHaveLength(3);
    expect(history.history.future).toHaveLength(0);
  });

  it('never writes over the row of a step that it could not read', async () => {
    await four();
    const rows = await db.steps.toArray();
    await db.steps.put({ ...rows[0], step: 'nothing' });
    const { history, book, rev } = await open();
    const state = after({ book, history: history.history }, { kind: 'add', n: 9, merge: false });
    expect((await saveOpen(state.book, { history: state.history, numbers: history.numbers }, rev)).ok).toBe(true);
    const again = await open();
    expect(again.history.history.past.map((s) => s.label)).toEqual(['add', 'add', 'add']);
    expect(again.lost).toBe(0);
  });

  it('opens a title whose numbers of steps are no numbers', async () => {
    await four();
    const row = (await db.titles.get('history-book'))!;
    await db.titles.put({
      ...row,
      order: 'abc' as unknown as number[],
      done: null as unknown as number,
      rev: 'x' as unknown as number,
    });
    const opened = await open();
    expect(opened.history.history).toEqual(emptyHistory);
    const state = after({ book: opened.book, history: emptyHistory }, { kind: 'add', n: 9, merge: false });
    expect(
      (await saveOpen(state.book, { history: state.history, numbers: opened.history.numbers }, opened.rev)).ok,
    ).toBe(true);
    expect((await open()).history.history.past).toHaveLength(1);
  });

  it('is brought along with a document of the schema before, and counted as lost where it cannot be', async () => {
    for (const [schema, lost] of [
      [7, 0],
      [6, 4],
    ] as const) {
      await Promise.all([db.titles.clear(), db.steps.clear()]);
      await four();
      const row = (await db.titles.get('history-book'))!;
      const [first] = await db.steps.toArray();
      const says = {
        op: 'replace',
        path: ['promo', 'parts', 'headline', 'says'],
        value: { kind: 'own', text: 'A new book for your evenings' },
      };
      await db.steps.put({ ...first, step: { ...(first.step as object), back: [says] } });
      await db.titles.put({ ...row, schema });
      const opened = await open();
      expect(opened.lost).toBe(lost);
      expect(opened.history.history.past).toHaveLength(lost ? 0 : 3);
      if (lost === 0)
        expect(opened.history.history.past[0].back[0].value).toEqual({ kind: 'brief', field: 'strapline' });
    }
  });
});
