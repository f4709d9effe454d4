import type { Book } from '@yosomi/core/project';
import type { HouseAsk } from '@yosomi/core/recipe';
import { Bitmap } from '../../ui/bitmap';
import type { Found } from '../../work/library.worker';
import type { Manner } from '../../ui/use-chosen';
import { useOwnLook, useSmall } from './use-own';

/** One of one's own pictures, whole, with the title's words where they fit, over its name. */
export function OwnTile(props: {
  found: Found;
  book: Book | null;
  house: HouseAsk;
  chosen: boolean;
  /** Whether Tab comes to it. */
  first: boolean;
  /** Room for the picture, px. */
  high: number;
  onChoose(manner: Manner): void;
}) {
  const { found, book } = props;
  return (
    <button
      type="button"
      data-tile={found.id}
      aria-pressed={props.chosen}
      aria-label={found.name}
      tabIndex={props.first ? 0 : -1}
      onClick={(e) => props.onChoose(e.shiftKey ? 'through' : e.ctrlKey || e.metaKey ? 'beside' : 'alone')}
      className="flex w-full flex-col items-center outline-offset-4 aria-pressed:outline-3 aria-pressed:outline-blue-pale"
    >
      <span className="flex w-full items-end justify-center" style={{ height: props.high }}>
        <Picture found={found} book={book} house={props.house} />
      </span>
      <span className="mt-1 w-full truncate text-center text-xs text-ink" aria-hidden>
        {found.name}
      </span>
    </button>
  );
}

/** The small picture first: setting words on it takes longer. */
function Picture({ found, book, house }: { found: Found; book: Book | null; house: HouseAsk }) {
  const small = useSmall(found.id);
  const look = useOwnLook(found, book, house);
  const bitmap = look.data?.bitmap ?? small.data;
  if (bitmap) return <Bitmap bitmap={bitmap} label="" className="max-h-full max-w-full object-contain shadow-cover" />;
  const why = small.data === null ? 'The file is gone' : small.isError ? 'Could not be read' : 'Reading';
  return <span className="px-2 text-xs text-ink">{why}</span>;
}
