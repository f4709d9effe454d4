import { askPage } from '../platform/byte-line';
import { db } from './db';

/** Bytes of a picture, font or made file, for a worker: from the browser's store, else from the page that keeps them in memory. */
export async function bytesFor(table: 'assets' | 'files', id: string): Promise<Uint8Array<ArrayBuffer> | null> {
  const row = await db[table].get(id).catch(() => undefined);
  return row?.bytes ?? askPage(table, id);
}
