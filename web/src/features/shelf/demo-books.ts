import { demoHouse } from '@yosomi/core/demo';
import { create } from 'zustand';
import { sayFault } from '../../messages/say';
import { demoProgress, noteDemo } from '../../persist/demo-progress';
import { changeHouse } from '../../persist/keeps';
import { addTitle, isTaken } from '../../persist/titles';
import { demoList, fetchBytes } from '../../platform/http';
import { studio } from '../../work/workers';

type Demo = {
  readonly state: 'none' | 'offered' | 'loading';
  readonly done: number;
  readonly of: number;
  /** Asks the server for demo books: goes on with what was begun, begins on an empty Shelf where the server says so. */
  look(titles: number): Promise<void>;
  /** Puts the demo books on the Shelf; those that are there are left as they are. */
  add(): Promise<void>;
};

/** The demo books come onto the Shelf wherever the person goes meanwhile; what was broken off is gone on with. */
export const useDemo = create<Demo>((set, get) => {
  const run = async (files: readonly string[], before: readonly string[]): Promise<void> => {
    if (get().state === 'loading') return;
    const taken = new Set(before);
    set({ state: 'loading', done: taken.size, of: files.length });
    // The house style that the demo books share comes with them and is theirs alone.
    const house = await changeHouse('house-demo', (now) => (now.name ? now : demoHouse));
    if (!house.ok) sayFault(house.fault);
    let whole = true;
    // The last one stored is the first one shown.
    for (const name of [...files].reverse()) {
      if (taken.has(name)) continue;
      const bytes = await fetchBytes(`/demo/${name}`);
      const project = bytes && (await studio.unpack(bytes));
      if (!project?.ok) {
        whole = false;
        sayFault(project ? project.fault : { code: 'demo-unread', data: {} });
        continue;
      }
      if (!(await isTaken(project.value.book.id))) {
        const saved = await addTitle(project.value);
        if (!saved.ok) {
          whole = false;
          sayFault(saved.fault);
          break;
        }
      }
      taken.add(name);
      set({ done: taken.size });
      await noteDemo({ done: false, taken: [...taken] });
    }
    await noteDemo({ done: whole, taken: [...taken] });
    set({ state: 'offered' });
  };
  const begin = async (files: readonly string[], before: readonly string[]): Promise<void> => {
    try {
      await noteDemo({ done: false, taken: [...before] });
      await run(files, before);
    } catch {
      set({ state: 'offered' });
      sayFault({ code: 'demo-unread', data: {} });
    }
  };
  return {
    state: 'none',
    done: 0,
    of: 0,
    async look(titles) {
      const { autoload, files } = await demoList();
      if (files.length === 0 || get().state === 'loading') return;
      set({ state: 'offered' });
      const progress = await demoProgress();
      if (progress ? !progress.done : autoload && titles === 0) await begin(files, progress?.taken ?? []);
    },
    async add() {
      const { files } = await demoList();
      await begin(files, []);
    },
  };
});
