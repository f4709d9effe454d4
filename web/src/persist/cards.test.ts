import 'fake-indexeddb/auto';
import { emptyHistory } from '@yosomi/core/base';
import { emptyBrief } from '@yosomi/core/book';
import type { Book } from '@yosomi/core/project';
import { deliverables, noOthers, noWishes, startFromWords } from '@yosomi/core/recipe';
import { cardOf } from '@yosomi/core/shelf';
import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { allCards, checkCard, storedCards, tallyCards } from './cards';
import { db } from './db';
import { lookThrough } from './look-through';
import { keepFile } from './made-files';
import { readOthers } from './others';
import { putBack, removeTitle } from './removed';
import { keepSmall, smallOf } from './smalls';
import { addTitle, loadBooks, openTitle, saveOpen } from './titles';

const now = '2026-11-30T10:00:00.000Z';
const book = (id: string, more: Partial<Book['brief']> = {}): Book =>
  startFromWords({ id, identifier: 'urn:x:12345', now, brief: { ...emptyBrief, title: id, author: 'A', ...more } });
const add = (one: Book) => addTitle({ book: one, files: new Map() });
const byId = <T extends { id: string }>(list: readonly T[]): T[] => [...list].sort((a, b) => (a.id < b.id ? -1 : 1));

async function rename(id: string, title: string): Promise<void> {
  const opened = await openTitle(id);
  if (!opened.ok) return;
  const { book: old, rev } = opened.value;
  await saveOpen({ ...old, brief: { ...old.brief, title } }, { history: emptyHistory, numbers: new Map() }, rev);
}

/** What lists say is what is stored. */
async function inStep(): Promise<void> {
  const books = await loadBooks(await db.titles.toCollection().primaryKeys());
  expect(byId(await storedCards())).toEqual(byId(books.map(cardOf)));
}

beforeEach(async () => {
  await Promise.all(
    [db.titles, db.removed, db.steps, db.keeps, db.assets, db.files, db.fileKeys, db.cards, db.smalls].map((table) =>
      table.clear(),
    ),
  );
});

describe('cards', () => {
  it('are in step with titles, whatever is done with these', async () => {
    const id = fc.constantFrom('title-a', 'title-b', 'title-c');
    const act = fc.oneof(
      fc.record({ kind: fc.constant('add' as const), id }),
      fc.record({ kind: fc.constant('rename' as const), id, title: fc.string({ maxLength: 8 }) }),
      fc.record({ kind: fc.constant('remove' as const), id }),
      fc.record({ kind: fc.constant('back' as const), id }),
    );
    await fc.assert(
      fc.asyncProperty(fc.array(act, { maxLength: 12 }), async (acts) => {
        await Promise.all([db.titles, db.removed, db.steps, db.cards].map((table) => table.clear()));
        for (const one of acts) {
          if (one.kind === 'add') await add(book(one.id));
          if (one.kind === 'rename') await rename(one.id, one.title);
          if (one.kind === 'remove') await removeTitle(one.id, now);
          if (one.kind === 'back') await putBack(one.id);
        }
        await inStep();
      }),
      { numRuns: 25 },
    );
  });

  it('that are missing, wrong or of titles that are gone are put right', async () => {
    for (const id of ['title-a', 'title-b', 'title-c', 'title-d']) await add(book(id));
    await db.cards.delete('title-a');
    await db.cards.put({ id: 'title-b', series: '', value: { schema: 99 } });
    await db.cards.put({ id: 'title-gone', series: '', value: { ...cardOf(book('title-gone')) } });
    expect(byId(await allCards()).map((card) => card.id)).toContain('title-a');
    const heard: number[] = [];
    expect(await tallyCards((done) => heard.push(done))).toEqual([]);
    expect(heard.at(-1)).toBe(2);
    await inStep();
    // One that says something else than its title is found where the title is read.
    const [card] = await storedCards();
    await db.cards.put({ id: card.id, series: '', value: { ...card, title: 'Another' } });
    await checkCard(card.id);
    await inStep();
  });

  it('a title that cannot be read has none, is named with its reason, and stays as it is stored', async () => {
    await add(book('title-a'));
    await add(book('title-b'));
    const row = (await db.titles.get('title-a'))!;
    const broken = { ...row, book: { ...(row.book as Book), cover: 'nothing' } };
    await db.titles.put(broken);
    // Its card is still that of before, until it is looked at.
    const [found] = await lookThrough(['title-a']);
    expect(found).toEqual({ id: 'title-a', state: null });
    expect((await storedCards()).map(({ id }) => id)).toEqual(['title-b']);
    expect(await tallyCards()).toMatchObject([{ id: 'title-a', name: 'title-a', fault: { code: 'project-damaged' } }]);
    expect(await db.titles.get('title-a')).toEqual(broken);
    await db.titles.put(row);
    expect(await tallyCards()).toEqual([]);
    await inStep();
  });
});

describe('how files stand', () => {
  it('is measured on what is stored of them: made, made of another state, or not there', async () => {
    const one = book('title-a');
    await add(one);
    const files = deliverables(one, noOthers, noWishes);
    const keep = (at: number, key: string, title = one.id) =>
      keepFile(title, {
        deliverable: files[at].id,
        key,
        name: 'x',
        type: 'x',
        madeAt: now,
        findings: [],
        bytes: new Uint8Array(3),
      });
    const state = async () => (await lookThrough(['title-a']))[0].state;
    expect(await state()).toEqual({ wanted: files.length, made: 0, stale: 0, missing: files.length });
    await keep(0, files[0].key);
    await keep(1, 'of another state');
    await keep(2, files[2].key, 'title-ab');
    expect(await state()).toEqual({ wanted: files.length, made: 1, stale: 1, missing: files.length - 2 });
    // What an older release made has no key beside it.
    await db.fileKeys.clear();
    expect(await state()).toMatchObject({ made: 1, stale: 1 });
    expect(await db.fileKeys.count()).toBe(2);
    await rename('title-a', 'Another title');
    expect(await state()).toMatchObject({ made: 0, stale: 2 });
  });
});

describe('the others of a title', () => {
  it('are those of its series, where these are wanted, also while they have no card', async () => {
    const series = { seriesName: 'Moss' };
    for (const one of [
      book('volume-one', series),
      book('volume-two', series),
      book('title-alone'),
      book('title-other', { seriesName: 'Mosses' }),
    ])
      await add(one);
    await db.cards.delete('volume-two');
    expect([...(await readOthers(book('volume-one', series))).keys()]).toEqual(['volume-two']);
    expect((await readOthers(book('volume-one', series), false)).size).toBe(0);
    expect((await readOthers(book('title-alone'))).size).toBe(0);
  });
});

describe('a small picture', () => {
  it('is that of one look and never of another', async () => {
    const bytes = new Uint8Array([1, 2, 3]);
    await keepSmall('title-a', 'look one', bytes);
    expect(await smallOf('title-a', 'look one')).toEqual(bytes);
    expect(await smallOf('title-a', 'look two')).toBeNull();
    expect(await smallOf('title-b', 'look one')).toBeNull();
  });
});
