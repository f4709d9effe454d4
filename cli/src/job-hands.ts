import { type Result, fail } from '@yosomi/core/base';
import type { Piscina } from 'piscina';
import { threadPool } from './hands';
import { type JobTask, doJob } from './job-do';

/** Who does jobs. */
export type JobHands = {
  /** Never rejects: where a thread breaks, the job is tried once more, and then failed with `work-broken`. */
  do(task: JobTask): Promise<Result<void>>;
  /** Lets go of what is not begun. */
  stop(): void;
  close(): Promise<void>;
};

/** As many threads as are asked for, begun with the first job; where that is one, this one, unless it is to be another. */
export function jobHands(threads: number, apart = false): JobHands {
  if (threads <= 1 && !apart) return { do: doJob, stop: () => {}, close: async () => {} };
  let pool: Piscina | null = null;
  const once = (task: JobTask): Promise<Result<void>> => (pool ??= threadPool(threads)).run(task, { name: 'job' });
  return {
    do: (task) => once(task).catch(() => once(task).catch(() => fail('work-broken'))),
    stop: () => {},
    close: async () => pool?.destroy(),
  };
}
