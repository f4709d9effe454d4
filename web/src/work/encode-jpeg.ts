import { type Chroma, jpegByStrips } from '@yosomi/core/image-file';
import type { Raster } from '@yosomi/core/pixels';
import { type Remote, transfer } from 'comlink';
import { supervised } from './own-worker';
import type { JpegApi } from './jpeg.worker';

const coders: Remote<JpegApi>[] = [];

/** Coders, no more than cores and strips, started when first needed. */
function coder(index: number): Remote<JpegApi> {
  const most = Math.min(4, Math.max(1, navigator.hardwareConcurrency || 2));
  return (coders[index % most] ??= supervised<JpegApi>(
    () => new Worker(new URL('./jpeg.worker.ts', import.meta.url), { type: 'module' }),
  ));
}

/** MozJPEG, strips of a picture at the same time. */
export const encodeJpeg = (
  source: Raster,
  quality: number,
  progressive: boolean,
  chroma?: Chroma,
): Promise<Uint8Array<ArrayBuffer>> =>
  jpegByStrips(
    source,
    quality,
    progressive,
    ({ data, width, height }, options, i) => coder(i).code(transfer(data, [data.buffer]), width, height, options),
    chroma,
  );
