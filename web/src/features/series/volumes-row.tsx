import { type Card, nameOfCard } from '@yosomi/core/shelf';
import { Plus } from 'lucide-react';
import { useRef } from 'react';
import { Link } from 'react-router';
import { useInView } from '../../ui/in-view';
import { Picture } from '../../ui/picture';
import { useSmallCover } from '../../work/shelf';

const [WIDE, HIGH] = [150, 240];

/** The volumes of a series in reading order, and a place for the next. */
export function VolumesRow({ volumes, onNew }: { volumes: readonly Card[]; onNew(): void }) {
  return (
    <ul aria-label="Volumes" className="flex flex-wrap gap-x-6 gap-y-6">
      {volumes.map((card) => (
        <Volume key={card.id} card={card} />
      ))}
      <li style={{ width: WIDE }}>
        <button
          type="button"
          onClick={onNew}
          className="flex w-full flex-col items-center justify-center gap-2 rounded-sm border border-dashed border-edge text-ink-2 hover:border-ink hover:text-ink"
          style={{ height: HIGH }}
        >
          <Plus size={20} aria-hidden />
          New volume
        </button>
      </li>
    </ul>
  );
}

function Volume({ card }: { card: Card }) {
  const place = useRef<HTMLLIElement>(null);
  const near = useInView(place);
  const title = nameOfCard(card);
  const height = Math.min(HIGH, (WIDE * card.heightPx) / card.widthPx);
  const size = { width: (height * card.widthPx) / card.heightPx, height };
  return (
    <li ref={place} style={{ width: WIDE }}>
      <Link
        to={`/title/${card.id}/front`}
        aria-label={`Open ${title}`}
        className="flex items-end"
        style={{ height: HIGH }}
      >
        {near ? <Cover card={card} label={`Cover of ${title}`} size={size} /> : <span style={size} />}
      </Link>
      <p className="mt-2 line-clamp-2 font-semibold wrap-anywhere">
        {card.number === null ? '' : `${card.number}. `}
        {title}
      </p>
    </li>
  );
}

function Cover({ card, label, size }: { card: Card; label: string; size: { width: number; height: number } }) {
  return <Picture src={useSmallCover(card)} label={label} className="bg-line/60 shadow-cover" style={size} />;
}
