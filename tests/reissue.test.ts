import { existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PDFDocument, StandardFonts } from '@cantoo/pdf-lib';
import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { inspectEpub } from '@yosomi/core/ebook';
import { readTable } from '@yosomi/core/renaming';
import { run as runHere } from '../cli/src/run';
import { oldEdition } from './fixtures/old-edition';
import { fileOf, picturePixels } from './fixtures/pictures';

describe('a table of books', () => {
  it('is read by its columns, in any order and however they are called', () => {
    const read = readTable(
      '\ufeffAuthor;Old File;Website;new_title;Old author\n"Quill; Mara";a.epub;quill.example;"A ""new"" one";Orla Finch\n\n ; ; \nX;b.pdf\n',
    );
    if (!read.ok) throw new Error(read.fault.code);
    expect(read.value).toHaveLength(2);
    expect(read.value[0]).toMatchObject({
      line: 1,
      file: 'a.epub',
      now: { title: 'A "new" one', author: 'Quill; Mara', site: 'quill.example', publisher: '' },
      old: { author: 'Orla Finch', title: '' },
    });
    expect(read.value[1]).toMatchObject({ file: 'b.pdf', now: { author: 'X', title: '' } });
  });

  it.each([
    ['', 'table-empty'],
    ['file,title\n', 'table-empty'],
    ['title\nA\n', 'table-file'],
    ['file,pet\na,b\n', 'table-column'],
    ['file,site,website\na,b,c\n', 'table-column'],
    ['file,title\n"a,b\n', 'table-damaged'],
    [`file\n${'a\n'.repeat(5001)}`, 'table-large'],
  ])('%.30s is refused: %s', (text, code) => expect(readTable(text)).toMatchObject({ ok: false, fault: { code } }));

  it('gives back what was written into it, whatever that is', () => {
    const cell = fc.string({ minLength: 1, maxLength: 30 }).filter((text) => text.trim() === text);
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 8 }), (rows) => {
        const quoted = (text: string): string => `"${text.replace(/"/g, '""')}"`;
        const text = ['file,title', ...rows.map((row) => row.map(quoted).join(','))].join('\r\n');
        const read = readTable(text);
        expect(read.ok && read.value.map(({ file, now }) => [file, now.title])).toEqual(rows);
      }),
    );
  });
});

describe('reissue', () => {
  let dir: string;
  const at = (name: string): string => join(dir, name);
  beforeAll(async () => {
    dir = mkdtempSync(join(tmpdir(), 'reissue-'));
    mkdirSync(at('old'));
    const files = unzipSync(oldEdition());
    // Somebody wrote it with her, and writes on.
    const two = strFromU8(files['EPUB/p.opf']).replace(
      '<dc:publisher>',
      '<dc:creator>Ann Other</dc:creator><dc:publisher>',
    );
    files['EPUB/p.opf'] = strToU8(two);
    writeFileSync(at('old/a.epub'), zipSync({ mimetype: [files.mimetype, { level: 0 }], ...files }));
    const doc = await PDFDocument.create();
    const font = await doc.embedFont(StandardFonts.TimesRoman);
    for (let i = 0; i < 3; i++) doc.addPage([400, 600]).drawText('Words', { x: 60, y: 300, font, size: 11 });
    doc.setTitle('Old Guide');
    doc.setAuthor('Orla Finch, Ann Other');
    writeFileSync(at('old/b.pdf'), await doc.save());
    writeFileSync(at('old/c.txt'), 'no book');
    writeFileSync(at('cover.png'), await fileOf(picturePixels(800, 1280, 3), 'png'));
    writeFileSync(
      at('books.csv'),
      [
        'file,title,author,site,cover,head,old site,credits',
        'old/a.epub,The New Garden,Mara Quill,newpress.example,cover.png,,oldpress.example,"Text: Orla Finch, CC BY 4.0"',
        'old/b.pdf,The New Garden,Mara Quill,,cover.png,newpress.example,,A line',
        'old/c.txt,X,Y,,,,',
        'old/gone.epub,X,Y,,,,',
      ].join('\n'),
    );
  });
  afterAll(() => rmSync(dir, { recursive: true }));
  const run = async (...args: string[]) => {
    const done = { out: '', err: '' };
    const code = await runHere(args, { out: (text) => (done.out += text), err: (text) => (done.err += text) });
    return { code, ...done };
  };

  it(
    'makes each book of a table and a report of it; what fails is told and stops none',
    { timeout: 60_000 },
    async () => {
      const done = await run('reissue', at('books.csv'), '--out', at('new'), '--all');
      expect(done.out).toBe(`2 of 4 books made in ${at('new')}.\n`);
      expect(done.code).toBe(1);
      expect(done.err).toContain('3/4 old/c.txt: This is neither an EPUB nor a PDF.');
      expect(done.err).toContain('4/4 old/gone.epub: ');
      expect(done.err).toContain('2/4 old/b.pdf: the-new-garden-2.pdf, 2 places changed, lines on 3 of 3 pages');
      expect(readdirSync(at('new')).sort()).toEqual([
        'the-new-garden-2.json',
        'the-new-garden-2.pdf',
        'the-new-garden.epub',
        'the-new-garden.json',
      ]);
      const epub = readFileSync(at('new/the-new-garden.epub'));
      const read = await inspectEpub(new Blob([epub]));
      if (!read.ok) throw new Error(read.fault.code);
      expect(read.value.words).toMatchObject({
        title: 'The New Garden',
        author: 'Mara Quill, Ann Other',
        website: 'https://newpress.example',
      });
      expect(read.value.cover).toMatchObject({ widthPx: 800, heightPx: 1280 });
      expect(read.value.findings.filter(({ severity }) => severity === 'must')).toEqual([]);
      const files = unzipSync(epub);
      const credits = 'Text: Orla Finch, CC BY 4.0';
      const pages = Object.entries(files).filter(([path]) => path.endsWith('xhtml'));
      // Whose text it was is said on a page of its own, and nowhere else.
      expect(pages.filter(([, bytes]) => strFromU8(bytes).includes(credits))).toHaveLength(1);
      for (const [path, bytes] of pages)
        if (!strFromU8(bytes).includes(credits))
          expect(strFromU8(bytes).replace(/<script>.*<\/script>|<!--.*-->/g, ''), path).not.toMatch(
            /Orla Finch|oldpress|Salt Garden/,
          );
      const report = JSON.parse(readFileSync(at('new/the-new-garden.json'), 'utf8'));
      expect(report.names.length).toBeGreaterThan(10);
      // A PDF has no such page, and its report says so.
      const told = JSON.parse(readFileSync(at('new/the-new-garden-2.json'), 'utf8'));
      expect(told.notes).toContainEqual(expect.objectContaining({ code: 'pdf-credit' }));
      const pdf = await PDFDocument.load(readFileSync(at('new/the-new-garden-2.pdf')));
      expect([pdf.getPageCount(), pdf.getTitle(), pdf.getAuthor()]).toEqual([
        4,
        'The New Garden',
        'Mara Quill, Ann Other',
      ]);
    },
  );

  it('writes words without a cover, and those of a file that has none; never over an old file', async () => {
    const bare = await PDFDocument.create();
    bare.addPage([300, 400]);
    writeFileSync(at('old/the-new-garden.pdf'), await bare.save());
    const before = readFileSync(at('old/the-new-garden.pdf'));
    writeFileSync(
      at('old/bare.csv'),
      'file,title,author,old author\nthe-new-garden.pdf,The New Garden,Mara Quill,\na.epub,,Mara Quill,Somebody Else\n',
    );
    const done = await run('reissue', at('old/bare.csv'), '--out', at('old'));
    expect(done.code).toBe(0);
    expect(readFileSync(at('old/the-new-garden.pdf')).equals(before)).toBe(true);
    const pdf = await PDFDocument.load(readFileSync(at('old/the-new-garden-2.pdf')));
    expect([pdf.getTitle(), pdf.getAuthor()]).toEqual(['The New Garden', 'Mara Quill']);
    const epub = await inspectEpub(new Blob([readFileSync(at('old/the-salt-garden.epub'))]));
    expect(epub.ok && epub.value.words.author).toBe('Mara Quill');
  });

  it('makes no folder for a table that cannot be read', async () => {
    writeFileSync(at('wrong.csv'), 'title\nA\n');
    expect((await run('reissue', at('wrong.csv'), '--out', at('none'))).code).toBe(2);
    expect(existsSync(at('none'))).toBe(false);
  });
});
