import { readFileSync, readdirSync } from 'node:fs';
import { basename, join, resolve } from 'node:path';
import { EpubCheck } from '@likecoin/epubcheck-ts';
import fc from 'fast-check';
import { strFromU8, unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { findNames, newEdition, oldNames, openEpub } from '@yosomi/core/ebook';
import { type Hit, type NameChange, nameChanges, nameFinder, replaced, sentenceAt } from '@yosomi/core/renaming';
import { bookFile, plainPlan } from './fixtures/epubs';
import { oldEdition } from './fixtures/old-edition';
import { fileOf, picturePixels } from './fixtures/pictures';

const AUTHOR: NameChange = { kind: 'author', from: 'Orla Finch', to: 'Mara Quill' };
const TITLE: NameChange = { kind: 'title', from: 'The Salt Garden', to: 'A Garden by the Sea' };
const SITE: NameChange = { kind: 'site', from: 'oldpress.example', to: 'newpress.example' };
const MAIL: NameChange = { kind: 'mail', from: 'orla@oldpress.example', to: 'mara@newpress.example' };

const hits = (text: string, ...changes: NameChange[]): Hit[] => nameFinder(changes)(text, 'prose');
const told = (text: string, ...changes: NameChange[]): [string, string, string][] =>
  hits(text, ...changes).map(({ found, becomes, manner }) => [found, becomes, manner]);

describe('a name in a text', () => {
  it.each([
    ['By Orla Finch.', [['Orla Finch', 'Mara Quill', 'whole']]],
    ['ORLA FINCH', [['ORLA FINCH', 'MARA QUILL', 'whole']]],
    ['orla finch', [['orla finch', 'mara quill', 'case']]],
    ['Orla Finch’s book', [['Orla Finch’s', 'Mara Quill’s', 'inflected']]],
    ['Mr Finch said', [['Finch', 'Quill', 'part']]],
    ['Finch, Orla: Works', [['Finch, Orla', 'Quill, Mara', 'turned']]],
    ['see O. Finch, 2019', [['O. Finch', 'M. Quill', 'initials']]],
    ['Finchs Buch', [['Finchs', 'Quills', 'inflected']]],
    ['a goldfinch, the Finchley road, Finchingfield', []],
    ['Or\u00adla\u00a0Finch', [['Or\u00adla\u00a0Finch', 'Mara Quill', 'whole']]],
    ['Orla\nFinch', [['Orla\nFinch', 'Mara Quill', 'whole']]],
  ])('%s', (text, wanted) => expect(told(text, AUTHOR)).toEqual(wanted));

  it('is doubted wherever it is not the name letter by letter', () => {
    for (const text of ['orla finch', 'Orla Finch’s', 'Finch', 'Orla', 'Finch, Orla', 'O. Finch'])
      expect(hits(text, AUTHOR).map((hit) => hit.sure)).toEqual([false]);
    expect(hits('Orla Finch', AUTHOR)[0].sure).toBe(true);
    // One word may be any word; what a book says of itself is not.
    const word: NameChange = { kind: 'title', from: 'Harbour', to: 'Quay' };
    expect(hits('Harbour lights', word)[0]).toMatchObject({ manner: 'word', sure: false });
    expect(nameFinder([word])('Harbour', 'label')[0].sure).toBe(true);
    expect(nameFinder([AUTHOR])('Finch, Orla', 'label')[0].sure).toBe(true);
  });

  it.each([
    ['See oldpress.example.', [['oldpress.example', 'newpress.example', 'whole']]],
    ['https://www.oldpress.example/', [['https://www.oldpress.example/', 'https://www.newpress.example/', 'whole']]],
    [
      'https://oldpress.example/free?x=1.',
      [['https://oldpress.example/free?x=1', 'https://newpress.example/free?x=1', 'page']],
    ],
    ['(oldpress.example/free)', [['oldpress.example/free', 'newpress.example/free', 'page']]],
    ['blog.oldpress.example', [['blog.oldpress.example', 'blog.newpress.example', 'page']]],
    ['boldpress.example, oldpress.example.org, oldpress.examples', []],
    ['info@oldpress.example', [['oldpress.example', 'newpress.example', 'at']]],
    ['orla@oldpress.example', [['orla@oldpress.example', 'mara@newpress.example', 'whole']]],
    ['x.orla@oldpress.example', [['oldpress.example', 'newpress.example', 'at']]],
    ['mailto:Orla@OldPress.example?subject=x', [['Orla@OldPress.example', 'mara@newpress.example', 'whole']]],
  ])('site and mail: %s', (text, wanted) => expect(told(text, SITE, MAIL)).toEqual(wanted));

  it('is the longer one where two lie over each other, and a part of a name in another script is doubted', () => {
    const press: NameChange = { kind: 'publisher', from: 'Orla Finch Books', to: 'Quill House' };
    expect(told('from Orla Finch Books', AUTHOR, press)).toEqual([['Orla Finch Books', 'Quill House', 'whole']]);
    expect(hits('作者は海野光です', { kind: 'author', from: '海野光', to: '山本薫' })[0]).toMatchObject({
      found: '海野光',
      sure: false,
    });
  });

  it('may be written with accents in either way, and other quotes and dashes', () => {
    const name: NameChange = { kind: 'author', from: 'Zoë O’Hara-Lind', to: 'Ann Bly' };
    for (const text of ["Zoe\u0308 O'Hara‑Lind", 'Zoë O’Hara-Lind'])
      expect(hits(text, name)[0]).toMatchObject({ found: text, becomes: 'Ann Bly', sure: true });
  });

  it('with laws: places are apart, in order, and what is found is what stands there', () => {
    const bits = fc.constantFrom(
      'Orla',
      'Finch',
      'finch’s',
      ' ',
      '\u00ad',
      ', ',
      'O. ',
      'İ',
      'ﬁ',
      'The Salt Garden',
      'oldpress.example',
      '/a)',
      '@',
      'orla',
      '.',
    );
    fc.assert(
      fc.property(fc.array(bits, { maxLength: 14 }), (parts) => {
        const text = parts.join('');
        const found = hits(text, AUTHOR, TITLE, SITE, MAIL);
        let at = 0;
        for (const hit of found) {
          expect(hit.start).toBeGreaterThanOrEqual(at);
          expect(text.slice(hit.start, hit.end)).toBe(hit.found);
          at = hit.end;
        }
        // What stands between the places stays.
        const rest = replaced(
          text,
          found.map((hit) => ({ ...hit, becomes: '' })),
        );
        expect(replaced(text, found).length).toBe(
          rest.length + found.reduce((sum, hit) => sum + hit.becomes.length, 0),
        );
      }),
      { numRuns: 500 },
    );
  });

  it('leaves no whole name behind: a text that was changed has none of them', () => {
    fc.assert(
      fc.property(fc.lorem({ maxCount: 20 }), fc.nat(100), (words, at) => {
        const place = at % (words.length + 1);
        const text = `${words.slice(0, place)} Orla Finch ${words.slice(place)}`;
        const done = replaced(text, hits(text, AUTHOR));
        expect(done).toContain('Mara Quill');
        expect(hits(done, AUTHOR)).toEqual([]);
      }),
    );
  });

  it('is shown in its sentence, before and after', () => {
    const text = 'First one. Here Orla Finch sat down. Last one.';
    expect(sentenceAt(text, hits(text, AUTHOR)[0])).toEqual({
      before: 'Here Orla Finch sat down.',
      after: 'Here Mara Quill sat down.',
    });
    const long = `${'x '.repeat(500)}Orla Finch${' y'.repeat(500)}`;
    expect(sentenceAt(long, hits(long, AUTHOR)[0]).before.length).toBeLessThan(210);
  });

  it('that stays, is no address, or becomes two is refused', () => {
    expect(nameChanges([{ ...AUTHOR, to: ' Orla  Finch ' }])).toMatchObject({ fault: { code: 'names-none' } });
    expect(nameChanges([AUTHOR, { ...AUTHOR, to: 'X Y' }])).toMatchObject({ fault: { code: 'names-twice' } });
    expect(nameChanges([{ ...SITE, to: 'no site' }])).toMatchObject({ fault: { code: 'name-site' } });
    expect(nameChanges([{ ...MAIL, to: 'nobody' }])).toMatchObject({ fault: { code: 'name-mail' } });
    expect(nameChanges([{ ...SITE, from: 'https://www.oldpress.example/' }])).toEqual({ ok: true, value: [SITE] });
  });
});

const blob = (bytes: Uint8Array): Blob => new Blob([new Uint8Array(bytes)]);
const filesIn = async (file: Blob): Promise<Record<string, string>> =>
  Object.fromEntries(
    Object.entries(unzipSync(new Uint8Array(await file.arrayBuffer()))).map(([name, bytes]) => [
      name,
      strFromU8(bytes),
    ]),
  );
const MODIFIED = '2026-11-30T10:00:00Z';
const ALL = [AUTHOR, TITLE, SITE, MAIL];

async function rename(bytes: Uint8Array, accepted: 'sure' | 'all' | ReadonlySet<string>, changes = ALL) {
  const made = await newEdition(blob(bytes), { names: { changes, accepted }, modified: MODIFIED });
  if (!made.ok) throw new Error(made.fault.code);
  return made.value;
}

describe('a book under a new name', () => {
  it('is asked for its own old names', async () => {
    const opened = await openEpub(blob(oldEdition()));
    if (!opened.ok) throw new Error();
    expect(await oldNames(opened.value)).toEqual([
      { kind: 'title', from: 'The Salt Garden' },
      { kind: 'author', from: 'Orla Finch' },
      { kind: 'publisher', from: 'Old Press' },
      { kind: 'mail', from: 'orla@oldpress.example' },
    ]);
  });

  it('lists each place once, with its sentence', async () => {
    const found = await findNames(blob(oldEdition()), ALL);
    if (!found.ok) throw new Error(found.fault.code);
    const list = found.value.hits.map(({ path, place, before, sure }) => [basename(path), place, before, sure]);
    expect(list).toEqual([
      ['p.opf', 'metadata', 'The Salt Garden', true],
      ['p.opf', 'metadata', 'Orla Finch', true],
      ['p.opf', 'metadata', 'Finch, Orla', true],
      ['p.opf', 'metadata', 'Orla Finch tells of salt.', true],
      ['title.xhtml', 'page-title', 'The Salt Garden', true],
      ['title.xhtml', 'heading', 'The Salt Garden', true],
      ['title.xhtml', 'text', 'ORLA FINCH', true],
      ['c.xhtml', 'text', 'Orla Finch went out.', true],
      ['c.xhtml', 'link', 'mailto:orla@oldpress.example', true],
      ['c.xhtml', 'link', 'https://oldpress.example/free', false],
      ['c.xhtml', 'text', 'Write to orla@oldpress.example or see our page.', true],
      ['c.xhtml', 'text', 'Orla Finch, again', true],
      ['c.xhtml', 'alt', 'Orla Finch at sea', true],
      ['nav.xhtml', 'contents', 'The Salt Garden', true],
      ['nav.xhtml', 'contents', 'Orla Finch’s first day', false],
    ]);
    expect(new Set(found.value.hits.map((hit) => hit.id)).size).toBe(list.length);
    expect(found.value.notes).toContainEqual(
      expect.objectContaining({ code: 'epub-isbn-stands', data: { name: 'EPUB/title.xhtml' } }),
    );
  });

  it('has the sure ones changed by itself, others only where it is told so', async () => {
    const { file, report } = await rename(oldEdition(), 'sure');
    const files = await filesIn(file);
    expect(files['EPUB/c.xhtml']).toContain('<span>M</span>ara Quill went out. The goldfinch sang.');
    expect(files['EPUB/c.xhtml']).toContain('href="https://oldpress.example/free"');
    expect(files['EPUB/c.xhtml']).toContain('title.xhtml#orla-finch');
    expect(files['EPUB/c.xhtml']).toContain('mailto:mara@newpress.example');
    expect(files['EPUB/c.xhtml']).toContain('var x = "Orla Finch"');
    expect(files['EPUB/title.xhtml']).toContain('MARA QUILL');
    expect(files['EPUB/p.opf']).toContain('Quill, Mara');
    expect(files['EPUB/p.opf']).toContain('urn:x:orla-finch');
    expect(files['EPUB/nav.xhtml']).toContain('Orla Finch’s first day');
    expect(report.names.filter((one) => one.changed)).toHaveLength(13);
    expect(report.changes).toContainEqual({ what: 'names', before: 'Orla Finch', after: '7 x Mara Quill' });
    const again = await findNames(file, ALL);
    expect(again.ok && again.value.hits.map((hit) => hit.before)).toEqual([
      'https://oldpress.example/free',
      'Orla Finch’s first day',
    ]);
    const all = await rename(oldEdition(), 'all');
    const left = await findNames(all.file, ALL);
    expect(left.ok && left.value.hits).toEqual([]);
    const one = await rename(oldEdition(), new Set(['EPUB/c.xhtml#1']));
    expect([...one.report.written].sort()).toEqual(['EPUB/c.xhtml', 'EPUB/p.opf']);
  });

  it('says the title page and the metadata over it, and a line at the head of each page', async () => {
    const made = await newEdition(blob(oldEdition()), {
      names: { changes: ALL, accepted: 'all' },
      words: { title: 'A Garden by the Sea', author: 'Mara Quill', publisher: 'Quill House' },
      titlePage: { insteadOf: 'EPUB/title.xhtml' },
      pageLine: { text: 'newpress.example', at: 'head' },
      modified: MODIFIED,
    });
    if (!made.ok) throw new Error(made.fault.code);
    const files = await filesIn(made.value.file);
    expect(files['EPUB/c.xhtml'].match(/newpress\.example<\/p>/g)).toHaveLength(1);
    expect(files['EPUB/c.xhtml']).toContain('ara Quill');
    expect(files['EPUB/title.xhtml']).toContain('Quill House');
    expect(JSON.stringify(files)).not.toMatch(/ORLA|Salt Garden/);
    const checked = await EpubCheck.validate(new Uint8Array(await made.value.file.arrayBuffer()));
    expect(checked.messages.filter((m) => m.severity === 'error' || m.severity === 'fatal')).toEqual([]);
  });
});

describe('a head on each page, where one is shown', () => {
  it.each([2, 3] as const)('is told in styles in EPUB %i, seen nowhere else, and no checker minds', async (version) => {
    const picture = await fileOf(picturePixels(60, 80, 4), 'jpeg');
    const source = bookFile({ ...plainPlan(picture), version, property: version === 3 });
    const text = 'quillhouse.example \\ "<b>"';
    const made = await newEdition(blob(source), { runningLine: { text, at: 'head' }, modified: MODIFIED });
    if (!made.ok) throw new Error(made.fault.code);
    const files = await filesIn(made.value.file);
    const css = files['EPUB/running-line.css'];
    expect(css).toContain('@top-center { content: "quillhouse.example \\\\ \\"\\3c b>\\""');
    const page = files['EPUB/chapter.xhtml'];
    expect(page).toContain('href="running-line.css"');
    expect(page.includes('class="running-line"')).toBe(version === 2);
    if (version === 2) expect(css).toContain('display: none; display: oeb-page-head');
    expect(made.value.report.changes).toContainEqual({ what: 'running-line', before: '', after: `1 x ${text}` });
    const ids = async (file: Blob): Promise<string[]> =>
      (await EpubCheck.validate(new Uint8Array(await file.arrayBuffer()))).messages
        .filter(({ severity }) => severity === 'error' || severity === 'fatal' || severity === 'warning')
        .map(({ id }) => id);
    const before = await ids(blob(source));
    expect((await ids(made.value.file)).filter((id) => !before.includes(id))).toEqual([]);
    const again = await newEdition(made.value.file, {
      runningLine: { text: 'b.example', at: 'foot' },
      modified: MODIFIED,
    });
    expect(again.ok && Object.keys(await filesIn(again.value.file))).toContain('EPUB/running-line-2.css');
  });
});

const BOOKS = process.env.YOSOMI_BOOKS ?? resolve(import.meta.dirname, '..', 'build', 'books');
/** Those that a checker reads before and after: it takes long. */
const CHECKED = ['developers-reference.epub', 'debmake-doc.en.epub'];
const real = readdirSync(BOOKS).filter((name) => name.endsWith('.epub'));

describe('real books of others', () => {
  it('are there', () => expect(real.length).toBeGreaterThanOrEqual(6));

  it.each(real)(
    '%s: its own names are changed in every place, and nothing else',
    { timeout: 120_000 },
    async (name) => {
      const bytes = new Uint8Array(readFileSync(join(BOOKS, name)));
      const opened = await openEpub(blob(bytes));
      if (!opened.ok) throw new Error(opened.fault.code);
      const names = await oldNames(opened.value);
      const to = {
        title: 'Zuqolp',
        author: 'Mara Quill',
        publisher: 'Quill House',
        site: 'zuqolp.example',
        mail: 'a@zuqolp.example',
      };
      const changes = names.map(({ kind, from }) => ({ kind, from, to: to[kind] }));
      const found = await findNames(blob(bytes), changes);
      if (!found.ok) throw new Error(found.fault.code);
      expect(found.value.hits.length).toBeGreaterThan(0);
      const { file, report } = await rename(bytes, 'all', changes);
      const left = await findNames(file, changes);
      expect(left.ok && left.value.hits.map((hit) => hit.before)).toEqual([]);
      // The text of each page is that of before, with what was found changed: taken back, it is the old one.
      const [was, now] = [unzipSync(bytes), unzipSync(new Uint8Array(await file.arrayBuffer()))];
      const named = (files: Record<string, Uint8Array>): string[] =>
        Object.keys(files)
          .filter((path) => !path.endsWith('/'))
          .sort();
      expect(named(now)).toEqual(named(was));
      for (const path of named(was))
        if (!report.written.includes(path) && path !== 'mimetype' && path !== 'META-INF/container.xml')
          expect(Buffer.from(now[path]).equals(was[path])).toBe(true);
      if (!CHECKED.includes(name)) return;
      const [before, after] = [
        await EpubCheck.validate(bytes),
        await EpubCheck.validate(new Uint8Array(await file.arrayBuffer())),
      ];
      const ids = (r: typeof before): string[] =>
        r.messages
          .filter((m) => m.severity === 'error' || m.severity === 'fatal')
          .map((m) => m.id)
          .sort();
      expect(ids(after).filter((id) => !ids(before).includes(id))).toEqual([]);
    },
  );
});
