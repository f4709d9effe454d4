import { availableParallelism, totalmem } from 'node:os';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { type DeliverJob, type DeliverNews, deliverJob } from './deliver-job';

/** What a thread may come to need, bytes: two of them and the command came to 1.6 GB. */
const A_THREAD = 1.5 * 2 ** 30;

/** As many threads as the machine has cores, and memory for. */
export const usualThreads = (): number =>
  Math.max(1, Math.min(availableParallelism(), Math.floor(totalmem() / A_THREAD), MOST_THREADS));
export const MOST_THREADS = 64;

/** Threads of this program, begun as they are needed. */
export function threadPool(most: number): Piscina {
  const pool = new Piscina({
    filename: new URL('./thread.mjs', import.meta.url).href,
    minThreads: 1,
    maxThreads: most,
    execArgv: [],
  });
  // A thread that cannot begin fails its job, which is told of there.
  pool.on('error', () => {});
  return pool;
}

/** Who makes the titles of a run. */
export type Hands = {
  /** Resolves when all that is to be told of a job was told. Rejects where a thread broke. */
  run(job: DeliverJob, tell: (news: DeliverNews) => void): Promise<void>;
  /** Every job ends after the file that it is at. */
  stop(): void;
  close(): Promise<void>;
};

/** This thread alone, one title after the other. */
function oneHand(): Hands {
  let stopped = false;
  let line: Promise<void> = Promise.resolve();
  return {
    run(job, tell) {
      line = line.catch(() => {}).then(() => deliverJob(job, tell, () => stopped));
      return line;
    },
    stop: () => void (stopped = true),
    close: async () => {},
  };
}

/** As many threads as are asked for, a title each. */
function manyHands(threads: number): Hands {
  const stop = new SharedArrayBuffer(4);
  const pool = threadPool(threads);
  return {
    async run(job, tell) {
      const { port1, port2 } = new MessageChannel();
      const told = new Promise<void>((done) => {
        port1.on('message', (news: DeliverNews | null) => (news === null ? done() : tell(news)));
      });
      try {
        await pool.run({ job, port: port2, stop }, { transferList: [port2] });
        await told;
      } finally {
        port1.close();
      }
    },
    stop: () => void Atomics.store(new Int32Array(stop), 0, 1),
    close: () => pool.destroy(),
  };
}

export const hands = (threads: number): Hands => (threads > 1 ? manyHands(threads) : oneHand());
