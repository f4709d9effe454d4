import { PathBuilder, type Path, type Point, type Rect, ellipsePath, joinPaths, polygonPath, rectPath } from '../plane';

const TURN = Math.PI * 2;

/** A point on the ellipse inside a rectangle; angle 0 is up, clockwise; `reach` 1 is on it. */
const onEllipse = (r: Rect, angle: number, reach = 1): Point => ({
  x: r.x + r.width / 2 + Math.sin(angle) * (r.width / 2) * reach,
  y: r.y + r.height / 2 - Math.cos(angle) * (r.height / 2) * reach,
});

export const ellipseIn = (r: Rect): Path =>
  ellipsePath(r.x + r.width / 2, r.y + r.height / 2, r.width / 2, r.height / 2);

/** A regular polygon that stands on a side (even counts) or shows a corner at the top, filling the rectangle. */
export function polygonIn(r: Rect, sides: number): Path {
  const offset = sides % 2 === 0 ? Math.PI / sides : 0;
  const raw = Array.from({ length: sides }, (_, i) => onEllipse(r, (i / sides) * TURN + offset));
  const xs = raw.map((p) => p.x);
  const ys = raw.map((p) => p.y);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  return polygonPath(
    raw.map((p) => ({
      x: r.x + ((p.x - x0) / (x1 - x0)) * r.width,
      y: r.y + ((p.y - y0) / (y1 - y0)) * r.height,
    })),
  );
}

/** A star of rays; `depth` is how far the notches go in. */
export function burstIn(r: Rect, points: number, depth: number): Path {
  return polygonPath(
    Array.from({ length: points * 2 }, (_, i) => onEllipse(r, (i / (points * 2)) * TURN, i % 2 === 0 ? 1 : 1 - depth)),
  );
}

/** A round badge with scallops; with `ring` a thin ring is cut out of it near the edge (even-odd by direction). */
export function badgeIn(r: Rect, scallops: number, ring: boolean): Path {
  const b = new PathBuilder();
  const dip = Math.min(0.12, 1.6 / scallops);
  for (let i = 0; i < scallops; i++) {
    const from = onEllipse(r, (i / scallops) * TURN, 1 - dip);
    const to = onEllipse(r, ((i + 1) / scallops) * TURN, 1 - dip);
    const top = onEllipse(r, ((i + 0.5) / scallops) * TURN, 1 + dip);
    if (i === 0) b.move(from.x, from.y);
    b.quad(top.x, top.y, to.x, to.y);
  }
  b.close();
  if (!ring) return b.done();
  return joinPaths([b.done(), reversed(ellipseAt(r, 1 - dip * 1.9)), ellipseAt(r, 1 - dip * 1.9 - 0.025)]);
}

function ellipseAt(r: Rect, k: number): Path {
  return ellipsePath(r.x + r.width / 2, r.y + r.height / 2, (r.width / 2) * k, (r.height / 2) * k);
}

/** The same closed outline run backwards, so that it cuts a hole (only for outlines of one contour of lines and cubics). */
export function reversed(path: Path): Path {
  const nodes: { x: number; y: number; c: readonly number[] | null }[] = [];
  const o = path.ops;
  for (let i = 0; i < o.length;) {
    const code = o[i++];
    if (code === 0 || code === 1) {
      nodes.push({ x: o[i], y: o[i + 1], c: null });
      i += 2;
    } else if (code === 3) {
      nodes.push({ x: o[i + 4], y: o[i + 5], c: [o[i], o[i + 1], o[i + 2], o[i + 3]] });
      i += 6;
    } else if (code === 2) i += 4;
  }
  const b = new PathBuilder();
  const last = nodes[nodes.length - 1];
  b.move(last.x, last.y);
  for (let k = nodes.length - 1; k > 0; k--) {
    const { c } = nodes[k];
    const to = nodes[k - 1];
    if (c) b.cubic(c[2], c[3], c[0], c[1], to.x, to.y);
    else b.line(to.x, to.y);
  }
  return b.close().done();
}

/** A window with a round head. */
export function archIn(r: Rect): Path {
  const rise = Math.min(r.width / 2, r.height);
  const k = 0.5522847498;
  const cx = r.x + r.width / 2;
  const foot = r.y + r.height;
  return new PathBuilder()
    .move(r.x, foot)
    .line(r.x, r.y + rise)
    .cubic(r.x, r.y + rise * (1 - k), cx - (r.width / 2) * k, r.y, cx, r.y)
    .cubic(cx + (r.width / 2) * k, r.y, r.x + r.width, r.y + rise * (1 - k), r.x + r.width, r.y + rise)
    .line(r.x + r.width, foot)
    .close()
    .done();
}

export type Ribbon = { readonly front: Path; readonly tails: Path; readonly folds: Path };

/** A ribbon across the rectangle: its front, the notched tails behind it, and the dark folds between them. */
export function ribbonIn(r: Rect, fold: number, notch: number): Ribbon {
  const drop = r.height * 0.24;
  const inset = Math.min(r.width * 0.28, r.height * (0.5 + fold * 1.6));
  const tuck = inset * 0.42;
  const [x0, x1] = [r.x, r.x + r.width];
  const top = r.y;
  const bottom = r.y + r.height - drop;
  const front = rectPath({ x: x0 + inset, y: top, width: r.width - 2 * inset, height: bottom - top });
  if (fold === 0) {
    const bite = Math.min(notch * r.height * 0.5, r.width / 3);
    const flat = polygonPath([
      { x: x0, y: top },
      { x: x1, y: top },
      { x: x1 - bite, y: r.y + r.height / 2 },
      { x: x1, y: r.y + r.height },
      { x: x0, y: r.y + r.height },
      { x: x0 + bite, y: r.y + r.height / 2 },
    ]);
    return { front: flat, tails: { ops: [] }, folds: { ops: [] } };
  }
  const tailTop = top + drop;
  const tailBottom = r.y + r.height;
  const bite = Math.min(notch * (tailBottom - tailTop) * 0.6, inset);
  const mid = (tailTop + tailBottom) / 2;
  const tails = joinPaths([
    polygonPath([
      { x: x0, y: tailTop },
      { x: x0 + inset + tuck, y: tailTop },
      { x: x0 + inset + tuck, y: tailBottom },
      { x: x0, y: tailBottom },
      { x: x0 + bite, y: mid },
    ]),
    polygonPath([
      { x: x1, y: tailTop },
      { x: x1 - bite, y: mid },
      { x: x1, y: tailBottom },
      { x: x1 - inset - tuck, y: tailBottom },
      { x: x1 - inset - tuck, y: tailTop },
    ]),
  ]);
  const folds = joinPaths([
    polygonPath([
      { x: x0 + inset, y: bottom },
      { x: x0 + inset + tuck, y: bottom },
      { x: x0 + inset + tuck, y: tailBottom },
    ]),
    polygonPath([
      { x: x1 - inset, y: bottom },
      { x: x1 - inset - tuck, y: tailBottom },
      { x: x1 - inset - tuck, y: bottom },
    ]),
  ]);
  return { front, tails, folds };
}

export type FrameCorner = 'square' | 'round' | 'cut' | 'scooped' | 'stepped';

/** One closed line with shaped corners. */
function cornered(r: Rect, corner: FrameCorner, size: number): Path {
  const s = Math.max(0, Math.min(size, r.width / 2, r.height / 2));
  const [x0, y0, x1, y1] = [r.x, r.y, r.x + r.width, r.y + r.height];
  if (corner === 'square' || s === 0) return rectPath(r);
  if (corner === 'round') return rectPath(r, s);
  const b = new PathBuilder();
  const k = s * (1 - 0.5522847498);
  // Each corner from the side that reaches it to the side that leaves it, clockwise from the top left.
  const corners = [
    { from: { x: x0, y: y0 + s }, inner: { x: x0 + s, y: y0 + s }, to: { x: x0 + s, y: y0 } },
    { from: { x: x1 - s, y: y0 }, inner: { x: x1 - s, y: y0 + s }, to: { x: x1, y: y0 + s } },
    { from: { x: x1, y: y1 - s }, inner: { x: x1 - s, y: y1 - s }, to: { x: x1 - s, y: y1 } },
    { from: { x: x0 + s, y: y1 }, inner: { x: x0 + s, y: y1 - s }, to: { x: x0, y: y1 - s } },
  ];
  corners.forEach(({ from, inner, to }, i) => {
    if (i === 0) b.move(from.x, from.y);
    else b.line(from.x, from.y);
    if (corner === 'cut') b.line(to.x, to.y);
    else if (corner === 'stepped') {
      const half = { x: (from.x + inner.x) / 2, y: (from.y + inner.y) / 2 };
      const back = { x: (inner.x + to.x) / 2, y: (inner.y + to.y) / 2 };
      const centre = { x: half.x + back.x - inner.x, y: half.y + back.y - inner.y };
      b.line(half.x, half.y).line(centre.x, centre.y).line(back.x, back.y).line(to.x, to.y);
    } else {
      const towards = (p: Point): Point => ({
        x: p.x + ((inner.x - p.x) * (s - k)) / s,
        y: p.y + ((inner.y - p.y) * (s - k)) / s,
      });
      const [c1, c2] = [towards(from), towards(to)];
      b.cubic(c1.x, c1.y, c2.x, c2.y, to.x, to.y);
    }
  });
  return b.close().done();
}

/** The lines of a frame, to be drawn `thick` px wide; the outer edge of the outer line is the rectangle. */
export function frameLines(r: Rect, thick: number, corner: FrameCorner, size: number, double: boolean): Path[] {
  const line = (inset: number): Path =>
    cornered(
      { x: r.x + inset, y: r.y + inset, width: r.width - 2 * inset, height: r.height - 2 * inset },
      corner,
      // Corners that bite in keep their size, so that the two lines stay apart by the same distance.
      corner === 'round' ? Math.max(0, size - inset) : size,
    );
  return double ? [line(thick / 2), line(thick * 3.1)] : [line(thick / 2)];
}
