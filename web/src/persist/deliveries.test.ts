import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { db } from './db';
import { deliveriesOf, noteDelivery } from './deliveries';

const left = {
  at: '2026-11-28T09:00:00Z',
  deliverable: 'epub',
  name: 'a.epub',
  bytes: 9,
  key: 'k',
  how: 'saved' as const,
  accepted: null,
};

beforeEach(() => db.deliveries.clear());

describe('what left for a title', () => {
  it('comes back, the last first, and nothing of another title', async () => {
    await noteDelivery('one', left);
    await noteDelivery('two', left);
    await noteDelivery('one', { ...left, name: 'b.epub' });
    const read = await deliveriesOf('one');
    expect(read.value.map(({ name, at }) => [name, at])).toEqual([
      ['b.epub', left.at],
      ['a.epub', left.at],
    ]);
    expect(read.fault).toBeNull();
  });

  it('says what a newer release has noted, and leaves it as it is', async () => {
    await noteDelivery('one', left);
    await db.deliveries.add({ title: 'one', at: left.at, delivery: { schema: 2, other: true } });
    const read = await deliveriesOf('one');
    expect(read.value).toHaveLength(1);
    expect(read.fault).toMatchObject({ code: 'kept-newer', data: { found: 2, known: 1 } });
    expect(await db.deliveries.count()).toBe(2);
  });
});
