import { spawn } from 'node:child_process';
import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { canWrite, samePlace, writeBytes, writeThrough } from '../cli/src/files';
import { run } from '../cli/src/run';
import { packProject } from '@yosomi/core/project';
import sharp from 'sharp';
import { beforeEach, describe, expect, it } from 'vitest';
import { pictureProject, wordsBook } from './fixtures/books';
import { fileOf, picturePixels } from './fixtures/pictures';

let dir = '';
beforeEach(() => void (dir = mkdtempSync(join(tmpdir(), 'places-'))));
const at = (name: string): string => join(dir, name);
const yosomi = async (...argv: string[]): Promise<{ code: number; out: string; err: string }> => {
  let [out, err] = ['', ''];
  const code = await run(argv, { out: (t) => void (out += t), err: (t) => void (err += t) });
  return { code, out, err };
};

describe('writing a file', () => {
  it('never touches a file of a person’s own that is named like an unfinished one, and leaves nothing beside it', () => {
    writeFileSync(at('x.epub.part'), 'mine');
    expect(writeBytes(at('x.epub'), 'new').ok).toBe(true);
    expect(readFileSync(at('x.epub.part'), 'utf8')).toBe('mine');
    expect(readdirSync(dir).sort()).toEqual(['x.epub', 'x.epub.part']);
  });

  it('goes through a link to where it points, and refuses one that points nowhere, a folder and a device', () => {
    writeFileSync(at('real.txt'), 'old');
    symlinkSync(at('real.txt'), at('link.txt'));
    expect(writeBytes(at('link.txt'), 'new').ok).toBe(true);
    expect(readFileSync(at('real.txt'), 'utf8')).toBe('new');
    symlinkSync(at('nowhere'), at('dangling.txt'));
    mkdirSync(at('folder'));
    const refused = [
      [at('dangling.txt'), 'file-link'],
      [at('folder'), 'file-no-file'],
      ['/dev/null', 'file-no-file'],
      [join(dir, 'no', 'such.txt'), 'file-unwritable'],
      [join(dir, 'x'.repeat(300)), 'file-name-long'],
    ];
    for (const [file, code] of refused) {
      expect(writeBytes(file, 'x'), file).toMatchObject({ ok: false, fault: { code } });
      expect(canWrite(file), file).toMatchObject({ ok: false, fault: { code } });
    }
    expect(existsSync(at('nowhere'))).toBe(false);
  });

  it('tells the same place under two names', () => {
    writeFileSync(at('a'), '');
    symlinkSync(at('a'), at('b'));
    expect(samePlace(at('a'), at('b'))).toBe(true);
    expect(samePlace(at('c'), join(dir, '.', 'c'))).toBe(true);
    expect(samePlace(at('a'), at('c'))).toBe(false);
  });

  it('of what fails half-way leaves the old one and nothing else', async () => {
    writeFileSync(at('book.epub'), 'old');
    const broken = await writeThrough(at('book.epub'), async (sink) => {
      const writer = sink.getWriter();
      await writer.write(new Uint8Array(1000));
      return { ok: false, fault: { code: 'work-stopped', data: {} } };
    });
    expect(broken.ok).toBe(false);
    await expect(writeThrough(at('book.epub'), () => Promise.reject(new Error('no')))).resolves.toMatchObject({
      ok: false,
    });
    expect(readFileSync(at('book.epub'), 'utf8')).toBe('old');
    expect(readdirSync(dir)).toEqual(['book.epub']);
  });

  it.each(['SIGTERM', 'SIGINT'] as const)(
    'takes the unfinished file away when it is told to end by %s',
    async (signal) => {
      const script = at('run.mts');
      const files = join(import.meta.dirname, '../cli/src/files.ts');
      writeFileSync(
        script,
        `import { writeThrough } from ${JSON.stringify(files)};
      await writeThrough(${JSON.stringify(at('big.epub'))}, async (sink) => {
        const writer = sink.getWriter();
        for (;;) { await writer.write(new Uint8Array(100000)); await new Promise((r) => setTimeout(r, 5)); console.log('going'); }
      });`,
      );
      const child = spawn(process.execPath, ['--import', 'tsx', script], { cwd: join(import.meta.dirname, '..') });
      await new Promise((resolve) => child.stdout.once('data', resolve));
      expect(readdirSync(dir).some((name) => name.startsWith('.yosomi-'))).toBe(true);
      child.kill(signal);
      const code = await new Promise((resolve) => child.on('exit', resolve));
      expect(code).toBe(signal === 'SIGINT' ? 130 : 143);
      expect(readdirSync(dir)).toEqual(['run.mts']);
    },
  );
});

describe('a command', () => {
  it('says before the work that its target cannot be written, is twice the same, or has a wrong ending', async () => {
    const front = at('front.png');
    writeFileSync(front, await fileOf(picturePixels(60, 90), 'png'));
    const mockup = (...more: string[]) =>
      yosomi('mockup', '--front', front, '--width', '64', '--height', '64', ...more);
    expect(await mockup('--out', at('m.gif'))).toMatchObject({
      code: 2,
      err: expect.stringContaining('--out must end in png, jpg, jpeg, not .gif'),
    });
    expect(await mockup('--out', at('m.png'), '--report', at('m.png'))).toMatchObject({
      code: 2,
      err: expect.stringContaining('same file'),
    });
    expect(await mockup('--out', join(dir, 'no', 'm.png'))).toMatchObject({ code: 2 });
    expect(await yosomi('epub', 'set-cover', 'none.epub', front, '--out', at('x.txt'))).toMatchObject({
      code: 2,
      err: expect.stringContaining('epub'),
    });
    expect(readdirSync(dir)).toEqual(['front.png']);
  });

  it('writes the format that the ending names', async () => {
    const front = at('front.png');
    writeFileSync(front, await fileOf(picturePixels(60, 90), 'png'));
    for (const [name, format] of [
      ['m.jpg', 'jpeg'],
      ['m.png', 'png'],
    ]) {
      expect(
        (await yosomi('mockup', '--front', front, '--width', '64', '--height', '64', '--out', at(name))).code,
      ).toBe(0);
      expect((await sharp(at(name)).metadata()).format).toBe(format);
    }
  });

  it('saves a cover as a picture of any size without a store', async () => {
    const project = await pictureProject();
    writeFileSync(at('b.yosomi'), packProject(project));
    for (const [name, format] of [
      ['c.png', 'png'],
      ['c.jpg', 'jpeg'],
      ['c.webp', 'webp'],
      ['c.tif', 'tiff'],
    ]) {
      expect((await yosomi('cover', 'save', at('b.yosomi'), '--out', at(name), '--width', '400')).code, name).toBe(0);
      const meta = await sharp(at(name)).metadata();
      expect([meta.format, meta.width, meta.height], name).toEqual([format, 400, 640]);
    }
    for (const [name, head] of [
      ['c.pdf', '%PDF'],
      ['c.svg', '<?xm'],
    ]) {
      expect((await yosomi('cover', 'save', at('b.yosomi'), '--out', at(name))).code).toBe(0);
      expect(readFileSync(at(name), 'latin1').slice(0, 4)).toBe(head);
    }
    const square = await yosomi(
      'cover',
      'save',
      at('b.yosomi'),
      '--out',
      at('s.png'),
      '--width',
      '500',
      '--height',
      '500',
    );
    expect(square.code).toBe(0);
    expect((await sharp(at('s.png')).metadata()).height).toBe(500);
    expect((await yosomi('cover', 'save', at('b.yosomi'), '--out', at('t.png'), '--width', '4')).code).toBe(2);
    expect((await yosomi('cover', 'save', at('b.yosomi'), '--out', at('t.bmp'))).code).toBe(2);
    expect(existsSync(at('t.png'))).toBe(false);
  });

  it('refuses a folder it may not write to', async () => {
    if (process.getuid?.() === 0) return;
    mkdirSync(at('shut'));
    chmodSync(at('shut'), 0o500);
    expect(canWrite(join(dir, 'shut', 'x'))).toMatchObject({ ok: false });
  });

  it('makes nothing from a title whose font is gone', async () => {
    const book = wordsBook();
    const cover = structuredClone(book.cover);
    Object.assign(cover.parts.title, { cut: 'own/abcdef123456' });
    const face = { id: 'abcdef123456', name: 'Gone', format: 'ttf' as const };
    writeFileSync(
      at('f.yosomi'),
      packProject({ book: { ...book, cover, faces: { [face.id]: face } }, files: new Map() }),
    );
    const { code, err } = await yosomi('cover', 'save', at('f.yosomi'), '--out', at('f.png'));
    expect(code).not.toBe(0);
    expect(err).toContain('font');
  });
});
