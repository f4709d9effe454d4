import { type Hex, hexOf, labOf, luminance, rgbOf } from '../colour';
import { type Busyness, type Subject, busyness, subjectIn, subjectOf } from '../compose';
import { type Look, plainLook } from '../cover';
import { develop, isPlain } from '../darkroom';
import { type Raster, raster, shrink } from '../pixels';
import { type Rect, clamp } from '../plane';

/** What is known of a picture before it is placed. `sample` is small (longer side 160 px). */
export type PictureFacts = {
  readonly asset: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly sample: Raster;
  /** What one looks at. */
  readonly subject: Subject;
  /** Busyness of the calmest sixth and of the whole, 0..255. */
  readonly calm: number;
  readonly busy: number;
  /** Its border is one even light, one even dark or clear, so that what is in it stands free. */
  readonly border: 'light' | 'dark' | 'clear' | null;
  /** Whether it shows anything at all: one even colour does not. */
  readonly plain: boolean;
};

const SAMPLE_PX = 160;

/** The part of a picture that is shown: fractions of its width and height. */
export type Crop = { readonly x: number; readonly y: number; readonly width: number; readonly height: number };

/** Reads a picture; `source` may be a reduced one, `full` is its true size. */
export function pictureFacts(asset: string, source: Raster, full: { widthPx: number; heightPx: number }): PictureFacts {
  const k = SAMPLE_PX / Math.max(source.width, source.height);
  const sample = shrink(source, source.width * k, source.height * k);
  const map = busyness(sample, 16);
  const sorted = [...map.cells].sort((a, b) => a - b);
  const busy = sorted.reduce((sum, v) => sum + v, 0) / sorted.length;
  const sixth = sorted.slice(0, Math.max(1, Math.floor(sorted.length / 6)));
  const spread = lightnessSpread(sample);
  return {
    asset,
    ...full,
    sample,
    subject: subjectOf(sample),
    calm: sixth.reduce((sum, v) => sum + v, 0) / sixth.length,
    busy,
    border: borderOf(sample),
    plain: busy < 0.6 && spread < 0.04,
  };
}

function lightnessSpread({ data }: Raster): number {
  let low = 1;
  let high = 0;
  for (let i = 0; i < data.length; i += 4 * 7) {
    const [l] = labOf([data[i], data[i + 1], data[i + 2]]);
    low = Math.min(low, l);
    high = Math.max(high, l);
  }
  return high - low;
}

function borderOf(sample: Raster): PictureFacts['border'] {
  const { width, height, data } = sample;
  const edge: number[] = [];
  for (let x = 0; x < width; x++) edge.push(x, (height - 1) * width + x);
  for (let y = 0; y < height; y++) edge.push(y * width, y * width + width - 1);
  let clear = 0;
  const lights = edge.map((i) => {
    if (data[i * 4 + 3] < 40) clear++;
    return labOf([data[i * 4], data[i * 4 + 1], data[i * 4 + 2]])[0];
  });
  if (clear > edge.length * 0.6) return 'clear';
  lights.sort((a, b) => a - b);
  // The lower edge may be covered by what stands there; a quarter of the border is let off.
  const [low, high] = [lights[Math.floor(lights.length * 0.25)], lights[Math.floor(lights.length * 0.75)]];
  if (low > 0.93) return 'light';
  if (high < 0.16) return 'dark';
  return null;
}

/** A picture shows no grain of its own where it has one pixel for three of the cover's across. */
export const LEAST_SHARP = 0.33;

type Sized = { readonly widthPx: number; readonly heightPx: number };

/** Whether a picture can fill a cover whole and still be sharp enough. */
export const fillsSharp = (picture: Sized, cover: Sized): boolean =>
  Math.min(picture.widthPx, (picture.heightPx * cover.widthPx) / cover.heightPx) >= LEAST_SHARP * cover.widthPx;

/** What of a picture shows in a frame of the given ratio (width by height) that it fills, with its subject in view. */
export function cropFor(facts: PictureFacts, ratio: number, zoom = 1): Crop & { focus: { x: number; y: number } } {
  const own = facts.widthPx / facts.heightPx;
  const width = (own > ratio ? ratio / own : 1) / zoom;
  const height = (own > ratio ? 1 : own / ratio) / zoom;
  const { x, y, area, clear } = facts.subject;
  // A subject that fits is shown whole, its place in the middle; else its own middle is.
  const at = (middle: number, from: number, long: number, share: number): number => {
    const wanted = clear && long <= share ? from + long / 2 : middle;
    return share >= 1 ? 0.5 : clamp((wanted - share / 2) / (1 - share), 0, 1);
  };
  const focus = { x: at(x, area.x, area.width, width), y: at(y, area.y, area.height, height) };
  return { x: focus.x * (1 - width), y: focus.y * (1 - height), width, height, focus };
}

/** The pixels of a crop of the sample, and how busy they are. */
export function cropped(facts: PictureFacts, crop: Crop): { pixels: Raster; map: Busyness } {
  const { sample } = facts;
  const x0 = Math.min(sample.width - 1, Math.floor(crop.x * sample.width));
  const y0 = Math.min(sample.height - 1, Math.floor(crop.y * sample.height));
  const width = Math.max(1, Math.min(sample.width - x0, Math.round(crop.width * sample.width)));
  const height = Math.max(1, Math.min(sample.height - y0, Math.round(crop.height * sample.height)));
  const pixels = raster(width, height);
  for (let y = 0; y < height; y++) {
    const from = ((y0 + y) * sample.width + x0) * 4;
    pixels.data.set(sample.data.subarray(from, from + width * 4), y * width * 4);
  }
  return { pixels, map: busyness(pixels, 12) };
}

/** Mean colour of a part of pixels (fractions), and the lightness below and above which a tenth of it lies, OKLab. */
export function zoneOf(pixels: Raster, part: Crop): { hex: Hex; dark: boolean; low: number; high: number } {
  const x0 = Math.floor(clamp(part.x, 0, 1) * pixels.width);
  const y0 = Math.floor(clamp(part.y, 0, 1) * pixels.height);
  const x1 = Math.max(x0 + 1, Math.min(pixels.width, Math.round((part.x + part.width) * pixels.width)));
  const y1 = Math.max(y0 + 1, Math.min(pixels.height, Math.round((part.y + part.height) * pixels.height)));
  const sum = [0, 0, 0];
  const lights: number[] = [];
  for (let y = Math.min(y0, pixels.height - 1); y < Math.min(y1, pixels.height); y++)
    for (let x = Math.min(x0, pixels.width - 1); x < Math.min(x1, pixels.width); x++) {
      const i = (y * pixels.width + x) * 4;
      const rgb = [pixels.data[i], pixels.data[i + 1], pixels.data[i + 2]] as const;
      for (let c = 0; c < 3; c++) sum[c] += rgb[c];
      lights.push(labOf(rgb)[0]);
    }
  lights.sort((a, b) => a - b);
  const n = Math.max(1, lights.length);
  const hex = hexOf([sum[0] / n, sum[1] / n, sum[2] / n]);
  return {
    hex,
    dark: luminance(rgbOf(hex)) < 0.24,
    low: lights[Math.floor(n * 0.1)] ?? 0,
    high: lights[Math.floor(n * 0.9)] ?? 1,
  };
}

const graded = new WeakMap<PictureFacts, Map<string, PictureFacts>>();

/** The same picture as a look develops it: its colours are those that words stand on. Its subject stays where it is. */
export function gradedFacts(facts: PictureFacts, look: Look): PictureFacts {
  const development = { ...plainLook, ...look, matte: null, clear: null, lean: { x: 0, y: 0 } };
  if (isPlain(development)) return facts;
  let known = graded.get(facts);
  if (!known) graded.set(facts, (known = new Map()));
  const key = JSON.stringify(look);
  const made = known.get(key) ?? { ...facts, sample: develop(facts.sample, development) };
  known.set(key, made);
  return made;
}

/** How much of a picture's subject a place of the cover lies over, 0..1, where the picture fills `frame`. */
export function subjectUnder(facts: PictureFacts, crop: Crop, frame: Rect, place: Rect): number {
  return subjectIn(facts.subject, {
    x: crop.x + ((place.x - frame.x) / frame.width) * crop.width,
    y: crop.y + ((place.y - frame.y) / frame.height) * crop.height,
    width: (place.width / frame.width) * crop.width,
    height: (place.height / frame.height) * crop.height,
  });
}
