import type { MessagePort } from 'node:worker_threads';
import { type DeliverJob, deliverJob } from './deliver-job';

export type WorkerTask = { readonly job: DeliverJob; readonly port: MessagePort; readonly stop: SharedArrayBuffer };

/** One title in a thread of its own: news go by the port, the last of them null. */
export default async function work({ job, port, stop }: WorkerTask): Promise<void> {
  const stopped = new Int32Array(stop);
  try {
    await deliverJob(
      job,
      (news) => port.postMessage(news),
      () => Atomics.load(stopped, 0) === 1,
    );
  } finally {
    port.postMessage(null);
  }
}
