import { type Card, type CardGroup, type FileState, arrangeShelf, nameOfCard } from '@yosomi/core/shelf';
import { allProfiles } from '@yosomi/core/stores';
import { useCallback, useDeferredValue, useEffect, useMemo, useRef } from 'react';
import { sayFault } from '../../messages/say';
import { loadBook } from '../../persist/titles';
import { useChosen } from '../../ui/use-chosen';
import { useWishes } from '../deliver/use-wishes';
import { saveTitleAs } from '../frame/save-title';
import { oddNumbers, seriesPath } from '../series/odd-numbers';
import { groupName, useShelfAsk } from './ask';
import { ChosenBar } from './chosen-bar';
import { useFileStates, useLookThrough } from './file-states';
import { ShelfControls } from './shelf-controls';
import { TitleCard } from './title-card';
import { TitleGrid } from './title-grid';
import { duplicate, removeFromShelf } from './use-shelf';

/** From so many titles on one may look for some, and put them in order. */
const FEW = 6;

async function saveAs(id: string): Promise<void> {
  const book = await loadBook(id);
  if (book.ok) await saveTitleAs(book.value);
  else sayFault(book.fault);
}

/** The titles of the Shelf: found, in order, in groups, and some of them chosen. */
export function Titles({ cards, onDeliver }: { cards: readonly Card[]; onDeliver(ids: readonly string[]): void }) {
  const asked = useShelfAsk((s) => s.ask);
  // Letters that are typed come before what is found by them.
  const ask = useDeferredValue(asked);
  const { wishes } = useWishes();
  const known = useFileStates((s) => s.states);
  useLookThrough(cards);
  const byFiles = ask.sort === 'files' || ask.group === 'files';
  const states = byFiles ? known : NONE;
  const stores = useMemo(() => allProfiles(wishes.stores), [wishes]);
  const groups = useMemo(
    () =>
      arrangeShelf(
        cards,
        ask,
        states,
        stores.map(({ id }) => id),
      ),
    [cards, ask, states, stores],
  );
  /** Each once, in the order in which they stand. */
  const found = useMemo(() => [...new Set(groups.flatMap((group) => group.cards))], [groups]);
  const chosen = useChosen(found);
  // One that was taken off the Shelf meanwhile is not chosen any more.
  const ids = useMemo(() => {
    const there = new Set(cards.map(({ id }) => id));
    return chosen.ids.filter((id) => there.has(id));
  }, [cards, chosen.ids]);
  // Cards are drawn anew only where something of their own changes.
  const now = useRef(chosen);
  useEffect(() => {
    now.current = chosen;
  });
  const choose = useCallback<(typeof chosen)['choose']>((id, manner) => now.current.choose(id, manner), []);
  const nameOf = useCallback((group: CardGroup) => groupName(group, ask.group, stores), [ask.group, stores]);
  const bySeries = ask.group === 'series';
  const linkOf = useCallback(({ key }: CardGroup) => (bySeries && key !== '' ? seriesPath(key) : null), [bySeries]);
  const whole = bySeries && ask.words === '';
  const noteOf = (group: CardGroup): string | null => (whole && group.key !== '' ? oddNumbers(group.cards) : null);
  const remove = (some: readonly Card[]): Promise<void> =>
    removeFromShelf(some.map((card) => ({ id: card.id, name: nameOfCard(card) })));
  const removeOne = useCallback((card: Card) => void removeFromShelf([{ id: card.id, name: nameOfCard(card) }]), []);
  const asking = asked.words !== '' || asked.group !== 'none' || asked.sort !== 'changed';
  return (
    <div
      onKeyDown={(e) => {
        // Of a menu or a field that is open it is not meant for what is chosen.
        const here = e.target instanceof HTMLElement && e.currentTarget.contains(e.target);
        if (e.key === 'Escape' && here && ids.length > 0) chosen.none();
      }}
    >
      {(cards.length > FEW || asking) && <ShelfControls found={found.length} of={cards.length} />}
      {found.length === 0 && asked.words !== '' ? (
        <p className="py-6 text-ink-2">No title, author or series on the Shelf begins with these words.</p>
      ) : (
        <TitleGrid groups={groups} nameOf={nameOf} linkOf={linkOf} noteOf={noteOf}>
          {(card) => (
            <TitleCard
              card={card}
              state={known.get(card.id)}
              chosen={chosen.has(card.id)}
              onChoose={choose}
              onSaveAs={saveAs}
              onDuplicate={duplicate}
              onRemove={removeOne}
            />
          )}
        </TitleGrid>
      )}
      <ChosenBar
        ids={ids}
        found={found.length}
        onDeliver={() => onDeliver(ids)}
        onRemove={() => void remove(cards.filter(({ id }) => ids.includes(id)))}
        onAll={chosen.all}
        onNone={chosen.none}
      />
    </div>
  );
}

const NONE: ReadonlyMap<string, FileState> = new Map();
