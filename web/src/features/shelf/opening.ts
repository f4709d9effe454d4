import { type Fault, type Result, fail, ok } from '@yosomi/core/base';
import { formatOf } from '@yosomi/core/image-file';
import type { Project } from '@yosomi/core/project';
import { create } from 'zustand';
import { saveAsset } from '../../persist/assets';
import { addTitle, isTaken, loadBook } from '../../persist/titles';
import { bytesOfFile } from '../../platform/files';
import { cameBack } from '../../work/come-back';
import { press } from '../../work/workers';
import { MOST_PROJECT_MB, keepBoth, withFreshId } from './take-in';

/** What became of many title files that were opened at once. */
export type Opened = {
  readonly opened: number;
  /** Files of titles that are on the Shelf already, just so. */
  readonly same: number;
  /** Files of titles that are on the Shelf in another state: the one on the Shelf was left as it is. */
  readonly other: readonly File[];
  readonly failed: readonly { readonly name: string; readonly fault: Fault }[];
  /** Not looked at, for it was stopped, or there was no more room. */
  readonly left: readonly File[];
};

type Opening = {
  /** How far it is; null while none is opened. */
  readonly now: { readonly done: number; readonly of: number } | null;
  /** What became of the last ones; null once that was read. */
  readonly last: Opened | null;
};

/** How far the opening of many files is. It goes on wherever the person is. */
export const useOpening = create<Opening>(() => ({ now: null, last: null }));

/** Where these happen to one, they would happen to all. */
const ENDING = new Set(['store-full', 'store-failed']);

type Become = 'opened' | 'same' | 'other';

let waiting: File[] = [];
let stopping: AbortController | null = null;
/** Whether a title that is on the Shelf in another state is put beside it. */
let beside = false;

/** A title that is there just so may lack pictures that its file has: they come back with it. Faults: `store-full`, `store-failed`. */
async function givenBack(files: Project['files']): Promise<Result<Become>> {
  let back = false;
  for (const [id, bytes] of files) {
    const saved = await saveAsset(id, bytes);
    if (!saved.ok) return saved;
    back ||= saved.value;
  }
  if (back) cameBack();
  return ok('same');
}

/** Faults: `title-large`, `project-not`, those of `unpackProject`, `store-full`, `store-failed`. */
async function openOne(file: File): Promise<Result<Become>> {
  if (file.size > MOST_PROJECT_MB * 1048576)
    return fail('title-large', { mb: Math.round(file.size / 1048576), most: MOST_PROJECT_MB });
  const bytes = await bytesOfFile(file);
  const format = formatOf(bytes);
  if (typeof format !== 'object' || format.other !== 'a zip') return fail('project-not');
  const unpacked = await press().unpack(bytes);
  if (!unpacked.ok) return unpacked;
  const { book, files } = unpacked.value;
  const there = await loadBook(book.id);
  if (there.ok) {
    // A file keeps only the pictures in use, and is the same title all the same.
    const plain = (one: typeof book): string => JSON.stringify({ ...one, assets: null });
    if (plain(there.value) === plain(book)) return givenBack(files);
    if (!beside) return ok('other');
    const kept = await keepBoth(unpacked.value);
    return kept.ok ? ok('opened') : kept;
  }
  const placed = (await isTaken(book.id)) ? withFreshId(unpacked.value) : unpacked.value;
  const saved = await addTitle(placed);
  return saved.ok ? ok('opened') : saved;
}

async function run(): Promise<void> {
  const stop = new AbortController();
  stopping = stop;
  let [opened, same, done] = [0, 0, 0];
  const other: File[] = [];
  const failed: { name: string; fault: Fault }[] = [];
  const left: File[] = [];
  useOpening.setState({ last: null });
  for (let file = waiting.shift(); file; file = waiting.shift()) {
    if (stop.signal.aborted) {
      left.push(file);
      continue;
    }
    useOpening.setState({ now: { done, of: done + 1 + waiting.length } });
    const become = await openOne(file).catch((): Result<Become> => fail('work-failed'));
    done++;
    if (become.ok) {
      if (become.value === 'opened') opened++;
      else if (become.value === 'same') same++;
      else other.push(file);
      continue;
    }
    failed.push({ name: file.name, fault: become.fault });
    if (ENDING.has(become.fault.code)) stop.abort();
  }
  stopping = null;
  beside = false;
  useOpening.setState({ now: null, last: { opened, same, other, failed, left } });
}

/** Opens title files one after the other: each is on the Shelf before the next is read, and one that is damaged stops none. */
export function openMany(files: readonly File[], putBeside = false): void {
  waiting.push(...files);
  if (stopping) return;
  beside = putBeside;
  void run();
}

export const stopOpening = (): void => stopping?.abort();
export const forgetOpened = (): void => useOpening.setState({ last: null });

if (typeof window !== 'undefined') {
  window.addEventListener('beforeunload', (e) => {
    if (useOpening.getState().now) e.preventDefault();
  });
}
