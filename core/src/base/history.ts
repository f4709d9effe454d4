import { type Change, type Patch, replay } from './change';
import { diff } from './diff';

/** That a step was made in several titles at once: what names it, and in which of them. */
export type Shared = { readonly id: string; readonly titles: readonly string[] };

export type Step = {
  readonly label: string;
  readonly merge: string | null;
  readonly forward: Patch[];
  readonly back: Patch[];
  readonly shared?: Shared;
};
export type History = { readonly past: readonly Step[]; readonly future: readonly Step[] };

export const emptyHistory: History = { past: [], future: [] };

const LIMIT = 1000;

/**
 * Records a change. Two steps with the same non-null merge key (typing in one field, one drag) become one of what differs;
 * a change without patches leaves the history as it is.
 */
export function record<T extends object>(
  history: History,
  change: Change<T>,
  label: string,
  merge: string | null = null,
  shared?: Shared,
): History {
  if (change.forward.length === 0) return history;
  const last = history.past.at(-1);
  const step: Step = { label, merge, forward: change.forward, back: change.back, ...(shared && { shared }) };
  if (last && merge !== null && last.merge === merge && history.future.length === 0) {
    // Of a long drag only what differs in the end is kept; one that ends where it began was none.
    const start = replay(change.before, last.back);
    const forward = diff(start, change.next);
    const past = history.past.slice(0, -1);
    if (forward.length === 0) return { past, future: [] };
    return { past: [...past, { label, merge, forward, back: diff(change.next, start) }], future: [] };
  }
  return { past: [...history.past.slice(-LIMIT + 1), step], future: [] };
}

/** Takes the last step back; null where there is none. */
export function undo<T extends object>(
  state: T,
  history: History,
): { state: T; history: History; label: string } | null {
  const step = history.past.at(-1);
  if (!step) return null;
  return {
    state: replay(state, step.back),
    history: { past: history.past.slice(0, -1), future: [step, ...history.future] },
    label: step.label,
  };
}

/** Takes the step again that was last taken back; null where there is none. */
export function redo<T extends object>(
  state: T,
  history: History,
): { state: T; history: History; label: string } | null {
  const step = history.future[0];
  if (!step) return null;
  return {
    state: replay(state, step.forward),
    history: { past: [...history.past, { ...step, merge: null }], future: history.future.slice(1) },
    label: step.label,
  };
}
