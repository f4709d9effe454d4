import { fail } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import { type Deliverable, type Others, folderFor, packageReadme, titleFolders } from '@yosomi/core/recipe';
import { proxy } from 'comlink';
import { say, sayFault } from '../../messages/say';
import { noteDelivery } from '../../persist/deliveries';
import { type MadeFile, rowId } from '../../persist/made-files';
import { nowIso } from '../../platform/clock';
import { saveBlob, saveFile } from '../../platform/files';
import { sendToStore } from '../../platform/http';
import type { ZipEntry } from '../../work/picture-files';
import { press } from '../../work/workers';

/** A file that is made and still true of its title. */
export type Ready = { readonly wanted: Deliverable; readonly made: MadeFile };

async function note(
  book: Book,
  { id, key, fileName }: Deliverable,
  bytes: number,
  how: 'saved' | 'packed' | 'sent',
  accepted: boolean | null,
): Promise<void> {
  const left = { at: nowIso(), deliverable: id, name: fileName, bytes, key, how, accepted };
  const done = await noteDelivery(book.id, left);
  if (!done.ok) sayFault(done.fault);
}

export async function saveOne(book: Book, { wanted, made }: Ready): Promise<void> {
  // The name as it is wished now, whatever it was when the file was made.
  saveFile(made.bytes, wanted.fileName, made.type);
  await note(book, wanted, made.bytes.length, 'saved', null);
}

/** Sends a file to the stand-in store on the server and says what it answers. */
export async function sendOne(book: Book, ready: Ready): Promise<void> {
  const store = ready.wanted.store ?? '';
  const answer = await sendToStore(store, ready.made.bytes, ready.wanted.fileName, AbortSignal.timeout(60_000));
  if (!answer.ok) return sayFault(answer.fault);
  const { accepted, findings } = answer.value;
  await note(book, ready.wanted, ready.made.bytes.length, 'sent', accepted);
  if (accepted) return say('The stand-in store accepted the cover.');
  sayFault(findings.find((f) => f.severity === 'must') ?? { code: 'send-refused', data: { status: 422 } });
}

/** A file of a package: kept in the browser, known by its row. */
export type Packed = { readonly wanted: Deliverable; readonly size: number };

/** What a package of one title holds, and what it lacks. */
export type Packing = {
  readonly book: Book;
  readonly files: readonly Packed[];
  readonly lacks?: readonly Deliverable[];
  /** Other titles that its mockups and promos may show. */
  readonly others?: Others;
};

/** The files of one title for a package: folders by store, and a text about them. */
function packageEntries({ book, files, lacks = [], others }: Packing, folder: string): ZipEntry[] {
  const list = files.map(({ wanted, size }) => ({
    wanted,
    path: `${folderFor(wanted)}/${wanted.fileName}`,
    bytes: size,
  }));
  const readme = new TextEncoder().encode(packageReadme(book, list, book.updatedAt, lacks, others));
  return [
    { name: `${folder}/README.txt`, bytes: readme },
    ...list.map(({ wanted, path, bytes }) => ({
      name: `${folder}/${path}`,
      row: rowId(book.id, wanted.id),
      size: bytes,
    })),
  ];
}

/** Packs kept files of titles into one zip and saves it; false where that failed. */
export async function savePackage(
  name: string,
  titles: readonly Packing[],
  onProgress: (done: number) => void = () => {},
): Promise<boolean> {
  const folders = titleFolders(titles.map(({ book }) => book));
  const entries = titles.flatMap((one) => packageEntries(one, folders.get(one.book.id)!));
  const packed = await press()
    .zip(entries, proxy(onProgress))
    .catch(() => fail('work-failed'));
  if (!packed.ok) {
    sayFault(packed.fault);
    return false;
  }
  saveBlob(packed.value, name);
  for (const { book, files } of titles) {
    for (const { wanted, size } of files) await note(book, wanted, size, 'packed', null);
  }
  say(`Saved ${name}`);
  return true;
}
