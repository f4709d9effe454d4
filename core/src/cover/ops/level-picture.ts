import { type Edit, fault } from '../../base';
import type { Point } from '../../plane';
import type { Doc } from '../document';

const QUARTER = Math.PI / 2;
/** A line shorter than this, px, has no direction to speak of. */
const LEAST_PX = 12;

/**
 * Turns a picture inside its frame so that what lies along a line, px of the cover, is level in it, or upright where that is
 * nearer. Faults: `part-gone`, `part-locked`, `line-short`.
 */
export function levelPicture(id: string, from: Point, to: Point): Edit<Doc> {
  return (doc) => {
    const part = doc.parts[id];
    if (part?.kind !== 'picture') return fault('part-gone');
    if (part.locked) return fault('part-locked');
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    if (Math.hypot(dx, dy) < LEAST_PX) return fault('line-short');
    const seen = Math.atan2(dy, dx) - part.turnRad;
    const by = Math.round(seen / QUARTER) * QUARTER - seen;
    // A picture that is flipped one way turns the other way.
    const turned = part.innerTurnRad + (part.flipX !== part.flipY ? -by : by);
    part.innerTurnRad = turned - 2 * Math.PI * Math.round(turned / (2 * Math.PI));
  };
}
