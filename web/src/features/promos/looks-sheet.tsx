import { type LookFamily, type PromoLook } from '@yosomi/core/promo';
import { Star } from 'lucide-react';
import { Bitmap } from '../../ui/bitmap';
import { stepAmong } from './contact-sheet';
import { FAMILY_NAMES } from './names';
import type { Tile } from './use-promo-tiles';

/** The message in every look. A click takes a look; K keeps it among the favourites. */
export function LooksSheet(props: {
  looks: readonly PromoLook[];
  tiles: ReadonlyMap<string, Tile>;
  now: string;
  favourites: readonly string[];
  ratio: number;
  onTake(look: string): void;
  onKeep(look: string): void;
}) {
  const { looks, tiles, now, favourites } = props;
  // A look that has no room for these words, or lacks something, is composed by another one: it is not shown as itself.
  const able = looks.filter((look) => (tiles.get(look.id)?.look ?? look.id) === look.id);
  const families = [...new Set(able.map((look) => look.family))];
  return (
    <div className="flex flex-col gap-5" onKeyDown={stepAmong}>
      {families.map((family: LookFamily) => (
        <section key={family} aria-label={FAMILY_NAMES[family]}>
          <h3 className="mb-2 text-xs font-semibold text-ink">{FAMILY_NAMES[family]}</h3>
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(170px,1fr))] gap-4">
            {able
              .filter((look) => look.family === family)
              .map((look) => {
                const tile = tiles.get(look.id);
                const kept = favourites.includes(look.id);
                return (
                  <li key={look.id}>
                    <button
                      type="button"
                      data-tile={look.id}
                      aria-pressed={now === look.id}
                      aria-label={`${look.name}${kept ? ', a favourite' : ''}`}
                      tabIndex={now === look.id || (!able.some((one) => one.id === now) && look === able[0]) ? 0 : -1}
                      onClick={() => props.onTake(look.id)}
                      onKeyDown={(e) => e.key === 'k' && props.onKeep(look.id)}
                      className="relative block w-full bg-black/10 outline-offset-3 aria-pressed:outline-3 aria-pressed:outline-blue-pale"
                      style={{ aspectRatio: props.ratio }}
                    >
                      <Bitmap bitmap={tile?.bitmap ?? null} label="" className="block h-full w-full shadow-cover" />
                    </button>
                    <p className="mt-1 flex items-start justify-between gap-1 text-xs leading-tight text-ink">
                      <span className="pt-1">{look.name}</span>
                      <button
                        type="button"
                        aria-pressed={kept}
                        aria-label={`Favourite: ${look.name}`}
                        onClick={() => props.onKeep(look.id)}
                        className="shrink-0 rounded-sm p-1 hover:bg-card/40"
                      >
                        <Star size={14} fill={kept ? 'currentColor' : 'none'} aria-hidden />
                      </button>
                    </p>
                  </li>
                );
              })}
          </ul>
        </section>
      ))}
      {able.length < looks.length && (
        <p className="text-ink">
          {looks.length - able.length === 1 ? 'One look has' : `${looks.length - able.length} looks have`} no room for
          these words in this format, or need something that this title or message does not have.
        </p>
      )}
    </div>
  );
}
