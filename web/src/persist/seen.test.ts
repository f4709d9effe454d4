import 'fake-indexeddb/auto';
import { emptyBrief } from '@yosomi/core/book';
import type { Book } from '@yosomi/core/project';
import { startFromWords } from '@yosomi/core/recipe';
import { beforeEach, describe, expect, it } from 'vitest';
import { db } from './db';
import { guarded } from './guarded';
import { keepSeen, lastSeen } from './seen';

const book = (id: string, title = id): Book =>
  startFromWords({ id, identifier: 'urn:x:1', now: '2026-11-28T10:00:00Z', brief: { ...emptyBrief, title } });
const seen = {
  picture: new Blob(['picture']),
  thumbs: [new Blob(['thumb'])],
  frames: { title: { x: 1, y: 2, width: 3, height: 4 } },
  reports: {},
  findings: [],
  measure: { added: [], titleFromPx: undefined, reads: [], findings: [] },
};

beforeEach(() => db.seen.clear());

describe('what was seen last of a cover', () => {
  it('is there for the cover as it is, and for no other', async () => {
    await keepSeen(book('one'), seen, 1);
    expect(await lastSeen(book('one'))).toMatchObject({ frames: seen.frames });
    expect(await lastSeen(book('one', 'Another title'))).toBeNull();
    expect(await lastSeen(book('two'))).toBeNull();
    await keepSeen(book('one', 'Another title'), seen, 2);
    expect(await lastSeen(book('one'))).toBeNull();
    expect(await db.seen.count()).toBe(1);
  });

  it('is nothing where it was damaged, and where it would not be what it says', async () => {
    await keepSeen(book('one'), seen, 1);
    await db.seen.update('one', { value: { schema: 1, picture: 'no picture' } });
    expect(await lastSeen(book('one'))).toBeNull();
    await keepSeen(book('one'), { ...seen, frames: { title: { x: 'left' } } }, 2);
    expect(await lastSeen(book('one'))).toBeNull();
  });

  it('is kept of so many titles only, the last ones', async () => {
    for (let i = 0; i < 30; i++) await keepSeen(book(`title-${i}`), seen, i);
    expect(await db.seen.count()).toBe(24);
    expect(await lastSeen(book('title-5'))).toBeNull();
    expect(await lastSeen(book('title-6'))).not.toBeNull();
  });

  it('makes room for what a person makes', async () => {
    await keepSeen(book('one'), seen, 1);
    let full = true;
    const done = await guarded(async () => {
      full = (await db.seen.count()) > 0;
      if (full) throw new DOMException('no room', 'QuotaExceededError');
    });
    expect(done.ok).toBe(true);
    expect(full).toBe(false);
    const never = await guarded(() => Promise.reject(new DOMException('no room', 'QuotaExceededError')));
    expect(never).toMatchObject({ ok: false, fault: { code: 'store-full' } });
  });
});
