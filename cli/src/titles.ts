import { randomUUID } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { basename, dirname, extname, isAbsolute, join, resolve } from 'node:path';
import { type Result, fail, ok } from '@yosomi/core/base';
import { readCsv, textOfTable } from '@yosomi/core/csv';
import { writePng } from '@yosomi/core/image-file';
import { type Book, type Project, editBook, packProject } from '@yosomi/core/project';
import {
  type TakenPicture,
  TitleMaker,
  composedTitle,
  coverRaster,
  mainPicture,
  readingOf,
  takePicture,
  titleStem,
  volumesAmong,
} from '@yosomi/core/recipe';
import { allProfiles } from '@yosomi/core/stores';
import {
  type Standing,
  type TitleRow,
  MOST_ROWS,
  briefOf,
  changesOf,
  mappingOf,
  readRows,
  standings,
  titlesTable,
} from '@yosomi/core/title-table';
import { NodeStudio } from '@yosomi/node-kit';
import { type Command, done, flag, word } from './command';
import { makeFolder, readBytes, readProject, writeAll, writeBytes } from './files';
import { sentence } from './sentences';
import { nowText, ownStores } from './stores';

/** Width of the written pictures. */
const WIDE_PX = 800;

/** Title files of a folder, by their names; none where there is no such folder. */
function titleFilesIn(folder: string): string[] {
  try {
    return readdirSync(folder)
      .filter((name) => name.endsWith('.yosomi'))
      .sort()
      .map((name) => join(folder, name));
  } catch {
    return [];
  }
}

type Files = ReadonlyMap<string, Uint8Array<ArrayBuffer>>;

/** Titles made by this run, and those there were before: their bytes stay in their files until they are asked for. */
class Shelf {
  readonly #titles = new Map<string, { readonly book: Book; readonly file: string }>();
  readonly #names = new Set<string>();

  constructor(readonly folder: string) {
    for (const file of titleFilesIn(folder)) this.#names.add(stemOf(file).toLowerCase());
  }
  get books(): Book[] {
    return [...this.#titles.values()].map(({ book }) => book);
  }
  has = (id: string): boolean => this.#titles.has(id);
  book = (id: string): Book => this.#titles.get(id)!.book;
  /** The pictures and fonts of a title. Faults: those of `readProject`. */
  filesOf(id: string): Result<Files> {
    const project = readProject(this.#titles.get(id)!.file);
    return project.ok ? ok(project.value.files) : project;
  }
  add(book: Book, file: string): void {
    this.#titles.set(book.id, { book, file });
  }
  #freeName(stem: string): string {
    let name = stem;
    for (let n = 2; this.#names.has(name.toLowerCase()); n++) name = `${stem}-${n}`;
    return name;
  }
  /** Writes a title into the folder, where it lies already or under a name that none has yet, with a picture of its cover; answers the name. */
  async write(project: Project): Promise<Result<string>> {
    const { book, files } = project;
    const there = this.#titles.get(book.id)?.file;
    const own = there !== undefined && resolve(dirname(there)) === resolve(this.folder) ? stemOf(there) : null;
    const name = own ?? this.#freeName(titleStem(book));
    const file = join(this.folder, `${name}.yosomi`);
    const pixels = await coverRaster(book, WIDE_PX, new NodeStudio(files));
    const written = writeAll([
      [file, packProject(project)],
      [join(this.folder, `${name}.png`), writePng(pixels, 72)],
    ]);
    if (!written.ok) return written;
    this.#names.add(name.toLowerCase());
    this.add(book, file);
    return ok(name);
  }
}

const stemOf = (file: string): string => basename(file, '.yosomi');

/** The picture that a row names. Faults: `row-picture`, those of `takePicture`. */
async function pictureOf(row: TitleRow, folder: string): Promise<Result<TakenPicture[]>> {
  if (row.picture === null) return ok([]);
  const bytes = readBytes(isAbsolute(row.picture) ? row.picture : join(folder, row.picture));
  if (!bytes.ok) return fail('row-picture', { name: row.picture });
  const name = basename(row.picture, extname(row.picture));
  const taken = await takePicture(bytes.value, name, new NodeStudio(new Map()));
  return taken.ok ? ok([taken.value]) : taken;
}

export const titles: Command = {
  name: 'titles',
  usage:
    'titles TABLE.csv [BOOK.yosomi]... --out DIR [--pictures DIR] [--stores S.json]   (a title and a cover for every row)',
  flags: ['out', 'pictures', 'stores'],
  switches: [],
  async run(args, say) {
    const [file, out, own] = [word(args, 0, 'table'), flag(args, 'out'), ownStores(args)];
    if (!file.ok) return file;
    if (!out.ok) return out;
    if (!own.ok) return own;
    const bytes = readBytes(file.value);
    if (!bytes.ok) return bytes;
    const text = textOfTable(bytes.value);
    if (!text.ok) return text;
    const table = readCsv(text.value, MOST_ROWS);
    if (!table.ok) return table;
    const mapping = mappingOf(table.value.head);
    if (!mapping.includes('title')) return fail('table-title', { names: table.value.head.join(', ').slice(0, 80) });
    const folder = makeFolder(out.value);
    if (!folder.ok) return folder;
    const shelf = new Shelf(out.value);
    for (const name of args.words.slice(1)) {
      const project = readProject(name);
      if (!project.ok) return project;
      shelf.add(project.value.book, name);
    }
    // What an earlier run made is there; one of its files that cannot be read stands in nobody's way.
    for (const name of titleFilesIn(out.value)) {
      const project = readProject(name);
      if (project.ok) shelf.add(project.value.book, name);
      else say(`${name}: ${sentence(project.fault)}`);
    }
    const stores = allProfiles(own.value);
    const rows = readRows(table.value, mapping, stores);
    const stand = standings(
      rows,
      shelf.books.map(({ id, brief }) => ({ ...brief, id })),
    );
    const pictures = args.flags.get('pictures') ?? dirname(file.value);
    const counts = { made: 0, changed: 0, there: 0, failed: 0 };
    const unread = table.value.head.filter((name, i) => name !== '' && mapping[i] === null);
    if (unread.length > 0) say(`Columns that are not read: ${unread.join(', ')}`);

    const asks = rows.flatMap((row, i) =>
      stand[i].kind === 'new'
        ? [
            {
              line: row.line,
              start: { id: randomUUID(), identifier: `urn:uuid:${randomUUID()}`, now: nowText(), brief: briefOf(row) },
              pictures: [],
            },
          ]
        : [],
    );
    /** The pictures of the row that is made now, and those of the volume whose design it wears. */
    let at = new Map<string, Uint8Array<ArrayBuffer>>();
    const studioWith = (from: Book): NodeStudio => {
      const files = shelf.filesOf(from.id);
      if (files.ok) at = new Map([...files.value, ...at]);
      return new NodeStudio(at);
    };
    const maker = new TitleMaker(asks, async (series) => volumesAmong(shelf.books, series), {
      compose: (ask, manner) =>
        composedTitle(
          ask.start,
          ask.pictures,
          manner,
          manner.kind === 'series' ? studioWith(manner.from) : new NodeStudio(at),
          WIDE_PX,
        ),
      async reading(from, design) {
        const read = await readingOf(from, design, shelf.has(from.id) ? studioWith(from) : new NodeStudio(at), WIDE_PX);
        return read.ok ? read.value : null;
      },
    });

    const makeOne = async (row: TitleRow): Promise<Result<string>> => {
      const ask = asks.find(({ line }) => line === row.line)!;
      const given = await pictureOf(row, pictures);
      if (!given.ok) return given;
      at = new Map(given.value.map(({ asset, bytes: picture }) => [asset.id, picture]));
      const made = await maker.make({ ...ask, pictures: given.value.map(({ asset }) => asset) });
      if (!made.ok) return made;
      const { book } = made.value;
      return shelf.write({ book, files: new Map([...at].filter(([id]) => id in book.assets || id in book.faces)) });
    };
    const changeOne = async (row: TitleRow, id: string): Promise<Result<string | null>> => {
      const now = shelf.book(id);
      const changes = changesOf(row, now.brief);
      if (Object.keys(changes).length === 0) return ok(null);
      const edited = editBook(now, (book) => void Object.assign(book.brief, changes));
      if (!edited.ok) return edited;
      const files = shelf.filesOf(id);
      if (!files.ok) return files;
      return shelf.write({ book: { ...edited.value.next, updatedAt: nowText() }, files: new Map(files.value) });
    };
    const told = async (row: TitleRow, standing: Standing): Promise<Result<string>> => {
      switch (standing.kind) {
        case 'wrong':
          return { ok: false, fault: row.wrong! };
        case 'there':
          counts.there++;
          return ok('is there');
        case 'of': {
          const changed = await changeOne(row, standing.id);
          if (!changed.ok) return changed;
          if (changed.value === null) counts.there++;
          else counts.changed++;
          return ok(changed.value === null ? 'is there' : `${changed.value}.yosomi, changed`);
        }
        case 'new': {
          const made = await makeOne(row);
          if (made.ok) counts.made++;
          return made.ok ? ok(`${made.value}.yosomi`) : made;
        }
      }
    };
    for (const [i, row] of rows.entries()) {
      const result = await told(row, stand[i]);
      if (!result.ok) counts.failed++;
      const name = row.brief.title || 'no title';
      say(
        `${row.line}/${rows.length} ${name}: ${[result.ok ? result.value : sentence(result.fault), ...row.notes.map(sentence)].join(' ')}`,
      );
    }
    const print = `${counts.made} made, ${counts.changed} changed, ${counts.there} there already, ${counts.failed} failed`;
    return ok({ print, passed: counts.failed === 0 });
  },
};

export const table: Command = {
  name: 'table',
  usage: 'table BOOK.yosomi... --out TABLE.csv [--stores S.json]   (what the titles say, a row each)',
  flags: ['out', 'stores'],
  switches: [],
  writes: { out: ['csv'] },
  async run(args) {
    const [first, out, own] = [word(args, 0, 'title file'), flag(args, 'out'), ownStores(args)];
    if (!first.ok) return first;
    if (!out.ok) return out;
    if (!own.ok) return own;
    const all = [];
    for (const file of args.words) {
      const project = readProject(file);
      if (!project.ok) return project;
      const { id, brief, cover, assets } = project.value.book;
      const main = mainPicture(cover);
      all.push({ id, brief, picture: main === null ? '' : (assets[main]?.name ?? '') });
    }
    const written = writeBytes(out.value, titlesTable(all, allProfiles(own.value)));
    return written.ok ? done(`${all.length} titles`) : written;
  },
};
