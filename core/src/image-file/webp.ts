import { type Result, fail, ok } from '../base';
import { ascii, bytesOf, concat, u16le, u24le, u32le } from './bytes';
import { orientationOf } from './exif';
import { profileName, srgbProfile } from './icc';
import type { ImageInfo } from './info';

type Chunk = { readonly name: string; readonly from: number; readonly data: Uint8Array; readonly to: number };

/** The chunks of a WebP file; null where it ends too early. */
export function webpChunks(b: Uint8Array): Chunk[] | null {
  const end = 8 + u32le(b, 4);
  if (end > b.length) return null;
  const list: Chunk[] = [];
  for (let at = 12; at + 8 <= end;) {
    const length = u32le(b, at + 4);
    const to = at + 8 + length + (length & 1);
    if (at + 8 + length > end) return null;
    list.push({ name: ascii(b, at, 4), from: at, data: b.subarray(at + 8, at + 8 + length), to: Math.min(to, end) });
    at = to;
  }
  return list;
}

/** Faults: `image-truncated`, `image-damaged`. An animation is read as its first picture. */
export function readWebp(b: Uint8Array): Result<ImageInfo<'webp'>> {
  const list = webpChunks(b);
  if (!list) return fail('image-truncated', { format: 'WebP' });
  const get = (name: string): Uint8Array | undefined => list.find((c) => c.name === name)?.data;
  const extended = get('VP8X');
  const lossy = get('VP8 ');
  const lossless = get('VP8L');
  let size: [number, number];
  let alpha = false;
  if (extended && extended.length >= 10) {
    size = [u24le(extended, 4) + 1, u24le(extended, 7) + 1];
    alpha = (extended[0] & 0x10) !== 0;
  } else if (lossy && lossy.length >= 10) size = [u16le(lossy, 6) & 0x3fff, u16le(lossy, 8) & 0x3fff];
  else if (lossless && lossless.length >= 5) {
    const bits = u32le(lossless, 1);
    size = [(bits & 0x3fff) + 1, ((bits >>> 14) & 0x3fff) + 1];
    alpha = ((bits >>> 28) & 1) === 1;
  } else return fail('image-damaged', { format: 'WebP' });
  const exif = get('EXIF');
  const icc = get('ICCP');
  return ok({
    format: 'webp',
    widthPx: size[0],
    heightPx: size[1],
    orientation: exif ? orientationOf(ascii(exif, 0, 4) === 'Exif' ? exif.subarray(6) : exif) : 1,
    bitDepth: 8,
    colour: 'rgb',
    alpha,
    ppi: null,
    profile: icc ? profileName(icc) : null,
    progressive: false,
    animated: get('ANIM') !== undefined,
    metadata: [...(exif ? ['Exif'] : []), ...(get('XMP ') ? ['XMP'] : [])],
  });
}

/** The file without its Exif and XMP chunks and the flags that announce them. */
export function stripWebp(b: Uint8Array): Uint8Array<ArrayBuffer> {
  const list = webpChunks(b);
  if (!list) throw new Error('not a WebP that was read before');
  const kept = list.filter((c) => c.name !== 'EXIF' && c.name !== 'XMP ');
  const out = concat([b.subarray(0, 12), ...kept.map((c) => b.subarray(c.from, c.to))]);
  new DataView(out.buffer).setUint32(4, out.length - 8, true);
  if (ascii(out, 12, 4) === 'VP8X') out[20] &= ~0x0c;
  return out;
}

const le = (value: number, bytes: number): Uint8Array =>
  Uint8Array.from({ length: bytes }, (_, i) => Math.floor(value / 256 ** i) & 255);

/** One chunk with its name, length and padding. */
export function webpChunk(name: string, data: Uint8Array): Uint8Array {
  return concat([bytesOf(name), le(data.length, 4), data, new Uint8Array(data.length & 1)]);
}

/** A still WebP with the sRGB profile and nothing else; its coded picture is not touched. The format holds no density. */
export function dressWebp(b: Uint8Array): Uint8Array<ArrayBuffer> {
  const read = readWebp(b);
  const list = webpChunks(b);
  if (!read.ok || !list) throw new Error('not a WebP that was made before');
  const { widthPx, heightPx, alpha } = read.value;
  const flags = Uint8Array.of(0x20 | (alpha ? 0x10 : 0), 0, 0, 0);
  const extended = concat([flags, le(widthPx - 1, 3), le(heightPx - 1, 3)]);
  const coded = list.filter((c) => ['ALPH', 'VP8 ', 'VP8L'].includes(c.name)).map((c) => webpChunk(c.name, c.data));
  const body = concat([bytesOf('WEBP'), webpChunk('VP8X', extended), webpChunk('ICCP', srgbProfile()), ...coded]);
  return concat([bytesOf('RIFF'), le(body.length, 4), body]);
}
