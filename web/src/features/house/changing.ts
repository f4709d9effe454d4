import { type Fault, type Result, type Shared, fail, ok } from '@yosomi/core/base';
import type { House } from '@yosomi/core/project';
import { type HouseChange, houseAfter, housePlan } from '@yosomi/core/recipe';
import { create } from 'zustand';
import { sayFault } from '../../messages/say';
import { changeHouseWide } from '../../persist/house-steps';
import type { HouseRow } from '../../persist/keeps';
import { nowIso } from '../../platform/clock';
import { freshId } from '../../platform/ids';
import { follow } from '../../state/follow';
import { changeBeside } from '../../work/house';

/** A title by its id and name. */
export type Named = { readonly id: string; readonly name: string };

/** What is changed: of which house, what, and in which titles. */
export type HouseJob = {
  readonly row: HouseRow;
  readonly house: House;
  readonly changes: readonly HouseChange[];
  readonly titles: readonly Named[];
};

/** What became of a change of the house. */
export type Changed = {
  readonly step: Shared;
  readonly changed: readonly Named[];
  readonly failed: readonly (Named & { readonly fault: Fault })[];
  /** Titles that nothing was done with, for it was stopped, or there was no more room. */
  readonly left: readonly Named[];
  readonly job: HouseJob;
};

type Changing = {
  /** `back` while a change is taken back: that goes through to its end. */
  readonly now: { readonly done: number; readonly of: number; readonly back: boolean } | null;
  readonly last: Changed | null;
};

/** How far a change of the house is in its titles. It goes on wherever the person is. */
export const useChanging = create<Changing>(() => ({ now: null, last: null }));

/** Where these happen to one, they would happen to all. */
const ENDING = new Set(['store-full', 'store-failed']);

let stopping: AbortController | null = null;
export const stopChanging = (): void => stopping?.abort();
export const forgetChanged = (): void => useChanging.setState({ last: null });

/** `before` is what became of the same change so far: it goes on as the same step, which is taken back as one. */
async function run(job: HouseJob, before: Changed | null): Promise<void> {
  const { row, house, changes } = job;
  const titles = before ? [...before.failed.map(({ id, name }) => ({ id, name })), ...before.left] : job.titles;
  const plan = housePlan(changes);
  if (!plan.ok) return sayFault(plan.fault);
  const stop = new AbortController();
  stopping = stop;
  const step: Shared = before?.step ?? { id: freshId(), titles: titles.map(({ id }) => id) };
  useChanging.setState({ now: { done: 0, of: titles.length, back: false }, last: null });
  // The house first: what is begun in its titles then can be gone on with by what they still say.
  const kept = before ? ok(undefined) : await changeHouseWide(row, step.id, (now) => houseAfter(now, plan.value));
  if (!kept.ok) {
    useChanging.setState({ now: null });
    return sayFault(kept.fault);
  }
  const changed: Named[] = [];
  const failed: Changed['failed'][number][] = [];
  const through = (): number => changed.length + failed.length;
  for (const title of titles) {
    if (stop.signal.aborted) break;
    const done = await changeBeside(title.id, changes, { faces: house.faces }, step, nowIso()).catch((): Result<void> =>
      fail('work-failed'),
    );
    if (done.ok) changed.push(title);
    else {
      failed.push({ ...title, fault: done.fault });
      if (ENDING.has(done.fault.code)) stop.abort();
    }
    useChanging.setState({ now: { done: through(), of: titles.length, back: false } });
  }
  useChanging.setState({
    now: null,
    last: { step, changed: [...(before?.changed ?? []), ...changed], failed, left: titles.slice(through()), job },
  });
}

/** Changes the house style, and the titles that are named, each stored before the next; one that fails stops none. */
export const changeHouseAndTitles = (job: HouseJob): void => begin(job, null);

/** Goes on with the titles that a change has not come to, or that failed. */
export const goOn = (last: Changed): void => begin(last.job, last);

function begin(job: HouseJob, before: Changed | null): void {
  if (stopping) return;
  run(job, before)
    .catch(() => {
      useChanging.setState({ now: null });
      sayFault({ code: 'work-failed', data: {} });
    })
    .finally(() => (stopping = null));
}

/** Takes the last change back, in its titles and in the house. */
export async function takeBack({ step }: Changed): Promise<void> {
  useChanging.setState({ now: { done: 0, of: step.titles.length, back: true }, last: null });
  await follow(step, 'undo', null, (done, of) => useChanging.setState({ now: { done, of, back: true } }));
  useChanging.setState({ now: null });
}

if (typeof window !== 'undefined') {
  window.addEventListener('beforeunload', (e) => {
    if (useChanging.getState().now) e.preventDefault();
  });
}
