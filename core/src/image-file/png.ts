import { unzlibSync, zlibSync } from 'fflate';
import { type Result, fail, ok } from '../base';
import { type Raster, hasTransparency } from '../pixels';
import { ascii, bytesOf, concat, put32, u32 } from './bytes';
import { orientationOf } from './exif';
import { profileName, srgbProfile } from './icc';
import type { ImageInfo } from './info';

const SIGNATURE = Uint8Array.of(137, 80, 78, 71, 13, 10, 26, 10);

const CRC = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c;
});

function crc32(b: Uint8Array): number {
  let c = ~0;
  for (let i = 0; i < b.length; i++) c = CRC[(c ^ b[i]) & 255] ^ (c >>> 8);
  return ~c >>> 0;
}

type Chunk = { readonly name: string; readonly from: number; readonly data: Uint8Array; readonly to: number };

function chunks(b: Uint8Array): Result<Chunk[]> {
  const list: Chunk[] = [];
  for (let at = 8; at + 12 <= b.length;) {
    const length = u32(b, at);
    const to = at + 12 + length;
    if (to > b.length) return fail('image-truncated', { format: 'PNG' });
    if (crc32(b.subarray(at + 4, to - 4)) !== u32(b, to - 4)) return fail('image-damaged', { format: 'PNG' });
    const name = ascii(b, at + 4, 4);
    list.push({ name, from: at, data: b.subarray(at + 8, to - 4), to });
    if (name === 'IEND') return ok(list);
    at = to;
  }
  return fail('image-truncated', { format: 'PNG' });
}

const TEXT = new Set(['tEXt', 'zTXt', 'iTXt', 'tIME']);

/** Faults: `image-truncated`, `image-damaged`. */
export function readPng(b: Uint8Array): Result<ImageInfo<'png'>> {
  const found = chunks(b);
  if (!found.ok) return found;
  const list = found.value;
  const head = list[0];
  if (head?.name !== 'IHDR' || head.data.length !== 13) return fail('image-damaged', { format: 'PNG' });
  const get = (name: string): Uint8Array | undefined => list.find((c) => c.name === name)?.data;
  const type = head.data[9];
  const physical = get('pHYs');
  const icc = get('iCCP');
  const exif = get('eXIf');
  return ok({
    format: 'png',
    widthPx: u32(head.data, 0),
    heightPx: u32(head.data, 4),
    orientation: exif ? orientationOf(exif) : 1,
    bitDepth: head.data[8],
    colour: type === 3 ? 'indexed' : (type & 2) === 0 ? 'grey' : 'rgb',
    alpha: (type & 4) !== 0 || get('tRNS') !== undefined,
    ppi: physical && physical[8] === 1 ? Math.round(u32(physical, 0) * 0.0254) : null,
    profile: get('sRGB') ? 'sRGB' : icc ? iccName(icc) : null,
    progressive: head.data[12] === 1,
    animated: get('acTL') !== undefined,
    metadata: [...new Set(list.filter((c) => TEXT.has(c.name)).map(() => 'text')), ...(exif ? ['Exif'] : [])],
  });
}

function iccName(chunk: Uint8Array): string {
  const nul = chunk.indexOf(0);
  try {
    return profileName(unzlibSync(chunk.subarray(nul + 2), { out: new Uint8Array(4_000_000) }));
  } catch {
    return 'unnamed';
  }
}

/** The file without text, time and Exif chunks. */
export function stripPng(b: Uint8Array): Uint8Array<ArrayBuffer> {
  const found = chunks(b);
  if (!found.ok) throw new Error('not a PNG that was read before');
  const kept = found.value.filter((c) => !TEXT.has(c.name) && c.name !== 'eXIf');
  return concat([SIGNATURE, ...kept.map((c) => b.subarray(c.from, c.to))]);
}

function chunk(name: string, data: Uint8Array): Uint8Array {
  const out = new Uint8Array(12 + data.length);
  put32(out, 0, data.length);
  out.set(bytesOf(name), 4);
  out.set(data, 8);
  put32(out, 8 + data.length, crc32(out.subarray(4, 8 + data.length)));
  return out;
}

/**
 * Encodes losslessly: RGB where the picture is opaque, else RGBA; the filter of each row is the one with the
 * smallest sum of absolute differences (PNG standard, 12.7). Carries density and the sRGB profile, nothing else.
 */
export function writePng(source: Raster, ppi: number): Uint8Array<ArrayBuffer> {
  const { width, height } = source;
  const channels = hasTransparency(source) ? 4 : 3;
  const stride = width * channels;
  const rows = new Uint8Array((stride + 1) * height);
  let above: Uint8Array = new Uint8Array(stride);
  const tries = [1, 2, 4].map((kind) => ({ kind, row: new Uint8Array(stride) }));
  for (let y = 0; y < height; y++) {
    const row = channels === 4 ? sliceRow(source, y) : packRow(source, y);
    let best = tries[0];
    let least = Infinity;
    for (const option of tries) {
      const sum = filterRow(option.kind, row, above, channels, option.row);
      if (sum < least) [best, least] = [option, sum];
    }
    rows[y * (stride + 1)] = best.kind;
    rows.set(best.row, y * (stride + 1) + 1);
    above = row;
  }
  const head = new Uint8Array(13);
  put32(head, 0, width);
  put32(head, 4, height);
  head[8] = 8;
  head[9] = channels === 4 ? 6 : 2;
  return concat([
    SIGNATURE,
    chunk('IHDR', head),
    ...dress(ppi),
    chunk('IDAT', zlibSync(rows, { level: 6 })),
    chunk('IEND', new Uint8Array(0)),
  ]);
}

/** The chunks that say colours and density. */
function dress(ppi: number): Uint8Array[] {
  const physical = new Uint8Array(9);
  put32(physical, 0, Math.round(ppi / 0.0254));
  put32(physical, 4, Math.round(ppi / 0.0254));
  physical[8] = 1;
  const profile = concat([bytesOf('sRGB\0\0'), zlibSync(srgbProfile(), { level: 9 })]);
  return [chunk('iCCP', profile), chunk('pHYs', physical)];
}

const PICTURE = new Set(['PLTE', 'tRNS', 'IDAT', 'IEND']);

/** A PNG with exactly this density and the sRGB profile; its coded picture is not touched. */
export function dressPng(b: Uint8Array, ppi: number): Uint8Array<ArrayBuffer> {
  const found = chunks(b);
  if (!found.ok) throw new Error('not a PNG that was made before');
  const [head, ...rest] = found.value;
  const kept = rest.filter((c) => PICTURE.has(c.name)).map((c) => b.subarray(c.from, c.to));
  return concat([SIGNATURE, b.subarray(head.from, head.to), ...dress(ppi), ...kept]);
}

function sliceRow({ data, width }: Raster, y: number): Uint8Array {
  return new Uint8Array(data.buffer, data.byteOffset + y * width * 4, width * 4);
}

function packRow({ data, width }: Raster, y: number): Uint8Array {
  const row = new Uint8Array(width * 3);
  for (let x = 0, p = y * width * 4, o = 0; x < width; x++, p += 4, o += 3) {
    row[o] = data[p];
    row[o + 1] = data[p + 1];
    row[o + 2] = data[p + 2];
  }
  return row;
}

/** Writes a filtered row and returns the sum of its bytes' distances from zero. */
function filterRow(kind: number, row: Uint8Array, above: Uint8Array, step: number, out: Uint8Array): number {
  let sum = 0;
  for (let i = 0; i < row.length; i++) {
    const left = i >= step ? row[i - step] : 0;
    let guess = left;
    if (kind === 2) guess = above[i];
    else if (kind === 4) {
      const up = above[i];
      const corner = i >= step ? above[i - step] : 0;
      const pa = Math.abs(up - corner);
      const pb = Math.abs(left - corner);
      const pc = Math.abs(left + up - 2 * corner);
      guess = pa <= pb && pa <= pc ? left : pb <= pc ? up : corner;
    }
    const v = (row[i] - guess) & 255;
    out[i] = v;
    sum += v < 128 ? v : 256 - v;
  }
  return sum;
}
