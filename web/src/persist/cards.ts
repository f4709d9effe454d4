import { type Fault, type Result, fail } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import { type Card, Cards, cardOf } from '@yosomi/core/shelf';
import { type CardRow, db } from './db';
import { nameOfRow, readRow } from './rows';

/** A title on the Shelf that this release cannot read; it stays stored as it is. */
export type Unread = { readonly id: string; readonly name: string; readonly fault: Fault };

/** Inside a transaction on `cards`: what lists show of a title, in step with what is stored of it. */
export const putCard = (book: Book): Promise<unknown> => {
  const value = cardOf(book);
  return db.cards.put({ id: value.id, series: value.series, value });
};

function ofRows(rows: readonly CardRow[]): Card[] {
  return rows.flatMap(({ id, value }) => {
    const read = Cards.read(value);
    return read.ok && read.value.id === id ? [read.value] : [];
  });
}

/** The cards that are there; titles that have none yet are not among them. */
export const storedCards = async (): Promise<Card[]> => ofRows(await db.cards.toArray());

/** Titles of which no card can be read. */
async function without(cards: readonly Card[]): Promise<string[]> {
  const there = new Set(cards.map(({ id }) => id));
  return (await db.titles.toCollection().primaryKeys()).filter((id) => !there.has(id));
}

const bookOf = (row: unknown): Result<Book> => readRow(row)?.book ?? fail('project-damaged', { where: 'row' });

/** A card of every title that can be read; one that has none yet is read whole. */
export async function allCards(): Promise<Card[]> {
  const cards = await storedCards();
  const rows = await db.titles.bulkGet(await without(cards));
  return [
    ...cards,
    ...rows.flatMap((row) => {
      const book = bookOf(row);
      return book.ok ? [cardOf(book.value)] : [];
    }),
  ];
}

/** Ids of the titles of a series, and of those of which that cannot be told yet. */
export async function mayBeOfSeries(series: string): Promise<string[]> {
  const [own, all] = await Promise.all([
    db.cards.where('series').equals(series).primaryKeys(),
    db.cards.toCollection().primaryKeys(),
  ]);
  const known = new Set(all);
  return [...own, ...(await db.titles.toCollection().primaryKeys()).filter((id) => !known.has(id))];
}

/** Titles read at once: few enough that the page can draw in between. */
const SOME = 10;

/**
 * Makes the cards that are missing and drops those of titles that are gone. Answers the titles that cannot be read. `onSome` hears how many of
 * how many have been read.
 */
export async function tallyCards(onSome: (done: number, of: number) => void = () => {}): Promise<Unread[]> {
  const waiting = await without(await storedCards());
  const unread: Unread[] = [];
  for (let at = 0; at < waiting.length; at += SOME) {
    await db.transaction('rw', [db.titles, db.cards], async () => {
      for (const id of waiting.slice(at, at + SOME)) {
        const row = await db.titles.get(id);
        if (!row) continue;
        const book = bookOf(row);
        if (book.ok) await putCard(book.value);
        else unread.push({ id, name: nameOfRow(row), fault: book.fault });
      }
    });
    onSome(Math.min(waiting.length, at + SOME), waiting.length);
    await new Promise((go) => setTimeout(go));
  }
  await db.transaction('rw', [db.titles, db.cards], async () => {
    const titles = new Set(await db.titles.toCollection().primaryKeys());
    const gone = (await db.cards.toCollection().primaryKeys()).filter((id) => !titles.has(id));
    await db.cards.bulkDelete(gone);
  });
  return unread;
}

/** A title as it is stored; null where it is gone. What its card says wrongly is put right. Faults: those of `readBook`. */
export async function checkCard(id: string): Promise<Result<Book> | null> {
  const [row, card] = await db.transaction('r', [db.titles, db.cards], () =>
    Promise.all([db.titles.get(id), db.cards.get(id)]),
  );
  const book = row ? bookOf(row) : null;
  const right = book?.ok ? cardOf(book.value) : null;
  const said = ofRows(card ? [card] : [])[0] ?? null;
  if (JSON.stringify(said) !== JSON.stringify(right)) await tallyOne(id);
  return book;
}

/** Makes the card of one title anew, from what is stored of it now. */
async function tallyOne(id: string): Promise<void> {
  await db.transaction('rw', [db.titles, db.cards], async () => {
    const book = bookOf(await db.titles.get(id));
    await (book.ok ? putCard(book.value) : db.cards.delete(id));
  });
}
