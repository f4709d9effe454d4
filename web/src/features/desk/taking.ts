import { type Fault, type Result, fail } from '@yosomi/core/base';
import { create } from 'zustand';
import { addOwn } from '../../persist/library';
import { nowIso } from '../../platform/clock';
import { bytesOfFile, stemOf } from '../../platform/files';
import { useSession } from '../../state/session';
import { cameBack } from '../../work/come-back';
import { openDesk, takeOwn } from '../../work/desk';
import type { Coming } from './files-dropped';
import { ownChanged } from './own-rev';

/** What became of files that were to come into the library. */
export type Taken = {
  readonly added: number;
  /** There already, by their bytes. */
  readonly known: number;
  readonly failed: readonly { readonly name: string; readonly fault: Fault }[];
  /** Not looked at, for it was stopped, or there was no more room. */
  readonly left: number;
};

type Taking = {
  /** How far it is; null while nothing comes in. */
  readonly now: { readonly done: number; readonly of: number } | null;
  /** What became of the last ones; null once it was read. */
  readonly last: Taken | null;
};

/** How far taking in is. It goes on while the desk is closed, and is there when it is opened again. */
export const useTaking = create<Taking>(() => ({ now: null, last: null }));

/** So often the library shows what has come in so far. */
const SHOW_MS = 1000;
/** Where these happen to one, they would happen to all. */
const ENDING = new Set(['library-room', 'library-full', 'store-failed']);
/** A file that is longer is not read at all. */
const MOST_MB = 300;

let waiting: Coming[] = [];
let stopping: AbortController | null = null;

/** Takes files into the library, one after the other, each checked, measured and stored before the next. */
export function takeMany(files: readonly Coming[]): void {
  if (files.length === 0) return;
  waiting.push(...files);
  if (!stopping) void run();
}

export const stopTaking = (): void => stopping?.abort();
export const forgetTaken = (): void => useTaking.setState({ last: null });

async function run(): Promise<void> {
  const stop = new AbortController();
  stopping = stop;
  // Its workers are those of the desk, which stand by for as long as this takes.
  const close = openDesk();
  let [added, known, done, shownMs] = [0, 0, 0, performance.now()];
  const failed: { name: string; fault: Fault }[] = [];
  forgetTaken();
  for (let one = waiting.shift(); one; one = waiting.shift()) {
    useTaking.setState({ now: { done, of: done + 1 + waiting.length } });
    const result = await takeOne(one, stop.signal).catch((): Result<boolean> => fail('work-failed'));
    const { aborted } = stop.signal;
    if (!result.ok && aborted) {
      waiting.unshift(one);
      break;
    }
    if (!result.ok) failed.push({ name: one.file.name, fault: result.fault });
    else if (result.value) added++;
    else known++;
    if (aborted || (!result.ok && ENDING.has(result.fault.code))) break;
    done++;
    if (performance.now() - shownMs > SHOW_MS) {
      shownMs = performance.now();
      ownChanged();
    }
  }
  const left = waiting.length;
  waiting = [];
  stopping = null;
  close();
  ownChanged();
  useTaking.setState({ now: null, last: { added, known, failed, left } });
}

/** True where it is new. Faults: those of `takeOwn` and `addOwn`, and `file-large`. */
async function takeOne({ file, folder }: Coming, signal: AbortSignal): Promise<Result<boolean>> {
  if (file.size > MOST_MB * 1048576) return fail('file-large', { mb: Math.round(file.size / 1048576), most: MOST_MB });
  const taken = await takeOwn(await bytesOfFile(file), stemOf(file.name), folder, nowIso(), signal);
  if (!taken.ok) return taken;
  const { picture, bytes, small } = taken.value;
  const added = await addOwn(picture, bytes, small);
  // The open title names it: where its file was missing, it is there again.
  if (added.ok && useSession.getState().book?.assets[picture.asset.id]) cameBack();
  return added;
}
