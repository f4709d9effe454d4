import { thicknessMm } from '@yosomi/core/book';
import type { Book } from '@yosomi/core/project';
import { useRef } from 'react';
import { Bitmap } from '../../ui/bitmap';
import { useInView } from '../../ui/in-view';
import { lengthText, useLengths } from '../../ui/lengths';
import { useSpineSide } from '../../work/queries';

const [HIGH, WAITING] = [300, 36];
/** Letters of a spine are small: it is painted larger than it is shown. */
const SHARP = 2;

/** The spines of a series beside one another, each as thick as its book. */
export function SpinesRow({ books }: { books: readonly Book[] }) {
  return (
    <ul aria-label="Spines" className="flex items-end gap-1.5 overflow-x-auto bg-table px-6 pt-6 pb-3">
      {books.map((book) => (
        <Spine key={book.id} book={book} />
      ))}
    </ul>
  );
}

function Spine({ book }: { book: Book }) {
  const place = useRef<HTMLLIElement>(null);
  const near = useInView(place);
  return (
    <li ref={place} className="flex min-w-14 flex-col items-center gap-2">
      {near ? <Painted book={book} /> : <span style={{ height: HIGH }} />}
      <Thickness book={book} />
    </li>
  );
}

function Painted({ book }: { book: Book }) {
  const { data, isError } = useSpineSide(book, HIGH * SHARP);
  const name = book.brief.title.trim() || 'Untitled';
  if (isError) return <p className="text-xs">Its spine could not be drawn.</p>;
  return (
    <Bitmap
      bitmap={data ?? null}
      label={data ? `Spine of ${name}` : ''}
      className="block shadow-cover"
      style={{ height: HIGH, width: data ? (HIGH * data.width) / data.height : WAITING }}
    />
  );
}

function Thickness({ book: { brief } }: { book: Book }) {
  const { unit } = useLengths();
  return (
    <span className="text-center text-xs text-ink">
      {brief.pageCount === null ? 'No pages yet' : lengthText(thicknessMm(brief.pageCount), unit)}
    </span>
  );
}
