import type { Book } from '@yosomi/core/project';
import { mockupKey, promoMockup } from '@yosomi/core/recipe';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { FINAL, traceBook } from '../../work/trace';

export const promoMockupKey = (book: Book): string => {
  const { scene, ...size } = promoMockup(book);
  return mockupKey(book, size, scene);
};

/** The mockup that the promo places: traced once for each state of cover and scene. */
export function usePromoMockup(book: Book) {
  return useQuery({
    queryKey: ['promo-mockup', promoMockupKey(book)],
    queryFn: async ({ signal }) => {
      const { scene, ...size } = promoMockup(book);
      const made = await traceBook(book, scene, size, FINAL, { signal });
      if (!made) throw new Error('trace stopped');
      return made;
    },
    staleTime: Infinity,
    gcTime: 120_000,
    retry: 1,
    placeholderData: keepPreviousData,
  });
}
