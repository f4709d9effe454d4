import { ChevronDown, ChevronRight } from 'lucide-react';
import { type ReactNode, useState } from 'react';

/** Which folded groups a person has opened, by title: they stay so from part to part. */
const opened = new Map<string, boolean>();

/** A group of an inspector: a question or a plain phrase, and what answers it. `folded` ones open on a click. */
export function Group({ title, folded, children }: { title: string; folded?: boolean; children: ReactNode }) {
  const [open, setOpen] = useState(opened.get(title) ?? !folded);
  if (folded === undefined) {
    return (
      <section aria-label={title} className="flex flex-col gap-2.5 border-b border-line px-4 py-3.5 last:border-b-0">
        <h3 className="text-xs font-semibold text-ink-2">{title}</h3>
        {children}
      </section>
    );
  }
  const toggle = (): void => {
    opened.set(title, !open);
    setOpen(!open);
  };
  return (
    <section aria-label={title} className="border-b border-line last:border-b-0">
      <h3>
        <button
          type="button"
          aria-expanded={open}
          onClick={toggle}
          className="flex w-full items-center justify-between px-4 py-3 text-xs font-semibold text-ink-2 hover:text-ink"
        >
          {title}
          {open ? <ChevronDown size={14} aria-hidden /> : <ChevronRight size={14} aria-hidden />}
        </button>
      </h3>
      {open && <div className="flex flex-col gap-2.5 px-4 pb-3.5">{children}</div>}
    </section>
  );
}
