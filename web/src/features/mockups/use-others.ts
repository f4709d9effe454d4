import type { Scene } from '@yosomi/core/mockup';
import { type Book, readBook } from '@yosomi/core/project';
import { type Others, noOthers, titlesOf, titlesShownBy } from '@yosomi/core/recipe';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { db } from '../../persist/db';

/** The other titles that a scene shows, as they are now, without those that are gone; null until they are read. */
export function useOthers(scene: Scene): Others | null {
  const ids = useMemo(() => titlesOf(scene), [scene]);
  const key = ids.join(' ');
  const read = useLiveQuery(async () => {
    const rows = ids.length === 0 ? [] : await db.titles.bulkGet(ids);
    const books = rows.flatMap((row) => {
      const read = row && readBook(row.book);
      return read?.ok ? [[row!.id, read.value] as const] : [];
    });
    return { key, others: books.length === 0 ? noOthers : new Map(books) };
  }, [key]);
  // What was read for the titles of before says nothing of those that came since.
  return ids.length === 0 ? noOthers : read?.key === key ? read.others : null;
}

/** The series that a stored title names, looked at before it is parsed: a Shelf can be long. null where there is none. */
function seriesIn(book: unknown): string | null {
  const name = (book as { brief?: { seriesName?: unknown } } | null)?.brief?.seriesName;
  return typeof name === 'string' && name.trim() !== '' ? name.trim() : null;
}

/** The other titles that anything made of a title may show: those of its scene, and those of its series; null until they are read. */
export function useReadOthers(book: Book): Others | null {
  const { scene, scenes, id } = book;
  const ids = useMemo(() => titlesShownBy({ scene, scenes, id }), [scene, scenes, id]);
  const series = book.brief.seriesName.trim();
  const key = `${ids.join(' ')}|${series}|${book.id}`;
  const read = useLiveQuery(async () => {
    if (ids.length === 0 && !series) return noOthers;
    const rows = await db.titles.toArray();
    const wanted = rows.filter((row) => row.id !== book.id && (ids.includes(row.id) || seriesIn(row.book) === series));
    return new Map(
      wanted.flatMap((row) => {
        const read = readBook(row.book);
        return read.ok ? [[row.id, read.value] as const] : [];
      }),
    );
  }, [key]);
  return read ?? null;
}

export const useAllOthers = (book: Book): Others => useReadOthers(book) ?? noOthers;

/** Every other title of the Shelf, and those of this title's series in their order. */
export function useShelfMates(book: Book): {
  readonly mates: readonly { id: string; name: string }[];
  readonly series: readonly string[];
  /** How many of them come before this one. */
  readonly place: number;
  /** Whether the Shelf has been read. */
  readonly known: boolean;
} {
  const shelf = useShelfBooks();
  const {
    id,
    brief: { seriesName, seriesNumber },
  } = book;
  return useMemo(() => {
    const books = (shelf ?? []).filter((one) => one.id !== id).reverse();
    const mates = books.map((b) => ({ id: b.id, name: b.brief.title.trim() || 'Untitled' }));
    const name = seriesName.trim();
    const numbered = (number: number | null): number => number ?? 1000;
    const volumes = books
      .filter(({ brief }) => name !== '' && brief.seriesName.trim() === name)
      .sort((a, b) => numbered(a.brief.seriesNumber) - numbered(b.brief.seriesNumber));
    const before = volumes.filter(({ brief }) => numbered(brief.seriesNumber) < numbered(seriesNumber));
    return { mates, series: volumes.map((b) => b.id), place: before.length, known: shelf !== null };
  }, [shelf, id, seriesName, seriesNumber]);
}

/** Every title of the Shelf that can be read, the last changed first; null until they are read. */
export function useShelfBooks(): readonly Book[] | null {
  const read = useLiveQuery(async () =>
    (await db.titles.orderBy('updatedAt').reverse().toArray()).map((row) => readBook(row.book)),
  );
  return useMemo(() => read?.flatMap((one) => (one.ok ? [one.value] : [])) ?? null, [read]);
}
