import { type Finding, finding } from '../base';
import type { Brief } from '../book';
import { textOf } from '../compose';
import type { Doc, Part } from '../cover';
import type { WordsReport } from './settle';

/** A title that its Brief has and its cover does not show. */
function isTitle(part: Part, brief: Brief): boolean {
  return (
    part.kind === 'words' &&
    !part.hidden &&
    textOf(part, brief).trim() !== '' &&
    (part.role === 'title' || (part.says.kind === 'brief' && part.says.field === 'title'))
  );
}

/** What a front as a whole lacks; sides have no such duties, and the words of a finished cover cannot be told. */
export function frontFindings(doc: Doc, brief: Brief): Finding[] {
  if (doc.finished) return [];
  const parts = Object.values(doc.parts).filter((p) => !p.hidden && p.kind !== 'ground');
  if (parts.length === 0) return [finding('cover-empty', 'must', null)];
  const named = parts.some((part) => isTitle(part, brief));
  return named || !brief.title.trim() ? [] : [finding('title-not-shown', 'must', null)];
}

/** What the Front found that makes words hard to read, as a finding of a file: with the role of the words it is of; null for what does not. */
function readsFinding({ code, part, data }: Finding, role: string): Finding | null {
  const more = { ...data, role };
  if (code === 'contrast-low') return finding('reads-contrast', 'should', part, more);
  if (code === 'words-hidden') return finding('reads-hidden', 'should', part, more);
  return code === 'words-outside' ? finding('reads-outside', 'should', part, more) : null;
}

/** True for a finding of a file that a store would take and people cannot read. */
export const readsBadly = ({ code }: Finding): boolean => code.startsWith('reads-');

/** All such findings of a document; `where` names the side it is. */
export function readsFindings(doc: Doc, findings: readonly Finding[], where = ''): Finding[] {
  return findings.flatMap((f) => {
    const part = f.part === null ? undefined : doc.parts[f.part];
    return part?.kind === 'words' ? (readsFinding(f, where || part.role) ?? []) : [];
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
