import { create } from 'zustand';

/** The point of a drawn curve that is being shaped; the cover chooses it, the inspector says what can be done with it. */
type Chosen = { readonly part: string; readonly index: number };
export const useChosenNode = create<{ readonly chosen: Chosen | null; choose(chosen: Chosen | null): void }>((set) => ({
  chosen: null,
  choose: (chosen) => set({ chosen }),
}));
