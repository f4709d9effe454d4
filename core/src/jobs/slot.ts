/**
 * A place where only the newest of several jobs matters (a live preview): one runs at a time, and of those that
 * arrive meanwhile only the last is kept. A superseded job answers `null`.
 */
export function supersedingSlot<A, R>(run: (args: A) => Promise<R>): (args: A) => Promise<R | null> {
  type Waiting = { args: A; resolve: (value: R | null) => void; reject: (error: unknown) => void };
  let busy = false;
  let waiting: Waiting | null = null;

  async function work(job: Waiting): Promise<void> {
    busy = true;
    try {
      job.resolve(await run(job.args));
    } catch (error) {
      job.reject(error);
    }
    busy = false;
    const next = waiting;
    waiting = null;
    if (next) void work(next);
  }

  return (args) =>
    new Promise((resolve, reject) => {
      const job = { args, resolve, reject };
      if (!busy) return void work(job);
      waiting?.resolve(null);
      waiting = job;
    });
}
