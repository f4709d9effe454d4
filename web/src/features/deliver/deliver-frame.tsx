import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { LeftAsItIs } from '../frame/left-as-it-is';
import { useWishes } from './use-wishes';

const PAGES = [
  { to: '../deliver', label: 'Files' },
  { to: '../deliver/stores', label: 'Stores' },
  { to: '../deliver/check', label: 'Check a file' },
  { to: '../deliver/reader', label: 'Reader' },
] as const;

/** The pages of Deliver: a heading, the way between them, and what the page can do at the right. */
export function DeliverFrame({ actions, children }: { actions?: ReactNode; children: ReactNode }) {
  return (
    <main className="flex min-h-0 flex-1 flex-col overflow-auto px-4 pt-6 pb-10 min-[1000px]:px-10">
      <div className="mb-4 flex min-h-11 shrink-0 flex-wrap items-center gap-x-7 gap-y-2">
        <h1 className="text-lg font-semibold">Deliver</h1>
        <nav aria-label="Parts of Deliver" className="flex gap-5">
          {PAGES.map(({ to, label }) => (
            <NavLink
              key={to}
              end
              to={to}
              className="border-y-2 border-transparent py-1 text-ink-2 hover:text-ink aria-[current=page]:border-b-ink aria-[current=page]:font-semibold aria-[current=page]:text-ink"
            >
              {label}
            </NavLink>
          ))}
        </nav>
        <div className="ml-auto flex flex-wrap items-center gap-2">{actions}</div>
      </div>
      <LeftAsItIs why={useWishes().unread} />
      {children}
    </main>
  );
}
