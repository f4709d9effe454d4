import { ownWorker } from './own-worker';
import type { UnpackerApi } from './unpack-font.worker';

const MOST_MS = 10_000;

/** The font inside a WOFF2 file; null where it is damaged or takes too long. */
export async function unpackFont(bytes: Uint8Array<ArrayBuffer>): Promise<Uint8Array<ArrayBuffer> | null> {
  const { api, ask, end } = ownWorker<UnpackerApi>(
    new Worker(new URL('./unpack-font.worker.ts', import.meta.url), { type: 'module' }),
  );
  const late = new Promise<null>((resolve) => setTimeout(() => resolve(null), MOST_MS));
  try {
    return await Promise.race([ask(api.unpack(bytes)), late]);
  } catch {
    return null;
  } finally {
    end();
  }
}
