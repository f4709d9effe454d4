import { availableParallelism } from 'node:os';
import { basename, join, resolve } from 'node:path';
import { type Fault, type Result, fail, ok } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import {
  type Deliverable,
  type Others,
  type Wishes,
  deliverables,
  noWishes,
  packageReadme,
  titleFolders,
  titlesShownBy,
  patternFault,
} from '@yosomi/core/recipe';
import { allProfiles, findProfile } from '@yosomi/core/stores';
import type { Arguments } from './arguments';
import { type Command, flag, wholeFlag, word } from './command';
import { type DeliverJob, type DeliverNews, inTitle } from './deliver-job';
import { foldersOf, isDone, leftOver, moveTitle, readDone, removeLeftOver, writeDone } from './delivered';
import { makeFolder, readProject, writeBytes } from './files';
import { hands } from './hands';
import { sentence } from './sentences';
import { ownStores } from './stores';

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
    'deliver BOOK.yosomi... --out DIR [--all-stores | --store ID,...] [--only stores|all] [--names PATTERN] [--stores S.json] [--threads N] [--tidy]',
  flags: ['out', 'only', 'names', 'stores', 'store', 'threads'],
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
    const threads = wholeFlag(args, 'threads', 1, 64, availableParallelism());
    if (!threads.ok) return threads;
    const folder = makeFolder(out.value);
    if (!folder.ok) return folder;
    const noted = readDone(out.value);
    if (!noted.ok) return noted;
    const counts: Counts = { made: 0, kept: 0, failed: 0 };
    const done = noted.value;
    const wanted = new Set<string>();
    // A file that is named twice is one file.
    const named = new Map(args.words.map((file) => [resolve(file), file]));
    const files = [...named.values()];
    const shelf = readShelf(files);
    const folders = titleFolders(
      [...shelf.values()].map(({ book }) => book),
      foldersOf(done),
    );
    const turns: Turn[] = [];
    for (const [i, file] of files.entries()) {
      const project = readProject(file);
      const failed = (fault: Fault): void => {
        counts.failed++;
        say(`  ${basename(file)}: ${sentence(fault)}`);
      };
      const turn = `${i + 1} of ${files.length}: ${basename(file)}`;
      if (!project.ok) {
        say(turn);
        failed(project.fault);
        continue;
      }
      const own = project.value.book;
      if (shelf.get(own.id)?.file !== file) {
        say(turn);
        failed({ code: 'project-twice', data: { file: basename(shelf.get(own.id)?.file ?? file) } });
        continue;
      }
      const book = stores.value ? { ...own, brief: { ...own.brief, stores: stores.value } } : own;
      const folder = folders.get(own.id)!;
      // Pictures for stores show no other title.
      const beside = besideOf(book, only === 'all' ? shelf : new Map());
      const others: Others = new Map(beside.map((one) => [one.book.id, one.book]));
      moveTitle(done, own.id, folder);
      for (const one of [own, book])
        for (const file of deliverables(one, others, wishes.value)) wanted.add(`${folder}/${inTitle(file)}`);
      const all = deliverables(book, others, wishes.value).filter((d) => only === 'all' || d.kind === 'store-image');
      const isKept = (one: Deliverable): boolean => isDone(done, out.value, `${folder}/${inTitle(one)}`, one.key);
      const kept = all.filter(isKept);
      counts.kept += kept.length;
      turns.push({ named: turn, file, book, others, beside: beside.map((one) => one.file), folder, all, kept, failed });
    }
    const todo = turns.filter(({ all, kept }) => kept.length < all.length);
    const by = hands(Math.min(threads.value, todo.length));
    let stopped = false;
    const stop = (): void => {
      stopped = true;
      by.stop();
    };
    process.once('SIGINT', stop);
    const take = async (turn: Turn): Promise<void> => {
      const { folder, all, kept, failed } = turn;
      const made = new Map<string, number>();
      const hear = (news: DeliverNews): void => {
        if (news.kind === 'failed') return failed(news.fault);
        const path = `${folder}/${inTitle(all.find(({ id }) => id === news.id)!)}`;
        done.files[path] = news.note;
        // Written after every file, so that a crash costs one file at most.
        const told = writeDone(out.value, done);
        if (!told.ok) failed(told.fault);
        counts.made++;
        made.set(news.id, news.note.bytes);
        say(`  ${path}`);
      };
      say(turn.named);
      const missing = all.filter((one) => !kept.includes(one));
      const { file, beside, book, others } = turn;
      const job: DeliverJob = {
        ...{ file, beside, book, folder },
        others: [...others.values()],
        wishes: wishes.value,
        wanted: missing,
        root: out.value,
      };
      if (missing.length > 0 && !stopped)
        await by.run(job, hear).catch(() => failed({ code: 'work-broken', data: {} }));
      if (stopped) return;
      const list = all.flatMap((one) => {
        const bytes = made.get(one.id) ?? (kept.includes(one) ? done.files[`${folder}/${inTitle(one)}`].bytes : null);
        return bytes === null ? [] : [{ wanted: one, path: inTitle(one), bytes }];
      });
      const lacks = all.filter((one) => !list.some(({ wanted: there }) => there.id === one.id));
      const readme = packageReadme(book, list, book.updatedAt, lacks, others);
      const there = makeFolder(join(out.value, folder));
      const told = there.ok ? writeBytes(join(out.value, folder, 'README.txt'), readme) : there;
      if (!told.ok) failed(told.fault);
    };
    try {
      await eachOf(turns, threads.value, take);
    } finally {
      process.removeListener('SIGINT', stop);
      await by.close();
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

/** The titles that a title can show: those of its scenes, and the other volumes of its series. */
function besideOf(book: Book, shelf: Shelf): { readonly book: Book; readonly file: string }[] {
  const shown = new Set(titlesShownBy(book));
  const series = book.brief.seriesName.trim();
  const mate = (other: Book): boolean => series !== '' && other.brief.seriesName.trim() === series;
  return [...shelf.values()].filter((one) => one.book.id !== book.id && (shown.has(one.book.id) || mate(one.book)));
}

/** One title of a run: what it wants, and what of that is there. */
type Turn = {
  readonly named: string;
  readonly file: string;
  readonly book: Book;
  readonly others: Others;
  readonly beside: readonly string[];
  readonly folder: string;
  readonly all: readonly Deliverable[];
  readonly kept: readonly Deliverable[];
  failed(fault: Fault): void;
};

/** Takes them in their order, so many at once. */
async function eachOf<T>(all: readonly T[], atOnce: number, take: (one: T) => Promise<void>): Promise<void> {
  const waiting = [...all];
  const lane = async (): Promise<void> => {
    for (let one = waiting.shift(); one !== undefined; one = waiting.shift()) await take(one);
  };
  await Promise.all(Array.from({ length: Math.max(1, atOnce) }, lane));
}
