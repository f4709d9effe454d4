import { type Result, fail, ok } from '@yosomi/core/base';
import type { Layers, Scene } from '@yosomi/core/mockup';
import { type PixelBox, type Raster, cropped, inkBox } from '@yosomi/core/pixels';
import type { Book } from '@yosomi/core/project';
import { type Others, subjectsOf } from '@yosomi/core/recipe';
import { FINAL, traceBook } from '../../work/trace';
import { press } from '../../work/workers';

export type Still = 'png' | 'jpeg' | 'webp';
export type Format = Still | 'ora' | 'film';

/** How a file of each format ends, its media type, and what the button says. */
export const ENDINGS: Record<Format, readonly [ending: string, type: string, verb: string]> = {
  png: ['png', 'image/png', 'Save PNG'],
  jpeg: ['jpg', 'image/jpeg', 'Save JPEG'],
  webp: ['webp', 'image/webp', 'Save WebP'],
  ora: ['ora', 'image/openraster', 'Save the layers'],
  film: ['webp', 'image/webp', 'Save the film'],
};

/** The formats of a finished picture, as they are offered. */
export const FORMATS = [
  { value: 'png', label: 'PNG' },
  { value: 'jpeg', label: 'JPEG' },
  { value: 'webp', label: 'WebP' },
  { value: 'ora', label: 'Layers' },
] as const;

/** Pixels as a file. Faults: `webp-missing`, those of a PNG. */
export async function encoded(format: Still, pixels: Raster, clear: boolean): Promise<Result<Bytes>> {
  switch (format) {
    case 'png': {
      const png = await press().png(pixels, clear);
      return png.ok ? ok(png.value.bytes) : png;
    }
    case 'jpeg':
      return ok(await press().jpeg(pixels));
    case 'webp': {
      const made = await press().webp(pixels);
      return made ? ok(made) : fail('webp-missing');
    }
  }
}
type Bytes = Uint8Array<ArrayBuffer>;

export type PictureJob = {
  readonly book: Book;
  readonly scene: Scene;
  readonly others: Others;
  readonly size: { readonly widthPx: number; readonly heightPx: number };
  /** Cut to what is not clear in it, or as another picture of the same was cut, so many times as large; null leaves it whole. */
  readonly cut: 'ink' | { readonly box: PixelBox; readonly times: number } | null;
  readonly signal: AbortSignal;
  onProgress(done: number): void;
};

const isClear = (job: PictureJob): boolean => job.scene.ground.kind === 'clear';

/** A scene's things on nothing; `from` and `share` say which part of the whole work this is. Fault: `trace-stopped`. */
async function traced(
  job: PictureJob,
  scene: Scene,
  from: number,
  share: number,
  layers?: Layers,
): Promise<Result<Raster>> {
  const { book, size, others, signal } = job;
  const onProgress = (d: number): void => job.onProgress(from + d * share);
  const things = await traceBook(book, scene, size, FINAL, { others, signal, layers, onProgress });
  return things ? ok(things) : fail('trace-stopped');
}

const onGround = async (job: PictureJob, things: Raster): Promise<Raster> =>
  isClear(job) ? things : press().onGround(things, job.book, job.scene, subjectsOf(job.book, job.scene, job.others));

/** A file with the pixels that it really has, and how it was cut. */
export type Made = {
  readonly bytes: Bytes;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly box: PixelBox | null;
};

/** The finished picture as a file. Faults: `picture-missing`, `trace-stopped`, `webp-missing`, those of a PNG. */
export async function makePicture(format: Format, job: PictureJob): Promise<Result<Made>> {
  const lost = await press().missing(job.book, 'scene', [...job.others.values()], job.scene);
  if (lost) return { ok: false, fault: lost };
  switch (format) {
    case 'ora':
      return whole(job, await layered(job));
    case 'film':
      return whole(job, await film(job));
    case 'png':
    case 'jpeg':
    case 'webp':
      return flat(format, job);
  }
}

const whole = ({ size }: PictureJob, made: Result<Bytes>): Result<Made> =>
  made.ok ? ok({ bytes: made.value, ...size, box: null }) : made;

async function flat(format: Still, job: PictureJob): Promise<Result<Made>> {
  const things = await traced(job, job.scene, 0, 0.9);
  if (!things.ok) return things;
  const uncut = await onGround(job, things.value);
  const box = isClear(job) ? cutOf(job, uncut) : null;
  const pixels = box ? cropped(uncut, box) : uncut;
  const file = await encoded(format, pixels, isClear(job));
  return file.ok ? ok({ bytes: file.value, widthPx: pixels.width, heightPx: pixels.height, box }) : file;
}

function cutOf({ cut, size }: PictureJob, pixels: Raster): PixelBox | null {
  if (cut === null) return null;
  if (cut === 'ink') return inkBox(pixels, Math.round(Math.min(size.widthPx, size.heightPx) * 0.02));
  const { box, times } = cut;
  return { x: box.x * times, y: box.y * times, width: box.width * times, height: box.height * times };
}

/** Things, reflection, shadow and ground apart; each is traced on nothing. */
async function layered(job: PictureJob): Promise<Result<Bytes>> {
  const none = { things: false, reflection: false, shadow: false };
  const wanted: { name: string; layers: Layers }[] = [{ name: 'Things', layers: { ...none, things: true } }];
  if (job.scene.reflection > 0) wanted.push({ name: 'Reflection', layers: { ...none, reflection: true } });
  wanted.push({ name: 'Shadow', layers: { ...none, shadow: true } });
  const share = 0.9 / (wanted.length + 1);
  const made: { name: string; pixels: Raster }[] = [];
  for (const [i, { name, layers }] of wanted.entries()) {
    const pixels = await traced(job, job.scene, i * share, share, layers);
    if (!pixels.ok) return pixels;
    made.push({ name, pixels: pixels.value });
  }
  const merged = await traced(job, job.scene, wanted.length * share, share);
  if (!merged.ok) return merged;
  if (!isClear(job)) {
    const nothing = { ...merged.value, data: new Uint8ClampedArray(merged.value.data.length) };
    made.push({ name: 'Ground', pixels: await onGround(job, nothing) });
  }
  return ok(await press().openRaster(made, await onGround(job, merged.value)));
}

export const FILM_FRAMES = 48;
const FRAME_MS = 70;

/** The whole turned once round, over and over, as an animated WebP. */
async function film(job: PictureJob): Promise<Result<Bytes>> {
  const stills: Bytes[] = [];
  const share = 0.95 / FILM_FRAMES;
  for (let i = 0; i < FILM_FRAMES; i++) {
    const { pose } = job.scene;
    const turned = { ...job.scene, pose: { ...pose, turnRad: round(pose.turnRad + (i / FILM_FRAMES) * 2 * Math.PI) } };
    const things = await traced(job, turned, i * share, share);
    if (!things.ok) return things;
    const still = await press().webp(await onGround(job, things.value));
    if (!still) return fail('webp-missing');
    stills.push(still);
  }
  const { widthPx, heightPx } = job.size;
  return ok(await press().animation(stills, widthPx, heightPx, FRAME_MS));
}

/** The same turn within half a turn of straight on. */
const round = (turnRad: number): number => Math.atan2(Math.sin(turnRad), Math.cos(turnRad));
