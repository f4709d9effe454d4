import { zlibSync } from 'fflate';
import { type Result, fail, ok } from '../base';
import { type Raster, hasTransparency } from '../pixels';
import { bytesOf, concat } from './bytes';
import { profileName, srgbProfile } from './icc';
import type { ImageInfo } from './info';
import { LONG, RATIONAL, SHORT, tiffFields } from './tiff-fields';
import { TAG } from './tiff-tags';

/** Reads the first picture of a TIFF file. Faults: `image-truncated`, `image-damaged`. */
export function readTiff(b: Uint8Array): Result<ImageInfo<'tiff'>> {
  const read = tiffFields(b);
  if (!read.ok) return read;
  const { has, count, number, bytes } = read.value;
  const [widthPx, heightPx] = [number(TAG.width, 0), number(TAG.height, 0)];
  if (widthPx === 0 || heightPx === 0) return fail('image-damaged', { format: 'TIFF' });
  const strips = count(TAG.stripOffsets);
  for (let i = 0; i < Math.min(strips, 100_000); i++) {
    if (number(TAG.stripOffsets, 0, i) + number(TAG.stripBytes, 0, i) > b.length)
      return fail('image-truncated', { format: 'TIFF' });
  }
  const photometric = number(TAG.photometric, 2);
  const unit = number(TAG.resolutionUnit, 2);
  const resolution = number(TAG.xResolution, 0);
  const icc = bytes(TAG.icc);
  const metadata = [
    ...(has(TAG.exif) || has(TAG.gps) ? ['Exif'] : []),
    ...(has(TAG.xmp) ? ['XMP'] : []),
    ...(has(TAG.resources) ? ['private blocks'] : []),
  ];
  return ok({
    format: 'tiff',
    widthPx,
    heightPx,
    orientation: Math.min(8, Math.max(1, number(TAG.orientation, 1))),
    bitDepth: number(TAG.bits, 1),
    colour: photometric === 5 ? 'cmyk' : photometric === 3 ? 'indexed' : photometric <= 1 ? 'grey' : 'rgb',
    alpha: has(TAG.extraSamples),
    ppi: resolution > 0 && unit !== 1 ? Math.round(unit === 3 ? resolution * 2.54 : resolution) : null,
    profile: icc && profileName(icc),
    progressive: false,
    animated: false,
    metadata,
  });
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
    concat([
      shorts([tag, type]),
      le32(count),
      bytes.length <= 4 ? concat([bytes, new Uint8Array(4 - bytes.length)]) : le32(place(bytes)),
    ]),
  );
  return concat([bytesOf('II*\0'), le32(at), ...body, shorts([rows.length]), ...rows, le32(0)]);
}

const le32 = (v: number): Uint8Array => Uint8Array.of(v & 255, (v >> 8) & 255, (v >> 16) & 255, v >>> 24);
