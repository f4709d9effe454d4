import type { Doc, Part } from '../cover';
import type { Rect } from '../plane';
import { areaPx } from './types';

/**
 * Frames as they are now, from those of an earlier state: shapes and pictures are where their area is, words whose room
 * has only moved have moved with it, and parts that are new stand in their room until they are set.
 */
export function framesNow(frames: ReadonlyMap<string, Rect>, then: Doc, now: Doc): ReadonlyMap<string, Rect> {
  if (then === now) return frames;
  const next = new Map(frames);
  for (const part of Object.values(now.parts)) {
    const frame = frameNow(part, frames.get(part.id), then.parts[part.id], now);
    if (frame) next.set(part.id, frame);
  }
  return next;
}

function frameNow(part: Part, frame: Rect | undefined, was: Part | undefined, doc: Doc): Rect | null {
  if (part === was || !('area' in part)) return null;
  if (part.kind !== 'words' || !frame) return areaPx(part.area, doc);
  if (was?.kind !== 'words' || part.follows) return null;
  const moved = areaPx(part.area, doc);
  if (was.follows) return { ...frame, x: frame.x + moved.x - areaPx(was.area, doc).x, y: moved.y };
  const before = areaPx(was.area, doc);
  return { ...frame, x: frame.x + moved.x - before.x, y: frame.y + moved.y - before.y };
}
