import encode from '@jsquash/jpeg/encode.js';
import type { jpegOptions } from '@yosomi/core/image-file';
import { expose, transfer } from 'comlink';

/** Codes one strip of a JPEG. */
const api = {
  async code(
    data: Uint8ClampedArray<ArrayBuffer>,
    width: number,
    height: number,
    options: ReturnType<typeof jpegOptions>,
  ): Promise<Uint8Array<ArrayBuffer>> {
    const bytes = new Uint8Array((await encode(new ImageData(data, width, height), options)) as ArrayBuffer);
    return transfer(bytes, [bytes.buffer]);
  },
};

export type JpegApi = typeof api;
expose(api);
