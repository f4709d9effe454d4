import type { Result } from '@yosomi/core/base';
import type { Book, Project } from '@yosomi/core/project';
import { useState } from 'react';
import { sayFault } from '../../messages/say';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { momentText } from '../deliver/file-row';
import { keepBoth, putInPlace } from './take-in';

/** A title file whose title is on the Shelf already: what becomes of the two. */
export function AgainDialog(props: { project: Project; there: Book; onClose(): void; onOpened(id: string): void }) {
  const { project, there, onClose, onOpened } = props;
  const [busy, setBusy] = useState(false);
  const run = async (way: (project: Project) => Promise<Result<Book>>): Promise<void> => {
    setBusy(true);
    const done = await way(project).catch(() => ({ ok: false, fault: { code: 'store-failed', data: {} } }) as const);
    setBusy(false);
    if (done.ok) onOpened(done.value.id);
    else sayFault(done.fault);
  };
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title={`"${there.brief.title.trim() || 'Untitled'}" is on your Shelf already`}
      description="The file holds the same title, perhaps as it was at another time."
    >
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        <dt className="text-ink-2">On the Shelf, last changed</dt>
        <dd>{momentText(there.updatedAt)}</dd>
        <dt className="text-ink-2">In the file, last changed</dt>
        <dd>{momentText(project.book.updatedAt)}</dd>
      </dl>
      <div className="flex flex-wrap justify-end gap-2">
        <Button disabled={busy} onClick={() => onOpened(there.id)}>
          Open the one on the Shelf
        </Button>
        <Button disabled={busy} onClick={() => void run(putInPlace)}>
          Put the file in its place
        </Button>
        <Button kind="ink" disabled={busy} onClick={() => void run(keepBoth)}>
          Keep both
        </Button>
      </div>
      <p className="text-xs text-ink-2">
        In its place: the present cover stays as a version, and it can be undone. Both: the one of the file gets a name
        that tells them apart.
      </p>
    </Dialog>
  );
}
