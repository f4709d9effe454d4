import type { DrawnForm } from '@yosomi/core/cover';
import { symbolsFor } from '@yosomi/core/sketch';
import { type Drawn, noSymbols, searchSymbols } from '@yosomi/core/symbols';
import { useDeferredValue, useMemo, useState } from 'react';
import type { z } from 'zod';
import { useFrom } from '../../state/session';
import { Button } from '../../ui/button';
import { Chip, Chips } from '../../ui/chip';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { stepAmong } from '../../ui/step-among';
import { useSymbols } from '../../work/symbols';
import { MarkPicture } from './mark-picture';

const formOf = ({ ratio, d }: Drawn): z.infer<typeof DrawnForm> => ({
  kind: 'drawn',
  ratio,
  paths: [{ d, colour: null }],
});

const nameOf = ({ id }: Drawn): string => `${id[0].toUpperCase()}${id.slice(1).replaceAll('-', ' ')}`;

/** Finds a drawing of a thing by nouns; before any are typed, those that the title brings to mind come first. `onUse` puts one on the cover. */
export function SymbolFinder(props: { onUse(form: z.infer<typeof DrawnForm>): void; onClose(): void }) {
  const brief = useFrom((book) => book.brief);
  const { data: symbols = noSymbols, isPending, isError, refetch } = useSymbols();
  const [query, setQuery] = useState('');
  const asked = useDeferredValue(query);
  const ideas = useMemo(() => symbolsFor({ brief, symbols }), [brief, symbols]);
  const { found, neighbours } = useMemo(() => searchSymbols(symbols, asked), [symbols, asked]);
  const open = asked.trim() === '';
  const shown = (open ? [...new Set([...ideas, ...found])] : found).flatMap((id) => symbols.get(id) ?? []);
  const tiles = (some: readonly Drawn[], first: boolean) => (
    <ul className="grid grid-cols-[repeat(auto-fill,minmax(76px,1fr))] gap-2">
      {some.map((one, i) => (
        <li key={one.id}>
          <button
            type="button"
            data-tile={one.id}
            title={nameOf(one)}
            aria-label={nameOf(one)}
            tabIndex={first && i === 0 ? 0 : -1}
            onClick={() => {
              props.onUse(formOf(one));
              props.onClose();
            }}
            className="flex h-[76px] w-full items-center justify-center rounded-sm border border-line bg-card p-3.5 hover:border-ink"
          >
            <MarkPicture form={formOf(one)} className="h-full max-w-full" />
          </button>
        </li>
      ))}
    </ul>
  );
  const [own, others] = open ? [shown.slice(0, ideas.length), shown.slice(ideas.length)] : [[], shown];
  return (
    <Dialog
      open
      onClose={props.onClose}
      title="Symbol"
      description="A plain drawing of one thing, as an outline: sharp at any size, in any colour. Free to use and to sell."
      wide
    >
      <TextField
        label="What it shows"
        hint="A noun in English, German, French or Spanish, such as moon, Wald or clé."
        value={query}
        maxLength={60}
        autoFocus
        onChange={setQuery}
      />
      <div className="h-[min(420px,48vh)] overflow-auto pr-1" onKeyDown={stepAmong}>
        {isError && (
          <div role="alert" className="flex flex-col items-start gap-3">
            <p>The symbols could not be read. They come with the next visit that reaches the server.</p>
            <Button onClick={() => void refetch()}>Try again</Button>
          </div>
        )}
        {own.length > 0 && (
          <section aria-label="From your words">
            <h3 className="mb-1.5 font-semibold">From your words</h3>
            {tiles(own, true)}
          </section>
        )}
        {others.length > 0 && (
          <section aria-label={open ? 'All symbols' : 'Found'} className={own.length > 0 ? 'mt-4' : ''}>
            <h3 className="mb-1.5 font-semibold">{open ? 'All symbols' : `Found ${others.length}`}</h3>
            {tiles(others, own.length === 0)}
          </section>
        )}
        {!open && !isPending && found.length === 0 && (
          <div className="flex flex-col items-start gap-3">
            <p>Nothing is found for “{asked.trim()}”. Try a plainer noun.</p>
            {neighbours.length > 0 && (
              <Chips label="Words that are near">
                {neighbours.map((word) => (
                  <Chip key={word} taken={false} onTake={() => setQuery(word)}>
                    {word}
                  </Chip>
                ))}
              </Chips>
            )}
          </div>
        )}
      </div>
      <p aria-live="polite" className="sr-only">
        {isPending ? 'The symbols are being read.' : `${shown.length} symbols are shown.`}
      </p>
    </Dialog>
  );
}
