import { keyOf } from '@yosomi/core/base';
import type { Asset, Book } from '@yosomi/core/project';
import { type HouseAsk, VERSIONS } from '@yosomi/core/recipe';
import { useQuery } from '@tanstack/react-query';
import { keepThumb, ownByIds, thumbOf, titlesWith } from '../../persist/library';
import { ownLook, smallOfOwn } from '../../work/desk';

const KEY = 'own-pictures';

/** One of one's own pictures as it is stored now. */
export const useOwn = (id: string) =>
  useQuery({
    queryKey: [KEY, 'one', id],
    queryFn: async () => (await ownByIds([id]))[0] ?? null,
    gcTime: 30_000,
    retry: false,
  });

/** Its small picture, made again where it is not stored; null where its bytes are gone. */
export const useSmall = (id: string) =>
  useQuery({
    queryKey: [KEY, 'small', id],
    queryFn: async ({ signal }) => {
      const kept = await thumbOf(id);
      const [own] = kept ? [] : await ownByIds([id]);
      const bytes = kept ?? (own ? await smallOfOwn(own.asset, signal) : null);
      if (!bytes) return null;
      if (!kept) await keepThumb(id, bytes);
      return createImageBitmap(new Blob([bytes]));
    },
    staleTime: Infinity,
    // Who scrolls through thousands leaves few of them in memory.
    gcTime: 8_000,
    retry: false,
  });

/** The title's words on it where they fit. */
export const useOwnLook = (asset: Pick<Asset, 'id'> & Partial<Asset>, book: Book | null, house: HouseAsk) =>
  useQuery({
    queryKey: [
      KEY,
      'look',
      VERSIONS.desk,
      asset.id,
      book &&
        keyOf({ brief: book.brief, sheet: book.sheet, width: book.cover.widthPx, height: book.cover.heightPx, house }),
    ],
    queryFn: async ({ signal }) => {
      const [own] = await ownByIds([asset.id]);
      return own ? ownLook(own.asset, book, house, signal) : null;
    },
    enabled: book !== null,
    staleTime: Infinity,
    gcTime: 180_000,
    retry: false,
  });

/** Titles that show it or have it at hand. */
export const useTitlesWith = (id: string) =>
  useQuery({
    queryKey: [KEY, 'titles', id],
    queryFn: async () => (await titlesWith(new Set([id]))).get(id) ?? [],
    staleTime: 0,
    gcTime: 0,
  });
