import type { Book } from '@yosomi/core/project';
import { artKey, coverKey } from '@yosomi/core/recipe';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { studio } from './workers';

/** Bitmaps are kept for as long as something shows them and a little longer. */
const KEEP_MS = 60_000;

export function useCoverBitmap(book: Book, widthPx: number) {
  return useQuery({
    queryKey: ['cover', coverKey(book), widthPx],
    queryFn: () => studio.coverBitmap(book, widthPx),
    staleTime: Infinity,
    gcTime: KEEP_MS,
    placeholderData: keepPreviousData,
  });
}

export function useCoverColours(book: Book) {
  return useQuery({
    queryKey: ['colours', coverKey(book)],
    queryFn: () => studio.coverColours(book),
    staleTime: Infinity,
    gcTime: KEEP_MS,
    placeholderData: keepPreviousData,
  });
}

export function useSpineBitmap(book: Book, heightPx: number) {
  return useQuery({
    queryKey: ['spine', artKey(book), book.brief.title, book.brief.author, heightPx],
    queryFn: () => studio.spineBitmap(book, heightPx),
    staleTime: Infinity,
    gcTime: KEEP_MS,
    placeholderData: keepPreviousData,
  });
}
