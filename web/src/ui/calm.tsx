import { Component, type ReactNode } from 'react';
import { useRested } from './use-rested';

/** The value, but while `busy` only as it was when it last rested. */
export function useCalm<T>(value: T, busy: boolean): T {
  const rested = useRested(value);
  return busy ? rested : value;
}

/** Its children, but while `fixed` as they were before: they are not even compared. */
class Still extends Component<{ fixed: boolean; children: ReactNode }> {
  override shouldComponentUpdate(next: { fixed: boolean }): boolean {
    return !next.fixed;
  }
  override render(): ReactNode {
    return this.props.children;
  }
}

/** What accompanies a drag: it waits until the hand rests, so that every frame belongs to what is under the hand. */
export function Calm({ busy, children }: { busy: boolean; children: ReactNode }) {
  const rested = useRested(children);
  return <Still fixed={busy && rested !== children}>{children}</Still>;
}
