import type { Accent, WordsPart } from '@yosomi/core/cover';
import { useState } from 'react';
import { Button } from '../../ui/button';
import { ColourField } from '../../ui/colour-field';
import { Slider } from '../../ui/slider';

/** Sets single words apart from their line: in colour and in size. */
export function Accents(props: {
  part: WordsPart;
  words: readonly string[];
  set(what: string, fields: Partial<WordsPart>, merge?: string | false): void;
  swatches: readonly string[];
}) {
  const { part, words, set, swatches } = props;
  const [chosen, setChosen] = useState<number | null>(null);
  const own = chosen === null ? undefined : part.accents.find((a) => a.word === chosen);
  const put = (next: Partial<Accent>, merge: string | false): void => {
    if (chosen === null) return;
    const base = own ?? { word: chosen, colour: null, scale: null, cut: null };
    const rest = part.accents.filter((a) => a.word !== chosen);
    set('Word set apart', { accents: [...rest, { ...base, ...next }].sort((a, b) => a.word - b.word) }, merge);
  };
  if (words.length === 0) return <p className="text-ink-2">No words yet.</p>;
  return (
    <>
      <div className="flex flex-wrap gap-1" role="group" aria-label="Choose a word">
        {words.slice(0, 40).map((word, i) => (
          <button
            key={`${word}-${i}`}
            type="button"
            aria-pressed={chosen === i}
            onClick={() => setChosen(chosen === i ? null : i)}
            className="rounded-sm border border-line bg-card px-2 py-1 aria-pressed:border-blue aria-pressed:bg-blue-wash"
          >
            {word}
            {part.accents.some((a) => a.word === i) && <span aria-label="set apart"> ·</span>}
          </button>
        ))}
      </div>
      {chosen !== null && chosen < words.length && (
        <>
          <ColourField
            label={`Colour of ${words[chosen]}`}
            value={own?.colour ?? part.colour}
            swatches={swatches}
            onChange={(colour, d) => put({ colour }, d && `accent-${chosen}`)}
          />
          <Slider
            label="Size"
            value={own?.scale ?? 1}
            least={0.4}
            most={2.5}
            step={0.05}
            onChange={(scale) => put({ scale }, `accent-s-${chosen}`)}
            format={(v) => `${Math.round(v * 100)} %`}
          />
          {own && (
            <Button
              kind="link"
              className="self-start"
              onClick={() => set('Word set apart', { accents: part.accents.filter((a) => a.word !== chosen) })}
            >
              Set it like the rest
            </Button>
          )}
        </>
      )}
    </>
  );
}
