import type { House } from '@yosomi/core/project';
import { type HouseChange, housePlan } from '@yosomi/core/recipe';
import type { Card } from '@yosomi/core/shelf';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { TouchedTitle } from '../../persist/house-titles';
import { touchedBeside } from '../../work/house';

/** The titles that changes of the house touch; null until they are known. */
export function useTouched(
  cards: readonly Card[],
  changes: readonly HouseChange[],
  house: House,
): {
  readonly touched: readonly TouchedTitle[] | null;
  readonly done: { readonly done: number; readonly of: number } | null;
  readonly failed: boolean;
} {
  const [done, setDone] = useState<{ done: number; of: number } | null>(null);
  const { data, isError } = useQuery({
    queryKey: ['house-touched', changes, house.faces, cards.map(({ id, updatedAt }) => `${id} ${updatedAt}`).join(' ')],
    queryFn: ({ signal }) =>
      touchedBeside(
        cards.map(({ id }) => id),
        changes,
        { faces: house.faces },
        (read, of) => {
          if (!signal.aborted) setDone({ done: read, of });
          return !signal.aborted;
        },
      ),
    enabled: housePlan(changes).ok,
    staleTime: Infinity,
    gcTime: 0,
  });
  return { touched: data ?? null, done, failed: isError };
}
