// A script of types for a package that has none.
// oxlint-disable-next-line typescript/triple-slash-reference
/// <reference path="./utif2.d.ts" />
import { zlibSync } from 'fflate';
import UTIF from 'utif2';
import { type Result, fail, ok } from '../base';
import { type Raster, hasTransparency, raster } from '../pixels';
import { bytesOf, concat, u16, u16le, u32, u32le } from './bytes';
import { profileName, srgbProfile } from './icc';
import { type ImageInfo, MOST_DELIVERED } from './info';

/** Tags of TIFF 6.0 and its supplements that are read or written here. */
const TAG = {
  width: 256,
  height: 257,
  bits: 258,
  compression: 259,
  photometric: 262,
  stripOffsets: 273,
  orientation: 274,
  samples: 277,
  rowsPerStrip: 278,
  stripBytes: 279,
  xResolution: 282,
  yResolution: 283,
  planar: 284,
  resolutionUnit: 296,
  predictor: 317,
  extraSamples: 338,
  xmp: 700,
  resources: 34377,
  exif: 34665,
  icc: 34675,
  gps: 34853,
} as const;

const SHORT = 3;
const LONG = 4;
const RATIONAL = 5;
const SIZES: Readonly<Record<number, number>> = { 1: 1, 2: 1, 3: 2, 4: 4, 5: 8, 7: 1 };

/** Reads the first picture of a TIFF file. Faults: `image-truncated`, `image-damaged`. */
export function readTiff(b: Uint8Array): Result<ImageInfo<'tiff'>> {
  const little = b[0] === 0x49;
  const short = (at: number): number => (little ? u16le : u16)(b, at);
  const long = (at: number): number => (little ? u32le : u32)(b, at);
  if (b.length < 8 || short(2) !== 42) return fail('image-damaged', { format: 'TIFF' });
  const start = long(4);
  const count = start + 2 <= b.length ? short(start) : 0;
  if (count === 0 || start + 2 + count * 12 > b.length) return fail('image-truncated', { format: 'TIFF' });
  type Field = { type: number; count: number; at: number };
  const fields = new Map<number, Field>();
  for (let i = 0; i < count; i++) {
    const row = start + 2 + i * 12;
    const [type, values] = [short(row + 2), long(row + 4)];
    const bytes = (SIZES[type] ?? 1) * values;
    fields.set(short(row), { type, count: values, at: bytes <= 4 ? row + 8 : long(row + 8) });
  }
  const number = (tag: number, usual: number, place = 0): number => {
    const field = fields.get(tag);
    if (!field || place >= field.count) return usual;
    const at = field.at + place * (SIZES[field.type] ?? 1);
    if (at + 4 > b.length) return usual;
    if (field.type === RATIONAL) return long(at) / Math.max(1, long(at + 4));
    return field.type === SHORT ? short(at) : field.type === LONG ? long(at) : b[at];
  };
  const [widthPx, heightPx] = [number(TAG.width, 0), number(TAG.height, 0)];
  if (widthPx === 0 || heightPx === 0) return fail('image-damaged', { format: 'TIFF' });
  const strips = fields.get(TAG.stripOffsets)?.count ?? 0;
  for (let i = 0; i < Math.min(strips, 100_000); i++) {
    if (number(TAG.stripOffsets, 0, i) + number(TAG.stripBytes, 0, i) > b.length) return fail('image-truncated', { format: 'TIFF' });
  }
  const photometric = number(TAG.photometric, 2);
  const unit = number(TAG.resolutionUnit, 2);
  const resolution = number(TAG.xResolution, 0);
  const icc = fields.get(TAG.icc);
  const metadata = [
    ...(fields.has(TAG.exif) || fields.has(TAG.gps) ? ['Exif'] : []),
    ...(fields.has(TAG.xmp) ? ['XMP'] : []),
    ...(fields.has(TAG.resources) ? ['private blocks'] : []),
  ];
  return ok({
    format: 'tiff',
    widthPx,
    heightPx,
    orientation: Math.min(8, Math.max(1, number(TAG.orientation, 1))),
    bitDepth: number(TAG.bits, 1),
    colour: photometric === 5 ? 'cmyk' : photometric === 3 ? 'indexed' : photometric <= 1 ? 'grey' : 'rgb',
    alpha: fields.has(TAG.extraSamples),
    ppi: resolution > 0 && unit !== 1 ? Math.round(unit === 3 ? resolution * 2.54 : resolution) : null,
    profile: icc && icc.at + icc.count <= b.length ? profileName(b.subarray(icc.at, icc.at + icc.count)) : null,
    progressive: false,
    animated: false,
    metadata,
  });
} // prettier-ignore

/** Pixels of a TIFF that `readTiff` has taken, as stored and 8 bits a channel; null where they cannot be decoded. */
export function decodeTiff(b: Uint8Array): Raster | null {
  try {
    const [page] = UTIF.decode(b);
    UTIF.decodeImage(b, page);
    if (!page.width || !page.height || page.width * page.height > MOST_DELIVERED) return null;
    const rgba = UTIF.toRGBA8(page);
    return raster(page.width, page.height, new Uint8ClampedArray(rgba));
  } catch {
    return null;
  }
}

const ROWS = 64;

/**
 * Encodes losslessly as TIFF 6.0: RGB or RGBA, 8 bits, deflate with horizontal differences (Technical Note 2 of its
 * supplement), in strips; carries density and the sRGB profile, nothing else. Equal pictures give equal bytes.
 */
export function writeTiff(source: Raster, ppi: number): Uint8Array<ArrayBuffer> {
  const { width, height, data } = source;
  const channels = hasTransparency(source) ? 4 : 3;
  const strips: Uint8Array[] = [];
  for (let y0 = 0; y0 < height; y0 += ROWS) {
    const rows = Math.min(ROWS, height - y0);
    const plain = new Uint8Array(rows * width * channels);
    for (let y = 0, o = 0; y < rows; y++) {
      for (let x = 0; x < width; x++) {
        const p = ((y0 + y) * width + x) * 4;
        for (let c = 0; c < channels; c++, o++) plain[o] = data[p + c] - (x > 0 ? data[p - 4 + c] : 0);
      }
    }
    strips.push(zlibSync(plain, { level: 6 }));
  }
  const icc = srgbProfile();
  const body: Uint8Array[] = [];
  let at = 8;
  const place = (bytes: Uint8Array): number => {
    const from = at;
    const padded = bytes.length % 2 === 0 ? bytes : concat([bytes, new Uint8Array(1)]);
    body.push(padded);
    at += padded.length;
    return from;
  };
  const offsets = strips.map(place);
  const longs = (values: readonly number[]): Uint8Array => concat(values.map(le32));
  const shorts = (values: readonly number[]): Uint8Array => concat(values.map((v) => Uint8Array.of(v & 255, v >> 8)));
  const list: [tag: number, type: number, count: number, bytes: Uint8Array][] = [
    [TAG.width, LONG, 1, le32(width)],
    [TAG.height, LONG, 1, le32(height)],
    [TAG.bits, SHORT, channels, shorts(Array.from({ length: channels }, () => 8))],
    [TAG.compression, SHORT, 1, shorts([8])],
    [TAG.photometric, SHORT, 1, shorts([2])],
    [TAG.stripOffsets, LONG, strips.length, longs(offsets)],
    [TAG.samples, SHORT, 1, shorts([channels])],
    [TAG.rowsPerStrip, LONG, 1, le32(ROWS)],
    [TAG.stripBytes, LONG, strips.length, longs(strips.map((s) => s.length))],
    [TAG.xResolution, RATIONAL, 1, longs([ppi, 1])],
    [TAG.yResolution, RATIONAL, 1, longs([ppi, 1])],
    [TAG.planar, SHORT, 1, shorts([1])],
    [TAG.resolutionUnit, SHORT, 1, shorts([2])],
    [TAG.predictor, SHORT, 1, shorts([2])],
    // Straight alpha, not multiplied into the colours.
    ...(channels === 4 ? [[TAG.extraSamples, SHORT, 1, shorts([2])] as [number, number, number, Uint8Array]] : []),
    [TAG.icc, 7, icc.length, icc],
  ];
  const rows = list.map(([tag, type, count, bytes]) =>
    concat([shorts([tag, type]), le32(count), bytes.length <= 4 ? concat([bytes, new Uint8Array(4 - bytes.length)]) : le32(place(bytes))]),
  );
  return concat([bytesOf('II*\0'), le32(at), ...body, shorts([rows.length]), ...rows, le32(0)]);
} // prettier-ignore

const le32 = (v: number): Uint8Array => Uint8Array.of(v & 255, (v >> 8) & 255, (v >> 16) & 255, v >>> 24);
