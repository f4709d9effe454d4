import { type Finding, type Result, fail, ok } from '@yosomi/core/base';
import { checkEpub } from '@yosomi/core/ebook';
import { type ImageInfo, profileName } from '@yosomi/core/image-file';
import { raster } from '@yosomi/core/pixels';
import { type Profile, checkImage, checkPixels, graveFirst } from '@yosomi/core/stores';
import sharp, { type Metadata } from 'sharp';

/** Most pixels that a stand-in store unpacks: a side of 10,000 each way. */
const MOST_PIXELS = 100_000_000;
/** Most pixels of a side: a picture one pixel high can be as large in memory as a square one. */
const MOST_SIDE = 20_000;
const DECODE_SECONDS = 20;

const FORMATS: Readonly<Record<string, ImageInfo['format']>> = {
  jpeg: 'jpeg',
  png: 'png',
  webp: 'webp',
  tiff: 'tiff',
  heif: 'avif',
};
const DEPTHS: Readonly<Record<string, number>> = {
  uchar: 8,
  char: 8,
  ushort: 16,
  short: 16,
  uint: 32,
  int: 32,
  float: 32,
  double: 64,
};

/** What the store's own decoder says of a file, in the terms of the rules. */
function infoOf(m: Metadata, bytes: Buffer): ImageInfo | null {
  const format = FORMATS[m.format ?? ''];
  if (!format || !m.width || !m.height) return null;
  // A PNG's own mark of sRGB is no embedded file; the decoder does not tell of it.
  const marked = format === 'png' && bytes.includes('sRGB');
  return {
    format,
    widthPx: m.width,
    heightPx: m.height,
    orientation: m.orientation ?? 1,
    bitDepth: DEPTHS[m.depth ?? ''] ?? 0,
    colour: m.space === 'cmyk' ? 'cmyk' : m.space === 'b-w' || m.space === 'grey16' ? 'grey' : 'rgb',
    alpha: m.hasAlpha ?? false,
    ppi: m.density ?? null,
    profile: m.icc ? profileName(new Uint8Array(m.icc)) : marked || format === 'avif' ? 'sRGB' : null,
    progressive: m.isProgressive ?? false,
    animated: (m.pages ?? 1) > 1,
    metadata: [...(m.exif ? ['Exif'] : []), ...(m.xmp ? ['XMP'] : []), ...(m.iptc ? ['IPTC'] : [])],
  };
}

/** Judges an upload by a store's profile: an image by what another decoder than ours reads, an EPUB by how it holds its cover. Fault: `intake-unreadable`. */
export async function judge(bytes: Buffer, profile: Profile): Promise<Result<Finding[]>> {
  if (bytes.length === 0) return fail('intake-unreadable');
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) {
    return ok(await checkEpub(new Blob([new Uint8Array(bytes)]), profile.epubPixels ?? undefined));
  }
  try {
    const open = () =>
      sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).timeout({ seconds: DECODE_SECONDS });
    // What a file says of its size is looked at before a pixel is unpacked.
    const info = infoOf(await open().metadata(), bytes);
    if (!info || Math.max(info.widthPx, info.heightPx) > MOST_SIDE) return fail('intake-unreadable');
    if (info.widthPx * info.heightPx > MOST_PIXELS) return fail('intake-unreadable');
    const findings = checkImage(info, bytes.length, profile);
    const { data, info: size } = await open()
      .toColourspace('srgb')
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const pixels = raster(
      size.width,
      size.height,
      new Uint8ClampedArray(data.buffer as ArrayBuffer, data.byteOffset, data.length),
    );
    return ok(graveFirst([...findings, ...checkPixels(pixels, profile)]));
  } catch {
    return fail('intake-unreadable');
  }
}
