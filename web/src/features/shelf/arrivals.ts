import type { Result } from '@yosomi/core/base';
import type { Book, Project } from '@yosomi/core/project';
import { create } from 'zustand';
import { sayFault } from '../../messages/say';
import { type Arrival, dropArrival, keepArrival, keptArrival } from '../../persist/arrival';
import type { TakenPicture } from '@yosomi/core/recipe';
import { takeIn } from './take-in';

type State =
  | { readonly kind: 'none' }
  | { readonly kind: 'reading'; readonly name: string }
  | {
      readonly kind: 'picture';
      readonly name: string;
      readonly use: Arrival['use'];
      readonly taken: TakenPicture;
      readonly preview: ImageBitmap;
    }
  | { readonly kind: 'again'; readonly name: string; readonly project: Project; readonly there: Book }
  | { readonly kind: 'title'; readonly name: string; readonly book: Book };

type Arrivals = {
  readonly state: State;
  /** Takes a file in. It is kept until it has become a title or is let go, so that leaving the page loses nothing. */
  take(file: File, use: Arrival['use']): Promise<void>;
  /** Takes up what was left behind by an earlier visit, where no other window has it in hand. */
  resume(): Promise<void>;
  /** The file has become a title, or is let go. */
  drop(): Promise<void>;
};

const LOCK = 'yosomi-arrival';
let release: (() => void) | null = null;

/** Says to other windows that the kept file is in hand here; false where another one has it. */
function claim(): Promise<boolean> {
  if (release) return Promise.resolve(true);
  if (typeof navigator === 'undefined' || !navigator.locks) return Promise.resolve(true);
  return new Promise((resolve) => {
    void navigator.locks.request(LOCK, { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock ? new Promise<void>((end) => (release = end)) : undefined;
    });
  });
}

/** Each file has its number: one that was let go meanwhile changes nothing when it has been read. */
let latest = 0;

export const useArrival = create<Arrivals>((set, get) => {
  const read = async ({ name, use, file }: Arrival): Promise<void> => {
    const mine = ++latest;
    set({ state: { kind: 'reading', name } });
    const taken: Result<Awaited<ReturnType<typeof takeIn>> extends Result<infer T> ? T : never> = await takeIn(
      file,
      name,
    ).catch(() => ({ ok: false, fault: { code: 'work-failed', data: {} } }));
    if (mine !== latest) return;
    if (!taken.ok) {
      await get().drop();
      return sayFault(taken.fault);
    }
    const one = taken.value;
    if (one.kind !== 'picture') return set({ state: { ...one, name } });
    const { sample } = one.taken;
    const preview = await createImageBitmap(new ImageData(sample.data, sample.width, sample.height));
    if (mine === latest) set({ state: { ...one, use, preview } });
  };
  return {
    state: { kind: 'none' },
    async take(file, use) {
      await claim();
      const arrival = { name: file.name, use, file };
      // Where there is no room to keep it, it is read all the same.
      await keepArrival(arrival);
      await read(arrival);
    },
    async resume() {
      if (get().state.kind !== 'none') return;
      const kept = await keptArrival().catch(() => null);
      if (kept && get().state.kind === 'none' && (await claim())) await read(kept);
    },
    async drop() {
      latest++;
      set({ state: { kind: 'none' } });
      release?.();
      release = null;
      await dropArrival();
    },
  };
});
