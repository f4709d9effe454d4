import type { PinScene } from '@yosomi/core/pin';
import type { Book } from '@yosomi/core/project';
import { faceArtKey } from '@yosomi/core/recipe';
import { transfer } from 'comlink';
import { type OwnWorker, ownWorker } from './own-worker';
import type { FaceKeys, PinApi } from './pin.worker';
import { studio } from './workers';

/** A worker that pins. */
export type Pinner = OwnWorker<PinApi>;

export const startPinner = (onBroken?: () => void): Pinner =>
  ownWorker<PinApi>(new Worker(new URL('./pin.worker.ts', import.meta.url), { type: 'module' }), onBroken);

let live: Pinner | null = null;

/** The one that pins for the screen; a broken one is replaced. */
export function pinner(): Pinner {
  live ??= startPinner(() => (live = null));
  return live;
}

/** Most width of art for the screen and for files, px. */
export const SCREEN_ART = 900;
export const FILE_ART = 1600;

const keysOf = (book: Book, scene: PinScene, mostPx: number): FaceKeys =>
  scene.faces.map((face) => [face.id, `${faceArtKey(book, scene, face)} ${mostPx}`] as const);

/** The art that each pinner has. */
const given = new WeakMap<object, string>();

/** Makes sure that a pinner has the art of all faces; answers under which keys. */
export async function giveArts({ api, ask }: Pinner, book: Book, scene: PinScene, mostPx: number): Promise<FaceKeys> {
  const keys = keysOf(book, scene, mostPx);
  const named = keys.map(([, key]) => key).join();
  // While a corner is dragged nothing has to be asked: the art is there.
  if (given.get(api) === named) return keys;
  const wanted = await ask(api.wants(keys.map(([, key]) => key)));
  for (const [id, key] of keys) {
    if (!wanted.includes(key)) continue;
    const made = await studio.pinArt(book, scene, id, mostPx);
    if (made) await ask(api.take(key, transfer(made, [made.data.buffer])));
  }
  given.set(api, named);
  return keys;
}
