import { type Edit, type History, type Step, change, emptyHistory, record, redo, undo } from '@yosomi/core/base';
import type { Doc, Part } from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';
import { createContext, useContext } from 'react';
import { create } from 'zustand';
import { sayFault } from '../messages/say';
import { type Opened, openTitle, saveBook, saveOpen } from '../persist/titles';
import { nowIso, nowMs } from '../platform/clock';
import { freshId } from '../platform/ids';
import { onOthers } from '../platform/other-windows';

type Kept =
  | { readonly kind: 'kept'; readonly atMs: number }
  | { readonly kind: 'keeping' }
  | { readonly kind: 'failed' }
  /** Another window has written the title, and there are changes here that it does not have. */
  | { readonly kind: 'elsewhere' };

type Session = {
  readonly book: Book | null;
  readonly history: History;
  readonly kept: Kept;
  /** Ids of the selected parts of the cover or promo; the first is the one that is asked about. */
  readonly selection: readonly string[];
  open(opened: Opened): void;
  close(): void;
  select(id: string | null, add?: boolean): void;
  selectMany(ids: readonly string[]): void;
  /** Applies an edit to the open title. Equal merge keys in a row become one step of the history. */
  edit(label: string, edit: Edit<Book>, merge?: string | null): boolean;
  undo(): void;
  redo(): void;
  /** Goes to the state after the first `done` steps. */
  goTo(done: number): void;
  /** Ends a clash with another window: takes its state, or keeps this one as a title of its own. Answers the new id. */
  takeOther(): Promise<void>;
  keepBoth(): Promise<string | null>;
};

/** A change is stored this long after it was made, and at the latest after `LATEST_MS` of steady typing. */
const SOON_MS = 200;
const LATEST_MS = 700;

let timer: ReturnType<typeof setTimeout> | null = null;
let waitingSince = 0;
let rev = 0;
let numbers = new Map<Step, number>();
/** Writes follow one another, so that each knows the revision the last one made. */
let writing: Promise<void> = Promise.resolve();

export const useSession = create<Session>((set, get) => {
  const write = async (): Promise<void> => {
    const { book, history, kept } = get();
    if (!book || kept.kind === 'elsewhere') return;
    const saved = await saveOpen(book, { history, numbers }, rev);
    if (saved.ok) rev = saved.value;
    if (get().book?.id !== book.id) return;
    if (!saved.ok && saved.fault.code === 'title-elsewhere') return set({ kept: { kind: 'elsewhere' } });
    if (!saved.ok) sayFault(saved.fault);
    // A later change may have come while this one was written: then its own save follows.
    if (get().book === book) set({ kept: saved.ok ? { kind: 'kept', atMs: nowMs() } : { kind: 'failed' } });
  };
  const keep = (): Promise<void> => {
    timer = null;
    waitingSince = 0;
    return (writing = writing.then(write));
  };
  const keepSoon = (): void => {
    if (get().kept.kind === 'elsewhere') return;
    const now = nowMs();
    waitingSince ||= now;
    if (timer) clearTimeout(timer);
    timer = setTimeout(() => void keep(), Math.max(0, Math.min(SOON_MS, waitingSince + LATEST_MS - now)));
    if (get().kept.kind !== 'keeping') set({ kept: { kind: 'keeping' } });
  };
  const flush = (): void => {
    if (timer) clearTimeout(timer);
    if (timer) void keep();
  };
  if (typeof window !== 'undefined') {
    window.addEventListener('pagehide', flush);
    document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && flush());
    onOthers(({ title, rev: theirs }) => {
      const { book, kept } = get();
      // With changes of its own, the next write here finds out and asks.
      if (book?.id === title && theirs > rev && kept.kind === 'kept') void get().takeOther();
    });
  }
  const replaced = (book: Book, history: History): void => {
    set({ book: { ...book, updatedAt: nowIso() }, history });
    keepSoon();
  };
  return {
    book: null,
    history: emptyHistory,
    kept: { kind: 'kept', atMs: 0 },
    selection: [],
    open(opened) {
      flush();
      rev = opened.rev;
      numbers = opened.history.numbers;
      const { book } = opened;
      const atMs = Date.parse(book.updatedAt);
      set({ book, history: opened.history.history, selection: [], kept: { kind: 'kept', atMs } });
    },
    close() {
      flush();
      void writing.then(() => {
        if (get().book === null) numbers = new Map();
      });
      set({ book: null, history: emptyHistory, selection: [] });
    },
    select(id, add = false) {
      const { selection } = get();
      if (id === null) return set({ selection: [] });
      if (!add) return set({ selection: [id] });
      set({ selection: selection.includes(id) ? selection.filter((one) => one !== id) : [...selection, id] });
    },
    selectMany: (ids) => set({ selection: [...new Set(ids)] }),
    edit(label, edit, merge = null) {
      const { book, history } = get();
      if (!book) return false;
      const done = change(book, edit);
      if (!done.ok) {
        sayFault(done.fault);
        return false;
      }
      if (done.value.forward.length === 0) return true;
      replaced(done.value.next, record(history, done.value, label, merge));
      return true;
    },
    undo() {
      const { book, history } = get();
      const back = book && undo(book, history);
      if (back) replaced(back.state, back.history);
    },
    redo() {
      const { book, history } = get();
      const on = book && redo(book, history);
      if (on) replaced(on.state, on.history);
    },
    goTo(done) {
      let { book, history } = get();
      while (book && history.past.length > done) {
        const back = undo(book, history);
        if (!back) break;
        [book, history] = [back.state, back.history];
      }
      while (book && history.past.length < done) {
        const on = redo(book, history);
        if (!on) break;
        [book, history] = [on.state, on.history];
      }
      if (book && history !== get().history) replaced(book, history);
    },
    async takeOther() {
      const { book } = get();
      const opened = book && (await openTitle(book.id));
      if (opened && !opened.ok) sayFault(opened.fault);
      if (opened?.ok && get().book?.id === book?.id) get().open(opened.value);
    },
    async keepBoth() {
      const { book } = get();
      if (!book) return null;
      const id = freshId();
      const title = `${book.brief.title || 'Untitled'} (second copy)`.slice(0, 300);
      const saved = await saveBook({ ...book, id, brief: { ...book.brief, title }, updatedAt: nowIso() });
      if (!saved.ok) {
        sayFault(saved.fault);
        return null;
      }
      return id;
    },
  };
});

/** The part that is asked about: the first of the selection. */
export const useSelected = (): string | null => useSession((s) => s.selection[0] ?? null);

/** The title as some part of the screen shows it, which may lag behind the open one for the length of a drag. */
export const ShownTitle = createContext<Book | null>(null);

/** The open title; only for screens that are shown while one is open. */
export function useBook(): Book {
  const shown = useContext(ShownTitle);
  const book = useSession((s) => shown ?? s.book);
  if (!book) throw new Error('no title is open');
  return book;
}

/** One thing of the open title: who uses it is drawn anew only when that changes. */
export function useFrom<T>(pick: (book: Book) => T): T {
  const shown = useContext(ShownTitle);
  const found = useSession((s): T | typeof nothing => {
    const book = shown ?? s.book;
    return book ? pick(book) : nothing;
  });
  if (found === nothing) throw new Error('no title is open');
  return found;
}

const nothing = Symbol('nothing');

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
