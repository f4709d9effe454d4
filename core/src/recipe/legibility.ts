import { type Finding, finding } from '../base';
import type { Brief } from '../book';
import { textOf } from '../compose';
import type { Doc, Part } from '../cover';
import type { WordsReport } from './settle';

/** A title that its Brief has and its cover does not show. */
function isTitle(part: Part, brief: Brief): boolean {
  return part.kind === 'words' && !part.hidden && textOf(part, brief).trim() !== '' && (part.role === 'title' || (part.says.kind === 'brief' && part.says.field === 'title')); // prettier-ignore
}

/** What a front as a whole lacks; sides have no such duties, and the words of a finished cover cannot be told. */
export function frontFindings(doc: Doc, brief: Brief): Finding[] {
  if (doc.finished) return [];
  const parts = Object.values(doc.parts).filter((p) => !p.hidden && p.kind !== 'ground');
  if (parts.length === 0) return [finding('cover-empty', 'must', null)];
  const named = parts.some((part) => isTitle(part, brief));
  return named || !brief.title.trim() ? [] : [finding('title-not-shown', 'must', null)];
}

/** The codes of what makes words unreadable, as the Front says them, and as they are said of a file that was made so. */
const READS: Readonly<Record<string, string>> = {
  'contrast-low': 'reads-contrast',
  'words-hidden': 'reads-hidden',
  'words-outside': 'reads-outside',
};

export const READS_BADLY: ReadonlySet<string> = new Set(Object.values(READS));

/** What the Front found that makes words hard to read, as findings of a file: with the role of the words they are of. */
export function readsFindings(doc: Doc, findings: readonly Finding[], where = ''): Finding[] {
  return findings.flatMap((f) => {
    const code = READS[f.code];
    const part = f.part === null ? undefined : doc.parts[f.part];
    if (!code || part?.kind !== 'words') return [];
    return [finding(code, 'should', f.part, { ...f.data, role: where || part.role })];
  });
}

/** From which width each line of a cover reads, by the role of its words; null where one never does. */
export const readsOf = (
  doc: Doc,
  reports: ReadonlyMap<string, WordsReport>,
): { readonly role: string; readonly fromPx: number | null }[] =>
  [...reports].flatMap(([id, { readsFromPx }]) => {
    const part = doc.parts[id];
    return part?.kind === 'words' ? [{ role: part.role, fromPx: readsFromPx }] : [];
  });
