import type { Card, FileState } from '@yosomi/core/shelf';
import { useEffect } from 'react';
import { create } from 'zustand';
import { onOthers } from '../../platform/other-windows';
import { nowMs } from '../../platform/clock';
import { lookThroughBeside } from '../../work/shelf';
import { useRuns } from '../deliver/runs';
import { useShelfAsk } from './ask';

/** How the files of each title stand, as far as it has been looked through. What is known stays while it is looked at anew. */
export const useFileStates = create<{ readonly states: ReadonlyMap<string, FileState> }>(() => ({ states: new Map() }));

/** Titles looked through by one message. */
const SOME = 12;

const waiting = new Set<string>();
/** When each title had been changed last that was looked through. */
const seen = new Map<string, string>();
let going = false;

const waitedFor = (): boolean => {
  const { sort, group } = useShelfAsk.getState().ask;
  return sort === 'files' || group === 'files';
};

async function go(): Promise<void> {
  if (going) return;
  going = true;
  while (waiting.size > 0) {
    const some = [...waiting].slice(0, SOME);
    for (const id of some) waiting.delete(id);
    const began = nowMs();
    const looked = await lookThroughBeside(some).catch(() => []);
    useFileStates.setState(({ states }) => {
      const next = new Map(states);
      for (const { id, state } of looked) {
        if (state) next.set(id, state);
        else next.delete(id);
      }
      return { states: next };
    });
    // The machine has others to serve, unless somebody waits for it.
    const pause = waitedFor() ? 0 : nowMs() - began;
    await new Promise((done) => setTimeout(done, pause));
  }
  going = false;
}

function look(ids: Iterable<string>): void {
  for (const id of ids) waiting.add(id);
  void go();
}

/**
 * Looks through every title of the Shelf beside the page: once, and again those that change, with the others of their series, whose files may
 * show them. A title that turns out damaged loses its card by that, and is said.
 */
export function useLookThrough(cards: readonly Card[]): void {
  useEffect(() => {
    const fresh = new Set(cards.filter((card) => seen.get(card.id) !== card.updatedAt));
    const series = new Set([...fresh].flatMap((card) => card.series || []));
    for (const card of fresh) seen.set(card.id, card.updatedAt);
    look(cards.filter((card) => fresh.has(card) || series.has(card.series)).map(({ id }) => id));
  }, [cards]);
}

/** Files of titles that were looked through have been made: here, or in another window. */
const made = (ids: readonly (string | undefined)[]): void =>
  look(ids.filter((id): id is string => id !== undefined && seen.has(id)));

useRuns.subscribe(({ runs }, before) => {
  for (const run of Object.values(runs)) {
    const was = before.runs[run.id];
    if (run !== was && run.done !== was?.done) made([run.now?.book, was?.now?.book]);
  }
});
onOthers((news) => news.kind === 'made' && made([news.title]));
