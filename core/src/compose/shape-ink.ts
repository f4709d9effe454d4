import { withLightness, labOf, rgbOf } from '../colour';
import { type Doc, type ShapePart, drawnPaths, shapePath } from '../cover';
import { frameLines, ribbonIn } from '../forms';
import { type InkItem, fill, flat, stroke } from '../ink';
import { PathBuilder, type Path, type Rect } from '../plane';
import { filled, laid, shadowOf } from './fills';
import type { Laid, Resources } from './types';

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
    case 'drawn':
      return drawnPaths(form, frame).flatMap((one) =>
        one.colour === null ? cover(one.path) : [fill(one.path, flat(one.colour))],
      );
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
