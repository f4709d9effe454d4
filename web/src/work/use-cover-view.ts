import type { Doc } from '@yosomi/core/cover';
import { supersedingSlot } from '@yosomi/core/jobs';
import type { Book } from '@yosomi/core/project';
import { coverKey } from '@yosomi/core/recipe';
import { useEffect, useRef, useState } from 'react';
import { useComeBack } from './come-back';
import type { CoverView } from './studio.worker';
import { studio } from './workers';

const QUICK_MS = 48;
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

let last: { readonly key: string; readonly measure: CoverView['measure'] } | null = null;

/** What was measured last on the screen, for files that are made of the same cover. */
export const lastMeasured = (): typeof last => last;

/** `doc` is the cover that `view` shows. */
export type LiveCover = {
  readonly view: CoverView | null;
  readonly doc: Doc | null;
  readonly failed: boolean;
  readonly fresh: boolean;
};

/**
 * The cover as it is now, painted in the worker. While something is dragged only the newest state is painted and
 * nothing is measured; thumbnails and measurements follow when it rests. `widthPx` is null until the screen knows it.
 */
export function useCoverView(book: Book, widthPx: number | null, dragging: boolean, front = true): LiveCover {
  const [slot] = useState(() =>
    supersedingSlot(async (job: { book: Book; widthPx: number; quick: boolean; front: boolean }) => {
      const [view] = await Promise.all([
        studio.coverView(job.book, job.widthPx, job.quick, job.front),
        // The machine belongs to the hand first: no more pictures a second than the eye needs.
        job.quick ? pause(QUICK_MS) : null,
      ]);
      return view;
    }),
  );
  const [view, setView] = useState<CoverView | null>(null);
  const [doc, setDoc] = useState<Doc | null>(null);
  const [shown, setShown] = useState('');
  const [failed, setFailed] = useState(false);
  const measured = useRef<CoverView | null>(null);
  const key = `${book.id} ${coverKey(book)} ${widthPx} ${dragging} ${front} ${useComeBack()}`;
  useEffect(() => {
    if (widthPx === null) return;
    let current = true;
    slot({ book, widthPx, quick: dragging && measured.current !== null, front })
      .then((next) => {
        if (!current || !next) return;
        if (next.thumbs.length > 0) {
          measured.current = next;
          if (next.whole) last = { key: coverKey(book), measure: next.measure };
        }
        const kept = measured.current;
        setView(next.thumbs.length > 0 || !kept ? next : { ...kept, bitmap: next.bitmap, frames: next.frames });
        setDoc(book.cover);
        setShown(key);
        setFailed(false);
      })
      .catch(() => current && setFailed(true));
    return () => {
      current = false;
    };
    // The key stands for all that the picture is made from.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [key, slot]);
  return { view, doc, failed, fresh: shown === key };
}
