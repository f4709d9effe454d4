import { create } from 'zustand';

/** What the hand does on the cover. Each has a key of its own, which the list of keys shows. */
export const TOOLS = [
  { id: 'work', label: 'Choose, move and change', key: '1', also: 'tool hand arrow', says: '' },
  {
    id: 'choose',
    label: 'Only choose',
    key: '2',
    also: 'tool select arrow nothing moves',
    says: 'Only choosing: nothing moves by hand. 1 moves things again.',
  },
  {
    id: 'view',
    label: 'Move the view',
    key: '3',
    also: 'tool pan hand scroll',
    says: 'The hand moves the view. 1 moves things again.',
  },
] as const;
export type Tool = (typeof TOOLS)[number]['id'];

export const useTool = create<{
  readonly tool: Tool;
  /** Whether the room round what is chosen is shown. */
  readonly gaps: boolean;
  set(tool: Tool): void;
  showGaps(shown: boolean): void;
}>((set) => ({
  tool: 'work',
  gaps: false,
  set: (tool) => set({ tool }),
  showGaps: (gaps) => set({ gaps }),
}));
