import { type Edit, fault, orderBetween } from '../../base';
import { type Rect, clamp, nearestAlong, union } from '../../plane';
import { type Doc, SAFE, inOrder } from '../document';
import { runwayOf } from '../outline';
import { groupOfCopy } from './groups';
import { type Area, type CurveNode, type Part, Part as PartSchema, type WordsPart } from '../parts';

/** Frames of parts in pixels, as the composition reports them. */
export type Frames = ReadonlyMap<string, Rect>;

const bounded = (v: number): number => clamp(v, -4, 4);

/** Whether a part has a place of its own that can be moved. */
export const movable = (part: Part): boolean =>
  !part.locked && part.kind !== 'ground' && part.kind !== 'scrim' && part.kind !== 'overlay';

/** Puts every point and handle of a curve elsewhere, in fractions of the cover. */
export function mapNodes(
  nodes: readonly CurveNode[],
  to: { x(x: number, y: number): number; y(y: number, x: number): number },
): void {
  for (const node of nodes as CurveNode[])
    for (const [x, y] of [
      ['x', 'y'],
      ['inX', 'inY'],
      ['outX', 'outY'],
    ] as const)
      [node[x], node[y]] = [bounded(to.x(node[x], node[y])), bounded(to.y(node[y], node[x]))];
}

/** Sets words that hang under others, or fill a part, free where they are seen. */
export function setFree(part: WordsPart, frame: Rect | undefined, doc: Doc): void {
  if (!frame) return;
  if (part.room?.kind === 'inside') {
    // What it filled is now its own place: as many lines, as large.
    part.room = null;
    part.alignY = 'top';
    part.area = {
      x: bounded(frame.x / doc.widthPx),
      y: bounded(frame.y / doc.heightPx),
      width: clamp((frame.width * 1.002) / doc.widthPx, 0.005, 8),
      height: clamp((frame.height * 1.02) / doc.heightPx, 0.005, 8),
    };
  }
  if (!part.follows) return;
  part.follows = null;
  part.alignY = 'top';
  part.area.y = frame.y / doc.heightPx;
}

/** The part that gives words their place: the one they run along or fill; null where they stand in a place of their own. */
export function boundTo(part: Part): string | null {
  if (part.kind !== 'words') return null;
  if (part.baseline?.kind === 'along') return part.baseline.part;
  return part.room?.kind === 'inside' ? part.room.part : null;
}

/** Binds a copy of words to copies of what they hung under, stood in or ran along; null sets them free of it. */
export function rebind(part: Part, to: (id: string) => string | null): void {
  if (part.kind !== 'words') return;
  const { follows, room, baseline } = part;
  const now = <B extends { part: string }>(binding: B | null): B | null => {
    const id = binding && to(binding.part);
    return binding && id ? { ...binding, part: id } : null;
  };
  part.follows = now(follows);
  part.room = now(room);
  if (baseline?.kind === 'along') part.baseline = now(baseline);
}

/** Moves words along their line to where it is nearest to a movement (px) of their middle, or of the end they are set to. False where they have no line. */
function slide(part: WordsPart, doc: Doc, dx: number, dy: number): boolean {
  const { baseline } = part;
  const other = baseline?.kind === 'along' ? doc.parts[baseline.part] : undefined;
  const runway = baseline?.kind === 'along' && other ? runwayOf(other, doc, baseline.back) : null;
  if (baseline?.kind !== 'along' || !runway) return false;
  const { line, closed } = runway;
  const rest = part.align === 'left' ? 0 : part.align === 'right' ? 1 : 0.5;
  const at = rest + baseline.from;
  const { point } = line.at((closed ? at - Math.floor(at) : clamp(at, 0, 1)) * line.length);
  const moved = nearestAlong(line, { x: point.x + dx, y: point.y + dy }) / line.length - rest;
  // Round a closed line there is no end.
  baseline.from = closed ? moved - Math.round(moved) : clamp(moved, -1, 1);
  return true;
}

/**
 * Moves one part by fractions of the cover. Words that hang under others, or fill a part, are set free where
 * they are seen, which `frame` tells; words along a part slide on it.
 */
export function shift(part: Part, frame: Rect | undefined, doc: Doc, dx: number, dy: number): void {
  const by = { x: (x: number): number => x + dx, y: (y: number): number => y + dy };
  switch (part.kind) {
    case 'curve':
      return mapNodes(part.nodes, by);
    case 'words':
      if (slide(part, doc, dx * doc.widthPx, dy * doc.heightPx)) return;
      setFree(part, frame, doc);
      if (part.baseline?.kind === 'curve') mapNodes(part.baseline.nodes, by);
      part.area.x = bounded(part.area.x + dx);
      part.area.y = bounded(part.area.y + dy);
      return;
    case 'picture':
    case 'shape':
      part.area.x = bounded(part.area.x + dx);
      part.area.y = bounded(part.area.y + dy);
      return;
    case 'ground':
    case 'scrim':
    case 'overlay':
      return;
  }
}

/**
 * Moves several parts together by fractions of the cover. Locked ones stay; words that stand in or along one of the others go with it.
 * Faults: `part-gone`.
 */
export function moveParts(ids: readonly string[], frames: Frames, dx: number, dy: number): Edit<Doc> {
  return (doc) => {
    for (const id of ids) {
      const part = doc.parts[id];
      if (!part) return fault('part-gone');
      if (movable(part) && !ids.includes(boundTo(part) ?? '')) shift(part, frames.get(id), doc, dx, dy);
    }
  };
}

export type AlignTo = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';

/** What parts are lined up with. `first` is the part that was chosen first. */
export const ALIGN_ROOMS = ['each-other', 'first', 'safe', 'cover'] as const;
export type AlignRoom = (typeof ALIGN_ROOMS)[number];

/** The box, px, that parts are lined up in; one part by itself has none with others, and takes the safe area. */
function roomOf(doc: Doc, frames: readonly Rect[], within: AlignRoom): Rect {
  const margin = within === 'cover' ? 0 : SAFE * doc.widthPx;
  if (frames.length < 2 || within === 'cover' || within === 'safe')
    return { x: margin, y: margin, width: doc.widthPx - 2 * margin, height: doc.heightPx - 2 * margin };
  return within === 'first' ? frames[0] : union(frames);
}

/** Lines parts up in a box: that of all of them, of the first, of the safe area or of the cover. Faults: `part-gone`. */
export function alignParts(ids: readonly string[], frames: Frames, to: AlignTo, within: AlignRoom): Edit<Doc> {
  return (doc) => {
    const own = ids.flatMap((id) => {
      const frame = frames.get(id);
      return frame && doc.parts[id] ? [{ id, frame }] : [];
    });
    if (own.length === 0) return fault('part-gone');
    const room = roomOf(
      doc,
      own.map(({ frame }) => frame),
      within,
    );
    for (const { id, frame } of own) {
      if (!movable(doc.parts[id])) continue;
      const x = {
        left: room.x,
        centre: room.x + (room.width - frame.width) / 2,
        right: room.x + room.width - frame.width,
      };
      const y = {
        top: room.y,
        middle: room.y + (room.height - frame.height) / 2,
        bottom: room.y + room.height - frame.height,
      };
      const dx = to in x ? x[to as keyof typeof x] - frame.x : 0;
      const dy = to in y ? y[to as keyof typeof y] - frame.y : 0;
      shift(doc.parts[id], frame, doc, dx / doc.widthPx, dy / doc.heightPx);
    }
  };
}

/**
 * Makes the gaps between parts equal. The outer two stay, or go to the edges of the safe area or of the cover. Fewer than
 * three among themselves, or two in a box, change nothing.
 */
export function spaceParts(
  ids: readonly string[],
  frames: Frames,
  down: boolean,
  within: AlignRoom = 'each-other',
): Edit<Doc> {
  return (doc) => {
    const own = ids
      .flatMap((id) => {
        const frame = frames.get(id);
        return frame && doc.parts[id]
          ? [{ id, from: down ? frame.y : frame.x, size: down ? frame.height : frame.width }]
          : [];
      })
      .sort((a, b) => a.from - b.from);
    const boxed = within === 'safe' || within === 'cover';
    if (own.length < (boxed ? 2 : 3)) return;
    const room = roomOf(doc, [], within);
    const last = own[own.length - 1];
    const from = boxed ? (down ? room.y : room.x) : own[0].from;
    const to = boxed ? from + (down ? room.height : room.width) : last.from + last.size;
    const gap = (to - from - own.reduce((sum, o) => sum + o.size, 0)) / (own.length - 1);
    let at = from;
    for (const one of own) {
      const by = at - one.from;
      const part = doc.parts[one.id];
      if (by !== 0 && movable(part))
        shift(part, frames.get(one.id), doc, down ? 0 : by / doc.widthPx, down ? by / doc.heightPx : 0);
      at += one.size + gap;
    }
  };
}

/** Copies of parts, right in front of their originals and a little aside. `names` gives each copy its id. */
export function duplicateParts(ids: readonly string[], names: readonly string[]): Edit<Doc> {
  return (doc) => {
    if (ids.some((id) => !doc.parts[id])) return fault('part-gone');
    const fresh = new Map(ids.map((id, i) => [id, names[i]]));
    const fromTheBack = inOrder(doc).filter((part) => fresh.has(part.id));
    for (const part of fromTheBack) {
      const name = fresh.get(part.id)!;
      if (part.kind === 'ground') return fault('ground-stays');
      const group = groupOfCopy(doc, part, fresh);
      // A group that is copied whole comes to lie in front of the old one, not between its parts.
      const whole = group !== null && group !== part.group;
      const sorted = inOrder(doc);
      const at = sorted.findLastIndex(
        (p) => p.id === part.id || (whole && (p.group === part.group || p.group === group)),
      );
      const order = orderBetween(sorted[at].order, sorted[at + 1]?.order ?? null);
      const copy: Part = PartSchema.parse({ ...structuredCopy(part), id: name, order, group, locked: false });
      const called = part.group !== null && group !== part.group ? doc.groups[part.group] : undefined;
      if (group !== null && called) doc.groups[group] = called;
      const bound = boundTo(copy);
      if (bound === null || !fresh.has(bound)) shift(copy, undefined, doc, 0.02, 0.0125);
      rebind(copy, (of) => fresh.get(of) ?? of);
      // Two texts in one place would lie on each other.
      if (copy.kind === 'words' && bound !== null && !fresh.has(bound)) copy.room = null;
      doc.parts[name] = copy;
    }
  };
}

const structuredCopy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** A part and those bound to it. */
export function withGroup(doc: Doc, id: string): string[] {
  const part = doc.parts[id];
  if (!part?.group) return part ? [id] : [];
  return inOrder(doc)
    .filter((one) => one.group === part.group)
    .map((one) => one.id);
}

const LOOKS: Readonly<Record<Part['kind'], readonly string[]>> = {
  words: [
    'cut',
    'wide',
    'size',
    'maxSize',
    'tracking',
    'leading',
    'upper',
    'smallCaps',
    'alternates',
    'figures',
    'kerning',
    'colour',
    'fill',
    'outline',
    'shadow',
    'glow',
    'plate',
    'ruleAbove',
    'ruleBelow',
    'minor',
    'blend',
    'opacity',
  ],
  picture: ['mask', 'soft', 'look', 'border', 'shadow', 'blend', 'opacity'],
  shape: ['form', 'colour', 'fill', 'border', 'shadow', 'blend', 'opacity'],
  curve: ['width', 'taperStart', 'taperEnd', 'colour', 'shadow', 'blend', 'opacity'],
  overlay: ['texture', 'scale', 'amount', 'angleRad', 'colour', 'blend', 'opacity'],
  scrim: ['from', 'hold', 'reach', 'colour', 'blend', 'opacity'],
  ground: ['paint', 'border'],
};

/** Gives parts the look of another: how it is set and coloured, not what it says or where it sits. Other kinds take what they share. */
export function pasteLook(from: Part, ids: readonly string[]): Edit<Doc> {
  return (doc) => {
    const source = structuredCopy(from) as unknown as Record<string, unknown>;
    for (const id of ids) {
      const part = doc.parts[id];
      if (!part) return fault('part-gone');
      if (part.locked) return fault('part-locked');
      const names = part.kind === from.kind ? LOOKS[part.kind] : ['colour', 'shadow', 'blend', 'opacity'];
      const fields = Object.fromEntries(names.filter((n) => n in source && n in part).map((n) => [n, source[n]]));
      const parsed = PartSchema.safeParse({ ...part, ...fields });
      if (parsed.success) doc.parts[id] = parsed.data;
    }
  };
}

/** Draws a picture out to every edge it nearly reaches, so that no sliver of ground shows. */
export function coverSlivers(id: string, edges: readonly ('left' | 'right' | 'top' | 'bottom')[]): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[id];
    if (!part) return fault('part-gone');
    if (part.kind !== 'picture') return;
    const area: Area = { ...part.area };
    if (edges.includes('left')) [area.width, area.x] = [area.width + area.x, 0];
    if (edges.includes('top')) [area.height, area.y] = [area.height + area.y, 0];
    if (edges.includes('right')) area.width = 1 - area.x;
    if (edges.includes('bottom')) area.height = 1 - area.y;
    part.area = area;
  };
}
