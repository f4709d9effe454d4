import type { Brief } from '../book';
import { tableText } from '../csv';
import type { StoreName } from './cells';
import { COLUMNS, type Column } from './columns';

/** A title as a row has it. */
export type TitleOut = { readonly id: string; readonly brief: Brief; readonly picture: string };

function cellOf(column: Column, { id, brief, picture }: TitleOut, stores: readonly StoreName[]): string {
  switch (column) {
    case 'series':
      return brief.seriesName;
    case 'number':
      return brief.seriesNumber === null ? '' : String(brief.seriesNumber);
    case 'pages':
      return brief.pageCount === null ? '' : String(brief.pageCount);
    case 'kind':
      return brief.genres.length > 0 ? brief.genres.join('; ') : brief.kind;
    case 'stores':
      return brief.stores.map((store) => stores.find((one) => one.id === store)?.name ?? store).join('; ');
    case 'picture':
      return picture;
    case 'id':
      return id;
    default:
      return brief[column];
  }
}

/** Titles as a table: read again, it changes nothing. */
export const titlesTable = (titles: readonly TitleOut[], stores: readonly StoreName[]): string =>
  tableText(
    COLUMNS,
    titles.map((title) => COLUMNS.map((column) => cellOf(column, title, stores))),
  );
