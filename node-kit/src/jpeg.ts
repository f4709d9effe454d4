import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { joinJpegStrips, jpegOptions, jpegStripRows } from '@yosomi/core/image-file';
import { type Raster, flatten, raster } from '@yosomi/core/pixels';

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

/**
 * MozJPEG at a quality 1..100, 4:4:4, over white where the picture is transparent; the bytes are those that the browser
 * makes. Undressed: no density, no profile.
 */
export async function encodeJpeg(
  source: Raster,
  quality: number,
  progressive: boolean,
): Promise<Uint8Array<ArrayBuffer>> {
  const { data, width, height } = flatten(source, [255, 255, 255]);
  const rows = progressive ? [height] : jpegStripRows(width, height);
  const options = jpegOptions(quality, progressive);
  const strips: Uint8Array[] = [];
  let from = 0;
  for (const height of rows) {
    const strip = raster(width, height, data.subarray(from, from + height * width * 4));
    strips.push(await encodeStrip(strip, options));
    from += height * width * 4;
  }
  return joinJpegStrips(strips);
}
