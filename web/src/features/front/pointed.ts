import { create } from 'zustand';

/** The part under the pointer, on the cover or in the list: each shows what the other points at. */
export const usePointed = create<{ readonly id: string | null; point(id: string | null): void }>((set, get) => ({
  id: null,
  point: (id) => {
    if (get().id !== id) set({ id });
  },
}));
