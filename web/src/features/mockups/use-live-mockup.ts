import { supersedingSlot } from '@yosomi/core/jobs';
import type { Scene } from '@yosomi/core/mockup';
import type { Book } from '@yosomi/core/project';
import { type Others, mockupKey, subjectsOf } from '@yosomi/core/recipe';
import { type RefObject, useEffect, useRef, useState } from 'react';
import { FINAL, PREVIEW, loadArt, trace, traceJob } from '../../work/trace';
import { studio } from '../../work/workers';

export type LiveState = 'making' | 'preview' | 'final' | 'failed';

/** A scene that rests this long is traced at full quality. */
const REST_MS = 160;
/** A change that is not seen after this long is said to be in the making. */
const LATE_MS = 250;
/** Most pixels of a preview: two cores keep up with a hand at this size. */
const PREVIEW_PIXELS = 480 * 600;

type Size = { readonly widthPx: number; readonly heightPx: number };
type Job = { readonly book: Book; readonly scene: Scene; readonly others: Others } & Size;

/**
 * Draws the mockup into a canvas: while the scene changes a preview of the newest state, when it rests the final
 * picture band by band over it, each on the scene's ground. The canvas has `size` pixels throughout.
 */
export function useLiveMockup(
  canvas: RefObject<HTMLCanvasElement | null>,
  book: Book,
  scene: Scene,
  others: Others,
  size: Size | null,
): LiveState {
  const [state, setState] = useState<LiveState>('making');
  const [slot] = useState(() =>
    supersedingSlot(async (job: Job) => {
      await loadArt(job.book, job.scene, job.others);
      const k = Math.min(1, Math.sqrt(PREVIEW_PIXELS / (job.widthPx * job.heightPx)));
      const [widthPx, heightPx] = [job.widthPx, job.heightPx].map((px) => Math.max(1, Math.round(px * k)));
      return trace(traceJob(job.book, job.scene, job.others, { widthPx, heightPx }), PREVIEW);
    }),
  );
  const frames = useRef(0);
  const ground = useRef<{ key: string; bitmap: ImageBitmap | null } | null>(null);
  const key = size ? mockupKey(book, size, scene, others) : '';
  useEffect(() => {
    if (!size) return;
    const abort = new AbortController();
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const behind = async (whole: boolean): Promise<ImageBitmap | null> => {
      // A table is seen as the things are and changes with the view: while it does, a small one is enough.
      const table = scene.ground.kind === 'table';
      const k = table && !whole ? 0.5 : 1;
      const wanted = JSON.stringify([scene.ground, size, table && [scene, k]]);
      if (ground.current?.key !== wanted) {
        const [widthPx, heightPx] = [Math.round(size.widthPx * k), Math.round(size.heightPx * k)];
        const bitmap = await studio.groundBitmap(book, scene, subjectsOf(book, scene, others), widthPx, heightPx);
        ground.current = { key: wanted, bitmap };
      }
      return ground.current.bitmap;
    };
    // A scene whose art has to be made first takes longer: what is shown meanwhile is the one before.
    const late = setTimeout(() => setState('making'), LATE_MS);
    void (async () => {
      try {
        const [quick, back] = await Promise.all([slot({ book, scene, others, ...size }), behind(false)]);
        // Shown even when the hand has moved on meanwhile: a turning book must be seen turning.
        if (quick && canvas.current?.width === size.widthPx) {
          const bitmap = await createImageBitmap(new ImageData(quick.data, quick.width, quick.height));
          context.clearRect(0, 0, size.widthPx, size.heightPx);
          if (back) context.drawImage(back, 0, 0, size.widthPx, size.heightPx);
          // A better filter costs more than the tracing; the final picture follows at once when the hand rests.
          context.imageSmoothingQuality = 'low';
          context.drawImage(bitmap, 0, 0, size.widthPx, size.heightPx);
          bitmap.close();
          clearTimeout(late);
          frames.current++;
          if (canvas.current) canvas.current.dataset.frames = String(frames.current);
          setState('preview');
        }
        await new Promise((resolve) => setTimeout(resolve, REST_MS));
        if (abort.signal.aborted) return;
        const whole = await behind(true);
        if (abort.signal.aborted) return;
        const shown: Promise<void>[] = [];
        const done = await trace(traceJob(book, scene, others, size), FINAL, {
          signal: abort.signal,
          onBand: (rows, y0) => {
            if (abort.signal.aborted) return;
            const band = new ImageData(rows, size.widthPx, rows.length / size.widthPx / 4);
            if (whole) shown.push(over(context, whole, band, y0, abort.signal));
            else context.putImageData(band, 0, y0);
          },
        });
        await Promise.all(shown);
        if (done && !abort.signal.aborted) setState('final');
      } catch {
        clearTimeout(late);
        if (!abort.signal.aborted) setState('failed');
      }
    })();
    return () => {
      clearTimeout(late);
      abort.abort();
    };
    // The key stands for the things' art, the scene and the size.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [key, slot]);
  return state;
}

/** Puts a band of the picture over its part of the ground. */
async function over(
  context: CanvasRenderingContext2D,
  ground: ImageBitmap,
  band: ImageData,
  y0: number,
  signal: AbortSignal,
): Promise<void> {
  const bitmap = await createImageBitmap(band);
  if (!signal.aborted) {
    const { width, height } = band;
    context.drawImage(ground, 0, y0, width, height, 0, y0, width, height);
    context.drawImage(bitmap, 0, y0);
  }
  bitmap.close();
}
