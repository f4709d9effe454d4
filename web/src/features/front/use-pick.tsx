import type { Doc } from '@yosomi/core/cover';
import type { Point } from '@yosomi/core/plane';
import { type KeyboardEvent, type ReactNode, type RefObject, useEffect, useRef, useState } from 'react';
import { arrowStep } from '../../ui/arrow-keys';
import { colourAt } from './colour-at';

/** What waits for a colour of the cover. */
export type Picking = { take(hex: string): void; end(): void };

/** What an arrow key moves the place by, px of the screen; and with Shift. */
const STEP = 3;
const LARGE = 24;

/** A colour taken from the cover by a click, or by keys: arrows move a place, Enter takes what is there, Esc ends. */
export function usePick(props: {
  picking: Picking | null;
  doc: Doc;
  /** Px of the screen to one of the cover. */
  k: number;
  room: RefObject<HTMLElement | null>;
  surface: RefObject<HTMLElement | null>;
}): { at(p: Point): void; onKeyDown(e: KeyboardEvent): boolean; mark: ReactNode } {
  const { picking, doc, k, room, surface } = props;
  const [place, setPlace] = useState<Point | null>(null);
  const before = useRef<HTMLElement | null>(null);
  const on = picking !== null;
  useEffect(() => {
    if (!on) return;
    const own = surface.current;
    before.current = document.activeElement instanceof HTMLElement ? document.activeElement : null;
    own?.focus({ preventScroll: true });
    return () => {
      setPlace(null);
      if (document.activeElement === own && before.current?.isConnected) before.current.focus();
    };
  }, [on, surface]);
  const colour = (p: Point): string | null =>
    colourAt(room.current?.querySelector('canvas'), { x: p.x / doc.widthPx, y: p.y / doc.heightPx });
  const at = (p: Point): void => {
    const hex = colour(p);
    if (hex) picking?.take(hex);
  };
  const onKeyDown = (e: KeyboardEvent): boolean => {
    if (!picking) return false;
    if (e.key === 'Escape') picking.end();
    else if (e.key === 'Enter') at(place ?? middle(doc));
    else {
      const d = arrowStep(e, STEP, LARGE);
      if (!d) return false;
      const from = place ?? middle(doc);
      const within = (v: number, most: number): number => Math.min(most - 1, Math.max(0, v));
      setPlace({ x: within(from.x + d[0] / k, doc.widthPx), y: within(from.y + d[1] / k, doc.heightPx) });
    }
    e.preventDefault();
    e.stopPropagation();
    return true;
  };
  const hex = place && colour(place);
  const mark = place && picking && (
    <>
      <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full overflow-visible">
        {[3, 1].map((thick) => (
          <path
            key={thick}
            d={`M${place.x * k - 9} ${place.y * k}h6m6 0h6M${place.x * k} ${place.y * k - 9}v6m0 6v6`}
            stroke={thick === 3 ? '#101112' : '#ffffff'}
            strokeWidth={thick}
          />
        ))}
      </svg>
      <span
        role="status"
        className="pointer-events-none absolute flex items-center gap-1.5 rounded-sm bg-card px-1.5 py-0.5 font-mono text-xs text-ink shadow-cover"
        style={{ left: place.x * k + 14, top: place.y * k + 14 }}
      >
        <span aria-hidden className="size-3.5 rounded-xs border border-edge" style={{ background: hex ?? undefined }} />
        {hex ?? 'Nothing here'}
      </span>
    </>
  );
  return { at, onKeyDown, mark };
}

const middle = ({ widthPx, heightPx }: Doc): Point => ({ x: widthPx / 2, y: heightPx / 2 });
