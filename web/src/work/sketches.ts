import { Chooser } from '@yosomi/core/sketch';
import { type OwnWorker, ownWorker } from './own-worker';
import type { Planned, SheetJob, SketchApi, SketchView } from './sketch.worker';

/** How many covers a sheet has. */
export const SHEET_COVERS = 48;

let pool: OwnWorker<SketchApi>[] | null = null;

/** Workers for sheets, as many as cores but at most four; kept from sheet to sheet with their fonts and pictures. */
function workers(): OwnWorker<SketchApi>[] {
  const count = Math.min(4, Math.max(1, navigator.hardwareConcurrency || 2));
  pool ??= Array.from({ length: count }, () =>
    ownWorker<SketchApi>(
      new Worker(new URL('./sketch.worker.ts', import.meta.url), { type: 'module' }),
      endSketchWorkers,
    ),
  );
  return pool;
}

/** How many of them there are, and one of them by its number. */
export const sketchLanes = (): number => workers().length;
export const sketchLane = (at: number): OwnWorker<SketchApi> => workers()[at];

/** One of them, for what is asked beside a sheet. */
export const sketchWorker = (): OwnWorker<SketchApi> => workers()[0];

let warmed = false;

/** Starts the workers and lets them load their fonts, where a sheet is likely to be next. */
export function warmSketches(pictures: readonly string[] = []): void {
  if (warmed) return;
  warmed = true;
  for (const { api, ask } of workers()) ask(api.warm(pictures)).catch(() => (warmed = false));
}

/** Lets go of the workers with what they hold. */
function endSketchWorkers(): void {
  pool?.forEach(({ end }) => end());
  pool = null;
}

/**
 * Makes the covers of a sheet and hands each over as it comes onto it. Workers take the places of the plan as they
 * are free; what they make is looked at in the order of the plan, so that the sheet is the same on any machine.
 * `going` is asked before each place, and `turn` waits while something else comes first. Throws where a worker breaks.
 */
export async function composeInWorkers(
  job: SheetJob,
  onCover: (made: SketchView) => void,
  onPlaces: (share: number) => void,
  going: () => boolean,
  turn: () => Promise<void>,
): Promise<Planned> {
  const all = workers();
  const planned = await Promise.all(all.map(({ api, ask }) => ask(api.prepare(job))));
  const [plan] = planned;
  if (plan.kind === 'none') return plan;
  // One worker that could not read the symbols plans another sheet than the rest.
  if (planned.some((one) => one.kind === 'plan' && one.symbols !== plan.symbols)) throw new Error('plans differ');
  const chooser = new Chooser<SketchView>(SHEET_COVERS, plan.structures, job.kept !== null, plan.oneWithoutOf);
  const made = new Map<number, SketchView | null>();
  let next = 0;
  let seen = 0;
  const take = (): void => {
    for (let one = made.get(seen); one !== undefined; one = made.get(seen)) {
      made.delete(seen++);
      if (one) for (const cover of chooser.offer(one)) onCover(cover);
    }
    onPlaces(Math.max(chooser.chosen.length / SHEET_COVERS, seen / plan.slots));
  };
  await Promise.all(
    all.map(async ({ api, ask }) => {
      while (going() && !chooser.full && next < plan.slots) {
        await turn();
        if (!going()) return;
        const place = next++;
        const one = await ask(api.fill(place));
        if (!going()) return;
        made.set(place, one);
        take();
      }
    }),
  );
  if (going()) for (const cover of chooser.rest()) onCover(cover);
  return plan;
}
