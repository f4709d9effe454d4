import { readsGrade, readsText } from '@yosomi/core/glance';
import type { Book } from '@yosomi/core/project';
import type { Grade } from '../../ui/verdict';
import type { CoverView } from '../../work/studio.worker';
import { nameOf } from '../front/part-names';

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
  const title = parts.find((p) => p.role === 'title');
  const from = title ? (reports.get(title.id)?.readsFromPx ?? null) : 0;
  // The same grade and the same words as in the list of parts and on the sketch sheet.
  if (title) return { grade: readsGrade(true, from), text: `title ${readsText(from)}` };
  if (findings.some((f) => f.code === 'title-not-shown')) return { grade: 'fail', text: 'no title' };
  if (widthPx < 100) return { grade: 'pass', text: 'title reads' };
  if (parts.length === 1) return { grade: 'may', text: `${nameOf(parts[0]).toLowerCase()} lost` };
  return { grade: 'may', text: `${parts.length} lines lost` };
}
