import type { Book } from '@yosomi/core/project';
import { type Others, promoKey } from '@yosomi/core/recipe';
import { useEffect, useRef, useState } from 'react';
import { useComeBack } from '../../work/come-back';
import type { PromoTile } from '../../work/promo-art';
import { type PictureKeys, type PromoAsk, promoTiles } from '../../work/promos';

export type Tile = PromoTile & { readonly key: string };

export type Tiles = {
  readonly tiles: ReadonlyMap<string, Tile>;
  /** True when every promo is shown as it is now. */
  readonly fresh: boolean;
  readonly failed: boolean;
  /** The pictures behind the last tiles, for measuring them. */
  readonly keys: PictureKeys;
};

/** Promos as they are now: each tile comes as soon as it is painted, and the one before stays until then. */
export function usePromoTiles(book: Book, others: Others, asks: readonly PromoAsk[], quick = false): Tiles {
  const [tiles, setTiles] = useState<ReadonlyMap<string, Tile>>(new Map());
  const [failed, setFailed] = useState(false);
  const [keys, setKeys] = useState<PictureKeys>({});
  const wanted = new Map(asks.map((ask) => [ask.id, `${promoKey(book, ask.at, others)} ${ask.widthPx}`]));
  const all = `${useComeBack()} ${[...wanted].map((one) => one.join(' ')).join('|')}`;
  const latest = useRef({ book, others, asks, wanted });
  useEffect(() => {
    latest.current = { book, others, asks, wanted };
  });
  useEffect(() => {
    const abort = new AbortController();
    const now = latest.current;
    const run = async (): Promise<void> => {
      // Several letters are typed in a breath: the newest state is the one to paint.
      await new Promise((resolve) => setTimeout(resolve, 16));
      if (abort.signal.aborted || now.asks.length === 0) return;
      const made = await promoTiles(now.book, now.others, now.asks, {
        signal: abort.signal,
        quick,
        onTile: (id, tile) => {
          setTiles((before) => new Map(before).set(id, { ...tile, key: now.wanted.get(id) ?? '' }));
        },
      });
      if (abort.signal.aborted) return;
      setKeys(made);
      setFailed(false);
    };
    run().catch(() => !abort.signal.aborted && setFailed(true));
    return () => abort.abort();
    // The text stands for all that the promos are made from.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [all, quick]);
  const fresh = asks.every((ask) => tiles.get(ask.id)?.key === wanted.get(ask.id));
  return { tiles, fresh, failed, keys };
}
