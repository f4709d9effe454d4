import { type Vec3, dot, sub, unit } from '../../space';
import type { AreaLight } from './shadow';

/** Light on a surface point: `diffuse` multiplies the art, `sheen` is added as white. */
export type Shade = { diffuse: number; sheen: number };

/**
 * Soft studio light: a hemisphere of ambient light that is dimmer from below and near the ground, one key light by
 * Lambert's cosine softened by its size, and a broad sheen (Blinn-Phong) for gloss.
 */
export function shadePoint(
  p: Vec3,
  normal: Vec3,
  eye: Vec3,
  light: AreaLight,
  look: { softness: number; gloss: number; heightMm: number },
): Shade {
  const toLight = unit(sub(light.centre, p));
  const toEye = unit(sub(eye, p));
  // A large light reaches round the terminator.
  const wrap = 0.12 + 0.2 * look.softness;
  const key = Math.max(0, (dot(normal, toLight) + wrap) / (1 + wrap));
  const sky = 0.78 + 0.22 * normal[1];
  const nearGround = 1 - 0.34 * Math.exp(-p[1] / (0.05 * look.heightMm)) * (1 - Math.abs(normal[1]));
  const half = unit([toLight[0] + toEye[0], toLight[1] + toEye[1], toLight[2] + toEye[2]]);
  const spread = 9 + 40 * (1 - look.softness);
  const sheen = look.gloss * 0.22 * Math.max(0, dot(normal, half)) ** spread * (key > 0 ? 1 : 0);
  return { diffuse: (0.4 * sky + 0.78 * key) * nearGround, sheen };
}
