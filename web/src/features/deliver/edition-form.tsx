import type { Brief } from '@yosomi/core/book';
import type { EditionWords, Inspected } from '@yosomi/core/ebook';
import { type ReactNode, useState } from 'react';
import { Button } from '../../ui/button';
import { Check } from '../../ui/check';
import { TextField } from '../../ui/field';
import { Segmented } from '../../ui/segmented';

const FIELDS = ['title', 'subtitle', 'author', 'publisher', 'language', 'date', 'website'] as const;
type Field = (typeof FIELDS)[number];

const LABELS: Record<Field, string> = {
  title: 'Title',
  subtitle: 'Subtitle',
  author: 'Author',
  publisher: 'Publisher',
  language: 'Language',
  date: 'Date',
  website: 'Website',
};

type Line = { readonly text: string; readonly at: 'head' | 'foot' };

export type Asked = {
  readonly words: EditionWords;
  readonly titlePage: 'added' | { readonly insteadOf: string } | null;
  readonly line: Line | null;
  readonly running: Line | null;
  readonly newIdentifier: boolean;
};

const OLD_PAGE: readonly { readonly value: 'replace' | 'keep'; readonly label: string }[] = [
  { value: 'replace', label: 'Put the new one in its place' },
  { value: 'keep', label: 'Keep both' },
];

const PLACES = [
  { value: 'head', label: 'At the head' },
  { value: 'foot', label: 'At the foot' },
] as const;

const words = (brief: Brief): Partial<Record<Field, string>> => {
  const { title, subtitle, author, publisher, language, website } = brief;
  return { title, subtitle, author, publisher, language, ...(website ? { website: address(website) } : {}) };
};
const address = (website: string): string => (/^https?:/i.test(website) ? website : `https://${website}`);

/** What the new edition says: each word as the book has it, or another. */
export function EditionForm(props: {
  book: Inspected;
  brief: Brief;
  busy: boolean;
  onMake(asked: Asked): void;
  /** What else is asked, before the button. */
  children?: ReactNode;
}) {
  const { book, brief } = props;
  const [typed, setTyped] = useState<Partial<Record<Field, string>>>({});
  const old = book.titlePage;
  const [titlePage, setTitlePage] = useState(false);
  const [instead, setInstead] = useState<'replace' | 'keep'>(old?.sure ? 'replace' : 'keep');
  const [line, setLine] = useState<string | null>(null);
  const [at, setAt] = useState<'head' | 'foot'>('head');
  const [running, setRunning] = useState<Line | null>(null);
  const ready = brief.website || brief.publisher || brief.title;
  const [newIdentifier, setNewIdentifier] = useState(false);
  const changed = FIELDS.filter((f) => typed[f] !== undefined && typed[f] !== book.words[f]);
  const make = (): void =>
    props.onMake({
      words: Object.fromEntries(changed.map((f) => [f, (typed[f] ?? '').trim()])),
      titlePage: !titlePage ? null : old && instead === 'replace' ? { insteadOf: old.path } : 'added',
      running: running?.text.trim() ? { ...running, text: running.text.trim() } : null,
      line: line?.trim() ? { text: line.trim(), at } : null,
      newIdentifier,
    });
  return (
    <form
      aria-label="New edition"
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        make();
      }}
    >
      <div className="flex items-baseline justify-between gap-4">
        <h2 className="text-base font-semibold">What the new edition says</h2>
        <Button kind="link" onClick={() => setTyped(words(brief))}>
          Take all from the Brief
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-x-5 gap-y-3">
        {FIELDS.map((field) => (
          <div key={field} className={field === 'title' || field === 'subtitle' ? 'col-span-2' : ''}>
            <TextField
              label={LABELS[field]}
              value={typed[field] ?? book.words[field]}
              onChange={(text) => setTyped((now) => ({ ...now, [field]: text }))}
              hint={changed.includes(field) ? `Was: ${book.words[field] || 'nothing'}` : undefined}
            />
          </div>
        ))}
      </div>
      <div className="flex flex-col gap-2">
        <Check label="A title page with these words" checked={titlePage} onChange={setTitlePage}>
          {old ? (
            <>
              <p className="text-ink-2">
                The book has {old.sure ? 'a title page' : 'what looks like a title page'}, {old.path}: “
                {old.text.slice(0, 120)}”
              </p>
              <Segmented<'replace' | 'keep'>
                label="What becomes of the old title page"
                value={instead}
                options={OLD_PAGE}
                onChange={setInstead}
              />
            </>
          ) : undefined}
        </Check>
        <Check
          label="A head or foot on each page, where the reading program shows one"
          checked={running !== null}
          onChange={(on) => setRunning(on ? { text: ready, at: 'head' } : null)}
        >
          {running && (
            <>
              <TextField
                label="What it says"
                value={running.text}
                maxLength={200}
                onChange={(text) => setRunning({ ...running, text })}
              />
              <p className="text-ink-2">
                Programs that lay out pages as for print show it on each page. Most phones and e-readers do not; they
                show the title of the book in their own head, or nothing. Nobody sees it twice.
              </p>
              <Segmented
                label="Where it stands"
                value={running.at}
                options={PLACES}
                onChange={(next) => setRunning({ ...running, at: next })}
              />
            </>
          )}
        </Check>
        <Check
          label="A line once in each chapter file"
          checked={line !== null}
          onChange={(on) => setLine(on ? ready : null)}
        >
          <TextField label="The line" value={line ?? ''} maxLength={200} onChange={setLine} />
          <p className="text-ink-2">
            An ebook has no fixed pages, so no line can stand on every one: this one stands once where each file of text
            begins or ends.
          </p>
          <Segmented label="Where the line stands" value={at} options={PLACES} onChange={(next) => setAt(next)} />
        </Check>
        <Check
          label="A new identifier, as for a new edition"
          checked={newIdentifier}
          disabled={book.scrambledFonts}
          onChange={setNewIdentifier}
        />
        {book.scrambledFonts && (
          <p className="text-ink-2">Fonts in this book are scrambled with its identifier, so that stays.</p>
        )}
      </div>
      {props.children}
      <Button kind="ink" type="submit" className="self-start" disabled={props.busy}>
        Make the new edition
      </Button>
    </form>
  );
}
