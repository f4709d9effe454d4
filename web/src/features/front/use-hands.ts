import type { Edit } from '@yosomi/core/base';
import {
  type Doc,
  type Guide,
  type Part,
  SAFE,
  inOrder,
  movable,
  moveParts,
  scaleParts,
  setPart,
  guideLines,
  snap,
  turnParts,
  withGroup,
} from '@yosomi/core/cover';
import { type Point, type Rect, centreOf, contains, outset, union } from '@yosomi/core/plane';
import { type PointerEvent, useEffect, useRef, useState } from 'react';
import { useFrom, useSession } from '../../state/session';
import { type NodeHandle, moveNode, panPicture, resizeBy, turnTowards } from './drags';
import type { Corner } from './handles';
import { useChosenNode } from './chosen-node';
import { nameOf } from './part-names';
import type { On } from './use-set';

/** Several parts as they are when a hand takes hold of the box round them. */
type Together = {
  readonly ids: readonly string[];
  readonly frames: ReadonlyMap<string, Rect>;
  readonly box: Rect;
  readonly doc: Doc;
};

type Job =
  | { readonly kind: 'move'; readonly ids: readonly string[]; readonly frame: Rect; readonly others: readonly Rect[] }
  | { readonly kind: 'resize'; readonly corner: Corner; readonly part: Part; readonly frame: Rect; readonly doc: Doc }
  | { readonly kind: 'turn'; readonly part: Part; readonly frame: Rect }
  | (Together & { readonly kind: 'scale-many'; readonly corner: Corner })
  | (Together & { readonly kind: 'turn-many' })
  | { readonly kind: 'pan-picture'; readonly part: Part; readonly frame: Rect }
  | {
      readonly kind: 'node';
      readonly part: Part;
      readonly index: number;
      readonly handle: NodeHandle;
      readonly doc: Doc;
    }
  | { readonly kind: 'marquee'; readonly from: Point; readonly add: readonly string[] }
  | { readonly kind: 'draw' };

type Hold = {
  readonly job: Job;
  /** Where the hand went down, in cover px, and on screen. */
  readonly at: Point;
  readonly screen: Point;
  readonly key: string;
  /** What a move has done so far, in cover px. */
  done: Point;
  moved: boolean;
};

const isBackdrop = (part: Part, frame: Rect | undefined, doc: Doc): boolean =>
  part.kind === 'ground' ||
  part.kind === 'scrim' ||
  part.kind === 'overlay' ||
  (part.locked && !!frame && frame.width >= doc.widthPx * 0.95 && frame.height >= doc.heightPx * 0.95);

/** An edit of parts as they were when the drag began, so that a drag there and back changes nothing. */
const asBegun =
  (job: Together, edit: Edit<Doc>): Edit<Doc> =>
  (doc) => {
    for (const id of job.ids) if (job.doc.parts[id]) doc.parts[id] = structuredClone(job.doc.parts[id]);
    return edit(doc);
  };

/** What the hand does on the cover: selecting, moving with snapping, resizing, turning, drawing, and the marquee. */
export function useHands(props: {
  doc: Doc;
  on: On;
  frames: ReadonlyMap<string, Rect>;
  k: number;
  /** Screen place of the cover's corner. */
  corner(): Point;
  onDragging(dragging: boolean): void;
  onStroke(points: readonly Point[]): void;
}) {
  const { doc, on, frames, k } = props;
  const assets = useFrom((b) => b.assets);
  const edit = useSession((s) => s.edit);
  const select = useSession((s) => s.select);
  const selectMany = useSession((s) => s.selectMany);
  const hold = useRef<Hold | null>(null);
  const pending = useRef<{ x: number; y: number; alt: boolean; shift: boolean } | null>(null);
  const tick = useRef(0);
  const [guides, setGuides] = useState<readonly Guide[]>([]);
  const [moving, setMoving] = useState(false);
  const [marquee, setMarquee] = useState<Rect | null>(null);
  const [stroke, setStroke] = useState<readonly Point[]>([]);
  const chosen = useChosenNode((s) => s.chosen);
  const setChosen = useChosenNode((s) => s.choose);

  const selected = useSession((s) => s.selection[0]);
  // A point is chosen for as long as its curve is.
  const chosenNode = chosen && chosen.part === selected ? chosen.index : null;
  const setChosenNode = (index: number | null): void =>
    setChosen(index === null || !selected ? null : { part: selected, index });

  const inCover = (e: { clientX: number; clientY: number }): Point => {
    const corner = props.corner();
    return { x: (e.clientX - corner.x) / k, y: (e.clientY - corner.y) / k };
  };

  /** All parts at a point, the foremost first. */
  const hits = (p: Point): Part[] => {
    const near = (r: Rect): Rect => outset(r, 8 / k);
    return inOrder(doc)
      .reverse()
      .filter((one) => {
        const f = frames.get(one.id);
        if (one.hidden || !f) return false;
        if (one.kind === 'scrim' || one.kind === 'overlay') return true;
        const c = { x: f.x + f.width / 2, y: f.y + f.height / 2 };
        const [cos, sin] = [Math.cos(-one.turnRad), Math.sin(-one.turnRad)];
        const own =
          one.turnRad === 0
            ? p
            : { x: c.x + (p.x - c.x) * cos - (p.y - c.y) * sin, y: c.y + (p.x - c.x) * sin + (p.y - c.y) * cos };
        // A frame is taken by its line: what it surrounds can still be reached.
        if (one.kind === 'shape' && one.form.kind === 'frame') {
          const inner = outset(f, -Math.max(12 / k, one.form.thick * 5 * Math.min(f.width, f.height)));
          return contains(f, own) && !contains(inner, own);
        }
        return contains(one.kind === 'words' || one.kind === 'curve' ? near(f) : f, own);
      });
  };

  /** The part that a press takes: what lies over everything lets it through. */
  const hit = (p: Point): Part | undefined => hits(p).find((one) => one.kind !== 'scrim' && one.kind !== 'overlay');

  const take = (e: PointerEvent, job: Job): void => {
    e.currentTarget.setPointerCapture(e.pointerId);
    hold.current = {
      job,
      at: inCover(e),
      screen: { x: e.clientX, y: e.clientY },
      key: `${job.kind}-${e.timeStamp}`,
      done: { x: 0, y: 0 },
      moved: false,
    };
  };

  /** The hand goes down on the cover or beside it; `still` only chooses. */
  const down = (e: PointerEvent, drawing: boolean, still: boolean): void => {
    const p = inCover(e);
    if (drawing) {
      setStroke([p]);
      return take(e, { kind: 'draw' });
    }
    const more = e.shiftKey || e.ctrlKey || e.metaKey;
    const { selection } = useSession.getState();
    const one = hit(p);
    if (!one || isBackdrop(one, frames.get(one.id), doc)) {
      if (!more) select(one && one.kind !== 'overlay' ? one.id : null);
      return take(e, { kind: 'marquee', from: p, add: more ? selection : [] });
    }
    setChosenNode(null);
    if (more) return select(one.id, true);
    const ids = selection.includes(one.id) && selection.length > 1 ? selection : withGroup(doc, one.id);
    if (ids !== selection) selectMany([one.id, ...ids]);
    const frame = frames.get(one.id);
    if (!frame || one.locked || still) return;
    const whole = one.kind === 'picture' && one.fit === 'fill' && one.source.kind === 'asset' && ids.length === 1;
    if (whole && frame.width >= doc.widthPx * 0.95 && frame.height >= doc.heightPx * 0.95)
      return take(e, { kind: 'pan-picture', part: one, frame });
    const moving = ids.filter((id) => doc.parts[id] && movable(doc.parts[id]));
    const others = Object.values(doc.parts)
      .filter((part) => !moving.includes(part.id) && !part.hidden && !isBackdrop(part, frames.get(part.id), doc))
      .flatMap((part) => frames.get(part.id) ?? []);
    const box = union(moving.flatMap((id) => frames.get(id) ?? []));
    take(e, { kind: 'move', ids: moving, frame: box, others });
  };

  const follow = (at: { x: number; y: number; alt: boolean; shift: boolean }): void => {
    const h = hold.current;
    if (!h) return;
    const now = inCover({ clientX: at.x, clientY: at.y });
    const dx = now.x - h.at.x;
    const dy = now.y - h.at.y;
    if (!h.moved && Math.hypot(at.x - h.screen.x, at.y - h.screen.y) < 2) return;
    h.moved = true;
    const { job } = h;
    const change = (label: string, edited: Edit<Doc>): void => {
      props.onDragging(true);
      edit(label, on(edited), h.key);
    };
    switch (job.kind) {
      case 'move': {
        if (job.ids.length === 0) return;
        const free = { ...job.frame, x: job.frame.x + dx, y: job.frame.y + dy };
        const pulled = at.alt
          ? { dx: 0, dy: 0, guides: [] }
          : snap(free, job.others, doc, SAFE, 6 / k, guideLines(doc));
        // The same nothing is not drawn anew.
        setGuides((now) => (now.length + pulled.guides.length === 0 ? now : pulled.guides));
        setMoving(true);
        const to = { x: dx + pulled.dx, y: dy + pulled.dy };
        const step = { x: (to.x - h.done.x) / doc.widthPx, y: (to.y - h.done.y) / doc.heightPx };
        h.done = to;
        if (step.x === 0 && step.y === 0) return;
        const name = job.ids.length === 1 ? nameOf(doc.parts[job.ids[0]]).toLowerCase() : 'parts';
        return change(`Move ${name}`, moveParts(job.ids, frames, step.x, step.y));
      }
      case 'resize': {
        const { turnRad } = job.part;
        const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
        const own = { x: (dx * cos + dy * sin) / doc.widthPx, y: (-dx * sin + dy * cos) / doc.heightPx };
        const keep = at.shift !== (job.part.kind === 'picture' || job.part.kind === 'shape');
        return change(
          `Resize ${nameOf(job.part).toLowerCase()}`,
          resizeBy(job.part, job.frame, job.doc, job.corner, own.x, own.y, keep),
        );
      }
      case 'turn':
        return change(
          `Turn ${nameOf(job.part).toLowerCase()}`,
          setPart(job.part.id, { turnRad: turnTowards(job.frame, now, at.shift) }),
        );
      case 'scale-many': {
        const { ids, box, corner } = job;
        const [west, north] = [corner.includes('w'), corner.includes('n')];
        const anchor = { x: box.x + (west ? box.width : 0), y: box.y + (north ? box.height : 0) };
        // What the hand has gone along the diagonal counts.
        const grown = (west ? -dx : dx) * box.width + (north ? -dy : dy) * box.height;
        const k = Math.max(0.01, 1 + grown / (box.width ** 2 + box.height ** 2));
        return change('Scale parts', asBegun(job, scaleParts(ids, job.frames, anchor, k)));
      }
      case 'turn-many': {
        const centre = centreOf(job.box);
        const angle = (p: Point): number => Math.atan2(p.y - centre.y, p.x - centre.x);
        const rad = angle(now) - angle(h.at);
        const step = Math.PI / 12;
        const by = at.shift ? Math.round(rad / step) * step : rad;
        return change('Turn parts', asBegun(job, turnParts(job.ids, job.frames, centre, by)));
      }
      case 'pan-picture': {
        const { part } = job;
        if (part.kind !== 'picture' || part.source.kind !== 'asset') return;
        const asset = assets[part.source.asset];
        if (asset) change('Move inside picture', panPicture(part, asset, job.frame, dx, dy));
        return;
      }
      case 'node': {
        if (job.part.kind !== 'curve') return;
        const nodes = moveNode(job.part.nodes, job.index, job.handle, dx / doc.widthPx, dy / doc.heightPx, doc);
        return change('Shape the curve', setPart(job.part.id, { nodes }));
      }
      case 'marquee': {
        const box = {
          x: Math.min(job.from.x, now.x),
          y: Math.min(job.from.y, now.y),
          width: Math.abs(dx),
          height: Math.abs(dy),
        };
        setMarquee(box);
        const inside = inOrder(doc).filter((part) => {
          const f = frames.get(part.id);
          if (!f || part.hidden || isBackdrop(part, f, doc) || f.width >= doc.widthPx * 0.95) return false;
          return f.x < box.x + box.width && f.x + f.width > box.x && f.y < box.y + box.height && f.y + f.height > box.y;
        });
        return selectMany([...job.add, ...inside.map((part) => part.id)]);
      }
      case 'draw':
        return setStroke((points) => [...points, now]);
    }
  };

  /** Moves come faster than the screen shows them: one a frame is enough. A drawn line wants all of them. */
  const move = (e: PointerEvent): void => {
    if (!hold.current) return;
    if (hold.current.job.kind === 'draw') {
      const events = e.nativeEvent.getCoalescedEvents?.() ?? [];
      const points = (events.length > 0 ? events : [e.nativeEvent]).map(inCover);
      hold.current.moved = true;
      return setStroke((now) => [...now, ...points]);
    }
    pending.current = { x: e.clientX, y: e.clientY, alt: e.altKey, shift: e.shiftKey };
    tick.current ||= requestAnimationFrame(() => {
      tick.current = 0;
      if (pending.current) follow(pending.current);
    });
  };

  const end = (): void => {
    const h = hold.current;
    if (!h) return;
    if (tick.current) {
      cancelAnimationFrame(tick.current);
      tick.current = 0;
      if (pending.current) follow(pending.current);
    }
    if (h.job.kind === 'draw') {
      props.onStroke(stroke);
      setStroke([]);
    }
    hold.current = null;
    pending.current = null;
    setGuides([]);
    setMoving(false);
    setMarquee(null);
    props.onDragging(false);
  };
  useEffect(() => () => cancelAnimationFrame(tick.current), []);

  const busy = (): boolean => hold.current !== null;
  return {
    down,
    move,
    end,
    take,
    busy,
    hit,
    hits,
    inCover,
    guides,
    moving,
    marquee,
    stroke,
    chosenNode,
    setChosenNode,
  };
}
