import { closeSync, mkdtempSync, openSync, readSync, rmSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Raster, raster } from '@yosomi/core/pixels';

/** Painted moments of a film in a file of their own, so that a long one takes no memory; gone when it ends. */
export function momentFile(widthPx: number, heightPx: number) {
  const folder = mkdtempSync(join(tmpdir(), 'film-'));
  const file = openSync(join(folder, 'moments'), 'w+');
  const size = widthPx * heightPx * 4;
  return {
    put: async (moment: number, { data }: Raster): Promise<void> => void writeSync(file, data, 0, size, moment * size),
    async get(moment: number): Promise<Raster> {
      const data = new Uint8ClampedArray(size);
      readSync(file, data, 0, size, moment * size);
      return raster(widthPx, heightPx, data);
    },
    end(): void {
      closeSync(file);
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
