import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { PNG_LEVEL, frameOptions, modernOptions } from '@yosomi/core/image-file';
import type { Raster } from '@yosomi/core/pixels';

const wasm = (path: string): Promise<WebAssembly.Module> =>
  WebAssembly.compile(readFileSync(createRequire(import.meta.url).resolve(path)));

type Picture = { data: Uint8ClampedArray; width: number; height: number };
type Encode = (picture: Picture, options: object) => Promise<ArrayBuffer>;
type Init = (module: WebAssembly.Module) => Promise<unknown>;

async function loadModern(format: 'webp' | 'avif'): Promise<Encode> {
  const path = format === 'webp' ? 'webp/codec/enc/webp_enc_simd.wasm' : 'avif/codec/enc/avif_enc.wasm';
  const { default: encode, init } =
    format === 'webp' ? await import('@jsquash/webp/encode.js') : await import('@jsquash/avif/encode.js');
  await (init as unknown as Init)(await wasm(`@jsquash/${path}`));
  return encode as unknown as Encode;
}

const modern: Partial<Record<'webp' | 'avif', Promise<Encode>>> = {};

async function encoded(source: Raster, format: 'webp' | 'avif', options: object): Promise<Uint8Array<ArrayBuffer>> {
  const encode = await (modern[format] ??= loadModern(format));
  const picture = { data: source.data, width: source.width, height: source.height };
  return new Uint8Array(await encode(picture, options));
}

type Bytes = Promise<Uint8Array<ArrayBuffer>>;
export const encodeModern = (source: Raster, format: 'webp' | 'avif', quality: number): Bytes =>
  encoded(source, format, modernOptions(format, quality));

/** One frame of many, WebP. */
export const encodeFrame = (source: Raster, quality: number): Bytes => encoded(source, 'webp', frameOptions(quality));

let oxipng: Promise<(png: Uint8Array, level: number) => Uint8Array> | null = null;

async function loadOxipng(): Promise<(png: Uint8Array, level: number) => Uint8Array> {
  const { initSync, optimise } = await import('@jsquash/oxipng/codec/pkg/squoosh_oxipng.js');
  initSync(await wasm('@jsquash/oxipng/codec/pkg/squoosh_oxipng_bg.wasm'));
  return (png, level) => optimise(png, level, false, false);
}

export async function smallerPng(png: Uint8Array<ArrayBuffer>): Promise<Uint8Array<ArrayBuffer>> {
  const optimise = await (oxipng ??= loadOxipng());
  return new Uint8Array(optimise(png, PNG_LEVEL));
}
