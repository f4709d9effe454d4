import type { Doc } from '@yosomi/core/cover';
import { supersedingSlot } from '@yosomi/core/jobs';
import type { Book } from '@yosomi/core/project';
import { coverKey } from '@yosomi/core/recipe';
import { useCallback, useEffect, useRef, useState } from 'react';
import { nowMs } from '../platform/clock';
import { useComeBack } from './come-back';
import { keepSight, sightOf } from './sight';
import type { CoverView } from './studio.worker';
import { studio } from './workers';

const QUICK_MS = 48;
/** A change that comes so soon after another, or after that was measured, is one of several, ms; what is typed always is. */
const OFTEN_MS = 1200;
/** How long the hand rests before everything is measured, ms. */
const RESTS = { once: 60, often: 450 } as const;
const typing = (): boolean =>
  document.activeElement instanceof HTMLTextAreaElement || document.activeElement instanceof HTMLInputElement;
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

let last: { readonly key: string; readonly measure: CoverView['measure'] } | null = null;

/** What was measured last on the screen, for files that are made of the same cover. */
export const lastMeasured = (): typeof last => last;

/** `doc` is the cover that `view` shows; `painted` is false as long as that is what was seen of it last time. */
export type LiveCover = {
  readonly view: CoverView | null;
  readonly doc: Doc | null;
  readonly failed: boolean;
  readonly fresh: boolean;
  readonly painted: boolean;
  /** Hands each picture on as it comes, before the screen is drawn anew with what else came with it. */
  readonly onPicture: PictureSource;
};
export type PictureSource = (draw: (picture: ImageBitmap) => void) => () => void;

/** Tells of each change of the title, before the screen is drawn anew; answers how to end that. */
export type Changes = (told: (now: Book, before: Book) => void) => () => void;

/** What is shown: the front where it is worked on, which is kept as it was seen; the front elsewhere or in another shape; or a side. */
export type ShownAs = 'front' | 'elsewhere' | 'side';

const placeOf = ({ id, cover }: Book, widthPx: number | null, front: boolean): string =>
  `${id} ${cover.widthPx} ${cover.heightPx} ${widthPx} ${front}`;

/**
 * The cover as it is now, painted in the worker. A change of the cover on the screen is painted at once as it will look, without a
 * word measured; thumbnails and measurements follow when the hand rests, later where changes follow each other, as while one types.
 * While something is dragged only the newest state is painted. `widthPx` is null until the screen knows it. A cover that is opened
 * is there at once as it was seen last, until it is painted.
 */
export function useCoverView(
  book: Book,
  widthPx: number | null,
  dragging: boolean,
  as: ShownAs,
  changes?: Changes,
): LiveCover {
  const front = as !== 'side';
  const [slot] = useState(() =>
    supersedingSlot(async (job: { book: Book; widthPx: number; quick: boolean; paced: boolean; front: boolean }) => {
      const [view] = await Promise.all([
        studio.coverView(job.book, job.widthPx, job.quick, job.front),
        // The machine belongs to the hand first: no more pictures a second than the eye needs.
        job.paced ? pause(QUICK_MS) : null,
      ]);
      return view;
    }),
  );
  const [view, setView] = useState<CoverView | null>(null);
  const [before, setBefore] = useState<{ readonly view: CoverView; readonly book: Book; readonly as: ShownAs } | null>(
    null,
  );
  const [doc, setDoc] = useState<Doc | null>(null);
  const [shown, setShown] = useState('');
  const [failed, setFailed] = useState(false);
  /** What was measured last, and of which side, size and width. */
  const measured = useRef<{ readonly view: CoverView; readonly place: string } | null>(null);
  const order = useRef({ asked: 0, shown: 0, busyMs: 0 });
  const [draws] = useState(() => new Set<(picture: ImageBitmap) => void>());
  const onPicture = useCallback<PictureSource>(
    (draw) => {
      draws.add(draw);
      return () => void draws.delete(draw);
    },
    [draws],
  );
  const key = `${book.id} ${coverKey(book)} ${widthPx} ${dragging} ${front} ${useComeBack()}`;
  const place = placeOf(book, widthPx, front);
  /** A change that the worker was told of while the screen still draws it. */
  const early = useRef<{ readonly book: Book; readonly view: Promise<CoverView | null> } | null>(null);
  const present = useRef({ widthPx, dragging });
  useEffect(() => {
    present.current = { widthPx, dragging };
  });
  useEffect(() => {
    if (as !== 'front') return;
    return changes?.((now, before) => {
      const { current } = present;
      if (current.widthPx === null || (now.cover === before.cover && now.brief === before.brief)) return;
      if (measured.current?.place !== placeOf(now, current.widthPx, true)) return;
      const job = { book: now, widthPx: current.widthPx, quick: true, paced: current.dragging, front: true };
      const view = slot(job);
      // Whoever waits for it hears of its failure.
      view.catch(() => {});
      early.current = { book: now, view };
    });
  }, [as, changes, slot]);
  useEffect(() => {
    if (widthPx === null) return;
    let current = true;
    const { current: turns } = order;
    const turn = ++turns.asked;
    const often = typing() || nowMs() - turns.busyMs < OFTEN_MS;
    turns.busyMs = nowMs();
    const ask = (quick: boolean) => slot({ book, widthPx, quick, paced: dragging, front });
    const show = (next: CoverView): void => {
      const whole = next.thumbs.length > 0;
      if (whole) {
        measured.current = { view: next, place };
        if (next.whole) last = { key: coverKey(book), measure: next.measure };
        if (next.whole && as === 'front') keepSight(book, next);
      }
      turns.shown = turn;
      for (const draw of draws) draw(next.bitmap);
      const kept = measured.current?.view;
      setView(whole || !kept ? next : { ...kept, bitmap: next.bitmap, frames: next.frames });
      setDoc(book.cover);
      // A change that is taken back is not what was shown before it: only a measured picture is.
      setShown(whole || dragging ? key : '');
      setFailed(false);
    };
    const paint = async (): Promise<void> => {
      if (measured.current !== null && (dragging || measured.current.place === place)) {
        const told = early.current?.book === book ? early.current.view : null;
        const next = await (told ?? ask(true));
        // One that is not the newest any more is still newer than what is seen.
        if (next && turn > turns.shown) show(next);
        if (dragging || next?.thumbs.length) return;
        await pause(often ? RESTS.often : RESTS.once);
        if (!current) return;
      }
      const next = await ask(false);
      // Who changed something meanwhile had to wait: that change comes soon after this one.
      turns.busyMs = nowMs();
      if (current && next) show(next);
    };
    paint().catch(() => current && setFailed(true));
    return () => {
      current = false;
    };
    // The key stands for all that the picture is made from.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [key, slot]);
  const opened = useRef({ book, as });
  useEffect(() => {
    let current = true;
    const { current: first } = opened;
    if (first.as !== 'side')
      void sightOf(first.book).then((sight) => current && sight && setBefore({ view: sight, ...first }));
    return () => {
      current = false;
    };
  }, []);
  // It is a sight of what was opened: a side, another size or another title is not that.
  if (view === null && before?.as === as && before.book.id === book.id && !failed)
    return { view: before.view, doc: before.book.cover, failed, fresh: false, painted: false, onPicture };
  return { view, doc, failed, fresh: shown === key, painted: view !== null, onPicture };
}
