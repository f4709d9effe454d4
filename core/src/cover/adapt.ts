import { clamp } from '../plane';
import type { Doc } from './document';
import type { Area, CurveNode, Part } from './parts';

type Size = { readonly widthPx: number; readonly heightPx: number };

/** Forms that must keep their shape: a circle stays a circle. */
const SHAPED = new Set(['ellipse', 'polygon', 'burst', 'badge', 'ribbon', 'divider', 'drawn']);

/** What fills nearly the whole of one direction goes on filling it. */
const FULL = 0.88;

/**
 * The composition for other pixels, by its own constraints: words are set anew in their places, pictures that fill the
 * cover are cropped anew, what has a shape keeps it, and nothing is stretched. The same size gives the same document.
 */
export function adaptDoc(doc: Doc, size: Size): Doc {
  const kx = size.widthPx / doc.widthPx;
  const ky = size.heightPx / doc.heightPx;
  if (Math.abs(kx / ky - 1) < 1e-9) return { ...doc, widthPx: size.widthPx, heightPx: size.heightPx };
  // Things that keep their shape grow by the mean of both directions.
  const grow = Math.sqrt(kx * ky);
  const parts = Object.fromEntries(
    Object.entries(doc.parts).map(([id, part]): [string, Part] => [id, adaptPart(part, grow / kx, grow / ky)]),
  );
  return { ...doc, widthPx: size.widthPx, heightPx: size.heightPx, parts };
}

/** `fx`, `fy`: by what a length that keeps its shape changes as a fraction of the width and of the height. */
function adaptPart(part: Part, fx: number, fy: number): Part {
  switch (part.kind) {
    case 'words': {
      const most = (v: number): number => clamp(v * fx, 0.004, 2);
      const own = { size: part.size === null ? null : most(part.size), maxSize: most(part.maxSize) };
      const upright = part.setting !== 'across';
      return {
        ...part,
        ...own,
        leastSize: part.leastSize === null ? null : most(part.leastSize),
        area: upright ? keepShape(part.area, fx, 1) : part.area,
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

/** Scales a place about its middle; what was on the cover stays on it. */
function keepShape(area: Area, fx: number, fy: number): Area {
  let [kx, ky] = [fx, fy];
  // Never larger than the cover where it was not before.
  const over = Math.max((area.width * kx) / Math.max(1, area.width), (area.height * ky) / Math.max(1, area.height));
  if (over > 1 && kx !== 1 && ky !== 1) [kx, ky] = [kx / over, ky / over];
  const width = area.width * kx;
  const height = area.height * ky;
  const inside = (from: number, length: number, grown: number): number => {
    const at = from + (length - grown) / 2;
    return from >= 0 && from + length <= 1 ? clamp(at, 0, Math.max(0, 1 - grown)) : at;
  };
  return { x: inside(area.x, area.width, width), y: inside(area.y, area.height, height), width, height };
}

function adaptNodes(nodes: readonly CurveNode[], fx: number, fy: number): CurveNode[] {
  const xs = nodes.map((n) => n.x);
  const ys = nodes.map((n) => n.y);
  const cx = (Math.min(...xs) + Math.max(...xs)) / 2;
  const cy = (Math.min(...ys) + Math.max(...ys)) / 2;
  // A curve that crosses the whole cover still does.
  const whole = Math.max(...xs) - Math.min(...xs) >= FULL;
  const [kx, ky] = whole ? [1, 1] : [fx, fy];
  const x = (v: number): number => clamp(cx + (v - cx) * kx, -4, 4);
  const y = (v: number): number => clamp(cy + (v - cy) * ky, -4, 4);
  return nodes.map((n) => ({ x: x(n.x), y: y(n.y), inX: x(n.inX), inY: y(n.inY), outX: x(n.outX), outY: y(n.outY) }));
}
