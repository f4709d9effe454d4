import { describe, expect, it } from 'vitest';
import { emptyBrief } from '../book';
import { docOf, newGround } from '../cover';
import { Book, editBook, newBook } from './index';

const doc = docOf(1600, 2560, [{ ...newGround('#203040'), id: 'ground' }]);
const book: Book = {
  ...newBook('edit-book', 'urn:x:12345', '2026-11-27T10:00:00Z', doc, doc),
  brief: { ...emptyBrief, title: 'T' },
};

describe('an edit of a title', () => {
  it('that leaves something which could not be read again is refused, with the place', () => {
    for (const [edit, where] of [
      [(b: Book) => void (b.brief.pageCount = -3), 'brief.pageCount'],
      [(b: Book) => void (b.cover.widthPx = Number.NaN), 'cover.widthPx'],
      [(b: Book) => void (b.promo.parts.ground.order = 7 as never), 'promo.parts.ground.order'],
      [(b: Book) => void (b.scene.frame.widthPx = 1e9), 'scene.frame.widthPx'],
      [(b: Book) => void delete (b as Partial<Book>).siblings, 'siblings'],
    ] as const)
      expect(editBook(book, edit)).toEqual({ ok: false, fault: { code: 'edit-wrong', data: { where } } });
  });

  it('that leaves a title as it should be is done, and what it did not touch is the same object', () => {
    const done = editBook(book, (b) => void (b.brief.title = 'Another'));
    expect(done.ok && Book.safeParse(done.value.next).success).toBe(true);
    expect(done.ok && done.value.next.cover).toBe(book.cover);
  });
});
