import type { ScrimPart } from '../cover';
import { type InkItem, type Stop, fill } from '../ink';
import { rectPath, smoothstep } from '../plane';
import type { Size } from './types';

type ScrimShape = Pick<ScrimPart, 'from' | 'hold' | 'reach' | 'colour' | 'opacity'>;

/** Opacity of a scrim at a distance from its edge (fraction of the cover), for strength 1: full to `hold`, eased to nothing at `reach`. */
export const scrimFrom = (scrim: Pick<ScrimShape, 'hold' | 'reach'>, fromEdge: number): number =>
  1 - smoothstep(scrim.hold, Math.max(scrim.hold + 1e-6, scrim.reach), fromEdge);

/** The same at a height (fraction of the cover), for a scrim from the top or the bottom. */
export const scrimAt = (
  scrim: Pick<ScrimShape, 'hold' | 'reach'> & { readonly from: 'top' | 'bottom' },
  y: number,
): number => scrimFrom(scrim, scrim.from === 'top' ? y : 1 - y);

export function scrimInk(scrim: ScrimShape, doc: Size, part: string | null): InkItem {
  const steps = 16;
  const stops: Stop[] = Array.from({ length: steps + 1 }, (_, i) => ({
    at: i / steps,
    colour: scrim.colour,
    opacity: Math.round(scrimFrom(scrim, (i / steps) * scrim.reach) * 1000) / 1000,
  }));
  const { widthPx: w, heightPx: h } = doc;
  const upright = scrim.from === 'top' || scrim.from === 'bottom';
  const reach = scrim.reach * (upright ? h : w);
  const near = scrim.from === 'top' || scrim.from === 'left' ? 0 : upright ? h : w;
  const far = near === 0 ? reach : near - reach;
  const at = (along: number): { x: number; y: number } => (upright ? { x: 0, y: along } : { x: along, y: 0 });
  const low = Math.min(near, far);
  const box = upright ? { x: 0, y: low, width: w, height: reach } : { x: low, y: 0, width: reach, height: h };
  return fill(rectPath(box), { kind: 'linear', from: at(near), to: at(far), stops }, { part, opacity: scrim.opacity });
}
