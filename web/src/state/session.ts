import {
  type Edit,
  type Fault,
  type History,
  type Shared,
  type Step,
  emptyHistory,
  record,
  redo,
  undo,
} from '@yosomi/core/base';
import { type Book, editBook } from '@yosomi/core/project';
import { createContext, useContext } from 'react';
import { create } from 'zustand';
import { sayFault } from '../messages/say';
import { addTitle, openTitle } from '../persist/titles';
import { nowIso, nowMs } from '../platform/clock';
import { freshId } from '../platform/ids';
import { onOthers } from '../platform/other-windows';
import { followAll } from './follow';
import { Gestures } from './gestures';
import { Keeper, type Kept, anyUnsaved, leftUnsaved } from './keeper';

/** Joins the edits of one long job into one step, whatever a person does meanwhile. */
export type Job = { readonly job: string };
/** Equal keys within one gesture become one step of the history. */
export type Merge = string | Job | null;

type Session = {
  readonly book: Book | null;
  readonly history: History;
  readonly kept: Kept;
  /** Ids of the selected parts of the cover or promo; the first is the one that is asked about. */
  readonly selection: readonly string[];
  /** Opens a title from the store, or goes on with one that was left before it was stored. */
  open(id: string): Promise<Fault | null>;
  close(): void;
  select(id: string | null, add?: boolean): void;
  selectMany(ids: readonly string[]): void;
  /** Applies an edit to the open title. */
  edit(label: string, edit: Edit<Book>, merge?: Merge, shared?: Shared): boolean;
  undo(): void;
  redo(): void;
  /** Goes to the state after the first `done` steps. */
  goTo(done: number): void;
  /** Ends a clash with another window: takes its state, or keeps this one as a title of its own. Answers the new id. */
  takeOther(): Promise<void>;
  keepBoth(): Promise<string | null>;
  /** Ends that another window has removed the title: puts it back with what was changed here, or lets go of it. */
  putBack(): Promise<void>;
  letGo(): void;
  /** Tries at once to store what could not be stored. */
  tryAgain(): void;
};

const gestures = new Gestures(nowMs());
let keeper: Keeper | null = null;
/** Each opening has its number, so that one that was overtaken changes nothing. */
let opening = 0;

export const useSession = create<Session>((set, get) => {
  if (typeof window !== 'undefined') {
    const flush = (): void => void keeper?.flush();
    window.addEventListener('pagehide', flush);
    document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && flush());
    window.addEventListener('online', flush);
    window.addEventListener('beforeunload', (e) => {
      flush();
      if (anyUnsaved() && keeper?.kept.kind !== 'keeping') e.preventDefault();
    });
    window.addEventListener('pointerdown', () => gestures.press(), true);
    // What the hand did last is taken in first.
    const lifted = (): void => void setTimeout(() => gestures.lift());
    for (const name of ['pointerup', 'pointercancel', 'blur']) window.addEventListener(name, lifted);
    window.addEventListener('focusout', () => gestures.leave());
    onOthers((news) => {
      if (news.kind === 'pictures' || news.kind === 'made' || keeper?.id !== news.title) return;
      if (news.kind === 'removed') keeper.removed();
      // With changes of its own, the next write here finds out and asks.
      else if (news.rev > keeper.rev && keeper.kept.kind === 'kept') void get().takeOther();
    });
  }
  const begin = (next: Keeper): void => {
    if (keeper && keeper !== next) void keeper.leave();
    keeper = next;
    const { book, history, kept } = next;
    set({ book, history, kept, selection: [], edit: editIn(book.id) });
  };
  const reportOf =
    (id: string) =>
    (kept: Kept): void => {
      if (get().book?.id === id) set({ kept });
    };
  const replaced = (book: Book, history: History): void => {
    const next = { ...book, updatedAt: nowIso() };
    set({ book: next, history });
    keeper?.changed(next, history);
  };
  const moved = (label: string, run: () => { state: Book; history: History } | null): boolean => {
    try {
      const to = run();
      if (to) replaced(to.state, to.history);
      return to !== null;
    } catch {
      sayFault({ code: 'history-damaged', data: { label } });
      return false;
    }
  };
  /** What is begun in one title and done when another is open, as a picture that took long, is for neither. */
  const editIn =
    (id: string): Session['edit'] =>
    (label, edit, merge = null, shared) => {
      const { book, history } = get();
      if (book?.id !== id) return false;
      const done = editBook(book, edit);
      if (!done.ok) {
        sayFault(done.fault);
        return false;
      }
      if (done.value.forward.length === 0) return true;
      const key = merge === null || typeof merge === 'object' ? (merge?.job ?? null) : gestures.key(merge, nowMs());
      replaced(done.value.next, record(history, done.value, label, key, shared));
      return true;
    };
  return {
    book: null,
    history: emptyHistory,
    kept: { kind: 'kept', atMs: 0 },
    selection: [],
    async open(id) {
      const mine = ++opening;
      const left = leftUnsaved(id);
      if (left) {
        await left.flush();
        if (mine !== opening) return null;
        left.takeUp(reportOf(id));
        begin(left);
        return null;
      }
      const opened = await openTitle(id);
      if (mine !== opening) return null;
      if (!opened.ok) return opened.fault;
      begin(new Keeper(opened.value, reportOf(id)));
      if (opened.value.lost > 0) sayFault({ code: 'history-lost', data: { count: opened.value.lost } });
      return null;
    },
    close() {
      opening++;
      void keeper?.leave();
      keeper = null;
      set({ book: null, history: emptyHistory, selection: [] });
    },
    select(id, add = false) {
      const { selection } = get();
      if (id === null) return set({ selection: [] });
      if (!add) return set({ selection: [id] });
      set({ selection: selection.includes(id) ? selection.filter((one) => one !== id) : [...selection, id] });
    },
    selectMany: (ids) => set({ selection: [...new Set(ids)] }),
    edit: () => false,
    undo() {
      const { book, history } = get();
      const step = history.past.at(-1);
      if (book && step && moved(step.label, () => undo(book, history))) followAll([step], 'undo', book.id);
    },
    redo() {
      const { book, history } = get();
      const [step] = history.future;
      if (book && step && moved(step.label, () => redo(book, history))) followAll([step], 'redo', book.id);
    },
    goTo(done) {
      let { book, history } = get();
      if (!book) return;
      const way = history.past.length > done ? 'undo' : 'redo';
      const crossed: Step[] = [];
      const gone = moved('', () => {
        const to = way === 'undo' ? undo : redo;
        while (book && history.past.length !== done) {
          const step = way === 'undo' ? history.past.at(-1) : history.future[0];
          const next = to(book, history);
          if (!next || !step) break;
          crossed.push(step);
          [book, history] = [next.state, next.history];
        }
        return book && history !== get().history ? { state: book, history } : null;
      });
      if (gone && book) followAll(crossed, way, book.id);
    },
    async takeOther() {
      const id = get().book?.id;
      if (!id) return;
      const opened = await openTitle(id);
      if (!opened.ok) return sayFault(opened.fault);
      if (get().book?.id !== id) return;
      keeper?.drop();
      keeper = null;
      begin(new Keeper(opened.value, reportOf(id)));
    },
    async keepBoth() {
      const { book } = get();
      if (!book) return null;
      const id = freshId();
      const title = `${book.brief.title || 'Untitled'} (second copy)`.slice(0, 300);
      const copy = { ...book, id, brief: { ...book.brief, title }, updatedAt: nowIso() };
      const saved = await addTitle({ book: copy, files: new Map() });
      if (!saved.ok) {
        sayFault(saved.fault);
        return null;
      }
      keeper?.drop();
      return id;
    },
    async putBack() {
      const failed = await keeper?.putBack();
      if (failed) sayFault(failed);
    },
    letGo: () => keeper?.drop(),
    tryAgain: () => void keeper?.flush(),
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

/** Tells of each change of the open title, before anything is drawn anew. Answers how to end that. */
export const onBookChange = (told: (now: Book, before: Book) => void): (() => void) =>
  useSession.subscribe(({ book }, { book: before }) => {
    if (book && before && book !== before && book.id === before.id) told(book, before);
  });
