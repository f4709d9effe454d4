import type { Fault } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import type { Campaign } from '@yosomi/core/promo';
import type { PromoFormat } from '@yosomi/core/recipe';
import { useState } from 'react';
import { sentenceOf } from '../../messages/sentences';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Dialog } from '../../ui/dialog';
import { Segmented } from '../../ui/segmented';
import { Working } from '../../ui/working';
import { nameOfCard } from '@yosomi/core/shelf';
import { loadBooks } from '../../persist/titles';
import { useShelfCards } from '../mockups/use-others';
import { SAVE_FORMATS, saveForTitles } from './save-campaign';
import { useWork } from './use-work';

/** One message for several titles of the Shelf: each in its own look of the cover, in a folder of its own. */
export function TitlesDialog({ book, campaign, onClose }: { book: Book; campaign: Campaign; onClose(): void }) {
  const shelf = useShelfCards() ?? [];
  const work = useWork();
  const series = book.brief.seriesName.trim();
  const mates = shelf.filter((one) => one.id === book.id || (series && one.series === series));
  // Until a person chooses, it is the series.
  const [chosen, setChosen] = useState<ReadonlySet<string> | null>(null);
  const [format, setFormat] = useState<PromoFormat>('png');
  const [failed, setFailed] = useState<readonly { readonly title: string; readonly fault: Fault }[]>([]);
  const taken = chosen ?? new Set(mates.map(({ id }) => id));
  const titles = shelf.filter(({ id }) => taken.has(id)).map(({ id }) => id);
  const files = titles.length * campaign.formats.length;
  const save = (): void => {
    setFailed([]);
    work.run(async (signal, onProgress) => {
      const wish = { format, mostBytes: null };
      const books = (await loadBooks(titles)).map((one) => (one.id === book.id ? book : one));
      setFailed(await saveForTitles({ books, campaign, wish, signal, onProgress }));
    });
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Save for several titles"
      description="Words that you typed are said for each title. What came from the Brief comes from each title’s own."
    >
      <fieldset className="flex max-h-[40vh] flex-col gap-1.5 overflow-auto">
        <legend className="mb-2 font-semibold">Titles</legend>
        {shelf.map((one) => (
          <Check
            key={one.id}
            label={nameOfCard(one)}
            checked={taken.has(one.id)}
            onChange={(on) => {
              const next = new Set(taken);
              if (on) next.add(one.id);
              else next.delete(one.id);
              setChosen(next);
            }}
          />
        ))}
      </fieldset>
      <div className="flex gap-4">
        {mates.length > 1 && (
          <Button kind="link" onClick={() => setChosen(new Set(mates.map(({ id }) => id)))}>
            The series
          </Button>
        )}
        <Button kind="link" onClick={() => setChosen(new Set(shelf.map(({ id }) => id)))}>
          The whole Shelf
        </Button>
      </div>
      <Segmented<PromoFormat> label="File format" value={format} options={SAVE_FORMATS} onChange={setFormat} />
      {failed.length > 0 && (
        <ul role="alert" className="flex flex-col gap-1">
          {failed.map(({ title, fault }) => (
            <li key={title} className="border-l-3 border-may bg-may-wash px-3 py-2">
              <strong>{title}:</strong> {sentenceOf(fault)}
            </li>
          ))}
        </ul>
      )}
      {work.done === null ? (
        <Button kind="ink" disabled={titles.length === 0} onClick={save}>
          {titles.length === 0 ? 'Choose a title' : `Save ${files} files`}
        </Button>
      ) : (
        <Working label="Making the files" done={work.done} onStop={work.stop} />
      )}
    </Dialog>
  );
}
