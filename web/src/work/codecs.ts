import { PNG_LEVEL, frameOptions, modernOptions } from '@yosomi/core/image-file';
import type { Raster } from '@yosomi/core/pixels';

type Encode = (picture: ImageData, options: object) => Promise<ArrayBuffer>;

const modern: Partial<Record<'webp' | 'avif', Promise<Encode>>> = {};

/** Fetched when first needed: the codec of AVIF is large. */
const load = (format: 'webp' | 'avif'): Promise<Encode> =>
  (format === 'webp' ? import('@jsquash/webp/encode.js') : import('@jsquash/avif/encode.js')).then(
    (codec) => codec.default as unknown as Encode,
  );

async function encoded(source: Raster, format: 'webp' | 'avif', options: object): Promise<Uint8Array<ArrayBuffer>> {
  const encode = await (modern[format] ??= load(format));
  return new Uint8Array(await encode(new ImageData(source.data, source.width, source.height), options));
}

type Bytes = Promise<Uint8Array<ArrayBuffer>>;
export const encodeModern = (source: Raster, format: 'webp' | 'avif', quality: number): Bytes =>
  encoded(source, format, modernOptions(format, quality));

/** One frame of many, WebP. */
export const encodeFrame = (source: Raster, quality: number): Bytes => encoded(source, 'webp', frameOptions(quality));

let oxipng: Promise<(png: Uint8Array, level: number) => Uint8Array> | null = null;

async function loadOxipng(): Promise<(png: Uint8Array, level: number) => Uint8Array> {
  const { default: init, optimise } = await import('@jsquash/oxipng/codec/pkg/squoosh_oxipng.js');
  await init();
  return (png, level) => optimise(png, level, false, false);
}

export async function smallerPng(png: Uint8Array<ArrayBuffer>): Promise<Uint8Array<ArrayBuffer>> {
  const optimise = await (oxipng ??= loadOxipng());
  return new Uint8Array(optimise(png, PNG_LEVEL));
}
