import type { ReactNode } from 'react';

/** One of a handful of choices that stand beside each other; pressed where it is taken. */
export function Chip(props: { taken: boolean; onTake(): void; disabled?: boolean; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-pressed={props.taken}
      disabled={props.disabled}
      onClick={props.onTake}
      className="rounded-sm border border-edge bg-card px-2 py-1 hover:border-ink disabled:border-line disabled:text-ink-2/70 disabled:hover:border-line aria-pressed:bg-ink aria-pressed:font-semibold aria-pressed:text-card"
    >
      {props.children}
    </button>
  );
}

/** Chips under a name. */
export function Chips(props: { label: string; children: ReactNode }) {
  return (
    <div role="group" aria-label={props.label} className="flex flex-wrap gap-1.5">
      {props.children}
    </div>
  );
}
