import { type Doc, movable } from '@yosomi/core/cover';
import { type Rect, centreOf, rectAround, rotateAbout, union } from '@yosomi/core/plane';

/** The upright box, px, round all of the parts that can be moved; null where there is none. */
export function boxOf(ids: readonly string[], doc: Doc, frames: ReadonlyMap<string, Rect>): Rect | null {
  const boxes = ids.flatMap((id) => {
    const part = doc.parts[id];
    const frame = frames.get(id);
    if (!part || !frame || !movable(part)) return [];
    const { x, y } = centreOf(frame);
    return [rectAround(rotateAbout(part.turnRad, x, y), frame)];
  });
  const box = union(boxes);
  return boxes.length > 0 && box.width > 0 && box.height > 0 ? box : null;
}
