import { strToU8, zipSync } from 'fflate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Block, allBlocks, fromHtmlText, ownWords, picturesInHtml } from '@yosomi/core/booklet';
import { type TextTaken, takeText } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { docx as bytesOf, para, run } from './fixtures/docx';
import { fileOf, picturePixels } from './fixtures/pictures';

const studio = new NodeStudio(new Map());
const docx = (...input: Parameters<typeof bytesOf>): Blob => new Blob([bytesOf(...input)]);
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
    expect(picturesInHtml('<p><img src="a.png"><img src="b.png"><img src="a.png"></p>')).toEqual({
      ok: true,
      value: ['a.png', 'b.png'],
    });
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
