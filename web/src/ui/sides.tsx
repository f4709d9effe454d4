import { type ReactNode, createContext, useContext, useState, useSyncExternalStore } from 'react';

/** Below this width panels no longer stand beside the work together, px. */
const NARROW = '(max-width: 999px)';

function useNarrow(): boolean {
  return useSyncExternalStore(
    (tell) => {
      const query = window.matchMedia(NARROW);
      query.addEventListener('change', tell);
      return () => query.removeEventListener('change', tell);
    },
    () => window.matchMedia(NARROW).matches,
  );
}

const Open = createContext<{ readonly narrow: boolean; readonly open: string | null }>({ narrow: false, open: null });

/** A page with panels beside the work. Where there is little room one of them is shown at a time, by a button above. */
export function Sides({ names, children }: { names: readonly string[]; children: ReactNode }) {
  const narrow = useNarrow();
  const [open, setOpen] = useState<string | null>(null);
  return (
    <Open.Provider value={{ narrow, open }}>
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        {narrow && (
          <div role="toolbar" aria-label="Panels" className="flex h-9 shrink-0 items-stretch border-b border-line px-2">
            {names.map((name) => (
              <button
                key={name}
                type="button"
                aria-pressed={open === name}
                onClick={() => setOpen(open === name ? null : name)}
                className="border-y-2 border-transparent px-3 text-ink-2 hover:text-ink aria-pressed:border-b-ink aria-pressed:font-semibold aria-pressed:text-ink"
              >
                {name}
              </button>
            ))}
          </div>
        )}
        <div className="flex min-h-0 min-w-0 flex-1">{children}</div>
      </div>
    </Open.Provider>
  );
}

/**
 * One of those panels. The work keeps at least half the width beside it. A panel that is not shown is still there, so that what was typed in it, and
 * a dialog that was opened from it, are not lost when a window is made narrow.
 */
export function Side({ name, children }: { name: string; children: ReactNode }) {
  const { narrow, open } = useContext(Open);
  const shown = open === name ? 'flex max-w-1/2 shrink-0 overflow-auto' : 'hidden';
  return <div className={narrow ? shown : 'contents'}>{children}</div>;
}
