import 'fake-indexeddb/auto';
import { emptyHistory } from '@yosomi/core/base';
import { emptyBrief, untold } from '@yosomi/core/book';
import type { Book } from '@yosomi/core/project';
import { startFromWords } from '@yosomi/core/recipe';
import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { REMOVED_DAYS, saveAsset } from './assets';
import { db } from './db';
import { expireRemoved, forgetTitle, putBack, removeTitle, removedTitles, tidy } from './removed';
import { addTitle, isTaken, openTitle, saveOpen } from './titles';

const now = '2026-11-27T10:00:00Z';
const bytes = new Uint8Array([1, 2, 3]);
const book = (id: string): Book =>
  startFromWords({ id, identifier: 'urn:x:12345', now, brief: { ...emptyBrief, title: id, author: 'A' } });
const asset = (id: string) => ({ id, format: 'png' as const, widthPx: 5, heightPx: 5, name: 'x', rights: untold });

beforeEach(async () => {
  await Promise.all([db.titles, db.removed, db.steps, db.keeps, db.assets, db.files].map((table) => table.clear()));
});

const kept = async (id: string): Promise<boolean> => (await db.assets.get(id)) !== undefined;

describe('a removed title', () => {
  it('comes back as it was, with its history and files, and its revision goes on', async () => {
    await addTitle({ book: book('title-one'), files: new Map([['picture001', bytes]]) });
    const opened = await openTitle('title-one');
    if (!opened.ok) throw new Error(opened.fault.code);
    const step = { label: 'Step', merge: null, forward: [], back: [] };
    const history = { history: { ...emptyHistory, past: [step] }, numbers: new Map() };
    expect(await saveOpen({ ...opened.value.book, assets: { picture001: asset('picture001') } }, history, 1)).toEqual({
      ok: true,
      value: 2,
    });
    expect((await removeTitle('title-one', now)).ok).toBe(true);
    expect(await openTitle('title-one')).toMatchObject({ ok: false, fault: { code: 'title-removed' } });
    expect(await isTaken('title-one')).toBe(true);
    // A window that has it open finds out instead of writing.
    expect(await saveOpen(opened.value.book, history, 2)).toMatchObject({ fault: { code: 'title-removed' } });
    expect(await db.titles.count()).toBe(0);
    expect(await putBack('title-one')).toEqual({ ok: true, value: 2 });
    const again = await openTitle('title-one');
    expect(again).toMatchObject({ ok: true, value: { rev: 2, lost: 0, history: { history: { past: [step] } } } });
    expect(await putBack('title-one')).toMatchObject({ ok: false, fault: { code: 'title-gone' } });
  });

  it('is there for thirty days and no longer', async () => {
    await addTitle({ book: book('title-old'), files: new Map([['picture001', bytes]]) });
    await removeTitle('title-old', now);
    const day = (n: number): number => Date.parse(now) + n * 86_400_000;
    await expireRemoved(day(REMOVED_DAYS - 1));
    expect(await removedTitles()).toMatchObject([{ id: 'title-old', name: 'title-old' }]);
    await expireRemoved(day(REMOVED_DAYS + 1));
    expect(await removedTitles()).toEqual([]);
    expect(await kept('picture001')).toBe(false);
  });

  it('that cannot be read is kept and put back all the same', async () => {
    await db.titles.put({ id: 'odd-title', schema: 999, updatedAt: now, book: { schema: 999 } });
    expect((await removeTitle('odd-title', now)).ok).toBe(true);
    expect((await putBack('odd-title')).ok).toBe(true);
    expect(await db.titles.get('odd-title')).toMatchObject({ book: { schema: 999 } });
  });
});

/** Every place that can name a picture. */
const PLACES: Readonly<Record<string, (id: string) => Promise<unknown>>> = {
  title: (id) => addTitle({ book: { ...book(`holder-${id}`), assets: { [id]: asset(id) } }, files: new Map() }),
  version: (id) => {
    const one = book(`holder-${id}`);
    const cover = {
      ...one.cover,
      parts: { ...one.cover.parts, p: { kind: 'picture', source: { kind: 'asset', asset: id } } },
    };
    return db.titles.put({ id: one.id, schema: 7, updatedAt: now, book: { ...one, versions: [{ cover }] } });
  },
  removed: (id) =>
    db.removed.put({ id: `r-${id}`, schema: 7, updatedAt: now, removedAt: now, book: { assets: { [id]: {} } } }),
  step: (id) => db.steps.put({ id: `x/${id}`, title: 'x', step: { back: [{ path: ['assets', id], value: 1 }] } }),
  favourite: (id) =>
    db.titles.put({
      id: `f-${id}`,
      schema: 7,
      updatedAt: now,
      book: { sheet: { favourites: [{ cover: { a: id } }] } },
    }),
  pin: (id) => db.keeps.put({ id: `pins-${id}`, value: { pins: [{ pin: { photo: { asset: id } } }] } }),
  font: (id) => db.keeps.put({ id: `copied-${id}`, value: { parts: [{ cut: `own/${id}` }] } }),
  'of a newer release': (id) =>
    db.titles.put({ id: `n-${id}`, schema: 900, updatedAt: now, book: { schema: 900, anything: { deep: [id] } } }),
};

describe('pictures that nothing names', () => {
  it('go when a title is removed for good, and none that anything names', async () => {
    const places = Object.keys(PLACES);
    await fc.assert(
      fc.asyncProperty(fc.uniqueArray(fc.constantFrom(...places)), async (named) => {
        await Promise.all([db.titles, db.removed, db.steps, db.keeps, db.assets].map((table) => table.clear()));
        await addTitle({ book: book('goes-away'), files: new Map() });
        for (const [i, place] of places.entries()) {
          const id = `file${i}${'0'.repeat(16)}`;
          await saveAsset(id, bytes);
          if (named.includes(place)) await PLACES[place](id);
        }
        await removeTitle('goes-away', now);
        expect((await forgetTitle('goes-away')).ok).toBe(true);
        expect(await tidy()).toBe(places.length - named.length);
        for (const [i, place] of places.entries()) {
          expect(await kept(`file${i}${'0'.repeat(16)}`), place).toBe(named.includes(place));
        }
        // Nothing is looked for where nothing was removed.
        expect(await tidy()).toBe(0);
      }),
      { numRuns: 40 },
    );
  });
});

describe('taking a title in', () => {
  it('puts all of it or nothing', async () => {
    await addTitle({ book: book('twice-there'), files: new Map() });
    const again = await addTitle({ book: book('twice-there'), files: new Map([['picture009', bytes]]) });
    expect(again).toMatchObject({ ok: false });
    expect(await kept('picture009')).toBe(false);
  });
});
