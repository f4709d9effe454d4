import { PREVIEW, type Quality, type Scene, render } from '@yosomi/core/mockup';
import type { Raster } from '@yosomi/core/pixels';
import { Book } from '@yosomi/core/project';
import { type Others, type Studio, onGround, sceneArt, sceneTextures, stageOf, subjectsOf } from '@yosomi/core/recipe';
import type { Remote } from 'comlink';
import { LRUCache } from 'lru-cache';
import type { TracerApi } from './tracer.worker';

/** A thumbnail: few samples are enough, edges still smooth. */
const THUMB: Quality = { ...PREVIEW, coverage: 4, filter: { kind: 'linear', taps: 4 }, shadowStep: 4 };

function withOthers(input: Book, shown: readonly Book[]): { book: Book; others: Others } {
  return { book: Book.parse(input), others: new Map(shown.map((one) => [one.id, Book.parse(one)])) };
}

/** Makes the art of a scene, of this title and of others that it shows, its fronts at most `mostPx` wide, and hands it to every tracer under a key. */
export async function sendArt(
  input: Book,
  scene: Scene,
  shown: readonly Book[],
  studio: Studio,
  tracers: readonly Remote<TracerApi>[],
  { mostPx, key }: { readonly mostPx: number | null; readonly key: string },
): Promise<void> {
  const { book, others } = withOthers(input, shown);
  const art = await sceneArt(book, scene, others, studio, mostPx ?? undefined);
  await Promise.all(tracers.map((t) => t.load(key, art)));
}

/** Small covers, for the next thumbnails of the same titles. */
const KEPT_FRONTS = 12;
const fronts = new LRUCache<string, Raster>({ max: KEPT_FRONTS });

/** A small picture of a scene on its ground. */
export async function sceneThumb(
  input: Book,
  scene: Scene,
  shown: readonly Book[],
  px: number,
  studio: Studio,
): Promise<Raster> {
  const { book, others } = withOthers(input, shown);
  const textures = sceneTextures(await sceneArt(book, scene, others, studio, px > 300 ? 700 : 300, fronts));
  const things = render(stageOf(book, scene, px, px, others, THUMB), textures, THUMB);
  if (!things) throw new Error('render was not cancelled');
  return onGround(things, book, scene, subjectsOf(book, scene, others), studio);
}
