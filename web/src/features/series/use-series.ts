import type { Book } from '@yosomi/core/project';
import { type Card, sortCards } from '@yosomi/core/shelf';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { loadBooks } from '../../persist/titles';
import { useShelf } from '../shelf/use-shelf';

/** A series as the Shelf has it: its volumes in order, and all cards; null until the Shelf is read. Its titles come a moment later. */
export function useSeries(name: string): {
  readonly volumes: readonly Card[];
  readonly cards: readonly Card[];
  readonly books: readonly Book[] | null;
} | null {
  const shelf = useShelf();
  const cards = shelf?.cards ?? null;
  const volumes = useMemo(
    () =>
      cards &&
      sortCards(
        cards.filter(({ series }) => series === name),
        'series',
        new Map(),
      ),
    [cards, name],
  );
  const { data } = useQuery({
    queryKey: ['series-books', name, volumes?.map(({ id, updatedAt }) => `${id} ${updatedAt}`).join(' ')],
    queryFn: () => loadBooks(volumes!.map(({ id }) => id)),
    enabled: volumes !== null && volumes.length > 0,
    placeholderData: (before) => before,
    staleTime: Infinity,
    gcTime: 0,
  });
  return volumes && cards && { volumes, cards, books: data ?? null };
}
