import { type Finding, type Result, finding, ok } from '../base';
import type { Rgb } from '../colour';
import { type ImageInfo, dressJpeg, liesOnSide, readDelivered, srgbProfile } from '../image-file';
import { type Raster, flatten, raster, shrink } from '../pixels';
import { OPEN, type Profile, type StoreFormat, graveFirst, paleEdges, withEdgeLine } from '../stores';
import { type Delivered, PRINT_PPI } from './delivered';
import { encodeWithin } from './encode';
import { type Reframe, carriedTo, cutTo } from './reframe';
import { encodingNote, examineImage } from './store-image';
import type { Studio } from './studio';

type Size = { readonly widthPx: number; readonly heightPx: number };

/** Most px of a side of anything that is made. */
const MOST_SIDE = 10_000;

const within = (value: number, low: number, high: number): boolean => value >= low - 1e-9 && value <= high + 1e-9;

/** True where a store takes a picture's ratio as it is, without a word. */
export function fitsRatio({ widthPx, heightPx }: Size, { ratio, ideal, exact }: Profile): boolean {
  const r = heightPx / widthPx;
  const wanted = ideal.heightPx / ideal.widthPx;
  if (exact) return Math.abs(r / wanted - 1) < 0.004;
  return !ratio || within(r, ratio.low - 0.01, ratio.high + 0.01);
}

/**
 * The pixels that a picture needs for a store: its own where they will do; its own ratio where the store takes it, else the
 * store's. It is made larger only as far as the store asks.
 */
export function sizeFor(own: Size, profile: Profile, cut = false): Size {
  const { ideal, exact, least, most, leastShortSidePx, mostSidePx } = profile;
  if (exact) return ideal;
  const r = own.heightPx / own.widthPx;
  const keeps = fitsRatio(own, profile);
  const wanted = keeps ? r : ideal.heightPx / ideal.widthPx;
  // Around the whole picture in the ratio that is wanted, or within it where it is cut.
  let [w, h] = r > wanted !== cut ? [own.heightPx / wanted, own.heightPx] : [own.widthPx, own.widthPx * wanted];
  const up = Math.max(
    1,
    (least?.widthPx ?? 0) / w,
    (least?.heightPx ?? 0) / h,
    (leastShortSidePx ?? 0) / Math.min(w, h),
  );
  [w, h] = [w * up, h * up];
  const down = Math.min(
    1,
    (most?.widthPx ?? Infinity) / w,
    (most?.heightPx ?? Infinity) / h,
    Math.min(mostSidePx ?? MOST_SIDE, MOST_SIDE) / Math.max(w, h),
  );
  const size = { widthPx: Math.round(w * down), heightPx: Math.round(h * down) };
  const fits = up === 1 || down === 1;
  return fits ? size : ideal;
}

/** Mean colour of some lines of a picture, from one row or column to another. */
function meanOf({ width, height, data }: Raster, lines: 'rows' | 'columns', from: number, to: number): Rgb {
  const sum = [0, 0, 0];
  const [x0, x1, y0, y1] = lines === 'rows' ? [0, width, from, to] : [from, to, 0, height];
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) for (let c = 0; c < 3; c++) sum[c] += data[(y * width + x) * 4 + c];
  const n = (x1 - x0) * (y1 - y0);
  return [sum[0] / n, sum[1] / n, sum[2] / n];
}

/** A picture whole within other pixels; what it leaves open on a side has the colour of its edge there. */
export function fitted(picture: Raster, size: Size, studio: Studio): Raster {
  const { widthPx, heightPx } = size;
  if (picture.width === widthPx && picture.height === heightPx) return picture;
  const k = Math.min(widthPx / picture.width, heightPx / picture.height);
  const w = Math.max(1, Math.min(widthPx, Math.round(picture.width * k)));
  const h = Math.max(1, Math.min(heightPx, Math.round(picture.height * k)));
  const scaled = k <= 1 ? shrink(picture, w, h) : studio.pixelsOf(studio.resized(studio.imageOf(picture), w));
  const out = raster(widthPx, heightPx);
  const lines = scaled.height < heightPx ? 'rows' : 'columns';
  const across = lines === 'rows' ? scaled.height : scaled.width;
  const strip = Math.max(1, Math.round(across * 0.006));
  const ends = [meanOf(scaled, lines, 0, strip), meanOf(scaled, lines, across - strip, across)];
  const row = (left: Rgb, right: Rgb): Uint8ClampedArray => {
    const line = new Uint8ClampedArray(widthPx * 4);
    for (let x = 0; x < widthPx; x++) line.set([...(x * 2 < widthPx ? left : right), 255], x * 4);
    return line;
  };
  const [above, below] =
    lines === 'rows' ? [row(ends[0], ends[0]), row(ends[1], ends[1])] : [row(ends[0], ends[1]), row(ends[0], ends[1])];
  for (let y = 0; y < heightPx; y++) out.data.set(y * 2 < heightPx ? above : below, y * widthPx * 4);
  const x0 = (widthPx - scaled.width) >> 1;
  const y0 = (heightPx - Math.min(heightPx, scaled.height)) >> 1;
  for (let y = 0; y < Math.min(heightPx, scaled.height); y++) {
    out.data.set(scaled.data.subarray(y * scaled.width * 4, (y + 1) * scaled.width * 4), ((y0 + y) * widthPx + x0) * 4);
  }
  return out;
}

const WHITE = [255, 255, 255] as const;

/** True where a JPEG needs other words about itself, and no other pixels. */
function onlyWords(info: ImageInfo, found: readonly Finding[], profile: Profile): boolean {
  const words = ['store-no-profile', 'store-density', 'store-metadata'];
  const srgb = info.profile === null || /sRGB/i.test(info.profile);
  return (
    info.format === 'jpeg' && profile.formats.includes('jpeg') && srgb && found.every((f) => words.includes(f.code))
  );
}

/**
 * Makes a copy of an image that a store takes, from any file that can be decoded: turned upright, in sRGB, opaque, in a
 * format, a ratio and pixels that the store wants, with an edge line where it is pale, encoded to its bytes. Where only
 * the ratio is not the store's, `reframe` says how it gets there. Where only
 * density, profile or metadata are wrong, a JPEG's pixels are not touched. The findings are those of the copy; what was
 * done is among them as notes. Faults: those of `readDelivered`, `image-damaged`, `budget-too-small`.
 */
export async function repairImage(
  source: Uint8Array<ArrayBuffer>,
  profile: Profile,
  studio: Studio,
  wanted?: StoreFormat,
  reframe: Reframe = 'whole',
): Promise<Result<Delivered>> {
  const read = readDelivered(source);
  if (!read.ok) return read;
  const info = read.value;
  const before = await examineImage(source, profile, studio);
  if (!before.ok) return before;
  const ppi = profile.ppi ?? info.ppi ?? PRINT_PPI;
  const took = profile.formats.find((f) => f === info.format);
  const format = wanted ?? took ?? profile.formats[0];
  if (onlyWords(info, before.value.findings, profile) && format === 'jpeg') {
    const bytes = dressJpeg(source, ppi, srgbProfile());
    const after = await examineImage(bytes, profile, studio);
    if (!after.ok) return after;
    return ok({ bytes, findings: graveFirst([...after.value.findings, finding('repair-words', 'note', null)]) });
  }
  const done: Finding[] = [];
  const did = (code: string, data: Finding['data'] = {}, severity: Finding['severity'] = 'note'): void =>
    void done.push(finding(code, severity, null, data));
  let pixels = before.value.pixels;
  if (info.orientation !== 1) did('repair-upright');
  if (info.colour === 'cmyk' || (info.profile !== null && !/sRGB/i.test(info.profile)))
    did('repair-colour', { from: info.colour === 'cmyk' ? 'CMYK' : (info.profile ?? '') });
  if (info.animated) did('repair-still');
  const opaque = flatten(pixels, WHITE);
  if (opaque !== pixels) did('repair-opaque');
  pixels = opaque;
  const side = liesOnSide(info.orientation);
  const own = side
    ? { widthPx: info.heightPx, heightPx: info.widthPx }
    : { widthPx: info.widthPx, heightPx: info.heightPx };
  const size = sizeFor(own, profile, reframe === 'cut');
  if (size.widthPx !== pixels.width || size.heightPx !== pixels.height) {
    const k = Math.min(size.widthPx / pixels.width, size.heightPx / pixels.height);
    const framed = Math.abs((size.heightPx * pixels.width) / (size.widthPx * pixels.height) - 1) > 0.004;
    const named = { size: `${size.widthPx} x ${size.heightPx}` };
    if (framed && reframe === 'cut') did('repair-cut', named);
    else if (framed && reframe === 'carried') did('repair-carried', named);
    else if (framed) did('repair-fitted', named);
    else if (k < 1) did('repair-smaller', { size: `${size.widthPx} x ${size.heightPx}` });
    const grown = reframe === 'cut' ? Math.max(size.widthPx / pixels.width, size.heightPx / pixels.height) : k;
    if (grown > 1.001) did('cover-enlarged', { from: pixels.width, to: Math.round(pixels.width * grown) }, 'should');
    pixels =
      framed && reframe === 'cut'
        ? cutTo(pixels, size, studio)
        : framed && reframe === 'carried'
          ? carriedTo(pixels, size, studio)
          : fitted(pixels, size, studio);
  }
  if (profile.edgeLine && paleEdges(pixels).length > 0) {
    pixels = withEdgeLine(pixels);
    did('edge-line');
  }
  const made = await encodeWithin(pixels, format, { mostBytes: profile.mostBytes, ppi }, studio);
  if (!made.ok) return made;
  if (format !== info.format) did('repair-format', { from: info.format.toUpperCase(), to: format.toUpperCase() });
  const after = await examineImage(made.value.bytes, profile, studio);
  if (!after.ok) return after;
  return ok({
    bytes: made.value.bytes,
    findings: graveFirst([...after.value.findings, ...done, encodingNote(made.value)]),
  });
}

/** What every reader takes as the picture of a cover. */
const READERS: Omit<Profile, 'ideal'> = {
  ...OPEN,
  id: 'ebook',
  name: 'Ebook readers',
  exact: true,
  formats: ['jpeg', 'png'],
  mostBytes: 20 * 1024 * 1024,
};

/** A picture as the cover of an EPUB: itself where every reader takes it, else a copy that they take. Faults: those of `repairImage`. */
export async function ebookCover(
  source: Uint8Array<ArrayBuffer>,
  mostPixels: number,
  studio: Studio,
): Promise<Result<Delivered>> {
  const read = readDelivered(source);
  if (!read.ok) return read;
  const side = liesOnSide(read.value.orientation);
  const [w, h] = side ? [read.value.heightPx, read.value.widthPx] : [read.value.widthPx, read.value.heightPx];
  const k = Math.min(1, Math.sqrt(mostPixels / (w * h)));
  return repairImage(
    source,
    { ...READERS, ideal: { widthPx: Math.floor(w * k), heightPx: Math.floor(h * k) } },
    studio,
  );
}
