import { type Result, fail } from '@yosomi/core/base';
import { type PinScene, adoptedPin, pinAssetsOf } from '@yosomi/core/pin';
import type { Raster } from '@yosomi/core/pixels';
import type { Book } from '@yosomi/core/project';
import { pinKey } from '@yosomi/core/recipe';
import { bytesOf } from '../../persist/assets';
import type { FaceKeys } from '../../work/pin.worker';
import { press } from '../../work/workers';
import { FILE_ART, type Pinner, giveArts, startPinner } from '../../work/pins';

const THUMB_PX = 240;

const forBook = (pin: PinScene, book: Book): PinScene => adoptedPin(pin, (asset) => book.assets[asset] !== undefined);

/** A small picture of a pinned photograph with a title's own cover. */
export const pinThumb = {
  key: (book: Book, pin: PinScene): string => pinKey(book, forBook(pin, book)),
  async make(book: Book, pin: PinScene): Promise<ImageBitmap | null> {
    const worker = startPinner();
    try {
      const scene = forBook(pin, book);
      const keys = await giveArts(worker, book, scene, 300);
      const made = await worker.ask(worker.api.view(scene, keys, THUMB_PX, 'preview'));
      return made.ok ? made.value : null;
    } finally {
      worker.end();
    }
  },
};

/**
 * The finished picture at the photograph's own size, by a worker of its own: to stop is to end it.
 * Faults: `picture-missing`, `pin-stopped`, `pin-photo`, those of `pinned`.
 */
export const finishedPin = (book: Book, scene: PinScene, signal: AbortSignal): Promise<Result<Raster>> =>
  byItsOwn(book, scene, signal, (worker, keys) => worker.ask(worker.api.finished(scene, keys)));

/** The same with its layers apart, as an OpenRaster file. */
export const layeredPin = (
  book: Book,
  scene: PinScene,
  signal: AbortSignal,
): Promise<Result<Uint8Array<ArrayBuffer>>> =>
  byItsOwn(book, scene, signal, async (worker, keys) => {
    const pictures = await bytesOf(pinAssetsOf(scene).filter((id) => id !== scene.photo.asset));
    return worker.ask(worker.api.layered(scene, keys, pictures));
  });

async function byItsOwn<T>(
  book: Book,
  scene: PinScene,
  signal: AbortSignal,
  make: (worker: Pinner, keys: FaceKeys) => Promise<Result<T>>,
): Promise<Result<T>> {
  const lost = await press().missing({ ...book, pin: scene }, 'pin', []);
  if (lost) return { ok: false, fault: lost };
  const worker = startPinner();
  const stop = (): void => worker.end();
  signal.addEventListener('abort', stop);
  try {
    const keys = await giveArts(worker, book, scene, FILE_ART);
    return await make(worker, keys);
  } catch (error) {
    if (signal.aborted) return fail('pin-stopped');
    throw error;
  } finally {
    signal.removeEventListener('abort', stop);
    worker.end();
  }
}
