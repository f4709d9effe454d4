import { LINEAR_OF, type Raster, toEncoded } from '../pixels';
import type { Point } from '../plane';
import { noise } from '../texture';

/** A thumb over a photograph: from its tip to its root, px. `light` points to where the light comes from. */
export type Thumb = {
  readonly tip: Point;
  readonly knuckle: Point;
  readonly root: Point;
  readonly radius: number;
  readonly light: Point;
  readonly tone: readonly [number, number, number];
};

/** Distance to a line with a radius that changes along it: negative is within. */
function roundCone(x: number, y: number, a: Point, b: Point, ra: number, rb: number): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const t = Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / (dx * dx + dy * dy)));
  return Math.hypot(x - a.x - dx * t, y - a.y - dy * t) - (ra + (rb - ra) * t);
}

/** The lesser of two distances, joined softly over k px. */
function joined(a: number, b: number, k: number): number {
  const h = Math.max(0, k - Math.abs(a - b)) / k;
  return Math.min(a, b) - (h * h * k) / 4;
}

const step = (from: number, to: number, v: number): number => {
  const t = Math.min(1, Math.max(0, (v - from) / (to - from)));
  return t * t * (3 - 2 * t);
};

/** Draws the thumb into a photograph, with its shadow, edges soft by `soft` px. */
export function drawThumb(photo: Raster, thumb: Thumb, soft: number): void {
  const { tip, knuckle, root, radius: r, light, tone } = thumb;
  const far = (x: number, y: number): number => {
    const end = roundCone(x, y, tip, knuckle, r * 0.84, r * 0.94);
    const shaft = roundCone(x, y, knuckle, root, r * 0.9, r * 1.25);
    const ball = Math.hypot(x - root.x, y - root.y) - r * 1.9;
    return joined(joined(end, shaft, r * 0.5), ball, r * 1.4);
  };
  const grain = noise(41);
  const { width, height, data } = photo;
  const [lx, ly] = [light.x / Math.hypot(light.x, light.y), light.y / Math.hypot(light.x, light.y)];
  const away = Math.hypot(knuckle.x - tip.x, knuckle.y - tip.y);
  const [ax, ay] = [(knuckle.x - tip.x) / away, (knuckle.y - tip.y) / away];
  const put = (p: number, share: number, colour: (c: number) => number): void => {
    for (let c = 0; c < 3; c++) {
      const was = LINEAR_OF[data[p + c]] / 65535;
      data[p + c] = Math.round(255 * toEncoded(Math.min(1, was + (colour(c) - was) * share)));
    }
  };
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const p = (y * width + x) * 4;
      // A soft shadow away from the light, darkest where the thumb lies on the face.
      const cast = far(x + lx * r * 0.3, y + ly * r * 0.3);
      if (cast < r * 0.8) {
        const dark = 0.62 * (1 - step(-r * 0.3, r * 0.55, cast));
        if (dark > 0) put(p, dark, () => 0);
      }
      const d = far(x, y);
      if (d > 2 * soft) continue;
      const e = 1.5;
      const [gx, gy] = [(far(x + e, y) - far(x - e, y)) / (2 * e), (far(x, y + e) - far(x, y - e)) / (2 * e)];
      // As round as a cylinder: the nearer to the outline, the more it turns away.
      const depth = Math.min(1, Math.max(0, -d / (r * 0.95)));
      const side = 1 - depth;
      const up = Math.sqrt(Math.max(0.02, 1 - side * side));
      const facing = up * 0.72 + side * 0.69 * (gx * lx + gy * ly);
      const lit = 0.34 + 0.72 * Math.max(0, facing);
      // Along and across the thumb, from its tip, in radii.
      const along = ((x - tip.x) * ax + (y - tip.y) * ay) / r;
      const across = ((x - tip.x) * -ay + (y - tip.y) * ax) / r;
      let crease = 0;
      for (const [at, deep] of [
        [away / r - 0.16, 0.5],
        [away / r, 0.8],
        [away / r + 0.17, 0.55],
      ]) {
        const bend = along - at - 0.16 * across * across + 0.05 * grain(across * 2, at * 5);
        crease += deep * Math.exp(-((bend / 0.035) ** 2)) * (1 - step(0.45, 0.8, Math.abs(across)));
      }
      const skin = 1 + 0.05 * grain(x / (r * 0.09), y / (r * 0.09)) + 0.05 * grain(x / (r * 0.6), y / (r * 0.6));
      const nail = (across / 0.5) ** 2 + ((along - 0.12) / 0.6) ** 4;
      const onNail = 1 - step(0.86, 1, nail);
      const rim = Math.exp(-(((nail - 1.03) / 0.1) ** 2));
      const gloss = onNail * Math.exp(-(((across - 0.16 * (lx * -ay + ly * ax)) / 0.11) ** 2)) * 0.2;
      const share = 1 - step(-soft, soft, d);
      put(p, share, (c) => {
        // Skin lets red through where it turns away from the light.
        const warm = c === 0 ? 1 + 0.22 * side : 1 - 0.1 * side;
        const base = tone[c] * (1 - onNail) + (tone[c] * 0.72 + [0.26, 0.17, 0.15][c]) * onNail;
        return base * lit * skin * warm * (1 - 0.3 * crease) * (1 - 0.26 * rim) + gloss;
      });
    }
  }
}
