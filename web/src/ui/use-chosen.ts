import { useState } from 'react';

/** How a tile was meant: by itself, beside those that are chosen, or all from the last one to it. */
export type Manner = 'alone' | 'beside' | 'through';

export type Chosen = {
  readonly ids: readonly string[];
  has(id: string): boolean;
  choose(id: string, manner: Manner): void;
  one(id: string): void;
  all(): void;
  none(): void;
};

/** Which of the found things are chosen. What is found no longer is not chosen any more, but for the one that was chosen alone. */
export function useChosen(found: readonly { readonly id: string }[]): Chosen {
  const [ids, setIds] = useState<readonly string[]>([]);
  const [from, setFrom] = useState<string | null>(null);
  const there = new Set(found.map(({ id }) => id));
  const now = ids.length > 1 ? ids.filter((id) => there.has(id)) : ids;
  const taken = new Set(now);
  const choose = (id: string, manner: Manner): void => {
    const [a, b] = [found.findIndex((one) => one.id === from), found.findIndex((one) => one.id === id)];
    if (manner === 'through' && a >= 0 && b >= 0) {
      setIds(found.slice(Math.min(a, b), Math.max(a, b) + 1).map((one) => one.id));
      return;
    }
    setFrom(id);
    if (manner === 'beside') setIds(taken.has(id) ? now.filter((one) => one !== id) : [...now, id]);
    else setIds([id]);
  };
  return {
    ids: now,
    has: (id) => taken.has(id),
    choose,
    one: (id) => choose(id, 'alone'),
    all: () => setIds(found.map(({ id }) => id)),
    none: () => setIds([]),
  };
}
