import { type Piece, writeArchive } from '@yosomi/core/archive';
import { type Result, fail } from '@yosomi/core/base';
import { type RasterLayer, animatedWebp, openRaster } from '@yosomi/core/image-file';
import type { Raster } from '@yosomi/core/pixels';
import { bytesFor } from '../persist/bytes';
import { db } from '../persist/db';
import { encodeWebp } from './encode-webp';

/** What goes into a package. */
export type ZipEntry =
  | { readonly name: string; readonly bytes: Uint8Array }
  | { readonly name: string; readonly blob: Blob }
  | { readonly name: string; readonly row: string; readonly size: number };

/** Files of pictures that are made already. */
export const pictureFiles = {
  webp: (pixels: Raster): Promise<Uint8Array<ArrayBuffer> | null> => encodeWebp(pixels, 0.92),

  /** Still WebP files as one animation, over and over. */
  animation: (
    stills: readonly Uint8Array[],
    widthPx: number,
    heightPx: number,
    frameMs: number,
  ): Uint8Array<ArrayBuffer> => animatedWebp(stills, widthPx, heightPx, frameMs, true),

  /** Layers apart, in one OpenRaster file. */
  openRaster: (layers: readonly RasterLayer[], merged: Raster): Uint8Array<ArrayBuffer> => openRaster(layers, merged),

  /**
   * Files in one zip, as they are: texts and files that come along, and kept files by the id of their row, read one by one.
   * Fault: `package-missing`.
   */
  async zip(entries: readonly ZipEntry[], onProgress: ((done: number) => void) | null): Promise<Result<Blob>> {
    const pieces = entries.map((entry): Piece => {
      if ('bytes' in entry) return { kind: 'made', name: entry.name, bytes: entry.bytes, packed: true };
      if ('blob' in entry) {
        const { name, blob } = entry;
        return { kind: 'fetched', name, size: blob.size, read: async () => new Uint8Array(await blob.arrayBuffer()) };
      }
      const read = (): Promise<Uint8Array | null> => bytesFor('files', entry.row);
      return { kind: 'fetched', name: entry.name, size: entry.size, read };
    });
    for (const entry of entries) {
      if (!('row' in entry)) continue;
      const stored = await db.files
        .where('id')
        .equals(entry.row)
        .count()
        .catch(() => 0);
      if (stored === 0 && !(await bytesFor('files', entry.row))) return fail('package-missing', { name: entry.name });
    }
    return writeArchive(pieces, 'application/zip', { progress: onProgress ?? undefined });
  },
};
