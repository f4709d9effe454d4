import { joinJpegStrips, jpegOptions, jpegStripRows } from '@yosomi/core/image-file';
import { type Raster, flatten } from '@yosomi/core/pixels';
import { type Remote, transfer, wrap } from 'comlink';
import type { JpegApi } from './jpeg.worker';

const coders: Remote<JpegApi>[] = [];

/** Coders, no more than cores and strips, started when first needed. */
function coder(index: number): Remote<JpegApi> {
  const most = Math.min(4, Math.max(1, navigator.hardwareConcurrency || 2));
  return (coders[index % most] ??= wrap<JpegApi>(
    new Worker(new URL('./jpeg.worker.ts', import.meta.url), { type: 'module' }),
  ));
}

/** MozJPEG at a quality 1..100, 4:4:4, over white where the picture is transparent; strips of it at the same time. */
export async function encodeJpeg(
  source: Raster,
  quality: number,
  progressive: boolean,
): Promise<Uint8Array<ArrayBuffer>> {
  const { data, width, height } = flatten(source, [255, 255, 255]);
  const rows = progressive ? [height] : jpegStripRows(width, height);
  const options = jpegOptions(quality, progressive);
  let from = 0;
  const strips = rows.map((height, i) => {
    const strip = data.slice(from, from + height * width * 4);
    from += height * width * 4;
    return coder(i).code(transfer(strip, [strip.buffer]), width, height, options);
  });
  return joinJpegStrips(await Promise.all(strips));
}
