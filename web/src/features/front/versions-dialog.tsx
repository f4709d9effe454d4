import { MOST_VERSIONS, type Version } from '@yosomi/core/project';
import { useState } from 'react';
import { nowIso } from '../../platform/clock';
import { freshId } from '../../platform/ids';
import { useBook, useSession } from '../../state/session';
import { Bitmap } from '../../ui/bitmap';
import { Button } from '../../ui/button';
import { Dialog } from '../../ui/dialog';
import { TextField } from '../../ui/field';
import { useCoverBitmap } from '../../work/queries';

/** Named versions of the cover: keep one, look at two beside each other, bring one back. */
export function VersionsDialog({ open, onClose }: { open: boolean; onClose(): void }) {
  const book = useBook();
  const edit = useSession((s) => s.edit);
  const [name, setName] = useState('');
  const [left, setLeft] = useState<string | null>(null);
  const versions = [...book.versions].reverse();
  const shown = versions.find((v) => v.id === left) ?? versions[0];
  const keep = (): void => {
    const version: Version = {
      id: freshId(),
      name: name.trim() || `Version ${book.versions.length + 1}`,
      madeAt: nowIso(),
      cover: book.cover,
    };
    const done = edit('Keep a version', (draft) => {
      draft.versions.push(structuredClone(version));
    });
    if (!done) return;
    setName('');
    setLeft(version.id);
  };
  return (
    <Dialog
      open={open}
      onClose={onClose}
      wide
      title="Versions"
      description="A version keeps the whole cover under a name. Bringing one back can be undone."
    >
      <form
        className="flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          keep();
        }}
      >
        <div className="flex-1">
          <TextField
            label="Name of the version"
            value={name}
            onChange={setName}
            maxLength={120}
            placeholder="With the red title"
          />
        </div>
        <Button kind="ink" type="submit" disabled={book.versions.length >= MOST_VERSIONS}>
          Keep the cover as it is
        </Button>
      </form>
      {!shown && <p className="text-ink-2">No version has been kept yet. Keep one before you try something bold.</p>}
      {shown && (
        <div className="flex gap-4">
          <ul className="flex w-44 shrink-0 flex-col gap-1 overflow-auto" aria-label="Kept versions">
            {versions.map((v) => (
              <li key={v.id}>
                <button
                  type="button"
                  aria-pressed={v.id === shown.id}
                  onClick={() => setLeft(v.id)}
                  className="block w-full rounded-sm px-2 py-1 text-left hover:bg-line/60 aria-pressed:bg-blue-wash aria-pressed:font-semibold"
                >
                  {v.name}
                  <span className="block text-xs font-normal text-ink-2">{new Date(v.madeAt).toLocaleString()}</span>
                </button>
              </li>
            ))}
          </ul>
          <Half label={shown.name} cover={shown.cover} />
          <Half label="Now" cover={book.cover} />
        </div>
      )}
      {shown && (
        <div className="flex gap-2">
          <Button
            onClick={() =>
              edit(`Bring back ${shown.name}`, (draft) => {
                draft.cover = structuredClone(shown.cover);
              })
            }
          >
            Bring this one back
          </Button>
          <Button
            className="text-fail"
            onClick={() =>
              edit('Forget a version', (draft) => {
                draft.versions = draft.versions.filter((v) => v.id !== shown.id);
              })
            }
          >
            Forget it
          </Button>
        </div>
      )}
    </Dialog>
  );
}

function Half({ label, cover }: { label: string; cover: Version['cover'] }) {
  const book = useBook();
  const { data } = useCoverBitmap({ ...book, cover }, 220);
  return (
    <figure className="flex min-w-0 flex-1 flex-col gap-1.5">
      <Bitmap bitmap={data ?? null} label={`Cover: ${label}`} className="block w-full shadow-cover" />
      <figcaption className="truncate text-center text-ink-2">{label}</figcaption>
    </figure>
  );
}
