import type { BookKind } from '@yosomi/core/book';
import { useQuery } from '@tanstack/react-query';
import { sketchWorker } from './sketches';

const look = { staleTime: Infinity, gcTime: 300_000 } as const;

/** A stored picture, small; null where its file is missing. */
export const useAssetBitmap = (asset: string, widthPx: number) =>
  useQuery({
    queryKey: ['asset', asset, widthPx],
    queryFn: () => {
      const { api, ask } = sketchWorker();
      return ask(api.thumb(asset, widthPx));
    },
    ...look,
  });

/** Covers of made-up books of a kind. */
export const useNeighbours = (kind: BookKind, wanted: boolean) =>
  useQuery({
    queryKey: ['neighbours', kind],
    queryFn: () => {
      const { api, ask } = sketchWorker();
      return ask(api.neighbours(kind));
    },
    enabled: wanted,
    ...look,
  });
