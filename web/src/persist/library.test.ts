import 'fake-indexeddb/auto';
import { untold } from '@yosomi/core/book';
import type { OwnPicture } from '@yosomi/core/library';
import { startFromWords } from '@yosomi/core/recipe';
import { emptyBrief } from '@yosomi/core/book';
import { beforeEach, describe, expect, it } from 'vitest';
import { REMOVED_DAYS } from './assets';
import { db } from './db';
import {
  addOwn,
  changeOwn,
  eachOwn,
  expireOwn,
  ownByIds,
  putBackOwn,
  removeOwn,
  removedOwnCount,
  restoreOwn,
  thumbOf,
  titlesWith,
} from './library';
import { expireRemoved, tidy } from './removed';
import { addTitle } from './titles';

const now = '2026-11-29T10:00:00Z';
const bytes = new Uint8Array([1, 2, 3]);
const own = (id: string, more: Partial<OwnPicture> = {}): OwnPicture => ({
  schema: 1,
  asset: { id, format: 'png', widthPx: 50, heightPx: 80, name: id, rights: untold },
  folder: '',
  tags: [],
  addedAt: now,
  alike: '',
  reading: { light: 0.5, warmth: 0, busy: 4, quiet: [], colours: [] },
  ...more,
});
const add = async (picture: OwnPicture) => addOwn(picture, bytes, bytes);
const all = async (): Promise<string[]> => {
  const found: unknown[] = [];
  await eachOwn(async (some) => void found.push(...some));
  return found.map((one) => (one as OwnPicture).asset.id);
};
const later = (days: number): number => Date.parse(now) + days * 86_400_000;
const has = async (id: string): Promise<boolean> => (await db.assets.get(id)) !== undefined;

beforeEach(async () => {
  await Promise.all(db.tables.map((table) => table.clear()));
});

describe('a picture of one’s own', () => {
  it('is kept once, with its bytes, and stays as it was where it comes again', async () => {
    expect(await add(own('picture001', { tags: ['sea'] }))).toEqual({ ok: true, value: true });
    expect(await add(own('picture001'))).toEqual({ ok: true, value: false });
    expect((await ownByIds(['picture001', 'gone'])).map(({ tags }) => tags)).toEqual([['sea']]);
    expect(await has('picture001')).toBe(true);
  });

  it('whose bytes were lost has them again once it is added again', async () => {
    await add(own('picture001', { tags: ['sea'] }));
    await Promise.all([db.assets.clear(), db.thumbs.clear()]);
    await add(own('picture001'));
    expect([await has('picture001'), await thumbOf('picture001')]).toEqual([true, bytes]);
    expect((await ownByIds(['picture001']))[0].tags).toEqual(['sea']);
  });

  it('changes with others in one go, one that cannot be read aside, and all go back to what they were', async () => {
    for (const id of ['picture001', 'picture002']) await add(own(id));
    await db.pictures.put({ id: 'broken0001', addedAt: now, value: { schema: 1 } });
    const before = await ownByIds(['picture001', 'picture002']);
    const into = (one: OwnPicture): OwnPicture => ({ ...one, folder: 'Sea' });
    expect(await changeOwn(['picture001', 'picture002', 'broken0001', 'gone'], into)).toEqual({ ok: true, value: 2 });
    expect(await changeOwn(['picture001'], into)).toEqual({ ok: true, value: 0 });
    // What would not parse is not stored.
    expect(await changeOwn(['picture001'], (one) => ({ ...one, folder: 'x'.repeat(500) }))).toEqual({
      ok: true,
      value: 0,
    });
    expect((await ownByIds(['picture001']))[0].folder).toBe('Sea');
    await restoreOwn(before);
    expect(await ownByIds(['picture001', 'picture002'])).toEqual(before);
    expect((await db.pictures.get('broken0001'))?.value).toEqual({ schema: 1 });
  });

  it('that was removed can be put back for thirty days, bytes and all, and comes back where it is added again', async () => {
    for (const id of ['picture001', 'picture002']) await add(own(id, { tags: ['kept'] }));
    await removeOwn(['picture001', 'picture002'], now);
    expect([await all(), await removedOwnCount()]).toEqual([[], 2]);
    await expireRemoved(later(REMOVED_DAYS - 1));
    expect(await has('picture001')).toBe(true);
    await putBackOwn(['picture001']);
    expect(await add(own('picture002'))).toEqual({ ok: true, value: true });
    expect(await all()).toEqual(['picture001', 'picture002']);
    expect((await ownByIds(['picture002']))[0].tags).toEqual(['kept']);
  });

  it('goes for good after that, but not its bytes where a title shows it', async () => {
    const title = startFromWords({
      id: 'title-one',
      identifier: 'urn:x:1',
      now,
      brief: { ...emptyBrief, title: 'One', author: 'A' },
    });
    const shown = own('picture001');
    title.assets[shown.asset.id] = shown.asset;
    title.sheet.pictures = [shown.asset.id];
    await addTitle({ book: title, files: new Map() });
    for (const id of ['picture001', 'picture002']) await add(own(id));
    expect(await titlesWith(new Set(['picture001', 'picture002']))).toEqual(new Map([['picture001', ['One']]]));
    await removeOwn(['picture001', 'picture002'], now);
    await expireOwn(later(REMOVED_DAYS + 1));
    await tidy();
    expect(await db.pictures.count()).toBe(0);
    expect([await has('picture001'), await has('picture002')]).toEqual([true, false]);
  });

  it('is not dropped by the sweep while it lies in the library', async () => {
    await add(own('picture001'));
    await db.assets.put({ id: 'useless001', bytes });
    await db.keeps.put({ id: 'sweep', value: true });
    expect(await tidy()).toBe(1);
    expect([await has('picture001'), await has('useless001')]).toEqual([true, false]);
  });

  it('is read some at a time, however many there are', async () => {
    await db.pictures.bulkPut(
      Array.from({ length: 1250 }, (_, i) => {
        const id = `own${String(i).padStart(9, '0')}`;
        return { id, addedAt: now, value: own(id) };
      }),
    );
    const sizes: number[] = [];
    await eachOwn(async (some) => void sizes.push(some.length));
    expect(Math.max(...sizes)).toBeLessThanOrEqual(400);
    expect(sizes.reduce((a, b) => a + b, 0)).toBe(1250);
  });
});
