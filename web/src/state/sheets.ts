import { type Fault, keyOf } from '@yosomi/core/base';
import { create } from 'zustand';
import type { SheetJob, SketchView } from '../work/sketch.worker';
import { composeInWorkers } from '../work/sketches';

/** The covers of one sheet, as far as they are made. */
export type SheetState = {
  readonly key: string;
  readonly covers: readonly SketchView[];
  readonly state: 'making' | 'done' | 'stopped' | 'failed';
  readonly share: number;
  readonly fault: Fault | null;
  /** Pictures of the sheet whose files are not there. */
  readonly lost: number;
  /** Whether the symbols that ship could be read: without them the sheet has type, colour and pictures. */
  readonly symbols: boolean;
};

type Sheets = {
  readonly sheet: SheetState | null;
  /** Makes a sheet, unless it is the one that is there. */
  make(job: SheetJob): void;
  /** Makes it once more; covers that are there stay. */
  again(job: SheetJob): void;
  stop(): void;
};

export const sheetKey = (job: SheetJob): string => {
  const { title, subtitle, author, seriesName, seriesNumber, kind, genres, audience, moods, language } = job.brief;
  return keyOf({
    ...job,
    brief: { title, subtitle, author, seriesName, seriesNumber, kind, genres, audience, moods, language },
  });
};

/** Whether the sheet is looked at; who waits for that. While one works elsewhere the machine is for that: the sheet goes on when one is back. */
let watched = false;
let waiting: (() => void)[] = [];

export function watchSheet(on: boolean): void {
  watched = on;
  if (!on) return;
  for (const go of waiting) go();
  waiting = [];
}

const turn = (): Promise<void> => (watched ? Promise.resolve() : new Promise((go) => waiting.push(go)));

/** Each making of a sheet has its number, so that one that was stopped never hands in again. */
let making = 0;

/** The sheet outlives the screen that shows it: one comes back from Front to the same covers. */
export const useSheets = create<Sheets>((set, get) => {
  const run = async (job: SheetJob): Promise<void> => {
    const mine = ++making;
    const going = (): boolean => making === mine && get().sheet?.state === 'making';
    const change = (more: Partial<SheetState>): void => {
      const { sheet } = get();
      if (sheet && making === mine) set({ sheet: { ...sheet, ...more } });
    };
    let handed = 0;
    const take = (cover: SketchView): void => {
      const covers = get().sheet?.covers ?? [];
      // Made once more after a stop, the first ones are those that are there.
      if (++handed > covers.length) change({ covers: [...covers, cover] });
      else cover.bitmap.close();
    };
    try {
      const plan = await composeInWorkers(
        job,
        (cover) => going() && take(cover),
        (share) => going() && change({ share }),
        going,
        turn,
      );
      if (!going()) return;
      if (plan.kind === 'none') change({ state: 'failed', fault: plan.fault });
      else if (handed === 0) change({ state: 'failed', fault: { code: 'sheet-empty', data: {} } });
      else change({ state: 'done', share: 1, lost: plan.lost, symbols: plan.symbols });
    } catch {
      if (going()) change({ state: 'failed', fault: { code: 'work-failed', data: {} } });
    }
  };
  const again = (job: SheetJob): void => {
    const key = sheetKey(job);
    const now = get().sheet;
    // Covers made without the symbols are none of the sheet that has them.
    const same = now?.key === key && now.symbols;
    const covers = same ? now.covers : [];
    if (now && !same) for (const { bitmap } of now.covers) bitmap.close();
    set({ sheet: { key, covers, state: 'making', share: 0, fault: null, lost: 0, symbols: true } });
    void run(job);
  };
  return {
    sheet: null,
    make(job) {
      const now = get().sheet;
      if (now?.key === sheetKey(job) && now.state !== 'failed') return;
      again(job);
    },
    again,
    stop() {
      const { sheet } = get();
      if (sheet?.state === 'making') set({ sheet: { ...sheet, state: 'stopped' } });
    },
  };
});
