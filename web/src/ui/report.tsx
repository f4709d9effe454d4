import { X } from 'lucide-react';
import type { ReactNode } from 'react';

/** What became of many things, until somebody has read it. */
export function Report(props: { label: string; className?: string; onClose(): void; children: ReactNode }) {
  return (
    <section
      aria-label={props.label}
      className={`flex items-start gap-3 bg-blue-wash px-4 py-3 ${props.className ?? ''}`}
    >
      <div className="flex min-w-0 flex-1 flex-col gap-2">{props.children}</div>
      <button
        type="button"
        aria-label="Close this report"
        onClick={props.onClose}
        className="rounded-sm p-1 text-ink-2 hover:text-ink"
      >
        <X size={16} />
      </button>
    </section>
  );
}
