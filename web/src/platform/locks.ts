const OPEN = 'yosomi-open';
const titleLock = (id: string): string => `yosomi-title ${id}`;

const locks = (): LockManager | null => (typeof navigator === 'undefined' ? null : (navigator.locks ?? null));

/** Says to every window that this one has a title open, until the answer is called. */
export function holdTitle(id: string): () => void {
  let release: () => void = () => {};
  const held = new Promise<void>((resolve) => (release = resolve));
  for (const name of [OPEN, titleLock(id)]) void locks()?.request(name, { mode: 'shared' }, () => held);
  return release;
}

async function ifFree<T>(name: string, run: () => Promise<T>): Promise<T | null> {
  const all = locks();
  if (!all) return run();
  return all.request(name, { ifAvailable: true }, (lock) => (lock ? run() : null));
}

/** Runs while no window has this title open; null where one has. */
export const ifClosed = <T>(id: string, run: () => Promise<T>): Promise<T | null> => ifFree(titleLock(id), run);

/** Runs while no window has any title open; null where one has. */
export const ifNoneOpen = <T>(run: () => Promise<T>): Promise<T | null> => ifFree(OPEN, run);
