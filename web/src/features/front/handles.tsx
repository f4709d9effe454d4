import type { Guide } from '@yosomi/core/cover';
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
const CORNERS = Object.keys(PLACES) as Corner[];
const BLUE = '#a4dded';

/** The frame of the selected part, in screen pixels, with its measurements in cover pixels; it turns with the part. */
export function Handles(props: {
  frame: Rect;
  /** The place the part may fill, where it differs from what it fills. */
  area: Rect | null;
  turnRad: number;
  scale: number;
  label: string;
  width: number;
  resizable: boolean;
  /** Corners only: what keeps its ratio. */
  keepsRatio?: boolean;
  onResize(corner: Corner, e: PointerEvent): void;
  onTurn(e: PointerEvent): void;
}) {
  const { frame, area, scale: k, width } = props;
  const box = { x: frame.x * k, y: frame.y * k, width: frame.width * k, height: frame.height * k };
  const place = area ? { x: area.x * k, y: area.y * k, width: area.width * k, height: area.height * k } : box;
  const middle = box.y + box.height / 2;
  // A handle of the place may stand where the measures would: they are read under it.
  const held = place.y + place.height / 2;
  const level = area && Math.abs(middle - held) < 14 ? held + 16 : middle;
  const left = Math.round(frame.x);
  const right = Math.round(width / k - frame.x - frame.width);
  const cx = box.x + box.width / 2;
  const turn = props.turnRad === 0 ? undefined : `rotate(${(props.turnRad * 180) / Math.PI} ${cx} ${middle})`;
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden>
      {props.turnRad === 0 && left > 0 && (
        <>
          <line x1={0} x2={box.x} y1={level} y2={level} stroke={BLUE} />
          <Measure x={box.x / 2} y={level} text={String(left)} anchor="middle" />
        </>
      )}
      {props.turnRad === 0 && right > 0 && (
        <>
          <line x1={box.x + box.width} x2={width} y1={level} y2={level} stroke={BLUE} />
          <Measure x={(box.x + box.width + width) / 2} y={level} text={String(right)} anchor="middle" />
        </>
      )}
      <g transform={turn}>
        {area && <rect {...place} fill="none" stroke={BLUE} strokeDasharray="3 3" opacity={0.9} />}
        <rect {...box} fill="none" stroke={BLUE} strokeWidth={1.25} />
        {props.resizable && (
          <>
            <line x1={cx} x2={cx} y1={place.y} y2={place.y - 22} stroke={BLUE} />
            <circle
              data-handle="turn"
              cx={cx}
              cy={place.y - 26}
              r={5}
              fill="#ffffff"
              stroke="#2a7296"
              className="pointer-events-auto cursor-grab"
              onPointerDown={props.onTurn}
            />
          </>
        )}
        {props.resizable &&
          CORNERS.filter((corner) => !props.keepsRatio || corner.length === 2).map((corner) => {
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
      </g>
      <Measure x={box.x} y={box.y - 12} text={props.label} anchor="start" />
    </svg>
  );
}

/** A frame, px of the cover, and how far it is turned about its middle. */
type Framed = Rect & { readonly turnRad?: number };

/** Plain frames round the parts of a selection of several, or of the ones a marquee would take; `faint` round what is pointed at. */
export function Frames({ frames, scale: k, faint }: { frames: readonly Framed[]; scale: number; faint?: boolean }) {
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden>
      {frames.map((f, i) => (
        <rect
          key={i}
          x={f.x * k}
          y={f.y * k}
          width={f.width * k}
          height={f.height * k}
          transform={turnOf(f, k)}
          fill="none"
          stroke={BLUE}
          strokeDasharray={faint ? '2 3' : undefined}
          strokeWidth={1.25}
        />
      ))}
    </svg>
  );
}

const turnOf = (f: Framed, k: number): string | undefined =>
  f.turnRad
    ? `rotate(${(f.turnRad * 180) / Math.PI} ${(f.x + f.width / 2) * k} ${(f.y + f.height / 2) * k})`
    : undefined;

const SAYS: Record<Guide['kind'], string> = {
  edge: 'edge',
  centre: 'centre',
  safe: 'safe area',
  third: 'third',
  part: '',
  gap: 'equal gaps',
  guide: 'guide',
};

/** The lines a drag has snapped to. */
export function Guides({ guides, scale: k }: { guides: readonly Guide[]; scale: number }) {
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden>
      {guides.map((g, i) => {
        const upright = g.axis === 'x';
        const at = g.at * k;
        return (
          <g key={i}>
            <line
              x1={upright ? at : g.from * k}
              x2={upright ? at : g.to * k}
              y1={upright ? g.from * k : at}
              y2={upright ? g.to * k : at}
              stroke="#2f7fa6"
              strokeDasharray={g.kind === 'part' ? '4 3' : undefined}
            />
            {SAYS[g.kind] && (
              <Measure
                x={upright ? at : g.from * k + 6}
                y={upright ? g.from * k + 14 : at}
                text={g.gapPx === undefined ? SAYS[g.kind] : `${SAYS[g.kind]} of ${Math.round(g.gapPx)} px`}
                anchor={upright ? 'middle' : 'start'}
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}

export function Measure({ x, y, text, anchor }: { x: number; y: number; text: string; anchor: 'start' | 'middle' }) {
  const w = text.length * 7.2 + 10;
  return (
    <g transform={`translate(${anchor === 'start' ? x : x - w / 2} ${y - 8})`}>
      <rect width={w} height={17} rx={2} fill="#e9f4f8" stroke={BLUE} />
      <text x={w / 2} y={12.5} textAnchor="middle" fontSize={11.5} fontFamily="var(--font-mono)" fill="#17191c">
        {text}
      </text>
    </g>
  );
}
