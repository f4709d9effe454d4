import type { ReactNode } from 'react';

/** A group of an inspector: a question or a plain phrase, and what answers it. */
export function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="flex flex-col gap-2.5 border-b border-line px-4 py-3.5 last:border-b-0">
      <h3 className="text-xs font-semibold text-ink-2">{title}</h3>
      {children}
    </section>
  );
}
