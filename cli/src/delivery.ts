import { basename, join } from 'node:path';
import { type Fault, type Result } from '@yosomi/core/base';
import type { Book } from '@yosomi/core/project';
import {
  type Deliverable,
  type Others,
  type Wishes,
  deliverables,
  packageReadme,
  titleFolders,
  titlesShownBy,
} from '@yosomi/core/recipe';
import { type DeliverJob, type DeliverNews, inTitle } from './deliver-job';
import { type Done, foldersOf, isDone, moveTitle, writeDone } from './delivered';
import { makeFolder, readProject, writeBytes } from './files';
import type { Hands } from './hands';
import { sentence } from './sentences';

/** What is asked of a run. */
export type DeliveryAsk = {
  readonly root: string;
  readonly wishes: Wishes;
  /** Stores for every title, whatever it says; null for those of each. */
  readonly stores: readonly string[] | null;
  readonly onlyStores: boolean;
};

/** One title of a run: what it wants, and what of that is there. */
type Turn = {
  readonly said: string;
  readonly file: string;
  readonly book: Book;
  readonly beside: readonly Titled[];
  readonly folder: string;
  readonly all: readonly Deliverable[];
  readonly kept: ReadonlySet<string>;
  failed(fault: Fault): void;
};

type Titled = { readonly book: Book; readonly file: string };

const othersOf = (beside: readonly Titled[]): Others => new Map(beside.map(({ book }) => [book.id, book]));

/** The files of many titles in one folder: what is there is looked at first, and only the rest is made. */
export class Delivery {
  readonly counts = { made: 0, kept: 0, failed: 0 };
  /** Paths of all files that the titles want now, within the folder. */
  readonly wanted = new Set<string>();
  readonly #turns: Turn[] = [];
  /** Titles by their ids: they show each other. */
  readonly #shelf = new Map<string, Titled>();
  #stopped = false;

  constructor(
    private readonly ask: DeliveryAsk,
    readonly done: Done,
    private readonly say: (line: string) => void,
  ) {}

  /** Reads the titles, each once, and looks at what each has. Those that cannot be read, or are there twice, are told of. */
  plan(files: readonly string[]): void {
    const read = files.map((file): { file: string; book: Result<Book> } => {
      const project = readProject(file);
      return { file, book: project.ok ? { ok: true, value: project.value.book } : project };
    });
    for (const { file, book } of read)
      if (book.ok && !this.#shelf.has(book.value.id)) this.#shelf.set(book.value.id, { book: book.value, file });
    const books = [...this.#shelf.values()].map(({ book }) => book);
    const folders = titleFolders(books, foldersOf(this.done));
    for (const [i, { file, book }] of read.entries()) {
      const said = `${i + 1} of ${files.length}: ${basename(file)}`;
      const failed = (fault: Fault): void => {
        this.counts.failed++;
        this.say(`  ${basename(file)}: ${sentence(fault)}`);
      };
      const first = book.ok ? this.#shelf.get(book.value.id)! : null;
      if (book.ok && first?.file === file) {
        this.#turns.push(this.#turn(book.value, { said, file, folder: folders.get(book.value.id)!, failed }));
        continue;
      }
      this.say(said);
      failed(book.ok ? { code: 'project-twice', data: { file: basename(first?.file ?? file) } } : book.fault);
    }
  }

  #turn(own: Book, known: Pick<Turn, 'said' | 'file' | 'folder' | 'failed'>): Turn {
    const { root, wishes, stores, onlyStores } = this.ask;
    const { folder } = known;
    const book = stores ? { ...own, brief: { ...own.brief, stores: [...stores] } } : own;
    // Pictures for stores show no other title.
    const beside = onlyStores ? [] : this.#beside(book);
    const others = othersOf(beside);
    const asked = deliverables(book, others, wishes);
    moveTitle(this.done, own.id, folder);
    for (const one of stores ? [...asked, ...deliverables(own, others, wishes)] : asked)
      this.wanted.add(`${folder}/${inTitle(one)}`);
    const all = asked.filter(({ kind }) => !onlyStores || kind === 'store-image');
    const kept = all.filter((one) => isDone(this.done, root, `${folder}/${inTitle(one)}`, one.key));
    this.counts.kept += kept.length;
    return { ...known, book, beside, all, kept: new Set(kept.map(({ id }) => id)) };
  }

  /** The titles that a title can show: those of its scenes, and the other volumes of its series. */
  #beside(book: Book): Titled[] {
    const shown = new Set(titlesShownBy(book));
    const series = book.brief.seriesName.trim();
    const mate = (other: Book): boolean => series !== '' && other.brief.seriesName.trim() === series;
    return [...this.#shelf.values()].filter(
      (one) => one.book.id !== book.id && (shown.has(one.book.id) || mate(one.book)),
    );
  }

  get titles(): ReadonlySet<string> {
    return new Set(this.#shelf.keys());
  }
  /** How many titles lack something. */
  get lacking(): number {
    return this.#turns.filter(({ all, kept }) => kept.size < all.length).length;
  }
  get stopped(): boolean {
    return this.#stopped;
  }
  stop(): void {
    this.#stopped = true;
  }

  /** Makes what is missing or stale, so many titles at once; one file that fails stops none. */
  async make(by: Hands, atOnce: number): Promise<void> {
    const waiting = [...this.#turns];
    const lane = async (): Promise<void> => {
      for (let turn = waiting.shift(); turn; turn = waiting.shift()) await this.#take(turn, by);
    };
    await Promise.all(Array.from({ length: Math.max(1, atOnce) }, lane));
  }

  async #take(turn: Turn, by: Hands): Promise<void> {
    const { root, wishes } = this.ask;
    const { file, book, beside, folder, all, kept, failed } = turn;
    this.say(turn.said);
    const job: DeliverJob = {
      ...{ file, book, root, folder, wishes },
      beside: beside.map((one) => one.file),
      others: beside.map((one) => one.book),
      wanted: all.filter(({ id }) => !kept.has(id)),
    };
    const made = new Set<string>();
    const hear = (news: DeliverNews): void => {
      if (news.kind === 'failed') return failed(news.fault);
      const path = `${folder}/${inTitle(all.find(({ id }) => id === news.id)!)}`;
      this.done.files[path] = news.note;
      // Written after every file, so that a crash costs one file at most.
      const told = writeDone(root, this.done);
      if (!told.ok) failed(told.fault);
      this.counts.made++;
      made.add(news.id);
      this.say(`  ${path}`);
    };
    if (job.wanted.length > 0 && !this.#stopped)
      await by.run(job, hear).catch(() => failed({ code: 'work-broken', data: {} }));
    if (this.#stopped) return;
    const has = ({ id }: Deliverable): boolean => made.has(id) || kept.has(id);
    const list = all.filter(has).map((wanted) => {
      const path = inTitle(wanted);
      return { wanted, path, bytes: this.done.files[`${folder}/${path}`].bytes };
    });
    const lacks = all.filter((one) => !has(one));
    const readme = packageReadme(book, list, book.updatedAt, lacks, othersOf(beside));
    const there = makeFolder(join(root, folder));
    const told = there.ok ? writeBytes(join(root, folder, 'README.txt'), readme) : there;
    if (!told.ok) failed(told.fault);
  }
}
