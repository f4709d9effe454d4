import { supersedingSlot } from '@yosomi/core/jobs';
import type { Raster } from '@yosomi/core/pixels';
import type { Book } from '@yosomi/core/project';
import { promoKey } from '@yosomi/core/recipe';
import { useEffect, useState } from 'react';
import type { PromoView } from '../../work/studio.worker';
import { studio } from '../../work/workers';

/** The promo as it is now, painted in the worker over the mockup. */
export function usePromoView(
  book: Book,
  mockup: Raster | undefined,
  widthPx: number,
): { view: PromoView | null; fresh: boolean; failed: boolean } {
  const [slot] = useState(() =>
    supersedingSlot((job: { book: Book; mockup: Raster; widthPx: number }) =>
      studio.promoView(job.book, job.mockup, job.widthPx),
    ),
  );
  const [view, setView] = useState<PromoView | null>(null);
  const [shown, setShown] = useState('');
  const [failed, setFailed] = useState(false);
  const key = `${promoKey(book)} ${widthPx} ${mockup ? 'ready' : ''}`;
  useEffect(() => {
    if (!mockup) return;
    let current = true;
    slot({ book, mockup, widthPx })
      .then((next) => {
        if (!current || !next) return;
        setView(next);
        setShown(key);
        setFailed(false);
      })
      .catch(() => current && setFailed(true));
    return () => {
      current = false;
    };
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [key, mockup, slot]);
  return { view, fresh: shown === key, failed };
}
