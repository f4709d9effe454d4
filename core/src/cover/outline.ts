import { never } from '../base';
import {
  archIn,
  badgeIn,
  brushedIn,
  burstIn,
  dividerIn,
  ellipseIn,
  polygonIn,
  readPathData,
  ribbonIn,
  tornIn,
} from '../forms';
import {
  PathBuilder,
  type Path,
  type Point,
  type Polyline,
  type Rect,
  compose,
  flatten,
  joinPaths,
  polyline,
  rectPath,
  rotateAbout,
  scale,
  transformPath,
  translate,
} from '../plane';
import { DRAWING_HEIGHT } from '../vector';
import type { Doc } from './document';
import type { CurvePart, Mask, Part, ShapePart } from './parts';

type Size = { readonly widthPx: number; readonly heightPx: number };

/** A drawn curve in pixels. */
export function curvePath(nodes: CurvePart['nodes'], doc: Size, closed = false): Path {
  const { widthPx: w, heightPx: h } = doc;
  const b = new PathBuilder().move(nodes[0].x * w, nodes[0].y * h);
  for (let i = 1; i < nodes.length + (closed ? 1 : 0); i++) {
    const [p, q] = [nodes[i - 1], nodes[i % nodes.length]];
    b.cubic(p.outX * w, p.outY * h, q.inX * w, q.inY * h, q.x * w, q.y * h);
  }
  return (closed ? b.close() : b).done();
}

export const curveLine = (nodes: CurvePart['nodes'], doc: Size, closed = false): Polyline =>
  polyline(flatten(curvePath(nodes, doc, closed)));

/** The outline of a shape in its frame; null for forms that are drawn with lines or in several colours. */
export function shapePath(part: ShapePart, frame: Rect): Path | null {
  const { form } = part;
  const side = Math.min(frame.width, frame.height);
  switch (form.kind) {
    case 'rectangle':
      return rectPath(frame, form.radius * side);
    case 'ellipse':
      return ellipseIn(frame);
    case 'polygon':
      return polygonIn(frame, form.sides);
    case 'burst':
      return burstIn(frame, form.points, form.depth);
    case 'badge':
      return badgeIn(frame, form.scallops, form.ring);
    case 'divider':
      return dividerIn(frame, form.ornament);
    case 'line':
    case 'ribbon':
    case 'frame':
    case 'drawn':
      return null;
    default:
      return never(form);
  }
}

/** The outlines of a drawing in its frame, each with its own colour: it keeps its ratio, in the middle of its place. */
export function drawnPaths(
  form: Extract<ShapePart['form'], { kind: 'drawn' }>,
  frame: Rect,
): { readonly path: Path; readonly colour: string | null }[] {
  const k = Math.min(frame.width / form.ratio, frame.height);
  const place = compose(
    translate(frame.x + (frame.width - form.ratio * k) / 2, frame.y + (frame.height - k) / 2),
    scale(k / DRAWING_HEIGHT),
  );
  return form.paths.flatMap(({ d, colour }) => {
    const read = readPathData(d);
    return read.ok ? [{ path: transformPath(read.value, place), colour }] : [];
  });
}

/** The outline a picture is cut to, in pixels; null where letters cut it. */
export function maskOutline(mask: Mask, frame: Rect): Path | null {
  const side = Math.min(frame.width, frame.height);
  switch (mask.kind) {
    case 'rectangle':
      return rectPath(frame, mask.radius * side);
    case 'ellipse':
      return ellipseIn(frame);
    case 'polygon':
      return polygonIn(frame, mask.sides);
    case 'arch':
      return archIn(frame);
    case 'torn':
      return tornIn(frame, mask.rough, mask.seed);
    case 'brush':
      return brushedIn(frame, mask.rough, mask.seed);
    case 'letters':
      return null;
    default:
      return never(mask);
  }
}

function flatOutline(part: Part, frame: Rect): Path | null {
  if (part.kind === 'picture') return (part.mask && maskOutline(part.mask, frame)) ?? rectPath(frame);
  if (part.kind !== 'shape') return null;
  const { form } = part;
  if (form.kind === 'drawn') return joinPaths(drawnPaths(form, frame).map(({ path }) => path));
  if (form.kind === 'ribbon') return ribbonIn(frame, form.fold, form.notch).front;
  if (form.kind === 'frame') {
    const inset = form.thick * Math.min(frame.width, frame.height);
    return rectPath({
      x: frame.x + inset,
      y: frame.y + inset,
      width: frame.width - 2 * inset,
      height: frame.height - 2 * inset,
    });
  }
  return form.kind === 'line' ? rectPath(frame) : shapePath(part, frame);
}

/** The closed outline of a shape, a picture or a closed curve as it lies on the cover, px; null for other parts. */
export function outlineOf(part: Part, doc: Doc): Path | null {
  const { widthPx: w, heightPx: h } = doc;
  if (part.kind === 'curve') return part.closed ? curvePath(part.nodes, doc, true) : null;
  if (part.kind !== 'shape' && part.kind !== 'picture') return null;
  const { area } = part;
  const frame = { x: area.x * w, y: area.y * h, width: area.width * w, height: area.height * h };
  const path = flatOutline(part, frame);
  if (!path || part.turnRad === 0) return path;
  return transformPath(path, rotateAbout(part.turnRad, frame.x + frame.width / 2, frame.y + frame.height / 2));
}

/** A line that words can run along. A closed one begins and ends at the same point. */
export type Runway = { readonly line: Polyline; readonly closed: boolean };

/**
 * The line that words run along: a curve, or the outline of a shape or picture, clockwise from its lowest point, so that its
 * middle is at the top. `back` takes it the other way round, an outline then from its highest point: its middle is at the foot,
 * and letters stand within it. null for other parts.
 */
export function runwayOf(part: Part, doc: Doc, back: boolean): Runway | null {
  if (part.kind === 'curve' && !part.closed) {
    const { points } = curveLine(part.nodes, doc);
    return { line: polyline(back ? [...points].reverse() : points), closed: false };
  }
  const path = outlineOf(part, doc);
  const points = path ? flatten(path).slice(0, -1) : [];
  if (points.length < 3) return null;
  const area = points.reduce((sum, p, i) => {
    const q = points[(i + 1) % points.length];
    return sum + p.x * q.y - q.x * p.y;
  }, 0);
  if (area < 0 !== back) points.reverse();
  const further = (a: Point, b: Point): boolean => (back ? a.y < b.y - 1e-6 : a.y > b.y + 1e-6);
  const first = points.reduce((best, p, i) => (further(p, points[best]) ? i : best), 0);
  const turned = [...points.slice(first), ...points.slice(0, first)];
  return { line: polyline([...turned, turned[0]]), closed: true };
}
