import type { Book } from '@yosomi/core/project';
import type { HouseAsk } from '@yosomi/core/recipe';
import type { KeyboardEvent, RefObject } from 'react';
import { useSeen } from '../../ui/use-seen';
import type { Found } from '../../work/library.worker';
import { OwnTile } from './own-tile';
import type { Chosen } from '../../ui/use-chosen';

/** Least width of a tile, and the gaps between tiles, in px. */
const TILE = 118;
const [GAP_X, GAP_Y] = [20, 24];
const NAME = 22;
/** Rows that are there beyond what is seen, above and below. */
const MORE_ROWS = 2;

/** Any number of pictures, of which only those near what is seen are there. */
export function OwnGrid(props: {
  found: readonly Found[];
  /** What scrolls. */
  ref: RefObject<HTMLDivElement | null>;
  book: Book | null;
  house: HouseAsk;
  chosen: Chosen;
  onKeyDown(e: KeyboardEvent<HTMLElement>): void;
}) {
  const { found, book, chosen, ref } = props;
  const seen = useSeen(ref);
  const columns = Math.max(1, Math.floor((seen.width + GAP_X) / (TILE + GAP_X)));
  const tile = seen.width > 0 ? (seen.width - (columns - 1) * GAP_X) / columns : TILE;
  const high = tile * (book ? book.cover.heightPx / book.cover.widthPx : 1);
  const row = high + NAME + GAP_Y;
  const rows = seen.width > 0 ? Math.ceil(found.length / columns) : 0;
  const from = Math.max(0, Math.floor(seen.top / row) - MORE_ROWS);
  const to = Math.min(rows, Math.ceil((seen.top + seen.height) / row) + MORE_ROWS);
  const first = found.find(({ id }) => chosen.has(id))?.id ?? found[0]?.id;
  return (
    <div
      ref={ref}
      className="min-w-0 flex-1 overflow-y-auto bg-table p-4 min-[900px]:p-6"
      onKeyDown={(e) => {
        if (e.key === 'a' && (e.ctrlKey || e.metaKey)) {
          e.preventDefault();
          chosen.all();
        } else props.onKeyDown(e);
      }}
    >
      <ul aria-label="Pictures of your own" className="relative" style={{ height: Math.max(0, rows * row - GAP_Y) }}>
        {found.slice(from * columns, to * columns).map((one, i) => {
          const at = from * columns + i;
          return (
            <li
              key={one.id}
              aria-setsize={found.length}
              aria-posinset={at + 1}
              className="absolute"
              style={{ top: Math.floor(at / columns) * row, left: (at % columns) * (tile + GAP_X), width: tile }}
            >
              <OwnTile
                found={one}
                book={book}
                house={props.house}
                chosen={chosen.has(one.id)}
                first={one.id === first}
                high={high}
                onChoose={(manner) => chosen.choose(one.id, manner)}
              />
            </li>
          );
        })}
      </ul>
    </div>
  );
}
