import { LRUCache } from 'lru-cache';
import { keyOf } from '../base';
import { type Lab, labOf } from '../colour';
import { LINEAR_OF, type Raster, toEncoded } from '../pixels';
import type { Rect } from '../plane';
import { coverageOf } from './lay';
import type { Mark, Marked } from './scene';
import type { Sheet } from './sheet';

const smoothstep = (t: number): number => {
  const s = Math.min(1, Math.max(0, t));
  return s * s * (3 - 2 * s);
};

/** Puts a stroke of a round brush into a mask of 0..255 by the distance to its line. */
function stroke(mark: Extract<Mark, { kind: 'brush' }>, { x: left, y: top, width, height }: Rect): Uint8Array {
  const { radius, soft, points } = mark;
  const own = new Uint8Array(width * height);
  const core = radius * (1 - soft);
  // Even a hard brush fades over a pixel, so that its edge is smooth.
  const fade = Math.max(1, radius - core);
  const dabs = points.length === 1 ? [points[0], points[0]] : points;
  for (let i = 0; i + 1 < dabs.length; i++) {
    const [[ax, ay], [bx, by]] = [dabs[i], dabs[i + 1]];
    const [dx, dy] = [bx - ax, by - ay];
    const length = dx * dx + dy * dy;
    const x0 = Math.max(0, Math.floor(Math.min(ax, bx) - radius - left - 1));
    const x1 = Math.min(width, Math.ceil(Math.max(ax, bx) + radius - left + 1));
    const y1 = Math.min(height, Math.ceil(Math.max(ay, by) + radius - top + 1));
    for (let y = Math.max(0, Math.floor(Math.min(ay, by) - radius - top - 1)); y < y1; y++) {
      for (let x = x0; x < x1; x++) {
        const [ex, ey] = [x + 0.5 + left - ax, y + 0.5 + top - ay];
        const t = length > 0 ? Math.min(1, Math.max(0, (ex * dx + ey * dy) / length)) : 0;
        const d = Math.hypot(ex - t * dx, ey - t * dy);
        const v = 255 * smoothstep((radius + 0.5 - d) / fade) + 0.5;
        const p = y * width + x;
        if (v > own[p]) own[p] = v;
      }
    }
  }
  return own;
}

/** OKLab of the mean of the 3 x 3 pixels about a place: single specks of noise have no colour of their own. */
function labAt(photo: Raster, x: number, y: number): Lab {
  let [r, g, b] = [0, 0, 0];
  for (let j = -1; j <= 1; j++) {
    const row = Math.min(photo.height - 1, Math.max(0, y + j)) * photo.width;
    for (let i = -1; i <= 1; i++) {
      const p = (row + Math.min(photo.width - 1, Math.max(0, x + i))) * 4;
      r += photo.data[p];
      g += photo.data[p + 1];
      b += photo.data[p + 2];
    }
  }
  return labOf([r / 9, g / 9, b / 9]);
}

/** How near each pixel's colour is to that of the mark's place, 0..255, fading over the outer third of the tolerance. */
function range(mark: Extract<Mark, { kind: 'range' }>, photo: Raster, region: Rect): Uint8Array {
  const { width, height } = region;
  const clamp = (v: number, n: number): number => Math.min(n - 1, Math.max(0, Math.floor(v)));
  const at = [clamp(mark.at[0], photo.width), clamp(mark.at[1], photo.height)];
  const wanted = labAt(photo, at[0], at[1]);
  const own = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const lab = labAt(photo, x + region.x, y + region.y);
      const d = Math.hypot(lab[0] - wanted[0], lab[1] - wanted[1], lab[2] - wanted[2]);
      own[y * width + x] = 255 * smoothstep((mark.tolerance * 1.2 - d) / (mark.tolerance * 0.4)) + 0.5;
    }
  }
  return mark.joined ? withoutHoles(joinedTo(own, region, at[0] - region.x, at[1] - region.y), region) : own;
}

/** Masks by colour that were made last of a photograph: looking at all its pixels takes long, and a hand that paints asks at every step. */
const ranges = new WeakMap<Raster, LRUCache<string, Uint8Array>>();
const KEPT_PIXELS = 16_000_000;

function rangeOf(mark: Extract<Mark, { kind: 'range' }>, photo: Raster, region: Rect): Uint8Array {
  let kept = ranges.get(photo);
  if (!kept)
    ranges.set(
      photo,
      (kept = new LRUCache({ maxSize: KEPT_PIXELS, sizeCalculation: ({ length }) => Math.max(1, length) })),
    );
  const key = keyOf({ at: mark.at, tolerance: mark.tolerance, joined: mark.joined, region });
  const known = kept.get(key);
  if (known) return known;
  const made = range(mark, photo, region);
  kept.set(key, made);
  return made;
}

/** What of a mask hangs together with a place of it; nothing where the place lies outside. */
function joinedTo(mask: Uint8Array, { width, height }: Rect, x: number, y: number): Uint8Array {
  const out = new Uint8Array(mask.length);
  if (x < 0 || y < 0 || x >= width || y >= height) return out;
  const open = [y * width + x];
  out[open[0]] = Math.max(1, mask[open[0]]);
  while (open.length > 0) {
    const p = open.pop() ?? 0;
    // What fades out is taken along, but leads no further.
    if (mask[p] < 96) continue;
    const px = p % width;
    for (const q of [px > 0 ? p - 1 : -1, px < width - 1 ? p + 1 : -1, p - width, p + width]) {
      if (q < 0 || q >= mask.length || out[q] > 0 || mask[q] === 0) continue;
      out[q] = mask[q];
      open.push(q);
    }
  }
  return out;
}

/** A hole of a mask up to this share of it, such as a nail in a thumb, belongs to it. */
const MOST_HOLE = 0.15;

/** Fills holes that a mask encloses, as far as they are small beside it, and makes its inside whole. */
function withoutHoles(mask: Uint8Array, { width, height }: Rect): Uint8Array {
  const seen = new Uint8Array(mask.length);
  const flood = (from: number): number[] => {
    const found = [from];
    seen[from] = 1;
    for (let k = 0; k < found.length; k++) {
      const p = found[k];
      const x = p % width;
      for (const q of [x > 0 ? p - 1 : -1, x < width - 1 ? p + 1 : -1, p - width, p + width]) {
        if (q < 0 || q >= mask.length || seen[q] || mask[q] >= 128) continue;
        seen[q] = 1;
        found.push(q);
      }
    }
    return found;
  };
  const whole = mask.reduce((sum, m) => sum + (m >= 128 ? 1 : 0), 0);
  const open = (p: number): boolean => !seen[p] && mask[p] < 128;
  for (let x = 0; x < width; x++) for (const p of [x, (height - 1) * width + x]) if (open(p)) flood(p);
  for (let y = 0; y < height; y++) for (const p of [y * width, y * width + width - 1]) if (open(p)) flood(p);
  const out = mask.slice();
  for (let p = 0; p < mask.length; p++) {
    if (!open(p)) continue;
    const hole = flood(p);
    if (hole.length <= MOST_HOLE * whole) for (const q of hole) out[q] = 255;
  }
  return solid(out, width, height);
}

/** How far within its edge a mask is whole, px: its edge stays soft, its inside does not let the art through. */
const SKIN_PX = 2;

function solid(mask: Uint8Array, width: number, height: number): Uint8Array {
  const least = (from: Uint8Array, n: number, lines: number, step: number, line: number): Uint8Array => {
    const out = new Uint8Array(from.length);
    for (let l = 0; l < lines; l++) {
      for (let i = 0; i < n; i++) {
        let m = 255;
        for (let k = Math.max(0, i - SKIN_PX); k <= Math.min(n - 1, i + SKIN_PX); k++)
          m = Math.min(m, from[l * line + k * step]);
        out[l * line + i * step] = m;
      }
    }
    return out;
  };
  const within = least(least(mask, width, height, 1, width), height, width, width, 1);
  return mask.map((m, i) => (within[i] >= 128 ? 255 : m));
}

const around = (region: Rect, [x, y]: readonly [number, number], photo: Raster): Rect => {
  const [px, py] = [
    Math.min(photo.width - 1, Math.max(0, Math.floor(x))),
    Math.min(photo.height - 1, Math.max(0, Math.floor(y))),
  ];
  const [x0, y0] = [Math.min(region.x, px), Math.min(region.y, py)];
  const [x1, y1] = [Math.max(region.x + region.width, px + 1), Math.max(region.y + region.height, py + 1)];
  return { x: x0, y: y0, width: x1 - x0, height: y1 - y0 };
};

function part(mask: Uint8Array, of: Rect, region: Rect): Uint8Array {
  if (of.width === region.width && of.height === region.height) return mask;
  const out = new Uint8Array(region.width * region.height);
  for (let y = 0; y < region.height; y++) {
    const from = (y + region.y - of.y) * of.width + region.x - of.x;
    out.set(mask.subarray(from, from + region.width), y * region.width);
  }
  return out;
}

/**
 * The mask that the marks `on` something make of a region of the photograph (whole px), 0..255; null where there are none. Whatever marks
 * the background, faces and what stands before them are no part of it.
 */
export function maskOf(
  marks: readonly Mark[],
  on: Marked,
  photo: Raster,
  region: Rect,
  sheets: readonly Sheet[],
): Uint8Array | null {
  const own = marks.filter((mark) => mark.on === on);
  if (own.length === 0) return null;
  const mask = new Uint8Array(region.width * region.height);
  for (const mark of own) {
    const made = maskOfMark(mark, photo, region, sheets);
    for (let i = 0; i < mask.length; i++) {
      const m = made[i];
      if (m === 0) continue;
      mask[i] = mark.add ? mask[i] + ((255 - mask[i]) * m + 127) / 255 : (mask[i] * (255 - m) + 127) / 255;
    }
  }
  if (on !== 'away') return mask;
  const front = maskOf(marks, 'front', photo, region, sheets);
  for (const safe of [...sheets.map((sheet) => coverageOf(sheet, region)), ...(front ? [front] : [])])
    for (let i = 0; i < mask.length; i++) mask[i] = Math.min(mask[i], 255 - safe[i]);
  return mask;
}

function maskOfMark(mark: Mark, photo: Raster, region: Rect, sheets: readonly Sheet[]): Uint8Array {
  switch (mark.kind) {
    case 'brush':
      return stroke(mark, region);
    case 'range': {
      const whole = mark.joined ? around(region, mark.at, photo) : region;
      return part(rangeOf(mark, photo, whole), whole, region);
    }
    case 'outside': {
      const mask = new Uint8Array(region.width * region.height).fill(255);
      for (const sheet of sheets) coverageOf(sheet, region).forEach((c, i) => (mask[i] = Math.max(0, mask[i] - c)));
      return mask;
    }
  }
}

/** Light painted on art in place: a shade darkens it, light is laid over it as white; both in linear light. */
export function paintLight(art: Raster, shade: Uint8Array | null, light: Uint8Array | null): void {
  for (let i = 0; i < art.data.length / 4; i++) {
    const [s, l] = [(shade?.[i] ?? 0) / 255, (light?.[i] ?? 0) / 255];
    if (s === 0 && l === 0) continue;
    for (let c = 0; c < 3; c++) {
      const dark = LINEAR_OF[art.data[i * 4 + c]] * Math.exp(-DEEPEST * s);
      art.data[i * 4 + c] = 255 * toEncoded((dark + (WHITEST - dark) * BRIGHTEST * l) / 65535);
    }
  }
}

/** A full stroke of shade lets through e to the minus this; one of light is this share of white. */
const DEEPEST = 1.1;
const BRIGHTEST = 0.55;
const WHITEST = 0.95 * 65535;
