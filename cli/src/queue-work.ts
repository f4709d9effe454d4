import { type Result, fail, ok } from '@yosomi/core/base';
import { UnrecoverableError, Worker } from 'bullmq';
import type { Outcome } from './command';
import { isMade } from './job-do';
import { type JobHands, jobHands } from './job-hands';
import { inputsOf } from './job-inputs';
import { LOST_MS, MOST_LOST, QUEUE, Queued, faultOf, mayPass, openQueue, reasonOf } from './queue';
import { sentence } from './sentences';

/** A job as it came from the queue: made where it is not there, of what lies here now. Faults: `job-other`, `job-moved`, those of `doJob`. */
async function take(data: unknown, by: JobHands): Promise<Result<'made' | 'kept'>> {
  const read = Queued.safeParse(data);
  if (!read.success) return fail('job-other');
  const { job, key, base, root } = read.data;
  const inputs = inputsOf(base, root);
  if (isMade(root, job, key, inputs)) return ok('kept');
  const keyed = inputs.keyOf(job);
  if (!keyed.ok) return keyed;
  // Another release makes other things of it.
  if (keyed.value.key !== key) return fail('job-moved');
  const done = await by.do({ job, base, root, ...keyed.value });
  return done.ok ? ok('made') : done;
}

/** Does jobs of a queue until it is told to end, or until nothing is left. Faults: those of `openQueue`. */
export async function workOn(
  url: string,
  threads: number,
  untilEmpty: boolean,
  say: (line: string) => void,
): Promise<Result<Outcome>> {
  const line = await openQueue(url);
  if (!line.ok) return line;
  const { another, queue } = line.value;
  const counts = { made: 0, kept: 0, failed: 0 };
  // Threads even where there is one: this one goes on telling the queue that the job is being done.
  const by = jobHands(threads, true);
  const worker = new Worker(
    QUEUE,
    async ({ data }) => {
      const done = await take(data, by);
      if (!done.ok) {
        const reason = reasonOf(done.fault);
        throw mayPass(done.fault) ? new Error(reason) : new UnrecoverableError(reason);
      }
      counts[done.value]++;
      return done.value;
    },
    {
      connection: another(),
      concurrency: threads,
      lockDuration: LOST_MS,
      stalledInterval: LOST_MS / 2,
      maxStalledCount: MOST_LOST,
    },
  );
  worker.on('error', () => {});
  const nameOf = (data: unknown): string => Queued.safeParse(data).data?.job.name ?? 'a job';
  worker.on('completed', ({ data }, became) => say(`${nameOf(data)}: ${String(became)}`));
  worker.on('failed', (job, error) => {
    const again = job !== undefined && job.attemptsMade < (job.opts.attempts ?? 1) && mayPass(faultOf(error.message));
    if (!again) counts.failed++;
    say(`${nameOf(job?.data)}: ${sentence(faultOf(error.message))}${again ? ' It is tried again.' : ''}`);
  });
  await new Promise<void>((done) => {
    const end = (): void => {
      clearInterval(clock);
      done();
    };
    const empty = async (): Promise<void> => {
      const left = await queue.getJobCounts('waiting', 'prioritized', 'delayed', 'active');
      if (Object.values(left).every((count) => count === 0)) end();
    };
    const clock = setInterval(() => {
      if (untilEmpty) void empty().catch(() => {});
    }, 500);
    process.once('SIGINT', end);
    process.once('SIGTERM', end);
  });
  // What is being done is done first.
  await worker.close();
  await by.close();
  await line.value.close();
  return ok({
    print: `${counts.made} made, ${counts.kept} there already, ${counts.failed} failed`,
    passed: counts.failed === 0,
  });
}

/** As many failed jobs are listed. */
const MOST_TOLD = 1000;

/** What lies in a queue, and what failed: that is tried again, forgotten, or only told of. Faults: those of `openQueue`. */
export async function tellQueue(url: string, what: 'retry' | 'forget' | null): Promise<Result<Outcome>> {
  const opened = await openQueue(url);
  if (!opened.ok) return opened;
  const { queue } = opened.value;
  try {
    const counts = await queue.getJobCounts('waiting', 'prioritized', 'delayed', 'active', 'failed');
    const failed = await queue.getFailed(0, MOST_TOLD - 1);
    for (const job of failed) {
      if (what === 'retry') await job.retry('failed').catch(() => {});
      else if (what === 'forget') await job.remove().catch(() => {});
    }
    const waits = (counts.waiting ?? 0) + (counts.prioritized ?? 0) + (counts.delayed ?? 0);
    const did = what === 'retry' ? ', tried again' : what === 'forget' ? ', forgotten' : '';
    const lines = failed.map((job) => {
      const { data: queued } = Queued.safeParse(job.data);
      return `  ${queued ? `${queued.root}/${queued.job.name}` : job.id}: ${sentence(faultOf(job.failedReason))}`;
    });
    const print = [`${waits} waiting, ${counts.active ?? 0} being done, ${counts.failed ?? 0} failed${did}`, ...lines];
    return ok({ print: print.join('\n'), passed: true });
  } finally {
    await opened.value.close();
  }
}
