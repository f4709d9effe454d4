import { beginBooklet } from '@yosomi/core/project';
import { TEXT_ENDINGS } from '@yosomi/core/recipe';
import { sayFault, say } from '../../messages/say';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { DropPlace } from '../../ui/drop-place';
import { saveAsset } from '../../persist/assets';
import { studio } from '../../work/workers';

const DROPPED_NAMES = {
  html: 'raw HTML',
  picture: 'pictures that are not in the title',
  code: 'the look of code',
  struck: 'struck words',
  depth: 'nesting that is too deep',
  page: 'cover, title page and contents of the file',
} as const;

/** Takes the text of a file into the title, with its pictures, and says what was left out. */
async function takeFile(file: File): Promise<void> {
  const read = await studio.takeText(file, file.name);
  if (!read.ok) return sayFault(read.fault);
  const { manuscript, pictures, dropped } = read.value;
  for (const { asset, bytes } of pictures) {
    const kept = await saveAsset(asset.id, bytes);
    if (!kept.ok) return sayFault(kept.fault);
  }
  const assets = pictures.map(({ asset }) => asset);
  if (!useSession.getState().edit('Text of a booklet', beginBooklet(manuscript, assets))) return;
  const left = dropped.map(({ kind, count }) => `${DROPPED_NAMES[kind]} (${count})`).join(', ');
  say(left ? `Taken in. Left out: ${left}.` : 'Taken in whole.');
}

/** What is read of files; `take` reads one. */
export const TEXT_FILES = {
  accept: TEXT_ENDINGS.map((ending) => `.${ending}`).join(),
  take: (file: File): void => void takeFile(file).catch(() => sayFault({ code: 'text-format', data: {} })),
} as const;

/** Where a title has no booklet yet. */
export function FirstBooklet() {
  const edit = useSession((s) => s.edit);
  return (
    <section aria-label="New booklet" className="mx-auto flex w-full max-w-2xl flex-col gap-5 p-10">
      <h2 className="text-lg font-semibold">Give something to read along</h2>
      <p className="text-ink-2">
        A checklist, a sampler, a short guide. Bring the text: pages are made from it and from the cover, and follow
        both.
      </p>
      <DropPlace
        title="Open a text"
        hint="Markdown, plain text, HTML, DOCX, or EPUB. Drop the file here, or choose it."
        accept={TEXT_FILES.accept}
        label="Text file"
        onFile={TEXT_FILES.take}
      />
      <Button className="self-start" onClick={() => void edit('Begin a booklet', beginBooklet())}>
        Type or paste it
      </Button>
    </section>
  );
}
