import { type Fault, type Result, fail } from '@yosomi/core/base';
import { useCallback, useEffect, useRef, useState } from 'react';
import { addOwn } from '../../persist/library';
import { nowIso } from '../../platform/clock';
import { bytesOfFile, stemOf } from '../../platform/files';
import { takeOwn } from '../../work/desk';
import type { Coming } from './files-dropped';

/** What became of files that were to come into the library. */
export type Taken = {
  readonly added: number;
  /** There already, by their bytes. */
  readonly known: number;
  readonly failed: readonly { readonly name: string; readonly fault: Fault }[];
  /** Not looked at, for it was stopped, or there was no more room. */
  readonly left: number;
};

export type Taking = {
  /** How far it is; null while nothing comes in. */
  readonly now: { readonly done: number; readonly of: number } | null;
  /** What became of the last ones; null once it was read. */
  readonly last: Taken | null;
  /** Goes up when pictures have come in. */
  readonly rev: number;
  take(files: readonly Coming[]): void;
  stop(): void;
  forget(): void;
};

/** So often the library shows what has come in so far. */
const SHOW_MS = 1000;
/** Where these happen to one, they would happen to all. */
const ENDING = new Set(['library-room', 'library-full', 'store-failed']);
/** A file that is longer is not read at all. */
const MOST_MB = 300;

/** Takes many files into the library, one after the other, each checked, measured and stored before the next; it can be stopped. */
export function useTakeMany(): Taking {
  const [now, setNow] = useState<Taking['now']>(null);
  const [last, setLast] = useState<Taken | null>(null);
  const [rev, setRev] = useState(0);
  const waiting = useRef<Coming[]>([]);
  const stopping = useRef<AbortController | null>(null);
  useEffect(() => () => stopping.current?.abort(), []);

  const run = useCallback(async (): Promise<void> => {
    const stop = new AbortController();
    stopping.current = stop;
    let [added, known, done, shownMs] = [0, 0, 0, performance.now()];
    const failed: { name: string; fault: Fault }[] = [];
    setLast(null);
    for (let one = waiting.current.shift(); one && !stop.signal.aborted; one = waiting.current.shift()) {
      setNow({ done, of: done + 1 + waiting.current.length });
      const fault = await takeOne(one, stop.signal).then(
        (result) => {
          if (!result.ok) return result.fault;
          if (result.value) added++;
          else known++;
          return null;
        },
        (): Fault | null => (stop.signal.aborted ? null : { code: 'work-failed', data: {} }),
      );
      if (fault) failed.push({ name: one.file.name, fault });
      if (stop.signal.aborted || (fault && ENDING.has(fault.code))) break;
      done++;
      if (performance.now() - shownMs > SHOW_MS) {
        shownMs = performance.now();
        setRev((n) => n + 1);
      }
    }
    const left = waiting.current.length + (stop.signal.aborted ? 1 : 0);
    waiting.current = [];
    stopping.current = null;
    setNow(null);
    setRev((n) => n + 1);
    setLast({ added, known, failed, left });
  }, []);

  const take = useCallback(
    (files: readonly Coming[]): void => {
      if (files.length === 0) return;
      waiting.current.push(...files);
      if (!stopping.current) void run();
    },
    [run],
  );
  const stop = useCallback(() => stopping.current?.abort(), []);
  const forget = useCallback(() => setLast(null), []);
  return { now, last, rev, take, stop, forget };
}

/** True where it is new. Faults: those of `takeOwn` and `addOwn`, and `file-large`. */
async function takeOne({ file, folder }: Coming, signal: AbortSignal): Promise<Result<boolean>> {
  if (file.size > MOST_MB * 1048576) return fail('file-large', { mb: Math.round(file.size / 1048576), most: MOST_MB });
  const taken = await takeOwn(await bytesOfFile(file), stemOf(file.name), folder, nowIso(), signal);
  if (!taken.ok) return taken;
  return addOwn(taken.value.picture, taken.value.bytes, taken.value.small);
}
