import { type Chapter, fits, sumOf } from '@yosomi/core/booklet';
import { useState } from 'react';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';

const count = (n: number, one: string): string => `${n.toLocaleString('en')} ${one}${n === 1 ? '' : 's'}`;
const WORDS_A_PAGE = 300;

/** The first chapters that fit together, by their places; all of them where all do. */
function firstThatFit(chapters: readonly Chapter[]): Set<number> {
  let last = chapters.length;
  while (last > 1 && !fits(sumOf(chapters.slice(0, last)))) last--;
  return new Set(chapters.slice(0, last).keys());
}

/** Chapters to take, with how long each is and what all that are chosen come to. */
export function ChooseChapters(props: { chapters: readonly Chapter[]; onTake(chosen: readonly number[]): void }) {
  const { chapters } = props;
  const [chosen, setChosen] = useState<ReadonlySet<number>>(() => firstThatFit(chapters));
  const shown = [...chapters.entries()].filter(([, { pieces }]) => pieces > 0);
  const taken = shown.filter(([at]) => chosen.has(at));
  const sum = sumOf(taken.map(([, chapter]) => chapter));
  const room = fits(sum);
  const pages = Math.max(1, Math.round(sum.words / WORDS_A_PAGE));
  const set = (at: number, on: boolean): void =>
    setChosen(new Set(shown.flatMap(([i]) => ((i === at ? on : chosen.has(i)) ? [i] : []))));
  return (
    <form
      className="flex min-h-0 flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (room && taken.length > 0) props.onTake(taken.map(([at]) => at));
      }}
    >
      <div className="flex gap-3">
        <Button kind="link" onClick={() => setChosen(new Set(shown.map(([at]) => at)))}>
          All
        </Button>
        <Button kind="link" onClick={() => setChosen(new Set())}>
          None
        </Button>
      </div>
      <ul aria-label="Chapters" className="flex max-h-[46vh] flex-col gap-1 overflow-auto border-y border-line py-2">
        {shown.map(([at, { title, words, pictures }]) => (
          <li key={at} className="flex items-center justify-between gap-3">
            <Check
              label={title || (at === 0 ? 'Before the first heading' : 'Without a heading')}
              checked={chosen.has(at)}
              onChange={(on) => set(at, on)}
            />
            <span className="shrink-0 text-xs text-ink-2">
              {count(words, 'word')}
              {pictures > 0 && `, ${count(pictures, 'picture')}`}
            </span>
          </li>
        ))}
      </ul>
      <p aria-live="polite" id="chosen-chapters" className="text-sm text-ink-2">
        {taken.length === 0
          ? 'Choose at least one.'
          : room
            ? `${taken.length} of ${shown.length}: ${count(sum.words, 'word')}, about ${count(pages, 'page')}.`
            : `${taken.length} of ${shown.length} are more than one booklet holds. Leave some out.`}
      </p>
      <Button
        kind="ink"
        type="submit"
        className="self-start"
        disabled={!room || taken.length === 0}
        aria-describedby="chosen-chapters"
      >
        Take them in
      </Button>
    </form>
  );
}
