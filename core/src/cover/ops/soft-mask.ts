import { type Edit, fault } from '../../base';
import { type Point, apply, clamp, rotateAbout } from '../../plane';
import type { Doc } from '../document';
import { type BrushStroke, type SoftMask, SoftMask as SoftMaskSchema } from '../parts';

export const wholeSoft: SoftMask = { fade: null, strokes: [], clear: null };

const MOST_POINTS = 160;

/** At most so many of a hand's points, both ends among them. */
export function fewerPoints(points: readonly Point[]): readonly Point[] {
  if (points.length <= MOST_POINTS) return points;
  const step = (points.length - 1) / (MOST_POINTS - 1);
  return Array.from({ length: MOST_POINTS }, (_, i) => points[Math.round(i * step)]);
}

/**
 * Takes away or brings back what of a picture lies under a brush: `points` and `widthPx` in pixels of the cover, `soft` 0..1. The
 * stroke is kept within the picture's frame, so that it moves, grows and turns with it. Faults: `part-gone`, `part-locked`,
 * `brush-full`, `part-value`.
 */
export function brushPicture(
  id: string,
  points: readonly Point[],
  brush: { readonly show: boolean; readonly widthPx: number; readonly soft: number },
): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[id];
    if (part?.kind !== 'picture') return fault('part-gone');
    if (part.locked) return fault('part-locked');
    const { widthPx: w, heightPx: h } = doc;
    const frame = { x: part.area.x * w, y: part.area.y * h, width: part.area.width * w, height: part.area.height * h };
    const back = rotateAbout(-part.turnRad, frame.x + frame.width / 2, frame.y + frame.height / 2);
    const stroke: BrushStroke = {
      show: brush.show,
      width: clamp(brush.widthPx / frame.width, 0.005, 1),
      soft: brush.soft,
      points: fewerPoints(points).map((p) => {
        const { x, y } = apply(back, p);
        return {
          x: clamp((x - frame.x) / frame.width, -2, 3),
          y: clamp((y - frame.y) / frame.height, -2, 3),
        };
      }),
    };
    const soft = part.soft ?? wholeSoft;
    const next = SoftMaskSchema.safeParse({ ...soft, strokes: [...soft.strokes, stroke] });
    if (soft.strokes.length >= 120) return fault('brush-full');
    if (!next.success) return fault('part-value');
    part.soft = next.data;
  };
}

/** Changes what of a picture is seen by degrees; a mask that leaves all of it is none. Faults: `part-gone`, `part-locked`, `part-value`. */
export function setSoft(id: string, fields: Partial<SoftMask>): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[id];
    if (part?.kind !== 'picture') return fault('part-gone');
    if (part.locked) return fault('part-locked');
    const next = SoftMaskSchema.safeParse({ ...(part.soft ?? wholeSoft), ...fields });
    if (!next.success) return fault('part-value');
    const { fade, strokes, clear } = next.data;
    part.soft = fade === null && strokes.length === 0 && clear === null ? null : next.data;
  };
}
