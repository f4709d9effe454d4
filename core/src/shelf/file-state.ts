import type { Book } from '../project';
import { type Others, type Wishes, deliverables } from '../recipe';

/** How the files of a title stand: how many it has in all, and how many of those are made and true, older than the title, or not made. */
export type FileState = {
  readonly wanted: number;
  readonly made: number;
  readonly stale: number;
  readonly missing: number;
};

/** Whether files of a title show others of its series: promos alone do. */
export const filesShowSeries = (book: Book): boolean => Object.keys(book.promos).length > 0;

/** `made` gives, by the id of a file, the key of the state that it was made from. */
export function fileState(book: Book, others: Others, wishes: Wishes, made: ReadonlyMap<string, string>): FileState {
  const files = deliverables(book, others, wishes);
  const there = files.filter(({ id }) => made.has(id));
  const fresh = there.filter(({ id, key }) => made.get(id) === key);
  return {
    wanted: files.length,
    made: fresh.length,
    stale: there.length - fresh.length,
    missing: files.length - there.length,
  };
}
