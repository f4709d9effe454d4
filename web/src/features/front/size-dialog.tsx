import { adaptDoc, type Doc } from '@yosomi/core/cover';
import type { Book } from '@yosomi/core/project';
import { useState } from 'react';
import { useSession } from '../../state/session';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { SizeFields } from './size-fields';

const LEAST = 100;
const MOST = 10_000;

/** Gives the front a size of one's own: it is composed anew for it, as one step. */
export function SizeDialog({ book, onClose }: { book: Book; onClose(): void }) {
  const { widthPx, heightPx } = book.cover;
  const [size, setSize] = useState({ widthPx, heightPx });
  const edit = useSession((s) => s.edit);
  const take = (): void => {
    const done = edit('Size of the front', (draft) => {
      draft.cover = adaptDoc(JSON.parse(JSON.stringify(draft.cover)) as Doc, size);
    });
    if (done) onClose();
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Size of the front"
      description="The cover is composed anew for it: nothing is stretched, and it can be undone."
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          take();
        }}
      >
        <SizeFields size={size} least={LEAST} most={MOST} ratio={heightPx / widthPx} onChange={setSize} />
        <Button kind="ink" type="submit" className="self-end">
          Set the size
        </Button>
      </form>
    </Dialog>
  );
}
