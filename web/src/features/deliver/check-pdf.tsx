import { slug } from '@yosomi/core/base';
import type { PdfReport } from '@yosomi/core/pdf';
import type { Book } from '@yosomi/core/project';
import { useState } from 'react';
import { sayFault } from '../../messages/say';
import { sentenceOf } from '../../messages/sentences';
import { nowIso } from '../../platform/clock';
import { saveFile } from '../../platform/files';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { Working } from '../../ui/working';
import { press } from '../../work/workers';
import { sizeText } from './file-row';
import { useEbookJob } from './use-ebook-job';

type Place = 'auto' | 'replace' | 'insert';
type Made = { readonly bytes: Uint8Array<ArrayBuffer>; readonly report: PdfReport };

const PLACES = [
  { value: 'auto', label: 'As it needs' },
  { value: 'insert', label: 'Before page 1' },
  { value: 'replace', label: 'Instead of page 1' },
] as const;

/** A PDF ebook: this title's cover becomes its first page. */
export function CheckPdf({ file, book }: { file: File; book: Book }) {
  const [place, setPlace] = useState<Place>('auto');
  const [made, setMade] = useState<Made | null>(null);
  const { progress, run, stop } = useEbookJob();
  const make = async (): Promise<void> => {
    setMade(null);
    const { title, author } = book.brief;
    const done = await run(async (w) => {
      const picture = await press().pdfCover(book);
      if (!picture.ok) return picture;
      return w.ask(w.api.pdf(file, { ...picture.value, place, title, author, modified: nowIso() }));
    });
    if (!done) return;
    if (done.ok) setMade(done.value);
    else sayFault(done.fault);
  };
  const name = `${slug(book.brief.title)}-with-cover.pdf`;
  return (
    <div className="flex max-w-[640px] flex-col gap-4">
      <h2 className="text-base font-semibold break-all">{file.name}</h2>
      <p className="font-mono text-xs text-ink-2">PDF, {sizeText(file.size)}</p>
      <p>
        The cover becomes the first page, in the size of the other pages. Title and author are written into the
        document; the other pages stay as they are.
      </p>
      <Segmented label="Where the cover goes" value={place} options={PLACES} onChange={(next) => setPlace(next)} />
      <p className="text-ink-2">
        {place === 'auto' &&
          'A first page that the file itself calls its cover is replaced; before any other the cover is put.'}
        {place === 'insert' && 'The PDF gets one page more.'}
        {place === 'replace' && 'The present first page is left out.'}
      </p>
      {progress === null ? (
        <Button kind="ink" className="self-start" onClick={() => void make()}>
          Put the cover in
        </Button>
      ) : (
        <Working label="Writing the PDF" done={progress} onStop={stop} />
      )}
      {made && (
        <section aria-label="The new PDF" className="flex flex-col gap-1.5 border-t border-line pt-4">
          <p>
            The cover was {made.report.placed === 'replaced' ? 'put in the place of page 1' : 'put before page 1'}:{' '}
            {made.report.pages.before} pages before, {made.report.pages.after} now.
          </p>
          <p className="font-mono text-xs text-ink-2">
            Page {made.report.box.widthPt.toFixed(1)} x {made.report.box.heightPt.toFixed(1)} points,{' '}
            {sizeText(made.bytes.length)}
          </p>
          {made.report.notes.map((n) => (
            <p key={n.code}>{sentenceOf(n)}</p>
          ))}
          <Button kind="ink" className="mt-2 self-start" onClick={() => saveFile(made.bytes, name, 'application/pdf')}>
            Save {name}
          </Button>
        </section>
      )}
    </div>
  );
}
