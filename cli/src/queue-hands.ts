import { type Result, fail, ok } from '@yosomi/core/base';
import { QueueEvents } from 'bullmq';
import { type JobTask, isMade } from './job-do';
import type { JobHands } from './job-hands';
import { inputsOf } from './job-inputs';
import { QUEUE, faultOf, idOf, openQueue, optionsOf, queuedOf } from './queue';

/** What is waited for is looked at so often, whatever the queue tells: it may have gone and come back empty. */
const LOOK_MS = 2000;

type Waiting = { readonly task: JobTask; done(result: Result<void>): void };

/**
 * Hands jobs to a queue, from which others take them, and waits for what becomes of them. What lies in the folder counts, and not what the queue says of
 * it. Faults: those of `openQueue`.
 */
export async function queueHands(url: string): Promise<Result<JobHands>> {
  const line = await openQueue(url);
  if (!line.ok) return line;
  const { queue, another } = line.value;
  const waiting = new Map<string, Waiting>();
  const events = new QueueEvents(QUEUE, { connection: another() });
  events.on('error', () => {});
  await events.waitUntilReady();

  const settle = (id: string, result: Result<void>): void => {
    waiting.get(id)?.done(result);
    waiting.delete(id);
  };
  const add = async (task: JobTask): Promise<unknown> => {
    const queued = queuedOf(task);
    return queue.add(task.job.command, queued, optionsOf(queued));
  };
  const look = async (id: string): Promise<void> => {
    const one = waiting.get(id);
    if (!one) return;
    const { job, key, base, root } = one.task;
    const there = (): boolean => isMade(root, job, key, inputsOf(base, root));
    if (there()) return settle(id, ok(undefined));
    const inQueue = await queue.getJob(id);
    if (!inQueue) {
      // It was done just now, or the queue has lost it.
      if (there()) settle(id, ok(undefined));
      else if (waiting.has(id)) await add(one.task);
    } else if (await inQueue.isFailed()) settle(id, { ok: false, fault: faultOf(inQueue.failedReason) });
  };
  const hear = ({ jobId }: { jobId: string }): void => void look(jobId).catch(() => {});
  events.on('completed', hear);
  events.on('failed', hear);
  const state = { stopped: false };
  let looking = false;
  const clock = setInterval(() => {
    if (looking) return;
    looking = true;
    void (async () => {
      for (const id of waiting.keys()) await look(id);
    })()
      .catch(() => {})
      .finally(() => (looking = false));
  }, LOOK_MS);

  return ok({
    async do(task) {
      const id = idOf(task);
      // What failed in an earlier run is tried anew.
      const before = await queue.getJob(id);
      if (before && (await before.isFailed())) await before.remove().catch(() => {});
      if (state.stopped) return fail('work-stopped');
      const told = new Promise<Result<void>>((done) => waiting.set(id, { task, done }));
      await add(task);
      return told;
    },
    stop() {
      state.stopped = true;
      for (const [id, one] of waiting) {
        one.done(fail('work-stopped'));
        // One that is being done is not taken away.
        queue
          .getJob(id)
          .then((job) => job?.remove())
          .catch(() => {});
      }
      waiting.clear();
    },
    async close() {
      clearInterval(clock);
      await events.close().catch(() => {});
      await line.value.close();
    },
  });
}
