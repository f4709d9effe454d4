import { FRAMES_A_SECOND, type Motion, timeline } from '@yosomi/core/motion';
import type { Book } from '@yosomi/core/project';
import { type Others, type PromoAt, paintMotion } from '@yosomi/core/recipe';
import { useEffect, useRef, useState } from 'react';
import { sentenceOf } from '../../messages/sentences';
import { filmMakers } from '../../work/films';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';

/** Largest sides of what is played, CSS px. */
const WIDE = 620;
const HIGH = 460;

const calm = (): boolean => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

type Reel = { readonly moments: readonly ImageBitmap[]; readonly done: number; readonly fault: string | null };

/** Paints every second moment at the size that it is played at. */
function useReel(book: Book, at: PromoAt, others: Others, motion: Motion, widthPx: number): Reel {
  const [reel, setReel] = useState<Reel>({ moments: [], done: 0, fault: null });
  const [asked] = useState({ book, at, others, motion, widthPx });
  useEffect(() => {
    const abort = new AbortController();
    const moments: ImageBitmap[] = [];
    const ask = { motion: asked.motion, widthPx: asked.widthPx, every: 2 };
    paintMotion(filmMakers(abort.signal), asked.book, asked.at, ask, asked.others, {
      async put(moment, { width, height, data }) {
        if (abort.signal.aborted) throw new Error('closed');
        moments[moment / 2] = await createImageBitmap(new ImageData(data, width, height));
      },
      onProgress: (done) => !abort.signal.aborted && setReel({ moments: [...moments], done, fault: null }),
    })
      .then((made) => {
        if (abort.signal.aborted) return;
        setReel({ moments, done: 1, fault: made.ok ? null : sentenceOf(made.fault) });
      })
      .catch(() => !abort.signal.aborted && setReel({ moments: [], done: 1, fault: 'The film could not be made.' }));
    return () => {
      abort.abort();
      moments.forEach((one) => one.close());
    };
  }, [asked]);
  return reel;
}

/** Plays a motion: as it is painted, then over and over. Where the person wants little motion it begins when it is asked to. */
export function FilmDialog(props: { book: Book; at: PromoAt; others: Others; motion: Motion; onClose(): void }) {
  const { at, motion } = props;
  const { widthPx, heightPx } = at.format;
  const k = Math.min(WIDE / widthPx, HIGH / heightPx);
  const [width, height] = [Math.round(widthPx * k), Math.round(heightPx * k)];
  const reel = useReel(props.book, at, props.others, motion, width);
  const [line] = useState(() => timeline(motion));
  const [playing, setPlaying] = useState(() => !calm());
  const [frame, setFrame] = useState(line.poster);
  const from = useRef(0);
  const whole = reel.done === 1 && reel.fault === null;
  useEffect(() => {
    if (!whole || !playing) return;
    const start = performance.now() - (from.current * 1000) / FRAMES_A_SECOND;
    let next = 0;
    const step = (now: number): void => {
      const at = Math.floor(((now - start) / 1000) * FRAMES_A_SECOND);
      // What plays once stays at its end for a while before it is shown again.
      const rest = line.loops ? 0 : FRAMES_A_SECOND * 2;
      from.current = at % (line.frames.length + rest);
      setFrame(Math.min(line.frames.length - 1, from.current));
      next = requestAnimationFrame(step);
    };
    next = requestAnimationFrame(step);
    return () => cancelAnimationFrame(next);
  }, [whole, playing, line]);
  const shown = whole ? reel.moments[Math.floor((line.frames[frame] ?? 0) / 2)] : reel.moments.at(-1);
  const percent = Math.round(reel.done * 100);
  return (
    <Dialog open wide onClose={props.onClose} title={`${at.format.name}, ${motion.seconds} seconds`}>
      <div className="flex justify-center bg-table p-4">
        <Bitmap
          bitmap={shown ?? null}
          label={`The film of ${at.format.name}`}
          className="block bg-black/10"
          style={{ width, height }}
        />
      </div>
      <div className="flex items-center justify-between gap-3">
        <span role="status" className="text-ink-2">
          {reel.fault ?? (whole ? 'Every second frame is shown here.' : `Painting, ${percent} %`)}
        </span>
        <Button kind="ink" disabled={!whole} onClick={() => setPlaying((on) => !on)}>
          {playing ? 'Pause' : 'Play'}
        </Button>
      </div>
    </Dialog>
  );
}
