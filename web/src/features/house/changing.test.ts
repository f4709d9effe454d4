import 'fake-indexeddb/auto';
import { emptyBrief } from '@yosomi/core/book';
import { type House, emptyHouse } from '@yosomi/core/project';
import { type HouseChange, startFromWords } from '@yosomi/core/recipe';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import * as messages from '../../messages/say';
import { db } from '../../persist/db';
import { followHouse } from '../../persist/house-steps';
import { touchedTitles, usesOf } from '../../persist/house-titles';
import { changeHouse, houseWords, loadHouse } from '../../persist/keeps';
import { addTitle, editStored, loadBook } from '../../persist/titles';
import { follow } from '../../state/follow';
import { changeHouseAndTitles, forgetChanged, goOn, stopChanging, takeBack, useChanging } from './changing';

// What a worker does is done here.
vi.mock('../../work/house', async () => ({
  changeBeside: (await import('../../persist/house-titles')).changeTitle,
}));

const now = '2026-12-01T10:00:00Z';
const ids = Array.from({ length: 6 }, (_, i) => `title-${i}`);
const SITE: HouseChange = { kind: 'site', from: 'old.example', to: 'new.example' };
const titles = ids.map((id) => ({ id, name: id }));
const house: House = { ...emptyHouse, name: 'Old Press', website: 'old.example' };

const sites = (): Promise<string[]> =>
  Promise.all(
    ids.map(async (id) => {
      const read = await loadBook(id);
      return read.ok ? read.value.brief.website : read.fault.code;
    }),
  );
const siteOfHouse = async (): Promise<string> => (await loadHouse('house')).value.website;
const job = { row: 'house', house, changes: [SITE], titles } as const;

/** Makes the change and waits until it is over. */
const run = (given: Parameters<typeof changeHouseAndTitles>[0] = job) => after(() => changeHouseAndTitles(given));

async function after(begin: () => void) {
  const over = new Promise<void>((done) => {
    const end = useChanging.subscribe(({ last }) => {
      if (!last) return;
      end();
      done();
    });
  });
  begin();
  await over;
  await new Promise((next) => setTimeout(next));
  return useChanging.getState().last!;
}

let said: string[] = [];

beforeEach(async () => {
  vi.restoreAllMocks();
  said = [];
  vi.spyOn(messages, 'say').mockImplementation((text) => void said.push(text));
  forgetChanged();
  await Promise.all([db.titles.clear(), db.steps.clear(), db.removed.clear(), db.keeps.clear(), db.cards.clear()]);
  await changeHouse('house', () => house);
  for (const id of ids) {
    const brief = { ...emptyBrief, title: id, website: 'old.example' };
    await addTitle({ book: startFromWords({ id, identifier: `urn:x:${id}`, now, brief }), files: new Map() });
  }
});

describe('a change of the house in its titles', () => {
  it('is one step in all that were chosen and in the house, and one press takes it back', async () => {
    const last = await run({ ...job, titles: titles.slice(0, 4) });
    expect(last).toMatchObject({ failed: [], left: [] });
    expect(await sites()).toEqual([...Array(4).fill('new.example'), 'old.example', 'old.example']);
    expect(await siteOfHouse()).toBe('new.example');
    expect(await houseWords()).toEqual({ publisher: 'Old Press', website: 'new.example' });
    const seen: number[] = [];
    const end = useChanging.subscribe(({ now: at }) => at?.back && seen.push(at.done));
    await takeBack(last);
    end();
    expect(seen).toEqual([0, 0, 1, 2, 3]);
    expect(useChanging.getState()).toEqual({ now: null, last: null });
    expect(await sites()).toEqual(ids.map(() => 'old.example'));
    expect(await siteOfHouse()).toBe('old.example');
    await follow(last.step, 'redo', null);
    expect(await siteOfHouse()).toBe('new.example');
    expect(said).toEqual([
      'Taken back in 4 titles and in the house style.',
      'Made again in 4 titles and in the house style.',
    ]);
  });

  it('that was stopped says what is left, goes on from there, and what it never came to is not told of as changed since', async () => {
    const end = useChanging.subscribe(({ now: at }) => at?.done === 2 && stopChanging());
    const last = await run();
    end();
    expect([last.changed.length, last.left.length]).toEqual([2, 4]);
    await follow(last.step, 'undo', null);
    expect(said).toEqual(['Taken back in 2 titles and in the house style.']);
    await follow(last.step, 'redo', null);
    const rest = await after(() => goOn(last));
    expect(rest.changed).toHaveLength(6);
    expect(await sites()).toEqual(ids.map(() => 'new.example'));
    // Gone on with, it is still one change: one press takes all of it back, and the house with it.
    await takeBack(rest);
    expect(await sites()).toEqual(ids.map(() => 'old.example'));
    expect(await siteOfHouse()).toBe('old.example');
  });

  it('leaves out a title that is gone or cannot be read, and stops where there is no room', async () => {
    await db.titles.delete(ids[1]);
    await db.titles.update(ids[2], { book: { schema: 999 } });
    const last = await run();
    expect(last.failed.map(({ id, fault }) => [id, fault.code])).toEqual([
      [ids[1], 'title-gone'],
      [ids[2], 'project-newer'],
    ]);
    expect(last.changed).toHaveLength(4);
    // Those that failed are tried with the rest.
    expect((await after(() => goOn(last))).failed).toHaveLength(2);
    forgetChanged();
    let count = 0;
    vi.spyOn(db.titles, 'put').mockImplementation((() => {
      if (++count > 1) throw Object.assign(new Error('no room'), { name: 'QuotaExceededError' });
      return Promise.resolve('');
    }) as never);
    const full = await run({ ...job, changes: [{ ...SITE, from: 'new.example', to: 'third.example' }] });
    expect(full.failed.at(-1)?.fault.code).toBe('store-full');
    expect(full.left.length).toBeGreaterThan(0);
  });

  it('is left in titles and a house that were changed since, and says so', async () => {
    const last = await run();
    await editStored(ids[0], 'Title', (book) => void (book.brief.title = 'Other'), now);
    await changeHouse('house', (one) => ({ ...one, colours: ['#123456'] }));
    await follow(last.step, 'undo', null);
    expect(said).toEqual([
      'Taken back in 5 titles. Changed since, and left as it is: Other. The house style was changed since, and is left as it is.',
    ]);
    expect(await siteOfHouse()).toBe('new.example');
    expect(await followHouse('another-step', 'undo')).toEqual({ ok: true, value: 'none' });
  });

  it('alone in the house is taken back too', async () => {
    const last = await run({ ...job, titles: [] });
    expect(await sites()).toEqual(ids.map(() => 'old.example'));
    await follow(last.step, 'undo', null);
    expect(said).toEqual(['Taken back in the house style.']);
    expect(await siteOfHouse()).toBe('old.example');
  });
});

describe('the titles of a house', () => {
  it('are looked through as they are stored, those that cannot be read with their reason, and the looking can be ended', async () => {
    await db.titles.update(ids[3], { book: { schema: 999 } });
    expect(await usesOf(ids, () => true)).toHaveLength(5);
    const found = await touchedTitles([...ids, 'gone'], [SITE], house, () => true);
    expect(found?.map(({ id, fault }) => [id, fault?.code ?? null])).toEqual(
      ids.map((id) => [id, id === ids[3] ? 'project-newer' : null]),
    );
    expect(await touchedTitles(ids, [SITE], house, () => false)).toBeNull();
    await expect(touchedTitles(ids, [], house, () => true)).rejects.toThrow('names-none');
  });
});
