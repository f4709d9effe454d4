import type { WordsPart } from '@yosomi/core/cover';
import { capitals, pairsIn, spaceOf, withPair } from '@yosomi/core/text';
import { useState } from 'react';
import { Button } from '../../ui/button';
import { Menu } from '../../ui/menu';
import { NumberField } from '../../ui/number-field';

type Set = (what: string, fields: Pick<WordsPart, 'pairs'>, merge?: string | false) => void;

const spaced = (pair: string): string => [...pair.normalize('NFC')].join(' ');
const thousandths = (by: number): number => Math.round(by * 1000);

/** Space between two letters of the words, wherever they stand side by side. */
export function PairSpaces({ part, words, set }: { part: WordsPart; words: string; set: Set }) {
  const [chosen, setChosen] = useState('');
  const there = pairsIn(part.upper ? capitals(words) : words);
  if (there.length === 0 || part.setting === 'stacked') return null;
  const pair = there.includes(chosen) ? chosen : (part.pairs.find((one) => there.includes(one.pair))?.pair ?? there[0]);
  const signed = (by: number): string => (by > 0 ? `+${thousandths(by)}` : `${thousandths(by)}`.replace('-', '−'));
  const [first, second] = [...pair.normalize('NFC')];
  return (
    <div className="flex flex-col gap-1.5">
      <p className="font-semibold">Two letters by themselves</p>
      <Menu
        label="Two letters"
        value={pair}
        groups={[
          {
            title: 'As they follow each other',
            options: there.map((one) => {
              const by = spaceOf(part.pairs, one);
              return { value: one, label: by === 0 ? spaced(one) : `${spaced(one)}   ${signed(by)}` };
            }),
          },
        ]}
        onChange={setChosen}
      />
      <NumberField
        label={`Between ${first} and ${second}`}
        value={thousandths(spaceOf(part.pairs, pair))}
        least={-500}
        most={500}
        step={5}
        onChange={(v, d) =>
          set(`Space of ${spaced(pair)}`, { pairs: withPair(part.pairs, pair, v / 1000) }, d && `pair-${pair}`)
        }
      />
      <p className="text-xs text-ink-2">
        Thousandths of the size. While you type on the cover, Alt with up or down moves the letters at the cursor apart
        or together.
      </p>
      {part.pairs.length > 0 && (
        <Button kind="link" className="self-start" onClick={() => set('Space of pairs', { pairs: [] })}>
          All as the face has them
        </Button>
      )}
    </div>
  );
}
