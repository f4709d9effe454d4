import type { BookKind } from './brief';

/** Kinds of book as the trade shelves them. */
export const GENRES = [
  'thriller',
  'crime',
  'romance',
  'fantasy',
  'science-fiction',
  'horror',
  'literary',
  'historical',
  'young-adult',
  'young-readers',
  'picture-book',
  'poetry',
  'memoir',
  'travel',
  'history',
  'popular-science',
  'spirituality',
  'self-help',
  'business',
  'garden-craft',
  'cookbook',
  'study',
  'academic',
] as const;
export type Genre = (typeof GENRES)[number];

/** A title may stand between two kinds. */
export const MOST_GENRES = 2;

/** The kinds of a title once one of them is another, or none: the first none leaves it open, and none stands twice. */
export function withGenre(genres: readonly Genre[], place: 0 | 1, genre: Genre | null): Genre[] {
  const [first, second] = [genres[0] ?? null, genres[1] ?? null];
  if (place === 0) return genre === null ? [] : second === null || second === genre ? [genre] : [genre, second];
  return first === null ? [] : genre === null || genre === first ? [first] : [first, genre];
}

/** What sort of book one of a kind is. */
export function sortOf(genre: Genre): BookKind {
  switch (genre) {
    case 'poetry':
      return 'poems';
    case 'travel':
    case 'popular-science':
    case 'spirituality':
    case 'self-help':
    case 'garden-craft':
    case 'cookbook':
      return 'practical';
    case 'history':
    case 'business':
    case 'study':
    case 'academic':
      return 'report';
    default:
      return 'story';
  }
}

/** A title as one of a kind, or of a sort and no special kind. */
export function ofKind(
  next: BookKind | Genre,
  genres: readonly Genre[] = [],
): { readonly kind: BookKind; readonly genres: Genre[] } {
  const genre = GENRES.find((one) => one === next);
  return genre ? { kind: sortOf(genre), genres: withGenre(genres, 0, genre) } : { kind: next as BookKind, genres: [] };
}
