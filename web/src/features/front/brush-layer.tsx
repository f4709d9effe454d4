import { type PicturePart, brushPicture } from '@yosomi/core/cover';
import type { Point, Rect } from '@yosomi/core/plane';
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';
import { useSession } from '../../state/session';
import { useBrush } from './brush';
import { BrushRing } from './brush-ring';
import type { On } from './use-set';

/** Steps of the keys, px of the cover. */
const STEP = { near: 20, far: 100 } as const;

/**
 * Lies over the cover while a picture is painted away: strokes by hand, or the brush moved by arrow keys and set down by Enter;
 * [ and ] make it smaller and larger, X takes away or brings back, Escape ends.
 */
export function BrushLayer(props: { part: PicturePart; frame: Rect; k: number; on: On; onEnd(): void }) {
  const { part, frame, k, on, onEnd } = props;
  const edit = useSession((s) => s.edit);
  const { show, widthPx, soft, set } = useBrush();
  const layer = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<Point>({ x: frame.x + frame.width / 2, y: frame.y + frame.height / 2 });
  const [stroke, setStroke] = useState<readonly Point[]>([]);
  const [told, setTold] = useState('');
  useEffect(() => layer.current?.focus(), []);

  const inCover = (e: PointerEvent): Point => {
    const corner = layer.current?.getBoundingClientRect() ?? { x: 0, y: 0 };
    return { x: (e.clientX - corner.x) / k, y: (e.clientY - corner.y) / k };
  };
  const lay = (points: readonly Point[]): void => {
    const name = show ? 'Bring back' : 'Paint away';
    if (edit(name, on(brushPicture(part.id, points, { show, widthPx, soft })))) setTold(`${name}: done.`);
  };
  const up = (): void => {
    if (stroke.length > 0) lay(stroke);
    setStroke([]);
  };
  const onKeyDown = (e: KeyboardEvent): void => {
    const step = e.shiftKey ? STEP.far : STEP.near;
    const move = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[e.key];
    if (move) setAt({ x: at.x + move[0], y: at.y + move[1] });
    else if (e.key === 'Enter' || e.key === ' ') lay([at]);
    else if (e.key === 'Escape') {
      set({ part: null });
      onEnd();
    } else if (e.key === '[') set({ widthPx: Math.max(8, Math.round(widthPx / 1.2)) });
    else if (e.key === ']') set({ widthPx: Math.min(1200, Math.round(widthPx * 1.2)) });
    else if (e.key === 'x') set({ show: !show });
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const radius = (widthPx * k) / 2;
  return (
    <div
      ref={layer}
      role="application"
      aria-label={`Brush on the picture, ${show ? 'brings back' : 'takes away'}. Arrow keys move it, Enter paints, X changes what it does, brackets change its size, Escape ends.`}
      tabIndex={0}
      data-brush
      className="absolute inset-0 cursor-none touch-none overflow-hidden"
      onKeyDown={onKeyDown}
      onPointerDown={(e) => {
        if (e.button !== 0) return;
        e.stopPropagation();
        e.currentTarget.setPointerCapture(e.pointerId);
        setStroke([inCover(e)]);
      }}
      onPointerMove={(e) => {
        e.stopPropagation();
        const p = inCover(e);
        setAt(p);
        if (stroke.length > 0) setStroke([...stroke, p]);
      }}
      onPointerUp={up}
      onPointerCancel={() => setStroke([])}
    >
      <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden>
        {stroke.length > 0 && (
          <polyline
            points={[...stroke, stroke[stroke.length - 1]].map((p) => `${p.x * k},${p.y * k}`).join(' ')}
            fill="none"
            stroke={show ? '#2f7fa6' : '#ffffff'}
            strokeOpacity={0.5}
            strokeLinecap="round"
            strokeLinejoin="round"
            strokeWidth={radius * 2}
          />
        )}
        <BrushRing x={at.x * k} y={at.y * k} r={radius} thick={1.5} />
      </svg>
      <span className="sr-only" role="status">
        {told}
      </span>
    </div>
  );
}
