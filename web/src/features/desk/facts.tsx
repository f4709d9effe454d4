import type { ReactNode } from 'react';

/** What is known of a picture, line by line. */
export function Facts({ facts }: { facts: readonly (readonly [name: string, value: ReactNode])[] }) {
  return (
    <dl className="flex flex-col gap-1.5">
      {facts.map(([name, value]) => (
        <div key={name} className="flex gap-3">
          <dt className="w-20 shrink-0 text-ink-2">{name}</dt>
          <dd className="min-w-0">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
