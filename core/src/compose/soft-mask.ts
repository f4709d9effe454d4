import type { BrushStroke, SoftMask } from '../cover';
import { type InkItem, type Paint, type Stop, fill, flat, group, stroke } from '../ink';
import { type Rect, compose, outset, rectPath, scale, smoothPath, translate } from '../plane';

const STEPS = 8;

/** Opacities from whole to gone between two shares, without a step at either end. */
function stops(from: number, to: number, reach: number): Stop[] {
  const end = Math.max(from + 1e-3, to);
  const ease = Array.from({ length: STEPS + 1 }, (_, i): Stop => {
    const t = i / STEPS;
    return { at: (from + (end - from) * t) / reach, colour: '#000000', opacity: 1 - t * t * (3 - 2 * t) };
  });
  return [{ at: 0, colour: '#000000', opacity: 1 }, ...ease].filter(({ at }) => at <= 1);
}

/** How much of a frame's content shows before any brush, by degrees. */
function faded(fade: SoftMask['fade'], frame: Rect): InkItem {
  const room = outset(frame, 2);
  if (!fade) return fill(rectPath(room), flat('#000000'));
  const centre = { x: frame.x + frame.width / 2, y: frame.y + frame.height / 2 };
  if (fade.kind === 'round') {
    const paint: Paint = { kind: 'radial', centre: { x: 0, y: 0 }, radius: 1.5, stops: stops(fade.from, fade.to, 1.5) };
    const half = { x: room.width / 2, y: room.height / 2 };
    const transform = compose(translate(centre.x, centre.y), scale(half.x, half.y));
    return fill(rectPath({ x: -1, y: -1, width: 2, height: 2 }), paint, { transform });
  }
  const [dx, dy] = [Math.cos(fade.angleRad), Math.sin(fade.angleRad)];
  const half = (Math.abs(dx) * frame.width + Math.abs(dy) * frame.height) / 2;
  const at = (k: number): { x: number; y: number } => ({ x: centre.x + dx * half * k, y: centre.y + dy * half * k });
  return fill(rectPath(room), {
    kind: 'linear',
    from: at(-1),
    to: at(1),
    stops: stops(Math.min(fade.from, 0.999), Math.min(fade.to, 1), 1),
  });
}

function brushed({ points, width, soft }: BrushStroke, frame: Rect): InkItem {
  const on = points.map(({ x, y }) => ({ x: frame.x + x * frame.width, y: frame.y + y * frame.height }));
  const px = width * frame.width;
  // A dot is a line of no length with round ends.
  const line = on.length === 1 ? [on[0], { x: on[0].x + 0.01, y: on[0].y }] : on;
  const blurPx = (soft * px) / 5;
  const ink = stroke(smoothPath(line, false), Math.max(0.5, px - 2 * blurPx), flat('#000000'));
  return blurPx > 0 ? group([ink], { blurPx }) : ink;
}

/** What a soft mask leaves of a picture that is `seen` in its frame, as a mask. */
export function softMask({ fade, strokes }: SoftMask, seen: Rect, frame: Rect): readonly InkItem[] {
  let shown: readonly InkItem[] = [faded(fade, seen)];
  for (let i = 0; i < strokes.length;) {
    const { show } = strokes[i];
    const run: InkItem[] = [];
    while (i < strokes.length && strokes[i].show === show) run.push(brushed(strokes[i++], frame));
    shown = show ? [...shown, ...run] : [group(shown, { without: run })];
  }
  return shown;
}
