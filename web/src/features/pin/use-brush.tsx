import { type Mark, type Marked, addMark, goOn } from '@yosomi/core/pin';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import { arrowStep } from '../../ui/arrow-keys';
import type { SetPin } from './use-pin';

export type Brush = {
  readonly tool: 'paint' | 'erase' | 'colour';
  /** Px of the photograph. */
  readonly radius: number;
  readonly soft: number;
  readonly tolerance: number;
  readonly joined: boolean;
};

export const LABELS: Readonly<Record<Marked, string>> = {
  front: 'Mark what is in front',
  away: 'Mark the background',
  shade: 'Paint shade',
  light: 'Paint light',
};

const rounded = (v: number): number => Math.round(v * 10) / 10;

/** Painting marks on the photograph with the pointer or, with a cross moved by the arrow keys and the space bar, without. */
export function useBrush(
  on: Marked | null,
  brush: Brush,
  scale: number,
  set: SetPin,
  onDrag: (dragging: boolean) => void,
) {
  const stroke = useRef<string | null>(null);
  const last = useRef<readonly [number, number]>([0, 0]);
  const [cross, setCross] = useState<readonly [number, number] | null>(null);

  const begin = (at: readonly [number, number], key: string): void => {
    if (!on) return;
    const point: [number, number] = [rounded(at[0]), rounded(at[1])];
    const { tool, radius, soft, tolerance, joined } = brush;
    const mark: Mark =
      tool === 'colour'
        ? { kind: 'range', on, add: true, at: point, tolerance, joined }
        : { kind: 'brush', on, add: tool === 'paint', radius, soft, points: [point] };
    set(LABELS[on], (pin) => addMark(pin, mark), key);
    last.current = point;
  };
  const go = (at: readonly [number, number], key: string): void => {
    // Points closer than a fifth of the brush do not show.
    if (!on || Math.hypot(at[0] - last.current[0], at[1] - last.current[1]) < Math.max(1, brush.radius / 5)) return;
    last.current = at;
    set(LABELS[on], (pin) => goOn(pin, [rounded(at[0]), rounded(at[1])]), key);
  };
  const end = (): void => {
    stroke.current = null;
    onDrag(false);
  };
  const place = (e: PointerEvent<HTMLElement>): readonly [number, number] => {
    const box = e.currentTarget.getBoundingClientRect();
    return [(e.clientX - box.left) / scale, (e.clientY - box.top) / scale];
  };
  return {
    /** Where the brush is, px of the photograph. */
    cross,
    handlers: on && {
      onPointerDown: (e: PointerEvent<HTMLElement>) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        const key = `stroke-${e.timeStamp}`;
        begin(place(e), key);
        stroke.current = brush.tool === 'colour' ? null : key;
        onDrag(stroke.current !== null);
      },
      onPointerMove: (e: PointerEvent<HTMLElement>) => {
        setCross(place(e));
        if (stroke.current) go(place(e), stroke.current);
      },
      onPointerUp: end,
      onPointerCancel: end,
      onPointerLeave: () => setCross(null),
      onKeyDown: (e: KeyboardEvent<HTMLElement>) => {
        const box = e.currentTarget.getBoundingClientRect();
        const at = cross ?? ([box.width / scale / 2, box.height / scale / 2] as const);
        const d = arrowStep(e, e.altKey ? 1 : brush.radius / 2, brush.radius * 2);
        if (d) setCross([at[0] + d[0], at[1] + d[1]]);
        if (e.key !== ' ' && e.key !== 'Enter') return;
        e.preventDefault();
        setCross(at);
        begin(at, `dab-${e.timeStamp}`);
      },
    },
  };
}
