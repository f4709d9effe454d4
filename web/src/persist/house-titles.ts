import { type Fault, type Result, type Shared, fault } from '@yosomi/core/base';
import type { House } from '@yosomi/core/project';
import {
  type HouseChange,
  type HouseUse,
  type Touches,
  houseEdit,
  housePlan,
  houseUse,
  touchedBy,
} from '@yosomi/core/recipe';
import { editStored, loadBook } from './titles';

/** A title that changes of a house touch, or that cannot take them. `changed` is false where they are named, but nothing may be changed. */
export type TouchedTitle = { readonly id: string } & (
  | { readonly touches: Touches; readonly front: boolean; readonly changed: boolean; readonly fault: null }
  | { readonly touches: null; readonly front: false; readonly changed: false; readonly fault: Fault }
);

/** So many are read between two words of how far it is. */
const SOME = 20;

/** Tells how far something is; what answers false ends it. */
export type OnSome = (done: number, of: number) => unknown;

async function eachTitle(ids: readonly string[], onSome: OnSome, run: (id: string) => Promise<void>): Promise<boolean> {
  for (const [i, id] of ids.entries()) {
    if (i % SOME === 0 && (await onSome(i, ids.length)) === false) return false;
    await run(id);
  }
  return true;
}

/** What stored titles use; one that cannot be read is left out. */
export async function usesOf(ids: readonly string[], onSome: OnSome): Promise<HouseUse[]> {
  const uses: HouseUse[] = [];
  await eachTitle(ids, onSome, async (id) => {
    const book = await loadBook(id);
    if (book.ok) uses.push(houseUse(book.value));
  });
  return uses;
}

/** The titles that changes of a house touch; null where it was ended. Throws where the changes are none. */
export async function touchedTitles(
  ids: readonly string[],
  changes: readonly HouseChange[],
  fonts: Pick<House, 'faces'>,
  onSome: OnSome,
): Promise<TouchedTitle[] | null> {
  const plan = housePlan(changes);
  if (!plan.ok) throw new Error(plan.fault.code);
  const found: TouchedTitle[] = [];
  const whole = await eachTitle(ids, onSome, async (id) => {
    const book = await loadBook(id);
    const touched = book.ok ? touchedBy(book.value, plan.value, fonts) : book;
    if (!touched.ok) {
      // A title that is gone is none of these.
      if (touched.fault.code !== 'title-gone')
        found.push({
          id,
          touches: null,
          front: false,
          changed: false,
          fault: fault(touched.fault.code, touched.fault.data),
        });
    } else if (touched.value) {
      const { touches, front, change } = touched.value;
      found.push({ id, touches, front, changed: change !== null, fault: null });
    }
  });
  return whole ? found : null;
}

const LABEL = 'Changed by the house style';

/** Makes changes of a house in one title, as a step that others share. Faults: those of `housePlan` and of `editStored`. */
export async function changeTitle(
  id: string,
  changes: readonly HouseChange[],
  fonts: Pick<House, 'faces'>,
  step: Shared,
  now: string,
): Promise<Result<void>> {
  const plan = housePlan(changes);
  return plan.ok ? editStored(id, LABEL, houseEdit(plan.value, fonts), now, step) : plan;
}
