import { keyOf } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import { type HouseAsk, VERSIONS } from '@yosomi/core/recipe';
import { useQuery } from '@tanstack/react-query';
import { deskLook } from '../../work/desk';

/** A picture of the desk as it is looked through, for as long as something shows it and a little longer. */
export const useDeskLook = (id: string, book: Book | null, house: HouseAsk) =>
  useQuery({
    queryKey: [
      'desk',
      VERSIONS.desk,
      id,
      book &&
        keyOf({ brief: book.brief, sheet: book.sheet, width: book.cover.widthPx, height: book.cover.heightPx, house }),
    ],
    queryFn: ({ signal }) => deskLook(id, book, house, signal),
    staleTime: Infinity,
    gcTime: 180_000,
    retry: false,
  });
