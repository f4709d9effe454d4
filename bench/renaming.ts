import { existsSync, readFileSync, readdirSync, rmSync, mkdtempSync, writeFileSync } from 'node:fs';
import { execFileSync, spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PDFDocument } from '@cantoo/pdf-lib';
import { findNames, newEdition, oldNames, openEpub } from '@yosomi/core/ebook';
import { stampFile } from '@yosomi/core/recipe';
import { NodeStudio, ROOT } from '@yosomi/node-kit';
import { type Row, median } from './rows';

const MADE = '2026-11-30T00:00:00Z';
const PAGES = 500;

/** Pages of real manuals, one after the other, until there are 500. */
async function long(folder: string): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  for (const name of readdirSync(folder).filter((one) => one.endsWith('.pdf'))) {
    const from = await PDFDocument.load(readFileSync(join(folder, name)));
    const left = PAGES - doc.getPageCount();
    const wanted = from.getPageIndices().slice(0, left);
    for (const page of await doc.copyPages(from, wanted)) doc.addPage(page);
  }
  return doc.save();
}

/** Books of others under new names, on one thread. */
export async function renamingRows(rounds: number): Promise<Row[]> {
  // The books of others that the tests stand on.
  execFileSync('node', ['-e', "import('./scripts/setup.mjs').then((m) => m.installBooks())"], { cwd: ROOT });
  const folder = process.env.YOSOMI_BOOKS ?? join(ROOT, 'build', 'books');
  const source = await long(folder);
  const studio = new NodeStudio(new Map());
  const wish = {
    head: { text: 'quillhouse.example', at: 'outer' as const },
    foot: { text: '{page} of {pages}', at: 'centre' as const },
    even: null,
    pages: null,
    size: 8.5,
    modified: MADE,
  };
  const [stamp, find, change, overlay]: number[][] = [[], [], [], []];
  let [stamped, hits] = [0, 0];
  const epub = new Blob([readFileSync(join(folder, 'policy.epub'))]);
  const temporary = mkdtempSync(join(tmpdir(), 'bench-'));
  const line = await stampFile(source, { ...wish, pages: { from: 1, to: 1 } }, studio);
  if (!line.ok) throw new Error(line.fault.code);
  writeFileSync(join(temporary, 'in.pdf'), source);
  writeFileSync(join(temporary, 'line.pdf'), line.value.bytes);
  for (let i = 0; i < rounds; i++) {
    let from = performance.now();
    const made = await stampFile(source, wish, studio);
    stamp.push(performance.now() - from);
    if (!made.ok) throw new Error(made.fault.code);
    stamped = made.value.report.stamped;
    const opened = await openEpub(epub);
    if (!opened.ok) throw new Error(opened.fault.code);
    const changes = (await oldNames(opened.value)).map(({ kind, from: old }) => ({
      kind,
      from: old,
      to: kind === 'site' ? 'zuqolp.example' : kind === 'mail' ? 'a@zuqolp.example' : 'Zuqolp Quill',
    }));
    from = performance.now();
    const found = await findNames(epub, changes);
    find.push(performance.now() - from);
    hits = found.ok ? found.value.hits.length : 0;
    from = performance.now();
    await newEdition(epub, { names: { changes, accepted: 'all' }, modified: MADE });
    change.push(performance.now() - from);
    if (!existsSync('/usr/bin/qpdf')) continue;
    from = performance.now();
    spawnSync('qpdf', [
      join(temporary, 'in.pdf'),
      '--overlay',
      join(temporary, 'line.pdf'),
      '--from=',
      '--repeat=1',
      '--',
      join(temporary, 'out.pdf'),
    ]);
    overlay.push(performance.now() - from);
  }
  rmSync(temporary, { recursive: true });
  return [
    { what: `lines measured for and put on ${stamped} of ${PAGES} pages of a PDF`, value: median(stamp), unit: 'ms' },
    ...(overlay.length > 0
      ? [{ what: 'one page laid blindly over as many by qpdf', value: median(overlay), unit: 'ms' }]
      : []),
    { what: `${hits} places of old names found in an ebook of 397 KB`, value: median(find), unit: 'ms' },
    { what: 'all of them changed, and the book written', value: median(change), unit: 'ms' },
  ];
}
