import { type Card, nameOfCard } from '@yosomi/core/shelf';
import { useState } from 'react';
import { allProfiles } from '@yosomi/core/stores';
import { sentenceOf } from '../../messages/sentences';
import { sayFault } from '../../messages/say';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Dialog } from '../../ui/dialog';
import { LongList } from '../../ui/long-list';
import { Segmented } from '../../ui/segmented';
import { Working } from '../../ui/working';
import type { Run } from './runs';
import { type BatchWish, type Packing, useBatch } from './use-batch';
import { useWishes } from './use-wishes';

const WHAT = [
  { value: 'stores', label: 'Covers for stores' },
  { value: 'all', label: 'Every file' },
] as const;

const STORES = [
  { value: 'own', label: 'Where each is sold' },
  { value: 'every', label: 'Every store' },
  { value: 'some', label: 'Some stores' },
] as const;

/** Files of many titles at once: made, and saved as one package. Making goes on when the dialog is closed. */
export function BatchDialog({ cards, onClose }: { cards: readonly Card[]; onClose(): void }) {
  const { wishes } = useWishes();
  const { state, run, packing, save, stop } = useBatch(wishes);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [reading, setReading] = useState(false);
  const [wish, setWish] = useState<BatchWish>({ what: 'stores', stores: 'own', chosen: [] });
  const [share, setShare] = useState<number | null>(null);
  const [lacking, setLacking] = useState<readonly Packing[] | null>(null);
  const running = state?.running ?? false;
  const chosen = cards.flatMap(({ id }) => (left.has(id) ? [] : id));
  const noStore = wish.stores === 'some' && wish.chosen.length === 0;
  const nothing = chosen.length === 0 || (noStore && wish.what === 'stores');
  const change = (more: Partial<BatchWish>): void => {
    setLacking(null);
    setWish({ ...wish, ...more });
  };

  const leave = (ids: readonly string[]): void => {
    setLacking(null);
    setLeft(new Set(ids));
  };
  const make = async (): Promise<void> => {
    setLacking(null);
    setReading(true);
    try {
      await run(chosen, wish);
    } finally {
      setReading(false);
    }
  };
  const write = async (titles: readonly Packing[]): Promise<void> => {
    setLacking(null);
    setShare(0);
    await save(titles, setShare);
    setShare(null);
  };
  /** Saves what is there; where something is lacking, that is said first. */
  const pack = async (): Promise<void> => {
    const titles = await packing(chosen, wish);
    if (titles.every(({ files }) => files.length === 0)) return sayFault({ code: 'package-empty', data: {} });
    if (titles.some(({ lacks }) => lacks.length > 0)) setLacking(titles);
    else await write(titles);
  };
  const failed = (): void => sayFault({ code: 'work-failed', data: {} });
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title="Deliver many titles"
      description="What is missing or older than its cover is made. It goes on while you work elsewhere; if it breaks off, start it again."
    >
      <div className="flex flex-col gap-2">
        <Segmented label="What is made" value={wish.what} options={WHAT} onChange={(what) => change({ what })} />
        <Segmented
          label="For which stores"
          value={wish.stores}
          options={STORES}
          onChange={(stores) => change({ stores })}
        />
        {wish.stores === 'some' && (
          <fieldset className="max-h-40 columns-2 gap-4 overflow-auto border-y border-line py-2" disabled={running}>
            <legend className="sr-only">Stores</legend>
            {allProfiles(wishes.stores).map(({ id, name }) => (
              <div key={id} className="break-inside-avoid py-0.5">
                <Check
                  label={name}
                  checked={wish.chosen.includes(id)}
                  onChange={(on) =>
                    change({ chosen: on ? [...wish.chosen, id] : wish.chosen.filter((one) => one !== id) })
                  }
                />
              </div>
            ))}
          </fieldset>
        )}
        {noStore && wish.what === 'stores' && <p className="text-ink-2">Choose a store that covers are made for.</p>}
      </div>
      <div className="flex flex-wrap items-center gap-4">
        <p role="status">
          {chosen.length} of {cards.length} titles
        </p>
        <Button kind="link" disabled={running} onClick={() => leave([])}>
          All
        </Button>
        <Button kind="link" disabled={running} onClick={() => leave(cards.map(({ id }) => id))}>
          None
        </Button>
      </div>
      <fieldset className="border-y border-line py-2" disabled={running}>
        <legend className="sr-only">Titles</legend>
        <LongList count={cards.length} high={26}>
          {(at) => (
            <Check
              label={nameOfCard(cards[at])}
              checked={!left.has(cards[at].id)}
              onChange={(on) => {
                const { id } = cards[at];
                setLacking(null);
                setLeft((now) => new Set(on ? [...now].filter((one) => one !== id) : [...now, id]));
              }}
            />
          )}
        </LongList>
      </fieldset>
      {state && <RunState run={state} onStop={stop} />}
      {lacking && <Lacking titles={lacking} />}
      {reading && (
        <p role="status" className="text-ink-2">
          Reading the titles
        </p>
      )}
      {share !== null && (
        <p role="status" className="text-ink-2">
          Packing, {Math.round(share * 100)} %
        </p>
      )}
      <div className="flex justify-end gap-2">
        {lacking ? (
          <Button onClick={() => void write(lacking).catch(failed)}>Save without them</Button>
        ) : (
          <Button disabled={running || reading || share !== null || nothing} onClick={() => void pack().catch(failed)}>
            Save the package
          </Button>
        )}
        <Button
          kind="ink"
          disabled={running || reading || nothing || share !== null}
          onClick={() => void make().catch(failed)}
        >
          {lacking ? 'Make them' : state && state.done < state.of ? 'Go on' : 'Make the files'}
        </Button>
      </div>
    </Dialog>
  );
}

function RunState({ run, onStop }: { run: Run; onStop(): void }) {
  return (
    <div className="flex flex-col gap-2" aria-live="polite">
      {run.running && (
        <Working label={run.now?.label ?? ''} done={run.of === 0 ? 1 : run.done / run.of} onStop={onStop} />
      )}
      <p data-batch={run.running ? 'running' : 'ended'}>
        {run.made} made, {run.kept} up to date, {run.failures.length} failed, of {run.of} files.
      </p>
      {run.failures.length > 0 && (
        <ul className="max-h-32 overflow-auto text-xs text-fail">
          {run.failures.map(({ title, file, fault }, i) => (
            <li key={i}>
              {title}, {file}: {sentenceOf(fault)}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** What a package would not hold. */
function Lacking({ titles }: { titles: readonly Packing[] }) {
  const lacks = titles.flatMap(({ book, lacks: files }) =>
    files.map((wanted) => ({ title: book.brief.title || 'Untitled', wanted })),
  );
  return (
    <div role="alert" className="flex flex-col gap-1">
      <p className="font-semibold">
        {lacks.length === 1 ? 'One file is' : `${lacks.length} files are`} not made yet, or older than the cover. The
        package would lack {lacks.length === 1 ? 'it' : 'them'}:
      </p>
      <ul className="max-h-32 overflow-auto text-xs">
        {lacks.map(({ title, wanted }) => (
          <li key={`${title} ${wanted.id}`}>
            {title}: {wanted.label}
          </li>
        ))}
      </ul>
    </div>
  );
}
