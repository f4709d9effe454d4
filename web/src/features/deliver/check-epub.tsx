import type { Fault } from '@yosomi/core/base';
import type { EditionReport, Inspected } from '@yosomi/core/ebook';
import { coverAlt } from '@yosomi/core/ebook';
import type { Book } from '@yosomi/core/project';
import { noOrigin } from '@yosomi/core/book';
import { ebookCredits } from '@yosomi/core/recipe';
import { slug } from '@yosomi/core/base';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { sayFault } from '../../messages/say';
import { sentenceOf } from '../../messages/sentences';
import { nowIso } from '../../platform/clock';
import { saveBlob } from '../../platform/files';
import { freshUrn } from '../../platform/ids';
import { Button } from '../../ui/button';
import { Working } from '../../ui/working';
import { press } from '../../work/workers';
import { type Asked, EditionForm } from './edition-form';
import { sizeText } from './file-row';
import { FindingsView, Unreadable } from './findings';
import { Origins } from '../rights/origins';
import { AskNames, FoundNames } from './old-names';
import { useEbookJob } from './use-ebook-job';
import { useOldNames } from './use-old-names';
import { WholeCheck } from './whole-check';

const MEANS = {
  property: 'the mark that today’s readers use',
  meta: 'the mark that older readers use',
  'meta-page': 'a mark that names a page',
  guide: 'the list of its parts',
  landmarks: 'the list of its parts',
  'first-page': 'its first page',
  name: 'a file name',
} as const;

const CHANGES: Readonly<Record<EditionReport['changes'][number]['what'], string>> = {
  'cover-image': 'Cover picture',
  'cover-page': 'Cover page',
  'cover-marks': 'Cover marks',
  guide: 'Guide',
  title: 'Title',
  subtitle: 'Subtitle',
  author: 'Author',
  publisher: 'Publisher',
  language: 'Language',
  identifier: 'Identifier',
  date: 'Date',
  website: 'Website',
  'title-page': 'Title page',
  credits: 'Credits of the cover',
  'page-line': 'Line in files',
  'running-line': 'Head of pages',
  contents: 'Contents file',
  names: 'Old name',
};

type Made = { readonly file: Blob; readonly report: EditionReport; readonly after: Inspected | null };

/** An ebook from outside: how it holds its cover, and a new edition of it with this title's cover. */
export function CheckEpub({ file, book }: { file: File; book: Book }) {
  const [inspected, setInspected] = useState<Inspected | null>(null);
  const [fault, setFault] = useState<Fault | null>(null);
  const [made, setMade] = useState<Made | null>(null);
  const { progress, run, stop } = useEbookJob();
  useEffect(() => {
    let current = true;
    void run((w) => w.ask(w.api.inspect(file))).then((read) => {
      if (!current) return;
      if (read?.ok) setInspected(read.value);
      else setFault(read?.fault ?? { code: 'work-failed', data: {} });
    });
    return () => {
      current = false;
    };
    // A job belongs to its file.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [file]);

  const names = useOldNames(book.brief, {
    read: () => run((w) => w.ask(w.api.names(file))),
    places: (changes) => run((w) => w.ask(w.api.places(file, changes))),
  });
  const make = async (edition: Asked): Promise<void> => {
    // Names that were typed but not looked for yet are shown first: nothing changes unseen.
    if (names.unseen) return names.find();
    setMade(null);
    const done = await run(async (w, onProgress) => {
      const picture = await press().ebookPicture(book);
      if (!picture.ok) return picture;
      const cover = { bytes: picture.value.bytes, alt: coverAlt(book.brief) };
      const wish = {
        cover,
        names: names.wish,
        words: { ...edition.words, ...(edition.newIdentifier ? { identifier: freshUrn() } : {}) },
        titlePage: edition.titlePage,
        pageLine: edition.line,
        runningLine: edition.running,
        credits: ebookCredits(book),
        modified: nowIso(),
      };
      const remade = await w.ask(w.api.edition(file, wish, proxy(onProgress)));
      if (!remade.ok) return remade;
      const after = await w.ask(w.api.inspect(remade.value.file));
      return { ok: true, value: { ...remade.value, after: after.ok ? after.value : null } } as const;
    });
    if (!done) return;
    if (done.ok) setMade(done.value);
    else sayFault(done.fault);
  };
  if (fault) return <Unreadable name={file.name} fault={fault} />;
  if (!inspected) return <p className="text-ink-2">Reading {file.name}</p>;
  const { cover, words } = inspected;
  return (
    <div className="grid grid-cols-2 items-start gap-10">
      <div className="flex flex-col gap-6">
        <section aria-label="The ebook" className="flex flex-col gap-1.5">
          <h2 className="text-base font-semibold break-all">{file.name}</h2>
          <p className="font-mono text-xs text-ink-2">
            EPUB {inspected.version}, {inspected.entries} files,{' '}
            {inspected.pages === 1 ? 'one of them a page' : `${inspected.pages} of them pages`}, {sizeText(file.size)}
          </p>
          <p>
            {words.title || 'No title'}
            {words.author && `, ${words.author}`}
          </p>
          <p className="text-ink-2">
            {cover.image === null
              ? 'No cover was found in it.'
              : cover.missing
                ? `It names ${cover.image} as its cover, which is not in it.`
                : `Its cover is ${cover.image}${cover.widthPx ? `, ${cover.widthPx} x ${cover.heightPx} px` : ''}, known by ${cover.means
                    .map((m) => MEANS[m.means])
                    .filter((m, i, all) => all.indexOf(m) === i)
                    .join(', ')}.`}
          </p>
          <FindingsView findings={inspected.findings} of="Cover and packing" />
        </section>
        {progress !== null && <Working label="Working on the book" done={progress} onStop={stop} />}
        {made && <MadeView made={made} name={`${slug(made.after?.words.title || book.brief.title)}.epub`} />}
        {names.found && <FoundNames found={names.found} names={names} of="epub" />}
        <WholeCheck file={file} made={made?.file ?? null} />
      </div>
      <EditionForm
        book={inspected}
        brief={book.brief}
        busy={progress !== null}
        onMake={(edition) => void make(edition)}
      >
        <Origins found={{ ...noOrigin, work: words.title.slice(0, 300), maker: words.author.slice(0, 120) }} />
        <AskNames names={names} busy={progress !== null} label="Change old names inside the book too" />
      </EditionForm>
    </div>
  );
}

/** The new edition: what changed, what was mended, what a store says now. */
function MadeView({ made, name }: { made: Made; name: string }) {
  const { report, after } = made;
  return (
    <section aria-label="The new edition" className="flex flex-col gap-3 border-t border-line pt-4">
      <h2 className="text-base font-semibold">The new edition</h2>
      {after && <FindingsView findings={after.findings} of="Cover and packing" />}
      <table className="w-full border-collapse text-left text-xs">
        <thead className="text-ink-2">
          <tr className="border-b border-edge">
            <th className="py-1 pr-3">Changed</th>
            <th className="pr-3">Before</th>
            <th>After</th>
          </tr>
        </thead>
        <tbody>
          {report.changes.map((c, i) => (
            <tr key={i} className="border-b border-line align-top" data-change={c.what}>
              <th scope="row" className="py-1 pr-3 font-semibold whitespace-nowrap">
                {CHANGES[c.what]}
              </th>
              <td className="py-1 pr-3 break-all">{c.before || 'none'}</td>
              <td className="py-1 break-all">{c.after}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="text-xs text-ink-2">
        {report.notes.map((n, i) => (
          <li key={i}>{n.severity === 'should' ? `Put right: ${sentenceOf(n)}` : sentenceOf(n)}</li>
        ))}
        <li>{report.keptEntries} files were taken over as they are, byte for byte. Your file was not changed.</li>
      </ul>
      <Button kind="ink" className="self-start" onClick={() => saveBlob(made.file, name)}>
        Save {name}
      </Button>
    </section>
  );
}
