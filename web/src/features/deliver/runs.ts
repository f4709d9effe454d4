import type { Fault } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import type { Deliverable, Others, Wishes } from '@yosomi/core/recipe';
import { create } from 'zustand';
import { type MadeFile, isKept, madeKeys } from '../../persist/made-files';

/** The files that are to be made of one title. */
export type Job = { readonly book: Book; readonly files: readonly Deliverable[] };

export type Failure = {
  readonly book: string;
  readonly title: string;
  readonly wanted: string;
  readonly file: string;
  readonly fault: Fault;
};

/** The making of files of one title (its id), or of many (`MANY`): it goes on wherever the person is, until it is done or stopped. */
export type Run = {
  readonly id: string;
  readonly label: string;
  readonly running: boolean;
  readonly done: number;
  readonly of: number;
  /** What is being made now. */
  readonly now: { readonly book: string; readonly wanted: string; readonly label: string } | null;
  readonly made: number;
  /** Files that were there and true already. */
  readonly kept: number;
  readonly failures: readonly Failure[];
  /** Files that found no room in the browser: they are there as long as the page is. */
  readonly loose: ReadonlyMap<string, MadeFile>;
};

export const MANY = 'many';

type Runs = {
  readonly runs: Readonly<Record<string, Run>>;
  /** Starts a run, unless one of this id is under way. `fresh` makes also what is there and true. */
  start(id: string, label: string, jobs: readonly Job[], others: Others, wishes: Wishes, fresh: boolean): void;
  stop(id: string): void;
};

const aborts = new Map<string, AbortController>();

/** The place of a file among those of many titles. */
export const looseKey = (book: string, wanted: string): string => `${book}/${wanted}`;

export const useRuns = create<Runs>((set, get) => {
  const change = (id: string, more: (run: Run) => Partial<Run>): void =>
    set(({ runs }) => ({ runs: runs[id] ? { ...runs, [id]: { ...runs[id], ...more(runs[id]) } } : runs }));

  const one = async (
    id: string,
    book: Book,
    wanted: Deliverable,
    others: Others,
    wishes: Wishes,
    signal: AbortSignal,
  ): Promise<void> => {
    const title = book.brief.title || 'Untitled';
    const failed = (fault: Fault): void => {
      const failure = { book: book.id, title, wanted: wanted.id, file: wanted.label, fault };
      change(id, (run) => ({ failures: [...run.failures, failure] }));
    };
    const { makeFile } = await import('./make');
    const made = await makeFile(book, wanted, signal, others, wishes);
    if (!made.ok) {
      if (!signal.aborted) failed(made.fault);
      return;
    }
    if (await isKept(book.id, wanted.id, wanted.key)) return change(id, (run) => ({ made: run.made + 1 }));
    // It can be saved while the page is open, but a package cannot take it from the store.
    change(id, (run) => ({
      made: run.made + 1,
      loose: new Map(run.loose).set(looseKey(book.id, wanted.id), made.value),
    }));
    failed({ code: 'package-missing', data: { name: wanted.fileName } });
  };

  const run = async (
    id: string,
    jobs: readonly Job[],
    others: Others,
    wishes: Wishes,
    fresh: boolean,
    signal: AbortSignal,
  ): Promise<void> => {
    for (const { book, files } of jobs) {
      const there = fresh ? null : await madeKeys(book.id);
      for (const wanted of files) {
        if (signal.aborted) return;
        const label = jobs.length > 1 ? `${book.brief.title || 'Untitled'}: ${wanted.label}` : wanted.label;
        change(id, () => ({ now: { book: book.id, wanted: wanted.id, label } }));
        if (there?.get(wanted.id)?.key === wanted.key) change(id, ({ kept }) => ({ kept: kept + 1 }));
        else await one(id, book, wanted, others, wishes, signal);
        if (!signal.aborted) change(id, ({ done }) => ({ done: done + 1 }));
      }
    }
  };

  return {
    runs: {},
    start(id, label, jobs, others, wishes, fresh) {
      const before = get().runs[id];
      if (before?.running) return;
      const wanted = new Set(jobs.flatMap(({ book, files }) => files.map((file) => looseKey(book.id, file.id))));
      // What is made again now is no longer what it was; the rest is as it was said before.
      const failures = (before?.failures ?? []).filter((f) => id !== MANY && !wanted.has(looseKey(f.book, f.wanted)));
      const abort = new AbortController();
      aborts.set(id, abort);
      const state: Run = {
        id,
        label,
        running: true,
        done: 0,
        of: jobs.reduce((n, { files }) => n + files.length, 0),
        now: null,
        made: 0,
        kept: 0,
        failures,
        loose: before?.loose ?? new Map(),
      };
      set(({ runs }) => ({ runs: { ...runs, [id]: state } }));
      void run(id, jobs, others, wishes, fresh, abort.signal).finally(() => {
        change(id, () => ({ running: false, now: null }));
        aborts.delete(id);
      });
    },
    stop: (id) => aborts.get(id)?.abort(),
  };
});

if (typeof window !== 'undefined') {
  window.addEventListener('beforeunload', (e) => {
    if (Object.values(useRuns.getState().runs).some((one) => one.running)) e.preventDefault();
  });
}
