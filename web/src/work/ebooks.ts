import { type Remote, wrap } from 'comlink';
import type { EbookApi } from './ebook.worker';

/** A worker for ebooks: what it is asked fails when it ends. */
export type EbookWorker = {
  readonly api: Remote<EbookApi>;
  ask<T>(answer: T): Promise<Awaited<T>>;
  end(): void;
};

export function startEbookWorker(): EbookWorker {
  const worker = new Worker(new URL('./ebook.worker.ts', import.meta.url), { type: 'module' });
  let fail: (reason: Error) => void = () => {};
  const ended = new Promise<never>((_, reject) => (fail = reject));
  ended.catch(() => {});
  const end = (): void => {
    worker.terminate();
    fail(new Error('an ebook worker ended'));
  };
  worker.addEventListener('error', end);
  const ask = <T>(answer: T): Promise<Awaited<T>> => Promise.race([ended, Promise.resolve(answer)]);
  return { api: wrap<EbookApi>(worker), ask, end };
}
