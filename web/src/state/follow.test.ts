import 'fake-indexeddb/auto';
import { emptyBrief } from '@yosomi/core/book';
import { startFromWords } from '@yosomi/core/recipe';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import * as messages from '../messages/say';
import { db } from '../persist/db';
import { addTitle, editStored, followStored, loadBook, openTitle } from '../persist/titles';
import { follow } from './follow';

const now = '2026-11-30T10:00:00Z';
const ids = ['volume-one', 'volume-two', 'volume-three'];
const shared = { id: 'one-step', titles: ids };

const rename = (id: string, line: string, step?: typeof shared) =>
  editStored(id, 'Strapline of the series', (book) => void (book.brief.strapline = line), now, step);
const lines = async (): Promise<string[]> =>
  Promise.all(
    ids.map(async (id) => {
      const read = await loadBook(id);
      return read.ok ? read.value.brief.strapline : read.fault.code;
    }),
  );

beforeEach(async () => {
  vi.restoreAllMocks();
  await Promise.all([db.titles.clear(), db.steps.clear(), db.removed.clear()]);
  for (const id of ids) {
    const brief = { ...emptyBrief, title: `Title ${id}`, author: 'A' };
    await addTitle({ book: startFromWords({ id, identifier: `urn:x:${id}`, now, brief }), files: new Map() });
    expect((await rename(id, 'new', shared)).ok).toBe(true);
  }
});

describe('a step that several titles share', () => {
  it('is kept with what it shares, and is taken back and made again in all of them', async () => {
    const opened = await openTitle(ids[0]);
    expect(opened.ok && opened.value.history.history.past.at(-1)?.shared).toEqual(shared);
    const said = vi.spyOn(messages, 'say').mockImplementation(() => {});
    await follow(shared, 'undo', null);
    expect(await lines()).toEqual(['', '', '']);
    await follow(shared, 'redo', null);
    expect(await lines()).toEqual(['new', 'new', 'new']);
    expect(said.mock.calls.map(([text]) => text)).toEqual(['Taken back in 3 titles.', 'Made again in 3 titles.']);
  });

  it('leaves the title alone that has it open, and counts it', async () => {
    const said = vi.spyOn(messages, 'say').mockImplementation(() => {});
    await follow(shared, 'undo', ids[1]);
    expect(await lines()).toEqual(['', 'new', '']);
    expect(said).toHaveBeenCalledWith('Taken back in 3 titles.');
  });

  it('leaves a title that was changed since, and says which', async () => {
    await rename(ids[2], 'newer');
    const said = vi.spyOn(messages, 'say').mockImplementation(() => {});
    await follow(shared, 'undo', null);
    expect(await lines()).toEqual(['', '', 'newer']);
    expect(said).toHaveBeenCalledWith('Taken back in 2 titles. Changed since, and left as it is: Title volume-three.');
    expect(await followStored(ids[2], shared.id, 'redo', now)).toMatchObject({ value: { kind: 'left' } });
  });

  it('says where a title is gone, and takes it back in the others', async () => {
    await db.titles.delete(ids[0]);
    vi.spyOn(messages, 'say').mockImplementation(() => {});
    const failed = vi.spyOn(messages, 'sayFault').mockImplementation(() => {});
    await follow(shared, 'undo', null);
    expect(await lines()).toEqual(['title-gone', '', '']);
    expect(failed).toHaveBeenCalledTimes(1);
  });

  it('asked back and again at once ends as it was asked last', async () => {
    vi.spyOn(messages, 'say').mockImplementation(() => {});
    void follow(shared, 'undo', null);
    void follow(shared, 'redo', null);
    await follow(shared, 'undo', null);
    expect(await lines()).toEqual(['', '', '']);
  });
});
