import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BOOK_KINDS, type Brief, GENRES, emptyBrief, ofKind } from '../book';
import { readCsv } from '../csv';
import {
  COLUMNS,
  type TitleOut,
  type TitleRow,
  briefOf,
  changesOf,
  mappedAs,
  mappingOf,
  readRows,
  standings,
  titlesTable,
} from './index';

const STORES = [
  { id: 'longreach', name: 'Longreach Reader Store' },
  { id: 'pier', name: 'Pier, Rail and Road' },
  { id: 'own-1', name: 'My own shop' },
];

/** The rows of a table as text. */
function rowsOf(text: string): TitleRow[] {
  const table = readCsv(text, 5000);
  if (!table.ok) throw new Error(table.fault.code);
  return readRows(table.value, mappingOf(table.value.head), STORES);
}
const one = (column: string, text: string): TitleRow =>
  rowsOf(`title,${column}\nA,"${text.replaceAll('"', '""')}"\n`)[0];

const text = (most: number) =>
  fc
    .oneof(fc.string({ maxLength: 20 }), fc.constantFrom('Two\nlines', ' spaced  out ', '-1', "'=x", 'a; b, c | d'))
    .map((s) => (/^\s*(=\S|#[A-Z])/i.test(s) ? 'x' : s.slice(0, most)));
const brief: fc.Arbitrary<Brief> = fc
  .record({
    title: text(300).map((s) => s.trim() || 'A title'),
    subtitle: text(300),
    author: text(200),
    seriesName: text(120),
    seriesNumber: fc.option(fc.integer({ min: 1, max: 999 })),
    strapline: text(200),
    blurb: text(4000),
    website: text(120),
    publisher: text(120),
    pageCount: fc.option(fc.integer({ min: 1, max: 3000 })),
    stores: fc.subarray(STORES.map(({ id }) => id)),
    language: fc.constantFrom('en', 'de', 'pt-BR', 'zh-Hant', 'en-GB'),
    kind: fc.constantFrom(...BOOK_KINDS, ...GENRES),
  })
  .map(({ kind, ...rest }) => ({ ...emptyBrief, ...rest, ...ofKind(kind) }));
const titles: fc.Arbitrary<TitleOut[]> = fc
  .array(brief, { minLength: 1, maxLength: 6 })
  .map((all) =>
    all.map((said, i) => ({ id: `title-${i}`, brief: { ...said, title: `${said.title} ${i}` }, picture: '' })),
  );

describe('titles as a table', () => {
  it('change nothing where they are read again', () => {
    fc.assert(
      fc.property(titles, (all) => {
        const rows = rowsOf(titlesTable(all, STORES));
        expect(rows.map(({ wrong, notes }) => [wrong, notes])).toEqual(all.map(() => [null, []]));
        const there = all.map(({ id, brief: said }) => ({ ...said, id }));
        expect(standings(rows, there)).toEqual(all.map(({ id }) => ({ kind: 'of', id })));
        expect(rows.map((row, i) => changesOf(row, all[i].brief))).toEqual(all.map(() => ({})));
      }),
    );
  });

  it('change just what was changed in it', () => {
    fc.assert(
      fc.property(brief, text(200), (said, author) => {
        const [row] = rowsOf(
          titlesTable([{ id: 'title-0', brief: { ...said, author, pageCount: 77 }, picture: '' }], STORES),
        );
        const plain = (s: string): string => s.replace(/\s+/g, ' ').trim();
        expect(changesOf(row, said)).toEqual({
          ...(plain(author) === plain(said.author) ? {} : { author: plain(author) }),
          ...(said.pageCount === 77 ? {} : { pageCount: 77 }),
        });
      }),
    );
  });
});

describe('columns', () => {
  it('are known by what people call them, each once', () => {
    expect(
      mappingOf(['Book Title', 'WRITER', 'Series_Name', 'Vol.', 'Extent', 'Price', 'Title', 'Back-cover text']),
    ).toEqual(['title', 'author', 'series', 'number', 'pages', null, null, 'blurb']);
    expect(mappingOf([...COLUMNS])).toEqual([...COLUMNS]);
  });
  it('are one thing each, whichever is made it', () => {
    expect(mappedAs(['title', 'author', null], 2, 'title')).toEqual([null, 'author', 'title']);
    expect(mappedAs(['title', 'author', null], 0, null)).toEqual([null, 'author', null]);
  });
});

describe('a row', () => {
  it.each([
    ['pages', '320 pp', { pageCount: 320 }],
    ['pages', '1,024', { pageCount: 1024 }],
    ['pages', '1.024', { pageCount: 1024 }],
    ['pages', '320.0', { pageCount: 320 }],
    ['volume', 'Vol. 3', { seriesNumber: 3 }],
    ['volume', '#12', { seriesNumber: 12 }],
    ['volume', 'Book 2', { seriesNumber: 2 }],
    ['volume', 'no.4', { seriesNumber: 4 }],
    ['pages', '1 024 pages', { pageCount: 1024 }],
    ['language', 'German', { language: 'de' }],
    ['language', 'en_gb', { language: 'en-GB' }],
    ['language', 'Español', { language: 'es' }],
    ['genre', 'Sci-Fi / YA', { kind: 'story', genres: ['science-fiction', 'young-adult'] }],
    ['genre', 'Cookbook', { kind: 'practical', genres: ['cookbook'] }],
    ['genre', 'Novel', { kind: 'story', genres: [] }],
    ['stores', 'Pier, Rail and Road; longreach', { stores: ['pier', 'longreach'] }],
    ['stores', 'Pier, Rail and Road', { stores: ['pier'] }],
    ['stores', '', { stores: [] }],
    ['pages', '', { pageCount: null }],
    ['blurb', 'One.\nTwo.', { blurb: 'One.\nTwo.' }],
    ['author', 'Ida\n  Quill', { author: 'Ida Quill' }],
  ])('understands %s %j', (column, said, is) => {
    const row = one(column, said);
    expect(row.notes).toEqual([]);
    expect(row.brief).toEqual({ title: 'A', ...is });
  });

  it.each([
    ['pages', 'many', 'row-number'],
    ['pages', '3 hundred', 'row-number'],
    ['pages', 'about 300', 'row-number'],
    ['volume', '3rd of 5', 'row-number'],
    ['pages', '0', 'row-number'],
    ['pages', '-5', 'row-number'],
    ['pages', '99999', 'row-number'],
    ['volume', '2.5', 'row-number'],
    ['volume', '1 of 3', 'row-number'],
    ['language', 'the old tongue', 'row-language'],
    ['language', 'constructor', 'row-language'],
    ['genre', 'constructor', 'row-kind'],
    ['stores', 'constructor', 'row-store'],
    ['genre', 'Sea shanties', 'row-kind'],
    ['stores', 'Nowhere', 'row-store'],
    ['pages', '=A2*2', 'row-formula'],
    ['author', '#REF!', 'row-formula'],
    ['author', 'x'.repeat(201), 'row-long'],
  ])('says what of %s %j it does not take', (column, said, code) => {
    const row = one(column, said);
    expect(row.notes.map((note) => note.code)).toEqual([code]);
    expect(row.wrong).toBeNull();
    expect(briefOf(row)).toEqual({
      ...emptyBrief,
      title: 'A',
      ...(code === 'row-long' ? { author: 'x'.repeat(200) } : {}),
    });
  });

  it('without a title, with a formula for one, or said before, is wrong, and stops no other', () => {
    const rows = rowsOf('title,author,series,no\nA,Ida,,\n,Ida,,\n=B2,Ida,,\n a ,IDA,,\nA,Ida,S,2\nA,Ida,S,2\n');
    expect(rows.map(({ wrong }) => wrong?.code ?? null)).toEqual([
      null,
      'row-title',
      'row-formula',
      'row-twice',
      null,
      'row-twice',
    ]);
    expect(rows[3].wrong?.data).toEqual({ line: 1 });
  });

  it('is of a title that is there by its id, else by what it says', () => {
    const rows = rowsOf('title,author,id\nA,Ida,title-1\nB,Ida,\nC,Ida,gone\nD,,\n');
    const there = [
      { id: 'title-1', title: 'Old name', author: 'Ida', seriesName: '', seriesNumber: null },
      { id: 'title-2', title: 'b', author: 'ida ', seriesName: '', seriesNumber: null },
    ];
    expect(standings(rows, there)).toEqual([
      { kind: 'of', id: 'title-1' },
      { kind: 'there', id: 'title-2' },
      { kind: 'new' },
      { kind: 'new' },
    ]);
  });
});
