import { type Card, cardOf } from '@yosomi/core/shelf';
import { useQuery } from '@tanstack/react-query';
import { proxy } from 'comlink';
import { hasFiles } from '../persist/assets';
import { type Unread, checkCard, tallyCards } from '../persist/cards';
import { type Looked, lookThrough } from '../persist/look-through';
import { inMemory } from '../persist/memory';
import { keepSmall, smallOf } from '../persist/smalls';
import { supervised } from './own-worker';
import type { ShelfApi } from './shelf.worker';
import { useComeBack } from './come-back';
import { SMALL_PX, smallPicture } from './sight';
import { studio } from './workers';

const shelf = supervised<ShelfApi>(() => new Worker(new URL('./shelf.worker.ts', import.meta.url), { type: 'module' }));

/** Looks through titles beside the page; where the browser stores nothing, the page alone can read them. */
export const lookThroughBeside = (ids: readonly string[]): Promise<Looked[]> =>
  inMemory() ? lookThrough(ids) : shelf.lookThrough(ids);

/** Makes the cards that are missing, beside the page where that can be. */
export const tallyBeside = (onSome: (done: number, of: number) => void): Promise<Unread[]> =>
  inMemory() ? tallyCards(onSome) : shelf.tallyCards(proxy(onSome));

const KEEP_MS = 60_000;

type Bytes = Uint8Array<ArrayBuffer>;

/** Bytes as an address that holds them: one that names a blob is registered with the browser, and a long list would wait for that. */
const addressOf = (bytes: Bytes): Promise<string> =>
  new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.onerror = () => fail(reader.error ?? new Error('not read'));
    reader.readAsDataURL(new Blob([bytes], { type: bytes[0] === 0x89 ? 'image/png' : 'image/webp' }));
  });

/** Covers are painted one after the other; what is no longer looked at when its turn comes is left out. */
let line: Promise<unknown> = Promise.resolve();
function inTurn<T>(run: () => Promise<T>, signal: AbortSignal): Promise<T> {
  const mine = line.then(() => {
    signal.throwIfAborted();
    return run();
  });
  line = mine.catch(() => {});
  return mine;
}

async function paint({ id }: Card): Promise<Bytes | null> {
  const book = await checkCard(id);
  if (!book?.ok) return null;
  const bitmap = await studio.coverBitmap(book.value, SMALL_PX);
  const picture = await smallPicture(bitmap);
  bitmap.close();
  // A cover that lacks a picture is not kept: the picture may come back.
  if (await hasFiles(book.value)) await keepSmall(id, cardOf(book.value).look, picture);
  return picture;
}

async function smallCover(card: Card, signal: AbortSignal): Promise<string | null> {
  const kept = await smallOf(card.id, card.look).catch(() => null);
  const picture = kept ?? (await inTurn(() => paint(card), signal));
  return picture && addressOf(picture);
}

/** The address of a small cover for a list, as it is kept, or painted when its turn comes; null until it is there, and where the title cannot be read. */
export function useSmallCover(card: Card): string | null {
  const times = useComeBack();
  const { data } = useQuery({
    queryKey: ['small', card.id, card.look, times],
    queryFn: ({ signal }) => smallCover(card, signal),
    staleTime: Infinity,
    gcTime: KEEP_MS,
    retry: false,
  });
  return data ?? null;
}
