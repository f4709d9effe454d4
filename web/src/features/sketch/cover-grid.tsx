import { findStructure } from '@yosomi/core/sketch';
import { Check, Star } from 'lucide-react';
import type { KeyboardEvent } from 'react';
import { Bitmap } from '../../ui/bitmap';

/** A cover as the sheet shows it. */
export type GridCover = {
  readonly id: string;
  readonly bitmap: ImageBitmap | null;
  readonly structure: string;
  readonly kept: boolean;
  readonly compared: boolean;
};

/** Which neighbour of a tile an arrow key leads to; the rows are those that are seen. */
function neighbourOf(e: KeyboardEvent<HTMLElement>): HTMLElement | null {
  const all = [...e.currentTarget.querySelectorAll<HTMLElement>('button[data-cover]')];
  const at = all.findIndex((one) => one === document.activeElement);
  if (at < 0) return null;
  const columns = Math.max(1, all.filter((one) => one.offsetTop === all[0].offsetTop).length);
  const step = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -columns, ArrowDown: columns }[e.key];
  return step === undefined ? null : (all[at + step] ?? null);
}

/** Covers on the light table. Arrow keys lead from one to the next, K keeps and C compares the one in focus. */
export function CoverGrid(props: {
  covers: readonly GridCover[];
  chosen: string | null;
  label: string;
  onChoose(id: string): void;
  onKeep(id: string): void;
  onCompare(id: string): void;
}) {
  const { covers, chosen } = props;
  return (
    <ul
      aria-label={props.label}
      className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-x-5 gap-y-6 p-6"
      onKeyDown={(e) => {
        const next = neighbourOf(e);
        if (next) {
          e.preventDefault();
          next.focus();
          return;
        }
        const at = document.activeElement;
        const id = at instanceof HTMLElement ? at.dataset.cover : undefined;
        if (!id || e.ctrlKey || e.metaKey || e.altKey) return;
        if (e.key === 'k') props.onKeep(id);
        if (e.key === 'c') props.onCompare(id);
      }}
    >
      {covers.map((cover, i) => (
        <li key={cover.id} className="flex flex-col justify-end">
          <button
            type="button"
            data-cover={cover.id}
            aria-pressed={cover.id === chosen}
            aria-label={`Cover ${i + 1}: ${findStructure(cover.structure)?.name ?? cover.structure}${cover.kept ? ', a favourite' : ''}${cover.compared ? ', to compare' : ''}`}
            tabIndex={cover.id === chosen || (chosen === null && i === 0) ? 0 : -1}
            onClick={() => props.onChoose(cover.id)}
            className="relative block w-full outline-offset-4 aria-pressed:outline-3 aria-pressed:outline-blue-pale"
          >
            <Bitmap bitmap={cover.bitmap} label="" className="block w-full shadow-cover" />
            <span className="absolute top-1.5 right-1.5 flex gap-1">
              {cover.kept && <Badge icon={<Star size={12} fill="currentColor" aria-hidden />} />}
              {cover.compared && <Badge icon={<Check size={12} aria-hidden />} />}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}

const Badge = ({ icon }: { icon: React.ReactNode }) => (
  <span className="flex size-5 items-center justify-center rounded-full bg-ink text-card">{icon}</span>
);
