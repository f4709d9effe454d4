import { type Result, fail } from '@yosomi/core/base';
import { type Manuscript, MOST_LETTERS, type TakenText, fromMarkdownText, fromPlainText } from '@yosomi/core/booklet';
import { beginBooklet } from '@yosomi/core/project';
import { sayFault, say } from '../../messages/say';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { DropPlace } from '../../ui/drop-place';

const DROPPED_NAMES = {
  html: 'raw HTML',
  picture: 'pictures that are not in the title',
  code: 'the look of code',
  struck: 'struck words',
  depth: 'nesting that is too deep',
} as const;

/** Signs of a letter take at most four bytes. */
const MOST_BYTES = MOST_LETTERS * 4;

async function readText(file: File): Promise<Result<TakenText>> {
  if (file.size > MOST_BYTES) return fail('text-long', { most: MOST_LETTERS });
  const text = await file.text();
  // What is no text has signs that no text has.
  if (text.includes('\u0000')) return fail('text-format');
  return /\.(md|markdown)$/i.test(file.name) ? fromMarkdownText(text) : fromPlainText(text);
}

/** Takes a text file into the title, and says what of it was left out. */
export async function takeTextFile(file: File, begin: (manuscript: Manuscript) => boolean): Promise<void> {
  const read = await readText(file).catch(() => fail('text-format'));
  if (!read.ok) return sayFault(read.fault);
  const { manuscript, dropped } = read.value;
  if (!begin(manuscript)) return;
  const left = dropped.map(({ kind, count }) => `${DROPPED_NAMES[kind]} (${count})`).join(', ');
  say(left ? `Taken in. Left out: ${left}.` : 'Taken in whole.');
}

/** Where a title has no booklet yet. */
export function FirstBooklet() {
  const edit = useSession((s) => s.edit);
  const begin = (manuscript?: Manuscript): boolean => edit('Begin a booklet', beginBooklet(manuscript));
  return (
    <section aria-label="New booklet" className="mx-auto flex w-full max-w-2xl flex-col gap-5 p-10">
      <h2 className="text-lg font-semibold">Give something to read along</h2>
      <p className="text-ink-2">
        A checklist, a sampler, a short guide. Bring the text: pages are made from it and from the cover, and follow
        both.
      </p>
      <DropPlace
        title="Open a text"
        hint="Markdown or plain text. Drop the file here, or choose it."
        accept=".md,.markdown,.txt,text/markdown,text/plain"
        label="Text file"
        onFile={(file) => void takeTextFile(file, begin)}
      />
      <Button className="self-start" onClick={() => void begin()}>
        Type or paste it
      </Button>
    </section>
  );
}
