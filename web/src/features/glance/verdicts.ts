import type { WordRole } from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';
import type { Grade } from '../../ui/verdict';
import type { CoverView } from '../../work/studio.worker';
import { nameOf } from '../front/part-names';

/** How weighty the loss of words is: a title must read everywhere, the rest need not. */
const GRAVE: ReadonlySet<WordRole> = new Set(['title']);

/** What a shopper can read of a cover shown at a width. */
export function glanceVerdict(
  book: Book,
  { reports, findings }: Pick<CoverView, 'reports' | 'findings'>,
  widthPx: number,
): { grade: Grade; text: string } {
  if (findings.some((f) => f.code === 'picture-lost')) return { grade: 'fail', text: 'picture missing' };
  if (book.cover.finished) return { grade: 'may', text: 'judge by eye' };
  if (reports.size === 0) return { grade: 'fail', text: 'no words yet' };
  const lost = [...reports.values()].filter((r) => r.readsFromPx === null || r.readsFromPx > widthPx);
  const parts = lost.flatMap(({ part }) => {
    const p = book.cover.parts[part];
    return p?.kind === 'words' ? [p] : [];
  });
  if (parts.length === 0) return { grade: 'pass', text: 'all words read' };
  if (parts.some((p) => GRAVE.has(p.role))) return { grade: 'fail', text: 'title lost' };
  if (widthPx < 100) return { grade: 'pass', text: 'title reads' };
  if (parts.length === 1) return { grade: 'may', text: `${nameOf(parts[0]).toLowerCase()} lost` };
  return { grade: 'may', text: `${parts.length} lines lost` };
}
