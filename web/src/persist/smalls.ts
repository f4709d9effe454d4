import { VERSIONS } from '@yosomi/core/recipe';
import { db } from './db';
import { guarded } from './guarded';

type Bytes = Uint8Array<ArrayBuffer>;

const keyOf = (look: string): string => `${look} ${VERSIONS.paint}`;

/** The small picture of a cover that looks so, as WebP or PNG; null where there is none, or another. */
export async function smallOf(id: string, look: string): Promise<Bytes | null> {
  const row = await db.smalls.get(id);
  return row?.key === keyOf(look) ? row.bytes : null;
}

/** Keeps a small picture. Where there is no room for it, it is made another time. */
export const keepSmall = (id: string, look: string, bytes: Bytes): Promise<unknown> =>
  guarded(async () => void (await db.smalls.put({ id, key: keyOf(look), bytes })));
