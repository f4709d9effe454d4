import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PDFDocument, StandardFonts } from '@cantoo/pdf-lib';
import { strFromU8, unzipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { run as runHere } from '../cli/src/run';
import { oldEdition } from './fixtures/old-edition';

let dir: string;
const at = (name: string): string => join(dir, name);
beforeAll(async () => {
  dir = mkdtempSync(join(tmpdir(), 'cli-renaming-'));
  writeFileSync(at('old.epub'), oldEdition());
  const changes = [
    { kind: 'author', from: 'Orla Finch', to: 'Mara Quill' },
    { kind: 'site', from: 'oldpress.example', to: 'newpress.example' },
  ];
  const map = (more: object): string => JSON.stringify({ schema: 1, changes, ...more });
  writeFileSync(at('names.json'), map({}));
  writeFileSync(at('chosen.json'), map({ also: ['EPUB/nav.xhtml#1'], not: ['EPUB/title.xhtml#1'] }));
  writeFileSync(at('stranger.json'), map({ also: ['EPUB/nav.xhtml#99'] }));
  writeFileSync(at('newer.json'), map({ schema: 2 }));
  writeFileSync(at('wrong.json'), JSON.stringify({ changes: [{ kind: 'pet', from: 'A', to: 'B' }] }));
  writeFileSync(at('broken.json'), '{');
  const doc = await PDFDocument.create();
  const font = await doc.embedFont(StandardFonts.TimesRoman);
  for (let i = 0; i < 4; i++) doc.addPage([400, 600]).drawText('Words', { x: 60, y: 300, font, size: 11 });
  doc.setTitle('A Guide');
  doc.setAuthor('Orla Finch');
  writeFileSync(at('guide.pdf'), await doc.save());
});
afterAll(() => rmSync(dir, { recursive: true }));

const run = async (...args: string[]): Promise<{ code: number; out: string; err: string }> => {
  const done = { out: '', err: '' };
  const code = await runHere(args, { out: (text) => (done.out += text), err: (text) => (done.err += text) });
  return { code, ...done };
};
const pages = (name: string): Record<string, string> =>
  Object.fromEntries(
    Object.entries(unzipSync(readFileSync(at(name)))).map(([path, bytes]) => [path, strFromU8(bytes)]),
  );

describe('epub rename', () => {
  const rename = (map: string, ...more: string[]) =>
    run('epub', 'rename', at('old.epub'), '--map', at(map), '--out', at('new.epub'), ...more);

  it('changes what is sure, and reports every place', async () => {
    const done = await rename('names.json', '--report', at('r.json'));
    expect(done).toEqual({ code: 0, err: '', out: '7 places changed, 4 left as they are; --report lists them all.\n' });
    const files = pages('new.epub');
    expect(files['EPUB/title.xhtml']).toContain('MARA QUILL');
    expect(files['EPUB/nav.xhtml']).toContain('Orla Finch’s first day');
    const { names } = JSON.parse(readFileSync(at('r.json'), 'utf8'));
    expect(names).toHaveLength(11);
    expect(names.filter((one: { changed: boolean }) => one.changed)).toHaveLength(7);
  });

  it('changes also those that are named, leaves those that are excepted, and changes all where it is told so', async () => {
    expect((await rename('chosen.json')).out).toContain('7 places changed');
    expect(pages('new.epub')['EPUB/nav.xhtml']).toContain('Mara Quill’s first day');
    expect(pages('new.epub')['EPUB/title.xhtml']).toContain('ORLA FINCH');
    expect((await rename('names.json', '--all')).out).toBe('11 places changed, 0 left as they are.\n');
  });

  it.each([
    ['stranger.json', 'There is no place EPUB/nav.xhtml#99'],
    ['newer.json', 'made by a newer version'],
    ['wrong.json', 'not valid at changes.0.kind'],
    ['broken.json', 'is no JSON'],
    ['nothing.json', 'nothing.json'],
  ])('writes nothing for %s', async (map, sentence) => {
    rmSync(at('new.epub'), { force: true });
    const done = await rename(map);
    expect(done.code).toBe(2);
    expect(done.err).toContain(sentence);
    expect(existsSync(at('new.epub'))).toBe(false);
  });
});

describe('pdf stamp', () => {
  const stamp = (...more: string[]) => run('pdf', 'stamp', at('guide.pdf'), '--out', at('out.pdf'), ...more);
  const text = (page: number): string =>
    spawnSync('pdftotext', ['-f', String(page), '-l', String(page), at('out.pdf'), '-'], { encoding: 'utf8' }).stdout;

  it('puts lines on pages, others on even ones, and reports', async () => {
    const done = await stamp(
      '--head',
      'quillhouse.example',
      '--foot',
      '{page}',
      '--head-even',
      'Mara Quill',
      '--report',
      at('s.json'),
    );
    expect(done).toEqual({ code: 0, err: '', out: '4 of 4 pages have the lines.\n' });
    expect([1, 2].map((page) => /quillhouse|Mara Quill/.exec(text(page))?.[0])).toEqual(['quillhouse', 'Mara Quill']);
    expect(JSON.parse(readFileSync(at('s.json'), 'utf8'))).toMatchObject({ stamped: 4, links: 2, without: [] });
  });

  it('keeps to the pages that are named', async () => {
    expect((await stamp('--foot', '{page} of {pages}', '--pages', '3-', '--size', '10')).out).toContain('2 of 4 pages');
    expect([1, 3].map((page) => text(page).includes(`${page} of 4`))).toEqual([false, true]);
  });

  it.each([
    [['--head', 'x'], 0],
    [[], 1],
    [['--head', 'x', '--pages', 'all'], 2],
    [['--head', 'x', '--pages', '9-10'], 1],
    [['--head', 'x', '--size', '99'], 2],
    [['--head', 'x', '--head-at', 'above'], 2],
  ])('%j ends with %i', async (args, code) => expect((await stamp(...args)).code).toBe(code));
});

describe('pdf rename', () => {
  it('changes what the file says of itself, and reports it', async () => {
    const done = await run(
      'pdf',
      'rename',
      at('guide.pdf'),
      '--map',
      at('names.json'),
      '--out',
      at('n.pdf'),
      '--report',
      at('n.json'),
    );
    expect(done).toEqual({ code: 0, err: '', out: '1 place changed, 0 left as they are.\n' });
    expect(JSON.parse(readFileSync(at('n.json'), 'utf8')).names).toHaveLength(1);
    const doc = await PDFDocument.load(readFileSync(at('n.pdf')));
    expect([doc.getTitle(), doc.getAuthor()]).toEqual(['A Guide', 'Mara Quill']);
  });

  it('refuses what is no PDF', async () =>
    expect((await run('pdf', 'rename', at('old.epub'), '--map', at('names.json'), '--out', at('n2.pdf'))).code).toBe(
      2,
    ));
});
