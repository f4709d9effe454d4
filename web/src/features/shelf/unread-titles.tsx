import { slug } from '@yosomi/core/base';
import { sayFault, say } from '../../messages/say';
import type { Unread } from '../../persist/cards';
import { storedOf } from '../../persist/rescue';
import { saveFile } from '../../platform/files';
import { press } from '../../work/workers';
import { Button } from '../../ui/button';
import { removeFromShelf } from './use-shelf';

async function save({ id, name }: Unread): Promise<void> {
  const stored = await storedOf(id).catch(() => null);
  if (!stored) return sayFault({ code: 'title-gone', data: {} });
  const text = new TextEncoder().encode(JSON.stringify({ title: stored.row, steps: stored.steps }, null, 1));
  const entries = [
    { name: 'title.json', bytes: text },
    ...[...stored.files].map(([file, bytes]) => ({ name: `files/${file}`, bytes })),
  ];
  const packed = await press()
    .zip(entries, null)
    .catch(() => null);
  if (!packed?.ok) return sayFault(packed ? packed.fault : { code: 'work-failed', data: {} });
  const file = `${slug(name)}-as-stored.zip`;
  saveFile(new Uint8Array(await packed.value.arrayBuffer()), file, 'application/zip');
  say(`Saved ${file}`);
}

/** Titles that are stored and cannot be read: nothing of them is thrown away until a person says so. */
export function UnreadTitles({ titles }: { titles: readonly Unread[] }) {
  if (titles.length === 0) return null;
  return (
    <section
      aria-label="Titles that cannot be read"
      role="alert"
      className="mb-6 flex flex-col gap-2 border-l-2 border-fail pl-4"
    >
      {titles.map((one) => (
        <div key={one.id} className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <p className="min-w-0 flex-1">
            <span className="font-semibold">{one.name}</span>{' '}
            <span className="text-fail">
              {one.fault.code === 'project-newer'
                ? 'was stored by a newer Yosomi. Update Yosomi to open it.'
                : 'is damaged and cannot be opened.'}
            </span>{' '}
            Nothing of it was removed.
          </p>
          <Button onClick={() => void save(one)}>Save what is stored</Button>
          <Button kind="quiet" onClick={() => void removeFromShelf([one])}>
            Remove from the Shelf
          </Button>
        </div>
      ))}
    </section>
  );
}
