import type { Book } from '@yosomi/core/project';
import { type Others, mockupKey, promoMockup } from '@yosomi/core/recipe';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { FINAL, traceBook } from '../../work/trace';
import { useOthers } from '../mockups/use-others';

export const promoMockupKey = (book: Book, others: Others): string => {
  const { scene, ...size } = promoMockup(book);
  return mockupKey(book, size, scene, others);
};

/** The mockup that the promo places: traced once for each state of cover and scene. */
export function usePromoMockup(book: Book) {
  const others = useOthers(book.scene);
  return useQuery({
    queryKey: ['promo-mockup', promoMockupKey(book, others)],
    queryFn: async ({ signal }) => {
      const { scene, ...size } = promoMockup(book);
      const made = await traceBook(book, scene, size, FINAL, { signal, others });
      if (!made) throw new Error('trace stopped');
      return made;
    },
    staleTime: Infinity,
    gcTime: 120_000,
    retry: 1,
    placeholderData: keepPreviousData,
  });
}
