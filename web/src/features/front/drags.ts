import type { Edit } from '@yosomi/core/base';
import {
  type CurveNode,
  type Doc,
  type Part,
  type PicturePart,
  SMOOTH_RAD,
  drawnArea,
  isDrawn,
  setPart,
  turnAt,
} from '@yosomi/core/cover';
import { type Point, type Rect, clamp, cropToFill } from '@yosomi/core/plane';
import type { Corner } from './handles';

/** Smallest side of a place, fraction of the cover. */
const LEAST = 0.005;

/**
 * Resizes a part's place by dragging a handle; the other side stays. `keep` holds the ratio at corners, a drawing always does. The drag is
 * given along the part's own axes.
 */
export function resizeBy(
  part: Part,
  frame: Rect,
  doc: Doc,
  corner: Corner,
  dx: number,
  dy: number,
  keep = false,
): Edit<Doc> {
  if (!('area' in part)) return () => {};
  const follows = part.kind === 'words' && part.follows;
  const drawn = isDrawn(part);
  const from = follows
    ? { ...part.area, y: frame.y / doc.heightPx }
    : drawn
      ? drawnArea(part.form.ratio, part.area, doc)
      : part.area;
  let { x, y, width, height } = from;
  if (corner.includes('w')) width = Math.max(LEAST, width - dx);
  if (corner.includes('e')) width = Math.max(LEAST, width + dx);
  if (corner.includes('n')) height = Math.max(LEAST, height - dy);
  if (corner.includes('s')) height = Math.max(LEAST, height + dy);
  if ((keep || drawn) && corner.length === 2) {
    const k = Math.max(width / from.width, height / from.height);
    width = from.width * k;
    height = from.height * k;
  }
  if (drawn && corner.length === 1) {
    // By one side too a drawing grows as a whole, about the middle of that side.
    const k = corner === 'n' || corner === 's' ? height / from.height : width / from.width;
    [width, height] = [from.width * k, from.height * k];
    if (corner === 'n' || corner === 's') x = from.x + (from.width - width) / 2;
    else y = from.y + (from.height - height) / 2;
  }
  if (corner.includes('w')) x = from.x + from.width - width;
  if (corner.includes('n')) y = from.y + from.height - height;
  return setPart(part.id, { area: { x, y, width, height }, ...(follows ? { follows: null, alignY: 'top' } : {}) });
}

/** Moves a picture inside its frame: the point that stays in view goes against the drag. */
export function panPicture(
  part: PicturePart,
  picture: { widthPx: number; heightPx: number },
  frame: Rect,
  dx: number,
  dy: number,
): Edit<Doc> {
  const k = Math.max(frame.width / picture.widthPx, frame.height / picture.heightPx) * part.zoom;
  const slackX = picture.widthPx * k - frame.width;
  const slackY = picture.heightPx * k - frame.height;
  const [sx, sy] = [part.flipX ? -1 : 1, part.flipY ? -1 : 1];
  return setPart(part.id, {
    focus: {
      x: slackX > 0.5 ? clamp(part.focus.x - (sx * dx) / slackX, 0, 1) : part.focus.x,
      y: slackY > 0.5 ? clamp(part.focus.y - (sy * dy) / slackY, 0, 1) : part.focus.y,
    },
  });
}

/** Most that a picture is enlarged inside its frame. */
const MOST_ZOOM = 8;

/** Enlarges a picture inside its frame about a point of the cover, px: what is there stays there, as far as the picture reaches. */
export function zoomPicture(
  part: PicturePart,
  picture: { widthPx: number; heightPx: number },
  frame: Rect,
  factor: number,
  at: Point,
): Edit<Doc> {
  const zoom = clamp(part.zoom * factor, 1, MOST_ZOOM);
  const [before, after] = [part.zoom, zoom].map((z) => cropToFill(picture, frame, part.focus, z));
  const share = (flip: boolean, from: number, length: number): number => {
    const u = clamp(from / length, 0, 1);
    return flip ? 1 - u : u;
  };
  const [u, v] = [share(part.flipX, at.x - frame.x, frame.width), share(part.flipY, at.y - frame.y, frame.height)];
  const focus = (start: number, was: number, is: number, whole: number, k: number, old: number): number =>
    whole - is > 0.5 ? clamp((start + k * (was - is)) / (whole - is), 0, 1) : old;
  return setPart(part.id, {
    zoom,
    focus: {
      x: focus(before.x, before.width, after.width, picture.widthPx, u, part.focus.x),
      y: focus(before.y, before.height, after.height, picture.heightPx, v, part.focus.y),
    },
  });
}

/** The turn of a part whose handle is dragged to a point, snapped to steps of 15 degrees when `steps` is on. */
export function turnTowards(frame: Rect, to: Point, steps: boolean): number {
  const angle = Math.atan2(to.y - (frame.y + frame.height / 2), to.x - (frame.x + frame.width / 2)) + Math.PI / 2;
  const wrapped = Math.atan2(Math.sin(angle), Math.cos(angle));
  const step = Math.PI / 12;
  const near = Math.round(wrapped / step) * step;
  // Upright and quarter turns pull a little even without steps.
  const quarter = Math.round(wrapped / (Math.PI / 2)) * (Math.PI / 2);
  if (steps) return near;
  return Math.abs(wrapped - quarter) < 0.03 ? quarter : wrapped;
}

export type NodeHandle = 'point' | 'in' | 'out';

/** Moves a point of a curve with its handles, or one handle; the opposite one turns with it so that the curve stays smooth. */
export function moveNode(
  nodes: readonly CurveNode[],
  index: number,
  handle: NodeHandle,
  dx: number,
  dy: number,
  doc: { widthPx: number; heightPx: number },
): CurveNode[] {
  return nodes.map((n, i) => {
    if (i !== index) return n;
    if (handle === 'point') {
      return { x: n.x + dx, y: n.y + dy, inX: n.inX + dx, inY: n.inY + dy, outX: n.outX + dx, outY: n.outY + dy };
    }
    // At a corner the other handle stays.
    const turn = turnAt(nodes, index, doc);
    const corner = turn !== null && turn >= SMOOTH_RAD;
    const [mine, other] = handle === 'in' ? (['in', 'out'] as const) : (['out', 'in'] as const);
    const x = n[`${mine}X`] + dx;
    const y = n[`${mine}Y`] + dy;
    if (corner) return { ...n, [`${mine}X`]: x, [`${mine}Y`]: y };
    const { widthPx: w, heightPx: h } = doc;
    const reach = Math.hypot((n[`${other}X`] - n.x) * w, (n[`${other}Y`] - n.y) * h);
    const length = Math.hypot((x - n.x) * w, (y - n.y) * h) || 1;
    return {
      ...n,
      [`${mine}X`]: x,
      [`${mine}Y`]: y,
      [`${other}X`]: n.x - ((x - n.x) * reach) / length,
      [`${other}Y`]: n.y - ((y - n.y) * reach) / length,
    };
  });
}
