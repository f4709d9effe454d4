import type { Brief } from '@yosomi/core/book';
import type { Column } from '@yosomi/core/title-table';
import { useMemo, useState } from 'react';
import { sentenceOf } from '../../messages/sentences';
import type { RowBeside } from '../../persist/title-rows';
import { Check } from '../../ui/check';
import { LongList } from '../../ui/long-list';
import { COLUMN_NAMES } from './names';
import type { Pictures } from './pictures';

const HIGH = 52;

const COLUMN_OF: Partial<Record<keyof Brief, Column>> = {
  title: 'title',
  subtitle: 'subtitle',
  author: 'author',
  seriesName: 'series',
  seriesNumber: 'number',
  strapline: 'strapline',
  blurb: 'blurb',
  website: 'website',
  publisher: 'publisher',
  pageCount: 'pages',
  language: 'language',
  stores: 'stores',
};

/** What a row would change, in words: "Author, Pages". */
const changed = (changes: Partial<Brief>): string => {
  const columns = (Object.keys(changes) as (keyof Brief)[]).map((field) => COLUMN_OF[field] ?? 'kind');
  return [...new Set(columns)].map((column) => COLUMN_NAMES[column]).join(', ');
};

/** What becomes of a row, in one word, and what is to be said of it. */
export function fateOf({ row, standing, changes }: RowBeside, pictures: Pictures): { word: string; notes: string[] } {
  const notes = row.notes.map(sentenceOf);
  switch (standing.kind) {
    case 'wrong':
      return { word: 'Left out', notes: [row.wrong ? sentenceOf(row.wrong) : '', ...notes] };
    case 'there':
      return { word: 'Is there', notes: ['The Shelf has this title; it stays as it is.', ...notes] };
    case 'of': {
      const what = changed(changes);
      return what === '' ? { word: 'As it is', notes } : { word: 'Changed', notes: [`Changed: ${what}.`, ...notes] };
    }
    case 'new': {
      const lacks = row.picture !== null && !pictures.named(row.picture);
      return {
        word: 'New',
        notes: lacks ? [`Its picture “${row.picture}” is not given; it is made without.`, ...notes] : notes,
      };
    }
  }
}

/** Whether somebody should look at a row before titles are made. */
const asks = (one: RowBeside, pictures: Pictures): boolean =>
  one.standing.kind !== 'new'
    ? one.standing.kind === 'wrong' || one.row.notes.length > 0
    : fateOf(one, pictures).notes.length > 0;

/** The rows of a table, and what becomes of each. */
export function RowsList({ rows, pictures }: { rows: readonly RowBeside[]; pictures: Pictures }) {
  const [only, setOnly] = useState(false);
  const asking = useMemo(() => rows.filter((one) => asks(one, pictures)), [rows, pictures]);
  const shown = only ? asking : rows;
  return (
    <section aria-label="Rows" className="flex min-h-0 flex-1 flex-col gap-2">
      {asking.length > 0 && (
        <Check
          label={`Only rows to look at (${asking.length})`}
          hint="Something of them is left out, or lacks."
          checked={only}
          onChange={setOnly}
        />
      )}
      <LongList
        count={shown.length}
        high={HIGH}
        tall="min-h-52 flex-1 border-y border-line"
        label={only ? 'Rows to look at' : 'All rows'}
      >
        {(at) => <Row one={shown[at]} pictures={pictures} />}
      </LongList>
    </section>
  );
}

function Row({ one, pictures }: { one: RowBeside; pictures: Pictures }) {
  const { row } = one;
  const { word, notes } = fateOf(one, pictures);
  const { title, author, seriesName, seriesNumber } = row.brief;
  const series = [seriesName, seriesNumber].filter(Boolean).join(' ');
  const said = notes.filter(Boolean).join(' ');
  return (
    <div className="grid h-full grid-cols-[3rem_minmax(0,1fr)_5rem] items-center gap-x-3 border-b border-line text-sm">
      <span className="text-right font-mono text-xs text-ink-2">{row.line}</span>
      <span className="min-w-0">
        <span className="block truncate">
          <span className="font-semibold">{title || 'No title'}</span>
          {author ? `, ${author}` : ''}
          {series ? <span className="text-ink-2"> · {series}</span> : ''}
        </span>
        <span className="block truncate text-xs text-ink-2" title={said}>
          {said}
        </span>
      </span>
      <span className={one.standing.kind === 'wrong' ? 'font-semibold text-fail' : ''}>{word}</span>
    </div>
  );
}
