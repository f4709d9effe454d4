import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { type Chroma, jpegByStrips, type jpegOptions } from '@yosomi/core/image-file';
import type { Raster } from '@yosomi/core/pixels';

type Encode = (
  image: { data: Uint8ClampedArray; width: number; height: number },
  options: object,
) => Promise<ArrayBuffer>;
let encoder: Promise<Encode> | null = null;

async function load(): Promise<Encode> {
  const path = createRequire(import.meta.url).resolve('@jsquash/jpeg/codec/enc/mozjpeg_enc.wasm');
  const { default: encode, init } = await import('@jsquash/jpeg/encode.js');
  const compiled = await WebAssembly.compile(readFileSync(path));
  await (init as (module: WebAssembly.Module) => Promise<void>)(compiled);
  return encode as unknown as Encode;
}

/** An opaque picture by MozJPEG, alone. */
export async function encodeStrip(
  source: Raster,
  options: ReturnType<typeof jpegOptions>,
): Promise<Uint8Array<ArrayBuffer>> {
  encoder ??= load();
  const encode = await encoder;
  return new Uint8Array(await encode({ data: source.data, width: source.width, height: source.height }, options));
}

/** MozJPEG; the bytes are those that the browser makes. Undressed: no density, no profile. */
export const encodeJpeg = (
  source: Raster,
  quality: number,
  progressive: boolean,
  chroma?: Chroma,
): Promise<Uint8Array<ArrayBuffer>> => jpegByStrips(source, quality, progressive, encodeStrip, chroma);
