import type { Edit } from '@yosomi/core/base';
import { type Doc, type WordsPart, setPart } from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';

/**
 * Writes the words of a part where they live: words from the brief change the brief, so that they change everywhere;
 * the series line, which is put together, and free words change only here.
 */
export function writeWords(part: WordsPart, text: string, on: (edit: Edit<Doc>) => Edit<Book>): Edit<Book> {
  const { says } = part;
  if (says.kind === 'brief' && says.field !== 'series') {
    const field = says.field;
    const limit = field === 'title' || field === 'subtitle' ? 300 : field === 'website' ? 120 : 200;
    return (book) => {
      book.brief[field] = text.slice(0, limit);
    };
  }
  return on(setPart(part.id, { says: { kind: 'own', text: text.slice(0, 600) } }));
}
