import type { Edit } from '@yosomi/core/base';
import { type Doc, type WordsPart, setPart } from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';

const LIMITS = {
  title: 300,
  subtitle: 300,
  author: 200,
  strapline: 200,
  blurb: 4000,
  website: 120,
  publisher: 120,
} as const;

/**
 * Writes the words of a part where they live: words from the brief change the brief, so that they change everywhere;
 * the series line and its number, which are put together, and free words change only here.
 */
export function writeWords(part: WordsPart, text: string, on: (edit: Edit<Doc>) => Edit<Book>): Edit<Book> {
  const { says } = part;
  if (says.kind === 'brief' && says.field !== 'series' && says.field !== 'number') {
    const field = says.field;
    return (book) => {
      book.brief[field] = text.slice(0, LIMITS[field]);
    };
  }
  return on(setPart(part.id, { says: { kind: 'own', text: text.slice(0, 600) } }));
}
