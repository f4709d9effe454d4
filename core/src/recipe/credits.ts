import { originLine } from '../book';
import { picturesIn } from '../booklet';
import { type Doc, isDrawn } from '../cover';
import { type Book, picturesOf } from '../project';

/** Lines that are any, each once. */
export const each = (lines: readonly string[]): string[] => [
  ...new Set(lines.map((line) => line.trim()).filter(Boolean)),
];

/** A composition without what is hidden in it. */
export const seenOf = (doc: Doc): Doc => ({
  ...doc,
  parts: Object.fromEntries(Object.entries(doc.parts).filter(([, part]) => !part.hidden)),
});

/** Credits that are due wherever this composition is shown, back to front; parts that are hidden ask for none. */
export function docCredits(doc: Doc, assets: Book['assets']): string[] {
  const shown = Object.values(seenOf(doc).parts).sort((a, b) => (a.order < b.order ? -1 : 1));
  return shown.flatMap((part) => [
    // What says where a picture is cut out was made from it.
    ...picturesOf([part.kind === 'picture' ? { ...part, cutOut: null } : part]).map(
      (id) => assets[id]?.rights.credit ?? '',
    ),
    ...(isDrawn(part) && part.form.credit ? [part.form.credit] : []),
  ]);
}

/** Lines that are due where the flat cover is shown, each once: an ebook says them on its title page. */
export const coverCredits = ({ cover, assets }: Book): string[] => each(docCredits(cover, assets));

/** Lines that are due for the works that a title's text is made from. */
export const originCredits = ({ origins }: Book): string[] => each(origins.map(originLine));

/** Lines that are due in an ebook, each once: those of its text, then those of its cover. */
export const ebookCredits = (book: Book): string[] => each([...originCredits(book), ...coverCredits(book)]);

/** Lines that are due where the booklet is shown, each once: those of its text, of the cover, then of the pictures on its pages. */
export const bookletCredits = (book: Book): string[] =>
  each([
    ...originCredits(book),
    ...docCredits(book.cover, book.assets),
    ...(book.booklet ? picturesIn(book.booklet.manuscript) : []).map((id) => book.assets[id]?.rights.credit ?? ''),
  ]);
