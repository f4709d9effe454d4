import type { DeskPicture } from '@yosomi/core/desk';
import type { TakenPicture } from '@yosomi/core/recipe';
import { useEffect, useRef, useState } from 'react';
import { sayFault } from '../../messages/say';
import { saveAsset } from '../../persist/assets';
import { paintWhole } from '../../work/desk';
import { pictureName } from './names';

/** A picture as a title takes it, and the name that stood for it in the covers that were shown. */
export type Whole = { readonly taken: TakenPicture; readonly stoodFor: string };

/** Paints a picture of the desk whole and stores it; then it is handed on. It can be stopped, and is when the desk closes. */
export function useDeskPicture() {
  const [done, setDone] = useState<number | null>(null);
  const [name, setName] = useState('');
  const stop = useRef<() => void>(() => {});
  useEffect(() => () => stop.current(), []);
  const paint = async (picture: DeskPicture, use: (whole: Whole) => void | Promise<void>): Promise<void> => {
    setDone(0);
    setName(pictureName(picture));
    const job = paintWhole(picture.id, setDone);
    stop.current = job.stop;
    const whole = await job.done;
    setDone(null);
    if (!whole) return;
    const kept = await saveAsset(whole.taken.asset.id, whole.taken.bytes);
    if (!kept.ok) return sayFault(kept.fault);
    await use(whole);
  };
  return {
    /** Share that is painted; null while nothing is. */
    done,
    /** What is being painted: another picture may be chosen meanwhile. */
    name,
    stop: () => {
      stop.current();
      setDone(null);
    },
    paint: (picture: DeskPicture, use: (whole: Whole) => void | Promise<void>): void =>
      void paint(picture, use).catch(() => {
        setDone(null);
        sayFault({ code: 'work-failed', data: {} });
      }),
  };
}
