import 'fake-indexeddb/auto';
import { emptyBrief } from '@yosomi/core/book';
import { startFromWords } from '@yosomi/core/recipe';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { db } from '../persist/db';
import { addTitle } from '../persist/titles';
import { useSession } from './session';

const now = '2026-11-30T10:00:00.000Z';
const add = (id: string) =>
  addTitle({
    book: startFromWords({ id, identifier: 'urn:x:12345', now, brief: { ...emptyBrief, title: id, author: 'A' } }),
    files: new Map(),
  });
const session = () => useSession.getState();
const author = (): string | undefined => session().book?.brief.author;

beforeEach(async () => {
  await Promise.all([db.titles, db.steps, db.cards].map((table) => table.clear()));
  await add('title-one');
  await add('title-two');
});
afterEach(() => session().close());

it('what was begun in a title is done in that one or nowhere', async () => {
  await session().open('title-one');
  const { edit } = session();
  expect(edit('Author', (book) => void (book.brief.author = 'B'))).toBe(true);
  expect(author()).toBe('B');
  // On the Shelf, and in another title, it comes too late.
  session().close();
  expect(edit('Author', (book) => void (book.brief.author = 'C'))).toBe(false);
  await session().open('title-two');
  expect(edit('Author', (book) => void (book.brief.author = 'C'))).toBe(false);
  expect(author()).toBe('A');
  expect(session().history.past).toHaveLength(0);
  expect(session().edit('Author', (book) => void (book.brief.author = 'D'))).toBe(true);
  expect(author()).toBe('D');
  // Opened again it is the same title.
  session().close();
  await session().open('title-one');
  expect(author()).toBe('B');
  expect(edit('Author', (book) => void (book.brief.author = 'E'))).toBe(true);
  expect(author()).toBe('E');
});
