import { answerWorkers } from '../platform/byte-line';
import { db, moveTo } from './db';

/** Why nothing outlives the page: the browser keeps nothing (a private window, blocked storage), or a newer release has written its store. */
export type MemoryOnly = 'blocked' | 'newer';

let memory: MemoryOnly | null = null;

/** Null where titles are stored in the browser. */
export const inMemory = (): MemoryOnly | null => memory;

const LATEST_MS = 8000;

async function works(): Promise<MemoryOnly | null> {
  const late = new Promise<'blocked'>((resolve) => setTimeout(() => resolve('blocked'), LATEST_MS));
  const tried = db.open().then(
    () => null,
    (error: unknown) =>
      error instanceof Error && error.name === 'VersionError' ? ('newer' as const) : ('blocked' as const),
  );
  return Promise.race([tried, late]);
}

/** Opens the browser's store; where that cannot be, all is kept in memory for as long as the page is open. */
export async function openStore(): Promise<void> {
  memory = await works();
  if (memory) {
    const { indexedDB, IDBKeyRange } = await import('fake-indexeddb');
    moveTo({ indexedDB, IDBKeyRange });
    await db.open();
  }
  answerWorkers(async (table, id) => (memory ? ((await db[table].get(id))?.bytes ?? null) : null));
}
