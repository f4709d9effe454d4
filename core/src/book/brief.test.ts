import { describe, expect, it } from 'vitest';
import { Brief, emptyBrief, seriesLine, thicknessMm, wordsOf } from './index';

describe('a brief', () => {
  it('puts the series line together', () => {
    const brief = { ...emptyBrief, seriesName: 'The Lamplighter Accounts', seriesNumber: 1 };
    expect(seriesLine(brief)).toBe('The Lamplighter Accounts · One');
    expect(seriesLine({ ...brief, seriesNumber: 13 })).toBe('The Lamplighter Accounts · 13');
    expect(seriesLine({ ...brief, language: 'de', seriesNumber: 2 })).toBe('The Lamplighter Accounts · 2');
    expect(seriesLine({ ...brief, seriesNumber: null })).toBe('The Lamplighter Accounts');
    expect(seriesLine({ ...brief, seriesName: '  ' })).toBe('  ');
    expect(wordsOf(brief, 'series')).toBe(seriesLine(brief));
  });

  it('knows the thickness of a book and never less than a spine can be', () => {
    expect(thicknessMm(384)).toBeCloseTo(24.2, 1);
    expect(thicknessMm(4)).toBe(2);
    expect(thicknessMm(null)).toBe(thicknessMm(240));
  });

  it.each([
    ['a title of 301 letters', { title: 'x'.repeat(301) }],
    ['pages of 0', { pageCount: 0 }],
    ['pages of 12.5', { pageCount: 12.5 }],
    ['a language that is none', { language: 'English please' }],
    ['a series number of 1000', { seriesNumber: 1000 }],
  ])('refuses %s', (_, fields) => expect(Brief.safeParse({ ...emptyBrief, ...fields }).success).toBe(false));

  it('takes texts as typed', () => {
    const typed = { ...emptyBrief, title: '  «Тихий сад» — том I ', author: 'Ægir Þórsson' };
    expect(Brief.parse(typed)).toEqual(typed);
  });
});
