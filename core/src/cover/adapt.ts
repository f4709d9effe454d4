import { clamp } from '../plane';
import type { Doc } from './document';
import type { Area, CurveNode, Part, ShapePart, WordsPart } from './parts';

type Size = { readonly widthPx: number; readonly heightPx: number };

/** Forms that must keep their shape: a circle stays a circle. Ribbons and dividers have a middle that can grow. */
const SHAPED = new Set(['ellipse', 'polygon', 'burst', 'badge', 'drawn']);

/** What fills nearly the whole of one direction goes on filling it. */
const FULL = 0.88;

/**
 * The composition for other pixels, by its own constraints: words are set anew in their places, pictures that fill the
 * cover are cropped anew, what has a shape keeps it inside its place and takes the words that stand on it along, and
 * nothing is stretched. What touches an edge, or runs over it, goes on doing so. No place grows on the cover, so nothing comes to
 * lie over what it left free. The same size gives the same document.
 */
export function adaptDoc(doc: Doc, size: Size): Doc {
  const kx = size.widthPx / doc.widthPx;
  const ky = size.heightPx / doc.heightPx;
  if (Math.abs(kx / ky - 1) < 1e-9) return { ...doc, widthPx: size.widthPx, heightPx: size.heightPx };
  const least = Math.min(kx, ky);
  const by: By = { fx: least / kx, fy: least / ky, words: Math.sqrt(ky / kx) };
  const parts = Object.fromEntries(
    Object.entries(doc.parts).map(([id, part]): [string, Part] => {
      const under = part.kind === 'words' ? seatOf(doc, part) : null;
      const next = under ? adaptSeated(part as WordsPart, under, by) : adaptPart(part, by);
      const band = next.kind === 'shape' && !SHAPED.has(next.form.kind);
      return [id, band ? runsOff(next, doc, size) : next];
    }),
  );
  return { ...doc, widthPx: size.widthPx, heightPx: size.heightPx, parts };
}

/**
 * `fx`, `fy`: by what a length that keeps its shape changes as a fraction of the width and of the height. Words are set
 * anew in their places and may grow by the mean of both directions.
 */
type By = { readonly fx: number; readonly fy: number; readonly words: number };

/** The place of the shape that keeps its shape and that words stand on, the nearest below them; null where they stand free. */
function seatOf(doc: Doc, part: WordsPart): Area | null {
  const { x, y, width, height } = part.area;
  const seats = Object.values(doc.parts).filter(
    (one) =>
      one.kind === 'shape' &&
      one.order < part.order &&
      SHAPED.has(one.form.kind) &&
      one.area.x <= x &&
      one.area.y <= y &&
      one.area.x + one.area.width >= x + width &&
      one.area.y + one.area.height >= y + height,
  );
  const nearest = seats.sort((a, b) => (a.order < b.order ? 1 : -1))[0];
  return nearest?.kind === 'shape' ? nearest.area : null;
}

/** Words that stand on a shape go where it goes and grow as it grows. */
function adaptSeated(part: WordsPart, seat: Area, by: By): Part {
  const to = keepShape(seat, by.fx, by.fy);
  const [kx, ky] = [to.width / seat.width, to.height / seat.height];
  const area = {
    x: to.x + (part.area.x - seat.x) * kx,
    y: to.y + (part.area.y - seat.y) * ky,
    width: part.area.width * kx,
    height: part.area.height * ky,
  };
  return { ...part, ...sizesOf(part, kx), area };
}

function sizesOf(part: WordsPart, k: number): Pick<WordsPart, 'size' | 'maxSize' | 'leastSize'> {
  const grown = (v: number): number => clamp(v * k, 0.004, 2);
  return {
    size: part.size === null ? null : grown(part.size),
    maxSize: grown(part.maxSize),
    leastSize: part.leastSize === null ? null : grown(part.leastSize),
  };
}

function adaptPart(part: Part, by: By): Part {
  const { fx, fy } = by;
  switch (part.kind) {
    case 'words': {
      const upright = part.setting !== 'across';
      return {
        ...part,
        ...sizesOf(part, by.words),
        area: upright ? keepShape(part.area, Math.min(1, by.words), 1) : part.area,
        baseline:
          part.baseline?.kind === 'curve'
            ? { kind: 'curve', nodes: adaptNodes(part.baseline.nodes, fx, fy) }
            : part.baseline,
      };
    }
    case 'picture':
      return part.mask || part.fit === 'whole'
        ? { ...part, area: fills(part.area) ? part.area : keepShape(part.area, fx, fy) }
        : part;
    case 'shape': {
      if (SHAPED.has(part.form.kind)) return { ...part, area: keepShape(part.area, fx, fy) };
      if (part.form.kind === 'line' || part.role === 'rule') {
        // A line keeps its thickness and goes on spanning what it spans.
        const lying = part.area.width >= part.area.height;
        return { ...part, area: keepShape(part.area, lying ? 1 : fx, lying ? fy : 1) };
      }
      return part;
    }
    case 'curve':
      return { ...part, nodes: adaptNodes(part.nodes, fx, fy), width: clamp(part.width * fx, 0.0005, 0.3) };
    case 'ground':
    case 'scrim':
    case 'overlay':
      return part;
  }
}

const fills = (area: Area): boolean => area.width >= FULL && area.height >= FULL;

/** What is nearer to an edge than this share of the cover touches it. */
const TOUCHES = 0.006;

/**
 * The new beginning of a length that shrinks to `k` of itself: about its middle, but what touches one edge goes on touching it,
 * and what runs over one edge does so by the same share of itself.
 */
function shrunkFrom(start: number, length: number, k: number): number {
  const end = start + length;
  const [first, last] = [start <= TOUCHES, end >= 1 - TOUCHES];
  if (first === last) return start + (length * (1 - k)) / 2;
  return first ? start * k : 1 + (end - 1) * k - length * k;
}

/** Shrinks a place and leaves it at the edges it touches. */
function keepShape(area: Area, fx: number, fy: number): Area {
  return {
    x: shrunkFrom(area.x, area.width, fx),
    y: shrunkFrom(area.y, area.height, fy),
    width: area.width * fx,
    height: area.height * fy,
  };
}

/** Whether both ends of a turned band are off the cover; `size` in px. */
function endsOff(area: Area, turnRad: number, size: Size): boolean {
  const { widthPx: w, heightPx: h } = size;
  const [cx, cy] = [(area.x + area.width / 2) * w, (area.y + area.height / 2) * h];
  const half = (area.width * w) / 2;
  const off = (x: number, y: number): boolean => x <= 0 || y <= 0 || x >= w || y >= h;
  const [dx, dy] = [Math.cos(turnRad) * half, Math.sin(turnRad) * half];
  return off(cx - dx, cy - dy) && off(cx + dx, cy + dy);
}

/** A turned band that ran off the cover at both ends, made as long as it must be to do so again. */
function runsOff(part: ShapePart, before: Size, after: Size): ShapePart {
  if (part.turnRad === 0 || !endsOff(part.area, part.turnRad, before)) return part;
  let { area } = part;
  for (let step = 0; step < 40 && !endsOff(area, part.turnRad, after); step++) {
    const width = Math.min(8, area.width * 1.06);
    area = { ...area, width, x: area.x - (width - area.width) / 2 };
  }
  return { ...part, area };
}

function adaptNodes(nodes: readonly CurveNode[], fx: number, fy: number): CurveNode[] {
  const xs = nodes.map((n) => n.x);
  const ys = nodes.map((n) => n.y);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  // A curve that crosses the whole cover still does.
  const [kx, ky] = x1 - x0 >= FULL ? [1, 1] : [fx, fy];
  const [fromX, fromY] = [shrunkFrom(x0, x1 - x0, kx), shrunkFrom(y0, y1 - y0, ky)];
  const x = (v: number): number => clamp(fromX + (v - x0) * kx, -4, 4);
  const y = (v: number): number => clamp(fromY + (v - y0) * ky, -4, 4);
  return nodes.map((n) => ({ x: x(n.x), y: y(n.y), inX: x(n.inX), inY: y(n.inY), outX: x(n.outX), outY: y(n.outY) }));
}
