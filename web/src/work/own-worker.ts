import { type Remote, wrap } from 'comlink';

/** A worker that can be ended at any time: what it was asked fails then, instead of never being answered. */
export type OwnWorker<Api> = {
  readonly api: Remote<Api>;
  ask<T>(answer: T): Promise<Awaited<T>>;
  end(): void;
};

/** `onBroken` is called once when the worker breaks or its script does not load; what it was asked has failed by then. */
export function ownWorker<Api>(worker: Worker, onBroken: () => void = () => {}): OwnWorker<Api> {
  let fail: (reason: Error) => void = () => {};
  const ended = new Promise<never>((_, reject) => (fail = reject));
  ended.catch(() => {});
  let over = false;
  const end = (): void => {
    over = true;
    worker.terminate();
    fail(new Error('a worker ended'));
  };
  const broken = (): void => {
    if (over) return;
    end();
    onBroken();
  };
  worker.addEventListener('error', broken);
  worker.addEventListener('messageerror', broken);
  const ask = <T>(answer: T): Promise<Awaited<T>> => Promise.race([ended, Promise.resolve(answer)]);
  return { api: wrap<Api>(worker), ask, end };
}

type Call = (...input: unknown[]) => unknown;

/**
 * The functions of a worker that is started when one of them is first called, and anew after it broke: what it was asked
 * fails then, and the next call goes to the new one.
 */
export function supervised<Api>(start: () => Worker, onBroken: () => void = () => {}): Remote<Api> {
  let now: OwnWorker<Api> | null = null;
  const current = (): OwnWorker<Api> =>
    (now ??= ownWorker<Api>(start(), () => {
      now = null;
      onBroken();
    }));
  return new Proxy({} as Remote<Api> & object, {
    get(_, name) {
      // A proxy that is awaited must not look like a promise.
      if (name === 'then') return undefined;
      return async (...input: unknown[]): Promise<unknown> => {
        const { api, ask } = current();
        return ask((api as unknown as Record<PropertyKey, Call>)[name](...input));
      };
    },
  });
}
