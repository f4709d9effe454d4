import type { Rect } from '@yosomi/core/plane';
import type { PointerEvent } from 'react';

export type Corner = 'nw' | 'n' | 'ne' | 'e' | 'se' | 's' | 'sw' | 'w';

const PLACES: Record<Corner, readonly [x: number, y: number]> = {
  nw: [0, 0],
  n: [0.5, 0],
  ne: [1, 0],
  e: [1, 0.5],
  se: [1, 1],
  s: [0.5, 1],
  sw: [0, 1],
  w: [0, 0.5],
};

/** The frame of the selected part, in screen pixels, with its measurements in cover pixels. */
export function Handles(props: {
  frame: Rect;
  /** The place the part may fill, where it differs from what it fills. */
  area: Rect | null;
  scale: number;
  label: string;
  width: number;
  resizable: boolean;
  onResize(corner: Corner, e: PointerEvent): void;
}) {
  const { frame, area, scale: k, width } = props;
  const box = { x: frame.x * k, y: frame.y * k, width: frame.width * k, height: frame.height * k };
  const place = area ? { x: area.x * k, y: area.y * k, width: area.width * k, height: area.height * k } : box;
  const middle = box.y + box.height / 2;
  const left = Math.round(frame.x);
  const right = Math.round(width / k - frame.x - frame.width);
  const blue = '#a4dded';
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden>
      {area && <rect {...place} fill="none" stroke={blue} strokeDasharray="3 3" opacity={0.9} />}
      <rect {...box} fill="none" stroke={blue} strokeWidth={1.25} />
      <Measure x={box.x} y={box.y - 12} text={props.label} anchor="start" />
      {left > 0 && (
        <>
          <line x1={0} x2={box.x} y1={middle} y2={middle} stroke={blue} />
          <Measure x={box.x / 2} y={middle} text={String(left)} anchor="middle" />
        </>
      )}
      {right > 0 && (
        <>
          <line x1={box.x + box.width} x2={width} y1={middle} y2={middle} stroke={blue} />
          <Measure x={(box.x + box.width + width) / 2} y={middle} text={String(right)} anchor="middle" />
        </>
      )}
      {props.resizable &&
        (Object.keys(PLACES) as Corner[]).map((corner) => {
          const [fx, fy] = PLACES[corner];
          return (
            <rect
              key={corner}
              data-handle={corner}
              x={place.x + place.width * fx - 4}
              y={place.y + place.height * fy - 4}
              width={8}
              height={8}
              fill="#ffffff"
              stroke="#2a7296"
              className="pointer-events-auto"
              style={{ cursor: `${corner}-resize` }}
              onPointerDown={(e) => props.onResize(corner, e)}
            />
          );
        })}
    </svg>
  );
}

function Measure({ x, y, text, anchor }: { x: number; y: number; text: string; anchor: 'start' | 'middle' }) {
  const w = text.length * 7.2 + 10;
  return (
    <g transform={`translate(${anchor === 'start' ? x : x - w / 2} ${y - 8})`}>
      <rect width={w} height={17} rx={2} fill="#e9f4f8" stroke="#a4dded" />
      <text x={w / 2} y={12.5} textAnchor="middle" fontSize={11.5} fontFamily="var(--font-mono)" fill="#17191c">
        {text}
      </text>
    </g>
  );
}
