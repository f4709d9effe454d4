// A script of types for a package that has none.
// oxlint-disable-next-line typescript/triple-slash-reference
/// <reference path="./utif2.d.ts" />
import { Inflate } from 'fflate';
import UTIF from 'utif2';
import { type Raster, raster } from '../pixels';
import { MOST_DELIVERED } from './info';
import { type TiffFields, tiffFields } from './tiff-fields';
import { TAG } from './tiff-tags';

const [PLAIN, LZW, JPEG, DEFLATE, OLD_DEFLATE, PACKBITS] = [1, 5, 7, 8, 32946, 32773] as const;
const MOST_PIECES = 200_000;
/** Bytes of all samples of a picture as they are stored. */
const MOST_STORED = 4 * MOST_DELIVERED;

/** The pieces that a picture is stored in, strips or tiles, each `width` x `height` px (the last strip may be lower). */
type Pieces = {
  readonly width: number;
  readonly height: number;
  readonly tiled: boolean;
  readonly offsets: readonly number[];
  readonly lengths: readonly number[];
};

/**
 * Pixels of a TIFF that `readTiff` has taken, as stored and 8 bits a channel; null where they cannot be decoded. The
 * directory is read and every piece unpacked here, within what the picture needs, so that a lying file costs no more
 * than a true one; the package turns the samples into pixels. Fax codes are not read.
 */
export function decodeTiff(b: Uint8Array): Raster | null {
  try {
    const read = tiffFields(b);
    if (!read.ok) return null;
    const f = read.value;
    const [width, height] = [f.number(TAG.width, 0), f.number(TAG.height, 0)];
    const [bits, samples] = [f.number(TAG.bits, 1), f.number(TAG.samples, 1)];
    if (width === 0 || height === 0 || width * height > MOST_DELIVERED) return null;
    if (![1, 2, 4, 8, 16, 32].includes(bits) || samples < 1 || samples > 5) return null;
    // Samples of a kind each for itself are not read.
    if (f.number(TAG.planar, 1) !== 1 && samples > 1) return null;
    const rowBytes = Math.ceil((width * bits * samples) / 8);
    if (rowBytes * height > MOST_STORED) return null;
    const pieces = piecesOf(f, width, height);
    if (!pieces) return null;
    const packing = f.number(TAG.compression, PLAIN);
    const unpacked =
      packing === JPEG
        ? jpegsFit(b, pieces)
          ? { data: b, ...pieces }
          : null
        : unpack(b, pieces, packing, bits * samples, f.little);
    if (!unpacked) return null;
    const page = pageOf(f, pieces, unpacked.offsets, unpacked.lengths, packing === JPEG ? JPEG : PLAIN);
    UTIF.decodeImage(unpacked.data, page);
    return raster(width, height, new Uint8ClampedArray(UTIF.toRGBA8(page)));
  } catch {
    return null;
  }
}

function piecesOf(f: TiffFields, width: number, height: number): Pieces | null {
  const tiled = f.has(TAG.tileWidth);
  const [w, h] = tiled
    ? [f.number(TAG.tileWidth, 0), f.number(TAG.tileHeight, 0)]
    : [width, Math.min(height, f.number(TAG.rowsPerStrip, height))];
  if (w < 1 || h < 1 || w > width + 4096 || h > height + 4096) return null;
  const count = Math.ceil(width / w) * Math.ceil(height / h);
  const offsets = f.numbers(tiled ? TAG.tileOffsets : TAG.stripOffsets, MOST_PIECES).slice(0, count);
  const lengths = f.numbers(tiled ? TAG.tileBytes : TAG.stripBytes, MOST_PIECES).slice(0, count);
  return offsets.length === count && lengths.length === count ? { width: w, height: h, tiled, offsets, lengths } : null;
}

/** All pieces in one buffer that begins as the file does, each as long as its pixels need. */
function unpack(
  b: Uint8Array,
  { width, height, offsets, lengths }: Pieces,
  packing: number,
  pixelBits: number,
  little: boolean,
) {
  const size = Math.ceil((width * pixelBits) / 8) * height;
  if (size * offsets.length > 2 * MOST_STORED) return null;
  const data = new Uint8Array(2 + size * offsets.length).fill(little ? 0x49 : 0x4d, 0, 2);
  for (const [i, at] of offsets.entries()) {
    const from = b.subarray(at, at + lengths[i]);
    const to = data.subarray(2 + i * size, 2 + (i + 1) * size);
    if (packing === PLAIN) to.set(from.subarray(0, size));
    else if (packing === LZW) unLzw(from, to);
    else if (packing === PACKBITS) unPackBits(from, to);
    else if (packing === DEFLATE || packing === OLD_DEFLATE) unDeflate(from, to);
    else return null;
  }
  return { data, offsets: offsets.map((_, i) => 2 + i * size), lengths: offsets.map(() => size) };
}

/** Fills `to` and stops: what would come after is not unpacked. A stream of zlib has two bytes before its data. */
function unDeflate(from: Uint8Array, to: Uint8Array): void {
  let at = 0;
  const inflate = new Inflate((chunk) => {
    to.set(chunk.subarray(0, to.length - at), at);
    at = Math.min(to.length, at + chunk.length);
  });
  const STEP = 16_384;
  for (let i = 2; i < from.length && at < to.length; i += STEP)
    inflate.push(from.subarray(i, i + STEP), i + STEP >= from.length);
}

function unPackBits(from: Uint8Array, to: Uint8Array): void {
  for (let i = 0, at = 0; i < from.length && at < to.length;) {
    const n = from[i++];
    if (n < 128) {
      to.set(from.subarray(i, Math.min(i + n + 1, i + to.length - at)), at);
      i += n + 1;
      at += n + 1;
    } else if (n > 128) {
      to.fill(from[i++] ?? 0, at, at + 257 - n);
      at += 257 - n;
    }
  }
}

const [CLEAR, END] = [256, 257] as const;

/** LZW as TIFF 6.0 has it (section 13): highest bit first, codes grow one early. */
function unLzw(from: Uint8Array, to: Uint8Array): void {
  const before = new Uint16Array(4097);
  const last = new Uint8Array(4097);
  const length = new Uint16Array(4097);
  for (let i = 0; i < 256; i++) [last[i], length[i]] = [i, 1];
  let [next, bits, old, at] = [258, 9, -1, 0];
  let [held, count] = [0, 0];
  for (let i = 0; at < to.length;) {
    while (count < bits && i < from.length) {
      held = ((held << 8) | from[i++]) & 0xffffff;
      count += 8;
    }
    if (count < bits) return;
    const code = (held >> (count - bits)) & ((1 << bits) - 1);
    count -= bits;
    if (code === END) return;
    if (code === CLEAR) {
      [next, bits, old] = [258, 9, -1];
      continue;
    }
    if (code > next || (code === next && old < 0)) return;
    if (old >= 0 && next <= 4096) {
      // A code that is about to be made is the last one with its own first byte behind it.
      let first = code === next ? old : code;
      while (length[first] > 1) first = before[first];
      before[next] = old;
      last[next] = last[first];
      length[next] = length[old] + 1;
      next++;
    }
    for (let c = code, n = length[code], p = at + n - 1; n > 0; n--, p--, c = before[c])
      if (p < to.length) to[p] = last[c];
    at += length[code];
    old = code;
    if (next >= (1 << bits) - 1 && bits < 12) bits++;
  }
}

/** True where each JPEG within a file is no larger than its piece: its decoder makes room for what it says of itself. */
function jpegsFit(b: Uint8Array, { width, height, offsets, lengths }: Pieces): boolean {
  return offsets.every((from, i) => {
    const to = Math.min(b.length, from + lengths[i]);
    for (let at = from + 2; at + 9 < to && b[at] === 0xff;) {
      const mark = b[at + 1];
      if (mark >= 0xc0 && mark <= 0xcf && mark !== 0xc4 && mark !== 0xc8 && mark !== 0xcc) {
        const [h, w] = [b[at + 5] * 256 + b[at + 6], b[at + 7] * 256 + b[at + 8]];
        return w <= width + 16 && h <= height + 16 && b[at + 9] <= 4;
      }
      at += 2 + b[at + 2] * 256 + b[at + 3];
    }
    return false;
  });
}

/** What the package reads of a picture: lists of values by tag. */
function pageOf(
  f: TiffFields,
  { width, height, tiled }: Pieces,
  offsets: readonly number[],
  lengths: readonly number[],
  packing: number,
) {
  const page: Record<string, unknown> = {
    t256: [f.number(TAG.width, 0)],
    t257: [f.number(TAG.height, 0)],
    t259: [packing],
  };
  // Few values are meaningful; a palette has three for each of its colours.
  for (const tag of [
    TAG.bits,
    TAG.photometric,
    TAG.fillOrder,
    TAG.samples,
    TAG.planar,
    TAG.predictor,
    TAG.palette,
    TAG.extraSamples,
    TAG.sampleFormat,
  ]) {
    const values = f.numbers(tag, 3 * 65_536);
    if (values.length > 0) page[`t${tag}`] = values;
  }
  const tables = f.bytes(TAG.jpegTables);
  if (tables) page[`t${TAG.jpegTables}`] = tables;
  if (tiled) Object.assign(page, { t322: [width], t323: [height], t324: [...offsets], t325: [...lengths] });
  else Object.assign(page, { t278: [height], t273: [...offsets], t279: [...lengths] });
  return page as { width: number; height: number };
}
