import { type Busyness, areaPx, textOf } from '@yosomi/core/compose';
import { type Doc, type Part, boundTo, nearestOn, setPart, splitCurve } from '@yosomi/core/cover';
import type { Point, Rect } from '@yosomi/core/plane';
import { Maximize, ZoomIn, ZoomOut } from 'lucide-react';
import { type MouseEvent, type PointerEvent, type ReactNode, useEffect, useRef, useState } from 'react';
import { useFrom, useSession } from '../../state/session';
import { say } from '../../messages/say';
import { Bitmap } from '../../ui/bitmap';
import { Calm } from '../../ui/calm';
import { Tip } from '../../ui/tip';
import type { PictureSource } from '../../work/use-cover-view';
import { boxOf } from './box-of';
import { CurveHandles } from './curve-handles';
import { GapLines } from './gap-lines';
import { Frames, Guides, Handles } from './handles';
import { type Lying, LyingHere } from './lying-here';
import { usePointed } from './pointed';
import { QuietMap } from './quiet-map';
import { PageGuides, PullGuides } from './page-guides';
import { PictureTools } from './picture-tools';
import { Ruler } from './ruler';
import { useTool } from './tool';
import { TypeOnCover } from './type-on-cover';
import { useHands } from './use-hands';
import { useInside } from './use-inside';
import { type Picking, usePick } from './use-pick';
import type { On } from './use-set';
import { useTableKeys } from './use-table-keys';
import { useTableView } from './use-table-view';

export const GROUNDS = [
  { name: 'Light table', colour: '#8b8c8b', also: 'grey neutral' },
  { name: 'White', colour: '#ffffff', also: 'light bright' },
  { name: 'Black', colour: '#101112', also: 'dark night' },
  { name: 'Store page', colour: '#f4ede2', also: 'cream shop' },
] as const;

/**
 * A composition on the light table: click to select, drag to move, handles to resize and turn, drag beside parts to
 * gather several, arrow keys to nudge, Enter or a double click to type on words and to go inside a picture, wheel to zoom to the pointer,
 * space to move the view; the right button lists what lies on one another there.
 * The picture comes from the worker; this only lays hands on it.
 */
export function Table(props: {
  doc: Doc;
  on: On;
  bitmap: ImageBitmap | null;
  /** Newer pictures, as they come. */
  live?: PictureSource;
  /** Parts by themselves, small. */
  pictures: ReadonlyMap<string, ImageBitmap> | undefined;
  frames: ReadonlyMap<string, Rect>;
  label: string;
  onWidth(px: number): void;
  onDragging(dragging: boolean): void;
  ground: number;
  onGround(index: number): void;
  footer: ReactNode;
  guides: boolean;
  /** Map of calm places, shown over the cover. */
  quiet?: Busyness | null;
  /** True while a curve is drawn freehand; the finished stroke is handed on in cover px. */
  drawing?: boolean;
  onStroke?(points: readonly Point[]): void;
  /** Set while a colour is to be picked from the picture. */
  picking?: Picking | null;
}) {
  const { doc, frames, bitmap, on, onWidth } = props;
  const brief = useFrom((b) => b.brief);
  const selection = useSession((s) => s.selection);
  const edit = useSession((s) => s.edit);
  const select = useSession((s) => s.select);
  const room = useRef<HTMLDivElement>(null);
  const surface = useRef<HTMLDivElement>(null);
  const [typing, setTyping] = useState<string | null>(null);
  const view = useTableView(room, doc);
  const { k, width, height, origin } = view;
  const panning = useRef<Point | null>(null);
  const { tool, gaps } = useTool();
  const hands = useHands({
    doc,
    on,
    frames,
    k,
    corner: () => surface.current?.getBoundingClientRect() ?? { x: 0, y: 0 },
    onDragging: props.onDragging,
    onStroke: props.onStroke ?? (() => {}),
  });
  const inside = useInside({ doc, on, frames });
  useEffect(() => {
    // Never more pixels than the cover has: beyond them only the screen enlarges.
    if (view.ready) onWidth(Math.min(doc.widthPx, Math.round(width * Math.min(2, window.devicePixelRatio))));
  }, [width, view.ready, onWidth, doc.widthPx]);

  const parts = selection.flatMap((id): Part[] => (doc.parts[id] ? [doc.parts[id]] : []));
  const part = parts.length === 1 ? parts[0] : undefined;
  const frame = part && frames.get(part.id);
  const pick = usePick({ picking: props.picking ?? null, doc, k, room, surface });
  const keys = useTableKeys({
    doc,
    on,
    frames,
    hands,
    typing,
    setTyping,
    view,
    drawing: props.drawing ?? false,
    onStroke: props.onStroke ?? (() => {}),
    inside,
  });
  const whole = part?.kind === 'picture' && part.fit === 'fill' && part.area.width >= 0.95 && part.area.height >= 0.95;
  const typed = typing ? doc.parts[typing] : undefined;
  const pointed = usePointed((s) => s.id);
  const point = usePointed((s) => s.point);
  const framed = (one: Part): (Rect & { turnRad: number })[] =>
    [frames.get(one.id)].flatMap((own) => (own ? [{ ...own, turnRad: one.turnRad }] : []));
  const under = pointed && !selection.includes(pointed) && !hands.moving ? doc.parts[pointed] : undefined;
  const [lying, setLying] = useState<Lying | null>(null);
  /** What lies on one another at a point, or under the selected part where keys ask. */
  const openLying = (e: MouseEvent): void => {
    e.preventDefault();
    hands.end();
    const keyed = e.button !== 2 && frame;
    const corner = surface.current?.getBoundingClientRect() ?? { x: 0, y: 0 };
    const at = keyed ? { x: frame.x + frame.width / 2, y: frame.y + frame.height / 2 } : hands.inCover(e);
    const parts = hands.hits(at);
    if (parts.length > 0) setLying({ x: corner.x + at.x * k, y: corner.y + at.y * k, parts });
  };
  const dark = props.ground === 2;

  const down = (e: PointerEvent): void => {
    if (e.button === 1 || keys.space.current || (tool === 'view' && e.button === 0)) {
      panning.current = { x: e.clientX, y: e.clientY };
      e.currentTarget.setPointerCapture(e.pointerId);
      return;
    }
    if (e.button !== 0) return;
    if (typing) return setTyping(null);
    if (props.picking) return pick.at(hands.inCover(e));
    if (inside.at) {
      if (inside.holds(hands.inCover(e)))
        return hands.take(e, { kind: 'pan-picture', part: inside.at.part, frame: inside.at.frame });
      inside.leave();
    }
    hands.down(e, props.drawing ?? false, tool === 'choose');
  };
  const move = (e: PointerEvent): void => {
    if (!panning.current) {
      if (!hands.busy()) point(hands.hit(hands.inCover(e))?.id ?? null);
      return hands.move(e);
    }
    view.pan(e.clientX - panning.current.x, e.clientY - panning.current.y);
    panning.current = { x: e.clientX, y: e.clientY };
  };
  const up = (): void => {
    panning.current = null;
    hands.end();
  };
  const { zoomAt } = view;
  // The wheel is listened to once; what it turns is read when it turns.
  const within = useRef(inside);
  const inCover = useRef(hands.inCover);
  useEffect(() => {
    within.current = inside;
    inCover.current = hands.inCover;
  });
  useEffect(() => {
    const element = room.current;
    if (!element) return;
    const wheel = (e: WheelEvent): void => {
      e.preventDefault();
      const p = inCover.current(e);
      if (within.current.holds(p)) return within.current.zoom(Math.exp(-e.deltaY / 600), p);
      const box = element.getBoundingClientRect();
      zoomAt(Math.exp(-e.deltaY / 400), { x: e.clientX - box.x, y: e.clientY - box.y });
    };
    // Passive listeners, as React adds them, could not keep the page from scrolling.
    element.addEventListener('wheel', wheel, { passive: false });
    return () => element.removeEventListener('wheel', wheel);
  }, [zoomAt]);
  const beginHandle = (e: PointerEvent, job: Parameters<typeof hands.take>[1]): void => {
    e.stopPropagation();
    if (part && !part.locked) hands.take(e, job);
  };

  const together = parts.length > 1 ? boxOf(selection, doc, frames) : null;
  const beginTogether = (e: PointerEvent, job: Parameters<typeof hands.take>[1]): void => {
    e.stopPropagation();
    hands.take(e, job);
  };

  return (
    <section
      aria-label="Light table"
      className="flex min-w-0 flex-1 flex-col"
      style={{ background: GROUNDS[props.ground].colour }}
    >
      <div
        ref={room}
        className="relative min-h-0 flex-1 touch-none overflow-hidden"
        onPointerDown={(e) => e.target === room.current && down(e)}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={up}
      >
        <div className="absolute" style={{ width, height, left: origin.x, top: origin.y }}>
          <Ruler width={width} px={doc.widthPx} dark={dark} />
          {props.guides && <PullGuides doc={doc} on={on} k={k} dark={dark} />}
          <Bitmap bitmap={bitmap} live={props.live} label={props.label} className="block h-full w-full shadow-cover" />
          {props.quiet && <QuietMap map={props.quiet} />}
          <div
            ref={surface}
            role="application"
            aria-label={`${props.label}. Page Up and Page Down go from part to part; arrow keys move the selected part, Enter types on words and goes inside a picture. On a drawn curve N chooses its next point and arrow keys move that.`}
            tabIndex={0}
            data-surface
            data-tool={props.picking ? 'pick' : props.drawing ? 'draw' : tool}
            className={`absolute inset-0 touch-none focus-visible:outline-offset-4 ${props.picking || props.drawing ? 'cursor-crosshair' : tool === 'view' ? 'cursor-grab' : ''}`}
            onKeyDown={(e) => pick.onKeyDown(e) || keys.onKeyDown(e)}
            onPointerDown={(e) => {
              e.stopPropagation();
              down(e);
            }}
            onPointerMove={(e) => {
              e.stopPropagation();
              move(e);
            }}
            onPointerUp={up}
            onPointerCancel={up}
            onPointerLeave={() => point(null)}
            onContextMenu={openLying}
            onDoubleClick={(e) => {
              const one = hands.hit(hands.inCover(e));
              if (one?.kind === 'words') return setTyping(one.id);
              if (one?.kind === 'picture') {
                select(one.id);
                if (inside.enter(one.id)) return;
                if (one.locked) return say('This picture is locked. Unlock it to move it inside its frame.');
              }
              const p = hands.inCover(e);
              if (part?.kind !== 'curve' || part.locked || part.turnRad !== 0 || tool !== 'work') return;
              const share = { x: p.x / doc.widthPx, y: p.y / doc.heightPx };
              const { piece, t, awayPx } = nearestOn(part.nodes, part.closed, share, doc);
              if (awayPx * k > 12) return;
              edit('Add a point', on(setPart(part.id, { nodes: splitCurve(part.nodes, piece, t) })));
              hands.setChosenNode(piece + 1);
            }}
          >
            {props.guides && (
              <span
                aria-hidden
                className="pointer-events-none absolute border border-dashed border-blue-pale/80"
                style={{ inset: `${width * 0.04}px` }}
              />
            )}
            <Guides guides={hands.guides} scale={k} />
            {gaps && !hands.moving && <GapLines doc={doc} frames={frames} chosen={selection} scale={k} />}
            {(parts.length > 1 || tool !== 'work') && <Frames frames={parts.flatMap(framed)} scale={k} />}
            {together && tool === 'work' && (
              <Handles
                frame={together}
                area={null}
                turnRad={0}
                scale={k}
                width={width}
                label={`${Math.round(together.width)} x ${Math.round(together.height)}`}
                resizable
                keepsRatio
                onResize={(corner, e) =>
                  beginTogether(e, { kind: 'scale-many', ids: selection, frames, box: together, corner, doc })
                }
                onTurn={(e) => beginTogether(e, { kind: 'turn-many', ids: selection, frames, box: together, doc })}
              />
            )}
            {under && !under.hidden && <Frames frames={framed(under)} scale={k} faint />}
            {hands.marquee && <Frames frames={[hands.marquee]} scale={k} />}
            {part && frame && tool === 'work' && part.kind !== 'ground' && part.kind !== 'overlay' && !part.hidden && (
              <Handles
                frame={frame}
                area={
                  part.kind === 'words' && !part.follows && !part.baseline && !part.room ? areaPx(part.area, doc) : null
                }
                turnRad={part.kind === 'scrim' ? 0 : part.turnRad}
                scale={k}
                width={width}
                label={
                  inside.at
                    ? 'Drag to move it inside, wheel to zoom, Esc leaves'
                    : hands.moving
                      ? `${Math.round(frame.x)} from the left, ${Math.round(frame.y)} from the top`
                      : `${Math.round(frame.width)} x ${Math.round(frame.height)}`
                }
                resizable={!part.locked && !whole && !inside.at && 'area' in part && boundTo(part) === null}
                onResize={(corner, e) => beginHandle(e, { kind: 'resize', corner, part, frame, doc })}
                onTurn={(e) => beginHandle(e, { kind: 'turn', part, frame })}
              />
            )}
            {part?.kind === 'curve' && tool === 'work' && !part.hidden && part.turnRad === 0 && (
              <CurveHandles
                nodes={part.nodes}
                closed={part.closed}
                width={width}
                height={height}
                chosen={hands.chosenNode}
                onDown={(index, handle, e) => {
                  hands.setChosenNode(index);
                  beginHandle(e, { kind: 'node', part, index, handle, doc });
                }}
              />
            )}
            {hands.stroke.length > 1 && (
              <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden>
                <polyline
                  points={hands.stroke.map((p) => `${p.x * k},${p.y * k}`).join(' ')}
                  fill="none"
                  stroke="#2f7fa6"
                  strokeWidth={2}
                />
              </svg>
            )}
          </div>
          {pick.mark}
          <PictureTools part={part} frame={frame} k={k} on={on} onEnd={() => surface.current?.focus()} />
          {props.guides && <PageGuides doc={doc} on={on} k={k} />}
          {typed?.kind === 'words' && (
            <TypeOnCover
              part={typed}
              text={textOf(typed, brief)}
              frame={frames.get(typed.id)}
              others={Object.values(doc.parts).flatMap((p) =>
                p.kind === 'words' && p.id !== typed.id && !p.hidden ? (frames.get(p.id) ?? []) : [],
              )}
              k={k}
              height={height}
              on={on}
              onDone={() => {
                setTyping(null);
                surface.current?.focus();
              }}
            />
          )}
        </div>
      </div>
      {lying && <LyingHere lying={lying} pictures={props.pictures} onClose={() => setLying(null)} />}
      <Calm busy={hands.moving}>
        <footer
          className={`relative flex min-h-10 shrink-0 flex-wrap items-center gap-x-3 gap-y-1 px-4 py-1 ${dark ? 'text-card' : 'text-ink'}`}
        >
          <span className="font-mono text-xs whitespace-nowrap">
            {doc.widthPx} x {doc.heightPx}
          </span>
          {props.footer}
          <span className="ml-auto flex items-center gap-1">
            <FootButton label="Smaller" keys="−" onClick={() => view.zoomAt(1 / 1.25)} icon={<ZoomOut size={15} />} />
            <button
              type="button"
              aria-label="Show all pixels"
              title="100 %, 9"
              onClick={view.toFull}
              className="w-12 rounded-sm text-center font-mono text-xs hover:bg-ink/10"
            >
              {Math.round(k * window.devicePixelRatio * 100)} %
            </button>
            <FootButton label="Larger" keys="+" onClick={() => view.zoomAt(1.25)} icon={<ZoomIn size={15} />} />
            <FootButton label="Show all of it" keys="0" onClick={view.toFit} icon={<Maximize size={15} />} />
          </span>
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
      </Calm>
    </section>
  );
}

function FootButton(props: { label: string; keys: string; icon: ReactNode; onClick(): void }) {
  return (
    <Tip text={props.label} keys={props.keys}>
      <button type="button" aria-label={props.label} onClick={props.onClick} className="rounded-sm p-1 hover:bg-ink/10">
        {props.icon}
      </button>
    </Tip>
  );
}
