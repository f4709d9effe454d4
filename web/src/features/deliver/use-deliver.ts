import type { Fault } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import { type Deliverable, type Wishes, deliverables } from '@yosomi/core/recipe';
import { useLiveQuery } from 'dexie-react-hooks';
import { type Delivery, deliveriesOf } from '../../persist/deliveries';
import { type MadeFile, madeFiles } from '../../persist/made-files';
import { useAllOthers } from '../mockups/use-others';
import { looseKey, useRuns } from './runs';

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

/** The files of a title: which there are, which are stale, and how to make them. The making outlives the page. */
export function useDeliver(book: Book, wishes: Wishes) {
  const made = useLiveQuery(() => madeFiles(book.id), [book.id]) ?? [];
  const left = useLiveQuery(() => deliveriesOf(book.id), [book.id]) ?? { value: [], fault: null };
  const run = useRuns((s) => s.runs[book.id] ?? null);
  const start = useRuns((s) => s.start);
  const stop = useRuns((s) => s.stop);
  const others = useAllOthers(book);
  const rows: Row[] = deliverables(book, others, wishes).map((wanted) => {
    const stored = made.find((f) => f.deliverable === wanted.id) ?? null;
    const loose = run?.loose.get(looseKey(book.id, wanted.id)) ?? null;
    const file = loose && stored?.key !== wanted.key ? loose : stored;
    const failure = run?.failures.find((f) => f.wanted === wanted.id && f.fault.code !== 'package-missing');
    return {
      wanted,
      made: file,
      stale: file !== null && file.key !== wanted.key,
      fault: failure?.fault ?? null,
      busy: run?.now?.wanted === wanted.id,
      left: left.value.find((d) => d.deliverable === wanted.id) ?? null,
    };
  });
  const title = book.brief.title || 'Untitled';
  return {
    rows,
    /** Why not all that left can be told. */
    unread: left.fault,
    /** Makes these files one after the other; one that fails does not stop the rest. */
    make: (files: readonly Deliverable[]): void =>
      start(book.id, `Files of ${title}`, [{ book, files }], others, wishes, true),
    progress: run?.running ? run.done / Math.max(1, run.of) : null,
    stop: (): void => stop(book.id),
  };
}
