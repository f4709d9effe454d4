import { BOOK_KINDS, type BookKind, GENRES, type Genre, sortOf } from '@yosomi/core/book';
import { Menu } from '../../ui/menu';
import { GENRE_NAMES, KIND_NAMES, SHELF_NAMES } from './names';

/** Kinds of book under the sort of book that they are. */
export const shelvesOf = (genres: readonly Genre[]) =>
  BOOK_KINDS.map((sort) => ({
    title: SHELF_NAMES[sort],
    options: genres.filter((one) => sortOf(one) === sort).map((one) => ({ value: one, label: GENRE_NAMES[one] })),
  })).filter(({ options }) => options.length > 0);

const ALL = [
  { title: 'Of no special kind', options: BOOK_KINDS.map((kind) => ({ value: kind, label: KIND_NAMES[kind] })) },
  ...shelvesOf(GENRES),
];

/** What a book is: of a kind that the trade knows, or of a sort and no special kind. */
export function KindMenu(props: { value: BookKind | Genre; onChange(next: BookKind | Genre): void }) {
  return (
    <div className="flex flex-col gap-1">
      <span className="font-semibold" aria-hidden>
        What it is
      </span>
      <Menu
        label="What it is"
        value={props.value}
        onChange={(next) => props.onChange(next as BookKind | Genre)}
        groups={ALL}
      />
    </div>
  );
}
