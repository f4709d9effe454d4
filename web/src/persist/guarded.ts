import { type Result, fail, ok } from '@yosomi/core/base';

/** Runs a write. Faults: `store-full` where the browser's room is used up, `store-failed` otherwise; the old state stays then. */
export async function guarded(run: () => Promise<void>): Promise<Result<void>> {
  try {
    await run();
    return ok(undefined);
  } catch (error) {
    const quota = error instanceof Error && /quota/i.test(`${error.name} ${error.message}`);
    return fail(quota ? 'store-full' : 'store-failed');
  }
}
