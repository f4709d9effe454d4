import { type HouseUses, houseUses } from '@yosomi/core/recipe';
import type { Card } from '@yosomi/core/shelf';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { usesBeside } from '../../work/house';

/**
 * What titles use, and how many were read of how many while they are. What was known before stays in sight; `waits` while titles are being written,
 * for each would ask for all anew.
 */
export function useUses(
  cards: readonly Card[],
  waits: boolean,
): {
  readonly uses: HouseUses | null;
  readonly reading: { readonly done: number; readonly of: number } | null;
  readonly failed: boolean;
} {
  const [reading, setReading] = useState<{ done: number; of: number } | null>(null);
  const { data, isFetching, isError } = useQuery({
    queryKey: ['house-uses', cards.map(({ id, updatedAt }) => `${id} ${updatedAt}`).join(' ')],
    queryFn: async ({ signal }) => {
      const read = await usesBeside(
        cards.map(({ id }) => id),
        (done, of) => {
          if (!signal.aborted) setReading({ done, of });
          return !signal.aborted;
        },
      );
      return houseUses(read);
    },
    enabled: !waits,
    placeholderData: (before) => before,
    staleTime: Infinity,
    gcTime: 0,
  });
  return { uses: data ?? null, reading: isFetching ? reading : null, failed: isError };
}
