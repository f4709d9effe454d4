import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { PDFDict, PDFDocument, PDFHexString, PDFName, PDFRawStream, PDFString } from '@cantoo/pdf-lib';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { findPdfNames, oldPdfNames, pageReader, renamePdf, setPdfCover } from '@yosomi/core/pdf';
import type { NameChange } from '@yosomi/core/renaming';
import { fileOf, picturePixels } from './fixtures/pictures';

const BOOKS = process.env.YOSOMI_BOOKS ?? resolve(import.meta.dirname, '..', 'build', 'books');
const MADE = '2026-11-30T10:00:00Z';
let dir: string;
beforeAll(() => (dir = mkdtempSync(join(tmpdir(), 'pdf-names-'))));
afterAll(() => rmSync(dir, { recursive: true }));

const XMP = `<?xpacket begin="" id="W5M0MpCehiHzreSzNTczkc9d"?><x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:xmp="http://ns.adobe.com/xap/1.0/"><dc:title><rdf:Alt><rdf:li xml:lang="x-default">The Salt Garden</rdf:li><rdf:li xml:lang="de">Der Salzgarten</rdf:li></rdf:Alt></dc:title><dc:creator><rdf:Seq><rdf:li>Orla Finch</rdf:li><rdf:li>Ann Other</rdf:li></rdf:Seq></dc:creator><xmp:CreatorTool>Orla Finch Tools</xmp:CreatorTool></rdf:Description></rdf:RDF></x:xmpmeta><?xpacket end="w"?>`;

/** A file with old names in all that it says beside its pages. */
async function file(): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.setTitle('The Salt Garden');
  doc.setAuthor('Orla Finch');
  const { context, catalog } = doc;
  const sheet = doc.addPage([300, 400]);
  sheet.drawText('By Orla Finch', { x: 40, y: 300, size: 12 });
  const link = (uri: string) =>
    context.register(
      context.obj({ Type: 'Annot', Subtype: 'Link', Rect: [0, 0, 9, 9], A: { S: 'URI', URI: PDFString.of(uri) } }),
    );
  sheet.node.set(
    PDFName.of('Annots'),
    context.obj([
      link('https://oldpress.example/'),
      link('https://oldpress.example/free'),
      link('mailto:orla@oldpress.example'),
    ]),
  );
  const root = context.nextRef();
  const inner = context.register(context.obj({ Title: PDFHexString.fromText('Finch, Orla: a life'), Parent: root }));
  const first = context.register(
    context.obj({ Title: PDFString.of('About Orla Finch'), Parent: root, First: inner, Last: inner }),
  );
  // An outline that leads round to its own beginning ends all the same.
  context.lookup(inner, PDFDict).set(PDFName.of('Next'), first);
  context.assign(root, context.obj({ Type: 'Outlines', First: first, Last: first }));
  catalog.set(PDFName.of('Outlines'), root);
  const xmp = context.register(
    PDFRawStream.of(context.obj({ Type: 'Metadata', Subtype: 'XML' }), new TextEncoder().encode(XMP)),
  );
  catalog.set(PDFName.of('Metadata'), xmp);
  return doc.save();
}

const CHANGES: NameChange[] = [
  { kind: 'title', from: 'The Salt Garden', to: 'A Garden by the Sea' },
  { kind: 'author', from: 'Orla Finch', to: 'Mara Quill' },
  { kind: 'site', from: 'oldpress.example', to: 'newpress.example' },
  { kind: 'mail', from: 'orla@oldpress.example', to: 'mara@newpress.example' },
];

const xmpIn = async (bytes: Uint8Array): Promise<string> => {
  const doc = await PDFDocument.load(bytes);
  const stream = doc.catalog.lookup(PDFName.of('Metadata'));
  return stream instanceof PDFRawStream ? new TextDecoder().decode(stream.contents) : '';
};

describe('old names in a PDF', () => {
  it('are told by the file itself', async () => {
    expect(await oldPdfNames(await file())).toEqual({
      ok: true,
      value: [
        { kind: 'title', from: 'The Salt Garden' },
        { kind: 'author', from: 'Orla Finch' },
        { kind: 'site', from: 'oldpress.example' },
        { kind: 'mail', from: 'orla@oldpress.example' },
      ],
    });
  });

  it('are found in properties, metadata, outline and links, each with its page', async () => {
    const found = await findPdfNames(await file(), CHANGES);
    if (!found.ok) throw new Error(found.fault.code);
    expect(found.value.hits.map(({ path, before, sure }) => [path, before, sure])).toEqual([
      ['properties', 'The Salt Garden', true],
      ['properties', 'Orla Finch', true],
      ['metadata', 'The Salt Garden', true],
      ['metadata', 'Orla Finch', true],
      ['outline', 'About Orla Finch', true],
      ['outline', 'Finch, Orla: a life', false],
      ['page 1', 'https://oldpress.example/', true],
      ['page 1', 'https://oldpress.example/free', false],
      ['page 1', 'mailto:orla@oldpress.example', true],
    ]);
  });

  it('are changed where they are sure, as another reader has it; pages stay', async () => {
    const source = await file();
    const made = await renamePdf(source, { changes: CHANGES, accepted: 'sure' }, MADE);
    if (!made.ok) throw new Error(made.fault.code);
    expect(made.value.report.names.filter((one) => one.changed)).toHaveLength(7);
    const read = await getDocument({ data: made.value.bytes.slice(), verbosity: 0 }).promise;
    const info = (await read.getMetadata()).info as unknown as Record<string, string>;
    expect([info.Title, info.Author]).toEqual(['A Garden by the Sea', 'Mara Quill']);
    expect((await read.getOutline()).map((one) => one.title)).toEqual(['About Mara Quill']);
    const links = await (await read.getPage(1)).getAnnotations();
    expect(links.map((one) => one.url)).toEqual([
      'https://newpress.example/',
      'https://oldpress.example/free',
      'mailto:mara@newpress.example',
    ]);
    const xmp = await xmpIn(made.value.bytes);
    expect(xmp).toContain('A Garden by the Sea');
    expect(xmp).toContain('<rdf:li>Mara Quill</rdf:li>');
    expect(xmp).toContain('Orla Finch Tools');
    writeFileSync(join(dir, 'a.pdf'), made.value.bytes);
    expect(spawnSync('pdftotext', [join(dir, 'a.pdf'), '-'], { encoding: 'utf8' }).stdout).toContain('By Orla Finch');
    expect(spawnSync('qpdf', ['--check', join(dir, 'a.pdf')], { encoding: 'utf8' }).stdout).toContain('No syntax');
  });

  it('do not stay in the metadata when a cover is put in with other words', async () => {
    const jpeg = await fileOf(picturePixels(60, 80, 3), 'jpeg');
    const cover = {
      jpeg,
      widthPx: 60,
      heightPx: 80,
      ground: [9, 9, 9] as const,
      place: 'insert' as const,
      modified: MADE,
    };
    const made = await setPdfCover(await file(), {
      ...cover,
      title: 'A Garden by the Sea',
      author: 'Mara Quill & Co.',
    });
    if (!made.ok) throw new Error(made.fault.code);
    const xmp = await xmpIn(made.value.bytes);
    expect(xmp).toContain('<rdf:li xml:lang="x-default">A Garden by the Sea</rdf:li></rdf:Alt>');
    expect(xmp).toContain('<rdf:Seq><rdf:li>Mara Quill &amp; Co.</rdf:li></rdf:Seq>');
  });

  it.each(['<!DOCTYPE x [<!ENTITY a "b">]><x/>', '<x', `${'<a>'.repeat(30_000)}`])(
    'in metadata that cannot be trusted are left alone: %#',
    async (bad) => {
      const doc = await PDFDocument.load(await file());
      const ref = doc.context.register(
        PDFRawStream.of(doc.context.obj({ Type: 'Metadata' }), new TextEncoder().encode(bad)),
      );
      doc.catalog.set(PDFName.of('Metadata'), ref);
      const made = await renamePdf(await doc.save(), { changes: CHANGES, accepted: 'all' }, MADE);
      expect(made.ok && (await xmpIn(made.value.bytes))).toBe(bad);
    },
  );
});

describe('old names on the pages of a PDF', () => {
  it('are told with their pages, however their letters are coded', async () => {
    const found = await findPdfNames(await file(), CHANGES);
    expect(found.ok && found.value.notes).toEqual([
      { code: 'pdf-names-stand', severity: 'should', part: null, data: { name: 'Orla Finch', count: 1, pages: '1' } },
    ]);
  });

  // The manuals of live systems have hardly a word on a page.
  it.each(readdirSync(BOOKS).filter((name) => name.endsWith('.pdf') && !name.startsWith('live-manual')))(
    '%s: words are found on the pages on which another reader finds them',
    { timeout: 120_000 },
    async (name) => {
      const path = join(BOOKS, name);
      const source = new Uint8Array(readFileSync(path));
      const text = spawnSync('pdftotext', [path, '-'], { encoding: 'utf8', maxBuffer: 1e8 }).stdout;
      const pages = text.split('\f').map((page) => page.replace(/\s+/g, ' '));
      const doc = await PDFDocument.load(source);
      const read = pageReader(doc);
      const own = doc.getPages().map((page) => read(page).replace(/\s+/g, ' '));
      // Words of a page that stand together in a line: those that one finds, the other finds.
      const words = ['package', 'system', 'file', 'directory', 'Debian', 'パッケージ'];
      const seen = { both: 0, either: 0 };
      for (const word of words)
        pages.slice(0, own.length).forEach((page, i) => {
          const [a, b] = [page.includes(word), own[i].includes(word)];
          if (a || b) seen.either++;
          if (a && b) seen.both++;
        });
      expect(seen.either).toBeGreaterThan(20);
      expect(seen.both / seen.either).toBeGreaterThan(0.97);
    },
  );
});

describe('real PDFs of others', () => {
  it.each(readdirSync(BOOKS).filter((name) => name.endsWith('.pdf')))(
    '%s: none of its names is left in what it says, and its pages are the same',
    { timeout: 60_000 },
    async (name) => {
      const source = new Uint8Array(readFileSync(join(BOOKS, name)));
      const names = await oldPdfNames(source);
      if (!names.ok) throw new Error(names.fault.code);
      const to = {
        title: 'Zuqolp',
        author: 'Mara Quill',
        publisher: 'Quill House',
        site: 'zuqolp.example',
        mail: 'a@zuqolp.example',
      };
      const changes = [...names.value, { kind: 'site' as const, from: 'debian.org' }].map((one) => ({
        ...one,
        to: to[one.kind],
      }));
      const unique = changes.filter((one, i) => changes.findIndex(({ from }) => from === one.from) === i);
      const made = await renamePdf(source, { changes: unique, accepted: 'all' }, MADE);
      if (!made.ok) throw new Error(made.fault.code);
      expect(made.value.report.names.length).toBeGreaterThan(0);
      const left = await findPdfNames(made.value.bytes, unique);
      expect(left.ok && left.value.hits.map((hit) => hit.before)).toEqual([]);
      const text = (bytes: Uint8Array): string => {
        writeFileSync(join(dir, 't.pdf'), bytes);
        return spawnSync('pdftotext', [join(dir, 't.pdf'), '-'], { encoding: 'utf8', maxBuffer: 1e8 }).stdout;
      };
      expect(text(made.value.bytes)).toBe(text(source));
    },
  );
});
