import { createHash } from 'node:crypto';
import { type Fault, type Result, fail, ok } from '@yosomi/core/base';
import { Queue } from 'bullmq';
import { Redis } from 'ioredis';
import { z } from 'zod';
import type { JobTask } from './job-do';

/** The queue in which all jobs of all runs lie, whatever folder they are for. */
export const QUEUE = 'yosomi-jobs';

/** A worker that tells nothing of a job for so long has lost it, ms; it tells three times as often. */
export const LOST_MS = 9000;
/** As often may the workers of a job be lost; one that ends every worker must not go on for ever. */
export const MOST_LOST = 10;

/** As often is tried what may pass, with pauses of 0.5, 1, 2 and 4 s. */
const TRIES = { attempts: 5, backoff: { type: 'exponential', delay: 500 } };

/** What may be gone the next time: a disk that was full or away, a thread that broke, a folder that another run holds. */
const MAY_PASS: ReadonlySet<string> = new Set([
  'file-full',
  'file-unwritable',
  'file-unreadable',
  'folder-busy',
  'work-broken',
]);
export const mayPass = ({ code }: Fault): boolean => MAY_PASS.has(code);

/** A job as it lies in the queue; what it is made from is looked at where it is done. */
export const Queued = z.object({
  schema: z.literal(1),
  key: z.string(),
  base: z.string(),
  root: z.string(),
  job: z.object({
    name: z.string(),
    command: z.string(),
    of: z.array(z.string()),
    options: z.record(z.string(), z.string()),
    switches: z.array(z.string()),
    saves: z.record(z.string(), z.string()),
    priority: z.number().int().min(0).max(1000),
  }),
});
export type Queued = z.infer<typeof Queued>;

export const queuedOf = ({ job, key, base, root }: JobTask): Queued => ({
  schema: 1,
  key,
  base,
  root,
  job: { ...job, of: [...job.of], switches: [...job.switches] },
});

/** The same job for the same folder is there once, whoever asks for it. */
export const idOf = ({ key, root }: Pick<Queued, 'key' | 'root'>): string =>
  createHash('sha256').update(`${root}\n${key}`).digest('base64url');

export const optionsOf = (queued: Queued) => ({
  ...TRIES,
  jobId: idOf(queued),
  priority: queued.job.priority,
  removeOnComplete: true,
  removeOnFail: false,
});

/** Why a job failed, as the queue keeps it, and read again. */
export const reasonOf = (fault: Fault): string => JSON.stringify(fault);
export function faultOf(reason: string | undefined): Fault {
  try {
    const { code, data } = JSON.parse(reason ?? '') as Fault;
    if (typeof code === 'string' && typeof data === 'object') return { code, data };
  } catch {
    // What the engine itself says.
  }
  return { code: /stalled/.test(reason ?? '') ? 'job-lost' : 'work-broken', data: { most: MOST_LOST } };
}

export type QueueLine = {
  readonly queue: Queue;
  /** A line of its own to the same queue, for what waits on it; it ends with this one. */
  another(): Redis;
  close(): Promise<void>;
};

const FIRST_MS = 5000;

/** The queue at an address. Once it was there it is waited for where it goes away. Faults: `queue-url` (`found`), `queue-gone` (`address`). */
export async function openQueue(url: string): Promise<Result<QueueLine>> {
  if (!/^rediss?:\/\/[^\s/]+/.test(url)) return fail('queue-url', { found: url.slice(0, 80) });
  const redis = new Redis(url, { lazyConnect: true, maxRetriesPerRequest: null, connectTimeout: FIRST_MS });
  // Told of by what waits for an answer.
  redis.on('error', () => {});
  try {
    await Promise.race([
      redis.connect(),
      new Promise((_, late) => setTimeout(() => late(new Error('late')), FIRST_MS).unref()),
    ]);
  } catch {
    redis.disconnect();
    return fail('queue-gone', { address: url.replace(/\/\/[^@]*@/, '//').slice(0, 80) });
  }
  const queue = new Queue(QUEUE, { connection: redis });
  queue.on('error', () => {});
  const lines = [redis];
  return ok({
    queue,
    another() {
      const line = redis.duplicate();
      line.on('error', () => {});
      lines.push(line);
      return line;
    },
    async close() {
      await queue.close().catch(() => {});
      for (const line of lines) line.disconnect();
    },
  });
}
