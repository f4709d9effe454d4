import { useEffect, useRef, useState } from 'react';
import { sayFault } from '../../messages/say';
import { type EbookWorker, startEbookWorker } from '../../work/ebooks';

/** A long job on an ebook in a worker of its own: how far it is, and a way to end it. */
export function useEbookJob() {
  const [progress, setProgress] = useState<number | null>(null);
  const worker = useRef<EbookWorker | null>(null);
  const stop = (): void => {
    worker.current?.end();
    worker.current = null;
    setProgress(null);
  };
  useEffect(() => () => worker.current?.end(), []);
  /** Runs a job; null where it was stopped, and where it broke, which is said. */
  const run = async <T>(
    job: (worker: EbookWorker, onProgress: (done: number) => void) => Promise<T>,
  ): Promise<T | null> => {
    const own = (worker.current ??= startEbookWorker());
    setProgress(0);
    try {
      return await job(own, setProgress);
    } catch {
      if (worker.current === own) {
        own.end();
        worker.current = null;
        setProgress(null);
        sayFault({ code: 'work-failed', data: {} });
      }
      return null;
    } finally {
      if (worker.current === own) setProgress(null);
    }
  };
  return { progress, run, stop };
}
