import { type Edit, fault, orderBetween } from '../../base';
import { clamp, type Rect } from '../../plane';
import { type Doc, inOrder } from '../document';
import { type Area, type Part, Part as PartSchema } from '../parts';

/** Frames of parts in pixels, as the composition reports them. */
export type Frames = ReadonlyMap<string, Rect>;

const bounded = (v: number): number => clamp(v, -4, 4);

/** Whether a part has a place of its own that can be moved. */
export const movable = (part: Part): boolean =>
  !part.locked && part.kind !== 'ground' && part.kind !== 'scrim' && part.kind !== 'overlay';

/**
 * Moves one part by fractions of the cover. Words that hang under others are set free where they are seen, which
 * `frame` tells.
 */
function shift(part: Part, frame: Rect | undefined, doc: Doc, dx: number, dy: number): void {
  switch (part.kind) {
    case 'curve':
      for (const node of part.nodes) {
        for (const x of ['x', 'inX', 'outX'] as const) node[x] = bounded(node[x] + dx);
        for (const y of ['y', 'inY', 'outY'] as const) node[y] = bounded(node[y] + dy);
      }
      return;
    case 'words':
      if (part.follows && frame) {
        part.follows = null;
        part.alignY = 'top';
        part.area.y = frame.y / doc.heightPx;
      }
      if (part.baseline?.kind === 'curve') {
        for (const node of part.baseline.nodes) {
          for (const x of ['x', 'inX', 'outX'] as const) node[x] = bounded(node[x] + dx);
          for (const y of ['y', 'inY', 'outY'] as const) node[y] = bounded(node[y] + dy);
        }
      }
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

/** Moves several parts together by fractions of the cover. Locked ones stay. Faults: `part-gone`. */
export function moveParts(ids: readonly string[], frames: Frames, dx: number, dy: number): Edit<Doc> {
  return (doc) => {
    for (const id of ids) {
      const part = doc.parts[id];
      if (!part) return fault('part-gone');
      if (movable(part)) shift(part, frames.get(id), doc, dx, dy);
    }
  };
}

export type AlignTo = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';

/** Lines parts up: with each other where there are several, with the cover's safe area where there is one. */
export function alignParts(ids: readonly string[], frames: Frames, to: AlignTo, safe: number): Edit<Doc> {
  return (doc) => {
    const own = ids.flatMap((id) => {
      const frame = frames.get(id);
      return frame && doc.parts[id] ? [{ id, frame }] : [];
    });
    if (own.length === 0) return fault('part-gone');
    const margin = safe * doc.widthPx;
    const room: Rect =
      own.length > 1
        ? {
            x: Math.min(...own.map((o) => o.frame.x)),
            y: Math.min(...own.map((o) => o.frame.y)),
            width: Math.max(...own.map((o) => o.frame.x + o.frame.width)) - Math.min(...own.map((o) => o.frame.x)),
            height: Math.max(...own.map((o) => o.frame.y + o.frame.height)) - Math.min(...own.map((o) => o.frame.y)),
          }
        : { x: margin, y: margin, width: doc.widthPx - 2 * margin, height: doc.heightPx - 2 * margin };
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

/** Makes the gaps between parts equal; the outer two stay. Fewer than three change nothing. */
export function spaceParts(ids: readonly string[], frames: Frames, down: boolean): Edit<Doc> {
  return (doc) => {
    const own = ids
      .flatMap((id) => {
        const frame = frames.get(id);
        return frame && doc.parts[id]
          ? [{ id, from: down ? frame.y : frame.x, size: down ? frame.height : frame.width }]
          : [];
      })
      .sort((a, b) => a.from - b.from);
    if (own.length < 3) return;
    const first = own[0];
    const last = own[own.length - 1];
    const inner = own.slice(1, -1);
    const free = last.from - (first.from + first.size) - inner.reduce((sum, o) => sum + o.size, 0);
    const gap = free / (own.length - 1);
    let at = first.from + first.size + gap;
    for (const { id, from, size } of inner) {
      const by = at - from;
      const part = doc.parts[id];
      if (movable(part)) shift(part, frames.get(id), doc, down ? 0 : by / doc.widthPx, down ? by / doc.heightPx : 0);
      at += size + gap;
    }
  };
}

/** Copies of parts, right in front of their originals and a little aside. `names` gives each copy its id. */
export function duplicateParts(ids: readonly string[], names: readonly string[]): Edit<Doc> {
  return (doc) => {
    const fresh = new Map(ids.map((id, i) => [id, names[i]]));
    for (const [id, name] of fresh) {
      const part = doc.parts[id];
      if (!part) return fault('part-gone');
      if (part.kind === 'ground') return fault('ground-stays');
      const sorted = inOrder(doc);
      const at = sorted.findIndex((p) => p.id === id);
      const order = orderBetween(part.order, sorted[at + 1]?.order ?? null);
      const copy: Part = PartSchema.parse({ ...structuredCopy(part), id: name, order, locked: false });
      shift(copy, undefined, doc, 0.02, 0.0125);
      if (copy.kind === 'words' && copy.follows) copy.follows.part = fresh.get(copy.follows.part) ?? copy.follows.part;
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
  picture: ['mask', 'look', 'border', 'shadow', 'blend', 'opacity'],
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
