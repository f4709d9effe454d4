import { type Result, fail, ok } from '@yosomi/core/base';
import { db } from './db';

const full = (error: unknown): boolean => error instanceof Error && /quota/i.test(`${error.name} ${error.message}`);

/** Runs a write; where there is no room, what can be made again goes first. Faults: `store-full` where the browser's room is used up, `store-failed` otherwise; the old state stays then. */
export async function guarded(run: () => Promise<void>): Promise<Result<void>> {
  try {
    await run().catch(async (error: unknown) => {
      if (!full(error)) throw error;
      await Promise.all([db.seen.clear(), db.smalls.clear(), db.thumbs.clear()]);
      await run();
    });
    return ok(undefined);
  } catch (error) {
    const noRoom = full(error);
    return fail(noRoom ? 'store-full' : 'store-failed');
  }
}
