import { type Result, fail, ok } from '../base';
import {
  type Chroma,
  dressAvif,
  dressJpeg,
  dressPng,
  dressWebp,
  readPng,
  srgbProfile,
  writePng,
  writeTiff,
} from '../image-file';
import { type Raster, flatten, likeness } from '../pixels';
import { type StoreFormat, fitQuality } from '../stores';
import type { Studio } from './studio';

/** What a file must keep to. */
export type Limits = { readonly mostBytes: number; readonly ppi: number; readonly progressive?: boolean };

/** A finished image file and how near it is to the picture it was made from. */
export type Encoded = {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly format: StoreFormat;
  /** Null where nothing was lost. */
  readonly quality: number | null;
  readonly chroma: Chroma | null;
  /** Likeness to the lossless picture, 1 for equal; see `likeness`. */
  readonly likeness: number;
  readonly encodes: number;
};

type Lossy = { readonly bytes: Uint8Array<ArrayBuffer>; readonly quality: number; readonly encodes: number };

/** A picture in a format, as good as the bytes allow: sRGB profile and density where the format holds them, nothing else. Faults: `budget-too-small`. */
export async function encodeWithin(
  picture: Raster,
  format: StoreFormat,
  limits: Limits,
  studio: Studio,
): Promise<Result<Encoded>> {
  const { mostBytes, ppi } = limits;
  const opaque = format === 'jpeg' ? flatten(picture, [255, 255, 255]) : picture;
  switch (format) {
    case 'jpeg':
      return jpegWithin(opaque, limits, studio);
    case 'webp':
    case 'avif': {
      const dress = (b: Uint8Array<ArrayBuffer>): Uint8Array<ArrayBuffer> =>
        format === 'webp' ? dressWebp(b) : dressAvif(b);
      const code = async (q: number): Promise<Uint8Array<ArrayBuffer>> =>
        dress(await studio.encodeModern(opaque, format, q));
      const fitted = await fitQuality(code, mostBytes, MODERN_QUALITY[format]);
      return fitted.ok ? measured(opaque, format, fitted.value, null, studio) : fitted;
    }
    case 'png': {
      const bytes = await pngSmall(opaque, ppi, studio);
      return lossless(format, bytes, mostBytes);
    }
    case 'tiff':
      return lossless(format, writeTiff(opaque, ppi), mostBytes);
  }
}

/** Above these the eye sees no more, and bytes grow fast; the scales of the formats differ. */
const MODERN_QUALITY = { webp: 92, avif: 80 } as const;

function lossless(format: StoreFormat, bytes: Uint8Array<ArrayBuffer>, mostBytes: number): Result<Encoded> {
  if (bytes.length > mostBytes) return fail('budget-too-small', { most: mostBytes });
  return ok({ bytes, format, quality: null, chroma: null, likeness: 1, encodes: 1 });
}

/** Made smaller by trying other filters; kept as it was where its colours would be held as greys or in a table. */
export async function pngSmall(picture: Raster, ppi: number, studio: Studio): Promise<Uint8Array<ArrayBuffer>> {
  const plain = writePng(picture, ppi);
  const smaller = dressPng(await studio.smallerPng(plain), ppi);
  const read = readPng(smaller);
  const same = read.ok && read.value.colour === 'rgb' && read.value.bitDepth === 8;
  return same && smaller.length < plain.length ? smaller : plain;
}

/** Below this quality colours sampled at every second pixel may be the better use of the bytes: both are tried and compared. */
const COMPARE_BELOW = 72;

async function jpegWithin(
  picture: Raster,
  { mostBytes, ppi, progressive = false }: Limits,
  studio: Studio,
): Promise<Result<Encoded>> {
  const code =
    (chroma: Chroma) =>
    async (quality: number): Promise<Uint8Array<ArrayBuffer>> =>
      dressJpeg(await studio.encodeJpeg(picture, quality, progressive, chroma), ppi, srgbProfile());
  const full = await fitQuality(code('4:4:4'), mostBytes);
  if (full.ok && full.value.quality >= COMPARE_BELOW) return measured(picture, 'jpeg', full.value, '4:4:4', studio);
  const half = await fitQuality(code('4:2:0'), mostBytes);
  if (!half.ok) return full.ok ? measured(picture, 'jpeg', full.value, '4:4:4', studio) : full;
  const two = await measured(picture, 'jpeg', half.value, '4:2:0', studio);
  if (!full.ok) return two;
  const one = await measured(picture, 'jpeg', full.value, '4:4:4', studio);
  return one.ok && two.ok && two.value.likeness > one.value.likeness + 0.002 ? two : one;
}

async function measured(
  picture: Raster,
  format: StoreFormat,
  { bytes, quality, encodes }: Lossy,
  chroma: Chroma | null,
  studio: Studio,
): Promise<Result<Encoded>> {
  const back = await studio.decode(bytes);
  if (!back || back.width !== picture.width || back.height !== picture.height) return fail('work-failed');
  return ok({ bytes, format, quality, chroma, likeness: likeness(picture, back), encodes });
}
