import type { Result } from '@yosomi/core/base';
import { fail } from '@yosomi/core/base';
import { type FilmWish, type Timeline, gifFilm, webpFilm } from '@yosomi/core/motion';
import type { Raster } from '@yosomi/core/pixels';
import type { FilmFormat } from '@yosomi/core/recipe';
import { expose, transfer } from 'comlink';
import { encodeFrame } from './codecs';
import { type MomentFile, momentFile } from '../platform/moment-file';

let file: MomentFile | null = null;
let size = { width: 0, height: 0 };

const isFull = (error: unknown): boolean => error instanceof DOMException && error.name === 'QuotaExceededError';

const api = {
  async begin(widthPx: number, heightPx: number): Promise<void> {
    size = { width: widthPx, height: heightPx };
    file = await momentFile(widthPx, heightPx);
  },

  /** False where there is no room for it. */
  put(moment: number, pixels: Raster): boolean {
    try {
      file!.put(moment, pixels);
      return true;
    } catch (error) {
      if (isFull(error)) return false;
      throw error;
    }
  },

  /** Faults: `film-codec`, `film-too-large`. */
  async film(
    format: FilmFormat,
    timeline: Timeline,
    mostBytes: number | null,
    onProgress: (done: number) => void,
  ): Promise<Result<Uint8Array<ArrayBuffer>>> {
    const moments = file!;
    const wish: FilmWish = { mostBytes, onProgress };
    const made = await filmOf(format, moments, timeline, wish);
    return made.ok ? transfer(made, [made.value.buffer]) : made;
  },

  end(): void {
    file?.end();
    file = null;
  },
};

async function filmOf(
  format: FilmFormat,
  moments: MomentFile,
  timeline: Timeline,
  wish: FilmWish,
): Promise<Result<Uint8Array<ArrayBuffer>>> {
  switch (format) {
    case 'gif':
      return gifFilm(moments, timeline, wish);
    case 'webp':
      return webpFilm(moments, timeline, wish, encodeFrame);
    case 'mp4':
    case 'webm': {
      // Not every browser can: what it lacks is said, and the rest works.
      if (!('VideoEncoder' in globalThis)) return fail('film-codec', { format });
      const { video } = await import('./video');
      return video(format, moments, timeline, size, wish);
    }
  }
}

export type FilmApi = typeof api;

expose(api);
