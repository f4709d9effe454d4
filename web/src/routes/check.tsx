import { formatOf } from '@yosomi/core/image-file';
import { allProfiles, findProfile } from '@yosomi/core/stores';
import { useState } from 'react';
import { CheckEpub } from '../features/deliver/check-epub';
import { CheckImage } from '../features/deliver/check-image';
import { CheckPdf } from '../features/deliver/check-pdf';
import { DeliverFrame } from '../features/deliver/deliver-frame';
import { useWishes } from '../features/deliver/use-wishes';
import { sayFault } from '../messages/say';
import { bytesOfFile } from '../platform/files';
import { useBook } from '../state/session';
import { DropPlace } from '../ui/drop-place';
import { Menu } from '../ui/menu';

/** What was dropped, by its first bytes and not by its name. */
type Dropped =
  | { readonly kind: 'image'; readonly name: string; readonly bytes: Uint8Array<ArrayBuffer> }
  | { readonly kind: 'epub' | 'pdf'; readonly file: File };

const MOST_IMAGE = 200 * 1024 * 1024;

async function read(file: File): Promise<Dropped | null> {
  if (file.size === 0) {
    sayFault({ code: 'file-empty', data: {} });
    return null;
  }
  const head = await bytesOfFile(file.slice(0, 1100));
  const format = formatOf(head);
  const other = typeof format === 'object' ? format.other : null;
  if (other === 'a zip') return { kind: 'epub', file };
  if (other === 'a PDF') return { kind: 'pdf', file };
  if (file.size > MOST_IMAGE) {
    sayFault({ code: 'file-large', data: { mb: Math.round(file.size / 1048576), most: 200 } });
    return null;
  }
  if (other !== null && other !== 'an AVIF' && other !== 'a TIFF') {
    sayFault({ code: 'check-format', data: { found: other } });
    return null;
  }
  return { kind: 'image', name: file.name, bytes: await bytesOfFile(file) };
}

/** Any image, EPUB or PDF from outside: checked as a store would, mended, or given this title's cover. */
export function CheckPage() {
  const book = useBook();
  const { wishes } = useWishes();
  const profiles = allProfiles(wishes.stores);
  const [store, setStore] = useState(book.brief.stores[0] ?? profiles[0].id);
  const [dropped, setDropped] = useState<Dropped | null>(null);
  const profile = findProfile(store, wishes.stores) ?? profiles[0];
  const take = async (file: File): Promise<void> => {
    const next = await read(file);
    if (next) setDropped(next);
  };
  return (
    <DeliverFrame>
      <div className="flex items-stretch gap-4 pb-7">
        <div className="flex-1">
          <DropPlace
            title="Drop a cover, an EPUB or a PDF here"
            hint="Made anywhere, by anyone. It stays in this browser, and the file itself is not changed."
            accept="image/*,.epub,application/epub+zip,.pdf,application/pdf,.tif,.tiff,.avif"
            label="File to check"
            onFile={(file) => void take(file)}
          />
        </div>
        <div className="flex w-72 flex-col justify-center gap-1.5">
          <span className="font-semibold">Checked as a cover for</span>
          <Menu
            label="Checked as a cover for"
            value={profile.id}
            groups={[{ title: 'Stores', options: profiles.map((p) => ({ value: p.id, label: p.name })) }]}
            onChange={setStore}
          />
        </div>
      </div>
      {dropped === null && (
        <p className="text-ink-2">
          An image gets a report and, where something is wrong, a copy that passes. An EPUB or PDF gets this title’s
          cover.
        </p>
      )}
      {dropped?.kind === 'image' && (
        <CheckImage
          key={`${dropped.name} ${dropped.bytes.length} ${profile.id}`}
          name={dropped.name}
          bytes={dropped.bytes}
          profile={profile}
        />
      )}
      {dropped?.kind === 'epub' && <CheckEpub key={dropped.file.name} file={dropped.file} book={book} />}
      {dropped?.kind === 'pdf' && <CheckPdf key={dropped.file.name} file={dropped.file} book={book} />}
    </DeliverFrame>
  );
}
