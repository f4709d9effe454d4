import { type Edit, type History, change, emptyHistory, record, redo, undo } from '@yosomi/core/base';
import type { Doc, Part } from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';
import { create } from 'zustand';
import { saveBook } from '../persist/titles';
import { nowIso, nowMs } from '../platform/clock';
import { sayFault } from '../messages/say';

type Kept =
  { readonly kind: 'kept'; readonly atMs: number } | { readonly kind: 'keeping' } | { readonly kind: 'failed' };

type Session = {
  readonly book: Book | null;
  readonly history: History;
  readonly kept: Kept;
  /** Id of the selected part of the cover or promo. */
  readonly selected: string | null;
  open(book: Book): void;
  close(): void;
  select(id: string | null): void;
  /** Applies an edit to the open title. Equal merge keys in a row become one step of the history. */
  edit(label: string, edit: Edit<Book>, merge?: string | null): boolean;
  undo(): void;
  redo(): void;
};

/** A change is stored this long after it was made, and at the latest after `LATEST_MS` of steady typing. */
const SOON_MS = 200;
const LATEST_MS = 700;

let timer: ReturnType<typeof setTimeout> | null = null;
let waitingSince = 0;

export const useSession = create<Session>((set, get) => {
  const keep = async (): Promise<void> => {
    timer = null;
    waitingSince = 0;
    const { book } = get();
    if (!book) return;
    const saved = await saveBook(book);
    if (!saved.ok) sayFault(saved.fault);
    // A later change may have come while this one was written: then its own save follows.
    if (get().book === book) set({ kept: saved.ok ? { kind: 'kept', atMs: nowMs() } : { kind: 'failed' } });
  };
  const keepSoon = (): void => {
    const now = nowMs();
    waitingSince ||= now;
    if (timer) clearTimeout(timer);
    timer = setTimeout(() => void keep(), Math.max(0, Math.min(SOON_MS, waitingSince + LATEST_MS - now)));
    set({ kept: { kind: 'keeping' } });
  };
  const flush = (): void => {
    if (timer) clearTimeout(timer);
    if (timer) void keep();
  };
  if (typeof window !== 'undefined') {
    window.addEventListener('pagehide', flush);
    document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && flush());
  }
  return {
    book: null,
    history: emptyHistory,
    kept: { kind: 'kept', atMs: 0 },
    selected: null,
    open(book) {
      flush();
      set({ book, history: emptyHistory, selected: null, kept: { kind: 'kept', atMs: Date.parse(book.updatedAt) } });
    },
    close() {
      flush();
      set({ book: null, history: emptyHistory, selected: null });
    },
    select: (selected) => set({ selected }),
    edit(label, edit, merge = null) {
      const { book, history } = get();
      if (!book) return false;
      const done = change(book, edit);
      if (!done.ok) {
        sayFault(done.fault);
        return false;
      }
      if (done.value.forward.length === 0) return true;
      set({ book: { ...done.value.next, updatedAt: nowIso() }, history: record(history, done.value, label, merge) });
      keepSoon();
      return true;
    },
    undo() {
      const { book, history } = get();
      const back = book && undo(book, history);
      if (!back) return;
      set({ book: { ...back.state, updatedAt: nowIso() }, history: back.history });
      keepSoon();
    },
    redo() {
      const { book, history } = get();
      const on = book && redo(book, history);
      if (!on) return;
      set({ book: { ...on.state, updatedAt: nowIso() }, history: on.history });
      keepSoon();
    },
  };
});

/** The open title; only for screens that are shown while one is open. */
export function useBook(): Book {
  const book = useSession((s) => s.book);
  if (!book) throw new Error('no title is open');
  return book;
}

export const onCover =
  (edit: Edit<Doc>): Edit<Book> =>
  (book) =>
    edit(book.cover);

const colourKey = (part: Part | undefined): string => {
  if (!part || part.kind === 'picture') return '';
  return JSON.stringify(part.kind === 'ground' ? part.paint : part.colour);
};

/**
 * An edit of the promo as it is shown. While it follows the cover, the shown colours are written down first; an edit
 * that then changes one of them ends the following, so that a colour chosen by hand stays.
 */
export const onPromo =
  (shown: Doc): ((edit: Edit<Doc>) => Edit<Book>) =>
  (edit) =>
  (book) => {
    if (!book.promoFollows) return edit(book.promo);
    const before = new Map(Object.keys(book.promo.parts).map((id) => [id, colourKey(shown.parts[id])]));
    for (const id of before.keys()) {
      const part = book.promo.parts[id];
      const dressed = shown.parts[id];
      if (part.kind === 'ground' && dressed?.kind === 'ground') part.paint = structuredClone(dressed.paint);
      else if (part.kind === 'words' && dressed?.kind === 'words') part.colour = dressed.colour;
      else if (part.kind === 'shape' && dressed?.kind === 'shape') part.colour = dressed.colour;
    }
    const refused = edit(book.promo);
    if (refused) return refused;
    for (const [id, key] of before) {
      const part = book.promo.parts[id];
      if (part && colourKey(part) !== key) book.promoFollows = false;
    }
  };
