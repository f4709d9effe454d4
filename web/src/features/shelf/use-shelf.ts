import type { Card } from '@yosomi/core/shelf';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useState } from 'react';
import { sayFault, say } from '../../messages/say';
import { type Unread, storedCards } from '../../persist/cards';
import { db } from '../../persist/db';
import { putBack, removeTitle } from '../../persist/removed';
import { loadBook } from '../../persist/titles';
import { nowIso } from '../../platform/clock';
import { tallyBeside } from '../../work/shelf';
import { duplicateTitle } from './take-in';

export type Shelf = {
  /** A card of every title that can be read. */
  readonly cards: readonly Card[];
  /** Titles that cannot be. */
  readonly unread: readonly Unread[];
  /** How many titles are there. */
  readonly count: number;
  /** How many of how many have been read, while cards are made for the first time. */
  readonly reading: { readonly done: number; readonly of: number } | null;
};

/** All titles, as their cards tell; null until they are read. */
export function useShelf(): Shelf | null {
  const stored = useLiveQuery(async () => ({
    cards: await storedCards(),
    ids: await db.titles.toCollection().primaryKeys(),
  }));
  const [unread, setUnread] = useState<readonly Unread[]>([]);
  const [reading, setReading] = useState<Shelf['reading']>(null);
  const lacking = useMemo(() => {
    const there = new Set(stored?.cards.map(({ id }) => id));
    return stored?.ids.filter((id) => !there.has(id)) ?? [];
  }, [stored]);
  const key = lacking.join(' ');
  useEffect(() => {
    if (key === '') return;
    let over = false;
    tallyBeside((done, of) => !over && setReading({ done, of }))
      .then((found) => !over && setUnread(found))
      .catch(() => !over && sayFault({ code: 'work-failed', data: {} }))
      .finally(() => !over && setReading(null));
    return () => {
      over = true;
    };
  }, [key]);
  return useMemo(
    () =>
      stored
        ? {
            cards: stored.cards,
            unread: unread.filter(({ id }) => lacking.includes(id)),
            count: stored.ids.length,
            reading,
          }
        : null,
    [stored, unread, lacking, reading],
  );
}

const many = (count: number): string => `${count} titles`;

/** Takes titles off the Shelf; one notice puts all of them back. */
export async function removeFromShelf(
  titles: readonly { readonly id: string; readonly name: string }[],
): Promise<void> {
  const gone: string[] = [];
  for (const { id } of titles) {
    const removed = await removeTitle(id, nowIso());
    if (removed.ok) gone.push(id);
    else sayFault(removed.fault);
  }
  if (gone.length === 0) return;
  const back = async (): Promise<void> => {
    for (const id of gone) {
      const done = await putBack(id);
      if (!done.ok) sayFault(done.fault);
    }
  };
  const one = titles.length === 1;
  say(
    `${one ? `"${titles[0].name}" was` : `${many(gone.length)} were`} removed. ${one ? 'It' : 'They'} can be put back for 30 days.`,
    { label: one ? 'Put it back' : 'Put them back', run: () => void back() },
  );
}

export async function duplicate(id: string): Promise<void> {
  const book = await loadBook(id);
  if (!book.ok) return sayFault(book.fault);
  const done = await duplicateTitle(book.value);
  if (!done.ok) return sayFault(done.fault);
  say(`"${done.value.brief.title}" is on the Shelf.`);
}
