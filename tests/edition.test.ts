import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { EpubCheck } from '@likecoin/epubcheck-ts';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  type Edition,
  checkEpub,
  findCover,
  inspectEpub,
  newEdition,
  openEpub,
  readerPage,
  readerPages,
} from '@yosomi/core/ebook';
import { readImage } from '@yosomi/core/image-file';
import { type BookPlan, bookFile, plainPlan, rawEntries } from './fixtures/epubs';
import { EPUBCHECK, JAVA } from './fixtures/java';
import { fileOf, picturePixels } from './fixtures/pictures';

type Bytes = Uint8Array<ArrayBuffer>;
let old: Bytes;
let jpeg: Bytes;
let png: Bytes;
beforeAll(async () => {
  old = await fileOf(picturePixels(60, 80, 4), 'jpeg');
  jpeg = await fileOf(picturePixels(160, 256), 'jpeg');
  png = await fileOf(picturePixels(100, 160), 'png');
});
const MODIFIED = '2026-11-26T10:00:00Z';

const blob = (bytes: Uint8Array): Blob => new Blob([new Uint8Array(bytes)]);
const bytesOf = async (file: Blob): Promise<Bytes> => new Uint8Array(await file.arrayBuffer());

/** A new edition with a cover; the test fails where it is refused. */
async function edit(bytes: Uint8Array, change: Partial<Edition> = {}, cover: Bytes = jpeg) {
  const info = readImage(cover);
  if (!info.ok) throw new Error(info.fault.code);
  const made = await newEdition(blob(bytes), {
    cover: { bytes: cover, info: info.value, alt: 'Cover of this' },
    modified: MODIFIED,
    ...change,
  });
  if (!made.ok) throw new Error(`${made.fault.code} ${JSON.stringify(made.fault.data)}`);
  return { bytes: await bytesOf(made.value.file), report: made.value.report };
}

/** Messages of the in-process checker that are graver than advice: their ids, sorted. */
async function messages(bytes: Bytes): Promise<string[]> {
  const result = await EpubCheck.validate(bytes);
  return result.messages
    .filter((m) => m.severity !== 'info' && m.severity !== 'usage')
    .map((m) => m.id)
    .sort();
}

/** Every entry that was not written anew lies in the new file packed as it was. */
function expectKept(
  before: Uint8Array,
  after: Uint8Array,
  report: { written: readonly string[]; left: readonly string[] },
  wrapper = '',
): number {
  const was = new Map(rawEntries(before).map((e) => [e.name.replace(wrapper, ''), e]));
  let kept = 0;
  for (const entry of rawEntries(after)) {
    if (
      entry.name === 'mimetype' ||
      report.written.includes(entry.name) ||
      (entry.name === 'META-INF/container.xml' && !was.has(entry.name))
    )
      continue;
    const one = was.get(entry.name);
    expect(one, entry.name).toBeDefined();
    expect(entry.packed.equals(one!.packed), entry.name).toBe(true);
    expect([entry.method, entry.crc, entry.extra]).toEqual([one!.method, one!.crc, 0]);
    kept++;
  }
  for (const name of was.keys()) {
    if (name.endsWith('/') || name === 'mimetype' || report.left.includes(name)) continue;
    expect(
      rawEntries(after).some((e) => e.name === name),
      name,
    ).toBe(true);
  }
  return kept;
}

const PLANS: Record<string, Partial<BookPlan>> = {
  'a right book': {},
  'EPUB 2 with a meta': { version: 2, property: false },
  'EPUB 2 with a guide alone': { version: 2, property: false, meta: null, guide: 'page' },
  'landmarks alone': { property: false, meta: null, landmarks: true },
  'a first page alone': { property: false, meta: null },
  'an SVG page with a stale frame': { page: 'svg' },
  'EPUB 2 with an SVG page': { version: 2, property: false, page: 'svg' },
  'a meta that names a page': { property: false, meta: 'page' },
  'a meta that names a path': { property: false, meta: 'path' },
  'a meta that names nothing': { property: false, meta: 'nowhere', page: null, image: null },
  'no cover at all': { property: false, meta: null, page: null, image: null },
  'no cover and a first page of words': { property: false, meta: null, page: 'words', image: null },
  'EPUB 2 without a cover': { version: 2, property: false, meta: null, page: null, image: null },
  'a picture without a page': { page: null },
  'a guide that leads nowhere': { version: 2, property: false, guide: 'nowhere' },
  'a cover that a chapter shows too': { shared: true },
  'no media type': { mimetype: 'missing' },
  'a packed media type': { mimetype: 'packed' },
  'a media type at the end': { mimetype: 'last' },
  'a folder around everything': { wrapper: 'My Book/', mimetype: 'last' },
  'no container file': { container: false },
  'the package in the root': { folder: '', opf: 'content.opf' },
  'paths with spaces': { folder: 'My Book Files/', opf: 'my package.opf', chapterName: 'first chapter & more.xhtml' },
  'names beyond ASCII': { chapterName: 'первая глава.xhtml' },
  'a package in UTF-16': { utf16: true },
  'fixed pages': { fixed: true },
  'scrambled fonts': { encryption: 'fonts' },
};

describe.each(Object.keys(PLANS))('a cover put into %s', (name) => {
  const plan = (): BookPlan => ({ ...plainPlan(old), ...PLANS[name] });
  const listedButMissing = { name: 'images/front.jpg', bytes: new Uint8Array(), type: 'image/jpeg', there: false };

  it.each(['jpeg', 'png'] as const)('is found by every reader, and all else stays byte for byte (%s)', async (kind) => {
    const before = bookFile(plan());
    const cover = kind === 'jpeg' ? jpeg : png;
    const { bytes, report } = await edit(before, {}, cover);
    expect((await checkEpub(blob(bytes))).filter((f) => f.severity !== 'note')).toEqual([]);
    const opened = await openEpub(blob(bytes));
    if (!opened.ok) throw new Error(opened.fault.code);
    const found = await findCover(opened.value);
    const image = found.image!;
    const shown = rawEntries(bytes).find((e) => e.name === image)!;
    expect(shown.packed.equals(Buffer.from(cover))).toBe(true);
    expectKept(before, bytes, report, PLANS[name].wrapper);
    expect(rawEntries(bytes)[0]).toMatchObject({ name: 'mimetype', method: 0, extra: 0 });
    expect(Buffer.from(bytes.subarray(30, 58)).toString()).toBe('mimetypeapplication/epub+zip');
  });

  it('brings no message that was not there before', async () => {
    const before = bookFile(plan());
    const was = await messages(before);
    const is = await messages((await edit(before)).bytes);
    // The fonts of the fixture are none; that is said before and after.
    for (const id of new Set(is))
      expect(is.filter((m) => m === id).length, id).toBeLessThanOrEqual(was.filter((m) => m === id).length);
  });

  it('is put there again when the picture it lists is missing', async () => {
    if (plan().image === null) return;
    const { bytes } = await edit(bookFile({ ...plan(), image: listedButMissing }));
    expect((await checkEpub(blob(bytes))).filter((f) => f.severity === 'must')).toEqual([]);
  });

  it('is at rest when it is put there again', async () => {
    const once = (await edit(bookFile(plan()))).bytes;
    const twice = (await edit(once)).bytes;
    expect(rawEntries(twice).map((e) => e.name)).toEqual(rawEntries(once).map((e) => e.name));
    const thrice = (await edit(twice)).bytes;
    expect(Buffer.from(thrice).equals(Buffer.from(twice))).toBe(true);
  });
});

describe('a new edition', () => {
  it('leaves the picture that a chapter shows where it is', async () => {
    const before = bookFile({ ...plainPlan(old), shared: true });
    const { bytes, report } = await edit(before);
    const interior = rawEntries(bytes).find((e) => e.name === 'EPUB/images/front.jpg')!;
    expect(interior.packed.equals(Buffer.from(old))).toBe(true);
    expect(report.notes.map((n) => n.code)).toContain('epub-cover-shared');
    expect(report.written).toContain('EPUB/images/cover.jpg');
  });

  it('of fixed pages gives the cover page the pixels of the cover', async () => {
    const { bytes } = await edit(bookFile({ ...plainPlan(old), fixed: true }));
    const page = await pageText(bytes, 'EPUB/cover.xhtml');
    expect(page).toContain('content="width=160, height=256"');
  });

  it('puts the frame of an SVG page right', async () => {
    const { bytes } = await edit(bookFile({ ...plainPlan(old), page: 'svg' }));
    const page = await pageText(bytes, 'EPUB/cover.xhtml');
    expect(page).toContain('viewBox="0 0 160 256"');
    expect(page).toContain('preserveAspectRatio="xMidYMid meet"');
    expect(page).not.toContain('600');
  });

  it('changes words where the book has them, and keeps what is not asked for', async () => {
    const words = {
      title: 'A Newer Book',
      subtitle: 'With a & sign',
      author: 'Ida Quill',
      publisher: 'Fernhollow Press',
      language: 'de',
      date: '2026-11-26',
      website: 'https://lanterns.example',
    };
    const { bytes, report } = await edit(bookFile(plainPlan(old)), { words });
    const read = await inspectEpub(blob(bytes));
    if (!read.ok) throw new Error(read.fault.code);
    expect(read.value.words).toEqual({ ...words, identifier: 'urn:uuid:00000000-0000-4000-8000-00000000000a' });
    expect(report.changes).toContainEqual({ what: 'title', before: 'An Old Book', after: 'A Newer Book' });
    expect(report.changes).toContainEqual({ what: 'author', before: 'Wren Marlow', after: 'Ida Quill' });
    const opf = await pageText(bytes, 'EPUB/package.opf');
    expect(opf).toContain('<!-- kept as it is -->');
    expect(opf).not.toContain('Marlow, Wren');
    expect(opf).toContain(`>${MODIFIED}<`);
    expect(await messages(bytes)).toEqual([]);
  });

  it('of EPUB 2 changes the contents file with the title and the identifier, and says what it has no place for', async () => {
    const before = bookFile({ ...plainPlan(old), version: 2, property: false });
    const { bytes, report } = await edit(before, {
      words: { title: 'Newer', subtitle: 'Lost', identifier: 'urn:uuid:00000000-0000-4000-8000-00000000000b' },
    });
    const ncx = await pageText(bytes, 'EPUB/toc.ncx');
    expect(ncx).toContain('<text>Newer</text>');
    expect(ncx).toContain('content="urn:uuid:00000000-0000-4000-8000-00000000000b"');
    expect(report.notes.map((n) => n.code)).toContain('epub-subtitle-left');
    expect(await messages(bytes)).toEqual([]);
  });

  it('adds a title page after the cover and a line on pages of text, each valid', async () => {
    for (const version of [2, 3] as const) {
      const before = bookFile({ ...plainPlan(old), version, property: version === 3 });
      const { bytes, report } = await edit(before, {
        titlePage: 'added',
        pageLine: { text: 'Second edition & more', at: 'foot' },
      });
      const opened = await openEpub(blob(bytes));
      if (!opened.ok) throw new Error(opened.fault.code);
      expect(readerPages(opened.value)).toEqual(['EPUB/cover.xhtml', 'EPUB/title-page.xhtml', 'EPUB/chapter.xhtml']);
      expect(await pageText(bytes, 'EPUB/chapter.xhtml')).toContain('Second edition &amp; more</p></body>');
      expect(report.changes.map((c) => c.what)).toEqual(expect.arrayContaining(['title-page', 'page-line']));
      expect(await messages(bytes)).toEqual([]);
    }
  });

  it('never writes over the file that it read', async () => {
    const before = bookFile(plainPlan(old));
    const copy = before.slice();
    await edit(before);
    expect(before).toEqual(copy);
  });

  it('keeps every entry of any set of names and sizes', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.uniqueArray(fc.stringMatching(/^[a-z0-9 _%&+é-]{1,24}$/), { maxLength: 8 }),
        fc.uint8Array({ maxLength: 4000 }),
        async (names, data) => {
          const { unzipSync } = await import('fflate');
          const files = unzipSync(bookFile(plainPlan(old)));
          const more = Object.fromEntries(names.map((n) => [`extra/${n}.bin`, data]));
          const { mimetype, ...rest } = files;
          const before = zipSync({ mimetype: [mimetype, { level: 0 }], ...rest, ...more });
          const { bytes, report } = await edit(before);
          expect(expectKept(before, bytes, report)).toBeGreaterThanOrEqual(names.length);
        },
      ),
      { numRuns: 12 },
    );
  });
});

const pageText = async (bytes: Uint8Array, path: string): Promise<string> => {
  const { unzipSync } = await import('fflate');
  return new TextDecoder().decode(unzipSync(bytes)[path]);
};

describe('an EPUB that cannot be changed', () => {
  const code = async (bytes: Uint8Array, change: Partial<Edition> = {}): Promise<string> => {
    const info = readImage(jpeg);
    if (!info.ok) throw new Error('cover');
    const made = await newEdition(blob(bytes), {
      cover: { bytes: jpeg, info: info.value, alt: null },
      modified: MODIFIED,
      ...change,
    });
    return made.ok ? 'made' : made.fault.code;
  };
  const plan = (more: Partial<BookPlan> = {}): Bytes => bookFile({ ...plainPlan(old), ...more });
  const zipped = (files: Record<string, string>): Uint8Array =>
    zipSync(Object.fromEntries(Object.entries(files).map(([n, t]) => [n, strToU8(t)])));

  it.each([
    ['nothing', () => new Uint8Array(), 'file-empty'],
    ['a JPEG by another name', () => jpeg, 'epub-not'],
    ['words', () => strToU8('Dear reader'), 'epub-not'],
    ['a zip of something else', () => zipped({ 'a.txt': 'a' }), 'epub-not'],
    ['a book that is cut off', () => plan().slice(0, 900), 'zip-damaged'],
    ['a locked book', () => plan({ encryption: 'locked' }), 'epub-drm'],
    [
      'two packages and no container',
      () => zipped({ mimetype: 'application/epub+zip', 'a.opf': '<package/>', 'b.opf': '<package/>' }),
      'epub-container',
    ],
    [
      'no package',
      () =>
        zipped({
          mimetype: 'application/epub+zip',
          'META-INF/container.xml': '<container><rootfiles><rootfile full-path="gone.opf"/></rootfiles></container>',
        }),
      'epub-package',
    ],
    [
      'a package of entities',
      () =>
        zipped({
          mimetype: 'application/epub+zip',
          'p.opf': '<!DOCTYPE p [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]><package><manifest/></package>',
        }),
      'epub-package',
    ],
    [
      'a container of entities',
      () =>
        zipped({
          mimetype: 'application/epub+zip',
          'META-INF/container.xml': '<!DOCTYPE c [<!ENTITY a "a">]><container/>',
        }),
      'epub-container',
    ],
    [
      'a package that is broken off',
      () => zipped({ mimetype: 'application/epub+zip', 'p.opf': '<package><manifest><item' }),
      'epub-package',
    ],
    ['a name that leaves its folder', () => zipped({ '../../evil.sh': 'rm' }), 'zip-name'],
    ['a name from the root', () => zipped({ '/etc/passwd': 'x' }), 'zip-name'],
    ['a name of another system', () => zipped({ 'C:\\boot.ini': 'x' }), 'zip-name'],
  ])('%s is refused with the reason', async (_, bytes, wanted) => expect(await code(bytes())).toBe(wanted));

  it('two entries of one name are refused', async () => {
    const bytes = Buffer.from(zipped({ aa: 'one', bb: 'two' }));
    // The second name made like the first, in its local header and in the directory.
    for (let at = bytes.indexOf('bb'); at >= 0; at = bytes.indexOf('bb')) bytes.write('aa', at);
    expect(await code(bytes)).toBe('zip-twice');
  });

  it('a few bytes that say they unpack to gigabytes are refused before they are unpacked', async () => {
    const bytes = Buffer.from(plan());
    let at = bytes.lastIndexOf(Buffer.from('PK\x01\x02', 'latin1'));
    bytes.writeUInt32LE(0x80000000, at + 24);
    expect(await code(bytes)).toBe('zip-large');
    // An entry that says it is small and is not: what is unpacked is counted, not believed.
    const big = zipSync(
      { mimetype: strToU8('application/epub+zip'), 'p.opf': new Uint8Array(30 * 1024 * 1024) },
      { level: 9 },
    );
    const lying = Buffer.from(big);
    at = lying.lastIndexOf(Buffer.from('PK\x01\x02', 'latin1'));
    lying.writeUInt32LE(1000, at + 24);
    expect(lying.length).toBeLessThan(60_000);
    expect(['zip-large', 'zip-damaged']).toContain(await code(lying));
  });

  it('the identifier stays where fonts are scrambled with it', async () => {
    const change = { words: { identifier: 'urn:uuid:00000000-0000-4000-8000-00000000000c' } };
    expect(await code(plan({ encryption: 'fonts' }), change)).toBe('epub-font-key');
    expect(await code(plan({ encryption: 'fonts' }))).toBe('made');
  });

  it('words that are no language and no date are refused', async () => {
    expect(await code(plan(), { words: { language: 'Deutsch!' } })).toBe('epub-language');
    expect(await code(plan(), { words: { date: '26.11.2026' } })).toBe('epub-date');
  });

  it('a book that was stopped while it was written is not written', async () => {
    const made = await newEdition(blob(plan()), { modified: MODIFIED }, { cancelled: () => true });
    expect(made).toMatchObject({ ok: false, fault: { code: 'work-stopped' } });
  });
});

/** Ebooks of Debian's documentation, put there by the set-up of the tests. */
const BOOKS = process.env.YOSOMI_BOOKS ?? resolve(import.meta.dirname, '..', 'build', 'books');

describe('ebooks that others made', () => {
  const names = readdirSync(BOOKS)
    .filter((name) => name.endsWith('.epub'))
    .sort();
  let folder: string;
  beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'books-'))));
  afterAll(() => rmSync(folder, { recursive: true }));

  it('are there, six at least', () => expect(names.length).toBeGreaterThanOrEqual(6));

  it.each(names)('%s gets a cover, and every other entry stays byte for byte', async (name) => {
    const before = new Uint8Array(readFileSync(join(BOOKS, name)));
    const { bytes, report } = await edit(before);
    expect(expectKept(before, bytes, report)).toBeGreaterThan(10);
    expect(
      (await checkEpub(blob(bytes))).filter((f) => f.code.startsWith('epub-cover') && f.severity === 'must'),
    ).toEqual([]);
    const opened = await openEpub(blob(bytes));
    if (!opened.ok) throw new Error(opened.fault.code);
    const was = await openEpub(blob(before));
    if (!was.ok) throw new Error(was.fault.code);
    const order = (epub: typeof opened.value): string[] =>
      epub.pkg.spine.map(({ element }) => element.getAttribute('idref') ?? '');
    const added = order(opened.value).filter((id) => !order(was.value).includes(id));
    expect(order(opened.value).filter((id) => !added.includes(id))).toEqual(order(was.value));
    expect(readerPages(opened.value)[0]).toBe((await findCover(opened.value)).page);
  });

  /** Kinds of errors and warnings that EPUBCheck tells, with their counts. */
  const told = (file: string): Promise<Map<string, number>> =>
    new Promise((resolve) => {
      execFile(JAVA, [...EPUBCHECK, file], { maxBuffer: 1e8 }, (_, out, err) => {
        const kinds = new Map<string, number>();
        for (const m of `${out}${err}`.matchAll(/^(ERROR|FATAL|WARNING)\(([A-Z0-9-]+)\)/gm))
          kinds.set(m[2], (kinds.get(m[2]) ?? 0) + 1);
        // A run that says nothing of its end has not looked at the file.
        if (!/EPUBCheck completed/.test(`${out}${err}`)) kinds.set('no run', 1e9);
        resolve(kinds);
      });
    });

  it.each(['policy.epub', 'debmake-doc.en.epub'])(
    '%s brings no new message of EPUBCheck',
    async (name) => {
      const file = join(folder, name);
      writeFileSync(file, (await edit(new Uint8Array(readFileSync(join(BOOKS, name))))).bytes);
      const [was, is] = await Promise.all([told(join(BOOKS, name)), told(file)]);
      for (const [kind, count] of is) expect(count, kind).toBeLessThanOrEqual(was.get(kind) ?? 0);
      expect(was.get('PKG-006')).toBe(1);
      expect(is.get('PKG-006')).toBeUndefined();
    },
    90_000,
  );
});

describe('the reader', () => {
  const wicked = `<?xml version="1.0"?>
<html xmlns="http://www.w3.org/1999/xhtml"><head><title>x</title>
<link rel="stylesheet" href="http://far.example/a.css"/><style>@import "http://far.example/b.css"; body { background: url(http://far.example/c.png); color: #123 } p { behavior: url(x) }</style>
<script>document.title = 'owned'</script></head>
<body onload="alert(1)" style="background: url('http://far.example/d.png')"><h1 onclick="alert(2)">Title</h1>
<p>Words &amp; signs &lt;b&gt;</p><img src="http://far.example/e.png" alt="far"/><img src="images/front.jpg" alt="near" onerror="alert(3)"/>
<a href="javascript:alert(4)">link</a><iframe src="http://far.example/f.html">inner</iframe><form action="http://far.example/"><input name="a"/></form>
<svg xmlns="http://www.w3.org/2000/svg"><script>alert(5)</script><foreignObject><p>in</p></foreignObject><image href="http://far.example/g.png"/></svg><object data="http://far.example/h"></object></body></html>`;

  it('shows words and pictures of the book, and nothing that runs or fetches', async () => {
    const { unzipSync } = await import('fflate');
    const files = { ...unzipSync(bookFile(plainPlan(old))), 'EPUB/chapter.xhtml': strToU8(wicked) };
    const opened = await openEpub(blob(zipSync(files)));
    if (!opened.ok) throw new Error(opened.fault.code);
    const html = (await readerPage(opened.value, 'EPUB/chapter.xhtml'))!;
    expect(html).toContain('<h1>Title</h1>');
    expect(html).toContain('Words &amp; signs &lt;b&gt;');
    expect(html).toContain('src="data:image/jpeg;base64,');
    expect(html).toContain('color: #123');
    expect(html).not.toMatch(
      /far\.example|script|onload|onclick|onerror|alert|javascript|iframe|<form|<input|foreignObject|@import|url\(|behavior/i,
    );
    expect(html).toContain("default-src 'none'");
  });
});
