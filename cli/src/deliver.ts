import { existsSync, readFileSync, statSync } from 'node:fs';
import { basename, join } from 'node:path';
import { type Fault, type Result, fail, ok } from '@yosomi/core/base';
import type { Book, Project } from '@yosomi/core/project';
import {
  type Deliverable,
  type Others,
  type Wishes,
  deliverables,
  folderFor,
  makeDeliverable,
  noWishes,
  packageReadme,
  titleFolder,
  titlesShownBy,
  unknownFields,
} from '@yosomi/core/recipe';
import { allProfiles } from '@yosomi/core/stores';
import { NodeStudio } from '@yosomi/node-kit';
import { z } from 'zod';
import type { Arguments } from './arguments';
import { type Command, flag, word } from './command';
import { makeFolder, readProject, writeBytes } from './files';
import { sentence } from './sentences';
import { nowText, ownStores } from './stores';

/** What lies in a folder already: the key of each file's state and how long it is, so that a run that broke off goes on. */
const Done = z.object({
  format: z.literal('yosomi-delivered'),
  schema: z.literal(1),
  files: z.record(z.string(), z.object({ key: z.string(), bytes: z.number() })),
});
type Done = z.infer<typeof Done>;
const DONE = 'delivered.json';

function readDone(folder: string): Done {
  const empty: Done = { format: 'yosomi-delivered', schema: 1, files: {} };
  try {
    const read = Done.safeParse(JSON.parse(readFileSync(join(folder, DONE), 'utf8')));
    return read.success ? read.data : empty;
  } catch {
    return empty;
  }
}

const isDone = (done: Done, root: string, path: string, key: string): boolean => {
  const known = done.files[path];
  const file = join(root, path);
  return known?.key === key && existsSync(file) && statSync(file).size === known.bytes;
};

function wishesOf(args: Arguments): Result<Wishes> {
  const own = ownStores(args);
  if (!own.ok) return own;
  const pattern = args.flags.get('names') ?? null;
  const unknown = pattern === null ? [] : unknownFields(pattern);
  if (unknown.length > 0) return fail('names-unknown', { name: unknown[0] });
  return ok({ ...noWishes, stores: own.value, pattern });
}

type Counts = { made: number; kept: number; failed: number };

export const deliver: Command = {
  name: 'deliver',
  usage: 'deliver BOOK.yosomi... --out DIR [--all-stores] [--only stores|all] [--names PATTERN] [--stores S.json]',
  flags: ['out', 'only', 'names', 'stores'],
  switches: ['all-stores'],
  async run(args, say) {
    const first = word(args, 0, 'title file');
    if (!first.ok) return first;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const only = args.flags.get('only') ?? 'all';
    if (only !== 'all' && only !== 'stores') return fail('only-wrong', { found: only });
    const wishes = wishesOf(args);
    if (!wishes.ok) return wishes;
    const folder = makeFolder(out.value);
    if (!folder.ok) return folder;
    let stopped = false;
    const stop = (): void => void (stopped = true);
    process.once('SIGINT', stop);
    const counts: Counts = { made: 0, kept: 0, failed: 0 };
    const done = readDone(out.value);
    const taken = new Set<string>();
    try {
      // Pictures for stores show no other title.
      const shelf = readShelf(only === 'all' ? args.words : []);
      for (const [i, file] of args.words.entries()) {
        if (stopped) break;
        say(`${i + 1} of ${args.words.length}: ${basename(file)}`);
        const project = readProject(file);
        const failed = (fault: Fault): void => {
          counts.failed++;
          say(`  ${basename(file)}: ${sentence(fault)}`);
        };
        if (!project.ok) {
          failed(project.fault);
          continue;
        }
        const book = args.switches.has('all-stores')
          ? atAllStores(project.value.book, wishes.value)
          : project.value.book;
        const job: Job = {
          project: { ...project.value, book },
          beside: besideOf(book, shelf),
          root: out.value,
          folder: titleFolder(book, taken),
          wishes: wishes.value,
          onlyStores: only === 'stores',
          done,
          counts,
        };
        await deliverTitle(job, say, failed, () => stopped);
      }
    } finally {
      process.removeListener('SIGINT', stop);
    }
    const print = `${counts.made} made, ${counts.kept} up to date, ${counts.failed} failed${stopped ? ', stopped' : ''}`;
    return ok({ print, passed: counts.failed === 0 && !stopped });
  },
};

const atAllStores = (book: Book, wishes: Wishes): Book => ({
  ...book,
  brief: { ...book.brief, stores: allProfiles(wishes.stores).map((p) => p.id) },
});

/** Titles by their ids, and the file that each is in. */
type Shelf = ReadonlyMap<string, { readonly book: Book; readonly file: string }>;

/** All titles of a run: they show each other. Those that cannot be read are told of when it is their turn. */
function readShelf(files: readonly string[]): Shelf {
  const shelf = new Map<string, { book: Book; file: string }>();
  for (const file of files) {
    const project = readProject(file);
    if (project.ok) shelf.set(project.value.book.id, { book: project.value.book, file });
  }
  return shelf;
}

/** The titles that a title can show, those of its scenes and the other volumes of its series; their pictures are read when a file is made. */
function besideOf(book: Book, shelf: Shelf): { others: Others; files(): Map<string, Uint8Array> } {
  const shown = new Set(titlesShownBy(book));
  const series = book.brief.seriesName.trim();
  const mate = (other: Book): boolean => series !== '' && other.brief.seriesName.trim() === series;
  const beside = [...shelf.values()].filter(
    (one) => one.book.id !== book.id && (shown.has(one.book.id) || mate(one.book)),
  );
  return {
    others: new Map(beside.map((one) => [one.book.id, one.book])),
    files: () =>
      new Map(
        beside.flatMap(({ file }) => {
          const project = readProject(file);
          return project.ok ? [...project.value.files] : [];
        }),
      ),
  };
}

type Job = {
  readonly project: Project;
  readonly beside: ReturnType<typeof besideOf>;
  readonly root: string;
  readonly folder: string;
  readonly wishes: Wishes;
  readonly onlyStores: boolean;
  readonly done: Done;
  readonly counts: Counts;
};

/** Makes what is missing or stale of one title; one file that fails does not stop the others. */
async function deliverTitle(
  { project, beside, root, folder, wishes, onlyStores, done, counts }: Job,
  say: (line: string) => void,
  failed: (fault: Fault) => void,
  stopped: () => boolean,
): Promise<void> {
  const { book, files } = project;
  const { others } = beside;
  let studio: NodeStudio | null = null;
  const list: { wanted: Deliverable; path: string; bytes: number }[] = [];
  const wantedFiles = deliverables(book, others, wishes).filter((d) => !onlyStores || d.kind === 'store-image');
  for (const wanted of wantedFiles) {
    if (stopped()) return;
    const inTitle = `${folderFor(wanted)}/${wanted.fileName}`;
    const path = `${folder}/${inTitle}`;
    if (isDone(done, root, path, wanted.key)) {
      counts.kept++;
      list.push({ wanted, path: inTitle, bytes: done.files[path].bytes });
      continue;
    }
    studio ??= new NodeStudio(new Map([...beside.files(), ...files]));
    const made = await makeDeliverable(book, wanted, nowText(), studio, wishes, others);
    if (!made.ok) {
      failed(made.fault);
      continue;
    }
    const refused = made.value.findings.filter((f) => f.severity === 'must');
    if (refused.length > 0) {
      failed({ code: 'store-refused', data: { codes: refused.map((f) => f.code).join(', ') } });
      continue;
    }
    const place = makeFolder(join(root, folder, folderFor(wanted)));
    const written = place.ok ? writeBytes(join(root, path), made.value.bytes) : place;
    if (!written.ok) {
      failed(written.fault);
      continue;
    }
    done.files[path] = { key: wanted.key, bytes: made.value.bytes.length };
    // Written after every file, so that a crash costs one file at most.
    const noted = writeBytes(join(root, DONE), `${JSON.stringify(done, null, 1)}\n`);
    if (!noted.ok) failed(noted.fault);
    counts.made++;
    list.push({ wanted, path: inTitle, bytes: made.value.bytes.length });
    say(`  ${path}`);
  }
  const lacks = wantedFiles.filter((wanted) => !list.some((one) => one.wanted.id === wanted.id));
  const readme = packageReadme(book, list, book.updatedAt, lacks);
  const there = makeFolder(join(root, folder));
  const told = there.ok ? writeBytes(join(root, folder, 'README.txt'), readme) : there;
  if (!told.ok) failed(told.fault);
}
