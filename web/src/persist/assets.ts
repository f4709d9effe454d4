import { type Result, ok } from '@yosomi/core/base';
import { type Book, filesInUse } from '@yosomi/core/project';
import { db } from './db';
import { guarded } from './guarded';

type Bytes = Uint8Array<ArrayBuffer>;

/** Keeps a picture's bytes under their hash: the same picture once. True where it was not there before. Faults: `store-full`, `store-failed`. */
export async function saveAsset(id: string, bytes: Bytes): Promise<Result<boolean>> {
  let fresh = false;
  const done = await guarded(async () => {
    fresh = (await db.assets.where('id').equals(id).count()) === 0;
    if (fresh) await db.assets.put({ id, bytes });
  });
  return done.ok ? ok(fresh) : done;
}

export const filesOf = (book: Book): Promise<Map<string, Bytes>> => bytesOf(filesInUse(book));

/** Whether every picture and font of a title is there; no bytes are read. */
export async function hasFiles(book: Book): Promise<boolean> {
  const ids = new Set(filesInUse(book));
  return (
    (await db.assets
      .where('id')
      .anyOf([...ids])
      .count()) === ids.size
  );
}

/** Bytes of stored pictures and fonts, as far as they are there. */
export async function bytesOf(ids: readonly string[]): Promise<Map<string, Bytes>> {
  const rows = await db.assets.bulkGet([...ids]);
  return new Map(rows.flatMap((row) => (row ? [[row.id, row.bytes] as const] : [])));
}

/** How long a removed title or picture can be put back. */
export const REMOVED_DAYS = 30;

/** The row under which it is noted that pictures may have become useless. */
const SWEEP = 'sweep';

/** Inside a transaction on `keeps`: what no row names any more is to be dropped when that is safe. */
export const sweepLater = (): Promise<unknown> => db.keeps.put({ id: SWEEP, value: true });

/** Everything in a row that can be the id of a file. */
export function* idsIn(row: unknown): Iterable<string> {
  for (const [id] of JSON.stringify(row ?? null).matchAll(/[a-z0-9]{6,40}/g)) yield id;
}

/**
 * Drops pictures and fonts that nothing names: no title, removed title, step of a history, picture of a person's own, or thing kept across titles, whether
 * or not this release can read it. Only while no window has a title open, for what was taken in there may not be named yet.
 * Answers how many went.
 */
export async function sweepAssets(): Promise<number> {
  if (!(await db.keeps.get(SWEEP))) return 0;
  let dropped = 0;
  await db.transaction('rw', [db.titles, db.removed, db.steps, db.keeps, db.pictures, db.assets], async () => {
    const left = new Set(await db.assets.toCollection().primaryKeys());
    for (const table of [db.titles, db.removed, db.steps, db.keeps, db.pictures]) {
      await table.each((row: unknown) => {
        for (const id of idsIn(row)) left.delete(id);
      });
    }
    await db.assets.bulkDelete([...left]);
    await db.keeps.delete(SWEEP);
    dropped = left.size;
  });
  return dropped;
}
