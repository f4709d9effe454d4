import { type Result, fail } from '@yosomi/core/base';
import { Piscina } from 'piscina';
import { type JobTask, doJob } from './job-do';

/** Who does jobs. */
export type JobHands = {
  /** Never rejects: where a thread breaks, the job is tried once more, and then failed with `work-broken`. */
  do(task: JobTask): Promise<Result<void>>;
  close(): Promise<void>;
};

/** As many threads as are asked for, or this one alone. */
export function jobHands(threads: number): JobHands {
  if (threads <= 1) return { do: doJob, close: async () => {} };
  const pool = new Piscina({
    filename: new URL('./thread.mjs', import.meta.url).href,
    minThreads: threads,
    maxThreads: threads,
    execArgv: [],
  });
  // A thread that cannot begin fails its job, which is told of there.
  pool.on('error', () => {});
  const once = (task: JobTask): Promise<Result<void>> => pool.run(task, { name: 'job' });
  return {
    do: (task) => once(task).catch(() => once(task).catch(() => fail('work-broken'))),
    close: () => pool.destroy(),
  };
}
