import { type Result, fail, ok } from '../base';
import { blurred } from '../darkroom';
import { LINEAR_OF, ENCODED_OF, type Raster, raster } from '../pixels';
import type { Point } from '../plane';
import { type Textures, levelsFor, shaderOf, texturesOf, warped } from '../warp';
import { type Grain, SHARP_PX, noiseIn, softnessAt, withNoise } from './grain';
import { rectified, withoutRim } from './rectify';
import { type Strengths, blankOf, fullStrength, lightGridOf, shadingOf } from './shading';

/** How art is put on a face of a photograph. */
export type Pin = {
  /** The face's corners in px of the photograph, in the art's order: top left, top right, foot right, foot left. */
  readonly corners: readonly Point[];
  readonly strengths: Strengths;
  /** How much of the photograph's noise and softness the art takes, 0 to 1. */
  readonly grain: number;
};

/** Cells of the light along a face's longer side. */
const CELLS = 240;

/**
 * Whether corners make a face: convex, in the art's order, with some size, and in the photograph at least in part.
 * Faults: `pin-corners` with what is wrong with them: `count`, `crossed`, `flat` or `outside`.
 */
export function checkCorners(corners: readonly Point[], photo: { width: number; height: number }): Result<readonly Point[]> {
  if (corners.length !== 4 || corners.some((p) => !Number.isFinite(p.x) || !Number.isFinite(p.y))) return fail('pin-corners', { wrong: 'count' });
  const turns = corners.map((p, i) => {
    const [q, r] = [corners[(i + 1) % 4], corners[(i + 2) % 4]];
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x);
  });
  const sides = corners.map((p, i) => Math.hypot(corners[(i + 1) % 4].x - p.x, corners[(i + 1) % 4].y - p.y));
  if (sides.some((s) => s < 2) || turns.some((t, i) => Math.abs(t) < 1e-3 * sides[i] * sides[(i + 1) % 4])) return fail('pin-corners', { wrong: 'flat' });
  if (!turns.every((t) => t > 0)) return fail('pin-corners', { wrong: 'crossed' });
  const { width, height } = photo;
  const outside = corners.every((p) => p.x < 0) || corners.every((p) => p.y < 0) || corners.every((p) => p.x > width) || corners.every((p) => p.y > height);
  return outside ? fail('pin-corners', { wrong: 'outside' }) : ok(corners);
} // prettier-ignore

/** Noise and softness of the photograph at a face. */
export const grainOf = (photo: Raster, corners: readonly Point[]): Grain => ({
  noise: noiseIn(photo, corners),
  softPx: softnessAt(photo, corners),
});

/**
 * The photograph with art on one of its faces: in its perspective, in the light that lies on the blank, as soft and as
 * grainy as the photograph is there. Faults: those of `checkCorners`.
 */
export function pinned(photo: Raster, art: Raster, pin: Pin): Result<Raster> {
  const checked = checkCorners(pin.corners, photo);
  if (!checked.ok) return checked;
  const { width, height } = photo;
  const corners = checked.value;
  const textures = texturesOf([['art', { art, foil: null }]], levelsFor(art, corners, 8));
  const places = texturesOf([['photo', { art: photo, foil: null }]]);
  const wide = Math.max(side(corners, 0), side(corners, 2));
  const high = Math.max(side(corners, 1), side(corners, 3));
  const cells = (v: number): number => Math.max(2, Math.min(CELLS, Math.round((CELLS * v) / Math.max(wide, high))));
  const grain = grainOf(photo, corners);
  const seen = rectified(places, 'photo', photo, corners, cells(wide), cells(high));
  // A cell is as many px wide as the longer side has cells for.
  const straight = seen && withoutRim(seen, 1 + Math.ceil((2.5 * grain.softPx * CELLS) / Math.max(wide, high, CELLS)));
  if (!straight) return fail('pin-corners', { wrong: 'flat' });
  const shading = shadingOf(straight);
  const lay = (from: Textures, strengths: Strengths): Raster | null =>
    warped(from, 'art', corners, width, height, { kind: 'cubic', taps: 8 }, shaderOf(from), lightGridOf(shading, strengths)); // prettier-ignore
  const laid = lay(textures, pin.strengths);
  const blank = lay(texturesOf([['art', { art: flatArt(blankOf(straight)), foil: null }]]), fullStrength);
  if (!laid || !blank) return fail('pin-corners', { wrong: 'flat' });
  const soft = pin.grain * Math.sqrt(Math.max(0, grain.softPx ** 2 - SHARP_PX ** 2));
  const grainy = withNoise(blurred(laid, soft), pin.grain * grain.noise, 7);
  return ok(inPlaceOf(photo, blurred(blank, soft), grainy));
}

/** A small picture of one colour, given in linear light. */
function flatArt(light: readonly [number, number, number]): Raster {
  const out = raster(8, 8);
  const [r, g, b] = light.map((v) => ENCODED_OF[Math.min(8191, v >> 3)]);
  for (let i = 0; i < out.data.length; i += 4) out.data.set([r, g, b, 255], i);
  return out;
}

const side = (corners: readonly Point[], i: number): number => {
  const [p, q] = [corners[i], corners[(i + 1) % 4]];
  return Math.hypot(q.x - p.x, q.y - p.y);
};

/**
 * Art in the place of the blank it was laid on. At the outline a pixel of the photograph is the blank's light times its
 * share, and what lies behind: the blank's share is taken out and the art's put in, so that no rim of it stays.
 */
function inPlaceOf(photo: Raster, blank: Raster, art: Raster): Raster {
  const out = raster(photo.width, photo.height, new Uint8ClampedArray(photo.data));
  for (let i = 0; i < out.data.length; i += 4) {
    const a = art.data[i + 3] / 255;
    if (a === 0) continue;
    for (let c = 0; c < 3; c++) {
      const mixed = LINEAR_OF[photo.data[i + c]] + a * (LINEAR_OF[art.data[i + c]] - LINEAR_OF[blank.data[i + c]]);
      out.data[i + c] = a === 1 ? art.data[i + c] : ENCODED_OF[Math.min(8191, Math.max(0, mixed) >> 3)];
    }
    out.data[i + 3] = Math.max(out.data[i + 3], art.data[i + 3]);
  }
  return out;
}
