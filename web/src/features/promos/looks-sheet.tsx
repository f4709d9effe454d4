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
  const families = [...new Set(looks.map((look) => look.family))];
  return (
    <div className="flex flex-col gap-5" onKeyDown={stepAmong}>
      {families.map((family: LookFamily) => (
        <section key={family} aria-label={FAMILY_NAMES[family]}>
          <h3 className="mb-2 text-xs font-semibold text-ink">{FAMILY_NAMES[family]}</h3>
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(170px,1fr))] gap-4">
            {looks
              .filter((look) => look.family === family)
              .map((look) => {
                const tile = tiles.get(look.id);
                const other = tile !== undefined && tile.look !== look.id;
                const kept = favourites.includes(look.id);
                return (
                  <li key={look.id}>
                    <button
                      type="button"
                      data-tile={look.id}
                      aria-pressed={now === look.id}
                      aria-label={`${look.name}${kept ? ', a favourite' : ''}${other ? ', cannot serve here' : ''}`}
                      tabIndex={now === look.id || (!looks.some((one) => one.id === now) && look === looks[0]) ? 0 : -1}
                      aria-disabled={other || undefined}
                      onClick={() => !other && props.onTake(look.id)}
                      onKeyDown={(e) => e.key === 'k' && props.onKeep(look.id)}
                      className="relative block w-full bg-black/10 outline-offset-3 aria-disabled:opacity-40 aria-pressed:outline-3 aria-pressed:outline-blue-pale"
                      style={{ aspectRatio: props.ratio }}
                    >
                      <Bitmap bitmap={tile?.bitmap ?? null} label="" className="block h-full w-full shadow-cover" />
                      {kept && (
                        <span className="absolute top-1.5 right-1.5 flex size-5 items-center justify-center rounded-full bg-ink text-card">
                          <Star size={12} fill="currentColor" aria-hidden />
                        </span>
                      )}
                    </button>
                    <p className="mt-1.5 text-xs leading-tight text-ink">
                      {look.name}
                      {other && ': not for these words'}
                    </p>
                  </li>
                );
              })}
          </ul>
        </section>
      ))}
    </div>
  );
}
