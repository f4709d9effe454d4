import { type Finding, bareWords } from '../../base';
import type { Brief } from '../../book';
import type { ContentRule, Profile } from '../profile';
import { graveFirst, must, note, should } from './severity';

/** What is known of a cover beyond its pixels. */
export type CoverWords = {
  /** Every text that stands on it; null where the cover is a finished picture, whose words cannot be read. */
  readonly texts: readonly string[] | null;
  readonly brief: Pick<Brief, 'title' | 'subtitle' | 'author'>;
  /** Smallest width at which the title reads, px; null where it never does; undefined where it was not measured. */
  readonly titleReadsFromPx?: number | null;
  /** From which width each line reads, by its role. */
  readonly reads?: readonly { readonly role: string; readonly fromPx: number | null }[];
  /** True where a mockup of an object stands on the cover. */
  readonly hasObject: boolean;
};

const ADDRESS =
  /\b(?:https?:\/\/|www\.)\S+|\b[\w.+-]+@[\w-]+\.[a-z]{2,}\b|\b[a-z0-9-]{2,}\.(?:com|net|org|info|io|co|shop|books?|example|eu|de|at|ch|uk|us|ca|au|fr|it|es|nl|pl|se|jp|me|tv)\b(?!\w)/i;
const PRICE =
  /(?:[$\u20ac\u00a3\u00a5]\s?\d)|(?:\d\s?(?:[$\u20ac\u00a3\u00a5]|(?:usd|eur|gbp|dollars?|euros?|pounds?)\b))|\b(?:only|just)\s+\d+[.,]\d\d\b|\bfree\s+(?:today|download)\b/i;
const PHONE = /(?:\+|\b00)\d[\d\s().-]{6,}\d|\(?\b\d{3}\)?[\s.-]\d{3}[\s.-]\d{4}\b/;
const RANK =
  /\bbest[\s-]?sell(?:er|ers|ing)\b|(?:#|\bno\.?\s?|\bnumber\s)(?:1|one)\b|\btop\s?\d+\b|\b(?:bestseller|spitzenreiter|meistverkauft)\w*/i;

const PATTERNS: Partial<Record<ContentRule, { readonly code: string; readonly pattern: RegExp }>> = {
  'no-address': { code: 'store-address', pattern: ADDRESS },
  'no-price': { code: 'store-price', pattern: PRICE },
  'no-phone': { code: 'store-phone', pattern: PHONE },
  'no-rank': { code: 'store-rank', pattern: RANK },
};

/** What the words of a cover, and what it shows, mean to a store. */
export function checkWords(words: CoverWords, profile: Profile): Finding[] {
  const { content, thumb } = profile;
  const found: Finding[] = [];
  if (content.includes('no-object') && words.hasObject) found.push(must('store-object'));
  const { texts, brief } = words;
  const reading = content.filter((rule) => rule in PATTERNS || rule === 'words-match');
  if (texts === null) {
    if (reading.length > 0) found.push({ code: 'store-words-unread', severity: 'note', part: null, data: {} });
  } else {
    for (const rule of content) {
      const sought = PATTERNS[rule];
      const hit = sought && texts.map((text) => sought.pattern.exec(text)?.[0]).find((text) => text !== undefined);
      if (sought && hit) found.push(must(sought.code, { found: hit }));
    }
    if (content.includes('words-match')) {
      const all = ` ${bareWords(texts.join(' '))} `;
      for (const field of ['title', 'subtitle', 'author'] as const) {
        const wanted = bareWords(brief[field]);
        if (wanted && !all.includes(` ${wanted} `))
          found.push(must('store-words-match', { field, wanted: brief[field] }));
      }
    }
  }
  if (thumb && words.titleReadsFromPx !== undefined) {
    const from = words.titleReadsFromPx;
    if (from === null || from > thumb.widthPx)
      found.push(should('store-thumb', { found: from ?? 0, wanted: thumb.widthPx }));
    const lost = (words.reads ?? []).filter(
      (r) => r.role !== 'title' && (r.fromPx === null || r.fromPx > thumb.widthPx),
    );
    const roles = [...new Set(lost.map((r) => r.role))].join(', ');
    if (roles) found.push(note('store-thumb-rest', { roles, wanted: thumb.widthPx }));
  }
  return graveFirst(found);
}
