import type { ReactNode } from 'react';
import { focusOn } from './opener';

/** A way past what comes first on a page, for the keyboard: seen only while it has the focus. `to` names what it leads to; the page itself without it. */
export function SkipLink({ to, children }: { to?: string; children: ReactNode }) {
  return (
    <button
      type="button"
      onClick={() => focusOn(to === undefined ? null : document.querySelector<HTMLElement>(to))}
      className="sr-only z-30 rounded-sm bg-card px-3 py-1.5 font-semibold focus:not-sr-only focus:absolute focus:top-2 focus:left-2"
    >
      {children}
    </button>
  );
}
