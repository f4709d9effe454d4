import { type Change, type Edit, type Result, change, fail } from '../base';
import type { Doc } from '../cover';
import { Book } from './book';

/**
 * A change of a title. What it leaves is parsed, as far as it was changed: nothing is kept that could not be read again.
 * Faults: those of the edit, and `edit-wrong` with the place.
 */
export function editBook(book: Book, edit: Edit<Book>): Result<Change<Book>> {
  const done = change(book, edit);
  if (!done.ok) return done;
  const { next } = done.value;
  for (const [key, schema] of Object.entries(Book.shape)) {
    if (next[key as keyof Book] === book[key as keyof Book]) continue;
    const parsed = schema.safeParse(next[key as keyof Book]);
    if (!parsed.success) return fail('edit-wrong', { where: [key, ...(parsed.error.issues[0]?.path ?? [])].join('.') });
  }
  return done;
}

/** An edit of the front as one of its title. */
export const onCover =
  (edit: Edit<Doc>): Edit<Book> =>
  (book) =>
    edit(book.cover);
