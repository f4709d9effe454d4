import { type Result, fail, ok } from '../base';
import { animatedWebp } from '../image-file';
import type { Raster } from '../pixels';
import { MOST_COLOURS, gifWriter } from './gif';
import { paletteOf } from './indexed';
import { FRAMES_A_SECOND, type Timeline } from './timeline';

/** The painted moments of a film, kept outside of memory. */
export type Moments = { get(moment: number): Promise<Raster> };

/** One moment shown for so many frames. */
export type Shown = { readonly moment: number; readonly frames: number };

/** A film as what is shown how long. One that is played over and over begins with its poster: programs that cannot play it show that. */
export function shownOf({ frames, loops, poster }: Timeline): Shown[] {
  const from = loops ? poster : 0;
  const shown: { moment: number; frames: number }[] = [];
  for (const moment of [...frames.slice(from), ...frames.slice(0, from)]) {
    const last = shown.at(-1);
    if (last?.moment === moment) last.frames++;
    else shown.push({ moment, frames: 1 });
  }
  return shown;
}

/** How a film is wanted: `mostBytes` null sets no limit; `onProgress` is told how much is done, 0..1. */
export type FilmWish = { readonly mostBytes: number | null; onProgress(done: number): void };

/** Fewer colours make a smaller file. */
const COLOURS = [MOST_COLOURS, 127, 63, 31] as const;
/** Moments that the palette is taken from. */
const SAMPLED = 10;

/** The film as a GIF. Fault: `film-too-large`, with the least bytes that it can have. */
export async function gifFilm(
  moments: Moments,
  timeline: Timeline,
  { mostBytes, onProgress }: FilmWish,
): Promise<Result<Uint8Array<ArrayBuffer>>> {
  const count = timeline.moments.length;
  const samples: Raster[] = [];
  for (const moment of spread(count, SAMPLED)) samples.push(await moments.get(moment));
  const shown = shownOf(timeline);
  let least = Infinity;
  for (const [attempt, colours] of COLOURS.entries()) {
    const gif = gifWriter(paletteOf(samples, colours), timeline.loops);
    for (const [i, { moment, frames }] of shown.entries()) {
      gif.add(await moments.get(moment), frames / FRAMES_A_SECOND);
      onProgress((attempt + (i + 1) / shown.length) / (mostBytes === null ? 1 : COLOURS.length));
      // What is too large already is not written to its end.
      if (mostBytes !== null && gif.size() > mostBytes && attempt < COLOURS.length - 1) break;
    }
    const bytes = gif.bytes();
    if (mostBytes === null || bytes.length <= mostBytes) return ok(bytes);
    least = bytes.length;
  }
  return fail('film-too-large', { most: mostBytes ?? 0, found: least });
}

/** Best and least quality of the frames of an animated WebP. */
const BEST = 82;
const LEAST = 20;
const TRIED = 5;

/** The film as an animated WebP; `encode` makes a still WebP of a quality 0..100. Fault: `film-too-large`. */
export async function webpFilm(
  moments: Moments,
  timeline: Timeline,
  { mostBytes, onProgress }: FilmWish,
  encode: (frame: Raster, quality: number) => Promise<Uint8Array<ArrayBuffer>>,
): Promise<Result<Uint8Array<ArrayBuffer>>> {
  const shown = shownOf(timeline);
  const needed = [...new Set(shown.map(({ moment }) => moment))];
  const size = await moments.get(needed[0]);
  const durations = durationsOf(shown);
  let quality = mostBytes === null ? BEST : await guess(moments, shown.length, needed, mostBytes, encode);
  for (;;) {
    const stills = new Map<number, Uint8Array<ArrayBuffer>>();
    for (const [i, moment] of needed.entries()) {
      stills.set(moment, await encode(await moments.get(moment), quality));
      onProgress((i + 1) / needed.length);
    }
    const all = shown.map(({ moment }) => stills.get(moment)!);
    const bytes = animatedWebp(all, size.width, size.height, durations, timeline.loops);
    if (mostBytes === null || bytes.length <= mostBytes) return ok(bytes);
    if (quality <= LEAST) return fail('film-too-large', { most: mostBytes, found: bytes.length });
    // Bytes fall faster than quality: the next try is sure to be smaller.
    quality = Math.max(LEAST, Math.floor(quality * Math.min(0.85, mostBytes / bytes.length)));
  }
}

/** The best quality at which a few frames, times all, would fit. */
async function guess(
  moments: Moments,
  count: number,
  needed: readonly number[],
  mostBytes: number,
  encode: (frame: Raster, quality: number) => Promise<Uint8Array>,
): Promise<number> {
  const picks = spread(needed.length, TRIED).map((i) => needed[i]);
  let [low, high] = [LEAST, BEST];
  while (low < high) {
    const quality = Math.ceil((low + high) / 2);
    let bytes = 0;
    for (const moment of picks) bytes += (await encode(await moments.get(moment), quality)).length;
    if ((bytes / picks.length + 32) * count <= mostBytes) low = quality;
    else high = quality - 1;
  }
  return low;
}

/** At most `most` of the numbers below `count`, evenly. */
const spread = (count: number, most: number): number[] => {
  const taken = Math.min(count, most);
  return Array.from({ length: taken }, (_, i) => Math.floor((i * count) / taken));
};

/** Whole milliseconds whose sum does not drift. */
export function durationsOf(shown: readonly Shown[]): number[] {
  let frames = 0;
  let written = 0;
  return shown.map((one) => {
    frames += one.frames;
    const until = Math.round((frames * 1000) / FRAMES_A_SECOND);
    const ms = until - written;
    written = until;
    return ms;
  });
}
