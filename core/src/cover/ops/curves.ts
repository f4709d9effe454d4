import { type Edit, fault } from '../../base';
import { clamp } from '../../plane';
import type { Doc } from '../document';
import type { CurveNode, CurvePart } from '../parts';

type Size = { readonly widthPx: number; readonly heightPx: number };
type Nodes = readonly CurveNode[];

/** How many pieces a curve has: one fewer than points, or as many where it is closed. */
export const piecesOf = (nodes: Nodes, closed: boolean): number => nodes.length - (closed ? 0 : 1);

/** The same curve with one more point on a piece, at `t` 0..1 of it (de Casteljau). */
export function splitCurve(nodes: Nodes, piece: number, t: number): CurveNode[] {
  const [p, q] = [nodes[piece], nodes[(piece + 1) % nodes.length]];
  const mix = (a: number, b: number): number => a + (b - a) * t;
  const cut = (a: number, b: number, c: number, d: number): [number, number, number, number, number] => {
    const [ab, bc, cd] = [mix(a, b), mix(b, c), mix(c, d)];
    const [abc, bcd] = [mix(ab, bc), mix(bc, cd)];
    return [ab, abc, mix(abc, bcd), bcd, cd];
  };
  const [outX, inX, x, nextX, lastX] = cut(p.x, p.outX, q.inX, q.x);
  const [outY, inY, y, nextY, lastY] = cut(p.y, p.outY, q.inY, q.y);
  const changed = nodes.map((node, i) => {
    let one = node;
    if (i === piece) one = { ...one, outX, outY };
    if (i === (piece + 1) % nodes.length) one = { ...one, inX: lastX, inY: lastY };
    return one;
  });
  return changed.toSpliced(piece + 1, 0, { x, y, inX, inY, outX: nextX, outY: nextY });
}

/** Where a curve comes nearest to a point (shares of the cover): the piece, the place on it, and how far away, px. */
export function nearestOn(
  nodes: Nodes,
  closed: boolean,
  at: { readonly x: number; readonly y: number },
  size: Size,
): { piece: number; t: number; awayPx: number } {
  let best = { piece: 0, t: 0, awayPx: Infinity };
  const steps = 48;
  for (let piece = 0; piece < piecesOf(nodes, closed); piece++) {
    const [p, q] = [nodes[piece], nodes[(piece + 1) % nodes.length]];
    for (let s = 0; s <= steps; s++) {
      const t = s / steps;
      const u = 1 - t;
      const [k0, k1, k2, k3] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
      const x = k0 * p.x + k1 * p.outX + k2 * q.inX + k3 * q.x;
      const y = k0 * p.y + k1 * p.outY + k2 * q.inY + k3 * q.y;
      const awayPx = Math.hypot((x - at.x) * size.widthPx, (y - at.y) * size.heightPx);
      if (awayPx < best.awayPx) best = { piece, t: clamp(t, 0.02, 0.98), awayPx };
    }
  }
  return best;
}

/** The angle at which a curve turns at a point, 0 where it runs on smoothly; null at its ends, which have one handle. */
export function turnAt(nodes: Nodes, index: number, size: Size): number | null {
  const n = nodes[index];
  const [ix, iy] = [(n.x - n.inX) * size.widthPx, (n.y - n.inY) * size.heightPx];
  const [ox, oy] = [(n.outX - n.x) * size.widthPx, (n.outY - n.y) * size.heightPx];
  if (Math.hypot(ix, iy) < 0.5 || Math.hypot(ox, oy) < 0.5) return null;
  const d = Math.abs(Math.atan2(iy, ix) - Math.atan2(oy, ox)) % (2 * Math.PI);
  return d > Math.PI ? 2 * Math.PI - d : d;
}

/** Less than this is smooth, rad. */
export const SMOOTH_RAD = 0.06;

/** A point through which the curve runs smoothly: along the line between its neighbours, a third of the way to each. */
export function smoothNode(nodes: Nodes, closed: boolean, index: number, size: Size): CurveNode[] {
  const n = nodes.length;
  const own = nodes[index];
  const before = nodes[closed ? (index + n - 1) % n : Math.max(0, index - 1)];
  const after = nodes[closed ? (index + 1) % n : Math.min(n - 1, index + 1)];
  const { widthPx: w, heightPx: h } = size;
  const [dx, dy] = [(after.x - before.x) * w, (after.y - before.y) * h];
  const length = Math.hypot(dx, dy) || 1;
  const reach = (to: CurveNode): number => Math.hypot((to.x - own.x) * w, (to.y - own.y) * h) / 3;
  const [a, b] = [reach(before), reach(after)];
  return nodes.with(index, {
    ...own,
    inX: own.x - ((dx / length) * a) / w,
    inY: own.y - ((dy / length) * a) / h,
    outX: own.x + ((dx / length) * b) / w,
    outY: own.y + ((dy / length) * b) / h,
  });
}

/** A point at which the curve breaks: its handles point straight at its neighbours, a third of the way. */
export function cornerNode(nodes: Nodes, closed: boolean, index: number): CurveNode[] {
  const n = nodes.length;
  const own = nodes[index];
  const before = nodes[closed ? (index + n - 1) % n : Math.max(0, index - 1)];
  const after = nodes[closed ? (index + 1) % n : Math.min(n - 1, index + 1)];
  return nodes.with(index, {
    ...own,
    inX: own.x + (before.x - own.x) / 3,
    inY: own.y + (before.y - own.y) / 3,
    outX: own.x + (after.x - own.x) / 3,
    outY: own.y + (after.y - own.y) / 3,
  });
}

/** The same curve from its other end. */
export const reversed = (nodes: Nodes): CurveNode[] =>
  [...nodes].reverse().map(({ x, y, inX, inY, outX, outY }) => ({ x, y, inX: outX, inY: outY, outX: inX, outY: inY }));

/** Turns a curve round: its ends, with what is at them, change places. Faults: `part-gone`. */
export function reverseCurve(id: string): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[id];
    if (part?.kind !== 'curve') return fault('part-gone');
    part.nodes = reversed(part.nodes);
    [part.taperStart, part.taperEnd] = [part.taperEnd, part.taperStart];
    [part.arrowStart, part.arrowEnd] = [part.arrowEnd, part.arrowStart];
  };
}

/** Ends nearer than this, px, are one point. */
const TOUCHING_PX = 2;

/**
 * Makes one curve of two: they are joined at the ends that are nearest to each other, by a straight piece or, where they touch,
 * in one point. The first keeps its looks. Faults: `part-gone`, `curve-closed`, `curve-long`.
 */
export function joinCurves(first: string, second: string): Edit<Doc> {
  return (doc) => {
    const [a, b] = [doc.parts[first], doc.parts[second]];
    if (a?.kind !== 'curve' || b?.kind !== 'curve' || first === second) return fault('part-gone');
    if (a.closed || b.closed) return fault('curve-closed');
    if (a.nodes.length + b.nodes.length > 200) return fault('curve-long', { most: 200 });
    const { widthPx: w, heightPx: h } = doc;
    const gap = (p: CurveNode, q: CurveNode): number => Math.hypot((p.x - q.x) * w, (p.y - q.y) * h);
    const [a0, a1, b0, b1] = [a.nodes[0], a.nodes[a.nodes.length - 1], b.nodes[0], b.nodes[b.nodes.length - 1]];
    const ways: readonly { px: number; from: Nodes; to: Nodes }[] = [
      { px: gap(a1, b0), from: a.nodes, to: b.nodes },
      { px: gap(a1, b1), from: a.nodes, to: reversed(b.nodes) },
      { px: gap(a0, b0), from: reversed(a.nodes), to: b.nodes },
      { px: gap(a0, b1), from: reversed(a.nodes), to: reversed(b.nodes) },
    ];
    const { px, from, to } = ways.reduce((best, one) => (one.px < best.px ? one : best));
    const [end, begin] = [from[from.length - 1], to[0]];
    if (px <= TOUCHING_PX) {
      const met = { ...end, outX: begin.outX, outY: begin.outY };
      a.nodes = [...from.slice(0, -1), met, ...to.slice(1)].map((node) => ({ ...node }));
    } else {
      const third = (p: number, q: number): number => p + (q - p) / 3;
      a.nodes = [
        ...from.slice(0, -1),
        { ...end, outX: third(end.x, begin.x), outY: third(end.y, begin.y) },
        { ...begin, inX: third(begin.x, end.x), inY: third(begin.y, end.y) },
        ...to.slice(1),
      ].map((node) => ({ ...node }));
    }
    delete doc.parts[second];
    // Families and words that went to the second go to the whole.
    for (const part of Object.values(doc.parts)) {
      if (part.kind === 'words' && part.baseline?.kind === 'along' && part.baseline.part === second)
        part.baseline.part = first;
      if (part.kind === 'curve' && part.family?.kind === 'between') {
        if (part.id === first && part.family.part === second) part.family = null;
        else if (part.family.part === second) part.family.part = first;
      }
    }
  };
}

/** The curves that a family goes through, in order, its own first; those that are gone are passed over. */
export function familyWay(part: CurvePart, doc: Doc): CurvePart[] {
  if (part.family?.kind !== 'between') return [part];
  const ids = [...part.family.via, part.family.part];
  return [part, ...ids.flatMap((id) => (doc.parts[id]?.kind === 'curve' && id !== part.id ? [doc.parts[id]] : []))];
}
