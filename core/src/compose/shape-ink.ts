import { never } from '../base';
import { withLightness, labOf, rgbOf } from '../colour';
import type { Doc, ShapePart } from '../cover';
import { badgeIn, burstIn, dividerIn, ellipseIn, frameLines, polygonIn, readPathData, ribbonIn } from '../forms';
import { type InkItem, fill, flat, stroke } from '../ink';
import { PathBuilder, type Path, type Rect, rectPath, scale, compose, transformPath, translate } from '../plane';
import { DRAWING_HEIGHT } from '../vector';
import { filled, laid, shadowOf } from './fills';
import type { Laid, Resources } from './types';

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

export function shapeInk(part: ShapePart, frame: Rect, doc: Doc, resources: Resources, more: Laid): InkItem[] {
  const cover = (path: Path): InkItem[] => filled(path, frame, part.fill, part.colour, doc, resources);
  const items = bodyOf(part, frame, cover);
  const path = shapePath(part, frame);
  if (part.border && path)
    items.push(stroke(path, part.border.width * doc.widthPx, flat(part.border.colour), { join: 'miter' }));
  const shadow = part.shadow ? shadowOf(silhouette(part, frame, part.shadow.colour), part.shadow, doc) : [];
  return laid([...shadow, ...items], more);
}

function bodyOf(part: ShapePart, frame: Rect, cover: (path: Path) => InkItem[]): InkItem[] {
  const { form } = part;
  const path = shapePath(part, frame);
  if (path) return cover(path);
  switch (form.kind) {
    case 'line':
      return [lineInk(form, frame, part.colour)];
    case 'frame':
      return frameOf(form, frame, part.colour);
    case 'ribbon': {
      const { front, tails, folds } = ribbonIn(frame, form.fold, form.notch);
      const [lightness] = labOf(rgbOf(part.colour));
      const shade = (k: number): string => withLightness(part.colour, lightness * k);
      return [fill(tails, flat(shade(0.86))), fill(folds, flat(shade(0.55))), ...cover(front)];
    }
    case 'drawn': {
      // A drawing keeps its ratio, in the middle of its place.
      const k = Math.min(frame.width / form.ratio, frame.height);
      const place = compose(
        translate(frame.x + (frame.width - form.ratio * k) / 2, frame.y + (frame.height - k) / 2),
        scale(k / DRAWING_HEIGHT),
      );
      return form.paths.flatMap(({ d, colour }) => {
        const read = readPathData(d);
        if (!read.ok) return [];
        const drawn = transformPath(read.value, place);
        return colour === null ? cover(drawn) : [fill(drawn, flat(colour))];
      });
    }
    default:
      return [];
  }
}

type LineForm = Extract<ShapePart['form'], { kind: 'line' }>;
type FrameForm = Extract<ShapePart['form'], { kind: 'frame' }>;

/** A line runs along the longer side of its place and is as thick as the shorter one. */
function lineInk(form: LineForm, frame: Rect, colour: string): InkItem {
  const flatways = frame.width >= frame.height;
  const thick = Math.min(frame.width, frame.height);
  const inset = form.round ? thick / 2 : 0;
  const b = new PathBuilder();
  if (flatways) {
    const y = frame.y + frame.height / 2;
    b.move(frame.x + inset, y).line(frame.x + frame.width - inset, y);
  } else {
    const x = frame.x + frame.width / 2;
    b.move(x, frame.y + inset).line(x, frame.y + frame.height - inset);
  }
  const dash = form.dash > 0 ? [Math.max(0.01, form.dash * thick), (form.dash + 1) * thick] : [];
  return stroke(b.done(), thick, flat(colour), { dash, cap: form.round ? 'round' : 'butt' });
}

function frameOf(form: FrameForm, frame: Rect, colour: string): InkItem[] {
  const side = Math.min(frame.width, frame.height);
  const thick = form.thick * side;
  const lines = frameLines(frame, thick, form.corner, form.size * side, form.double);
  return lines.map((path, i) => stroke(path, i === 0 ? thick : thick * 0.45, flat(colour), { join: 'miter' }));
}

function silhouette(part: ShapePart, frame: Rect, colour: string): InkItem[] {
  const cover = (path: Path): InkItem[] => [fill(path, flat(colour))];
  return bodyOf({ ...part, colour, fill: null }, frame, cover).map((one) =>
    one.kind === 'fill' || one.kind === 'stroke' ? { ...one, paint: flat(colour) } : one,
  );
}
