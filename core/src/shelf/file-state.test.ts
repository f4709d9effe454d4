import { describe, expect, it } from 'vitest';
import { emptyBrief } from '../book';
import type { Book } from '../project';
import { type Others, deliverables, noOthers, noWishes, startFromWords } from '../recipe';
import { fileState, filesShowSeries } from '.';

const volume = (id: string, seriesNumber: number): Book =>
  startFromWords({
    id,
    identifier: 'urn:x:12345',
    now: '2026-11-30T10:00:00.000Z',
    brief: { ...emptyBrief, title: id, author: 'Dana Voss', seriesName: 'The Moss Books', seriesNumber },
  });
const book = volume('volume-one', 1);
const others: Others = new Map([['volume-two', volume('volume-two', 2)]]);
const keys = new Map(deliverables(book, others, noWishes).map(({ id, key }) => [id, key]));

describe('how files stand', () => {
  it('counts each once: made and true, of another state, or not there', () => {
    const [first, second] = keys.keys();
    const made = new Map([...keys, [first, 'another state'], ['a store that is not wished for', 'x']]);
    made.delete(second);
    expect(fileState(book, others, noWishes, made)).toEqual({
      wanted: keys.size,
      made: keys.size - 2,
      stale: 1,
      missing: 1,
    });
  });

  it('does not depend on the series of a title where that is not asked for', () => {
    expect(filesShowSeries(book)).toBe(false);
    expect(fileState(book, noOthers, noWishes, keys)).toMatchObject({ stale: 0, missing: 0 });
  });

  it('is another one where words, or a wish for stores, change', () => {
    const renamed = { ...book, brief: { ...book.brief, title: 'Another' } };
    expect(fileState(renamed, others, noWishes, keys).stale).toBeGreaterThan(0);
    const unsold = { ...book, brief: { ...book.brief, stores: [] } };
    expect(fileState(unsold, others, noWishes, keys).wanted).toBe(keys.size - book.brief.stores.length);
  });
});
