import { type Result, fail } from '@yosomi/core/base';
import type { Motion } from '@yosomi/core/motion';
import type { Raster } from '@yosomi/core/pixels';
import type { Book } from '@yosomi/core/project';
import { type FilmFormat, type Others, type PromoAt, paintMotion } from '@yosomi/core/recipe';
import { proxy, transfer } from 'comlink';
import type { FilmApi } from './film.worker';
import { ownWorker } from './own-worker';
import { promoMakers } from './promos';
import { press } from './workers';

export type FilmJob = {
  readonly book: Book;
  readonly at: PromoAt;
  readonly motion: Motion;
  readonly others: Others;
  readonly format: FilmFormat;
  readonly mostBytes: number | null;
  readonly signal: AbortSignal;
  onProgress(done: number): void;
};

/** Who makes the moments of a film. */
export const filmMakers = (signal: AbortSignal) => ({ ...promoMakers(signal), promo: press().promoPixels });

/** Painting takes most of the time. */
const PAINTED = 0.75;

/** A promo's motion as a file. Faults: those of `paintMotion`, `film-room`, `film-codec`, `film-too-large`. Its worker ends with it, or at once where it is aborted. */
export async function makeFilm(job: FilmJob): Promise<Result<Uint8Array<ArrayBuffer>>> {
  const { book, at, motion, others, format, mostBytes, signal, onProgress } = job;
  const worker = ownWorker<FilmApi>(new Worker(new URL('./film.worker.ts', import.meta.url), { type: 'module' }));
  signal.addEventListener('abort', worker.end);
  const { api, ask } = worker;
  let full = false;
  try {
    const { widthPx, heightPx } = at.format;
    await ask(api.begin(widthPx, heightPx));
    const painted = await paintMotion(filmMakers(signal), book, at, { motion }, others, {
      async put(moment: number, pixels: Raster): Promise<void> {
        if (await ask(api.put(moment, transfer(pixels, [pixels.data.buffer])))) return;
        full = true;
        throw new Error('no room for the film');
      },
      onProgress: (done) => onProgress(done * PAINTED),
    });
    if (!painted.ok) return painted;
    const report = proxy((done: number): void => onProgress(PAINTED + done * (1 - PAINTED)));
    return await ask(api.film(format, painted.value, mostBytes, report));
  } catch (error) {
    if (full) return fail('film-room');
    throw error;
  } finally {
    signal.removeEventListener('abort', worker.end);
    if (!signal.aborted) await ask(api.end()).catch(() => {});
    worker.end();
  }
}
