import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Block, allBlocks, fromHtmlText, ownWords, picturesInDraft, readHtml } from '@yosomi/core/booklet';
import {
  type Beside,
  type Studio,
  type TextRead,
  type TextTaken,
  bookletEpub,
  readTextFile,
} from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { demos } from './fixtures/demos';
import { type BookPlan, bookFile, plainPlan } from './fixtures/epubs';
import { docx as bytesOf, para, run } from './fixtures/docx';
import { fileOf, picturePixels } from './fixtures/pictures';

const BOOKS = process.env.YOSOMI_BOOKS ?? join(import.meta.dirname, '..', 'build', 'books');
const studio = new NodeStudio(new Map());
const docx = (...input: Parameters<typeof bytesOf>): Blob => new Blob([bytesOf(...input)]);
/** All of the text of a file. */
async function takeText(file: Blob, name: string, by: Studio) {
  const read = await readTextFile(file, name);
  return read.ok ? read.value.take(by) : read;
}
async function taken(file: Blob, name: string): Promise<TextTaken> {
  const read = await takeText(file, name, studio);
  if (!read.ok) throw new Error(read.fault.code);
  return read.value;
}
const kinds = (blocks: readonly Block[]): string[] => blocks.map(({ kind }) => kind);
const code = async (file: Blob, name: string): Promise<string | null> => {
  const read = await takeText(file, name, studio);
  return read.ok ? null : read.fault.code;
};

describe('a document of a word processor', () => {
  it('comes in with its headings, emphasis, tables and quotations', async () => {
    const cell = (text: string): string => `<w:tc>${para(run(text))}</w:tc>`;
    const body = [
      para(run('The book'), 'Title'),
      para(run('One'), 'Heading1'),
      para(run('Plain ') + run('leaning', '<w:i/>') + run(' and ') + run('heavy', '<w:b/>')),
      para(run('Part'), 'Heading2'),
      para(run('Said'), 'Quote'),
      `<w:tbl><w:tr>${cell('a')}${cell('b')}</w:tr><w:tr>${cell('1')}${cell('2')}</w:tr></w:tbl>`,
    ].join('');
    const { manuscript, dropped } = await taken(docx(body), 'guide.docx');
    expect(kinds(manuscript.blocks)).toEqual(['heading', 'heading', 'paragraph', 'heading', 'quote', 'table']);
    const [, , words] = manuscript.blocks;
    expect(words.kind === 'paragraph' && words.spans.map(({ text, em, strong }) => [text, em, strong])).toEqual([
      ['Plain ', false, false],
      ['leaning', true, false],
      [' and ', false, false],
      ['heavy', false, true],
    ]);
    expect(dropped).toEqual([]);
  });

  it('has its changes taken: what was put in is there, what was struck is not', async () => {
    const body = para(
      `${run('kept ')}<w:ins w:id="1" w:author="x">${run('new')}</w:ins><w:del w:id="2" w:author="x"><w:r><w:delText>old</w:delText></w:r></w:del>`,
    );
    const { manuscript } = await taken(docx(body), 'changed.docx');
    expect(manuscript.blocks.flatMap(ownWords)).toEqual(['kept new']);
  });

  it('brings its pictures', async () => {
    const png = await fileOf(picturePixels(60, 40, 2), 'png');
    const drawing =
      '<w:r><w:drawing><wp:inline xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing"><wp:docPr id="1" name="p" descr="A gate in the rain"/><a:graphic xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main"><a:graphicData><pic:pic xmlns:pic="http://schemas.openxmlformats.org/drawingml/2006/picture"><pic:blipFill><a:blip r:embed="p1"/></pic:blipFill></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing></w:r>';
    const relation =
      '<Relationship Id="p1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/image" Target="media/image1.png"/>';
    const { manuscript, pictures } = await taken(
      docx(para(run('See')) + para(drawing), { 'word/media/image1.png': png }, relation),
      'p.docx',
    );
    expect(pictures.map(({ asset }) => [asset.widthPx, asset.heightPx])).toEqual([[60, 40]]);
    expect(manuscript.blocks[1]).toMatchObject({
      kind: 'picture',
      asset: pictures[0].asset.id,
      alt: 'A gate in the rain',
    });
  });

  it('runs no macro, opens no embedded file, and reads no file outside itself', async () => {
    const outside =
      '<Relationship Id="p1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/image" Target="file:///etc/hostname" TargetMode="External"/>';
    const body =
      para(run('Words')) +
      para(
        '<w:r><w:pict xmlns:v="urn:schemas-microsoft-com:vml"><v:shape><v:imagedata r:id="p1"/></v:shape></w:pict></w:r>',
      );
    const read = await takeText(
      docx(body, { 'word/vbaProject.bin': new Uint8Array(5000), 'word/embeddings/x.bin': new Uint8Array(9) }, outside),
      'm.docx',
      studio,
    );
    if (read.ok) expect(read.value.pictures).toEqual([]);
    else expect(read.fault.code).toBe('text-format');
  });

  it('is refused where it is none, is damaged, or unpacks to too much', async () => {
    expect(await code(new Blob(['no zip']), 'x.docx')).toBe('zip-not');
    expect(await code(new Blob([zipSync({ 'a.txt': strToU8('x') }) as Uint8Array<ArrayBuffer>]), 'x.docx')).toBe(
      'text-format',
    );
    expect(await code(docx('<w:p><w:r>'), 'x.docx')).toBe('text-format');
    const bomb = { 'word/media/large.bin': new Uint8Array(45 * 1024 * 1024) };
    expect(await code(docx(para(run('x')), bomb), 'x.docx')).toBe('zip-large');
  });
});

describe('an ebook', () => {
  const inBlocks = (blocks: readonly Block[]): string => blocks.flatMap(ownWords).join(' ').replace(/\s+/g, ' ').trim();

  it('of ours comes back as the text that it was made from, with its pictures', async () => {
    const project = demos().find(({ book }) => book.booklet !== null)!;
    const made = await bookletEpub(project.book, '2026-11-30T10:00:00Z', new NodeStudio(project.files));
    if (!made.ok) throw new Error(made.fault.code);
    const { manuscript, pictures, dropped } = await taken(new Blob([made.value.bytes]), 'seven.epub');
    const own = project.book.booklet!.manuscript;
    expect(pictures).toHaveLength(1);
    // A picture is coded anew on its way out: it has another name.
    const asset = pictures[0].asset.id;
    const same = (blocks: readonly Block[]): Block[] =>
      blocks.map((block) => (block.kind === 'picture' ? { ...block, asset } : block));
    expect(manuscript.blocks).toEqual(same(own.blocks));
    // Cover, title page and contents are made anew.
    expect(dropped.find(({ kind }) => kind === 'page')!.count).toBeGreaterThanOrEqual(2);
  });

  it('of others comes in with every word of its pages', async () => {
    let tried = 0;
    for (const name of readdirSync(BOOKS).filter((one) => one.endsWith('.epub'))) {
      const file = new Blob([readFileSync(join(BOOKS, name))]);
      const read = await takeText(file, name, studio);
      if (!read.ok) {
        expect(['text-long', 'text-format'], name).toContain(read.fault.code);
        continue;
      }
      tried++;
      // Words of all its pages by another way: the tags taken out.
      const files = unzipSync(new Uint8Array(await file.arrayBuffer()));
      const pages = Object.keys(files).filter(
        (path) => /x?html?$/.test(path) && !/(nav|toc|cover|title)[^/]*$/i.test(path),
      );
      const theirs = pages
        .map((path) =>
          strFromU8(files[path])
            .replace(/^[\s\S]*?<body[^>]*>/, '')
            .replace(/<(style|script)[\s\S]*?<\/\1>|<!--[\s\S]*?-->/g, ' ')
            .replace(/<[^>]+>/g, ' '),
        )
        .join(' ');
      const words = (text: string): string[] => text.match(/\p{L}{4,}/gu) ?? [];
      const ours = new Set(words(inBlocks(allBlocks(read.value.manuscript.blocks))));
      const lost = new Set(words(theirs.replace(/&\w+;/g, ' ')).filter((word) => !ours.has(word)));
      expect(lost.size / new Set(words(theirs)).size, `${name}: ${[...lost].slice(0, 20).join(' ')}`).toBeLessThan(
        0.02,
      );
    }
    expect(tried).toBeGreaterThanOrEqual(3);
  });

  it('that is locked, none, or without a page is refused', async () => {
    const book = async (more: Partial<BookPlan>): Promise<Blob> =>
      new Blob([bookFile({ ...plainPlan(await fileOf(picturePixels(40, 60), 'jpeg')), ...more })]);
    expect(await code(await book({ encryption: 'locked' }), 'x.epub')).toBe('epub-drm');
    expect(await code(new Blob(['no zip']), 'x.epub')).toBe('epub-not');
    expect(await code(await book({}), 'x.epub')).toBeNull();
  });

  it('keeps a picture that fills a page of its own; only the first, before all text, is the cover', async () => {
    const files = unzipSync(bookFile(plainPlan(await fileOf(picturePixels(40, 60), 'jpeg'))));
    const opf = Object.keys(files).find((one) => one.endsWith('.opf'))!;
    const folder = opf.slice(0, opf.lastIndexOf('/') + 1);
    const plate = '<img src="images/front.jpg" alt="A plate"/>';
    files[`${folder}plate.xhtml`] = strToU8(
      `<html xmlns="http://www.w3.org/1999/xhtml"><head><title>x</title></head><body><div>${plate}</div></body></html>`,
    );
    files[opf] = strToU8(
      strFromU8(files[opf])
        .replace('</manifest>', '<item id="plate" href="plate.xhtml" media-type="application/xhtml+xml"/></manifest>')
        .replace('</spine>', '<itemref idref="plate"/></spine>'),
    );
    const { manuscript, dropped } = await taken(new Blob([zipSync(files) as Uint8Array<ArrayBuffer>]), 'x.epub');
    expect(manuscript.blocks.at(-1)).toMatchObject({ kind: 'picture', alt: 'A plate' });
    expect(dropped.find(({ kind }) => kind === 'page')).toBeDefined();
  });

  it('keeps elements apart that XHTML ends at once, and shows a picture that a drawing holds', async () => {
    const files = unzipSync(bookFile(plainPlan(await fileOf(picturePixels(40, 60), 'jpeg'))));
    const path = Object.keys(files).find((one) => one.endsWith('chapter.xhtml'))!;
    files[path] = strToU8(
      '<html xmlns="http://www.w3.org/1999/xhtml"><head><title>x</title></head><body><h1><a id="a"/>One</h1><p>Plain <i/>words that go on and on for longer than a cover page has.</p>' +
        '<div><svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4 6"><image xmlns:xlink="http://www.w3.org/1999/xlink" xlink:href="images/front.jpg" width="4" height="6"/></svg></div><p>End <script>alert(1)</script></p></body></html>',
    );
    const { manuscript } = await taken(new Blob([zipSync(files) as Uint8Array<ArrayBuffer>]), 'x.epub');
    const chapter = manuscript.blocks.slice(manuscript.blocks.findIndex(({ kind }) => kind === 'heading'));
    expect(kinds(chapter).slice(0, 4)).toEqual(['heading', 'paragraph', 'picture', 'paragraph']);
    expect(chapter[1].kind === 'paragraph' && chapter[1].spans.every(({ em }) => !em)).toBe(true);
    expect(JSON.stringify(manuscript)).not.toContain('alert');
  });
});

describe('a page of the web', () => {
  it('comes in as what it says; what runs, is filled in or looks is left out', () => {
    const read = fromHtmlText(`<!doctype html><html><head><title>T</title><style>p{}</style></head><body>
      <script>alert(1)</script><h1 onclick="alert(2)">One</h1><p>Words <em>there</em> <a href="javascript:x()">bad</a>
      <a href="https://a.example">good</a></p><ul><li>a</li><li>b</li></ul><blockquote><p>Said</p></blockquote>
      <table><tr><th>x</th><th>y</th></tr><tr><td>1</td><td>2</td></tr></table><form><input value="q"></form>
      <img src="g.png" alt="Gate"></body></html>`);
    if (!read.ok) throw new Error(read.fault.code);
    const { manuscript, dropped } = read.value;
    expect(kinds(manuscript.blocks)).toEqual(['heading', 'paragraph', 'list', 'quote', 'table', 'paragraph']);
    expect(dropped.map(({ kind, count }) => [kind, count])).toEqual([
      ['html', 2],
      ['picture', 1],
    ]);
    expect(JSON.stringify(manuscript)).not.toMatch(/alert|javascript/);
    const draft = readHtml('<p><img src="a.png"><img src="b.png"><img src="a.png"></p>');
    expect(draft.ok && picturesInDraft(draft.value, null)).toEqual(['a.png', 'b.png']);
  });

  it('has boxes to tick, tips, buttons and lines below pictures, where it has them in its own way', () => {
    const read = fromHtmlText(
      `<ul><li>☐ <b>One</b> thing</li><li><p>☑ Two</p></li><li>✓Three</li></ul>
       <aside><p><b>Mind.</b> The gap</p></aside><aside><p>Merely beside it</p></aside>
       <p class="btn-large"><a href="https://a.example">Get it</a></p><p><a href="https://b.example">No button</a></p>
       <figure><img src="g.png" alt="A gate"><figcaption>The <i>old</i> gate</figcaption></figure>`,
      new Map([['g.png', 'abcdef1']]),
    );
    if (!read.ok) throw new Error(read.fault.code);
    const [list, tip, beside, button, link, picture, ...more] = read.value.manuscript.blocks;
    expect(
      list.kind === 'list' && list.items.map(({ checked, blocks }) => [checked, blocks.flatMap(ownWords)]),
    ).toEqual([
      [false, ['One thing']],
      [true, ['Two']],
      [true, ['Three']],
    ]);
    expect([tip.kind, beside.kind, button.kind, link.kind]).toEqual(['tip', 'paragraph', 'button', 'paragraph']);
    expect(button).toMatchObject({ label: 'Get it', url: 'https://a.example' });
    expect(picture).toMatchObject({ asset: 'abcdef1', alt: 'A gate', caption: [{ text: 'The old gate' }] });
    expect(more).toEqual([]);
  });

  it('keeps the line below a picture that is not there', () => {
    const read = fromHtmlText(
      '<p>Words</p><figure><img src="lost.png"><figcaption>The gate in May</figcaption></figure>',
    );
    expect(read.ok && read.value.manuscript.blocks.flatMap(ownWords)).toEqual(['Words', 'The gate in May']);
  });

  it('of any kind is read or refused, never thrown at', () => {
    expect(fromHtmlText('<div>'.repeat(60_000)).ok).toBe(false);
    fc.assert(
      fc.property(
        fc.array(
          fc.constantFrom(
            '<p>',
            '</p>',
            '<ul>',
            '<li>',
            '<table>',
            '<td>',
            'words ',
            '<b>',
            '</b>',
            '<h2>',
            '<br>',
            '&amp;',
            '<!--',
            '-->',
            '<a href="https://x.example">',
            '</a>',
          ),
          { maxLength: 40 },
        ),
        (pieces) => {
          const read = fromHtmlText(pieces.join(''));
          if (read.ok) expect(allBlocks(read.value.manuscript.blocks).length).toBeGreaterThan(0);
          else expect(['text-empty', 'text-format']).toContain(read.fault.code);
        },
      ),
    );
  });
});

describe('names of pictures', () => {
  it('that are no address are passed over', async () => {
    expect((await taken(new Blob(['![a](50%.png) words']), 'a.md')).dropped.map(({ kind }) => kind)).toEqual([
      'picture',
    ]);
    expect(
      (await taken(new Blob(['<p>x</p><img src="%E0%A4%A.png">']), 'a.html')).dropped.map(({ kind }) => kind),
    ).toEqual(['picture']);
    expect(await code(new Blob(['<div>'.repeat(60_000)]), 'a.html')).toBe('text-format');
  });
});

describe('chapters', () => {
  const readOf = async (file: Blob, name: string, beside?: Beside): Promise<TextRead> => {
    const read = await readTextFile(file, name, beside);
    if (!read.ok) throw new Error(read.fault.code);
    return read.value;
  };
  const wordsOf = ({ manuscript }: TextTaken): string[] => allBlocks(manuscript.blocks).flatMap(ownWords);
  const some = async (read: TextRead, ...at: number[]): Promise<TextTaken> => {
    const taken = await read.take(studio, new Set(at));
    if (!taken.ok) throw new Error(taken.fault.code);
    return taken.value;
  };

  it('are told before a picture is opened, and taken alone: words, pictures and notes of the others stay behind', async () => {
    const opened: string[] = [];
    const png = await fileOf(picturePixels(60, 40, 2), 'png');
    const text = [
      '# The guide\n\nA word before.',
      '## One\n\nFirst[^a] words.\n\n![One](one.png)',
      '## Two\n\nSecond[^b] words.\n\n![Two](two.png) ![Lost](lost.png)',
      '[^a]: About the first.\n[^b]: About the second.',
    ].join('\n\n');
    const read = await readOf(new Blob([text]), 'guide.md', (name) => {
      opened.push(name);
      return Promise.resolve({ ok: true, value: name === 'lost.png' ? null : new Uint8Array(png) });
    });
    expect(read.isBook).toBe(false);
    expect(read.chapters.map(({ title, words, pictures }) => [title, words, pictures])).toEqual([
      ['The guide', 5, 0],
      ['One', 3, 1],
      ['Two', 3, 2],
    ]);
    expect(opened).toEqual([]);
    const two = await some(read, 2);
    expect(opened).toEqual(['two.png', 'lost.png']);
    expect(wordsOf(two)).toEqual(['Two', 'Second¹ words.', 'Lost', '', 'About the second.']);
    expect(two.pictures).toHaveLength(1);
    expect(two.dropped.map(({ kind, count }) => [kind, count])).toEqual([['picture', 1]]);
    const whole = await read.take(studio);
    expect(whole.ok && wordsOf(whole.value).filter((words) => words.startsWith('About'))).toHaveLength(2);
  });

  it('begin at the highest heading of which there are several; one right below another belongs to it', async () => {
    const titles = async (text: string): Promise<string[]> =>
      (await readOf(new Blob([text]), 'x.md')).chapters.map(({ title }) => title);
    expect(await titles('# A\n\n## B\n\nx\n\n# C\n\ny')).toEqual(['A', 'C']);
    expect(await titles('# Name\n\n## By her\n\n## B\n\nx\n\n## C\n\ny')).toEqual(['Name', 'C']);
    expect(await titles('Before\n\n### A\n\nx\n\n### B\n\ny')).toEqual(['', 'A', 'B']);
    expect(await titles('No heading\n\nat all')).toEqual(['']);
  });

  it('together are the whole, each piece once and in order', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.constantFrom('# A', '## B', '### C', 'words', '- one\n- two', '> said', '---'), {
          minLength: 1,
          maxLength: 14,
        }),
        async (pieces) => {
          const read = await readTextFile(new Blob([pieces.join('\n\n')]), 'x.md');
          if (!read.ok) return;
          const whole = await read.value.take(studio);
          if (!whole.ok) throw new Error(whole.fault.code);
          const parts: Block[] = [];
          for (const at of read.value.chapters.keys()) {
            const part = await read.value.take(studio, new Set([at]));
            if (part.ok) parts.push(...part.value.manuscript.blocks);
          }
          expect(parts).toEqual(whole.value.manuscript.blocks);
          expect(allBlocks(parts).length).toBe(read.value.chapters.reduce((sum, one) => sum + one.pieces, 0));
        },
      ),
    );
  });

  it('of a book too long for one booklet: all are refused before a picture is opened, some are taken', async () => {
    const file = new Blob([new Uint8Array(readFileSync(join(BOOKS, 'ubuntu-packaging-guide.epub')))]);
    const read = await readOf(file, 'guide.epub');
    expect([read.isBook, read.chapters.length > 5]).toEqual([true, true]);
    const blind = new Proxy({} as NodeStudio, {
      get: () => {
        throw new Error('a picture was opened');
      },
    });
    const all = await read.take(blind);
    expect(!all.ok && all.fault.code).toBe('text-long');
    const pictured = read.chapters.findIndex(({ pictures, pieces }) => pictures > 0 && pieces < 3000);
    let told = 0;
    const taken = await read.take(studio, new Set([pictured]), (_, of) => (told = of));
    expect(taken.ok && taken.value.pictures.length).toBeGreaterThan(0);
    expect(told).toBeGreaterThan(0);
  });
});

describe('files by their endings', () => {
  it('are read as what they are', async () => {
    const text = (words: string): Blob => new Blob([words]);
    expect((await taken(text('# One'), 'a.md')).manuscript.blocks[0].kind).toBe('heading');
    expect((await taken(text('# One'), 'a.txt')).manuscript.blocks[0].kind).toBe('paragraph');
    expect((await taken(text('<h1>One</h1>'), 'a.HTML')).manuscript.blocks[0].kind).toBe('heading');
    expect(await code(text('a\u0000b'), 'a.md')).toBe('text-format');
    expect(await code(text(' '), 'a.txt')).toBe('text-empty');
    expect(await code(text('x'.repeat(8_000_001)), 'a.txt')).toBe('text-long');
  });
});
