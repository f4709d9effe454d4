import { type Vec3, dot, sub, times, unit } from '../../space';
import type { Surface } from '../models';
import type { SURFACES } from '../scene';
import type { AreaLight } from './area-light';

/** Light on a surface point: `diffuse` multiplies the art, or `foil` where it is metal; `sheen` is added as white. */
export type Shade = { readonly diffuse: number; readonly sheen: number; readonly foil: number };

/** A light with its share of the brightness, and how soft it is. */
export type Lamp = { readonly light: AreaLight; readonly strength: number; readonly softness: number };

/** How a surface answers light: white sheen, how wide it spreads (0 tight to 1 broad), and light of its own. */
export type Finish = { readonly gloss: number; readonly spread: number; readonly glow: number };

const COVERS: Readonly<Record<(typeof SURFACES)[number], Finish>> = {
  matte: { gloss: 0.05, spread: 1, glow: 0 },
  satin: { gloss: 0.25, spread: 0.5, glow: 0 },
  gloss: { gloss: 0.85, spread: 0.12, glow: 0 },
  linen: { gloss: 0.03, spread: 1, glow: 0 },
};

export function finishOf(surface: Surface, cover: (typeof SURFACES)[number]): Finish {
  switch (surface) {
    case 'cover':
      return COVERS[cover];
    case 'paper':
      return { gloss: 0, spread: 1, glow: 0 };
    case 'plastic':
      return { gloss: 0.3, spread: 0.35, glow: 0 };
    case 'glass':
      return { gloss: 0.5, spread: 0.2, glow: 0 };
    case 'metal':
      return { gloss: 1, spread: 0.7, glow: 0 };
    case 'glow':
      return { gloss: 0.1, spread: 0.2, glow: 0.78 };
  }
}

/**
 * Soft studio light: a hemisphere of ambient light that is dimmer from below, in corners and near the ground, lamps by
 * Lambert's cosine softened by their size, and a broad sheen (Blinn-Phong) for gloss. `hidden` is the share of each
 * lamp that other bodies hide, `closed` the share of the hemisphere that they take.
 */
export function shadePoint(
  p: Vec3,
  normal: Vec3,
  eye: Vec3,
  lamps: readonly Lamp[],
  hidden: readonly number[],
  closed: number,
  finish: Finish,
  look: { readonly fill: number; readonly heightMm: number },
): Shade {
  const toEye = unit(sub(eye, p));
  const sky = (0.78 + 0.22 * normal[1]) * (1 - 0.88 * closed);
  const nearGround = 1 - 0.34 * Math.exp(-p[1] / (0.05 * look.heightMm)) * (1 - Math.abs(normal[1]));
  let diffuse = 0.4 * sky * look.fill;
  let sheen = 0;
  // The way the eye's ray goes on from a mirror here.
  const mirrored = sub(times(normal, 2 * dot(normal, toEye)), toEye);
  let foil = studioRoom(mirrored) * (1 - 0.8 * closed) * (0.5 + 0.5 * look.fill);
  lamps.forEach(({ light, strength, softness }, i) => {
    const toLight = unit(sub(light.centre, p));
    // A large light reaches round the terminator.
    const wrap = 0.12 + 0.2 * softness;
    const key = Math.max(0, (dot(normal, toLight) + wrap) / (1 + wrap)) * (1 - hidden[i]) * strength;
    diffuse += 0.78 * key;
    foil += 0.9 * Math.max(0, dot(mirrored, toLight)) ** (4 + 16 * (1 - softness)) * (1 - hidden[i]) * strength;
    if (finish.gloss === 0 || key === 0) return;
    const half = unit([toLight[0] + toEye[0], toLight[1] + toEye[1], toLight[2] + toEye[2]]);
    const power = 9 + 60 * (1 - softness) * (1 - finish.spread);
    sheen += finish.gloss * 0.22 * Math.max(0, dot(normal, half)) ** power * (1 - hidden[i]) * strength;
  });
  const lit = diffuse * nearGround;
  return { diffuse: lit + (1.06 - lit) * finish.glow, sheen, foil: foil * nearGround };
}

/**
 * What foil mirrors besides the lamps: a studio with light and dark panels, in waves along a slanted direction, so that a
 * flat cover shows a sheen that moves as it is turned.
 */
function studioRoom([x, y, z]: Vec3): number {
  const along = 11 * (0.8 * x + 0.6 * y) + 2 * z;
  return 0.72 + 0.34 * Math.sin(along) + 0.14 * Math.sin(2.3 * along + 1);
}
