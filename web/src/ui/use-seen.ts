import { type RefObject, useLayoutEffect, useState } from 'react';

/** What is seen of an element that scrolls, in px inside its padding: so that only what is near needs to be there. */
export type Seen = { readonly top: number; readonly width: number; readonly height: number };

/** Steps in which scrolling is told: finer ones would draw everything anew for nothing. */
const STEP = 40;

export function useSeen(ref: RefObject<HTMLElement | null>): Seen {
  const [seen, setSeen] = useState<Seen>({ top: 0, width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const look = (): void => {
      const { paddingLeft, paddingRight } = getComputedStyle(element);
      const next = {
        top: Math.floor(element.scrollTop / STEP) * STEP,
        width: element.clientWidth - parseFloat(paddingLeft) - parseFloat(paddingRight),
        height: element.clientHeight + STEP,
      };
      setSeen((now) => (now.top === next.top && now.width === next.width && now.height === next.height ? now : next));
    };
    const observer = new ResizeObserver(look);
    observer.observe(element);
    element.addEventListener('scroll', look, { passive: true });
    return () => {
      observer.disconnect();
      element.removeEventListener('scroll', look);
    };
  }, [ref]);
  return seen;
}
