import { xml } from '../base';
import type { Draft } from './draft';
import { append, remove } from './markup';
import { wordsOf } from './metadata';
import { addPage, pageSource } from './own-pages';
import { readText } from './pages';

/** The class by which a page of credits of an earlier edition is known. */
const CLASS = 'cover-credits';

/** Lines of credit as they stand on a page, each its own paragraph; empty where none is due. */
export const creditLines = (credits: readonly string[], indent: string): string =>
  credits.map((line) => `${indent}<p class="${CLASS}">${xml(line)}</p>\n`).join('');

/** The page that an earlier edition of ours put last, if it did. */
async function oldPage({ epub }: Draft): Promise<string | null> {
  const last = epub.pkg.spine.at(-1)?.item;
  if (!last || !/xhtml/.test(last.type)) return null;
  return (await readText(epub, last.path))?.includes(`<body class="${CLASS}-page"`) ? last.path : null;
}

/**
 * Credits that the cover of a new edition asks for, on a page of their own at the end of the book. A page that an earlier edition put
 * there is written anew, and is left out where nothing is due any more.
 */
export async function putCredits(draft: Draft, credits: readonly string[]): Promise<void> {
  const { pkg } = draft.epub;
  const old = await oldPage(draft);
  if (credits.length === 0) {
    if (old !== null) dropPage(draft, old);
    return;
  }
  const page = pageSource(pkg, {
    title: wordsOf(pkg).title || 'Credits',
    style: 'body { margin: 12% 8%; text-align: center; font-size: 0.85em; }',
    type: 'colophon',
    mark: `${CLASS}-page`,
    body: creditLines(credits, '    '),
  });
  const after = credits.join('; ');
  if (old !== null) {
    draft.written.set(old, page);
    draft.changes.push({ what: 'credits', before: old, after });
    return;
  }
  const { id } = addPage(draft, 'credits', page);
  append(pkg.section('spine'), pkg.element('itemref', { idref: id }));
  draft.changes.push({ what: 'credits', before: '', after });
}

function dropPage({ epub: { pkg }, left, changes }: Draft, path: string): void {
  for (const { element, item } of pkg.spine) if (item?.path === path) remove(element);
  const item = pkg.itemAt(path);
  if (item) remove(item.element);
  left.add(path);
  changes.push({ what: 'credits', before: path, after: '' });
}
