import { type Hex, hexOf, labOf, luminance, rgbOf } from '../colour';
import { type Busyness, busyness } from '../compose';
import { type Raster, raster, shrink } from '../pixels';
import { clamp } from '../plane';

/** What is known of a picture before it is placed. `sample` is small (longer side 160 px). */
export type PictureFacts = {
  readonly asset: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly sample: Raster;
  /** Where what one looks at is, 0..1 from left and top. */
  readonly subject: { readonly x: number; readonly y: number };
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
    subject: subjectOf(sample, map),
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

/**
 * The middle of what stands out: cells weighted by how busy they are and how far their colour is from the mean,
 * the upper third of them.
 */
function subjectOf(sample: Raster, map: Busyness): { x: number; y: number } {
  const { columns, rows, cells } = map;
  const cellColour = shrink(sample, columns, rows);
  const n = cellColour.width * cellColour.height;
  const labs = Array.from({ length: n }, (_, i) =>
    labOf([cellColour.data[i * 4], cellColour.data[i * 4 + 1], cellColour.data[i * 4 + 2]]),
  );
  const mean = [0, 1, 2].map((c) => labs.reduce((sum, lab) => sum + lab[c], 0) / n);
  const most = Math.max(1e-6, ...cells);
  const weights = labs.map((lab, i) => {
    const away = Math.hypot(lab[0] - mean[0], lab[1] - mean[1], lab[2] - mean[2]);
    return away * 2 + (cells[i] ?? 0) / most;
  });
  const bound = [...weights].sort((a, b) => b - a)[Math.floor(n / 3)] ?? 0;
  let [x, y, sum] = [0, 0, 1e-9];
  weights.forEach((w, i) => {
    if (w < bound) return;
    const own = w - bound + 1e-6;
    x += own * (((i % cellColour.width) + 0.5) / cellColour.width);
    y += own * ((Math.floor(i / cellColour.width) + 0.5) / cellColour.height);
    sum += own;
  });
  return { x: clamp(x / sum, 0, 1), y: clamp(y / sum, 0, 1) };
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

/** What of a picture shows in a frame of the given ratio (width by height) that it fills, with its subject in view. */
export function cropFor(facts: PictureFacts, ratio: number, zoom = 1): Crop & { focus: { x: number; y: number } } {
  const own = facts.widthPx / facts.heightPx;
  const width = (own > ratio ? ratio / own : 1) / zoom;
  const height = (own > ratio ? 1 : own / ratio) / zoom;
  const at = (subject: number, share: number): number =>
    share >= 1 ? 0.5 : clamp((subject - share / 2) / (1 - share), 0, 1);
  const focus = { x: at(facts.subject.x, width), y: at(facts.subject.y, height) };
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
