import { numberRanges } from '@yosomi/core/base';
import { titleStem } from '@yosomi/core/recipe';
import type { StampReport } from '@yosomi/core/pdf';
import type { Book } from '@yosomi/core/project';
import { useState } from 'react';
import { sayFault } from '../../messages/say';
import { sentenceOf } from '../../messages/sentences';
import { nowIso } from '../../platform/clock';
import { saveFile } from '../../platform/files';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { Segmented } from '../../ui/segmented';
import { Working } from '../../ui/working';
import type { MadePdf } from '../../work/ebook.worker';
import { press } from '../../work/workers';
import { sizeText } from './file-row';
import { StampFields, type Typed, stampOf, typedFor } from './stamp-fields';
import { AskNames, FoundNames } from './old-names';
import { useEbookJob } from './use-ebook-job';
import { useOldNames } from './use-old-names';

type Place = 'auto' | 'replace' | 'insert' | 'none';

const PLACES = [
  { value: 'auto', label: 'As it needs' },
  { value: 'insert', label: 'Before page 1' },
  { value: 'replace', label: 'Instead of page 1' },
  { value: 'none', label: 'No cover' },
] as const;

const SAID: Readonly<Record<Place, string>> = {
  auto: 'A first page that the file itself calls its cover is replaced; before any other the cover is put.',
  insert: 'The PDF gets one page more.',
  replace: 'The present first page is left out.',
  none: 'The pages stay as many as they are.',
};

/** A PDF ebook: this title's cover becomes its first page, and its pages get a head, a foot and numbers. */
export function CheckPdf({ file, book }: { file: File; book: Book }) {
  const [place, setPlace] = useState<Place>('auto');
  const [typed, setTyped] = useState<Typed | null>(null);
  const [made, setMade] = useState<MadePdf | null>(null);
  const { progress, run, stop } = useEbookJob();
  const names = useOldNames(book.brief, {
    read: () => run((w) => w.ask(w.api.pdfNames(file))),
    places: (changes) => run((w) => w.ask(w.api.pdfPlaces(file, changes))),
  });
  const stamp = typed && stampOf(typed, nowIso());
  const nothing = (place === 'none' && !typed && !names.asked) || (typed !== null && stamp === null);
  const make = async (): Promise<void> => {
    // Names that were typed but not looked for yet are shown first: nothing changes unseen.
    if (names.unseen) return names.find();
    setMade(null);
    const { title, author } = book.brief;
    const done = await run(async (w) => {
      const picture = place === 'none' ? null : await press().pdfCover(book);
      if (picture && !picture.ok) return picture;
      const modified = nowIso();
      const cover = picture && place !== 'none' ? { ...picture.value, place, title, author, modified } : null;
      return w.ask(w.api.pdf(file, { names: names.wish, cover, stamp: typed && stampOf(typed, modified), modified }));
    });
    if (!done) return;
    if (done.ok) setMade(done.value);
    else sayFault(done.fault);
  };
  const name = `${titleStem(book)}${made?.cover ? '-with-cover' : ''}.pdf`;
  return (
    <div className="grid grid-cols-2 items-start gap-10">
      <div className="flex flex-col gap-4">
        <h2 className="text-base font-semibold break-all">{file.name}</h2>
        <p className="font-mono text-xs text-ink-2">PDF, {sizeText(file.size)}</p>
        <Segmented label="Where the cover goes" value={place} options={PLACES} onChange={(next) => setPlace(next)} />
        <p className="text-ink-2">{SAID[place]}</p>
        {place !== 'none' && (
          <p>
            The cover becomes the first page, in the size of the other pages. Title and author are written into the
            document; the other pages stay as they are.
          </p>
        )}
        {progress === null ? (
          <Button kind="ink" className="self-start" disabled={nothing} onClick={() => void make()}>
            {typed || names.asked ? 'Make the PDF' : 'Put the cover in'}
          </Button>
        ) : (
          <Working label="Writing the PDF" done={progress} onStop={stop} />
        )}
        {made && <MadeView made={made} name={name} />}
        {names.found && <FoundNames found={names.found} names={names} of="pdf" />}
      </div>
      <div className="flex flex-col gap-4">
        <Check
          label="A head, a foot or page numbers"
          checked={typed !== null}
          onChange={(on) => setTyped(on ? typedFor(book.brief.website) : null)}
        >
          {typed && <StampFields typed={typed} onTyped={setTyped} />}
        </Check>
        <AskNames names={names} busy={progress !== null} label="Change old names in what the PDF says of itself" />
      </div>
    </div>
  );
}

const WHY: Readonly<Record<StampReport['without'][number]['why'], string>> = {
  full: 'no free margin',
  unread: 'what is drawn there could not be told',
  long: 'the line is wider than the page',
};

function MadeView({ made, name }: { made: MadePdf; name: string }) {
  const { cover, stamp, names } = made;
  const all = [...(cover?.notes ?? []), ...(stamp?.notes ?? []), ...(names?.notes ?? [])];
  const notes = [...new Set(all.map(sentenceOf))];
  const reasons = (['full', 'unread', 'long'] as const).flatMap((why) => {
    const pages = stamp?.without.filter((one) => one.why === why).map(({ page }) => page) ?? [];
    return pages.length > 0 ? [{ why, pages }] : [];
  });
  return (
    <section aria-label="The new PDF" className="flex flex-col gap-1.5 border-t border-line pt-4">
      {cover && (
        <p>
          The cover was {cover.placed === 'replaced' ? 'put in the place of page 1' : 'put before page 1'}:{' '}
          {cover.pages.before} pages before, {cover.pages.after} now.
        </p>
      )}
      {names && (
        <p>
          New names in {names.names.filter((one) => one.changed).length} of {names.names.length}{' '}
          {names.names.length === 1 ? 'place' : 'places'}.
        </p>
      )}
      {stamp && (
        <p>
          {stamp.stamped} of {stamp.pages} pages have their lines
          {stamp.links > 0 && `, with ${stamp.links === 1 ? 'one link' : `${stamp.links} links`}`}.
        </p>
      )}
      {reasons.map(({ why, pages }) => (
        <p key={why}>
          Without a line, {WHY[why]}: page {numberRanges(pages)}.
        </p>
      ))}
      {stamp && stamp.moved.length > 0 && (
        <p>At another height or smaller, for want of room: page {numberRanges(stamp.moved)}.</p>
      )}
      <p className="font-mono text-xs text-ink-2">
        {cover && `Page ${cover.box.widthPt.toFixed(1)} x ${cover.box.heightPt.toFixed(1)} points, `}
        {sizeText(made.bytes.length)}
      </p>
      {notes.map((note) => (
        <p key={note}>{note}</p>
      ))}
      <Button kind="ink" className="mt-2 self-start" onClick={() => saveFile(made.bytes, name, 'application/pdf')}>
        Save {name}
      </Button>
    </section>
  );
}
