import { type Raster, raster } from '@yosomi/core/pixels';

/** Painted moments of a film on disk, so that a long one takes no memory; in memory where the browser has no such disk. */
export type MomentFile = {
  put(moment: number, pixels: Raster): void;
  get(moment: number): Promise<Raster>;
  end(): void;
};

const PREFIX = 'film-';
/** Without a disk no more than this is kept, bytes. */
const MOST_KEPT = 500 * 1024 * 1024;

/** What only workers have of a file. */
type WorkerFile = FileSystemFileHandle & {
  createSyncAccessHandle(): Promise<{
    read(into: BufferSource, at: { readonly at: number }): number;
    write(from: BufferSource, at: { readonly at: number }): number;
    close(): void;
  }>;
};

/** Opens the file; what a film that was broken off has left is removed. Only for workers. */
export async function momentFile(widthPx: number, heightPx: number): Promise<MomentFile> {
  const size = widthPx * heightPx * 4;
  const folder = await navigator.storage?.getDirectory?.().catch(() => null);
  if (!folder) return inMemory(size);
  for await (const name of (folder as unknown as { keys(): AsyncIterable<string> }).keys()) {
    // One that is being written is locked and stays.
    if (name.startsWith(PREFIX)) await folder.removeEntry(name).catch(() => {});
  }
  const name = `${PREFIX}${crypto.randomUUID()}`;
  const file = await folder.getFileHandle(name, { create: true });
  const disk = await (file as WorkerFile).createSyncAccessHandle().catch(() => null);
  if (!disk) return inMemory(size);
  return {
    put(moment, { data }) {
      const written = disk.write(data, { at: moment * size });
      if (written < size) throw new DOMException('no room for the film', 'QuotaExceededError');
    },
    async get(moment) {
      const data = new Uint8ClampedArray(size);
      disk.read(data, { at: moment * size });
      return raster(widthPx, heightPx, data);
    },
    end() {
      disk.close();
      void folder.removeEntry(name).catch(() => {});
    },
  };
}

function inMemory(size: number): MomentFile {
  const kept = new Map<number, Raster>();
  return {
    put(moment, pixels) {
      if ((kept.size + 1) * size > MOST_KEPT) throw new DOMException('no room for the film', 'QuotaExceededError');
      kept.set(moment, pixels);
    },
    get: async (moment) => kept.get(moment)!,
    end: () => kept.clear(),
  };
}
