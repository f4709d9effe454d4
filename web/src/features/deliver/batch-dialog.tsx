import type { Book } from '@yosomi/core/project';
import { useState } from 'react';
import { sentenceOf } from '../../messages/sentences';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Dialog } from '../../ui/dialog';
import { Segmented } from '../../ui/segmented';
import { Working } from '../../ui/working';
import { type BatchWish, useBatch } from './use-batch';
import { useWishes } from './use-wishes';

const WHAT = [
  { value: 'stores', label: 'Covers for stores' },
  { value: 'all', label: 'Every file' },
] as const;

/** Files of many titles at once: made, and saved as one package. */
export function BatchDialog({ books, onClose }: { books: readonly Book[]; onClose(): void }) {
  const { wishes } = useWishes();
  const { state, running, run, save, stop } = useBatch(wishes);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [wish, setWish] = useState<BatchWish>({ what: 'stores', everyStore: false });
  const [packing, setPacking] = useState<number | null>(null);
  const chosen = books.filter((b) => !left.has(b.id));
  const ended = state !== null && !running;
  const pack = async (): Promise<void> => {
    setPacking(0);
    await save(chosen, wish, setPacking);
    setPacking(null);
  };
  return (
    <Dialog
      open
      wide
      onClose={() => {
        stop();
        onClose();
      }}
      title="Deliver many titles"
      description="What is missing or older than its cover is made. If it breaks off, start it again: it goes on where it was."
    >
      <div className="flex flex-col gap-2">
        <Segmented label="What is made" value={wish.what} options={WHAT} onChange={(what) => setWish({ ...wish, what })} />
        <Check
          label="For every store, not only where a title is sold"
          checked={wish.everyStore}
          disabled={running}
          onChange={(everyStore) => setWish({ ...wish, everyStore })}
        />
      </div>
      <fieldset className="max-h-56 overflow-auto border-y border-line py-2" disabled={running}>
        <legend className="sr-only">Titles</legend>
        {books.map((book) => (
          <div key={book.id} className="py-0.5">
            <Check
              label={book.brief.title || 'Untitled'}
              checked={!left.has(book.id)}
              onChange={(on) => setLeft((now) => new Set(on ? [...now].filter((id) => id !== book.id) : [...now, book.id]))}
            />
          </div>
        ))}
      </fieldset>
      {state && (
        <div className="flex flex-col gap-2" aria-live="polite">
          {running && <Working label={state.now} done={state.of === 0 ? 1 : state.done / state.of} onStop={stop} />}
          <p data-batch={running ? 'running' : 'ended'}>
            {state.made} made, {state.kept} up to date, {state.failures.length} failed, of {state.of} files.
          </p>
          {state.failures.length > 0 && (
            <ul className="max-h-32 overflow-auto text-xs text-fail">
              {state.failures.map(({ title, file, fault }, i) => (
                <li key={i}>
                  {title}, {file}: {sentenceOf(fault)}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
      {packing !== null && (
        <p role="status" className="text-ink-2">
          Packing, {Math.round(packing * 100)} %
        </p>
      )}
      <div className="flex justify-end gap-2">
        <Button disabled={!ended || packing !== null} onClick={() => void pack()}>
          Save the package
        </Button>
        <Button kind="ink" disabled={running || chosen.length === 0 || packing !== null} onClick={() => void run(chosen, wish)}>
          {ended && state.done < state.of ? 'Go on' : 'Make the files'}
        </Button>
      </div>
    </Dialog>
  );
} // prettier-ignore
