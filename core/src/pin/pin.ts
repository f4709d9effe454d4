import { type Result, fail, ok } from '../base';
import { type Cancelled, neverCancelled } from '../jobs';
import { blurred } from '../darkroom';
import { ENCODED_OF, LINEAR_OF, type Raster, flatten, raster, shrink } from '../pixels';
import type { Point, Rect } from '../plane';
import { rgbOf } from '../colour';
import { type LightGrid, type Textures, shaderOf, texturesOf } from '../warp';
import { checkCorners, sideOf } from './corners';
import { type Grain, SHARP_PX, noiseIn, softnessAt, withNoise } from './grain';
import { laid } from './lay';
import { maskOf, paintLight } from './mask';
import { type Straight, rectified, withoutRim } from './rectify';
import { type Mark, type PinFace, type PinLayer, type PinScene, pointsOf } from './scene';
import { type Strengths, blankOf, fullStrength, lightGridOf, shadingOf, tintOf, uncovered } from './shading';
import { type Sheet, checkBend, outlineOf } from './sheet';

/** A photograph as it is measured: `places` are texels of it, of at most `PLACES_PX` along its longer side. */
export type Photo = { readonly pixels: Raster; readonly places: Textures };
/** Art as it is laid on faces. */
export type Art = { readonly textures: Textures };

const PLACES_PX = 2000;
/** Cells of the light along a face's longer side. */
const CELLS = 240;

export function photoOf(pixels: Raster): Photo {
  const k = Math.min(1, PLACES_PX / Math.max(pixels.width, pixels.height));
  const px = (v: number): number => Math.max(1, Math.round(v * k));
  const seen = flatten(k < 1 ? shrink(pixels, px(pixels.width), px(pixels.height)) : pixels, [255, 255, 255]);
  return { pixels, places: texturesOf([['photo', { art: seen, foil: null }]]) };
}

/** Art must be opaque. */
export const artOf = (pixels: Raster): Art => ({ textures: texturesOf([['art', { art: pixels, foil: null }]]) });

/** Noise and softness of a photograph at a face. */
export const grainOf = (photo: Raster, corners: readonly Point[]): Grain => ({
  noise: noiseIn(photo, corners),
  softPx: softnessAt(photo, corners),
});

/** Checks where a face lies. Faults: those of `checkCorners` and `checkBend`. */
export function sheetIn(
  face: Pick<PinFace, 'corners' | 'bend'>,
  photo: { width: number; height: number },
): Result<Sheet> {
  const corners = checkCorners(pointsOf(face.corners), photo);
  return corners.ok ? checkBend(corners.value, face.bend) : corners;
}

/** Whole pixels round a face, within the photograph. */
export function regionOf(sheet: Sheet, photo: { width: number; height: number }, marginPx: number): Rect {
  const outline = outlineOf(sheet);
  const [xs, ys] = [outline.map((p) => p.x), outline.map((p) => p.y)];
  const x = Math.max(0, Math.floor(Math.min(...xs) - marginPx));
  const y = Math.max(0, Math.floor(Math.min(...ys) - marginPx));
  const width = Math.min(photo.width, Math.ceil(Math.max(...xs) + marginPx)) - x;
  const height = Math.min(photo.height, Math.ceil(Math.max(...ys) + marginPx)) - y;
  return { x, y, width: Math.max(0, width), height: Math.max(0, height) };
}

/** The blank of a face, as it would be seen straight on, without what stands before it. */
function blankIn(photo: Photo, sheet: Sheet, soft: number, front: readonly Mark[], cells: number): Straight | null {
  const { corners } = sheet;
  const [wide, high] = [0, 1].map((i) => Math.max(sideOf(corners, i), sideOf(corners, i + 2)));
  const along = (v: number): number => Math.max(2, Math.min(cells, Math.round((cells * v) / Math.max(wide, high))));
  const [columns, rows] = [along(wide), along(high)];
  const seen = rectified(photo.places, 'photo', photo.pixels, sheet, columns, rows);
  if (!seen) return null;
  const hidden = front.length > 0 ? hiddenIn(photo.pixels, sheet, front, columns, rows) : null;
  const free = hidden ? uncovered(seen, hidden) : seen;
  // A cell is as many px wide as the longer side has cells for.
  return withoutRim(free, 1 + Math.ceil((2.5 * soft * cells) / Math.max(wide, high, cells)));
}

/** How much of each cell of a face is hidden by what was marked as standing before it, 0..1. */
function hiddenIn(photo: Raster, sheet: Sheet, front: readonly Mark[], columns: number, rows: number): Float32Array {
  const region = regionOf(sheet, photo, 1);
  const mask = maskOf(front, 'front', photo, region, [sheet]);
  return Float32Array.from({ length: columns * rows }, (_, i) => {
    const p = sheet.place(((i % columns) + 0.5) / columns, (Math.floor(i / columns) + 0.5) / rows);
    const [x, y] = [Math.floor(p.x) - region.x, Math.floor(p.y) - region.y];
    if (!mask || x < 0 || y < 0 || x >= region.width || y >= region.height) return 0;
    return mask[y * region.width + x] / 255;
  });
}

/** sRGB codes for linear light that is multiplied by a tint first, as a shader wants them. */
function tonesOf(tint: readonly number[]): Uint8Array {
  const tones = new Uint8Array(3 * 8192);
  for (let c = 0; c < 3; c++) {
    for (let i = 0; i < 8192; i++) tones[c * 8192 + i] = ENCODED_OF[Math.min(8191, Math.round(i * tint[c]))];
  }
  return tones;
}

/** How well a picture is made: a preview measures less and leaves out what does not show while a hand moves. */
export type PinQuality = 'preview' | 'final';

/** A preview does not measure: this is about what a photograph has on a screen. */
const USUAL_GRAIN: Grain = { noise: 0, softPx: 1 };

/** A face and the pixels it changes; `art` is straight-alpha sRGB over `region`. */
export type LaidFace = { readonly region: Rect; readonly art: Raster; readonly blank: Raster | null };

const shownStrengths = (face: PinFace, hidden: readonly PinLayer[]): Strengths => ({
  smooth: hidden.includes('smooth') ? 0 : face.light.smooth,
  creases: hidden.includes('creases') ? 0 : face.light.creases,
  gleam: hidden.includes('gleam') ? 0 : face.light.gleam,
  tone: face.light.tone,
});

/**
 * The art of one face as the photograph would show it: in its perspective and bend, in the light that lies on the blank,
 * as soft and as grainy as the photograph is there, behind what stands before it. `blank` is what it takes the place of.
 */
export function laidFace(
  photo: Photo,
  scene: PinScene,
  face: PinFace,
  art: Art,
  quality: PinQuality,
): Result<LaidFace> {
  const found = sheetIn(face, photo.pixels);
  if (!found.ok) return found;
  const sheet = found.value;
  const final = quality === 'final';
  const grain: Grain = final ? grainOf(photo.pixels, sheet.corners) : USUAL_GRAIN;
  const front = scene.hidden.includes('front') ? [] : scene.marks.filter((mark) => mark.on === 'front');
  const straight = blankIn(photo, sheet, grain.softPx, front, final ? CELLS : CELLS / 4);
  if (!straight) return fail('pin-corners', { wrong: 'flat' });
  const soft = final ? face.grain * Math.sqrt(Math.max(0, grain.softPx ** 2 - SHARP_PX ** 2)) : 0;
  const region = regionOf(sheet, photo.pixels, 2 + Math.ceil(3 * soft));
  if (region.width === 0 || region.height === 0) return fail('pin-corners', { wrong: 'outside' });
  const shading = shadingOf(straight);
  const blankLight = blankOf(straight);
  const lay = (from: Textures, light: LightGrid, tint: readonly number[]): Raster | null =>
    laid(
      from,
      'art',
      sheet,
      region,
      { kind: final ? 'cubic' : 'linear', taps: final ? 8 : 4 },
      shaderOf(from),
      light,
      tonesOf(tint),
    );
  const strengths = shownStrengths(face, scene.hidden);
  const plain = lay(art.textures, lightGridOf(shading, strengths), tintOf(blankLight, strengths.tone));
  if (!plain) return fail('pin-mesh', { wrong: 'folded' });
  const own = scene.hidden.includes('painted') ? [] : scene.marks;
  const [shade, light] = (['shade', 'light'] as const).map((on) => maskOf(own, on, photo.pixels, region, [sheet]));
  if (shade || light) paintLight(plain, shade, light);
  const softened = blurred(plain, soft);
  const laidArt = final ? withNoise(softened, face.grain * grain.noise, 7) : softened;
  const blank = final ? lay(flatArt(blankLight), lightGridOf(shading, fullStrength), [1, 1, 1]) : null;
  const mask = maskOf(front, 'front', photo.pixels, region, [sheet]);
  if (mask) hideBehind(laidArt, mask);
  return ok({ region, art: laidArt, blank: blank && blurred(blank, soft) });
}

/** A small picture of one colour, given in linear light. */
function flatArt(light: readonly [number, number, number]): Textures {
  const out = raster(8, 8);
  const [r, g, b] = light.map((v) => ENCODED_OF[Math.min(8191, v >> 3)]);
  for (let i = 0; i < out.data.length; i += 4) out.data.set([r, g, b, 255], i);
  return artOf(out).textures;
}

function hideBehind(art: Raster, mask: Uint8Array): void {
  for (let i = 0; i < mask.length; i++) {
    if (mask[i] > 0) art.data[i * 4 + 3] = Math.round((art.data[i * 4 + 3] * (255 - mask[i])) / 255);
  }
}

/**
 * Puts a laid face into a picture of the photograph. At an outline a pixel of the photograph is the blank's light times
 * its share, and what lies behind or before: the blank's share is taken out and the art's put in, so that no rim stays.
 */
export function putFace(out: Raster, { region, art, blank }: LaidFace): void {
  for (let y = 0; y < region.height; y++) {
    for (let x = 0; x < region.width; x++) {
      const i = (y * region.width + x) * 4;
      const a = art.data[i + 3] / 255;
      if (a === 0) continue;
      const o = ((y + region.y) * out.width + x + region.x) * 4;
      for (let c = 0; c < 3; c++) {
        const was = LINEAR_OF[out.data[o + c]];
        const mixed = was + a * (LINEAR_OF[art.data[i + c]] - (blank ? LINEAR_OF[blank.data[i + c]] : was));
        out.data[o + c] = a === 1 ? art.data[i + c] : ENCODED_OF[Math.min(8191, Math.max(0, mixed) >> 3)];
      }
      out.data[o + 3] = Math.max(out.data[o + 3], art.data[i + 3]);
    }
  }
}

/** Takes the background away where it was marked: to nothing, or to a colour. */
export function putGround(out: Raster, photo: Photo, scene: PinScene, sheets: readonly Sheet[]): void {
  const { ground } = scene;
  if (ground.kind === 'photo') return;
  const whole = { x: 0, y: 0, width: out.width, height: out.height };
  const away = maskOf(scene.marks, 'away', photo.pixels, whole, sheets);
  if (!away) return;
  const colour = ground.kind === 'colour' ? rgbOf(ground.colour).map((v) => LINEAR_OF[v]) : null;
  for (let i = 0; i < away.length; i++) {
    const m = away[i] / 255;
    if (m === 0) continue;
    if (!colour) {
      out.data[i * 4 + 3] = Math.round(out.data[i * 4 + 3] * (1 - m));
      continue;
    }
    for (let c = 0; c < 3; c++) {
      const light = LINEAR_OF[out.data[i * 4 + c]] * (1 - m) + colour[c] * m;
      out.data[i * 4 + c] = ENCODED_OF[Math.min(8191, light >> 3)];
    }
  }
}

/**
 * The photograph with art on its faces (by the faces' ids; a face without is left as it is), scene and photograph of the
 * same size. Faults: those of `sheetIn`; `pin-stopped`.
 */
export function pinned(
  photo: Photo,
  scene: PinScene,
  arts: ReadonlyMap<string, Art>,
  quality: PinQuality = 'final',
  cancelled: Cancelled = neverCancelled,
): Result<Raster> {
  const { width, height, data } = photo.pixels;
  const out = raster(width, height, new Uint8ClampedArray(data));
  const sheets: Sheet[] = [];
  for (const face of scene.faces) {
    if (cancelled()) return fail('pin-stopped');
    const sheet = sheetIn(face, photo.pixels);
    if (!sheet.ok) return sheet;
    sheets.push(sheet.value);
    const art = arts.get(face.id);
    if (!art) continue;
    const made = laidFace(photo, scene, face, art, quality);
    if (!made.ok) return made;
    putFace(out, made.value);
  }
  putGround(out, photo, scene, sheets);
  return ok(out);
}

/** A scene as it is where the photograph is k times as large. */
export function scaledPin(scene: PinScene, k: number): PinScene {
  const at = ([x, y]: readonly [number, number]): [number, number] => [x * k, y * k];
  return {
    ...scene,
    faces: scene.faces.map((face) => ({
      ...face,
      corners: face.corners.map(at),
      bend: face.bend && { ...face.bend, offsets: face.bend.offsets.map(at) },
    })),
    marks: scene.marks.map((mark): Mark => {
      switch (mark.kind) {
        case 'brush':
          return { ...mark, radius: mark.radius * k, points: mark.points.map(at) };
        case 'range':
          return { ...mark, at: at(mark.at) };
        case 'outside':
          return mark;
      }
    }),
  };
}
