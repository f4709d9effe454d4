import { create } from 'zustand';

/** Something a person can do now: found by its words in the command list, and by its keys where it has some. */
export type Action = {
  readonly id: string;
  readonly label: string;
  /** Other words by which it is looked for. */
  readonly also?: string;
  /** The group it stands in on the shortcut sheet. */
  readonly group: string;
  /** In the notation of tinykeys, for example "$mod+d". */
  readonly combos?: readonly string[];
  run(): void;
};

type Actions = {
  readonly lists: Readonly<Record<string, readonly Action[]>>;
  offer(owner: string, actions: readonly Action[]): void;
  withdraw(owner: string): void;
};

/** What the open screens offer. A screen offers its actions while it is shown. */
export const useActions = create<Actions>((set) => ({
  lists: {},
  offer: (owner, actions) => set((now) => ({ lists: { ...now.lists, [owner]: actions } })),
  withdraw: (owner) =>
    set((now) => ({ lists: Object.fromEntries(Object.entries(now.lists).filter(([k]) => k !== owner)) })),
}));

/** "$mod+Shift+z" as a person reads it: "Ctrl Shift Z". */
export const keysOf = (combo: string): string =>
  combo
    .split(/\+(?=.)/)
    .map(
      (key) =>
        ({
          $mod: 'Ctrl',
          Key: '',
          ArrowUp: 'Up',
          ArrowDown: 'Down',
          Escape: 'Esc',
          ' ': 'Space',
          BracketLeft: '[',
          BracketRight: ']',
        })[key] ?? key,
    )
    .map((key) => (key.length === 1 ? key.toUpperCase() : key))
    .join(' ');
