import { z } from 'zod';
import { GENRES, MOST_GENRES } from './genres';

/** What sort of book it is, for whom, and what it feels like: the sketch sheet asks. */
export const BOOK_KINDS = ['story', 'practical', 'poems', 'report'] as const;
export type BookKind = (typeof BOOK_KINDS)[number];
export const AUDIENCES = ['anyone', 'children', 'young', 'experts'] as const;
export type Audience = (typeof AUDIENCES)[number];
export const MOODS = ['calm', 'warm', 'bright', 'dark', 'tender', 'bold', 'grave', 'playful'] as const;
export type Mood = (typeof MOODS)[number];

/** What is known of a book, entered once and used everywhere. Texts are kept as typed. */
export const Brief = z.object({
  title: z.string().max(300),
  subtitle: z.string().max(300),
  author: z.string().max(200),
  seriesName: z.string().max(120),
  seriesNumber: z.number().int().min(1).max(999).nullable(),
  strapline: z.string().max(200),
  /** The text that tells what the book is about: on the back, and in the description of ebook files. */
  blurb: z.string().max(4000),
  website: z.string().max(120),
  pageCount: z.number().int().min(1).max(3000).nullable(),
  /** Ids of store profiles. */
  stores: z.array(z.string().max(40)).max(40),
  /** BCP 47 tag of the book's language. */
  language: z.string().regex(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/),
  publisher: z.string().max(120),
  kind: z.enum(BOOK_KINDS),
  /** Kinds of book by which it is shelved, the first counts most; none leaves it open. */
  genres: z.array(z.enum(GENRES)).max(MOST_GENRES),
  audience: z.enum(AUDIENCES),
  /** The first counts most; none leaves it open. */
  moods: z.array(z.enum(MOODS)).max(3),
});
export type Brief = z.infer<typeof Brief>;

export const emptyBrief: Brief = {
  title: '',
  subtitle: '',
  author: '',
  seriesName: '',
  seriesNumber: null,
  strapline: '',
  blurb: '',
  website: '',
  pageCount: null,
  stores: ['longreach'],
  language: 'en',
  publisher: '',
  kind: 'story',
  genres: [],
  audience: 'anyone',
  moods: [],
};

/** Brief fields that can stand on a cover. */
export const WORD_FIELDS = [
  'title',
  'subtitle',
  'author',
  'series',
  'number',
  'strapline',
  'blurb',
  'website',
  'publisher',
] as const;
export type WordField = (typeof WORD_FIELDS)[number];

const NUMBERS = ['One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten', 'Eleven', 'Twelve'];

/** "The Lamplighter Accounts · One"; empty without a series name. Numbers above twelve, and other languages, in digits. */
export function seriesLine(brief: Brief): string {
  const { seriesName, seriesNumber: n } = brief;
  if (!seriesName.trim() || n === null) return seriesName;
  return `${seriesName} · ${brief.language.startsWith('en') ? (NUMBERS[n - 1] ?? n) : n}`;
}

/** What the cover says for a field of the brief. */
export function wordsOf(brief: Brief, field: WordField): string {
  if (field === 'series') return seriesLine(brief);
  if (field === 'number') return brief.seriesNumber === null ? '' : String(brief.seriesNumber);
  return brief[field];
}

/** Millimetres of one page of uncoated book paper of about 80 g/m2 with bulk 1.6: half of the 0.126 mm leaf. */
export const PAGE_MM = 0.063;
export const DEFAULT_PAGES = 240;

/** Thickness of the bound block; at least 2 mm, since thinner books have no spine to print on. */
export function thicknessMm(pageCount: number | null): number {
  return Math.max(2, (pageCount ?? DEFAULT_PAGES) * PAGE_MM);
}
