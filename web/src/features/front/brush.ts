import { create } from 'zustand';

/** The brush with which a picture is painted away: of which part it is, and how it paints. Width in px of the cover. */
export type Brush = {
  readonly part: string | null;
  readonly show: boolean;
  readonly widthPx: number;
  readonly soft: number;
  set(next: Partial<Pick<Brush, 'part' | 'show' | 'widthPx' | 'soft'>>): void;
};

/** The picture that a line is drawn on to make it level; null for none. */
export const useLevel = create<{ readonly part: string | null; set(part: string | null): void }>((set) => ({
  part: null,
  set: (part) => set({ part }),
}));

export const useBrush = create<Brush>((set) => ({ part: null, show: false, widthPx: 160, soft: 0.6, set }));
