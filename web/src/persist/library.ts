import { type Result, fail, ok } from '@yosomi/core/base';
import { type OwnPicture, OwnPictures } from '@yosomi/core/library';
import { tellOthers } from '../platform/other-windows';
import { REMOVED_DAYS, idsIn, sweepLater } from './assets';
import { db } from './db';
import { guarded } from './guarded';
import { nameOfRow } from './rows';

type Bytes = Uint8Array<ArrayBuffer>;

/** How many pictures of a person's own are kept at most. */
export const MOST_OWN = 20_000;

/** Rows read at once: fewer than a person could feel. */
const SOME = 400;

/** What is stored of a person's own pictures, some at a time and as it is; removed ones are left out. */
export async function eachOwn(some: (values: unknown[]) => Promise<void>): Promise<void> {
  for (let last = ''; ;) {
    const rows = await db.pictures.where('id').above(last).limit(SOME).toArray();
    if (rows.length === 0) return;
    await some(rows.flatMap((row) => (row.removedAt === undefined ? [row.value] : [])));
    last = rows[rows.length - 1].id;
  }
}

/** Some of them, in the order asked for, as far as they are there and can be read. */
export async function ownByIds(ids: readonly string[]): Promise<OwnPicture[]> {
  const rows = await db.pictures.bulkGet([...ids]);
  return rows.flatMap((row) => {
    const read = row && row.removedAt === undefined && OwnPictures.read(row.value);
    return read && read.ok ? [read.value] : [];
  });
}

/** The small picture of one; null where it has to be made again. */
export const thumbOf = async (id: string): Promise<Bytes | null> => (await db.thumbs.get(id))?.bytes ?? null;

/** Keeps a small picture; where there is no room for it, it is made another time. */
export const keepThumb = (id: string, bytes: Bytes): Promise<Result<void>> =>
  guarded(async () => void (await db.thumbs.put({ id, bytes })));

/**
 * Takes a picture into the library with its bytes and its small picture. False where it is there already: it stays as it is, and has its bytes
 * again where they were lost. One that had been removed comes back as it was. Faults: `library-full`, `library-room`, `store-failed`.
 */
export async function addOwn(picture: OwnPicture, bytes: Bytes, thumb: Bytes): Promise<Result<boolean>> {
  const { id } = picture.asset;
  let found = 'new' as 'new' | 'known' | 'full';
  const done = await guarded(() =>
    db.transaction('rw', [db.pictures, db.assets, db.thumbs], async () => {
      const known = await db.pictures.get(id);
      found = known && known.removedAt === undefined ? 'known' : 'new';
      if (!known && (await db.pictures.count()) >= MOST_OWN) {
        found = 'full';
        return;
      }
      if (!known) await db.pictures.put({ id, addedAt: picture.addedAt, value: picture });
      else if (found === 'new') {
        const { removedAt: _, ...row } = known;
        await db.pictures.put(row);
      }
      if ((await db.assets.where('id').equals(id).count()) === 0) await db.assets.put({ id, bytes });
      await db.thumbs.put({ id, bytes: thumb });
    }),
  );
  if (!done.ok) return done.fault.code === 'store-full' ? fail('library-room') : done;
  if (found === 'full') return fail('library-full', { most: MOST_OWN });
  tellOthers({ kind: 'pictures' });
  return ok(found === 'new');
}

/** A write of which other windows hear. */
async function told(run: () => Promise<void>): Promise<Result<void>> {
  const done = await guarded(run);
  if (done.ok) tellOthers({ kind: 'pictures' });
  return done;
}

/** Changes pictures as they are stored now; one that cannot be read is left as it is. Answers how many changed. Faults: `store-full`, `store-failed`. */
export async function changeOwn(
  ids: readonly string[],
  change: (picture: OwnPicture) => OwnPicture,
): Promise<Result<number>> {
  let changed = 0;
  const done = await guarded(() =>
    db.transaction('rw', db.pictures, async () => {
      changed = 0;
      const rows = await db.pictures.bulkGet([...ids]);
      const next = rows.flatMap((row) => {
        const read = row && OwnPictures.read(row.value);
        if (!row || !read?.ok) return [];
        const value = OwnPictures.read(change(read.value));
        return value.ok && JSON.stringify(value.value) !== JSON.stringify(read.value)
          ? [{ ...row, value: value.value }]
          : [];
      });
      await db.pictures.bulkPut(next);
      changed = next.length;
    }),
  );
  if (!done.ok) return done;
  if (changed > 0) tellOthers({ kind: 'pictures' });
  return ok(changed);
}

/** Puts pictures back as they were, of those that still are there. Faults: `store-full`, `store-failed`. */
export async function restoreOwn(pictures: readonly OwnPicture[]): Promise<Result<number>> {
  const was = new Map(pictures.map((one) => [one.asset.id, one]));
  return changeOwn([...was.keys()], (now) => was.get(now.asset.id) ?? now);
}

/** Takes pictures out of the library. Titles that show them keep them, and they can be put back. Faults: `store-full`, `store-failed`. */
export const removeOwn = (ids: readonly string[], now: string): Promise<Result<void>> =>
  told(() =>
    db.transaction('rw', [db.pictures, db.keeps], async () => {
      await db.pictures.where('id').anyOf(ids).modify({ removedAt: now });
      await sweepLater();
    }),
  );

/** Puts removed pictures back: those named, or all. Faults: `store-full`, `store-failed`. */
export const putBackOwn = (ids: readonly string[] | 'all'): Promise<Result<void>> =>
  told(async () => {
    const rows = ids === 'all' ? db.pictures.toCollection() : db.pictures.where('id').anyOf(ids);
    await rows.modify((row) => {
      delete row.removedAt;
    });
  });

export const removedOwnCount = (): Promise<number> => db.pictures.filter((row) => row.removedAt !== undefined).count();

/** Forgets pictures that were removed long ago; their bytes go where nothing else names them. */
export async function expireOwn(nowMs: number): Promise<void> {
  const old = await db.pictures
    .filter(({ removedAt }) => removedAt !== undefined && nowMs - Date.parse(removedAt) > REMOVED_DAYS * 86_400_000)
    .primaryKeys();
  if (old.length === 0) return;
  await guarded(() =>
    db.transaction('rw', [db.pictures, db.thumbs, db.keeps], async () => {
      await db.pictures.bulkDelete(old);
      await db.thumbs.bulkDelete(old);
      await sweepLater();
    }),
  );
}

/** By id of a picture, the titles on the Shelf that show it or have it at hand. */
export async function titlesWith(ids: ReadonlySet<string>): Promise<Map<string, string[]>> {
  const used = new Map<string, string[]>();
  await db.titles.each((row) => {
    const book = row.book as { assets?: unknown } | null;
    const shown = typeof book === 'object' && book !== null ? { ...book, assets: null } : book;
    for (const id of new Set(idsIn(shown))) if (ids.has(id)) used.set(id, [...(used.get(id) ?? []), nameOfRow(row)]);
  });
  return used;
}
