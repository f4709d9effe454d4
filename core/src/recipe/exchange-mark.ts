import { type Area, type Doc, type DrawnForm, type Part, SAFE } from '../cover';
import { clamp } from '../plane';

type Size = Pick<Doc, 'widthPx' | 'heightPx'>;

/** Whether two drawings have the same outlines, in whatever colours. */
export const sameDrawing = (a: DrawnForm, b: DrawnForm): boolean =>
  a === b || (a.paths.length === b.paths.length && a.paths.every(({ d }, i) => d === b.paths[i].d));

/** What stands within this share of an edge belongs to that side. */
const SIDE = 0.36;

/** Where a mark of another ratio (width by height, px) stands, of the same area, from the side of the cover at which the old one stood. */
export function markPlace(old: Area, ratio: number, { widthPx, heightPx }: Size): Area {
  const [wide, high] = [old.width * widthPx, old.height * heightPx];
  const tall = Math.sqrt((wide * high) / ratio);
  let [width, height] = [(tall * ratio) / widthPx, tall / heightPx];
  const room = { width: 1 - 2 * SAFE, height: 1 - (2 * SAFE * widthPx) / heightPx };
  const fit = Math.min(1, room.width / width, room.height / height);
  [width, height] = [width * fit, height * fit];
  const along = (start: number, was: number, now: number, margin: number): number => {
    const middle = start + was / 2;
    const next = middle < SIDE ? start : middle > 1 - SIDE ? start + was - now : middle - now / 2;
    // One that stood within the safe area goes on doing so; one that ran out of it was meant to.
    const within = start >= margin - 1e-6 && start + was <= 1 - margin + 1e-6;
    return within ? clamp(next, margin, 1 - margin - now) : next;
  };
  return {
    x: along(old.x, old.width, width, SAFE),
    y: along(old.y, old.height, height, (SAFE * widthPx) / heightPx),
    width,
    height,
  };
}

/** Puts another drawing in the place of a mark, as large to the eye. */
export function exchangeMark(part: Extract<Part, { kind: 'shape' }>, to: DrawnForm, size: Size): void {
  part.area = markPlace(part.area, to.ratio, size);
  part.form = structuredClone(to);
}
