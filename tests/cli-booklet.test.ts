import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { run as runHere } from '../cli/src/run';
import { DEMO_FOLDER } from './fixtures/demos';
import { fileOf, picturePixels } from './fixtures/pictures';

const BOOK = join(DEMO_FOLDER, '5-weather-voices.yosomi');
const WITH_PAGES = join(DEMO_FOLDER, '1-balcony-moss.yosomi');
let dir: string;
const at = (name: string): string => join(dir, name);
beforeAll(async () => {
  dir = mkdtempSync(join(tmpdir(), 'cli-booklet-'));
  mkdirSync(at('pictures'));
  writeFileSync(at('pictures/a stone.png'), await fileOf(picturePixels(600, 400, 4), 'png'));
  writeFileSync(
    at('text.md'),
    '# One\n\nWords <b>here</b>.\n\n![A stone](pictures/a%20stone.png "Under it")\n\n# Two\n\nMore.\n',
  );
  writeFileSync(at('lost.md'), 'Words\n\n![x](nowhere.png)\n');
  writeFileSync(at('out.md'), 'Words\n\n![x](../../etc/hostname)\n');
  writeFileSync(at('plain.txt'), 'One *plain* line.\n');
});
afterAll(() => rmSync(dir, { recursive: true }));

const run = async (...args: string[]): Promise<{ code: number; out: string; err: string }> => {
  const done = { out: '', err: '' };
  const code = await runHere(args, { out: (text) => (done.out += text), err: (text) => (done.err += text) });
  return { code, ...done };
};
const textOf = (file: string): string =>
  spawnSync('pdftotext', [file, '-'], { encoding: 'utf8' }).stdout.replace(/\s+/g, ' ');

describe('booklet', () => {
  it('makes pages of a text and the pictures beside it, and says what was left out', async () => {
    const done = await run(
      'booklet',
      at('text.md'),
      '--book',
      BOOK,
      '--look',
      'essay',
      '--size',
      'a5',
      '--out',
      at('a.pdf'),
    );
    expect(done).toEqual({ code: 0, out: 'Left out: html, 2 (<b>)\n', err: '' });
    expect(textOf(at('a.pdf'))).toMatch(/One .*Words here\..*Under it.*Two .*More\./);
    const info = spawnSync('pdfinfo', ['-l', '9', at('a.pdf')], { encoding: 'utf8' }).stdout;
    expect(info).toMatch(/Page\s+2 size:\s+419\.5\d* x 595\.2\d*/);
    expect(
      spawnSync('pdfimages', ['-list', at('a.pdf')], { encoding: 'utf8' })
        .stdout.trim()
        .split('\n'),
    ).toHaveLength(4);
  });

  it('takes some chapters of a text, and says which there are where they are named wrongly', async () => {
    const some = await run('booklet', at('text.md'), '--book', BOOK, '--chapters', '2', '--out', at('two.pdf'));
    expect(some).toEqual({ code: 0, out: '', err: '' });
    expect(textOf(at('two.pdf'))).toMatch(/Two .*More\./);
    expect(textOf(at('two.pdf'))).not.toContain('Words here');
    for (const wrong of ['3', '0', '2-1', 'two', '1,,2']) {
      const refused = await run('booklet', at('text.md'), '--book', BOOK, '--chapters', wrong, '--out', at('no.pdf'));
      expect(refused.code, wrong).toBe(2);
      expect(refused.err).toMatch(/1 {2}One, 5 words\n +2 {2}Two, 2 words/);
    }
    writeFileSync(at('long.md'), `# A\n\n${'Words.\n\n'.repeat(4000)}# B\n\n${'More.\n\n'.repeat(4000)}`);
    const long = await run('booklet', at('long.md'), '--book', BOOK, '--out', at('no.pdf'));
    expect(long.code).toBe(2);
    expect(long.err).toMatch(/Take some of its chapters with --chapters:\n +1 {2}A, 4001 words/);
    expect(readdirSync(dir)).not.toContain('no.pdf');
  });

  it('takes the text that the title has, and a plain one as it is', async () => {
    expect(await run('booklet', '--book', WITH_PAGES, '--out', at('b.pdf'))).toMatchObject({ code: 0, err: '' });
    expect(textOf(at('b.pdf'))).toContain('Moss asks for very little');
    expect(await run('booklet', at('plain.txt'), '--book', BOOK, '--out', at('c.pdf'))).toMatchObject({
      code: 0,
      err: '',
    });
    expect(textOf(at('c.pdf'))).toContain('One *plain* line.');
  });

  it.each([
    [['booklet', '--book', BOOK, '--out', 'x.pdf'], 2, /text file/],
    [['booklet', '--book', WITH_PAGES, '--chapters', '1', '--out', 'x.pdf'], 2, /text file/],
    [['booklet', 'text.md', '--book', BOOK, '--look', 'nobody', '--out', 'x.pdf'], 2, /--look must be one of .*essay/],
    [['booklet', 'text.md', '--book', BOOK, '--size', 'a9', '--out', 'x.pdf'], 2, /--size must be one of letter, a4/],
    [['booklet', 'text.md', '--book', BOOK, '--out', 'x.docx'], 2, /pdf/],
    [['booklet', 'lost.md', '--book', BOOK, '--out', 'x.pdf'], 2, /nowhere\.png .*is not beside it/],
    [['booklet', 'gone.md', '--book', BOOK, '--out', 'x.pdf'], 2, /cannot be read/],
  ] as const)('refuses %j', async (args, code, words) => {
    const before = readdirSync(dir).length;
    const placed = args.map((arg) => (/^(text|lost|gone|x)\./.test(arg) ? at(arg) : arg));
    const done = await run(...placed);
    expect(done.code).toBe(code);
    expect(done.err).toMatch(words);
    expect(readdirSync(dir)).toHaveLength(before);
  });

  it('reads no file outside the folder of the text', async () => {
    const done = await run('booklet', at('out.md'), '--book', BOOK, '--out', at('d.pdf'));
    expect(done).toMatchObject({ code: 0, out: 'Left out: picture, 1 (x)\n' });
    expect(readFileSync(at('d.pdf')).subarray(0, 5).toString()).toBe('%PDF-');
  });
});
