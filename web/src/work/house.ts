import type { House } from '@yosomi/core/project';
import type { HouseChange, HouseUse } from '@yosomi/core/recipe';
import { proxy } from 'comlink';
import { type OnSome, type TouchedTitle, changeTitle, touchedTitles, usesOf } from '../persist/house-titles';
import { inMemory } from '../persist/memory';
import { loadBook } from '../persist/titles';
import type { BeforeAfter, HouseApi } from './house.worker';
import { supervised } from './own-worker';

export type { BeforeAfter };

const worker = supervised<HouseApi>(
  () => new Worker(new URL('./house.worker.ts', import.meta.url), { type: 'module' }),
);

/** What titles use, read beside the page; where the browser stores nothing, the page alone can read them. */
export const usesBeside = (ids: readonly string[], onSome: OnSome): Promise<HouseUse[]> =>
  inMemory() ? usesOf(ids, onSome) : worker.usesOf(ids, proxy(onSome));

/** The titles that changes of a house touch; null where `onSome` ended it. */
export const touchedBeside = (
  ids: readonly string[],
  changes: readonly HouseChange[],
  fonts: Pick<House, 'faces'>,
  onSome: OnSome,
): Promise<TouchedTitle[] | null> =>
  inMemory() ? touchedTitles(ids, changes, fonts, onSome) : worker.touchedTitles(ids, changes, fonts, proxy(onSome));

/** Makes changes of a house in one title, beside the page. Faults: those of `changeTitle`. */
export const changeBeside: typeof changeTitle = (...asked) =>
  inMemory() ? changeTitle(...asked) : worker.changeTitle(...asked);

/** Fronts are painted one after the other; what is no longer looked at when its turn comes is left out. */
let line: Promise<unknown> = Promise.resolve();

/** A front before and after changes of the house; null where they do not change the title, or it cannot be read. */
export function beforeAfter(
  id: string,
  changes: readonly HouseChange[],
  fonts: Pick<House, 'faces'>,
  widthPx: number,
  signal: AbortSignal,
): Promise<BeforeAfter | null> {
  const mine = line.then(async () => {
    signal.throwIfAborted();
    const book = await loadBook(id);
    return book.ok ? worker.beforeAfter(book.value, changes, fonts, widthPx) : null;
  });
  line = mine.catch(() => {});
  return mine;
}
