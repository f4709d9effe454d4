import type { Book } from '@yosomi/core/project';
import { bookletKey } from '@yosomi/core/recipe';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useRested } from '../ui/use-rested';
import { studio } from './workers';

const KEEP_MS = 60_000;
const look = { staleTime: Infinity, gcTime: KEEP_MS, placeholderData: keepPreviousData } as const;

/** The shape of a title's booklet once the hand has rested, and the state of the title that it is of. */
export function useBookletShape(now: Book) {
  const book = useRested(now);
  const query = useQuery({
    queryKey: ['booklet', bookletKey(book)],
    queryFn: () => studio.bookletShape(book),
    ...look,
  });
  return {
    book,
    shape: query.data ?? null,
    failed: query.isError,
    fresh: query.isSuccess && !query.isPlaceholderData && book === now,
  };
}

/** A picture of the title, small. */
export const useSmallPicture = (asset: string) =>
  useQuery({
    queryKey: ['small-picture', asset],
    queryFn: () => studio.smallPicture(asset),
    staleTime: Infinity,
    gcTime: 0,
  });

/** The first page of a booklet on which its text stands, small. */
export const useBookletSample = (book: Book, widthPx: number, wanted: boolean) =>
  useQuery({
    queryKey: ['booklet-sample', bookletKey(book), widthPx],
    queryFn: () => studio.bookletSample(book, widthPx),
    enabled: wanted,
    ...look,
  });

/** A page of a booklet, while it is near what is seen. */
export const useBookletPage = (book: Book, at: number, widthPx: number, wanted: boolean) =>
  useQuery({
    queryKey: ['booklet-page', bookletKey(book), at, widthPx],
    queryFn: () => studio.bookletPage(book, at, widthPx),
    enabled: wanted && widthPx > 0,
    ...look,
  });
