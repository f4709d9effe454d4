import type { Book } from '@yosomi/core/project';
import { coverKey } from '@yosomi/core/recipe';
import { useQueries } from '@tanstack/react-query';
import { studio } from '../../work/workers';

const LOOK_PX = 320;

/** Pictures of the kept covers, in their order: they are documents like any cover, and follow the words. */
export function useKeptBitmaps(book: Book): readonly (ImageBitmap | null)[] {
  return useQueries({
    queries: book.sheet.favourites.map(({ cover }) => {
      const own = { ...book, cover };
      return {
        queryKey: ['cover', coverKey(own), LOOK_PX],
        queryFn: () => studio.coverBitmap(own, LOOK_PX),
        staleTime: Infinity,
        gcTime: 300_000,
      };
    }),
    combine: (results) => results.map((r) => r.data ?? null),
  });
}
