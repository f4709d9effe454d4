import { beforeAll, describe, expect, it } from 'vitest';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { coverPage } from '@yosomi/core/pdf';
import type { Part } from '@yosomi/core/cover';
import type { Book, Project } from '@yosomi/core/project';
import { pdfFile, settledCover } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { pictureProject } from './fixtures/books';
import { fileOf, picturePixels } from './fixtures/pictures';

let project: Project;
let studio: NodeStudio;
beforeAll(async () => {
  project = await pictureProject({ publisher: 'Fernhollow Press' });
  studio = new NodeStudio(project.files);
});
const MADE = '2026-11-25T10:00:00Z';

/** The file as a reader that the product does not use opens it. */
async function opened(bytes: Uint8Array) {
  const doc = await getDocument({ data: bytes.slice(), useSystemFonts: false, verbosity: 0 }).promise;
  const page = await doc.getPage(1);
  const links = (await page.getAnnotations()).filter((a) => a.subtype === 'Link');
  const info = (await doc.getMetadata()).info as unknown as Record<string, string>;
  const text = Buffer.from(bytes).toString('latin1');
  return { pages: doc.numPages, box: page.view, links, info, text };
}

describe('the cover as a page', () => {
  it('is one page of the cover’s own size at 300 ppi, named and signed', async () => {
    const made = await pdfFile(project.book, MADE, studio);
    if (!made.ok) throw new Error(made.fault.code);
    const { pages, box, links, info } = await opened(made.value.bytes);
    expect(pages).toBe(1);
    expect(box.slice(2).map((n) => Math.round(n * 10) / 10)).toEqual([384, 614.4]);
    expect(info.Title).toBe(project.book.brief.title);
    expect(info.Author).toBe('Oda Penhallow');
    expect(info.Creator).toBe('Fernhollow Press');
    expect(info.Language).toBe(project.book.brief.language);
    expect(links).toEqual([]);
    expect(made.value.findings.map((f) => f.code)).toEqual(['words-outlines']);
  });

  it('has the links of its parts where the parts are, and none of hidden ones', async () => {
    const parts: Record<string, Part> = { ...project.book.cover.parts };
    parts.byline = { ...parts.byline, link: 'https://lanterns.example/oda' };
    parts.title = { ...parts.title, link: 'https://hidden.example/', hidden: true };
    const book: Book = { ...project.book, cover: { ...project.book.cover, parts } };
    const made = await pdfFile(book, MADE, studio);
    if (!made.ok) throw new Error(made.fault.code);
    expect(made.value.findings).toContainEqual(expect.objectContaining({ code: 'links-live', data: { count: 1 } }));
    const { links } = await opened(made.value.bytes);
    expect(links.map((l) => l.url)).toEqual(['https://lanterns.example/oda']);
    const { settled } = await settledCover(book, studio, 400);
    const frame = settled.composition.frames.get('byline')!;
    const k = 72 / 300;
    const want = [frame.x * k, 614.4 - (frame.y + frame.height) * k, (frame.x + frame.width) * k, 614.4 - frame.y * k];
    links[0].rect.forEach((n: number, i: number) => expect(n).toBeCloseTo(want[i], 2));
  });

  it('puts the link of a turned part round all that is seen of it', async () => {
    const parts: Record<string, Part> = { ...project.book.cover.parts };
    parts.byline = { ...parts.byline, link: 'https://lanterns.example/', turnRad: Math.PI / 2 };
    const book: Book = { ...project.book, cover: { ...project.book.cover, parts } };
    const made = await pdfFile(book, MADE, studio);
    if (!made.ok) throw new Error(made.fault.code);
    const [x0, y0, x1, y1] = (await opened(made.value.bytes)).links[0].rect as number[];
    expect(y1 - y0).toBeGreaterThan(4 * (x1 - x0));
  });

  it('is the same for the same cover, and has no script in it', async () => {
    const [a, b] = [await pdfFile(project.book, MADE, studio), await pdfFile(project.book, MADE, studio)];
    expect(a.ok && b.ok && Buffer.from(a.value.bytes).equals(Buffer.from(b.value.bytes))).toBe(true);
    if (a.ok) expect((await opened(a.value.bytes)).text).not.toMatch(/\/JavaScript|\/JS\b|\/OpenAction|\/Launch/);
  });

  it('needs a title, and keeps signs that mean something in a PDF', async () => {
    const bare = { ...project.book, brief: { ...project.book.brief, title: ' ' } };
    expect(await pdfFile(bare, MADE, studio)).toMatchObject({ ok: false, fault: { code: 'title-missing' } });
    const jpeg = await fileOf(picturePixels(60, 90), 'jpeg');
    const page = {
      jpeg,
      widthPx: 60,
      heightPx: 90,
      ppi: 300,
      bleedPx: 0,
      outlines: [],
      title: 'A (very) \\ long — Œuvre',
      author: '',
      publisher: '',
      language: 'en',
      modified: MADE,
    };
    const url = 'https://lanterns.example/a(b)?c=\\d&e=ü';
    const { info, links } = await opened(
      await coverPage({ ...page, links: [{ url, frame: { x: 0, y: 0, width: 10, height: 10 } }] }),
    );
    expect(info.Title).toBe(page.title);
    expect(links).toHaveLength(1);
    expect(links[0].unsafeUrl).toBe('https://lanterns.example/a(b)?c=\\d&e=%C3%BC');
  });
});
