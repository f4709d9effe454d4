import { supersedingSlot } from '@yosomi/core/jobs';
import type { Scene } from '@yosomi/core/mockup';
import type { Book } from '@yosomi/core/project';
import { mockupKey } from '@yosomi/core/recipe';
import { type RefObject, useEffect, useRef, useState } from 'react';
import { FINAL, PREVIEW, loadArt, trace, traceJob } from '../../work/trace';

export type LiveState = 'making' | 'preview' | 'final' | 'failed';

/** A scene that rests this long is traced at full quality. */
const REST_MS = 160;
/** Most pixels of a preview: two cores keep up with a hand at this size. */
const PREVIEW_PIXELS = 480 * 600;

/**
 * Draws the mockup into a canvas: while the scene changes a preview of the newest state, when it rests the final
 * picture band by band over it. The canvas has `size` pixels throughout.
 */
export function useLiveMockup(
  canvas: RefObject<HTMLCanvasElement | null>,
  book: Book,
  scene: Scene,
  size: { widthPx: number; heightPx: number } | null,
): LiveState {
  const [state, setState] = useState<LiveState>('making');
  const [slot] = useState(() =>
    supersedingSlot(async (job: { book: Book; scene: Scene; widthPx: number; heightPx: number }) => {
      await loadArt(job.book);
      const k = Math.min(1, Math.sqrt(PREVIEW_PIXELS / (job.widthPx * job.heightPx)));
      return trace(traceJob(job.book, job.scene, Math.round(job.widthPx * k), Math.round(job.heightPx * k)), PREVIEW);
    }),
  );
  const frames = useRef(0);
  const key = size ? mockupKey(book, size, scene) : '';
  useEffect(() => {
    if (!size) return;
    const abort = new AbortController();
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    void (async () => {
      try {
        const quick = await slot({ book, scene, ...size });
        // Shown even when the hand has moved on meanwhile: a turning book must be seen turning.
        if (quick && canvas.current?.width === size.widthPx) {
          const bitmap = await createImageBitmap(new ImageData(quick.data, quick.width, quick.height));
          context.clearRect(0, 0, size.widthPx, size.heightPx);
          context.imageSmoothingQuality = 'high';
          context.drawImage(bitmap, 0, 0, size.widthPx, size.heightPx);
          bitmap.close();
          frames.current++;
          if (canvas.current) canvas.current.dataset.frames = String(frames.current);
          setState('preview');
        }
        await new Promise((resolve) => setTimeout(resolve, REST_MS));
        if (abort.signal.aborted) return;
        const done = await trace(traceJob(book, scene, size.widthPx, size.heightPx), FINAL, {
          signal: abort.signal,
          onBand: (rows, y0) => {
            if (abort.signal.aborted) return;
            context.putImageData(new ImageData(rows, size.widthPx, rows.length / size.widthPx / 4), 0, y0);
          },
        });
        if (done && !abort.signal.aborted) setState('final');
      } catch {
        if (!abort.signal.aborted) setState('failed');
      }
    })();
    return () => abort.abort();
    // The key stands for the book's art, the scene and the size.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [key, slot]);
  return state;
}
