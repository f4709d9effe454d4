import { beginBooklet } from '@yosomi/core/project';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { DropPlace } from '../../ui/drop-place';
import { TEXT_FILES, useBringText } from './bring-text';

/** Where a title has no booklet yet. */
export function FirstBooklet() {
  const edit = useSession((s) => s.edit);
  const { bring, dialog } = useBringText();
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
        accept={TEXT_FILES}
        label="Text file"
        onFile={bring}
      />
      <Button className="self-start" onClick={() => void edit('Begin a booklet', beginBooklet())}>
        Type or paste it
      </Button>
      {dialog}
    </section>
  );
}
