import { type Edit, type History, change, emptyHistory, record, undo } from '@yosomi/core/base';
import { describe, expect, it } from 'vitest';
import { Gestures } from './gestures';

type Doc = { value: number };
const set =
  (value: number): Edit<Doc> =>
  (d) =>
    void (d.value = value);

function bench(gestures = new Gestures(1)) {
  let doc: Doc = { value: 0 };
  let history: History = emptyHistory;
  return {
    gestures,
    edit(value: number, nowMs: number, merge = 'Opacity') {
      const done = change(doc, set(value));
      if (!done.ok) throw new Error(done.fault.code);
      doc = done.value.next;
      history = record(history, done.value, 'Opacity', gestures.key(merge, nowMs));
    },
    undo() {
      const back = undo(doc, history);
      if (back) [doc, history] = [back.state, back.history];
      return doc.value;
    },
    steps: () => history.past.length,
    history: () => history,
  };
}

describe('gestures', () => {
  it('two drags of one slider, five seconds apart, are two steps', () => {
    const b = bench();
    for (const [start, at] of [
      [10, 0],
      [50, 5000],
    ]) {
      b.gestures.press();
      for (let i = 0; i < 20; i++) b.edit(start + i, at + i * 16);
      b.gestures.lift();
    }
    expect(b.steps()).toBe(2);
    expect(b.undo()).toBe(29);
    expect(b.undo()).toBe(0);
  });

  it('two drags right after each other are two steps too', () => {
    const b = bench();
    for (const v of [1, 2]) {
      b.gestures.press();
      b.edit(v, v);
      b.gestures.lift();
    }
    expect(b.steps()).toBe(2);
  });

  it('a drag in which the hand rests for long is one step', () => {
    const b = bench();
    b.gestures.press();
    b.edit(1, 0);
    b.edit(2, 60_000);
    b.gestures.lift();
    expect(b.steps()).toBe(1);
  });

  it('a key that repeats is one step; after a second of rest a new one begins', () => {
    const b = bench();
    for (let i = 0; i < 30; i++) b.edit(i, i * 40);
    b.edit(99, 30 * 40 + 1100);
    expect(b.steps()).toBe(2);
    expect(b.undo()).toBe(29);
  });

  it('leaving a field ends its step', () => {
    const b = bench();
    b.edit(1, 0);
    b.gestures.leave();
    b.edit(2, 100);
    expect(b.steps()).toBe(2);
    b.gestures.press();
    b.gestures.leave();
    b.edit(3, 200);
    b.gestures.leave();
    b.edit(4, 9000);
    expect(b.steps()).toBe(3);
  });

  it('what is stored is not joined by a gesture of a later visit', () => {
    const b = bench(new Gestures(1000));
    b.edit(1, 0);
    const key = b.history().past[0].merge;
    expect(new Gestures(900_000).key('Opacity', 0)).not.toBe(key);
  });
});
