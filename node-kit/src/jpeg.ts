import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { flatten, type Raster } from '@yosomi/core/pixels';

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

/** MozJPEG at a quality 1..100, 4:4:4, over white where the picture is transparent. Undressed: no density, no profile. */
export async function encodeJpeg(
  source: Raster,
  quality: number,
  progressive: boolean,
): Promise<Uint8Array<ArrayBuffer>> {
  encoder ??= load();
  const encode = await encoder;
  const opaque = flatten(source, [255, 255, 255]);
  const bytes = await encode(
    { data: opaque.data, width: opaque.width, height: opaque.height },
    { quality, progressive, baseline: !progressive, auto_subsample: false, chroma_subsample: 1 },
  );
  return new Uint8Array(bytes);
}
