import type { PartSeed } from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';
import { type MarkWish, artKey, coverKey } from '@yosomi/core/recipe';
import type { Drawing } from '@yosomi/core/vector';
import { keepPreviousData, useQueries, useQuery } from '@tanstack/react-query';
import { useRested } from '../ui/use-rested';
import { PART_PX } from './bitmaps';
import { studio } from './workers';

/** Bitmaps are kept for as long as something shows them and a little longer. */
const KEEP_MS = 60_000;
/** What is made of one state stays true of it; the one before is shown until the next is there. */
const look = { staleTime: Infinity, gcTime: KEEP_MS, placeholderData: keepPreviousData } as const;

export function useCoverBitmap(now: Book, widthPx: number) {
  const book = useRested(now);
  return useQuery({
    queryKey: ['cover', coverKey(book), widthPx],
    queryFn: () => studio.coverBitmap(book, widthPx),
    ...look,
  });
}

/** A cover at several sizes, as files have them, each at a width of its own; null until it is there. */
export function useSizeBitmaps(
  book: Book,
  sizes: readonly { readonly widthPx: number; readonly heightPx: number; readonly shownPx: number }[],
): (ImageBitmap | null)[] {
  return useQueries({
    queries: sizes.map(({ widthPx, heightPx, shownPx }) => ({
      queryKey: ['sizes', coverKey(book), book.siblings, widthPx, heightPx, shownPx],
      queryFn: () => studio.sizeBitmap(book, { widthPx, heightPx }, shownPx),
      staleTime: Infinity,
      gcTime: KEEP_MS,
    })),
    combine: (results) => results.map(({ data }) => data ?? null),
  });
}

export function useCoverColours(now: Book, ready = true) {
  const book = useRested(now);
  return useQuery({
    queryKey: ['colours', coverKey(book)],
    queryFn: () => studio.coverColours(book),
    enabled: ready,
    ...look,
  });
}

/** Parts of the cover by themselves, small, once the cover is there. */
export function usePartPictures(now: Book, ready: boolean) {
  const book = useRested(now);
  return useQuery({
    queryKey: ['parts', coverKey(book)],
    queryFn: () => studio.partPictures(book, PART_PX),
    enabled: ready,
    ...look,
  });
}

/** How what can be added would look on the cover, while somebody looks. */
export function useOfferPictures(
  book: Book | null,
  offers: readonly { readonly id: string; readonly seeds: readonly PartSeed[] }[],
  wanted: boolean,
) {
  return useQuery({
    queryKey: ['offers-of-parts', book && coverKey(book), offers.map(({ id }) => id)],
    queryFn: () =>
      book && studio.offerPictures(book, Object.fromEntries(offers.map(({ id, seeds }) => [id, seeds])), PART_PX),
    enabled: wanted && book !== null,
    ...look,
  });
}

/** A picture of the title, small enough to be looked through; null where it is missing. */
export const useSubjectPicture = (asset: string) =>
  useQuery({
    queryKey: ['subject-picture', asset],
    queryFn: () => studio.subjectPicture(asset),
    staleTime: Infinity,
    gcTime: 0,
  });

/** Ways that one message to the worker asks for: tiles come a few at a time. */
const WAYS_AT_ONCE = 6;

/** A mark in some ways; what is not there yet is missing, and `waiting` says whether more will come. */
export function useMarkDrawings(
  ways: readonly string[],
  now: MarkWish,
): { drawings: ReadonlyMap<string, Drawing>; waiting: boolean } {
  const wish = useRested(now);
  const batches = Array.from({ length: Math.ceil(ways.length / WAYS_AT_ONCE) }, (_, i) =>
    ways.slice(i * WAYS_AT_ONCE, (i + 1) * WAYS_AT_ONCE),
  );
  return useQueries({
    queries: batches.map((some) => ({
      queryKey: ['marks', some, wish],
      queryFn: () => studio.markDrawings(some, wish),
      staleTime: Infinity,
      gcTime: KEEP_MS,
    })),
    combine: (results) => ({
      drawings: new Map(results.flatMap(({ data }) => Object.entries(data ?? {}))),
      waiting: results.some(({ isPending }) => isPending),
    }),
  });
}

/** Colours down the front's left edge, while a side is shown that goes on with them. */
export function useFrontEdge(now: Book, wanted: boolean) {
  const book = useRested(now);
  return useQuery({
    queryKey: ['edge', coverKey(book)],
    queryFn: () => studio.frontEdge(book),
    enabled: wanted,
    ...look,
  });
}

/** What a face can do beyond its plain letters: small capitals, other letter shapes. */
export const useFaceOffers = (cut: string) =>
  useQuery({ queryKey: ['offers', cut], queryFn: () => studio.offers(cut), staleTime: Infinity });

export function useSpineBitmap(now: Book, widthPx: number, heightPx: number, head?: number) {
  const book = useRested(now);
  return useQuery({
    queryKey: ['spine', artKey(book), book.brief.title, book.brief.author, widthPx, heightPx, head],
    queryFn: () => studio.spineBitmap(book, widthPx, heightPx, head ?? 0.045),
    ...look,
  });
}

/** A title's spine, as thick as the book is at this height. */
export const useSpineSide = (book: Book, heightPx: number) =>
  useQuery({
    queryKey: ['spine-side', book.id, book.updatedAt, heightPx],
    queryFn: () => studio.spineSide(book, heightPx),
    ...look,
  });
