import { useEffect, useRef, useState } from 'react';
import { sayFault } from '../../messages/say';

export type Work = {
  /** How far it is, 0..1; null where nothing is under way. */
  readonly done: number | null;
  run(job: (signal: AbortSignal, onProgress: (done: number) => void) => Promise<void>): void;
  stop(): void;
};

/** One long job at a time: how far it is, and a way to stop it. It stops with the view. */
export function useWork(): Work {
  const [done, setDone] = useState<number | null>(null);
  const abort = useRef<AbortController | null>(null);
  useEffect(() => () => abort.current?.abort(), []);
  const run: Work['run'] = (job) => {
    const { signal } = (abort.current = new AbortController());
    setDone(0);
    job(signal, setDone)
      .catch(() => !signal.aborted && sayFault({ code: 'work-failed', data: {} }))
      .finally(() => setDone(null));
  };
  return { done, run, stop: () => abort.current?.abort() };
}
