import type { Edit } from '@yosomi/core/base';
import { type Area, type Doc, type Part, type PicturePart, setPart } from '@yosomi/core/cover';
import { clamp } from '@yosomi/core/plane';
import type { Rect } from '@yosomi/core/plane';
import type { Corner } from './handles';

/** Smallest side of a place, fraction of the cover. */
const LEAST = 0.01;

/** Moves a part by a share of the cover. Words that hang under others are set free where they are. */
export function moveBy(part: Part, frame: Rect, doc: Doc, dx: number, dy: number): Edit<Doc> {
  if (part.kind === 'ground' || part.kind === 'scrim') return () => {};
  const area: Area = { ...part.area, x: clamp(part.area.x + dx, -1, 1), y: clamp(part.area.y + dy, -1, 1) };
  if (part.kind === 'words' && part.follows) {
    return setPart(part.id, { follows: null, alignY: 'top', area: { ...area, y: frame.y / doc.heightPx + dy } });
  }
  return setPart(part.id, { area });
}

/** Resizes a part's place by dragging a handle; the other side stays. */
export function resizeBy(part: Part, frame: Rect, doc: Doc, corner: Corner, dx: number, dy: number): Edit<Doc> {
  if (part.kind === 'ground' || part.kind === 'scrim') return () => {};
  const follows = part.kind === 'words' && part.follows;
  let { x, y, width, height } = follows ? { ...part.area, y: frame.y / doc.heightPx } : part.area;
  if (corner.includes('w')) {
    const d = Math.min(dx, width - LEAST);
    x += d;
    width -= d;
  }
  if (corner.includes('e')) width = Math.max(LEAST, width + dx);
  if (corner.includes('n')) {
    const d = Math.min(dy, height - LEAST);
    y += d;
    height -= d;
  }
  if (corner.includes('s')) height = Math.max(LEAST, height + dy);
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
  return setPart(part.id, {
    focus: {
      x: slackX > 0.5 ? clamp(part.focus.x - dx / slackX, 0, 1) : part.focus.x,
      y: slackY > 0.5 ? clamp(part.focus.y - dy / slackY, 0, 1) : part.focus.y,
    },
  });
}
