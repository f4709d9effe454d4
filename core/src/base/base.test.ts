import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Result,
  change,
  emptyHistory,
  hashBytes,
  hashText,
  keyOf,
  makeId,
  orderBetween,
  orderKeys,
  record,
  redo,
  replay,
  seeded,
  slug,
  undo,
  fault,
} from './index';

describe('order keys', () => {
  it('give a key strictly between any two, however often a gap is split', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(), { maxLength: 60 }), (choices) => {
        const keys = orderKeys(2);
        for (const choice of choices) {
          const at = choice % (keys.length + 1);
          const key = orderBetween(keys[at - 1] ?? null, keys[at] ?? null);
          keys.splice(at, 0, key);
        }
        expect([...keys].sort()).toEqual(keys);
        expect(new Set(keys).size).toBe(keys.length);
        for (const key of keys) expect(key.endsWith('0')).toBe(false);
      }),
    );
  });

  it('refuse ends that are out of order', () => {
    expect(() => orderBetween('b', 'a')).toThrow();
    expect(() => orderBetween('a', 'a')).toThrow();
  });
});

describe('a change', () => {
  const state = {
    title: 'A',
    parts: { one: { x: 1, tags: ['p', 'q'] } } as Record<string, { x: number; tags: string[] }>,
  };
  type State = typeof state;
  const edits = fc.array(
    fc.oneof(
      fc.record({ kind: fc.constant('title' as const), value: fc.string() }),
      fc.record({ kind: fc.constant('move' as const), id: fc.constantFrom('one', 'two', 'three'), x: fc.integer() }),
      fc.record({ kind: fc.constant('drop' as const), id: fc.constantFrom('one', 'two', 'three') }),
      fc.record({ kind: fc.constant('tag' as const), value: fc.string() }),
    ),
    { maxLength: 25 },
  );
  const apply = (draft: State, edit: { kind: string; value?: string; id?: string; x?: number }): void => {
    if (edit.kind === 'title') draft.title = edit.value ?? '';
    if (edit.kind === 'move') (draft.parts[edit.id ?? ''] ??= { x: 0, tags: [] }).x = edit.x ?? 0;
    if (edit.kind === 'drop') delete draft.parts[edit.id ?? ''];
    if (edit.kind === 'tag') draft.parts.one?.tags.push(edit.value ?? '');
  };

  const value = <T>(done: Result<T>): T => {
    if (!done.ok) throw new Error(done.fault.code);
    return done.value;
  };

  it('is taken back exactly, and taken again exactly', () => {
    fc.assert(
      fc.property(edits, (list) => {
        const done = change(state, (draft) => list.forEach((edit) => apply(draft, edit)));
        if (!done.ok) throw new Error('not refused');
        expect(replay(done.value.next, done.value.back)).toEqual(state);
        expect(replay(state, done.value.forward)).toEqual(done.value.next);
      }),
    );
  });

  it('that refuses changes nothing and says why', () => {
    const done = change(state, (draft) => {
      draft.title = 'half done';
      return fault('no', { n: 3 });
    });
    expect(done).toEqual({ ok: false, fault: { code: 'no', data: { n: 3 } } });
    expect(state.title).toBe('A');
  });

  it('walks the history back to the start and forward to the end', () => {
    fc.assert(
      fc.property(edits, (list) => {
        let now = state;
        let history = emptyHistory;
        for (const edit of list) {
          const done = change(now, (draft) => apply(draft, edit));
          if (!done.ok) throw new Error('not refused');
          history = record(history, done.value, edit.kind);
          now = done.value.next;
        }
        const end = now;
        for (let step = undo(now, history); step; step = undo(now, history))
          [now, history] = [step.state, step.history];
        expect(now).toEqual(state);
        for (let step = redo(now, history); step; step = redo(now, history))
          [now, history] = [step.state, step.history];
        expect(now).toEqual(end);
      }),
    );
  });

  it('joins steps of one gesture into one, and a new change forgets what was taken back', () => {
    let now = state;
    let history = emptyHistory;
    const step = (x: number, merge: string | null): void => {
      const done = change(now, (draft) => void (draft.parts.one.x = x));
      if (!done.ok) throw new Error('not refused');
      history = record(history, done.value, 'Move', merge);
      now = done.value.next;
    };
    step(2, 'drag');
    step(3, 'drag');
    step(4, 'drag');
    expect(history.past).toHaveLength(1);
    step(5, 'other');
    expect(history.past).toHaveLength(2);
    const back = undo(now, history);
    expect(back?.state.parts.one.x).toBe(4);
    [now, history] = [back!.state, back!.history];
    step(9, null);
    expect(history.future).toHaveLength(0);
    const start = undo(undo(now, history)!.state, undo(now, history)!.history);
    expect(start?.state).toEqual(state);
  });

  it('of a long gesture is one step of what differs, whatever was done in it', () => {
    const shuffle = fc.record({ kind: fc.constant('shuffle' as const), by: fc.integer({ min: -9, max: 9 }) });
    const kinds = fc.array(fc.oneof(edits, fc.array(shuffle, { maxLength: 5 })), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(kinds, (lists) => {
        let now = state;
        let history = record(emptyHistory, value(change(now, (d) => void (d.title = 'Before'))), 'Before');
        now = { ...state, title: 'Before' };
        const start = now;
        for (const edit of lists.flat()) {
          const done = value(
            change(now, (draft) => {
              if (edit.kind !== 'shuffle') return apply(draft, edit);
              const tags = draft.parts.one?.tags;
              if (edit.by < 0) tags?.splice(0, -edit.by);
              else tags?.unshift(...Array.from({ length: edit.by }, (_, i) => `t${i}`));
            }),
          );
          history = record(history, done, 'Gesture', 'gesture');
          now = done.next;
        }
        expect(history.past.length).toBeLessThanOrEqual(2);
        const back = undo(now, history)!;
        if (history.past.length === 1) {
          expect(now).toEqual(start);
          expect(back.state).toEqual(state);
          return;
        }
        expect(back.state).toEqual(start);
        expect(redo(back.state, back.history)!.state).toEqual(now);
        expect(undo(back.state, back.history)!.state).toEqual(state);
        // Steps are stored as JSON.
        const stored = JSON.parse(JSON.stringify(history)) as typeof history;
        expect(undo(now, stored)!.state).toEqual(start);
      }),
    );
  });

  it('of 600 moves is as small as one move', () => {
    let now = state;
    let history = emptyHistory;
    for (let x = 2; x < 602; x++) {
      const done = value(change(now, (draft) => void (draft.parts.one.x = x)));
      history = record(history, done, 'Move', 'drag');
      now = done.next;
    }
    expect(history.past).toEqual([
      {
        label: 'Move',
        merge: 'drag',
        forward: [{ op: 'replace', path: ['parts', 'one', 'x'], value: 601 }],
        back: [{ op: 'replace', path: ['parts', 'one', 'x'], value: 1 }],
      },
    ]);
  });

  it('that several titles share says so through undo and redo, and no other does', () => {
    const shared = { id: 'all', titles: ['one', 'two'] };
    const done = value(change(state, (draft) => void (draft.parts.one.x = 5)));
    const history = record(emptyHistory, done, 'Move', null, shared);
    expect(history.past[0].shared).toEqual(shared);
    const back = undo(done.next, history)!;
    expect(redo(back.state, back.history)!.history.past[0].shared).toEqual(shared);
    expect('shared' in record(emptyHistory, done, 'Move').past[0]).toBe(false);
  });

  it('without effect leaves no step', () => {
    const done = change(state, () => {});
    expect(done.ok && record(emptyHistory, done.value, 'Nothing').past).toEqual([]);
  });
});

describe('slug', () => {
  it.each([
    ['A Debt of Foxfire', 'a-debt-of-foxfire'],
    ['Über den Straßen — Gedichte', 'uber-den-strassen-gedichte'],
    ['Тихий сад', 'tikhiy-sad'],
    ["Don't Look", 'dont-look'],
    ['../../etc/passwd', 'etc-passwd'],
    ['CON', 'con'],
    ['', 'book'],
    ['日本の夜 2', '日本の夜-2'],
    ['Το Φως', 'το-φως'],
    ['ガラス', 'ガラス'],
    ['ガラス', 'ガラス'.normalize('NFC')],
    ['★ — ★', 'book'],
  ])('makes %j into %j', (title, expected) => expect(slug(title)).toBe(expected));

  it('is always a safe file name stem within its limit', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), fc.integer({ min: 8, max: 80 }), (title, limit) => {
        const name = slug(title, limit);
        expect(name).toMatch(/^[\p{L}\p{N}][\p{L}\p{M}\p{N}]*(-[\p{L}\p{N}][\p{L}\p{M}\p{N}]*)*$/u);
        expect(name).not.toMatch(/[A-ZÀ-ÿ]/);
        expect(name).toBe(name.normalize('NFC'));
        expect(name.length).toBeLessThanOrEqual(Math.max(limit, 4));
        expect(new TextEncoder().encode(name).length).toBeLessThanOrEqual(180);
      }),
    );
  });
});

describe('keys', () => {
  it('do not depend on the order of properties, and undefined counts as absent', () => {
    expect(keyOf({ a: 1, b: { c: [1, 2], d: null } })).toBe(keyOf({ b: { d: null, c: [1, 2] }, a: 1, e: undefined }));
    expect(keyOf([1, 2])).not.toBe(keyOf([2, 1]));
    expect(keyOf({ a: '1' })).not.toBe(keyOf({ a: 1 }));
  });

  it('differ for bytes and texts that differ in one place', () => {
    const bytes = Uint8Array.from({ length: 1000 }, (_, i) => i & 255);
    const other = bytes.slice();
    other[500] ^= 1;
    expect(hashBytes(bytes)).not.toBe(hashBytes(other));
    expect(hashText('abc')).not.toBe(hashText('abd'));
    expect(hashText('abc')).toMatch(/^[0-9a-z]{11}$/);
  });
});

describe('randomness', () => {
  it('is the same for the same seed, in [0, 1), and even', () => {
    const draw = (seed: number): number[] => {
      const random = seeded(seed);
      return Array.from({ length: 20_000 }, random);
    };
    const values = draw(5);
    expect(values).toEqual(draw(5));
    expect(values.slice(0, 5)).not.toEqual(draw(6).slice(0, 5));
    const mean = values.reduce((a, b) => a + b) / values.length;
    expect(mean).toBeGreaterThan(0.49);
    expect(mean).toBeLessThan(0.51);
    expect(Math.min(...values)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...values)).toBeLessThan(1);
  });

  it('makes ids without look-alikes', () => {
    const random = seeded(1);
    const ids = Array.from({ length: 500 }, () => makeId(random));
    expect(new Set(ids).size).toBe(500);
    for (const id of ids) expect(id).toMatch(/^[a-km-z2-9]{12}$/);
  });
});
