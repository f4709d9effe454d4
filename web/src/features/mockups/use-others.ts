import type { Scene } from '@yosomi/core/mockup';
import { type Book, readBook } from '@yosomi/core/project';
import { type Others, noOthers, titlesOf, titlesShownBy } from '@yosomi/core/recipe';
import { type Card, nameOfCard, sortCards } from '@yosomi/core/shelf';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { allCards } from '../../persist/cards';
import { db } from '../../persist/db';
import { readOthers } from '../../persist/others';

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

/** The other titles that anything made of a title may show: those of its scene, and those of its series; null until they are read. */
export function useReadOthers(book: Book): Others | null {
  const { scene, scenes, id } = book;
  const ids = useMemo(() => titlesShownBy({ scene, scenes, id }), [scene, scenes, id]);
  const series = book.brief.seriesName.trim();
  const key = `${ids.join(' ')}|${series}|${book.id}`;
  // The title itself may be a newer object at every letter that is typed.
  const read = useLiveQuery(() => readOthers(book), [key]);
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
  const shelf = useShelfCards();
  const {
    id,
    brief: { seriesName, seriesNumber },
  } = book;
  return useMemo(() => {
    const cards = (shelf ?? []).filter((one) => one.id !== id);
    const mates = sortCards(cards, 'title', new Map()).map((one) => ({ id: one.id, name: nameOfCard(one) }));
    const name = seriesName.trim();
    const volumes = sortCards(cards, 'series', new Map()).filter(({ series }) => name !== '' && series === name);
    const numbered = (number: number | null): number => number ?? Infinity;
    const before = volumes.filter(({ number }) => numbered(number) < numbered(seriesNumber));
    return { mates, series: volumes.map((b) => b.id), place: before.length, known: shelf !== null };
  }, [shelf, id, seriesName, seriesNumber]);
}

/** A card of every title of the Shelf, the last changed first; null until they are read. */
export function useShelfCards(): readonly Card[] | null {
  return useLiveQuery(async () => sortCards(await allCards(), 'changed', new Map())) ?? null;
}
