import { basename, dirname, extname, isAbsolute, join, resolve } from 'node:path';
import { type Result, ok } from '@yosomi/core/base';
import { type Reissued, reissue as reissueOne } from '@yosomi/core/recipe';
import { type TableRow, readTable } from '@yosomi/core/renaming';
import { NodeStudio } from '@yosomi/node-kit';
import { type Command, flag, word } from './command';
import { makeFolder, openFile, readBytes, writeAll } from './files';
import { sentence } from './sentences';
import { nowText } from './stores';

/** One book of the table. */
async function bookOf(folder: string, row: TableRow, all: boolean): Promise<Result<Reissued>> {
  const at = (file: string): string => (isAbsolute(file) ? file : join(folder, file));
  const source = await openFile(at(row.file));
  if (!source.ok) return source;
  const cover = row.cover ? readBytes(at(row.cover)) : ok(null);
  if (!cover.ok) return cover;
  return reissueOne(source.value, row, cover.value, all ? 'all' : 'sure', nowText(), new NodeStudio(new Map()));
}

/** A name that no book of this run has yet; names that differ only in case count. */
function freeName(name: string, taken: Set<string>): string {
  for (let n = 1; ; n++) {
    const free = n === 1 ? name : `${name}-${n}`;
    if (taken.has(free.toLowerCase())) continue;
    taken.add(free.toLowerCase());
    return free;
  }
}

export const reissue: Command = {
  name: 'reissue',
  usage:
    'reissue BOOKS.csv --out FOLDER [--all]   (columns: file, title, subtitle, author, publisher, site, mail, cover, head, foot, credit)',
  flags: ['out'],
  switches: ['all'],
  async run(args, say) {
    const [tableFile, out] = [word(args, 0, 'table'), flag(args, 'out')];
    if (!tableFile.ok) return tableFile;
    if (!out.ok) return out;
    const text = readBytes(tableFile.value);
    if (!text.ok) return text;
    const rows = readTable(new TextDecoder().decode(text.value));
    if (!rows.ok) return rows;
    const folder = makeFolder(out.value);
    if (!folder.ok) return folder;
    // A new edition never lies where an old one does.
    const olds = rows.value.map((row) => resolve(dirname(tableFile.value), row.file));
    const here = olds.filter((file) => dirname(file) === resolve(out.value));
    const taken = new Set(here.map((file) => basename(file, extname(file)).toLowerCase()));
    let failed = 0;
    for (const row of rows.value) {
      // One book that cannot be made stops none of the others.
      const made = await bookOf(dirname(tableFile.value), row, args.switches.has('all'));
      const written = made.ok ? await writeBook(made.value, out.value, taken) : made;
      if (!written.ok) failed++;
      say(`${row.line}/${rows.value.length} ${row.file}: ${written.ok ? written.value : sentence(written.fault)}`);
    }
    const done = rows.value.length - failed;
    const print = `${done} of ${rows.value.length} books made in ${out.value}.`;
    return ok({ print, passed: failed === 0 });
  },
};

/** Writes a book and what was done to it, both or none; answers what to say of it. */
async function writeBook(
  { file, kind, name, report }: Reissued,
  folder: string,
  taken: Set<string>,
): Promise<Result<string>> {
  const free = freeName(name, taken);
  const bytes = new Uint8Array(await file.arrayBuffer());
  const written = writeAll([
    [join(folder, `${free}.${kind}`), bytes],
    [join(folder, `${free}.json`), `${JSON.stringify(report, null, 2)}\n`],
  ]);
  if (!written.ok) return written;
  const changed = report.names.filter((one) => one.changed).length;
  const left = report.names.length - changed;
  const lines = report.stamped ? `, lines on ${report.stamped[0]} of ${report.stamped[1]} pages` : '';
  return ok(`${free}.${kind}, ${changed} places changed${left > 0 ? `, ${left} left as they are` : ''}${lines}`);
}
