import { type Result, fail, ok } from '@yosomi/core/base';
import { ifClosed, ifNoneOpen } from '../platform/locks';
import { tellOthers } from '../platform/other-windows';
import { REMOVED_DAYS, sweepAssets, sweepLater } from './assets';
import { putCard } from './cards';
import { db } from './db';
import { guarded } from './guarded';
import { expireOwn } from './library';
import { type KeptPin, dropPin } from './pins';
import { nameOfRow, readRow } from './rows';

export type RemovedTitle = { readonly id: string; readonly name: string; readonly removedAt: string };

/** Titles that were taken off the Shelf, the last first. */
export async function removedTitles(): Promise<RemovedTitle[]> {
  const rows = await db.removed.orderBy('removedAt').reverse().toArray();
  return rows.map((row) => ({ id: row.id, name: nameOfRow(row), removedAt: row.removedAt }));
}

/** Takes a title off the Shelf, whole, with its history: it can be put back. Faults: `title-gone`, `store-full`, `store-failed`. */
export async function removeTitle(id: string, now: string): Promise<Result<void>> {
  let there = false;
  const done = await guarded(async () => {
    await db.transaction('rw', [db.titles, db.cards, db.removed], async () => {
      const row = await db.titles.get(id);
      there = row !== undefined;
      if (!row) return;
      await db.removed.put({ ...row, removedAt: now });
      await db.titles.delete(id);
      await db.cards.delete(id);
    });
  });
  if (done.ok && !there) return fail('title-gone');
  if (done.ok) tellOthers({ kind: 'removed', title: id });
  return done;
}

/** Puts a removed title back on the Shelf. Answers its revision. Faults: `title-gone`, `store-full`, `store-failed`. */
export async function putBack(id: string): Promise<Result<number>> {
  let rev = -1;
  const done = await guarded(async () => {
    await db.transaction('rw', [db.titles, db.cards, db.removed], async () => {
      const row = await db.removed.get(id);
      if (!row) return;
      const { removedAt: _, ...title } = row;
      const read = readRow(row);
      rev = read?.rev ?? 0;
      await db.titles.add(title);
      if (read?.book.ok) await putCard(read.book.value);
      await db.removed.delete(id);
    });
  });
  if (!done.ok) return done;
  return rev < 0 ? fail('title-gone') : ok(rev);
}

/** Removes a title for good. Faults: `title-open` while a window has it open, `store-failed`. */
export async function forgetTitle(id: string): Promise<Result<void>> {
  const done = await ifClosed(id, () =>
    guarded(async () => {
      await db.transaction(
        'rw',
        [db.removed, db.files, db.fileKeys, db.steps, db.keeps, db.seen, db.smalls],
        async () => {
          await db.removed.delete(id);
          await db.seen.delete(id);
          await db.smalls.delete(id);
          await db.fileKeys.bulkDelete(await db.files.where('title').equals(id).primaryKeys());
          await db.files.where('title').equals(id).delete();
          await db.steps.where('title').equals(id).delete();
          await sweepLater();
        },
      );
    }),
  );
  return done ?? fail('title-open');
}

/** Drops what nothing needs any more, where that is safe now; else it is done another time. */
export const tidy = (): Promise<number | null> => ifNoneOpen(sweepAssets);

/** Forgets titles and pictures that were removed long ago, and drops what nothing needs any more. */
export async function expireRemoved(nowMs: number): Promise<void> {
  for (const { id, removedAt } of await removedTitles()) {
    if (nowMs - Date.parse(removedAt) > REMOVED_DAYS * 86_400_000) await forgetTitle(id);
  }
  await expireOwn(nowMs);
  await tidy();
}

/** Removes a kept photograph; pictures that only it needed go when that is safe. Faults: those of `dropPin`. */
export async function removePin(pin: KeptPin): Promise<Result<void>> {
  const dropped = await dropPin(pin.id);
  if (dropped.ok) await guarded(async () => void (await sweepLater()));
  return dropped;
}
