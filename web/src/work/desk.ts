import type { Result } from '@yosomi/core/base';
import type { Asset, Book } from '@yosomi/core/project';
import type { HouseAsk, TakenPicture } from '@yosomi/core/recipe';
import { proxy } from 'comlink';
import type { DeskApi, DeskLook, TakenOwn } from './desk.worker';
import { type OwnWorker, ownWorker } from './own-worker';

const start = (): OwnWorker<DeskApi> =>
  ownWorker<DeskApi>(new Worker(new URL('./desk.worker.ts', import.meta.url), { type: 'module' }));

type Wish = { readonly run: (worker: OwnWorker<DeskApi>) => Promise<boolean>; readonly signal: AbortSignal };

let idle: OwnWorker<DeskApi>[] | null = null;
let wishes: Wish[] = [];
let users = 0;

/** The desk is open: its workers stand by until it is closed. */
export function openDesk(): () => void {
  users++;
  next();
  return () => {
    users--;
    if (users > 0) return;
    idle?.forEach(({ end }) => end());
    [idle, wishes] = [null, []];
  };
}

/** Gives the first wish that is still one to a worker that has nothing to do. */
function next(): void {
  if (users === 0) return;
  const count = Math.min(3, Math.max(1, navigator.hardwareConcurrency || 2));
  idle ??= Array.from({ length: count }, () => start());
  const mine = idle;
  while (mine.length > 0 && wishes.length > 0) {
    const wish = wishes.shift();
    if (!wish || wish.signal.aborted) continue;
    const worker = mine.pop() as OwnWorker<DeskApi>;
    void wish.run(worker).then((well) => {
      if (idle !== mine || !well) worker.end();
      if (idle !== mine) return;
      mine.push(well ? worker : start());
      next();
    });
  }
}

/** Asks the first worker that has nothing to do; who looks away (`signal`) waits no more. */
const asked = <T>(signal: AbortSignal, ask: (api: OwnWorker<DeskApi>['api']) => Promise<T>): Promise<T> =>
  new Promise((resolve, reject) => {
    signal.addEventListener('abort', () => reject(new Error('looked away')));
    wishes.push({
      signal,
      run: (worker) =>
        worker.ask(ask(worker.api)).then(
          (made) => (resolve(made), true),
          (reason: unknown) => (reject(reason), false),
        ),
    });
    next();
  });

/** A picture of the desk as one looks through them; null where there is no such picture. */
export const deskLook = (
  id: string,
  book: Book | null,
  house: HouseAsk,
  signal: AbortSignal,
): Promise<DeskLook | null> => asked(signal, (api) => api.look(id, book, house));

/** The same of a picture of one's own; null where its bytes are gone. */
export const ownLook = (
  asset: Asset,
  book: Book | null,
  house: HouseAsk,
  signal: AbortSignal,
): Promise<DeskLook | null> => asked(signal, (api) => api.ownLook(asset, book, house));

/** A small picture of one of one's own, as a file; null where its bytes are gone. */
export const smallOfOwn = (asset: Asset, signal: AbortSignal): Promise<Uint8Array<ArrayBuffer> | null> =>
  asked(signal, (api) => api.smallOfOwn(asset));

/** A file as a picture for the library. Faults: those of `takePicture`. */
export const takeOwn = (
  bytes: Uint8Array<ArrayBuffer>,
  name: string,
  folder: string,
  addedAt: string,
  signal: AbortSignal,
): Promise<Result<TakenOwn>> =>
  asked<Result<TakenOwn>>(signal, async (api) => api.takeOwn(bytes, name, folder, addedAt));

/** A picture of one's own as a title takes it; null where its bytes are gone. */
export const wholeOwn = (asset: Asset, signal: AbortSignal): Promise<TakenPicture | null> =>
  asked(signal, (api) => api.wholeOwn(asset));

/** A picture painted whole by a worker of its own; `stop` ends it, and null comes of that. */
export function paintWhole(id: string, onProgress: (share: number) => void) {
  const { api, ask, end } = start();
  let stopped = false;
  const done = ask(api.whole(id, proxy(onProgress)))
    .catch((reason: unknown) => {
      if (stopped) return null;
      throw reason;
    })
    .finally(end);
  return {
    done,
    stop: () => {
      stopped = true;
      end();
    },
  };
}
