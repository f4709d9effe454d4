import type { Edit } from '@yosomi/core/base';
import { areaPx, textOf } from '@yosomi/core/compose';
import { type Doc, type Part, inOrder, setPart } from '@yosomi/core/cover';
import { type Rect, contains } from '@yosomi/core/plane';
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';
import { useBook, useSession } from '../../state/session';
import { arrowStep } from '../../ui/arrow-keys';
import { Bitmap } from '../../ui/bitmap';
import { moveBy, panPicture, resizeBy } from './drags';
import { type Corner, Handles } from './handles';
import { nameOf } from './part-names';
import { useSize } from './use-size';
import { writeWords } from './write-words';

export const GROUNDS = [
  { name: 'Light table', colour: '#8b8c8b' },
  { name: 'White', colour: '#ffffff' },
  { name: 'Black', colour: '#101112' },
  { name: 'Store page', colour: '#f4ede2' },
] as const;

type DragState = {
  readonly kind: 'move' | 'resize' | 'pan';
  readonly corner: Corner;
  readonly part: Part;
  readonly frame: Rect;
  readonly doc: Doc;
  readonly x: number;
  readonly y: number;
  readonly key: string;
};

/**
 * A composition on the light table: click to select, drag to move, handles to give more room, arrow keys to nudge,
 * double-click or Enter to type on it. The picture comes from the worker; this only lays hands on it.
 */
export function Table(props: {
  doc: Doc;
  on(edit: Edit<Doc>): Edit<import('@yosomi/core/project').Book>;
  bitmap: ImageBitmap | null;
  frames: ReadonlyMap<string, Rect>;
  label: string;
  onWidth(px: number): void;
  onDragging(dragging: boolean): void;
  ground: number;
  onGround(index: number): void;
  footer: React.ReactNode;
  guides: boolean;
}) {
  const { doc, frames, bitmap, on } = props;
  const { brief, assets } = useBook();
  const selected = useSession((s) => s.selected);
  const select = useSession((s) => s.select);
  const edit = useSession((s) => s.edit);
  const room = useRef<HTMLDivElement>(null);
  const size = useSize(room);
  const drag = useRef<DragState | null>(null);
  const [typing, setTyping] = useState<string | null>(null);

  const scale = size ? Math.min((size.width - 72) / doc.widthPx, (size.height - 72) / doc.heightPx) : 0;
  const width = Math.max(1, Math.floor(doc.widthPx * scale));
  const height = Math.max(1, Math.floor(doc.heightPx * scale));
  const k = width / doc.widthPx;
  const { onWidth, onDragging } = props;
  useEffect(() => {
    if (scale > 0) onWidth(Math.round(width * Math.min(2, window.devicePixelRatio)));
  }, [width, scale, onWidth]);

  const part = selected ? doc.parts[selected] : undefined;
  const frame = part && frames.get(part.id);

  const hit = (e: PointerEvent | React.MouseEvent): Part | undefined => {
    const box = e.currentTarget.getBoundingClientRect();
    const p = { x: (e.clientX - box.left) / k, y: (e.clientY - box.top) / k };
    const near = (r: Rect): Rect => ({
      x: r.x - 8 / k,
      y: r.y - 8 / k,
      width: r.width + 16 / k,
      height: r.height + 16 / k,
    });
    return inOrder(doc)
      .reverse()
      .find((one) => {
        const f = frames.get(one.id);
        return !one.hidden && f && one.kind !== 'scrim' && contains(one.kind === 'words' ? near(f) : f, p);
      });
  };

  const begin = (e: PointerEvent, kind: DragState['kind'], one: Part, corner: Corner = 'se'): void => {
    const f = frames.get(one.id);
    if (!f || one.locked) return;
    const target = e.currentTarget;
    target.setPointerCapture(e.pointerId);
    drag.current = {
      kind,
      corner,
      part: one,
      frame: f,
      doc,
      x: e.clientX,
      y: e.clientY,
      key: `${kind}-${one.id}-${e.timeStamp}`,
    };
  };
  const move = (e: PointerEvent): void => {
    const d = drag.current;
    if (!d) return;
    const dx = (e.clientX - d.x) / k;
    const dy = (e.clientY - d.y) / k;
    if (Math.abs(dx) + Math.abs(dy) < 2) return;
    onDragging(true);
    const fx = dx / doc.widthPx;
    const fy = dy / doc.heightPx;
    let change: Edit<Doc>;
    if (d.kind === 'pan') {
      if (d.part.kind !== 'picture' || d.part.source.kind !== 'asset') return;
      const asset = assets[d.part.source.asset];
      if (!asset) return;
      change = panPicture(d.part, asset, d.frame, dx, dy);
    } else
      change =
        d.kind === 'move' ? moveBy(d.part, d.frame, d.doc, fx, fy) : resizeBy(d.part, d.frame, d.doc, d.corner, fx, fy);
    const verb = { move: 'Move', resize: 'Resize', pan: 'Move inside' }[d.kind];
    edit(`${verb} ${nameOf(d.part).toLowerCase()}`, on(change), d.key);
  };
  const end = (): void => {
    drag.current = null;
    onDragging(false);
  };

  const keys = (e: KeyboardEvent): void => {
    if (typing) return;
    if (e.key === 'Escape') return select(null);
    if (!part || !frame) return;
    if (e.key === 'Enter' && part.kind === 'words') {
      e.preventDefault();
      return setTyping(part.id);
    }
    const d = arrowStep(e, 1, 10);
    if (!d) return;
    const asset = part.kind === 'picture' && part.source.kind === 'asset' ? assets[part.source.asset] : undefined;
    const change =
      part.kind === 'picture' && asset && part.fit === 'fill'
        ? panPicture(part, asset, frame, d[0], d[1])
        : moveBy(part, frame, doc, d[0] / doc.widthPx, d[1] / doc.heightPx);
    edit(`Nudge ${nameOf(part).toLowerCase()}`, on(change), `nudge-${part.id}`);
  };

  const typed = typing ? doc.parts[typing] : undefined;
  const typedFrame = typed && frames.get(typed.id);
  const fillsCover = part?.kind === 'picture' && part.fit === 'fill';
  const dark = props.ground === 2;

  return (
    <section
      aria-label="Light table"
      className="flex min-w-0 flex-1 flex-col"
      style={{ background: GROUNDS[props.ground].colour }}
    >
      <div ref={room} className="relative min-h-0 flex-1 overflow-hidden">
        <div className="absolute top-1/2 left-1/2 -translate-x-1/2 -translate-y-1/2" style={{ width, height }}>
          <Ruler width={width} px={doc.widthPx} dark={dark} />
          <Bitmap bitmap={bitmap} label={props.label} className="block h-full w-full shadow-cover" />
          <div
            role="application"
            aria-label={`${props.label}. Tab to the parts list to select; arrow keys move the selected part, Enter types on it.`}
            tabIndex={0}
            data-surface
            className="absolute inset-0 touch-none focus-visible:outline-offset-4"
            onKeyDown={keys}
            onPointerDown={(e) => {
              if (typing) return setTyping(null);
              const one = hit(e);
              select(one?.id ?? null);
              if (!one) return;
              if (one.kind === 'picture' && one.source.kind === 'asset' && one.fit === 'fill') begin(e, 'pan', one);
              else if (one.kind !== 'ground') begin(e, 'move', one);
            }}
            onPointerMove={move}
            onPointerUp={end}
            onPointerCancel={end}
            onDoubleClick={(e) => {
              const one = hit(e);
              if (one?.kind === 'words') setTyping(one.id);
            }}
            onWheel={(e) => {
              if (part?.kind !== 'picture' || part.source.kind !== 'asset') return;
              const zoom = Math.min(8, Math.max(1, part.zoom * Math.exp(-e.deltaY / 600)));
              edit('Zoom picture', on(setPart(part.id, { zoom })), `zoom-${part.id}`);
            }}
          >
            {props.guides && (
              <span
                aria-hidden
                className="pointer-events-none absolute inset-[4%] border border-dashed border-blue-pale/80"
                style={{ inset: `${width * 0.04}px` }}
              />
            )}
            {part && frame && part.kind !== 'ground' && !part.hidden && (
              <Handles
                frame={frame}
                area={part.kind === 'words' && !part.follows ? areaPx(part.area, doc) : null}
                scale={k}
                width={width}
                label={`${Math.round(frame.width)} x ${Math.round(frame.height)}`}
                resizable={!part.locked && !fillsCover && part.kind !== 'scrim'}
                onResize={(corner, e) => {
                  e.stopPropagation();
                  begin(e, 'resize', part, corner);
                }}
              />
            )}
          </div>
          {typed?.kind === 'words' && typedFrame && (
            <textarea
              autoFocus
              aria-label={`${nameOf(typed)} on the cover`}
              defaultValue={textOf(typed, brief)}
              onFocus={(e) => e.currentTarget.select()}
              onChange={(e) =>
                edit(`Write ${nameOf(typed).toLowerCase()}`, writeWords(typed, e.target.value, on), `write-${typed.id}`)
              }
              onBlur={() => setTyping(null)}
              onKeyDown={(e) => {
                e.stopPropagation();
                if (e.key === 'Escape' || (e.key === 'Enter' && (e.ctrlKey || e.metaKey))) setTyping(null);
              }}
              className="absolute z-10 resize-none rounded-sm border border-blue bg-card/95 px-2 py-1 text-base"
              style={{
                left: Math.max(0, typedFrame.x * k - 6),
                top: Math.min(height - 60, typedFrame.y * k + typedFrame.height * k + 8),
                width: Math.max(180, typedFrame.width * k + 12),
                height: 64,
              }}
            />
          )}
        </div>
      </div>
      <footer className={`flex h-10 shrink-0 items-center gap-4 px-4 ${dark ? 'text-card' : 'text-ink'}`}>
        <span className="font-mono text-xs">
          {doc.widthPx} x {doc.heightPx}
        </span>
        {props.footer}
        <span className="ml-auto font-mono text-xs">{Math.round(k * 100)} %</span>
        <span className="flex gap-1.5" role="group" aria-label="Look at it on">
          {GROUNDS.map((g, i) => (
            <button
              key={g.name}
              type="button"
              aria-label={g.name}
              aria-pressed={props.ground === i}
              title={g.name}
              onClick={() => props.onGround(i)}
              className="size-4 rounded-full border border-ink/60 aria-pressed:ring-2 aria-pressed:ring-blue aria-pressed:ring-offset-1"
              style={{ background: g.colour }}
            />
          ))}
        </span>
      </footer>
    </section>
  );
}

function Ruler({ width, px, dark }: { width: number; px: number; dark: boolean }) {
  const colour = dark ? '#dcdddb' : '#17191c';
  return (
    <svg aria-hidden className="absolute -top-[19px] left-0 overflow-visible" width={width} height={18}>
      {Array.from({ length: 17 }, (_, i) => (
        <line
          key={i}
          x1={(i / 16) * width}
          x2={(i / 16) * width}
          y1={i % 8 === 0 ? 7 : 12}
          y2={16}
          stroke={colour}
          strokeWidth={1}
          opacity={0.75}
        />
      ))}
      {[0, 0.5, 1].map((t) => (
        <text
          key={t}
          x={t * width + (t === 0 ? 4 : t === 1 ? -4 : 0)}
          y={7}
          fontSize={10.5}
          fontFamily="var(--font-mono)"
          fill={colour}
          textAnchor={t === 0 ? 'start' : t === 1 ? 'end' : 'middle'}
        >
          {Math.round(t * px)}
        </text>
      ))}
    </svg>
  );
}
