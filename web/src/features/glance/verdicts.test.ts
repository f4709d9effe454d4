import { describe, expect, it } from 'vitest';
import { emptyBrief } from '@yosomi/core/book';
import { startFromWords, type WordsReport } from '@yosomi/core/recipe';
import { glanceVerdict } from './verdicts';

const start = {
  id: 'verdict-book',
  identifier: 'urn:x:12345',
  now: '2026-11-25T10:00:00Z',
  brief: { ...emptyBrief, title: 'T', author: 'A' },
};
const book = startFromWords(start);
const reports = (from: Record<string, number | null>): ReadonlyMap<string, WordsReport> =>
  new Map(
    Object.entries(from).map(([part, readsFromPx]) => [
      part,
      { part, sizePx: 100, words: [], typical: 9, worstTenth: 8, seen: 1, readsFromPx },
    ]),
  );

describe('the verdict of a glance', () => {
  it.each([
    [200, { title: 50, byline: 90 }, 'pass', 'all words read'],
    [120, { title: 50, byline: 140 }, 'may', 'byline lost'],
    [120, { title: 50, byline: 140, subtitle: 300 }, 'may', '2 lines lost'],
    [64, { title: 50, byline: 140 }, 'pass', 'title reads'],
    [64, { title: 70, byline: 90 }, 'may', 'title from 70 px'],
    [64, { title: 130, byline: 90 }, 'fail', 'title from 130 px'],
    [200, { title: null, byline: 90 }, 'fail', 'title too faint'],
    [200, { title: 50, byline: null }, 'may', 'byline lost'],
  ] as const)('at %i px with %j is %s: %s', (width, from, grade, text) =>
    expect(glanceVerdict(book, { reports: reports(from), findings: [] }, width)).toEqual({ grade, text }),
  );

  it('of a finished cover is left to the eye', () => {
    const finished = { ...book, cover: { ...book.cover, finished: true } };
    expect(glanceVerdict(finished, { reports: new Map(), findings: [] }, 64)).toEqual({
      grade: 'may',
      text: 'judge by eye',
    });
  });

  it('of a cover without a word is no praise', () =>
    expect(glanceVerdict(book, { reports: new Map(), findings: [] }, 200)).toEqual({
      grade: 'fail',
      text: 'no words yet',
    }));

  it('of a cover whose picture is missing is that, whatever its words', () => {
    const findings = [{ code: 'picture-lost', severity: 'must', part: 'picture', data: {} }] as const;
    expect(glanceVerdict(book, { reports: reports({ title: 20 }), findings }, 200).text).toBe('picture missing');
  });
});
