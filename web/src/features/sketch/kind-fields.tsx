import { AUDIENCES, GENRES, type Genre, MOODS, type Mood, ofKind, withGenre } from '@yosomi/core/book';
import { GENRE_RULES } from '@yosomi/core/sketch';
import { useFrom, useSession } from '../../state/session';
import { Menu } from '../../ui/menu';
import { KindMenu, shelvesOf } from './kind-menu';
import { AUDIENCE_NAMES, MOOD_NAMES } from './names';

const MOST_MOODS = 3;

const genreOf = (value: string): Genre | null => GENRES.find((genre) => genre === value) ?? null;

/** What sort of book it is, for whom, and what it feels like. */
export function KindFields() {
  const { kind, genres, audience, moods } = useFrom((b) => b.brief);
  const [first, second] = genres;
  const edit = useSession((s) => s.edit);
  const toggle = (mood: Mood): void =>
    void edit('Brief: mood', (b) => {
      const has = b.brief.moods.includes(mood);
      b.brief.moods = has ? b.brief.moods.filter((m) => m !== mood) : [...b.brief.moods, mood].slice(-MOST_MOODS);
    });
  return (
    <>
      <div className="flex flex-col gap-1">
        <KindMenu
          value={first ?? kind}
          onChange={(next) =>
            edit('Brief: kind of book', ({ brief }) => void Object.assign(brief, ofKind(next, brief.genres)))
          }
        />
        {first && <p className="text-xs text-ink-2">{GENRE_RULES[first].why}</p>}
      </div>
      {first && (
        <div className="flex flex-col gap-1">
          <span className="font-semibold" aria-hidden>
            With something of
          </span>
          <Menu
            label="With something of"
            value={second ?? 'nothing'}
            onChange={(next) =>
              edit('Brief: second kind', ({ brief }) => {
                brief.genres = withGenre(brief.genres, 1, genreOf(next));
              })
            }
            groups={[
              { title: 'One kind alone', options: [{ value: 'nothing', label: 'Nothing else' }] },
              ...shelvesOf(GENRES.filter((genre) => genre !== first)),
            ]}
          />
        </div>
      )}
      <div className="flex flex-col gap-1">
        <span className="font-semibold" aria-hidden>
          Who reads it
        </span>
        <Menu
          label="Who reads it"
          value={audience}
          onChange={(next) => edit('Brief: readers', (b) => void (b.brief.audience = next as typeof audience))}
          groups={[{ title: 'Readers', options: AUDIENCES.map((a) => ({ value: a, label: AUDIENCE_NAMES[a] })) }]}
        />
      </div>
      <fieldset className="flex flex-col gap-1.5">
        <legend className="pb-1 font-semibold">How it feels</legend>
        <div className="flex flex-wrap gap-1.5">
          {MOODS.map((mood) => (
            <button
              key={mood}
              type="button"
              aria-pressed={moods.includes(mood)}
              onClick={() => toggle(mood)}
              className="rounded-sm border border-edge bg-card px-2 py-1 text-ink-2 hover:border-ink hover:text-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:font-semibold aria-pressed:text-card"
            >
              {MOOD_NAMES[mood]}
            </button>
          ))}
        </div>
        <p className="text-xs text-ink-2">Up to three. None leaves it open.</p>
      </fieldset>
    </>
  );
}
