import type { Fault, History } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import type { KeptHistory } from '../persist/histories';
import { putBack } from '../persist/removed';
import { type Opened, saveOpen } from '../persist/titles';
import { nowMs } from '../platform/clock';
import { holdTitle } from '../platform/locks';

export type Kept =
  | { readonly kind: 'kept'; readonly atMs: number }
  | { readonly kind: 'keeping' }
  /** It could not be stored; it is tried again by itself. */
  | { readonly kind: 'failed'; readonly fault: Fault }
  /** Another window has written the title, and there are changes here that it does not have. */
  | { readonly kind: 'elsewhere' }
  /** Another window has taken the title off the Shelf. */
  | { readonly kind: 'removed' };

/** A change is stored this long after it was made, and at the latest after `LATEST_MS` of steady typing. */
const SOON_MS = 200;
const LATEST_MS = 700;
/** What could not be stored is tried again after these pauses, the last one again and again. */
const RETRY_MS = [1000, 2000, 4000, 8000, 15_000, 30_000] as const;

/** Keepers that hold changes which are not stored, by title; they outlive the pages that made them. */
const unsaved = new Map<string, Keeper>();

/** The state of a title that was left before it could be stored; null where all is stored. */
export const leftUnsaved = (id: string): Keeper | null => unsaved.get(id) ?? null;

export const anyUnsaved = (): boolean => unsaved.size > 0;

/** Stores the changes of one open title, each soon after it was made, one write after the other. */
export class Keeper {
  readonly id: string;
  #book: Book;
  #history: History;
  #numbers: KeptHistory['numbers'];
  #rev: number;
  #stored: Book;
  #kept: Kept;
  #timer: ReturnType<typeof setTimeout> | null = null;
  #waitingSince = 0;
  #failures = 0;
  #writing: Promise<void> = Promise.resolve();
  #report: ((kept: Kept) => void) | null;
  #release: (() => void) | null;

  constructor({ book, rev, history }: Opened, report: (kept: Kept) => void) {
    this.id = book.id;
    this.#book = this.#stored = book;
    this.#history = history.history;
    this.#numbers = history.numbers;
    this.#rev = rev;
    this.#report = report;
    this.#kept = { kind: 'kept', atMs: Date.parse(book.updatedAt) };
    this.#release = holdTitle(book.id);
  }

  get kept(): Kept {
    return this.#kept;
  }

  get rev(): number {
    return this.#rev;
  }

  get book(): Book {
    return this.#book;
  }

  get history(): History {
    return this.#history;
  }

  /** Goes on with a keeper whose page was left. */
  takeUp(report: (kept: Kept) => void): void {
    this.#report = report;
    this.#release ??= holdTitle(this.id);
  }

  /** The title has changed. */
  changed(book: Book, history: History): void {
    this.#book = book;
    this.#history = history;
    unsaved.set(this.id, this);
    if (this.#kept.kind === 'elsewhere' || this.#kept.kind === 'removed') return;
    const now = nowMs();
    this.#waitingSince ||= now;
    this.#later(Math.max(0, Math.min(SOON_MS, this.#waitingSince + LATEST_MS - now)));
    if (this.#kept.kind === 'kept') this.#set({ kind: 'keeping' });
  }

  /** Stores at once what is not stored yet; tries again where it failed before. */
  flush(): Promise<void> {
    if (this.#timer === null && this.#book === this.#stored) return this.#writing;
    this.#clear();
    return (this.#writing = this.#writing.then(() => this.#write()));
  }

  /** The page that shows the title is left: what is open is stored, and tried again for as long as it takes. */
  async leave(): Promise<void> {
    this.#report = null;
    await this.flush();
    if (this.#report === null) this.#rest();
  }

  /** Another window has removed the title. */
  removed(): void {
    this.#clear();
    this.#set({ kind: 'removed' });
  }

  /** Puts a title that was removed elsewhere back on the Shelf, with what was changed here. Answers what failed. */
  async putBack(): Promise<Fault | null> {
    const done = await putBack(this.id);
    if (!done.ok) return done.fault;
    this.#rev = done.value;
    this.#kept = { kind: 'keeping' };
    this.#stored = this.#stored === this.#book ? structuredClone(this.#book) : this.#stored;
    await this.flush();
    return null;
  }

  /** Lets go of changes that are not stored. */
  drop(): void {
    this.#clear();
    this.#report = null;
    this.#book = this.#stored;
    this.#rest();
  }

  #rest(): void {
    if (this.#book === this.#stored) unsaved.delete(this.id);
    if (unsaved.has(this.id) && this.#kept.kind === 'failed') return;
    this.#release?.();
    this.#release = null;
  }

  #set(kept: Kept): void {
    this.#kept = kept;
    this.#report?.(kept);
  }

  #clear(): void {
    if (this.#timer !== null) clearTimeout(this.#timer);
    this.#timer = null;
    this.#waitingSince = 0;
  }

  #later(ms: number): void {
    if (this.#timer !== null) clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.flush(), ms);
  }

  async #write(): Promise<void> {
    const book = this.#book;
    if (book === this.#stored || this.#kept.kind === 'elsewhere' || this.#kept.kind === 'removed') return;
    const saved = await saveOpen(book, { history: this.#history, numbers: this.#numbers }, this.#rev);
    if (saved.ok) {
      this.#rev = saved.value;
      this.#stored = book;
      this.#failures = 0;
      // A later change may have come while this one was written: then its own save follows.
      if (this.#book !== book) return;
      unsaved.delete(this.id);
      this.#set({ kind: 'kept', atMs: nowMs() });
    } else if (saved.fault.code === 'title-elsewhere') this.#set({ kind: 'elsewhere' });
    else if (saved.fault.code === 'title-removed') this.#set({ kind: 'removed' });
    else {
      this.#set({ kind: 'failed', fault: saved.fault });
      const pause = RETRY_MS[Math.min(this.#failures++, RETRY_MS.length - 1)];
      if (this.#timer === null) this.#later(pause);
    }
    if (this.#report === null) this.#rest();
  }
}
