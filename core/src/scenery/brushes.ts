import type { Random } from '../base';
import type { Hex } from '../colour';
import { type Blend, type InkItem, type Stop, fill, flat } from '../ink';
import { type Point, ellipsePath, polygonPath, rectPath, smoothPath } from '../plane';

/** Width and height of every drawn picture. */
export const W = 1600;
export const H = 2560;

const all = { x: 0, y: 0, width: W, height: H };

export const sky = (colours: readonly Hex[], ats?: readonly number[]): InkItem => {
  const stops: Stop[] = colours.map((colour, i) => ({ at: ats?.[i] ?? i / (colours.length - 1), colour, opacity: 1 }));
  return fill(rectPath(all), { kind: 'linear', from: { x: 0, y: 0 }, to: { x: 0, y: H }, stops });
};

/** Light around a point, fading to nothing at the radius. */
export const glow = (
  x: number,
  y: number,
  radius: number,
  colour: Hex,
  opacity: number,
  blend: Blend = 'screen',
): InkItem => {
  const stops: Stop[] = [0, 0.15, 0.35, 0.6, 0.8, 1].map((at) => ({ at, colour, opacity: opacity * (1 - at) ** 2 }));
  return fill(
    rectPath({ x: x - radius, y: y - radius, width: radius * 2, height: radius * 2 }),
    { kind: 'radial', centre: { x, y }, radius, stops },
    { blend },
  );
};

/** A vertical veil of a colour between two heights, strongest at the second. */
export const veil = (y0: number, y1: number, colour: Hex, opacity: number, blend: Blend = 'normal'): InkItem =>
  fill(
    rectPath({ x: 0, y: Math.min(y0, y1), width: W, height: Math.abs(y1 - y0) }),
    {
      kind: 'linear',
      from: { x: 0, y: y0 },
      to: { x: 0, y: y1 },
      stops: [0, 0.25, 0.5, 0.75, 1].map((at) => ({ at, colour, opacity: opacity * at * at * (3 - 2 * at) })),
    },
    { blend },
  );

export const dot = (x: number, y: number, r: number, colour: Hex, opacity = 1): InkItem =>
  fill(ellipsePath(x, y, r), flat(colour, opacity));

/** A tapering trunk from below to above with a slightly crooked outline. */
export function trunk(random: Random, x: number, width: number, top: number, foot: number, colour: Hex): InkItem {
  const left: Point[] = [];
  const right: Point[] = [];
  const steps = 9;
  let drift = 0;
  for (let i = 0; i <= steps; i++) {
    const t = i / steps;
    const y = foot + (top - foot) * t;
    drift += (random() - 0.5) * width * 0.22;
    const flare = t < 0.12 ? 1 + (0.12 - t) * 3.2 : 1;
    const half = (width / 2) * (1 - 0.28 * t) * flare * (0.92 + random() * 0.16);
    left.push({ x: x + drift - half, y });
    right.push({ x: x + drift + half, y });
  }
  return fill(polygonPath([...left, ...right.reverse()]), flat(colour));
}

/** Ground with a soft rolling edge down to the bottom of the picture. */
export function hill(random: Random, y: number, swing: number, colour: Hex, bumps = 7): InkItem {
  const points: Point[] = [{ x: -200, y: H + 200 }];
  for (let i = 0; i <= bumps; i++) points.push({ x: -120 + ((W + 240) * i) / bumps, y: y + (random() - 0.5) * swing });
  points.push({ x: W + 200, y: H + 200 });
  return fill(smoothPath(points), flat(colour));
}
