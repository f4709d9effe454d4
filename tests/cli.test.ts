import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { EpubCheck } from '@likecoin/epubcheck-ts';
import { PDFDocument } from '@cantoo/pdf-lib';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { shrink, ssim } from '@yosomi/core/pixels';
import { packProject, unpackProject } from '@yosomi/core/project';
import { coverRaster } from '@yosomi/core/recipe';
import { defaultScene } from '@yosomi/core/mockup';
import { artOf, newFace, newPinScene, photoOf, pinned, rebent } from '@yosomi/core/pin';
import { PROFILES, writeProfiles } from '@yosomi/core/stores';
import { NodeStudio } from '@yosomi/node-kit';
import { run as runHere } from '../cli/src/run';
import { pictureProject } from './fixtures/books';
import { DEMO_FOLDER } from './fixtures/demos';
import { bookFile, plainPlan } from './fixtures/epubs';
import { fileOf, hugePng, picturePixels, pixelsOf } from './fixtures/pictures';

const ROOT = resolve(import.meta.dirname, '..');
let dir: string;
const at = (name: string): string => join(dir, name);
const put = (name: string, content: Uint8Array | string): string => {
  writeFileSync(at(name), content);
  return at(name);
};

type Done = { code: number | null; out: string; err: string };

/** The command in this process. */
const run = async (...args: string[]): Promise<Done> => {
  const done = { out: '', err: '' };
  const code = await runHere(args, { out: (text) => (done.out += text), err: (text) => (done.err += text) });
  return { code, ...done };
};

/** The command as a person starts it. */
const start = (...args: string[]): Done => {
  const done = spawnSync(process.execPath, ['--import', 'tsx', 'cli/src/main.ts', ...args], {
    cwd: ROOT,
    encoding: 'utf8',
  });
  return { code: done.status, out: done.stdout, err: done.stderr };
};

beforeAll(async () => {
  dir = mkdtempSync(join(tmpdir(), 'yosomi-cli-'));
  put('book.yosomi', packProject(await pictureProject()));
  const untitled = await pictureProject({ title: '' });
  put('untitled.yosomi', packProject({ ...untitled, book: { ...untitled.book, id: 'untitled-01' } }));
  put('front.jpg', await fileOf(picturePixels(400, 640), 'jpeg'));
  put('red.png', await fileOf(picturePixels(60, 640, 9), 'png'));
});
afterAll(() => rmSync(dir, { recursive: true }));

/** A refusal: its exit code, one sentence, and no file left behind. */
async function refuses(code: number, sentence: RegExp, ...args: string[]): Promise<void> {
  const before = readdirSync(dir).sort();
  const done = await run(...args);
  expect(done.code).toBe(code);
  expect(done.err).toMatch(sentence);
  expect(done.err.trim().split('\n')).toHaveLength(1);
  expect(done.err).not.toMatch(/\bat .*:\d+/);
  expect(readdirSync(dir).sort()).toEqual(before);
}

// Each command starts a process of its own, and the machine may be busy.
describe('pin', () => {
  const CORNERS = '60,40,260,60,250,330,50,350';

  it('puts art on a photograph as the core does, and only there', async () => {
    const photo = put('photo.png', await fileOf(picturePixels(320, 400, 4), 'png'));
    const done = await run(
      'pin',
      '--photo',
      photo,
      '--art',
      at('red.png'),
      '--corners',
      CORNERS,
      '--out',
      at('pinned.png'),
    );
    expect(done).toEqual({ code: 0, out: '', err: '' });
    const made = PNG.sync.read(readFileSync(at('pinned.png')));
    expect([made.width, made.height]).toEqual([320, 400]);
    const [under, art] = [await pixelsOf(readFileSync(photo)), await pixelsOf(readFileSync(at('red.png')))];
    const n = CORNERS.split(',').map(Number);
    const corners = [0, 2, 4, 6].map((i): [number, number] => [n[i], n[i + 1]]);
    const face = newFace('front', 'Front', corners, { kind: 'side', side: 'front' });
    const scene = { ...newPinScene({ asset: 'photo', widthPx: 320, heightPx: 400 }), faces: [face] };
    const own = pinned(photoOf(under), scene, new Map([['front', artOf(art)]]));
    if (!own.ok) throw new Error(own.fault.code);
    expect(Buffer.compare(made.data, Buffer.from(own.value.data))).toBe(0);
    const bare = (x: number, y: number): number[] => [...made.data.subarray((y * 320 + x) * 4, (y * 320 + x) * 4 + 3)];
    expect(bare(5, 5)).toEqual([...under.data.slice((5 * 320 + 5) * 4, (5 * 320 + 5) * 4 + 3)]);
    rmSync(at('pinned.png'));
  });

  it('bends the art by a mesh', async () => {
    const photo = put('photo.png', await fileOf(picturePixels(320, 400, 4), 'png'));
    const base = ['pin', '--photo', photo, '--art', at('red.png'), '--corners', CORNERS];
    const bend = rebent(null, 3);
    bend.offsets[1] = [0, -24];
    const mesh = put('mesh.json', JSON.stringify(bend));
    expect(await run(...base, '--mesh', mesh, '--out', at('bent.png'))).toMatchObject({ code: 0 });
    const made = PNG.sync.read(readFileSync(at('bent.png')));
    const was = await pixelsOf(readFileSync(photo));
    // Above the straight top side, below the bowed one.
    const p = (35 * 320 + 160) * 4;
    expect([...made.data.subarray(p, p + 3)]).not.toEqual([...was.data.slice(p, p + 3)]);
    rmSync(at('bent.png'));
    await refuses(2, /no bend/, ...base, '--mesh', put('no.json', '{"size":7}'), '--out', at('o.png'));
    bend.offsets[4] = [400, 0];
    await refuses(
      2,
      /folds over itself/,
      ...base,
      '--mesh',
      put('fold.json', JSON.stringify(bend)),
      '--out',
      at('o.png'),
    );
  });

  it('refuses what is no face in one sentence', async () => {
    const photo = ['pin', '--photo', at('front.jpg'), '--art', at('red.png'), '--out', at('o.png')];
    await refuses(2, /eight numbers/, ...photo, '--corners', '1,2,3');
    await refuses(2, /eight numbers/, ...photo, '--corners', '1,2,3,4,5,6,7,x');
    await refuses(2, /must go round the face/, ...photo, '--corners', '60,40,250,330,260,60,50,350');
    await refuses(2, /lie in a line/, ...photo, '--corners', '0,0,50,50,100,100,0,90');
    await refuses(2, /outside the photograph/, ...photo, '--corners', '900,0,990,0,990,90,900,90');
    await refuses(2, /--shade must be a number from 0 to 1/, ...photo, '--corners', CORNERS, '--shade', '2');
    await refuses(2, /--corners is missing/, ...photo);
    await refuses(
      2,
      /cannot be read/,
      'pin',
      '--photo',
      at('none.png'),
      '--art',
      at('red.png'),
      '--corners',
      CORNERS,
      '--out',
      at('o.png'),
    );
  });
});

describe('the command line', { timeout: 240_000 }, () => {
  it('explains itself', async () => {
    const help = await run('help');
    expect(help.code).toBe(0);
    for (const name of ['cover export', 'mockup', 'epub new', 'check', 'demo']) expect(help.out).toContain(name);
  });

  it('does the same as a process of its own', async () => {
    const help = start('help');
    expect(help).toEqual(await run('help'));
    const refused = start('check', at('none.jpg'), '--store', 'longreach');
    expect(refused).toEqual(await run('check', at('none.jpg'), '--store', 'longreach'));
    expect(refused).toMatchObject({ code: 2, out: '' });
  });

  it('exports a cover that the check accepts', async () => {
    expect(
      (await run('cover', 'export', at('book.yosomi'), '--store', 'longreach', '--out', at('cover.jpg'))).code,
    ).toBe(0);
    expect(await sharp(at('cover.jpg')).metadata()).toMatchObject({
      format: 'jpeg',
      width: 1600,
      height: 2560,
      density: 300,
    });
    const checked = await run('check', at('cover.jpg'), '--store', 'longreach', '--json');
    expect(checked.code).toBe(0);
    expect(JSON.parse(checked.out)).toMatchObject({
      store: 'longreach',
      verdict: 'passes',
      findings: [],
      file: { format: 'jpeg', widthPx: 1600, heightPx: 2560 },
    });
    const other = await run('check', at('cover.jpg'), '--store', 'pocketreel', '--json');
    expect(other.code).toBe(1);
    expect(JSON.parse(other.out).findings.map((f: { code: string }) => f.code)).toContain('store-exact-size');
  });

  it('makes a mockup with clear ground and a report of its corners', async () => {
    const done = await run(
      'mockup',
      '--front',
      at('front.jpg'),
      '--width',
      '500',
      '--height',
      '400',
      '--out',
      at('m.png'),
      '--report',
      at('m.json'),
    );
    expect(done).toMatchObject({ code: 0, err: '' });
    const png = PNG.sync.read(readFileSync(at('m.png')));
    expect([png.width, png.height]).toEqual([500, 400]);
    expect(png.data[3]).toBe(0);
    const { faces } = JSON.parse(readFileSync(at('m.json'), 'utf8'));
    expect(Object.keys(faces).sort()).toEqual(['front', 'spine', 'top']);
    const middle = faces.front
      .reduce((m: number[], p: number[]) => [m[0] + p[0] / 4, m[1] + p[1] / 4], [0, 0])
      .map(Math.floor);
    expect(png.data[(middle[1] * 500 + middle[0]) * 4 + 3]).toBe(255);
  });

  it('takes a scene, a spine and a back', async () => {
    put(
      's.json',
      JSON.stringify({
        ...defaultScene,
        pose: { ...defaultScene.pose, turnRad: 2.8 },
        ground: { kind: 'colour', colour: '#ff8800' },
      }),
    );
    const done = await run(
      'mockup',
      '--front',
      at('front.jpg'),
      '--spine',
      at('red.png'),
      '--back',
      at('red.png'),
      '--scene',
      at('s.json'),
      '--width',
      '200',
      '--height',
      '200',
      '--out',
      at('b.png'),
      '--report',
      at('b.json'),
    );
    expect(done.code).toBe(0);
    const png = PNG.sync.read(readFileSync(at('b.png')));
    expect([...png.data.subarray(0, 4)]).toEqual([255, 136, 0, 255]);
    expect(Object.keys(JSON.parse(readFileSync(at('b.json'), 'utf8')).faces)).toContain('back');
    expect((await run('check', at('book.yosomi'), '--store', 'longreach')).code).toBe(2);
  });

  it('makes an EPUB without a message', async () => {
    expect((await run('epub', 'new', '--book', at('book.yosomi'), '--out', at('book.epub'))).code).toBe(0);
    const checked = await run('check', at('book.epub'), '--store', 'longreach', '--json');
    expect(checked.code).toBe(0);
    expect(JSON.parse(checked.out)).toMatchObject({ verdict: 'passes', file: { format: 'epub' } });
    const result = await EpubCheck.validate(new Uint8Array(readFileSync(at('book.epub'))));
    expect(
      result.messages.filter((m) => m.severity === 'error' || m.severity === 'warning' || m.severity === 'fatal'),
    ).toEqual([]);
  });

  it('writes the demo books', async () => {
    const done = await run('demo', '--out', at('demo'));
    expect(done.code).toBe(0);
    expect(readdirSync(at('demo')).filter((f) => f.endsWith('.yosomi'))).toHaveLength(5);
    // They are those that the tests stand on, to the byte.
    for (const name of readdirSync(DEMO_FOLDER).filter((f) => f.endsWith('.yosomi')))
      expect(readFileSync(at(`demo/${name}`)).equals(readFileSync(join(DEMO_FOLDER, name))), name).toBe(true);
    rmSync(at('demo'), { recursive: true });
  });

  it('refuses what it cannot do, in one sentence, leaving nothing behind', async () => {
    put('huge.png', await hugePng());
    put('cut.jpg', (await fileOf(picturePixels(400, 640), 'jpeg')).slice(0, 3000));
    put('bad.yosomi', 'hello');
    put('bad.json', '{"schema":2}');
    const out = at('none.png');
    await refuses(2, /no command "fly"/, 'fly');
    await refuses(2, /--store is missing/, 'cover', 'export', at('book.yosomi'), '--out', out);
    await refuses(2, /no store "moon"; the stores are longreach/, 'check', at('front.jpg'), '--store', 'moon');
    await refuses(
      2,
      /cannot be read/,
      'cover',
      'export',
      at('gone.yosomi'),
      '--store',
      'longreach',
      '--out',
      `${out}.jpg`,
    );
    await refuses(2, /not a Yosomi title/, 'epub', 'new', '--book', at('bad.yosomi'), '--out', at('none.epub'));
    await refuses(1, /no title/, 'epub', 'new', '--book', at('untitled.yosomi'), '--out', at('none.epub'));
    await refuses(
      2,
      /ends too early/,
      'mockup',
      '--front',
      at('cut.jpg'),
      '--width',
      '100',
      '--height',
      '100',
      '--out',
      out,
    );
    await refuses(
      2,
      /20000 x 20000/,
      'mockup',
      '--front',
      at('huge.png'),
      '--width',
      '100',
      '--height',
      '100',
      '--out',
      out,
    );
    await refuses(
      2,
      /whole number from 16 to 6000/,
      'mockup',
      '--front',
      at('front.jpg'),
      '--width',
      '9',
      '--height',
      '100',
      '--out',
      out,
    );
    for (const [name, change] of [
      ['page', { things: [{ ...defaultScene.things[0], art: { kind: 'page', at: 1 } }] }],
      ['other', { things: [{ ...defaultScene.things[0], art: { kind: 'title', id: 'another-title' } }] }],
      ['spine', { things: [{ ...defaultScene.things[0], spine: 'abcdef1' }] }],
      ['ground', { ground: { kind: 'picture', asset: 'abcdef1' } }],
    ] as const) {
      put(`${name}.json`, JSON.stringify({ ...defaultScene, ...change }));
      const asked = ['--front', at('front.jpg'), '--scene', at(`${name}.json`), '--width', '100', '--height', '100'];
      await refuses(2, /which this command does not have/, 'mockup', ...asked, '--out', out);
    }
    await refuses(
      2,
      /scene file is not valid/,
      'mockup',
      '--front',
      at('front.jpg'),
      '--scene',
      at('bad.json'),
      '--width',
      '100',
      '--height',
      '100',
      '--out',
      out,
    );
    await refuses(
      2,
      /cannot be written/,
      'mockup',
      '--front',
      at('front.jpg'),
      '--width',
      '32',
      '--height',
      '32',
      '--out',
      at('no/such/folder.png'),
    );
    await refuses(
      2,
      /cannot be written/,
      'mockup',
      '--front',
      at('front.jpg'),
      '--width',
      '32',
      '--height',
      '32',
      '--out',
      at('none.png'),
      '--report',
      at('no/such/report.json'),
    );
    await refuses(2, /no option --colour/, 'check', at('front.jpg'), '--colour', 'red');
  });
});

describe('the command line and ebooks', () => {
  const json = <T = Record<string, unknown>>(name: string): T => JSON.parse(readFileSync(at(name), 'utf8')) as T;
  beforeAll(async () => {
    const image = await fileOf(picturePixels(60, 80, 4), 'jpeg');
    put('old.epub', bookFile(plainPlan(image)));
    put('locked.epub', bookFile({ ...plainPlan(image), encryption: 'locked' }));
    put('camera.jpg', await fileOf(picturePixels(900, 1440), 'jpeg', (i) => i.withMetadata({ orientation: 6 })));
  });

  it('puts a cover into an EPUB, with words and a report, and leaves the old one', async () => {
    const before = readFileSync(at('old.epub'));
    const done = await run(
      'epub',
      'set-cover',
      at('old.epub'),
      at('front.jpg'),
      '--out',
      at('new.epub'),
      '--title',
      'Newer',
      '--author',
      'Ida Quill',
      '--report',
      at('new.json'),
    );
    expect([done.code, done.err]).toEqual([0, '']);
    expect(readFileSync(at('old.epub')).equals(before)).toBe(true);
    expect(json('new.json')).toMatchObject({
      schema: 1,
      changes: expect.arrayContaining([{ what: 'title', before: 'An Old Book', after: 'Newer' }]),
    });
    const inspected = await run('epub', 'inspect', at('new.epub'), '--json');
    expect(JSON.parse(inspected.out)).toMatchObject({
      version: 3,
      words: { title: 'Newer', author: 'Ida Quill' },
      cover: { widthPx: 400, heightPx: 640 },
      findings: [],
    });
    expect((await run('check', at('new.epub'), '--store', 'pommel')).code).toBe(0);
    expect((await run('epub', 'inspect', at('old.epub'))).out).toMatch(
      /cover: EPUB\/images\/front.jpg \(60 x 80\), by property/,
    );
  });

  it('makes a picture that readers do not take into one that they do', async () => {
    await run('epub', 'set-cover', at('old.epub'), at('camera.jpg'), '--out', at('turned.epub'));
    const read = JSON.parse((await run('epub', 'inspect', at('turned.epub'), '--json')).out);
    expect(read.cover).toMatchObject({ widthPx: 1440, heightPx: 900, format: 'jpeg' });
  });

  it('puts a cover into a PDF', async () => {
    const doc = await PDFDocument.create();
    doc.addPage([300, 400]).drawText('One');
    put('old.pdf', await doc.save());
    const done = await run(
      'pdf',
      'set-cover',
      at('old.pdf'),
      at('front.jpg'),
      '--out',
      at('new.pdf'),
      '--title',
      'T',
      '--report',
      at('pdf.json'),
    );
    expect([done.code, done.err]).toEqual([0, '']);
    expect(json('pdf.json')).toMatchObject({ placed: 'inserted', pages: { before: 1, after: 2 } });
    expect((await PDFDocument.load(readFileSync(at('new.pdf')))).getPageCount()).toBe(2);
    await refuses(2, /no PDF/, 'pdf', 'set-cover', at('old.epub'), at('front.jpg'), '--out', at('none.pdf'));
  });

  it('encodes any picture for a store, in the format of the name', async () => {
    for (const [store, file, format] of [
      ['pocketreel', 'p.jpg', 'jpeg'],
      ['ownsite', 'o.webp', 'webp'],
      ['fennel', 'f.png', 'png'],
    ]) {
      const done = await run('encode', at('camera.jpg'), '--store', store, '--out', at(file), '--json');
      expect([done.code, done.err]).toEqual([0, '']);
      expect(JSON.parse(done.out)).toMatchObject({ store, verdict: expect.stringMatching(/passes|may/) });
      expect((await sharp(at(file)).metadata()).format).toBe(format);
      expect((await run('check', at(file), '--store', store)).code).toBe(0);
    }
    await refuses(
      2,
      /takes no WEBP; it takes JPEG/,
      'encode',
      at('front.jpg'),
      '--store',
      'bindery',
      '--out',
      at('x.webp'),
    );
    await refuses(2, /names no image format/, 'encode', at('front.jpg'), '--store', 'bindery', '--out', at('x.gif'));
  });

  it('knows stores of a person’s own', async () => {
    const own = {
      ...PROFILES[0],
      id: 'corner',
      name: 'Corner',
      ideal: { widthPx: 300, heightPx: 480 },
      least: null,
      mostBytes: 60_000,
    };
    put('stores.json', writeProfiles([own]));
    const done = await run(
      'cover',
      'export',
      at('book.yosomi'),
      '--store',
      'corner',
      '--stores',
      at('stores.json'),
      '--out',
      at('corner.jpg'),
    );
    expect([done.code, done.err]).toEqual([0, '']);
    expect(await sharp(at('corner.jpg')).metadata()).toMatchObject({ width: 300, height: 480 });
    put('wrong.json', '{"format":"yosomi-stores","schema":2,"stores":[{"id":"x"}]}');
    await refuses(2, /not valid at stores\.0/, 'check', at('corner.jpg'), '--store', 'x', '--stores', at('wrong.json'));
  });

  it('sketches covers: a picture and a title file for each, the same for the same number', async () => {
    const out = at('sheet');
    const made = await run(
      'sketch',
      at('book.yosomi'),
      '--picture',
      at('front.jpg'),
      '--picture',
      at('red.png'),
      '--count',
      '3',
      '--seed',
      '9',
      '--out',
      out,
    );
    expect(made.code, made.err).toBe(0);
    expect(made.out).toContain('3 covers, seed 9');
    const names = readdirSync(out).sort();
    expect(names).toHaveLength(6);
    for (const name of names.filter((n) => n.endsWith('.png'))) {
      const png = PNG.sync.read(readFileSync(join(out, name)));
      expect([png.width, png.height]).toEqual([800, 1280]);
      const opened = unpackProject(new Uint8Array(readFileSync(join(out, name.replace('.png', '.yosomi')))));
      if (!opened.ok) throw new Error(opened.fault.code);
      const { book, files } = opened.value;
      expect(book.sheet).toMatchObject({ seed: 9, taken: { structure: name.slice(3, -4) } });
      expect(book.sheet.pictures).toHaveLength(2);
      // What lies in the title file is the cover of the picture.
      const again = await coverRaster(book, 800, new NodeStudio(files));
      const drawn = await pixelsOf(new Uint8Array(readFileSync(join(out, name))));
      expect(ssim(shrink(again, 200, 320), shrink(drawn, 200, 320))).toBeGreaterThan(0.995);
    }
    const second = await run(
      'sketch',
      at('book.yosomi'),
      '--picture',
      at('front.jpg'),
      '--picture',
      at('red.png'),
      '--count',
      '2',
      '--seed',
      '9',
      '--out',
      at('sheet-2'),
    );
    expect(second.code).toBe(0);
    const other = readdirSync(at('sheet-2')).sort();
    expect(other).toEqual(names.slice(0, 4));
    for (const name of other)
      expect(readFileSync(join(at('sheet-2'), name)).equals(readFileSync(join(out, name)))).toBe(true);
    for (const folder of [out, at('sheet-2')]) rmSync(folder, { recursive: true });
    await refuses(
      2,
      /--count must be a whole number from 1 to 48/,
      'sketch',
      at('book.yosomi'),
      '--count',
      '0',
      '--out',
      out,
    );
    await refuses(
      2,
      /up to 5 pictures/,
      'sketch',
      at('book.yosomi'),
      ...Array.from({ length: 6 }, () => ['--picture', at('front.jpg')]).flat(),
      '--out',
      out,
    );
    await refuses(2, /cannot be read/, 'sketch', at('book.yosomi'), '--picture', at('gone.jpg'), '--out', out);
    await refuses(1, /no title/, 'sketch', at('untitled.yosomi'), '--out', out);
  });

  it('delivers many titles, goes on where it was, and stops at no single one', async () => {
    const out = at('out');
    const first = await run(
      'deliver',
      at('book.yosomi'),
      at('untitled.yosomi'),
      at('gone.yosomi'),
      '--out',
      out,
      '--only',
      'stores',
      '--names',
      '{title}-{store}-{width}',
    );
    expect(first.code).toBe(1);
    expect(first.out).toMatch(/^1 made, 0 up to date, 2 failed/);
    expect(first.err).toMatch(/no title/);
    expect(first.err).toMatch(/gone\.yosomi cannot be read/);
    const made = join(out, 'the-weight-of-lanterns/longreach/the-weight-of-lanterns-longreach-1600.jpg');
    expect(existsSync(made)).toBe(true);
    expect(readFileSync(join(out, 'the-weight-of-lanterns/README.txt'), 'utf8')).toMatch(
      /Alt text: Cover of The Weight of Lanterns by Oda Penhallow\.[\s\S]*Test picture[\s\S]*No rights are noted/,
    );
    const again = await run(
      'deliver',
      at('book.yosomi'),
      '--out',
      out,
      '--only',
      'stores',
      '--names',
      '{title}-{store}-{width}',
    );
    expect([again.code, again.out.trim()]).toEqual([0, '0 made, 1 up to date, 0 failed']);
    // A file that was cut off by a crash is made anew.
    writeFileSync(made, readFileSync(made).subarray(0, 100));
    expect(
      (await run('deliver', at('book.yosomi'), '--out', out, '--only', 'stores', '--names', '{title}-{store}-{width}'))
        .out,
    ).toMatch(/^1 made/);
    await refuses(
      2,
      /Give --store or --all-stores/,
      ...['deliver', at('book.yosomi'), '--out', out, '--all-stores', '--store', 'longreach'],
    );
    await refuses(2, /no store "moon"/, 'deliver', at('book.yosomi'), '--out', out, '--store', 'longreach,moon');
    await refuses(2, /need a pattern/, 'deliver', at('book.yosomi'), '--out', out, '--names', ' ');
    await refuses(2, /cannot hold \{colour\}/, 'deliver', at('book.yosomi'), '--out', out, '--names', '{colour}');
  });

  it('knows what a rename has left over, removes it where asked, and never what somebody else put there', async () => {
    const out = at('renamed');
    const base = ['--out', out, '--only', 'stores'];
    const titled = async (title: string, id: string): Promise<Uint8Array> => {
      const { book, files } = await pictureProject({ title, stores: ['longreach', 'bindery'] });
      return packProject({ files, book: { ...book, id } });
    };
    put('one.yosomi', await titled('The First Name', 'title-aaaa1111'));
    put('two.yosomi', await titled('Another Book', 'title-bbbb2222'));
    const both = await run('deliver', at('one.yosomi'), at('two.yosomi'), ...base);
    expect(both.out).toMatch(/^4 made, 0 up to date, 0 failed$/m);
    writeFileSync(join(out, 'the-first-name/longreach/notes.txt'), 'my own');
    put('one.yosomi', await titled('The Second Name', 'title-aaaa1111'));

    const renamed = await run('deliver', at('one.yosomi'), ...base);
    expect(renamed.out).toMatch(/^2 made, 0 up to date, 0 failed, 2 left over, removed by --tidy$/m);
    expect(renamed.err).toMatch(/left over: the-first-name\/longreach\/the-first-name-cover-longreach/);
    expect(renamed.err).not.toMatch(/another-book/);
    // Where something fails, what was made before may be all that there is.
    const broken = await run('deliver', at('one.yosomi'), at('gone.yosomi'), ...base, '--tidy');
    expect(broken.out).toMatch(/^0 made, 2 up to date, 1 failed, 2 left over, kept as something failed$/m);
    // One that was changed since is somebody's own by now.
    const [changed] = readdirSync(join(out, 'the-first-name/bindery'));
    // As long as it was, and not the same.
    const other = readFileSync(join(out, 'the-first-name/bindery', changed));
    other[other.length >> 1] ^= 1;
    writeFileSync(join(out, 'the-first-name/bindery', changed), other);
    const tidied = await run('deliver', at('one.yosomi'), ...base, '--tidy');
    expect(tidied.out).toMatch(/^0 made, 2 up to date, 0 failed, 1 removed, 1 left over, not as they were made$/m);
    expect(readdirSync(join(out, 'the-first-name/longreach'))).toEqual(['notes.txt']);
    expect(readdirSync(join(out, 'the-first-name/bindery'))).toEqual([changed]);
    expect(readdirSync(join(out, 'another-book')).sort()).toEqual(['README.txt', 'bindery', 'longreach']);
    expect((await run('deliver', at('two.yosomi'), ...base)).out).toMatch(/^0 made, 2 up to date, 0 failed/m);

    // The same title twice is made once; for stores of this run only, what others want stays wanted.
    put('copy.yosomi', readFileSync(at('two.yosomi')));
    const twice = await run('deliver', at('two.yosomi'), at('copy.yosomi'), ...base, '--store', 'cartwheel');
    expect(twice.err).toMatch(/copy\.yosomi: This is the same title as two\.yosomi/);
    expect(twice.out).toMatch(/^1 made, 0 up to date, 1 failed(, \d left over.*)?$/m);
    expect(twice.err).not.toMatch(/left over: another-book/);
  });

  it('does not touch a folder that a newer version wrote, and goes on in one of an older', async () => {
    const out = at('older');
    const base = ['deliver', at('book.yosomi'), '--out', out, '--only', 'stores'];
    expect((await run(...base)).out).toMatch(/^1 made/);
    const note = join(out, 'delivered.json');
    const now = JSON.parse(readFileSync(note, 'utf8'));
    expect(now).toMatchObject({ schema: 2, titles: { [Object.keys(now.titles)[0]]: ['the-weight-of-lanterns'] } });
    // Others' files, of which an older release has noted nothing more, are nobody's to remove.
    const theirs = { 'another-book/longreach/a.jpg': { key: 'k', bytes: 1 } };
    writeFileSync(note, JSON.stringify({ ...now, titles: undefined, files: { ...now.files, ...theirs }, schema: 1 }));
    expect((await run(...base, '--tidy')).out).toMatch(/^0 made, 1 up to date, 0 failed$/m);
    expect(JSON.parse(readFileSync(note, 'utf8')).files).toHaveProperty(['another-book/longreach/a.jpg']);
    writeFileSync(note, JSON.stringify({ ...now, schema: 9 }));
    await refuses(2, /made by a newer version/, ...base);
    expect(JSON.parse(readFileSync(note, 'utf8')).schema).toBe(9);
    // Paths that lead elsewhere are no paths of ours.
    writeFileSync(note, JSON.stringify({ ...now, files: { '../../etc/x': { key: 'k', bytes: 1 } } }));
    expect((await run(...base)).out).toMatch(/^1 made/);
  });

  it('refuses locked and broken books, leaving nothing behind', async () => {
    const out = at('none.epub');
    await refuses(2, /copy protection/, 'epub', 'set-cover', at('locked.epub'), at('front.jpg'), '--out', out);
    await refuses(2, /no EPUB/, 'epub', 'set-cover', at('front.jpg'), at('front.jpg'), '--out', out);
    await refuses(2, /empty/, 'epub', 'inspect', put('empty.epub', ''));
    await refuses(
      2,
      /no picture|not a picture|no picture that/,
      'epub',
      'set-cover',
      at('old.epub'),
      at('bad.yosomi'),
      '--out',
      out,
    );
    await refuses(2, /option --out is missing/, 'epub', 'set-cover', at('old.epub'), at('front.jpg'));
    expect(readdirSync(dir).filter((name) => name.startsWith('none') || name.endsWith('.part'))).toEqual([]);
  });
});
