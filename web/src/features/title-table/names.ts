import type { Column } from '@yosomi/core/title-table';

/** What a column of a table is called, as the Brief has it. */
export const COLUMN_NAMES: Readonly<Record<Column, string>> = {
  title: 'Title',
  subtitle: 'Subtitle',
  author: 'Author',
  series: 'Series',
  number: 'Number in the series',
  strapline: 'Strapline',
  blurb: 'Text of the back',
  website: 'Website',
  publisher: 'Publisher',
  pages: 'Pages',
  language: 'Language',
  kind: 'Kind of book',
  stores: 'Stores',
  picture: 'Picture file',
  id: 'Title on the Shelf',
};
