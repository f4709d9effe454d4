import type { WordsPart } from '@yosomi/core/cover';
import { type Rect, centreOf, rectAround, rotateAbout } from '@yosomi/core/plane';

/** Box of a part's letters before it is turned, px: its frame without the plate. `sizePx` is what they are set at. */
export function inkOf(part: WordsPart, frame: Rect, sizePx: number): Rect {
  const [dx, dy] = part.plate ? [part.plate.padX * sizePx, part.plate.padY * sizePx] : [0, 0];
  return { x: frame.x + dx, y: frame.y + dy, width: frame.width - 2 * dx, height: frame.height - 2 * dy };
}

/** Box of the letters as they lie on the cover, px. */
export function lyingInk(part: WordsPart, frame: Rect, sizePx: number): Rect {
  const { x, y } = centreOf(frame);
  const ink = inkOf(part, frame, sizePx);
  return part.turnRad === 0 ? ink : rectAround(rotateAbout(part.turnRad, x, y), ink);
}
