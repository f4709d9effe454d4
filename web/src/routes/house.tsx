import { type HouseChange, housePlan } from '@yosomi/core/recipe';
import { type Card, nameOfCard, sortCards } from '@yosomi/core/shelf';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { LeftAsItIs } from '../features/frame/left-as-it-is';
import { useHouseRow } from '../features/front/use-house';
import { HouseChanging } from '../features/house/changed-report';
import { changeHouseAndTitles, useChanging } from '../features/house/changing';
import { ThingsForm } from '../features/house/things-form';
import { TouchedList } from '../features/house/touched-list';
import { useTouched } from '../features/house/use-touched';
import { useUses } from '../features/house/use-uses';
import { useShelf } from '../features/shelf/use-shelf';
import { sentenceOf } from '../messages/sentences';
import { type HouseRow, houseOf } from '../persist/keeps';
import { Button } from '../ui/button';
import { Mark } from '../ui/mark';
import { Segmented } from '../ui/segmented';
import { useRested } from '../ui/use-rested';

/** What all titles of a house share, changed in one place: first as it would be, then in those that are chosen. */
export function HousePage() {
  const shelf = useShelf();
  const [chosen, setChosen] = useState<HouseRow | null>(null);
  const rows = useMemo(() => {
    const of = (row: HouseRow): readonly Card[] =>
      sortCards(shelf?.cards.filter(({ id }) => houseOf(id) === row) ?? [], 'series', new Map());
    return { house: of('house'), 'house-demo': of('house-demo') };
  }, [shelf]);
  const row = chosen ?? (rows.house.length > 0 || rows['house-demo'].length === 0 ? 'house' : 'house-demo');
  return (
    <main className="flex min-h-full flex-col gap-6 px-4 pt-8 pb-12 min-[1000px]:px-10">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-3">
        <Link to="/" aria-label="Back to the Shelf">
          <Mark className="text-ink" size={30} />
        </Link>
        <h1 className="text-lg font-semibold">House style</h1>
        {rows.house.length > 0 && rows['house-demo'].length > 0 && (
          <div className="ml-auto w-72">
            <Segmented<HouseRow>
              label="Whose house style"
              value={row}
              options={[
                { value: 'house', label: 'Your titles' },
                { value: 'house-demo', label: 'The demo books' },
              ]}
              onChange={setChosen}
            />
          </div>
        )}
      </header>
      <HouseChanging />
      {shelf && <House key={row} row={row} cards={rows[row]} />}
    </main>
  );
}

function House({ row, cards }: { row: HouseRow; cards: readonly Card[] }) {
  const { house, unread } = useHouseRow(row);
  const busy = useChanging((s) => s.now !== null);
  const { uses, reading, failed } = useUses(cards, busy);
  const [changes, setChanges] = useState<readonly HouseChange[]>([]);
  const rested = useRested(changes);
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const { touched, done, failed: lost } = useTouched(cards, rested, house);
  const byId = useMemo(() => new Map(cards.map((card) => [card.id, card])), [cards]);
  const plan = useMemo(() => housePlan(changes), [changes]);
  const current = touched !== null && rested === changes;
  // What can be seen to change comes first.
  const listed = useMemo(
    () => touched && [...touched.filter(({ front }) => front), ...touched.filter(({ front }) => !front)],
    [touched],
  );
  const some = touched?.filter(({ changed }) => changed) ?? [];
  const taken = some.filter(({ id }) => !out.has(id));
  const take = (): void => {
    if (!current || busy || unread) return;
    changeHouseAndTitles({
      row,
      house,
      changes,
      titles: taken.map(({ id }) => ({ id, name: nameOfCard(byId.get(id) ?? { title: '' }) })),
    });
    setChanges([]);
    setOut(new Set());
  };
  if (!uses)
    return (
      <p role="status">
        {failed
          ? 'The titles could not be read. Load this page again.'
          : reading && reading.done > 0
            ? `Reading the titles, ${reading.done} of ${reading.of}`
            : 'Reading the titles'}
      </p>
    );
  return (
    <div className="flex flex-1 flex-col gap-8 min-[1000px]:flex-row min-[1000px]:gap-12">
      <div className="flex shrink-0 flex-col gap-7 min-[1000px]:w-[400px]">
        <LeftAsItIs why={unread} />
        <p className="text-ink-2">
          {cards.length === 0
            ? 'No title is on the Shelf yet. New titles begin with the imprint and the site that you give here.'
            : `What ${cards.length === 1 ? 'one title shares' : `${cards.length} titles share`}. Put something else in the place of any of it. Colours, fonts and marks are added on the Front of a title.`}
        </p>
        <ThingsForm house={house} uses={uses} changes={changes} onChange={setChanges} />
      </div>
      <section aria-label="What it touches" className="flex min-w-0 flex-1 flex-col gap-4">
        <h2 className="text-base font-semibold">What it touches</h2>
        {changes.length === 0 ? (
          <p className="max-w-[60ch] text-ink-2">
            Nothing yet. As soon as you change something you see here which titles it touches, before and after. Nothing
            is changed until you take it, and then one press takes it back.
          </p>
        ) : !plan.ok ? (
          <p role="alert" className="text-fail">
            {sentenceOf(plan.fault)}
          </p>
        ) : lost ? (
          <p role="alert">The titles could not be looked through. Change something to try again.</p>
        ) : (
          <>
            <div className="sticky top-0 z-10 flex flex-wrap items-center gap-3 bg-paper py-2">
              <p role="status" className="flex-1">
                {!current
                  ? done && done.done > 0 && done.done < done.of
                    ? `Looking through the titles, ${done.done} of ${done.of}`
                    : 'Looking through the titles'
                  : some.length === 0
                    ? 'No title says or shows this. The house style alone is changed.'
                    : `It touches ${some.length} of ${cards.length === 1 ? 'one title' : `${cards.length} titles`}.`}
              </p>
              <Button onClick={() => setChanges([])}>Leave all as it is</Button>
              <Button kind="ink" disabled={!current || busy || unread !== null} onClick={take}>
                {taken.length === 0
                  ? 'Change the house style alone'
                  : `Change ${taken.length === 1 ? 'one title' : `${taken.length} titles`}`}
              </Button>
            </div>
            {current && some.length > 1 && (
              <div className="flex gap-2">
                <Button kind="link" onClick={() => setOut(new Set())}>
                  Take all
                </Button>
                <Button kind="link" onClick={() => setOut(new Set(some.map(({ id }) => id)))}>
                  Take none
                </Button>
              </div>
            )}
            {current && listed && (
              <TouchedList
                touched={listed}
                cards={byId}
                changes={rested}
                house={house}
                out={out}
                onOut={(id, isOut) =>
                  setOut((now) => new Set([...[...now].filter((one) => one !== id), ...(isOut ? [id] : [])]))
                }
              />
            )}
          </>
        )}
      </section>
    </div>
  );
}
