import { basename, join } from 'node:path';
import { type Fault, type Result, fail, hashBytes, ok } from '@yosomi/core/base';
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
  titleFolders,
  titlesShownBy,
  patternFault,
} from '@yosomi/core/recipe';
import { allProfiles, findProfile } from '@yosomi/core/stores';
import { NodeStudio } from '@yosomi/node-kit';
import type { Arguments } from './arguments';
import { type Command, flag, word } from './command';
import { type Done, foldersOf, isDone, leftOver, moveTitle, readDone, removeLeftOver, writeDone } from './delivered';
import { makeFolder, readProject, writeBytes } from './files';
import { sentence } from './sentences';
import { nowText, ownStores } from './stores';

function wishesOf(args: Arguments): Result<Wishes> {
  const own = ownStores(args);
  if (!own.ok) return own;
  const pattern = args.flags.get('names') ?? null;
  const wrong = pattern === null ? null : patternFault(pattern);
  if (wrong) return { ok: false, fault: wrong };
  return ok({ ...noWishes, stores: own.value, pattern });
}

type Counts = { made: number; kept: number; failed: number };

export const deliver: Command = {
  name: 'deliver',
  usage:
    'deliver BOOK.yosomi... --out DIR [--all-stores | --store ID,...] [--only stores|all] [--names PATTERN] [--stores S.json] [--tidy]',
  flags: ['out', 'only', 'names', 'stores', 'store'],
  switches: ['all-stores', 'tidy'],
  async run(args, say) {
    const first = word(args, 0, 'title file');
    if (!first.ok) return first;
    const out = flag(args, 'out');
    if (!out.ok) return out;
    const only = args.flags.get('only') ?? 'all';
    if (only !== 'all' && only !== 'stores') return fail('only-wrong', { found: only });
    const wishes = wishesOf(args);
    if (!wishes.ok) return wishes;
    const stores = storesOf(args, wishes.value);
    if (!stores.ok) return stores;
    const folder = makeFolder(out.value);
    if (!folder.ok) return folder;
    const noted = readDone(out.value);
    if (!noted.ok) return noted;
    let stopped = false;
    const stop = (): void => void (stopped = true);
    process.once('SIGINT', stop);
    const counts: Counts = { made: 0, kept: 0, failed: 0 };
    const done = noted.value;
    const wanted = new Set<string>();
    const shelf = readShelf(args.words);
    const folders = titleFolders(
      [...shelf.values()].map(({ book }) => book),
      foldersOf(done),
    );
    try {
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
        const own = project.value.book;
        if (shelf.get(own.id)?.file !== file) {
          failed({ code: 'project-twice', data: { file: basename(shelf.get(own.id)?.file ?? file) } });
          continue;
        }
        const book = stores.value ? { ...own, brief: { ...own.brief, stores: stores.value } } : own;
        const titled = folders.get(own.id)!;
        // Pictures for stores show no other title.
        const beside = besideOf(book, only === 'all' ? shelf : new Map());
        moveTitle(done, own.id, titled);
        for (const one of [own, book])
          for (const file of deliverables(one, beside.others, wishes.value)) wanted.add(`${titled}/${inTitle(file)}`);
        const job: Job = {
          project: { ...project.value, book },
          beside,
          root: out.value,
          folder: titled,
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
    const left = stopped ? [] : leftOver(done, new Set(folders.keys()), wanted);
    // Where something failed, what was made before may be all that there is.
    const tidy = args.switches.has('tidy') && counts.failed === 0;
    const gone = tidy ? removeLeftOver(out.value, done, left) : [];
    for (const path of left) say(`  ${gone.includes(path) ? 'removed' : 'left over'}: ${path}`);
    if (Object.keys(done.files).length > 0 || gone.length > 0) {
      const told = writeDone(out.value, done);
      if (!told.ok) return told;
    }
    const over = left.length - gone.length;
    const more = [
      ...(gone.length > 0 ? [`${gone.length} removed`] : []),
      ...(over > 0
        ? [
            `${over} left over${tidy ? ', not as they were made' : args.switches.has('tidy') ? ', kept as something failed' : ', removed by --tidy'}`,
          ]
        : []),
      ...(stopped ? ['stopped'] : []),
    ];
    const print = [`${counts.made} made, ${counts.kept} up to date, ${counts.failed} failed`, ...more].join(', ');
    return ok({ print, passed: counts.failed === 0 && !stopped });
  },
};

/** The stores that a run is for, whatever titles say; null for those of each title. Faults: `store-unknown`, `stores-both`. */
function storesOf(args: Arguments, wishes: Wishes): Result<string[] | null> {
  const named = args.flags.get('store');
  const all = args.switches.has('all-stores');
  if (named !== undefined && all) return fail('stores-both');
  if (all) return ok(allProfiles(wishes.stores).map((p) => p.id));
  if (named === undefined) return ok(null);
  const ids = [...new Set(named.split(',').map((id) => id.trim()))].filter((id) => id !== '');
  const unknown = ids.find((id) => !findProfile(id, wishes.stores));
  return unknown !== undefined || ids.length === 0
    ? fail('store-unknown', {
        store: unknown ?? named,
        known: allProfiles(wishes.stores)
          .map((p) => p.id)
          .join(', '),
      })
    : ok(ids);
}

const inTitle = (wanted: Deliverable): string => `${folderFor(wanted)}/${wanted.fileName}`;

/** Titles by their ids, and the file that each is in. */
type Shelf = ReadonlyMap<string, { readonly book: Book; readonly file: string }>;

/** All titles of a run: they show each other. Those that cannot be read are told of when it is their turn. */
function readShelf(files: readonly string[]): Shelf {
  const shelf = new Map<string, { book: Book; file: string }>();
  for (const file of files) {
    const project = readProject(file);
    if (project.ok && !shelf.has(project.value.book.id))
      shelf.set(project.value.book.id, { book: project.value.book, file });
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
    const within = inTitle(wanted);
    const path = `${folder}/${within}`;
    if (isDone(done, root, path, wanted.key)) {
      counts.kept++;
      list.push({ wanted, path: within, bytes: done.files[path].bytes });
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
    done.files[path] = {
      key: wanted.key,
      bytes: made.value.bytes.length,
      hash: hashBytes(made.value.bytes),
    };
    // Written after every file, so that a crash costs one file at most.
    const noted = writeDone(root, done);
    if (!noted.ok) failed(noted.fault);
    counts.made++;
    list.push({ wanted, path: within, bytes: made.value.bytes.length });
    say(`  ${path}`);
  }
  const lacks = wantedFiles.filter((wanted) => !list.some((one) => one.wanted.id === wanted.id));
  const readme = packageReadme(book, list, book.updatedAt, lacks, others);
  const there = makeFolder(join(root, folder));
  const told = there.ok ? writeBytes(join(root, folder, 'README.txt'), readme) : there;
  if (!told.ok) failed(told.fault);
}
