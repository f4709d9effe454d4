import type { Book } from '@yosomi/core/project';
import { DropdownMenu } from 'radix-ui';
import { Ellipsis } from 'lucide-react';
import { Link } from 'react-router';
import { Bitmap } from '../../ui/bitmap';
import { useSmallCover } from '../../work/queries';

const COVER_PX = 200;

/** One title on the Shelf: its cover, and a menu for what is done with a whole title. */
export function TitleCard(props: {
  book: Book;
  onSaveAs(book: Book): void;
  onDuplicate(book: Book): void;
  onRemove(book: Book): void;
}) {
  const { book } = props;
  const bitmap = useSmallCover(book, COVER_PX * Math.min(2, Math.ceil(window.devicePixelRatio)));
  const title = book.brief.title.trim() || 'Untitled';
  const height = Math.min(360, (COVER_PX * book.cover.heightPx) / book.cover.widthPx);
  const item = 'cursor-pointer rounded-sm px-3 py-1.5 outline-none data-[highlighted]:bg-blue-wash';
  return (
    <li className="flex w-[200px] flex-col gap-2.5">
      <Link to={`/title/${book.id}/front`} aria-label={`Open ${title}`} className="flex h-80 items-end">
        <Bitmap
          bitmap={bitmap}
          label={`Cover of ${title}`}
          className="bg-line/60 shadow-cover"
          style={{ width: (height * book.cover.widthPx) / book.cover.heightPx, height }}
        />
      </Link>
      <div className="flex items-start justify-between gap-1">
        <div className="min-w-0">
          <p className="truncate font-semibold">{title}</p>
          <p className="truncate text-ink-2">{book.brief.author || 'No author yet'}</p>
        </div>
        <DropdownMenu.Root>
          <DropdownMenu.Trigger
            aria-label={`More for ${title}`}
            className="rounded-sm p-1 text-ink-2 hover:bg-line hover:text-ink"
          >
            <Ellipsis size={16} />
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content align="end" sideOffset={4} className="z-30 rounded-sm border border-edge bg-card p-1">
              <DropdownMenu.Item className={item} onSelect={() => props.onSaveAs(book)}>
                Save as a file
              </DropdownMenu.Item>
              <DropdownMenu.Item className={item} onSelect={() => props.onDuplicate(book)}>
                Duplicate
              </DropdownMenu.Item>
              <DropdownMenu.Item className={`${item} text-fail`} onSelect={() => props.onRemove(book)}>
                Remove from the Shelf
              </DropdownMenu.Item>
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      </div>
    </li>
  );
}
