import type { Finding } from '../base';
import type { Epub } from './open-epub';

/** One thing that differs between a book and its new edition. */
export type Change = {
  readonly what:
    | 'cover-image'
    | 'cover-page'
    | 'cover-marks'
    | 'guide'
    | 'title'
    | 'subtitle'
    | 'author'
    | 'publisher'
    | 'language'
    | 'identifier'
    | 'date'
    | 'website'
    | 'title-page'
    | 'page-line'
    | 'running-line'
    | 'credits'
    | 'contents'
    | 'names';
  readonly before: string;
  readonly after: string;
};

/** A new edition while it is made: the package document is edited in place, files are kept, changed, added or left out. */
export type Draft = {
  readonly epub: Epub;
  readonly written: Map<string, Uint8Array>;
  readonly left: Set<string>;
  readonly changes: Change[];
  readonly notes: Finding[];
};

/** What is written so far is what the next step reads. */
export function draftOf(epub: Epub): Draft {
  const written = new Map<string, Uint8Array>();
  return { epub: { ...epub, written }, written, left: new Set(), changes: [], notes: [...epub.mends] };
}

/** True where a file of that name is or will be there; names that differ only in case count. */
export function isTaken({ epub, written }: Draft): (path: string) => boolean {
  const names = new Set([...epub.files.keys(), ...written.keys()].map((name) => name.toLowerCase()));
  return (path) => names.has(path.toLowerCase());
}

export const changed = (draft: Draft, what: Change['what'], before: string, after: string): void => {
  if (before !== after) draft.changes.push({ what, before, after });
};
