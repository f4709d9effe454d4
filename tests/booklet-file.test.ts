import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { noOrigin } from '@yosomi/core/book';
import {
  LOOK_IDS,
  type Manuscript,
  type SheetId,
  allBlocks,
  fromMarkdownText,
  newBooklet,
  ownWords,
} from '@yosomi/core/booklet';
import { type Book, type Project, hasPages } from '@yosomi/core/project';
import {
  type Delivered,
  bookletEpub,
  bookletKey,
  bookletPage,
  bookletPages,
  bookletPdf,
  deliverables,
  takePicture,
} from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { unzipSync } from 'fflate';
import { EpubCheck } from '@likecoin/epubcheck-ts';
import type { Sharp } from 'sharp';
import { demos } from './fixtures/demos';
import { fileOf, picturePixels } from './fixtures/pictures';
import { EPUBCHECK, JAVA } from './fixtures/java';

const MADE = '2026-11-29T10:00:00Z';
let dir: string;
let project: Project;
let studio: NodeStudio;
beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), 'booklet-'));
  project = demos().find(({ book }) => book.booklet !== null)!;
  studio = new NodeStudio(project.files);
});
afterAll(() => rmSync(dir, { recursive: true }));

const textOf = (source: string): Manuscript => {
  const text = fromMarkdownText(source);
  if (!text.ok) throw new Error(text.fault.code);
  return text.value.manuscript;
};
const withText = (manuscript: Manuscript, look = LOOK_IDS[0], sheet: SheetId = '6x9'): Book => ({
  ...project.book,
  booklet: { ...newBooklet(manuscript), look, sheet },
});
async function file(book: Book): Promise<Delivered> {
  const made = await bookletPdf(book, MADE, studio);
  if (!made.ok) throw new Error(made.fault.code);
  return made.value;
}
/** What a program that the product does not use prints of the file. */
function tool(name: string, bytes: Uint8Array, ...args: string[]): string {
  const path = join(dir, 'file.pdf');
  writeFileSync(path, bytes);
  const run = spawnSync(
    name,
    args.map((arg) => (arg === '@' ? path : arg)),
    { encoding: 'utf8', maxBuffer: 1e8 },
  );
  if (run.error) throw run.error;
  expect(run.status, `${name}: ${run.stdout}${run.stderr}`).toBe(0);
  return run.stdout;
}
const bare = (text: string): string => text.replace(/\s/g, '');
type Node = { role?: string; children?: Node[]; alt?: string };
const open = (bytes: Uint8Array) => getDocument({ data: bytes.slice(), useSystemFonts: false, verbosity: 0 }).promise;

describe('the booklet of the demo as a file', () => {
  let made: Delivered;
  beforeAll(async () => {
    made = await file(project.book);
  });

  it('is sound to a checker, tagged, titled, and in its language', () => {
    expect(tool('qpdf', made.bytes, '--check', '@')).toContain('No syntax or stream encoding errors');
    const info = tool('pdfinfo', made.bytes, '@');
    expect(info).toMatch(/Tagged:\s+yes/);
    expect(info).toMatch(/Title:\s+The Balcony Moss Garden/);
    expect(info).toMatch(/Author:\s+Ottoline Frew/);
    expect(Buffer.from(tool('qpdf', made.bytes, '--qdf', '--object-streams=disable', '@', '-')).toString()).toMatch(
      /\/Lang \(en\)/,
    );
  });

  it('has every font within it, as a subset, with what its letters mean', () => {
    const fonts = tool('pdffonts', made.bytes, '@').trim().split('\n').slice(2);
    expect(fonts.length).toBeGreaterThan(2);
    for (const font of fonts) expect(font).toMatch(/^[A-Z]{6}\+.*CID TrueType\s+Identity-H\s+yes yes yes/);
  });

  it('says its text word for word, as who reads it aloud finds it', () => {
    const said = [...tool('pdfinfo', made.bytes, '-struct-text', '@').matchAll(/^\s*"(.*)"$/gm)]
      .map(([, text]) => text)
      .join('');
    const words = allBlocks(project.book.booklet!.manuscript.blocks)
      .flatMap(ownWords)
      .map(bare)
      .filter((text) => text.length > 2);
    const found = bare(said.replaceAll('\u00ad', ''));
    let at = 0;
    for (const word of words) {
      const next = found.indexOf(word, at);
      expect(next, word.slice(0, 50)).toBeGreaterThanOrEqual(at);
      at = next + word.length;
    }
  });

  it('has the cover first, then pages of the sheet, labelled by their numbers', async () => {
    const doc = await open(made.bytes);
    const { pages } = await bookletPages(project.book as never, studio);
    expect(doc.numPages).toBe(pages.pages.length + 1);
    expect(await doc.getPageLabels()).toEqual(['Cover', ...pages.pages.map(({ number }) => String(number))]);
    const [cover, first] = [await doc.getPage(1), await doc.getPage(2)];
    expect(first.view).toEqual([0, 0, 612, 792]);
    expect(cover.view[2]).toBe(612);
    expect(cover.view[3] / 612).toBeCloseTo(project.book.cover.heightPx / project.book.cover.widthPx, 3);
    const tree = (await cover.getStructTree()) as Node;
    expect(JSON.stringify(tree)).toMatch(/"role":"Figure".*Balcony Moss Garden/s);
  });

  it('leads by bookmarks and by its contents to the pages of the chapters', async () => {
    const doc = await open(made.bytes);
    const outline = await doc.getOutline();
    const { pages } = await bookletPages(project.book as never, studio);
    const chapters = pages.outline.filter(({ level }) => level === 1);
    expect(outline.map(({ title }) => title)).toEqual(chapters.map(({ text }) => text));
    for (const [i, { dest }] of outline.entries()) {
      const index = await doc.getPageIndex((dest as [never])[0]);
      expect(index).toBe(chapters[i].page + 1);
    }
    const contents = await doc.getPage(2);
    const links = (await contents.getAnnotations()).filter(({ subtype }) => subtype === 'Link');
    const led = await Promise.all(links.map(({ dest }) => doc.getPageIndex(dest[0])));
    expect(led).toEqual(chapters.slice(1).map(({ page }) => page + 1));
    const last = await doc.getPage(doc.numPages);
    const urls = (await last.getAnnotations()).map(({ url }) => url as string);
    expect(new Set(urls)).toEqual(new Set(['https://fernhollow.example/moss', 'mailto:ottoline@fernhollow.example']));
  });

  it('names what each piece is: chapters, lists, tables, notes of pictures', async () => {
    const doc = await open(made.bytes);
    const roles = new Set<string>();
    const walk = (node: Node): void => {
      if (node.role) roles.add(node.role);
      node.children?.forEach(walk);
    };
    for (let i = 1; i <= doc.numPages; i++) walk((await (await doc.getPage(i)).getStructTree()) as Node);
    for (const role of [
      'H1',
      'H2',
      'P',
      'L',
      'LI',
      'LBody',
      'Table',
      'TR',
      'TH',
      'TD',
      'Figure',
      'Caption',
      'TOC',
      'TOCI',
      'Link',
    ])
      expect(roles, role).toContain(role);
  });

  it('is the same each time, and small', async () => {
    expect(Buffer.compare(made.bytes, (await file(project.book)).bytes)).toBe(0);
    expect(made.bytes.length).toBeLessThan(2_000_000);
  });

  it('shows what the screen shows', async () => {
    const path = join(dir, 'page');
    tool('pdftoppm', made.bytes, '-r', '72', '-f', '4', '-l', '4', '-png', '-singlefile', '@', path);
    const { pixelsOf } = await import('./fixtures/pictures');
    const { readFileSync } = await import('node:fs');
    const { ssim } = await import('@yosomi/core/pixels');
    const theirs = await pixelsOf(new Uint8Array(readFileSync(`${path}.png`)));
    const ours = hasPages(project.book) ? await bookletPage(project.book, 2, theirs.width, studio) : null;
    expect([ours!.width, ours!.height]).toEqual([theirs.width, theirs.height]);
    expect(ssim(ours!, theirs)).toBeGreaterThan(0.93);
  });
});

describe('letters in a file', () => {
  it.each([
    'fi ffi fl office waffle',
    'Ein Straßenbahnführerhäuschen',
    'Ελληνικά με τόνους',
    'Кириллица',
    'naïve façade, Ångström, čeština',
  ])('are read as they were typed: %s', async (words) => {
    const { bytes } = await file(withText(textOf(`${words}\n`), 'essay'));
    expect(bare(tool('pdftotext', bytes, '-f', '2', '@', '-'))).toContain(bare(words));
  });

  it('of words that are divided are read without the hyphen', async () => {
    const words =
      'Incomprehensibilities characteristically counterrevolutionise internationalisation misrepresentations disproportionately. ';
    const { bytes } = await file(withText(textOf(words.repeat(6)), 'essay', 'a5'));
    const said = tool('pdftotext', bytes, '-f', '2', '@', '-');
    expect(said).toContain('\u00ad\n');
    expect(said.replaceAll('\u00ad\n', '').replace(/\s+/g, ' ')).toContain(words.repeat(6).trim());
  });

  it('are read as each was typed, where one sign stands for several', async () => {
    const words = 'A fixed\u00a0space, a plain one, q\u0301 and q, and e\u0301.';
    const { bytes } = await file(
      withText(
        { blocks: [{ kind: 'paragraph', spans: [{ text: words, em: false, strong: false, link: null }] }] },
        'essay',
      ),
    );
    const said = tool('pdftotext', bytes, '-f', '2', '@', '-');
    // This reader parts words at any space, whichever it is.
    expect(said.normalize('NFC')).toContain(words.normalize('NFC').replaceAll('\u00a0', ' '));
  });

  it('are written for a face of one variable file too', async () => {
    const { bytes } = await file(withText(textOf('# Seven numbers\n\nWords.\n\n# Eight numbers\n\nWords.'), 'report'));
    expect(bare(tool('pdftotext', bytes, '-f', '2', '@', '-'))).toContain('Sevennumbers');
    expect(tool('pdffonts', bytes, '@')).toContain('archivo-600');
  });
});

describe('the booklet for readers', () => {
  const epub = async (book: Book): Promise<Delivered> => {
    const made = await bookletEpub(book, MADE, studio);
    if (!made.ok) throw new Error(made.fault.code);
    return made.value;
  };
  const messages = async (bytes: Uint8Array) => {
    const path = join(dir, 'booklet.epub');
    writeFileSync(path, bytes);
    const { messages: own } = await EpubCheck.validate(bytes);
    const run = spawnSync(JAVA, [...EPUBCHECK, '--failonwarnings', path], { encoding: 'utf8' });
    const java = run.stdout.includes('No errors or warnings detected') ? [] : [run.stdout + run.stderr];
    return { own, java };
  };

  it('has no message from either checker, with every kind of block', { timeout: 240_000 }, async () => {
    const { bytes, findings } = await epub(project.book);
    expect(findings.filter(({ severity }) => severity !== 'note')).toEqual([]);
    expect(await messages(bytes)).toEqual({ own: [], java: [] });
    const rich = [
      'Before all.',
      '# A & <B>',
      '> said "so"',
      '- [ ] a\n- [x] b\n  1. c\n     > d',
      '***',
      '|x|y|\n|-|-|\n|1|',
      '**[Go](https://a.example/?x=1&y=2)**',
      '### Small',
      'Line\\\nbroken ![none](no.png)',
    ].join('\n\n');
    const second = await epub(withText(textOf(rich)));
    expect(await messages(second.bytes)).toEqual({ own: [], java: [] });
    const plain = withText(textOf('Only words.'));
    for (const identifier of [
      'urn:uuid:d6563919-bfd8-412e-bae2-9eb688e692a2',
      'urn:uuid:d6563919-bfd8-412e-bae2-ffffffffffff',
    ]) {
      const { bytes } = await epub({ ...plain, identifier });
      expect((await EpubCheck.validate(bytes)).messages).toEqual([]);
      const opf = new TextDecoder().decode(unzipSync(bytes)['EPUB/package.opf']);
      expect(opf).toContain('urn:uuid:d6563919-bfd8-412e-bae2-');
      expect(opf).not.toContain(identifier);
    }
  });

  it('says every word once and in order, in chapters that its contents name', async () => {
    const files = unzipSync((await epub(project.book)).bytes);
    const read = (name: string): string => new TextDecoder().decode(files[`EPUB/${name}`]);
    const chapters = Object.keys(files).filter((name) => /chapter-\d+\.xhtml$/.test(name));
    const plain = (source: string): string =>
      source
        .replace(/<head>[\s\S]*<\/head>/, '')
        .replace(/<[^>]+>/g, ' ')
        .replaceAll('&amp;', '&')
        .replaceAll('&#39;', "'");
    const found = bare(chapters.map((_, i) => plain(read(`chapter-${i + 1}.xhtml`))).join(' '));
    let at = 0;
    for (const word of allBlocks(project.book.booklet!.manuscript.blocks).flatMap(ownWords).map(bare)) {
      const next = found.indexOf(word, at);
      expect(next, word.slice(0, 50)).toBeGreaterThanOrEqual(at);
      at = next + word.length;
    }
    const headings = project.book.booklet!.manuscript.blocks.flatMap((b) =>
      b.kind === 'heading' && b.level < 3 ? ownWords(b) : [],
    );
    const listed = [...read('nav.xhtml').matchAll(/<a href="chapter[^"]*">([^<]*)</g)].map(([, text]) => text);
    expect(listed).toEqual(headings);
    expect(Object.keys(files).filter((name) => name.endsWith('picture-1.jpg'))).toHaveLength(1);
    expect(read('package.opf')).toContain('structuralNavigation');
  });

  it('claims words for pictures only where every one has them', async () => {
    const opf = async (book: Book): Promise<string> =>
      new TextDecoder().decode(unzipSync((await epub(book)).bytes)['EPUB/package.opf']);
    expect(await opf(project.book)).toContain('alternativeText');
    const booklet = structuredClone(project.book.booklet!);
    for (const block of booklet.manuscript.blocks)
      if (block.kind === 'picture') Object.assign(block, { alt: '', caption: [] });
    expect(await opf({ ...project.book, booklet })).not.toContain('alternativeText');
  });
});

describe('credits that are due for pictures on pages', () => {
  it('stand on the last page and on the title page of the EPUB', async () => {
    const line = 'Picture: Ida Quill, CC BY 4.0';
    const assets = Object.fromEntries(
      Object.entries(project.book.assets).map(([id, asset]) => [
        id,
        { ...asset, rights: { ...asset.rights, credit: line } },
      ]),
    );
    const book = { ...project.book, cover: { ...project.book.cover, parts: {} }, assets };
    expect(tool('pdftotext', (await file(book)).bytes, '@', '-').replace(/\s+/g, ' ')).toContain(line);
    const made = await bookletEpub(book, MADE, studio);
    expect(made.ok && new TextDecoder().decode(unzipSync(made.value.bytes)['EPUB/title.xhtml'])).toContain(line);
    expect(bookletKey(book)).not.toBe(bookletKey({ ...book, assets: project.book.assets }));
  });

  it('and so does the line of the work that the text is made from', async () => {
    const book = {
      ...project.book,
      origins: [{ ...noOrigin, work: 'Stones', maker: 'A. Bell', licence: 'CC BY 4.0' }],
    };
    const line = 'Text: “Stones” by A. Bell. CC BY 4.0.';
    expect(tool('pdftotext', (await file(book)).bytes, '@', '-').replace(/\s+/g, ' ')).toContain(line);
    const made = await bookletEpub(book, MADE, studio);
    expect(made.ok && new TextDecoder().decode(unzipSync(made.value.bytes)['EPUB/title.xhtml'])).toContain(line);
    expect(bookletKey(book)).not.toBe(bookletKey(project.book));
  });
});

describe('pictures in files', () => {
  const within = (file: Uint8Array, part: Uint8Array): boolean => Buffer.from(file).includes(Buffer.from(part));

  it.each<readonly [string, number, (image: Sharp) => Sharp, boolean]>([
    ['plain', 900, (image) => image, true],
    ['sRGB by name', 900, (image) => image.withIccProfile('srgb'), true],
    ['of another profile', 900, (image) => image.withIccProfile('p3'), false],
    ['in four inks', 900, (image) => image.toColourspace('cmyk'), false],
    ['far too large', 3000, (image) => image, false],
    ['not a JPEG', 900, (image) => image, false],
  ])(
    'go along as they are where they are JPEGs in sRGB and not much larger than they are shown: %s',
    async (name, width, made, stays) => {
      const bytes = new Uint8Array(
        await fileOf(picturePixels(width, Math.round(width * 0.7), 3), name === 'not a JPEG' ? 'png' : 'jpeg', made),
      );
      const taken = await takePicture(bytes, name, studio);
      if (!taken.ok) throw new Error(taken.fault.code);
      const { asset, bytes: kept } = taken.value;
      const text = fromMarkdownText(`# One\n\nWords\n\n![A gate](gate)`, new Map([['gate', asset.id]]));
      if (!text.ok) throw new Error(text.fault.code);
      const book: Book = {
        ...project.book,
        assets: { ...project.book.assets, [asset.id]: asset },
        // Nothing of the cover is needed, and it would be painted anew for each.
        cover: { ...project.book.cover, parts: {} },
        booklet: { ...newBooklet(text.value.manuscript), cover: false },
      };
      const own = new NodeStudio(new Map([...project.files, [asset.id, kept]]));
      const pdf = await bookletPdf(book, MADE, own);
      if (!pdf.ok) throw new Error(pdf.fault.code);
      expect(within(pdf.value.bytes, kept)).toBe(stays);
      tool('qpdf', pdf.value.bytes, '--check', '@');
      // In three colours, whatever it came in.
      expect(tool('pdfimages', pdf.value.bytes, '-list', '@').match(/ rgb +3 +8 +jpeg /g)).not.toBeNull();
    },
  );
});

describe('a booklet that cannot be made', () => {
  it('says what is lacking', async () => {
    const code = async (book: Book, from = studio) => {
      const made = await bookletPdf(book, MADE, from);
      return made.ok ? null : made.fault.code;
    };
    expect(await code({ ...project.book, booklet: null })).toBe('booklet-empty');
    expect(await code(withText({ blocks: [] }))).toBe('booklet-empty');
    expect(await code({ ...project.book, brief: { ...project.book.brief, title: ' ' } })).toBe('title-missing');
    expect(await code(project.book, new NodeStudio(new Map()))).toBe('picture-missing');
  });
});

describe('the key of a booklet', () => {
  it('moves with its text, its look, its sheet, the cover and the title, and with nothing else', () => {
    const { book } = project;
    const base = bookletKey(book);
    const booklet = book.booklet!;
    for (const other of [
      { ...book, booklet: { ...booklet, look: 'essay' } },
      { ...book, booklet: { ...booklet, sheet: 'a5' as const } },
      { ...book, booklet: { ...booklet, cover: false } },
      { ...book, booklet: { ...booklet, manuscript: textOf('Other words') } },
      { ...book, brief: { ...book.brief, title: 'Another' } },
      { ...book, cover: { ...book.cover, widthPx: book.cover.widthPx + 1 } },
    ])
      expect(bookletKey(other)).not.toBe(base);
    expect(bookletKey({ ...book, updatedAt: '2026-12-01T00:00:00Z', promos: {} })).toBe(base);
    expect(deliverables(book).filter(({ kind }) => kind === 'booklet')).toMatchObject([
      { key: base, format: 'PDF' },
      { id: 'booklet-epub', format: 'EPUB 3.3' },
    ]);
    expect(deliverables({ ...book, booklet: null }).some(({ kind }) => kind === 'booklet')).toBe(false);
  });
});
