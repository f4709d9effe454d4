import type { Fault } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import { type Deliverable, type Wishes, deliverables } from '@yosomi/core/recipe';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useRef, useState } from 'react';
import { sayFault } from '../../messages/say';
import { type Delivery, deliveriesOf } from '../../persist/deliveries';
import { type MadeFile, madeFiles } from '../../persist/made-files';
import { useOthers } from '../mockups/use-others';
import { makeFile } from './make';

export type Row = {
  readonly wanted: Deliverable;
  readonly made: MadeFile | null;
  /** True where the file was made from another state of the title than the present one. */
  readonly stale: boolean;
  readonly fault: Fault | null;
  readonly busy: boolean;
  /** The last time this file left. */
  readonly left: Delivery | null;
};

/** The files of a title: which there are, which are stale, and how to make them. */
export function useDeliver(book: Book, wishes: Wishes) {
  const [made, setMade] = useState<ReadonlyMap<string, MadeFile>>(new Map());
  const [faults, setFaults] = useState<ReadonlyMap<string, Fault>>(new Map());
  const [busy, setBusy] = useState<string | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const abort = useRef<AbortController | null>(null);
  const deliveries = useLiveQuery(() => deliveriesOf(book.id), [book.id]) ?? [];
  useEffect(() => {
    void madeFiles(book.id).then((files) => setMade(new Map(files.map((f) => [f.deliverable, f]))));
    return () => abort.current?.abort();
  }, [book.id]);

  const others = useOthers(book.scene);
  const rows: Row[] = deliverables(book, others, wishes).map((wanted) => {
    const file = made.get(wanted.id) ?? null;
    const fault = faults.get(wanted.id) ?? null;
    const left = deliveries.find((d) => d.deliverable === wanted.id) ?? null;
    return {
      wanted,
      made: file,
      stale: file !== null && file.key !== wanted.key,
      fault,
      busy: busy === wanted.id,
      left,
    };
  });

  /** Makes these files one after the other; one that fails does not stop the rest. */
  const make = async (list: readonly Deliverable[]): Promise<void> => {
    if (progress !== null) return;
    const stop = (abort.current = new AbortController());
    setProgress(0);
    for (const [i, wanted] of list.entries()) {
      if (stop.signal.aborted) break;
      setBusy(wanted.id);
      const file = await makeFile(book, wanted, stop.signal, others, wishes);
      if (file.ok) {
        setMade((now) => new Map(now).set(wanted.id, file.value));
        setFaults((now) => new Map([...now].filter(([id]) => id !== wanted.id)));
      } else if (!stop.signal.aborted) {
        setFaults((now) => new Map(now).set(wanted.id, file.fault));
        sayFault(file.fault);
      }
      setProgress((i + 1) / list.length);
    }
    setBusy(null);
    setProgress(null);
  };
  return { rows, make, progress, stop: () => abort.current?.abort() };
}
