import { describe, expect, it } from 'vitest';
import { supersedingSlot } from './slot';

describe('a slot for the newest job', () => {
  it('runs one at a time, skips what was overtaken, and ends with the newest', async () => {
    const ran: number[] = [];
    let running = 0;
    const slot = supersedingSlot(async (n: number) => {
      running++;
      expect(running).toBe(1);
      await new Promise((resolve) => setTimeout(resolve, 5));
      running--;
      ran.push(n);
      return n * 10;
    });
    const answers = await Promise.all([1, 2, 3, 4, 5].map((n) => slot(n)));
    expect(answers).toEqual([10, null, null, null, 50]);
    expect(ran).toEqual([1, 5]);
    expect(await slot(6)).toBe(60);
  });

  it('hands a failure to its own caller and goes on', async () => {
    const slot = supersedingSlot(async (n: number) => {
      if (n === 1) throw new Error('one');
      return n;
    });
    const first = slot(1);
    const second = slot(2);
    await expect(first).rejects.toThrow('one');
    expect(await second).toBe(2);
  });
});
