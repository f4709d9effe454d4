import type { DeskPicture } from '@yosomi/core/desk';
import type { Book } from '@yosomi/core/project';
import type { HouseAsk } from '@yosomi/core/recipe';
import { useRef } from 'react';
import { Bitmap } from '../../ui/bitmap';
import { useInView } from '../../ui/in-view';
import { pictureName } from './names';
import { useDeskLook } from './use-desk-look';

/** One picture of the desk, with the title's words where they fit. */
export function DeskTile(props: {
  picture: DeskPicture;
  book: Book | null;
  house: HouseAsk;
  chosen: boolean;
  /** Whether Tab comes to it. */
  first: boolean;
  onChoose(): void;
}) {
  const { picture, book, house } = props;
  const ref = useRef<HTMLLIElement>(null);
  const near = useInView(ref);
  const ratio = book ? book.cover.heightPx / book.cover.widthPx : picture.tall;
  return (
    <li ref={ref} className="flex flex-col justify-end">
      <button
        type="button"
        data-tile={picture.id}
        aria-pressed={props.chosen}
        aria-label={pictureName(picture)}
        tabIndex={props.first ? 0 : -1}
        onClick={props.onChoose}
        className="relative block w-full outline-offset-4 aria-pressed:outline-3 aria-pressed:outline-blue-pale"
      >
        {near ? (
          <Look picture={picture} book={book} house={house} ratio={ratio} />
        ) : (
          <span className="block w-full" style={{ aspectRatio: `1 / ${ratio}` }} />
        )}
      </button>
    </li>
  );
}

/** Is there while the tile is near: who scrolls on waits for nothing that is out of sight. */
function Look(props: { picture: DeskPicture; book: Book | null; house: HouseAsk; ratio: number }) {
  const { picture, book, house } = props;
  const { data, isError } = useDeskLook(picture.id, book, house);
  const aspectRatio = `1 / ${data && !data.cover ? picture.tall : props.ratio}`;
  return data ? (
    <Bitmap bitmap={data.bitmap} label="" className="block w-full shadow-cover" style={{ aspectRatio }} />
  ) : (
    <span className="flex items-center justify-center bg-card/40 px-2 text-xs text-ink" style={{ aspectRatio }}>
      {isError ? 'Could not be painted' : 'Painting'}
    </span>
  );
}
