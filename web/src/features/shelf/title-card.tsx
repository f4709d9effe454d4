import { type Card, type FileState, nameOfCard } from '@yosomi/core/shelf';
import { DropdownMenu } from 'radix-ui';
import { Ellipsis } from 'lucide-react';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import { Picture } from '../../ui/picture';
import type { Manner } from '../../ui/use-chosen';
import { Verdict } from '../../ui/verdict';
import { useSmallCover } from '../../work/shelf';
import { CARD } from './title-grid';

const COVER_HIGH = 320;

type Act = {
  onChoose(id: string, manner: Manner): void;
  onSaveAs(id: string): void;
  onDuplicate(id: string): void;
  onRemove(card: Card): void;
};

/** One title on the Shelf: its cover, what it is, how its files stand, and a menu for what is done with a whole title. */
export const TitleCard = memo(function TitleCard(
  props: { card: Card; state: FileState | undefined; chosen: boolean } & Act,
) {
  const { card, state, chosen } = props;
  const cover = useSmallCover(card);
  const title = nameOfCard(card);
  const height = Math.min(COVER_HIGH, (CARD.width * card.heightPx) / card.widthPx);
  const volume = card.number === null ? card.series : `${card.series} ${card.number}`;
  return (
    <div className="flex flex-col gap-2.5" data-title={card.id} data-chosen={chosen || undefined}>
      <Link to={`/title/${card.id}/front`} aria-label={`Open ${title}`} className="flex h-80 items-end">
        <Picture
          src={cover}
          label={`Cover of ${title}`}
          className={`bg-line/60 shadow-cover ${chosen ? 'outline-3 outline-offset-2 outline-blue' : ''}`}
          style={{ width: (height * card.widthPx) / card.heightPx, height }}
        />
      </Link>
      <div className="flex items-start justify-between gap-1.5">
        <input
          type="checkbox"
          className="mt-1 size-3.5 shrink-0 accent-ink"
          aria-label={`Choose ${title}`}
          checked={chosen}
          onChange={(e) => props.onChoose(card.id, (e.nativeEvent as MouseEvent).shiftKey ? 'through' : 'beside')}
        />
        <div className="min-w-0 flex-1">
          <p className="line-clamp-2 font-semibold wrap-anywhere">{title}</p>
          <p className="truncate text-ink-2">{card.author || 'No author yet'}</p>
          {state && state.stale > 0 ? (
            <p className="text-xs">
              <Verdict grade="may">
                {state.stale === 1 ? 'One file out of date' : `${state.stale} files out of date`}
              </Verdict>
            </p>
          ) : (
            card.series !== '' && <p className="truncate text-xs text-ink-2">{volume}</p>
          )}
        </div>
        <More title={title} {...props} />
      </div>
    </div>
  );
});

const ITEM = 'cursor-pointer rounded-sm px-3 py-1.5 outline-none data-[highlighted]:bg-blue-wash';

/** The menu of a title: it is there from when it is first asked for, so that many cards cost little. */
function More(props: { title: string; card: Card } & Omit<Act, 'onChoose'>) {
  const { title, card } = props;
  const [asked, setAsked] = useState(false);
  const look = {
    'aria-label': `More for ${title}`,
    className: 'rounded-sm p-1 text-ink-2 hover:bg-line hover:text-ink',
  };
  if (!asked)
    return (
      <button type="button" aria-haspopup="menu" {...look} onClick={() => setAsked(true)}>
        <Ellipsis size={16} />
      </button>
    );
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger {...look}>
        <Ellipsis size={16} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={4} className="z-30 rounded-sm border border-edge bg-card p-1">
          <DropdownMenu.Item className={ITEM} onSelect={() => props.onSaveAs(card.id)}>
            Save as a file
          </DropdownMenu.Item>
          <DropdownMenu.Item className={ITEM} onSelect={() => props.onDuplicate(card.id)}>
            Duplicate
          </DropdownMenu.Item>
          <DropdownMenu.Item className={`${ITEM} text-fail`} onSelect={() => props.onRemove(card)}>
            Remove from the Shelf
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
