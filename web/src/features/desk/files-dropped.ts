import { LONGEST_FOLDER } from '@yosomi/core/library';

/** A file that is to come into the library, and the folder it goes into. */
export type Coming = { readonly file: File; readonly folder: string };

/** Files that were dropped, those of dropped folders among them: these go into a folder of that name, others into `folder`. */
export async function filesDropped(data: DataTransfer, folder: string): Promise<Coming[]> {
  // What was dropped can be asked only until the event is over.
  const plain = [...data.files];
  const entries = [...data.items].flatMap((item) => item.webkitGetAsEntry?.() ?? []);
  if (!entries.some((entry) => entry.isDirectory)) return plain.map((file) => ({ file, folder }));
  const all = await Promise.all(entries.map((entry) => filesIn(entry, folder)));
  return all.flat();
}

/** What systems leave in folders of pictures. */
const SYSTEM = /^(\.|thumbs\.db$|desktop\.ini$)/i;

async function filesIn(entry: FileSystemEntry, folder: string): Promise<Coming[]> {
  if (entry.isFile) {
    const file = await new Promise<File | null>((done) => {
      (entry as FileSystemFileEntry).file(done, () => done(null));
    });
    return file ? [{ file, folder }] : [];
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const some = (): Promise<FileSystemEntry[]> => new Promise((done) => reader.readEntries(done, () => done([])));
  const inside: Coming[] = [];
  // A folder is read a hundred at a time, until nothing comes.
  for (let found = await some(); found.length > 0; found = await some())
    for (const one of found)
      if (!SYSTEM.test(one.name)) inside.push(...(await filesIn(one, entry.name.slice(0, LONGEST_FOLDER))));
  return inside;
}
