import type { Book } from '@yosomi/core/project';
import { useEffect, useRef, useState } from 'react';
import { Bitmap } from '../../ui/bitmap';
import { useInView } from '../../ui/in-view';
import { useBookletPage } from '../../work/booklets';
import type { BookletShape } from '../../work/booklet-views';
import { useCoverBitmap } from '../../work/queries';

export type PagesShown = 'spreads' | 'one' | 'small';

/** Most columns of the small pages, and how wide one of them is at least, CSS px. */
const SMALL = 128;
const GAP = 18;
const WIDEST = 820;

const density = (): number => Math.min(2, window.devicePixelRatio || 1);

type Props = {
  readonly book: Book;
  readonly shape: BookletShape;
  readonly shown: PagesShown;
  /** A page was pressed where a block of the text stands. */
  onBlock(block: number): void;
};

/** The pages of a booklet, beside each other as they are read, one by one, or all small. */
export function PagesView({ book, shape, shown, onBlock }: Props) {
  const room = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const element = room.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => setWidth(Math.floor(entry.contentRect.width)));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const columns = shown === 'small' ? Math.max(1, Math.floor((width + GAP) / (SMALL + GAP))) : shown === 'one' ? 1 : 2;
  const gap = shown === 'spreads' ? 2 : GAP;
  const each = Math.max(0, Math.min(WIDEST, Math.floor((width - gap * (columns - 1)) / columns)));
  // A first page stands alone at the right, as in a book.
  const first = shown === 'spreads';
  const cover = book.booklet?.cover ?? false;
  return (
    <div ref={room} className="w-full">
      {width > 0 && (
        <ol
          aria-label="Pages"
          className="mx-auto grid justify-center"
          style={{ gridTemplateColumns: `repeat(${columns}, ${each}px)`, columnGap: gap, rowGap: GAP }}
        >
          {cover && (
            <li className="flex items-center">
              <CoverTile book={book} widthPx={each} />
            </li>
          )}
          {shape.pages.map((page, i) => (
            <li key={page.number} style={first && i === 0 && !cover ? { gridColumn: 2 } : undefined}>
              <PageTile book={book} shape={shape} at={i} widthPx={each} onBlock={onBlock} />
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}

/** The flat cover as the first page of the file: as wide as the others, and as high as it is. */
function CoverTile({ book, widthPx }: { book: Book; widthPx: number }) {
  const { data } = useCoverBitmap(book, Math.round(widthPx * density()));
  const heightPx = (widthPx * book.cover.heightPx) / book.cover.widthPx;
  return (
    <Bitmap
      bitmap={data ?? null}
      label="The cover, the first page"
      className="block bg-card shadow-cover"
      style={{ width: widthPx, height: heightPx }}
    />
  );
}

function PageTile({ book, shape, at, widthPx, onBlock }: Omit<Props, 'shown'> & { at: number; widthPx: number }) {
  const ref = useRef<HTMLButtonElement>(null);
  const near = useInView(ref);
  const { data } = useBookletPage(book, at, Math.round(widthPx * density()), near);
  const page = shape.pages[at];
  const heightPx = (widthPx * shape.height) / shape.width;
  return (
    <button
      ref={ref}
      type="button"
      data-page={page.number}
      data-painted={data ? true : undefined}
      aria-label={`Page ${page.number}: go to its text`}
      disabled={page.places.length === 0}
      onClick={(e) => {
        const box = e.currentTarget.getBoundingClientRect();
        // The keyboard presses the page as a whole: it leads to the first that stands on it.
        const y = e.detail === 0 ? 0 : ((e.clientY - box.top) / box.height) * shape.height;
        const under = page.places.filter(({ rect }) => rect.y <= y);
        const place = under.at(-1) ?? page.places[0];
        if (place) onBlock(place.block);
      }}
      className="block bg-card shadow-cover outline-offset-2 not-disabled:cursor-text"
      style={{ width: widthPx, height: heightPx }}
    >
      <Bitmap bitmap={data ?? null} label="" className="block h-full w-full" />
    </button>
  );
}
