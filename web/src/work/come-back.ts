import { useSyncExternalStore } from 'react';

let times = 0;
const listeners = new Set<() => void>();

/** A picture that was missing is there again: what was painted without it is painted anew. */
export function cameBack(): void {
  times++;
  for (const tell of listeners) tell();
}

/** Hears of every one that comes back, for as long as the page stands. */
export const onComeBack = (tell: () => void): void => void listeners.add(tell);

/** How often pictures have come back: what is painted depends on it. */
export const useComeBack = (): number =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => times,
  );
