import { type Remote, wrap } from 'comlink';

/** A worker that can be ended at any time: what it was asked fails then, instead of never being answered. */
export type OwnWorker<Api> = {
  readonly api: Remote<Api>;
  ask<T>(answer: T): Promise<Awaited<T>>;
  end(): void;
};

export function ownWorker<Api>(worker: Worker, onBroken: () => void = () => {}): OwnWorker<Api> {
  let fail: (reason: Error) => void = () => {};
  const ended = new Promise<never>((_, reject) => (fail = reject));
  ended.catch(() => {});
  const end = (): void => {
    worker.terminate();
    fail(new Error('a worker ended'));
  };
  worker.addEventListener('error', () => {
    end();
    onBroken();
  });
  const ask = <T>(answer: T): Promise<Awaited<T>> => Promise.race([ended, Promise.resolve(answer)]);
  return { api: wrap<Api>(worker), ask, end };
}
