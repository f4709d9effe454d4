import { type Result, fail, ok } from '../base';
import { type Motion, type Timeline, timeline } from '../motion';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import { type Makers, type PromoMakers, picturesOf, promoLacks } from './make';
import { type PromoAt, bookAt, pictureKey, promoPictures } from './promo';
import { docAt, motionsOf } from './promo-moment';
import type { Others } from './scene-art';

/** How a film of a promo is written. */
export const FILMS = ['mp4', 'webm', 'gif', 'webp'] as const;
export type FilmFormat = (typeof FILMS)[number];
export const FILM_FILES: Readonly<Record<FilmFormat, readonly [ending: string, type: string]>> = {
  mp4: ['mp4', 'video/mp4'],
  webm: ['webm', 'video/webm'],
  gif: ['gif', 'image/gif'],
  webp: ['webp', 'image/webp'],
};

/** What is painted: at the format's own pixels where no width is given, and all moments, or only every so many. */
export type MotionAsk = {
  readonly motion: Motion;
  readonly widthPx?: number;
  readonly every?: number;
};

/** What is done with each painted moment, and how far the painting is, 0..1. */
export type MomentSink = {
  put(moment: number, pixels: Raster): Promise<void>;
  onProgress(done: number): void;
};

/** Paints every moment of a promo's motion once. Faults: those of `promoJob`, and `motion-cannot` where nothing of that kind is in it. */
export async function paintMotion(
  makers: PromoMakers & Pick<Makers, 'promo'>,
  owner: Book,
  at: PromoAt,
  { motion, widthPx = at.format.widthPx, every = 1 }: MotionAsk,
  others: Others,
  { put, onProgress }: MomentSink,
): Promise<Result<Timeline>> {
  const book = bookAt(owner, at);
  const lost = await promoLacks(makers, book, at, others);
  if (lost) return { ok: false, fault: lost };
  const still = await makers.promoDoc(book, at, others);
  if (!motionsOf(still, book, others).includes(motion.kind)) return fail('motion-cannot', { motion: motion.kind });
  const line = timeline(motion);
  let known = new Map<string, Raster>();
  for (const [i, moment] of line.moments.entries()) {
    if (i % every > 0) continue;
    const now = { ...at, moment };
    const wanted = promoPictures(docAt(still, moment, book, others), book.brief, widthPx, moment);
    const pictures = await picturesOf(makers, book, wanted, others, known);
    if (!pictures) return fail('trace-stopped');
    // Only what the next moment may show again is kept.
    known = new Map(wanted.map((one) => [pictureKey(book, one, others), pictures.get(one.name)!]));
    await put(i, await makers.promo({ book, at: now, pictures, others, widthPx }));
    onProgress((i + 1) / line.moments.length);
  }
  return ok(line);
}
