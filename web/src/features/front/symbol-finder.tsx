import { symbolsFor } from '@yosomi/core/sketch';
import { noSilhouettes, noSymbols, searchSilhouettes, searchSymbols, silhouetteIdeas } from '@yosomi/core/symbols';
import { type ReactNode, useDeferredValue, useMemo, useState } from 'react';
import { useFrom } from '../../state/session';
import { Button } from '../../ui/button';
import { Chip, Chips } from '../../ui/chip';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { Segmented } from '../../ui/segmented';
import { stepAmong } from '../../ui/step-among';
import { useSilhouettes, useSymbols } from '../../work/symbols';
import { SilhouetteTile, type SymbolForm, SymbolTile } from './symbol-tile';

type Hand = 'plain' | 'detailed';

const ABOUT: Readonly<Record<Hand, string>> = {
  plain: 'Free to use and to sell; no credit is due.',
  detailed:
    'Free to use and to sell, with credit: its line goes onto the ebook’s title page and the credits sheet by itself.',
};

/** So many silhouettes are shown at once. */
const PAGE = 160;

/** Finds a drawing of a thing by nouns; before any are typed, those that the title brings to mind come first. `onUse` puts one on the cover. */
export function SymbolFinder(props: { onUse(form: SymbolForm, name: string): void; onClose(): void }) {
  const brief = useFrom((book) => book.brief);
  const plain = useSymbols();
  const detailed = useSilhouettes();
  const symbols = plain.data ?? noSymbols;
  const silhouettes = detailed.data ?? noSilhouettes;
  const [query, setQuery] = useState('');
  const [hand, setHand] = useState<Hand>('plain');
  const [pages, setPages] = useState(1);
  const asked = useDeferredValue(query);
  const ideas = useMemo(() => symbolsFor({ brief, symbols }), [brief, symbols]);
  const { found, neighbours } = useMemo(() => searchSymbols(symbols, asked), [symbols, asked]);
  const others = useMemo(() => searchSilhouettes(silhouettes, asked), [silhouettes, asked]);
  const detailedIdeas = useMemo(
    () => silhouetteIdeas(symbols, silhouettes, [brief.title, brief.subtitle], brief.language),
    [brief, symbols, silhouettes],
  );
  const open = asked.trim() === '';
  const read = hand === 'plain' ? plain : detailed;
  const count = hand === 'plain' ? found.length : others.length;
  const use: typeof props.onUse = (form, name) => {
    props.onUse(form, name);
    props.onClose();
  };
  const own = hand === 'plain' && open ? ideas.flatMap((id) => symbols.get(id) ?? []) : [];
  const rest = found.flatMap((id) => (own.some((one) => one.id === id) ? [] : (symbols.get(id) ?? [])));
  const ownDetailed = hand === 'detailed' && open ? detailedIdeas : [];
  const all = open ? 'All symbols' : `Found ${count}`;
  return (
    <Dialog
      open
      onClose={props.onClose}
      title="Symbol"
      description="A drawing of one thing, as an outline: sharp at any size, in any colour."
      wide
    >
      <TextField
        label="What it shows"
        hint="A noun in English, German, French or Spanish, such as moon, Wald or clé."
        value={query}
        maxLength={60}
        autoFocus
        onChange={(text) => {
          setQuery(text);
          setPages(1);
        }}
      />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <Segmented<Hand>
          label="Which drawings"
          value={hand}
          onChange={setHand}
          options={[
            { value: 'plain', label: `Plain shapes (${found.length})` },
            { value: 'detailed', label: `Detailed (${others.length})` },
          ]}
        />
        <p className="min-w-0 flex-1 text-xs text-ink-2">{ABOUT[hand]}</p>
      </div>
      <div className="h-[min(420px,46vh)] overflow-auto pr-1" onKeyDown={stepAmong}>
        {read.isError && (
          <div role="alert" className="flex flex-col items-start gap-3">
            <p>The symbols could not be read. They come with the next visit that reaches the server.</p>
            <Button onClick={() => void read.refetch()}>Try again</Button>
          </div>
        )}
        {own.length > 0 && (
          <Tiles title="From your words">
            {own.map((drawn, i) => (
              <SymbolTile key={drawn.id} drawn={drawn} first={i === 0} onUse={use} />
            ))}
          </Tiles>
        )}
        {hand === 'plain' && rest.length > 0 && (
          <Tiles title={all} after={own.length > 0}>
            {rest.map((drawn, i) => (
              <SymbolTile key={drawn.id} drawn={drawn} first={own.length === 0 && i === 0} onUse={use} />
            ))}
          </Tiles>
        )}
        {ownDetailed.length > 0 && (
          <Tiles title="From your words">
            {ownDetailed.map((id, i) => (
              <SilhouetteTile key={id} id={id} of={silhouettes} first={i === 0} onUse={use} />
            ))}
          </Tiles>
        )}
        {hand === 'detailed' && others.length > 0 && (
          <Tiles title={all} after={ownDetailed.length > 0}>
            {others.slice(0, pages * PAGE).map((id, i) => (
              <SilhouetteTile
                key={id}
                id={id}
                of={silhouettes}
                first={ownDetailed.length === 0 && i === 0}
                onUse={use}
              />
            ))}
          </Tiles>
        )}
        {hand === 'detailed' && others.length > pages * PAGE && (
          <Button className="mt-3" onClick={() => setPages(pages + 1)}>
            Show more
          </Button>
        )}
        {!open && !read.isPending && !read.isError && count === 0 && (
          <Nothing
            asked={asked.trim()}
            hand={hand}
            elsewhere={hand === 'plain' ? others.length : found.length}
            neighbours={neighbours}
            onHand={() => setHand(hand === 'plain' ? 'detailed' : 'plain')}
            onWord={setQuery}
          />
        )}
      </div>
      <p aria-live="polite" className="sr-only">
        {read.isPending ? 'The symbols are being read.' : `${count} symbols are found.`}
      </p>
    </Dialog>
  );
}

function Tiles(props: { title: string; after?: boolean; children: ReactNode }) {
  return (
    <section aria-label={props.title} className={props.after ? 'mt-4' : ''}>
      <h3 className="mb-1.5 font-semibold">{props.title}</h3>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(76px,1fr))] gap-2">{props.children}</ul>
    </section>
  );
}

/** Nothing answers the words: what does in the other hand, and words that are near. */
function Nothing(props: {
  asked: string;
  hand: Hand;
  elsewhere: number;
  neighbours: readonly string[];
  onHand(): void;
  onWord(word: string): void;
}) {
  const { elsewhere } = props;
  return (
    <div className="flex flex-col items-start gap-3">
      <p>
        {elsewhere > 0
          ? `Nothing ${props.hand} is found for “${props.asked}”.`
          : `Nothing is found for “${props.asked}”. Try a plainer noun.`}
      </p>
      {elsewhere > 0 && (
        <Button onClick={props.onHand}>
          {props.hand === 'plain' ? 'Show detailed ones' : 'Show plain ones'} ({elsewhere})
        </Button>
      )}
      {elsewhere === 0 && props.neighbours.length > 0 && (
        <Chips label="Words that are near">
          {props.neighbours.map((word) => (
            <Chip key={word} taken={false} onTake={() => props.onWord(word)}>
              {word}
            </Chip>
          ))}
        </Chips>
      )}
    </div>
  );
}
