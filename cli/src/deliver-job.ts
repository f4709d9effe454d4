import { join } from 'node:path';
import { type Fault, hashBytes } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import { type Deliverable, type Wishes, folderFor, makeDeliverable } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import type { Done } from './delivered';
import { makeFolder, readProject, writeBytes } from './files';
import { nowText } from './stores';

/** What is to be made of one title: all of it is plain data, so that any thread can do it. */
export type DeliverJob = {
  /** The title file, and those of titles that it shows. */
  readonly file: string;
  readonly beside: readonly string[];
  readonly book: Book;
  readonly others: readonly Book[];
  readonly wishes: Wishes;
  /** Files that are missing or older than the title. */
  readonly wanted: readonly Deliverable[];
  readonly root: string;
  readonly folder: string;
};

/** What becomes of a job, file by file. */
export type DeliverNews =
  | { readonly kind: 'made'; readonly id: string; readonly note: Done['files'][string] }
  | { readonly kind: 'failed'; readonly fault: Fault };

/** Where a file lies within the folder of its title. */
export const inTitle = (wanted: Deliverable): string => `${folderFor(wanted)}/${wanted.fileName}`;

/** Makes the files of one title, each written whole and told of before the next; one that fails stops none. */
export async function deliverJob(
  { file, beside, book, others, wishes, wanted, root, folder }: DeliverJob,
  tell: (news: DeliverNews) => void,
  stopped: () => boolean,
): Promise<void> {
  const failed = (fault: Fault): void => tell({ kind: 'failed', fault });
  const project = readProject(file);
  if (!project.ok) return failed(project.fault);
  const shown = beside.flatMap((one) => {
    const other = readProject(one);
    return other.ok ? [...other.value.files] : [];
  });
  const studio = new NodeStudio(new Map([...shown, ...project.value.files]));
  const known = new Map(others.map((one) => [one.id, one]));
  for (const one of wanted) {
    if (stopped()) return;
    const made = await makeDeliverable(book, one, nowText(), studio, wishes, known);
    if (!made.ok) {
      failed(made.fault);
      continue;
    }
    const { bytes, findings } = made.value;
    const refused = findings.filter((f) => f.severity === 'must');
    if (refused.length > 0) {
      failed({ code: 'store-refused', data: { codes: refused.map((f) => f.code).join(', ') } });
      continue;
    }
    const place = makeFolder(join(root, folder, folderFor(one)));
    const written = place.ok ? writeBytes(join(root, folder, inTitle(one)), bytes) : place;
    if (!written.ok) failed(written.fault);
    else tell({ kind: 'made', id: one.id, note: { key: one.key, bytes: bytes.length, hash: hashBytes(bytes) } });
  }
}
