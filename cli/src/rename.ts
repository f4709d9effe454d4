import { rmSync } from 'node:fs';
import { type Result, fail, ok } from '@yosomi/core/base';
import { findNames, newEdition } from '@yosomi/core/ebook';
import { findPdfNames, renamePdf } from '@yosomi/core/pdf';
import { type NameMap, NameMaps, type NamesFound, type ToldHit } from '@yosomi/core/renaming';
import { type Command, done, flag, word } from './command';
import { openFile, readBytes, writeAll, writeBytes, writeThrough } from './files';
import { nowText } from './stores';

/** Old names and new ones from a file. Faults: `file-unreadable`, `names-not`, `names-newer`, `names-wrong`. */
export function readNameMap(file: string): Result<NameMap> {
  const bytes = readBytes(file);
  if (!bytes.ok) return bytes;
  let raw: unknown;
  try {
    raw = JSON.parse(new TextDecoder().decode(bytes.value));
  } catch {
    return fail('names-not');
  }
  return NameMaps.read(raw);
}

/** The places that are changed: the sure ones, with those that the map adds and without those that it leaves. Fault: `names-place`. */
function acceptedOf(found: Result<NamesFound>, map: NameMap, all: boolean): Result<ReadonlySet<string>> {
  if (!found.ok) return found;
  const [also, not] = [new Set(map.also), new Set(map.not)];
  const ids = new Set(found.value.hits.map(({ id }) => id));
  const stranger = [...also, ...not].find((id) => !ids.has(id));
  if (stranger !== undefined) return fail('names-place', { id: stranger });
  const hits = found.value.hits.filter(({ id, sure }) => (all || sure || also.has(id)) && !not.has(id));
  return ok(new Set(hits.map(({ id }) => id)));
}

const said = (names: readonly ToldHit[]): string => {
  const changed = names.filter((one) => one.changed).length;
  const doubted = names.length - changed;
  return `${changed === 1 ? '1 place' : `${changed} places`} changed, ${doubted} left as they are${doubted > 0 ? '; --report lists them all' : ''}.`;
};

export const epubRename: Command = {
  name: 'epub rename',
  usage: 'epub rename IN.epub --map NAMES.json --out OUT.epub [--all] [--report R.json]',
  flags: ['map', 'out', 'report'],
  switches: ['all'],
  writes: { out: ['epub'], report: null },
  async run(args) {
    const [inFile, mapFile, out] = [word(args, 0, 'EPUB'), flag(args, 'map'), flag(args, 'out')];
    if (!inFile.ok) return inFile;
    if (!mapFile.ok) return mapFile;
    if (!out.ok) return out;
    const map = readNameMap(mapFile.value);
    if (!map.ok) return map;
    const source = await openFile(inFile.value);
    if (!source.ok) return source;
    const found = await findNames(source.value, map.value.changes);
    const accepted = acceptedOf(found, map.value, args.switches.has('all'));
    if (!accepted.ok) return accepted;
    const names = { changes: map.value.changes, accepted: accepted.value };
    const made = await writeThrough(out.value, (sink) =>
      newEdition(source.value, { names, modified: nowText() }, { sink }),
    );
    if (!made.ok) return made;
    const report = args.flags.get('report');
    if (report !== undefined) {
      const written = writeBytes(report, `${JSON.stringify(made.value.report, null, 2)}\n`);
      if (!written.ok) {
        rmSync(out.value, { force: true });
        return written;
      }
    }
    return done(said(made.value.report.names));
  },
};

export const pdfRename: Command = {
  name: 'pdf rename',
  usage: 'pdf rename IN.pdf --map NAMES.json --out OUT.pdf [--all] [--report R.json]',
  flags: ['map', 'out', 'report'],
  switches: ['all'],
  writes: { out: ['pdf'], report: null },
  async run(args) {
    const [inFile, mapFile, out] = [word(args, 0, 'PDF'), flag(args, 'map'), flag(args, 'out')];
    if (!inFile.ok) return inFile;
    if (!mapFile.ok) return mapFile;
    if (!out.ok) return out;
    const map = readNameMap(mapFile.value);
    if (!map.ok) return map;
    const source = readBytes(inFile.value);
    if (!source.ok) return source;
    const found = await findPdfNames(source.value, map.value.changes);
    const accepted = acceptedOf(found, map.value, args.switches.has('all'));
    if (!accepted.ok) return accepted;
    const wish = { changes: map.value.changes, accepted: accepted.value };
    const made = await renamePdf(source.value, wish, nowText());
    if (!made.ok) return made;
    const { bytes, report } = made.value;
    const files: [string, Uint8Array | string][] = [[out.value, bytes]];
    const file = args.flags.get('report');
    if (file !== undefined) files.push([file, `${JSON.stringify({ schema: 1, ...report }, null, 2)}\n`]);
    const written = writeAll(files);
    return written.ok ? done(said(report.names)) : written;
  },
};
