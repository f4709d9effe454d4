import { create } from 'zustand';
import { onOthers } from '../../platform/other-windows';

/** Goes up when one's own pictures have changed, in this window or another. */
export const useOwnRev = create<{ readonly rev: number }>(() => ({ rev: 0 }));

export const ownChanged = (): void => useOwnRev.setState(({ rev }) => ({ rev: rev + 1 }));

/** Many that come in one after the other in another window are shown at once. */
const TOGETHER_MS = 400;

/** Hears what other windows change. Answers how to stop. */
export function hearOthers(): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const deaf = onOthers((news) => {
    if (news.kind !== 'pictures') return;
    timer ??= setTimeout(() => {
      timer = undefined;
      ownChanged();
    }, TOGETHER_MS);
  });
  return () => {
    deaf();
    clearTimeout(timer);
  };
}
