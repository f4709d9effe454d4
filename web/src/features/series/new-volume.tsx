import type { Book } from '@yosomi/core/project';
import { type Card, seriesNumbers } from '@yosomi/core/shelf';
import { numberCell } from '@yosomi/core/title-table';
import { useRef, useState } from 'react';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { FileInput } from '../../ui/file-input';
import { makeTitles, useMaking } from '../title-table/making';
import { Pictures } from '../title-table/pictures';

/** The number that a new volume gets: the first that lacks, else the next. */
const nextNumber = (volumes: readonly Card[]): number =>
  seriesNumbers(volumes).lacks[0] ?? Math.max(0, ...volumes.map(({ number }) => number ?? 0)) + 1;

/** A further volume of a series: what it is called is asked, everything else comes from the series. */
export function NewVolume(props: { name: string; volumes: readonly Card[]; like: Book; onClose(): void }) {
  const { name, volumes, like, onClose } = props;
  const { brief } = like;
  const [title, setTitle] = useState('');
  const [author, setAuthor] = useState(brief.author);
  const [number, setNumber] = useState(() => String(nextNumber(volumes)));
  const [pages, setPages] = useState('');
  const [picture, setPicture] = useState<File | null>(null);
  const [asked, setAsked] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const busy = useMaking((s) => s.now !== null);
  const [volume, pageCount] = [numberCell(number, 'number').value, numberCell(pages, 'pages').value];
  const wrong = {
    title: title.trim() === '' ? 'Type the title.' : null,
    number: volume === null ? 'Use a whole number from 1 to 999.' : null,
    pages: pages.trim() !== '' && pageCount === null ? 'Use a whole number from 1 to 3000.' : null,
  };
  const taken = volumes.find((one) => one.number === volume);
  const make = (): void => {
    setAsked(true);
    if (busy || wrong.title || wrong.number || wrong.pages) return;
    const { language, publisher, website, stores, kind, genres, audience, moods } = brief;
    const own = { title: title.trim(), author: author.trim(), seriesName: name, seriesNumber: volume, pageCount };
    const row = {
      line: 1,
      brief: { ...own, language, publisher, website, stores, kind, genres, audience, moods },
      picture: picture?.name ?? null,
      id: null,
      wrong: null,
      notes: [],
    };
    makeTitles([{ row, standing: { kind: 'new' }, changes: {} }], new Pictures(picture ? [picture] : []));
    onClose();
  };
  return (
    <Dialog open onClose={onClose} title="A new volume" description={`Its cover is set in the design of “${name}”.`}>
      <form
        className="flex flex-col gap-3.5"
        onSubmit={(e) => {
          e.preventDefault();
          make();
        }}
      >
        <TextField
          label="Title"
          value={title}
          maxLength={300}
          error={asked ? wrong.title : null}
          onChange={setTitle}
          autoFocus
        />
        <TextField label="Author" value={author} maxLength={200} onChange={setAuthor} />
        <div className="grid grid-cols-2 gap-4">
          <TextField
            label="Number in the series"
            inputMode="numeric"
            value={number}
            error={asked ? wrong.number : null}
            hint={taken ? `“${taken.title}” has it already.` : undefined}
            onChange={setNumber}
          />
          <TextField
            label="Pages"
            inputMode="numeric"
            value={pages}
            error={asked ? wrong.pages : null}
            onChange={setPages}
          />
        </div>
        <div className="flex flex-wrap items-center gap-3">
          <FileInput
            ref={input}
            accept="image/jpeg,image/png,image/webp,image/svg+xml"
            label="Picture"
            onFile={setPicture}
          />
          <Button onClick={() => input.current?.click()}>{picture ? 'Another picture' : 'Choose its picture'}</Button>
          <span className="min-w-0 truncate text-ink-2">
            {picture ? picture.name : 'Without one it shows that of the design.'}
          </span>
        </div>
        {busy && <p role="status">Other titles are being made. When that is done, this one can be.</p>}
        <div className="mt-2 flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button kind="ink" type="submit" disabled={busy}>
            Make the volume
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
