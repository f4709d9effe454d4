import { type PicturePart, levelPicture } from '@yosomi/core/cover';
import type { Point } from '@yosomi/core/plane';
import { type PointerEvent, useEffect, useRef, useState } from 'react';
import { useSession } from '../../state/session';
import { useLevel } from './brush';
import type { On } from './use-set';

/** Lies over the cover while a line is drawn along what is to be level in a picture; Escape ends. */
export function LevelLayer(props: { part: PicturePart; k: number; on: On; onEnd(): void }) {
  const { part, k, on, onEnd } = props;
  const edit = useSession((s) => s.edit);
  const end = useLevel((s) => s.set);
  const layer = useRef<HTMLDivElement>(null);
  const [line, setLine] = useState<readonly [Point, Point] | null>(null);
  useEffect(() => layer.current?.focus(), []);
  const inCover = (e: PointerEvent): Point => {
    const corner = layer.current?.getBoundingClientRect() ?? { x: 0, y: 0 };
    return { x: (e.clientX - corner.x) / k, y: (e.clientY - corner.y) / k };
  };
  const done = (): void => {
    end(null);
    onEnd();
  };
  return (
    <div
      ref={layer}
      role="application"
      aria-label="Draw a line along what is to be level in the picture. Turn inside, in the inspector, does the same by a number. Escape ends."
      tabIndex={0}
      data-level
      className="absolute inset-0 cursor-crosshair touch-none overflow-hidden"
      onKeyDown={(e) => {
        if (e.key !== 'Escape') return;
        e.stopPropagation();
        done();
      }}
      onPointerDown={(e) => {
        if (e.button !== 0) return;
        e.stopPropagation();
        e.currentTarget.setPointerCapture(e.pointerId);
        setLine([inCover(e), inCover(e)]);
      }}
      onPointerMove={(e) => {
        e.stopPropagation();
        if (line) setLine([line[0], inCover(e)]);
      }}
      onPointerUp={() => {
        const level = line && edit('Level the picture', on(levelPicture(part.id, line[0], line[1])));
        setLine(null);
        if (level) done();
      }}
      onPointerCancel={() => setLine(null)}
    >
      {line && (
        <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden>
          {['#ffffff', '#2f7fa6'].map((colour, i) => (
            <line
              key={colour}
              x1={line[0].x * k}
              y1={line[0].y * k}
              x2={line[1].x * k}
              y2={line[1].y * k}
              stroke={colour}
              strokeWidth={i === 0 ? 4 : 2}
            />
          ))}
        </svg>
      )}
    </div>
  );
}
