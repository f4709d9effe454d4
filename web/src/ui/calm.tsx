import type { ReactNode } from 'react';
import { useRested } from './use-rested';

/** The value, but while `busy` only as it was when it last rested. */
export function useCalm<T>(value: T, busy: boolean): T {
  const rested = useRested(value);
  return busy ? rested : value;
}

/** What accompanies a drag: it waits until the hand rests, so that every frame belongs to what is under the hand. */
export function Calm({ busy, children }: { busy: boolean; children: ReactNode }) {
  return <>{useCalm(children, busy)}</>;
}
