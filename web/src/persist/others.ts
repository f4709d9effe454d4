import { type Book, readBook } from '@yosomi/core/project';
import { type Others, noOthers, titlesShownBy } from '@yosomi/core/recipe';
import { mayBeOfSeries } from './cards';
import { db } from './db';

/** The other titles that anything made of a title may show: those that its scenes name, and those of its series where these are wanted. */
export async function readOthers(book: Book, withSeries = true): Promise<Others> {
  const series = withSeries ? book.brief.seriesName.trim() : '';
  const named = titlesShownBy(book);
  const ids = new Set([...named, ...(series === '' ? [] : await mayBeOfSeries(series))]);
  ids.delete(book.id);
  if (ids.size === 0) return noOthers;
  const books = (await db.titles.bulkGet([...ids])).flatMap((row) => {
    const read = row && readBook(row.book);
    return read?.ok ? [read.value] : [];
  });
  return new Map(
    books
      .filter(({ id, brief }) => named.includes(id) || (series !== '' && brief.seriesName.trim() === series))
      .map((one) => [one.id, one] as const),
  );
}
