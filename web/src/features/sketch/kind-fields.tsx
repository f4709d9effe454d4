import { AUDIENCES, BOOK_KINDS, MOODS, type Mood } from '@yosomi/core/book';
import { useFrom, useSession } from '../../state/session';
import { Menu } from '../../ui/menu';
import { AUDIENCE_NAMES, KIND_NAMES, MOOD_NAMES } from './names';

const MOST_MOODS = 3;

/** What sort of book it is, for whom, and what it feels like. */
export function KindFields() {
  const { kind, audience, moods } = useFrom((b) => b.brief);
  const edit = useSession((s) => s.edit);
  const toggle = (mood: Mood): void =>
    void edit('Brief: mood', (b) => {
      const has = b.brief.moods.includes(mood);
      b.brief.moods = has ? b.brief.moods.filter((m) => m !== mood) : [...b.brief.moods, mood].slice(-MOST_MOODS);
    });
  return (
    <>
      <div className="flex flex-col gap-1">
        <span className="font-semibold" aria-hidden>
          What it is
        </span>
        <Menu
          label="What it is"
          value={kind}
          onChange={(next) => edit('Brief: kind of book', (b) => void (b.brief.kind = next as typeof kind))}
          groups={[{ title: 'Kind of book', options: BOOK_KINDS.map((k) => ({ value: k, label: KIND_NAMES[k] })) }]}
        />
      </div>
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
