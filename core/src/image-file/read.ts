import { type Result, fail, never, ok } from '../base';
import { ascii } from './bytes';
import { readAvif } from './avif';
import { LEAST_SIDE, MOST_BYTES, MOST_DELIVERED, MOST_PIXELS, type ImageInfo, type PictureFormat } from './info';
import { readJpeg, stripJpeg } from './jpeg';
import { readPng, stripPng } from './png';
import { readTiff } from './tiff';
import { readWebp, stripWebp } from './webp';

/** What a file is by its first bytes; a plain name for the sentence where it is no picture that is read here. */
export function formatOf(b: Uint8Array): PictureFormat | { readonly other: string } {
  if (b[0] === 0xff && b[1] === 0xd8 && b[2] === 0xff) return 'jpeg';
  if (ascii(b, 0, 8) === '\x89PNG\r\n\x1a\n') return 'png';
  if (ascii(b, 0, 4) === 'RIFF' && ascii(b, 8, 4) === 'WEBP') return 'webp';
  const head = ascii(b, 0, 1024);
  if (head.startsWith('GIF8')) return { other: 'a GIF' };
  if (head.startsWith('%PDF')) return { other: 'a PDF' };
  if (head.startsWith('II*\0') || head.startsWith('MM\0*')) return { other: 'a TIFF' };
  if (head.startsWith('BM')) return { other: 'a BMP' };
  if (head.slice(4, 8) === 'ftyp') return { other: /avi[fs]/.test(head.slice(8, 32)) ? 'an AVIF' : 'an HEIC or video' };
  if (head.startsWith('PK\x03\x04')) return { other: 'a zip' };
  if (/<svg[\s>]/i.test(ascii(b, 0, 20_000))) return { other: 'an SVG' };
  if (/<!doctype html|<html/i.test(head)) return { other: 'a web page' };
  return { other: 'no picture' };
}

/**
 * Reads and bounds a picture file before anything is decoded. Faults: `file-empty`, `file-large`, `svg-script`,
 * `image-format`, `image-truncated`, `image-damaged`, `image-large`, `image-small`.
 */
export function readImage(b: Uint8Array, mostPixels = MOST_PIXELS): Result<ImageInfo<PictureFormat>> {
  const tooLarge = unfit(b);
  if (tooLarge) return tooLarge;
  const format = formatOf(b);
  if (typeof format === 'object') {
    if (format.other === 'an SVG' && hasScript(b)) return fail('svg-script');
    return fail('image-format', { found: format.other });
  }
  const read: Result<ImageInfo<PictureFormat>> =
    format === 'jpeg' ? readJpeg(b) : format === 'png' ? readPng(b) : readWebp(b);
  return read.ok ? bounded(read.value, mostPixels) : read;
}

/** The same for any image that a store may be sent: AVIF and TIFF too, with sides up to 10,000 px. */
export function readDelivered(b: Uint8Array): Result<ImageInfo> {
  const format = formatOf(b);
  const other = typeof format === 'object' ? format.other : null;
  if (other !== 'an AVIF' && other !== 'a TIFF') return readImage(b, MOST_DELIVERED);
  const tooLarge = unfit(b);
  if (tooLarge) return tooLarge;
  const read: Result<ImageInfo> = other === 'an AVIF' ? readAvif(b) : readTiff(b);
  return read.ok ? bounded(read.value, MOST_DELIVERED) : read;
}

function unfit(b: Uint8Array): ReturnType<typeof fail> | null {
  if (b.length === 0) return fail('file-empty');
  if (b.length <= MOST_BYTES) return null;
  return fail('file-large', { mb: Math.round(b.length / 1048576), most: MOST_BYTES / 1048576 });
}

function bounded<I extends ImageInfo>(info: I, mostPixels: number): Result<I> {
  const { widthPx, heightPx } = info;
  if (widthPx * heightPx > mostPixels) return fail('image-large', { widthPx, heightPx, most: mostPixels / 1e6 });
  if (Math.min(widthPx, heightPx) < LEAST_SIDE) return fail('image-small', { widthPx, heightPx, least: LEAST_SIDE });
  return ok(info);
}

const hasScript = (b: Uint8Array): boolean =>
  /<script|\son\w+\s*=|javascript:/i.test(new TextDecoder().decode(b.subarray(0, 2_000_000)));

/** The same picture without Exif (so without GPS), XMP, comments and text; its orientation is in `ImageInfo`. */
export function stripMetadata(b: Uint8Array, info: ImageInfo<PictureFormat>): Uint8Array<ArrayBuffer> {
  switch (info.format) {
    case 'jpeg':
      return stripJpeg(b);
    case 'png':
      return stripPng(b);
    case 'webp':
      return stripWebp(b);
    default:
      return never(info.format);
  }
}
