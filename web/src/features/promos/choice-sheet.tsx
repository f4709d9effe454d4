import { Star } from 'lucide-react';
import { Bitmap } from '../../ui/bitmap';
import { stepAmong } from '../../ui/step-among';
import type { Choice, Section } from './sheets';
import type { Tile } from './use-promo-tiles';

type Props = {
  sections: readonly Section[];
  tiles: ReadonlyMap<string, Tile>;
  favourites: readonly string[];
  /** Whether looks can be kept and followed from here. */
  looks: boolean;
  onTake(choice: Choice): void;
  onKeep(look: string): void;
  onMore(look: string): void;
};

/** Pictures of one shape fill the width in rows; those of several shapes stand in one row, equally high. */
function columnsOf(choices: readonly Choice[]): string {
  const mixed = choices.some(({ ratio }) => ratio !== choices[0].ratio);
  return mixed
    ? choices.map(({ ratio }) => `minmax(0, ${ratio.toFixed(3)}fr)`).join(' ')
    : 'repeat(auto-fill, minmax(170px, 1fr))';
}

/** The message in several ways, in sections. A click takes one; K keeps its look among the favourites, M shows more like it. */
export function ChoiceSheet(props: Props) {
  const { tiles } = props;
  // A look that has no room for these words, or lacks something, is composed by another one: it is not shown as itself.
  const able = (one: Choice): boolean => (tiles.get(one.id)?.look ?? one.look) === one.look;
  const sections = props.sections
    .map((section) => ({ ...section, choices: section.choices.filter(able) }))
    .filter(({ choices }) => choices.length > 0);
  const all = sections.flatMap(({ choices }) => choices);
  const first = all.find(({ taken }) => taken) ?? all[0];
  const missing = props.sections.reduce((sum, { choices }) => sum + choices.length, 0) - all.length;
  return (
    <div className="flex flex-col gap-5" onKeyDown={stepAmong}>
      {sections.map(({ title, choices }) => (
        <section key={title} aria-label={title}>
          <h3 className="mb-2 text-xs font-semibold text-ink">{title}</h3>
          <ul className="grid items-start gap-4" style={{ gridTemplateColumns: columnsOf(choices) }}>
            {choices.map((one) => (
              <li key={one.id}>
                <ChoiceTile choice={one} focused={one === first} {...props} />
              </li>
            ))}
          </ul>
        </section>
      ))}
      {missing > 0 && (
        <p className="text-ink">
          {missing === 1 ? 'One look has' : `${missing} looks have`} no room for these words in this format, or need
          something that this title or message does not have.
        </p>
      )}
    </div>
  );
}

function ChoiceTile({ choice, focused, ...props }: Props & { choice: Choice; focused: boolean }) {
  const { id, name, taken, ratio, look } = choice;
  const kept = props.favourites.includes(look);
  const keys: Readonly<Record<string, () => void>> = { k: () => props.onKeep(look), m: () => props.onMore(look) };
  return (
    <>
      <button
        type="button"
        data-tile={id}
        aria-pressed={taken}
        aria-label={`${name}${props.looks && kept ? ', a favourite' : ''}`}
        tabIndex={focused ? 0 : -1}
        onClick={() => props.onTake(choice)}
        onKeyDown={(e) => props.looks && keys[e.key]?.()}
        className="relative block w-full bg-black/10 outline-offset-3 aria-pressed:outline-3 aria-pressed:outline-blue-pale"
        style={{ aspectRatio: ratio }}
      >
        <Bitmap bitmap={props.tiles.get(id)?.bitmap ?? null} label="" className="block h-full w-full shadow-cover" />
      </button>
      <p className="mt-1 flex items-start justify-between gap-1 text-xs leading-tight text-ink">
        <span className="pt-1">{name}</span>
        {props.looks && (
          <span className="flex shrink-0 items-center">
            <button
              type="button"
              aria-label={`More like ${name}`}
              onClick={() => props.onMore(look)}
              className="rounded-sm px-1 py-0.5 underline underline-offset-2 hover:bg-card/40"
            >
              More
            </button>
            <button
              type="button"
              aria-pressed={kept}
              aria-label={`Favourite: ${name}`}
              onClick={() => props.onKeep(look)}
              className="rounded-sm p-1 hover:bg-card/40"
            >
              <Star size={14} fill={kept ? 'currentColor' : 'none'} aria-hidden />
            </button>
          </span>
        )}
      </p>
    </>
  );
}
