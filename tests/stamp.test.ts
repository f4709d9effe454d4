import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import {
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFName,
  PDFRawStream,
  PDFString,
  StandardFonts,
  degrees,
  rgb,
} from '@cantoo/pdf-lib';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { seeded } from '@yosomi/core/base';
import type { Stamp, StampReport } from '@yosomi/core/pdf';
import { stampFile } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { fileOf, picturePixels } from './fixtures/pictures';

const BOOKS = process.env.YOSOMI_BOOKS ?? resolve(import.meta.dirname, '..', 'build', 'books');
const studio = new NodeStudio(new Map());
let dir: string;
beforeAll(() => (dir = mkdtempSync(join(tmpdir(), 'stamp-'))));
afterAll(() => rmSync(dir, { recursive: true }));

const wish = (more: Partial<Stamp> = {}): Omit<Stamp, 'cut'> => ({
  head: { text: 'quillhouse.example', at: 'outer' },
  foot: { text: 'Mara Quill · {page} of {pages}', at: 'centre' },
  even: null,
  pages: null,
  size: 8.5,
  modified: '2026-11-30T10:00:00Z',
  ...more,
});

async function stamped(
  source: Uint8Array,
  more: Partial<Stamp> = {},
): Promise<{ bytes: Uint8Array; report: StampReport }> {
  const made = await stampFile(source, wish(more), studio);
  if (!made.ok) throw new Error(`${made.fault.code} ${JSON.stringify(made.fault.data)}`);
  return made.value;
}

const PPI = 72;
/** Pages of a file as another program paints them, in grey. */
async function painted(
  bytes: Uint8Array,
  pages: readonly number[],
): Promise<{ data: Buffer; width: number; height: number }[]> {
  const file = join(dir, `p-${Math.random()}.pdf`);
  writeFileSync(file, bytes);
  return Promise.all(
    pages.map(async (page) => {
      const png = execFileSync('pdftoppm', ['-r', String(PPI), '-f', String(page), '-l', String(page), '-png', file], {
        maxBuffer: 1e8,
        stdio: ['ignore', 'pipe', 'ignore'],
      });
      const { data, info } = await sharp(png).greyscale().raw().toBuffer({ resolveWithObject: true });
      return { data, width: info.width, height: info.height };
    }),
  );
}

/** Pixels that differ, and how many of them, or of those next to them, were not the page's bare ground. */
async function differences(
  before: Uint8Array,
  after: Uint8Array,
  pages: readonly number[],
): Promise<{ changed: number; over: number }[]> {
  const [was, is] = [await painted(before, pages), await painted(after, pages)];
  return was.map((a, i) => {
    const b = is[i];
    expect([b.width, b.height]).toEqual([a.width, a.height]);
    let [changed, over] = [0, 0];
    for (let y = 0; y < a.height; y++)
      for (let x = 0; x < a.width; x++) {
        const at = y * a.width + x;
        if (Math.abs(a.data[at] - b.data[at]) < 12) continue;
        changed++;
        const ground = a.data[at];
        for (let dy = -2; dy <= 2; dy++)
          for (let dx = -2; dx <= 2; dx++) {
            const [u, v] = [x + dx, y + dy];
            if (u < 0 || v < 0 || u >= a.width || v >= a.height) continue;
            if (Math.abs(a.data[v * a.width + u] - ground) > 8) over++;
          }
      }
    return { changed, over };
  });
}

const textOf = (bytes: Uint8Array, page: number): string => {
  const file = join(dir, 't.pdf');
  writeFileSync(file, bytes);
  return spawnSync('pdftotext', ['-f', String(page), '-l', String(page), '-layout', file, '-'], { encoding: 'utf8' })
    .stdout;
};
const checks = (bytes: Uint8Array): string => {
  const file = join(dir, 'c.pdf');
  writeFileSync(file, bytes);
  return spawnSync('qpdf', ['--check', file], { encoding: 'utf8' }).stdout;
};

type Page = {
  readonly size?: [number, number];
  readonly turn?: 0 | 90 | 180 | 270;
  readonly crop?: [number, number, number, number];
  readonly draw?: 'words' | 'full' | 'picture' | 'dark' | 'head' | 'open';
};

/** A made-up file, page by page. */
async function file(pages: readonly Page[], more: { tagged?: boolean } = {}): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  const font = await doc.embedFont(StandardFonts.TimesRoman);
  const photo = await doc.embedJpg(await fileOf(picturePixels(60, 80, 3), 'jpeg'));
  for (const { size = [400, 600], turn = 0, crop, draw = 'words' } of pages) {
    const page = doc.addPage([size[0], size[1]]);
    page.setRotation(degrees(turn));
    if (crop) page.setCropBox(crop[0], crop[1], crop[2], crop[3]);
    const [w, h] = size;
    if (draw === 'dark') page.drawRectangle({ x: 0, y: 0, width: w, height: h, color: rgb(0.1, 0.1, 0.2) });
    if (draw === 'picture') page.drawImage(photo, { x: 0, y: 0, width: w, height: h });
    const inset = draw === 'full' ? 4 : 80;
    for (let y = h - inset - 12; y > inset; y -= 14)
      page.drawText('Words of the page that go on and on, until the line is as long as its lines are', {
        x: 60,
        y,
        font,
        size: 11,
        color: draw === 'dark' ? rgb(1, 1, 1) : rgb(0, 0, 0),
      });
    if (draw === 'head') page.drawText('An old head that is here', { x: w - 160, y: h - 52, font, size: 10 });
    // A page that leaves a state open and moved: what follows must not care.
    if (draw === 'open')
      page.node.addContentStream(doc.context.register(doc.context.flateStream('q 0.3 0 0 0.3 100 100 cm q 1 0 0 rg')));
  }
  if (more.tagged) {
    const { context } = doc;
    const top = context.register(context.obj({ Type: 'StructElem', S: 'Document', K: [] }));
    const parents = context.register(context.obj({ Nums: [0, top] }));
    const root = context.register(
      context.obj({ Type: 'StructTreeRoot', K: top, ParentTree: parents, ParentTreeNextKey: 1 }),
    );
    doc.catalog.set(PDFName.of('StructTreeRoot'), root);
    doc.catalog.set(PDFName.of('MarkInfo'), context.obj({ Marked: true }));
  }
  return doc.save();
}

describe('lines on the pages of a PDF', () => {
  it('stand in the free margin, are read as text, and lead where they say', async () => {
    const source = await file([{}, {}, {}]);
    const { bytes, report } = await stamped(source);
    expect(report).toMatchObject({ pages: 3, stamped: 3, without: [], moved: [], links: 3 });
    for (const page of [1, 2, 3]) {
      expect(textOf(bytes, page)).toContain('quillhouse.example');
      expect(textOf(bytes, page)).toContain(`Mara Quill · ${page} of 3`);
    }
    for (const { changed, over } of await differences(source, bytes, [1, 2, 3])) {
      expect(changed).toBeGreaterThan(100);
      expect(over).toBe(0);
    }
    expect(checks(bytes)).toContain('No syntax or stream encoding errors');
    const doc = await PDFDocument.load(bytes);
    const note = doc.getPage(0).node.Annots()?.lookup(0, PDFDict);
    expect(String(note?.lookup(PDFName.of('A'), PDFDict).lookup(PDFName.of('URI')))).toBe(
      '(https://quillhouse.example)',
    );
  });

  it('stand outside on odd and even pages, or say other things there, on the pages that are asked for', async () => {
    const source = await file([{}, {}, {}, {}]);
    const x = async (bytes: Uint8Array, page: number): Promise<number> => {
      const [was] = await painted(source, [page]);
      const [is] = await painted(bytes, [page]);
      const columns = Array.from({ length: was.width }, (_, i) => i).filter((i) =>
        Array.from({ length: 60 }, (_row, y) =>
          Math.abs(was.data[y * was.width + i] - is.data[y * was.width + i]),
        ).some((d) => d > 30),
      );
      return columns.reduce((a, b) => a + b, 0) / columns.length;
    };
    const outer = await stamped(source, { foot: null });
    expect(await x(outer.bytes, 1)).toBeGreaterThan(200);
    expect(await x(outer.bytes, 2)).toBeLessThan(200);
    const two = await stamped(source, {
      foot: null,
      even: { head: { text: 'Even only', at: 'left' }, foot: null },
      pages: { from: 2, to: 3 },
    });
    expect(two.report.stamped).toBe(2);
    expect([1, 2, 3, 4].map((page) => /Even only|quillhouse/.exec(textOf(two.bytes, page))?.[0])).toEqual([
      undefined,
      'Even only',
      'quillhouse',
      undefined,
    ]);
  });

  it('have the numbers that the file prints, and know right-hand pages by them', async () => {
    const doc = await PDFDocument.load(await file([{}, {}, {}, {}]));
    const labels = [0, { P: PDFString.of('Cover') }, 1, { S: 'r' }, 2, { S: 'D', St: 7 }];
    doc.catalog.set(PDFName.of('PageLabels'), doc.context.obj({ Nums: labels }));
    const { bytes } = await stamped(await doc.save(), {
      head: { text: 'odd', at: 'left' },
      foot: { text: 'No. {page}', at: 'centre' },
      even: { head: { text: 'even', at: 'left' }, foot: { text: 'No. {page}', at: 'centre' } },
    });
    const said = [1, 2, 3, 4].map((page) => textOf(bytes, page));
    expect(said.map((text) => /No\. \S+/.exec(text)?.[0])).toEqual(['No. Cover', 'No. i', 'No. 7', 'No. 8']);
    expect(said.map((text) => /\b(odd|even)\b/.exec(text)?.[0])).toEqual(['odd', 'even', 'odd', 'even']);
  });

  it.each([90, 180, 270] as const)('stand upright at the head of pages that are turned by %i degrees', async (turn) => {
    const source = await file([
      { turn, size: [500, 600] },
      { turn, size: [500, 600], crop: [10, 40, 480, 500] },
    ]);
    const { bytes, report } = await stamped(source, { foot: null });
    expect(report.stamped + report.without.length).toBe(2);
    expect(report.stamped).toBeGreaterThan(0);
    expect(textOf(bytes, 1)).toContain('quillhouse.example');
    for (const { over } of await differences(source, bytes, [1, 2])) expect(over).toBe(0);
    const [was, is] = [(await painted(source, [1]))[0], (await painted(bytes, [1]))[0]];
    const rows = Array.from({ length: was.height }, (_, y) => y).filter((y) =>
      Array.from({ length: was.width }, (_c, i) =>
        Math.abs(was.data[y * was.width + i] - is.data[y * was.width + i]),
      ).some((d) => d > 30),
    );
    expect(Math.max(...rows)).toBeLessThan(100);
    expect(rows.length).toBeLessThan(16);
  });

  it('are left out where a page has no margin, and that is told', async () => {
    const source = await file([{}, { draw: 'full' }, { draw: 'picture' }, {}]);
    const { bytes, report } = await stamped(source);
    expect(report.stamped).toBe(2);
    expect(report.without.map(({ page, why }) => [page, why])).toEqual([
      [2, 'full'],
      [3, 'full'],
      [2, 'full'],
      [3, 'full'],
    ]);
    for (const { changed } of await differences(source, bytes, [2, 3])) expect(changed).toBe(0);
    expect(await stampFile(await file([{ draw: 'full' }]), wish(), studio)).toMatchObject({
      ok: false,
      fault: { code: 'stamp-no-room' },
    });
  });

  it('are light on a dark page, keep clear of an old head, and do not care for states left open', async () => {
    const source = await file([{ draw: 'dark' }, { draw: 'head' }, { draw: 'open' }]);
    const { bytes, report } = await stamped(source, { head: { text: 'quillhouse.example', at: 'right' } });
    expect(report.stamped).toBe(3);
    const pages = await differences(source, bytes, [1, 2, 3]);
    for (const { changed, over } of pages) {
      expect(changed).toBeGreaterThan(100);
      expect(over).toBe(0);
    }
    const [dark] = await painted(bytes, [1]);
    expect(Math.max(...dark.data.subarray(0, dark.width * 60))).toBeGreaterThan(200);
  });

  it('are no part of what is read aloud, and their links are found there', async () => {
    const source = await file([{}, {}], { tagged: true });
    const { bytes, report } = await stamped(source);
    expect(report.notes).toEqual([]);
    const doc = await PDFDocument.load(bytes);
    const root = doc.catalog.lookup(PDFName.of('StructTreeRoot'), PDFDict);
    const kids = root.lookup(PDFName.of('K'), PDFDict).lookup(PDFName.of('K'), PDFArray);
    expect(kids.size()).toBe(2);
    const branches = root.lookup(PDFName.of('ParentTree'), PDFDict).lookup(PDFName.of('Kids'), PDFArray);
    expect(branches.size()).toBe(2);
    const note = doc.getPage(1).node.Annots()?.lookup(0, PDFDict);
    const key = Number(String(note?.get(PDFName.of('StructParent'))));
    const nums = branches.lookup(1, PDFDict).lookup(PDFName.of('Nums'), PDFArray);
    const list = Array.from({ length: nums.size() }, (_, i) => String(nums.get(i)));
    expect(list[list.indexOf(String(key)) + 1]).toBe(String(kids.get(1)));
    expect(checks(bytes)).toContain('No syntax or stream encoding errors');
  });

  it('cover nothing, whatever a page draws and however it is moved, turned and cut', { timeout: 60_000 }, async () => {
    const random = seeded(20_261_130);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
    const doc = await PDFDocument.create();
    const fonts = await Promise.all([StandardFonts.TimesRoman, StandardFonts.Courier].map((one) => doc.embedFont(one)));
    const photo = await doc.embedJpg(await fileOf(picturePixels(60, 80, 3), 'jpeg'));
    const inner = await PDFDocument.create();
    inner.addPage([120, 60]).drawText('Within', { x: 10, y: 20, size: 20 });
    const [drawing] = await doc.embedPdf(await inner.save());
    const COUNT = 24;
    for (let i = 0; i < COUNT; i++) {
      const page = doc.addPage([400, 600]);
      if (i % 4 === 3) page.setRotation(degrees(pick([90, 180, 270])));
      for (let k = 0; k < 9; k++) {
        // Most of it lies in the margins, where lines want to stand.
        const at = { x: random() * 400, y: pick([random() * 60, 600 - random() * 60, random() * 600]) };
        const turn = degrees(pick([0, 0, 30, 90, 200]));
        const color = rgb(random() * 0.6, random() * 0.6, random() * 0.6);
        const draw = pick([
          () => page.drawText('Agjpqy', { ...at, size: 6 + random() * 30, font: pick(fonts), rotate: turn, color }),
          () => page.drawRectangle({ ...at, width: random() * 60, height: random() * 30, rotate: turn, color }),
          () =>
            page.drawLine({
              start: at,
              end: { x: random() * 400, y: at.y + random() * 20 },
              thickness: random() * 6,
              color,
            }),
          () =>
            page.drawEllipse({
              ...at,
              xScale: random() * 40,
              yScale: random() * 20,
              rotate: turn,
              borderColor: color,
              borderWidth: random() * 5,
            }),
          () => page.drawImage(photo, { ...at, width: 40, height: 50, rotate: turn }),
          () => page.drawPage(drawing, { ...at, xScale: 0.5 + random(), yScale: 0.5 + random(), rotate: turn }),
          () => page.drawSvgPath('M 0 0 C 30 -20 60 20 90 0 L 40 30 Z', { ...at, color, rotate: turn }),
        ]);
        draw();
      }
    }
    const source = await doc.save();
    const { bytes, report } = await stamped(source, { head: { text: 'quillhouse.example', at: 'left' } });
    expect(report.stamped).toBeGreaterThan(COUNT / 2);
    const pages = Array.from({ length: COUNT }, (_, i) => i + 1);
    const seen = await differences(source, bytes, pages);
    seen.forEach(({ over }, i) => expect(over, `page ${pages[i]}`).toBe(0));
  });

  it('leave what pages draw as it was, stream by stream', async () => {
    const source = await file([{}, { draw: 'open' }]);
    const { bytes } = await stamped(source);
    const [was, is] = [await PDFDocument.load(source), await PDFDocument.load(bytes)];
    const streams = (doc: PDFDocument, page: number): string[] => {
      const entry = doc.getPage(page).node.Contents();
      const list =
        entry instanceof PDFArray ? Array.from({ length: entry.size() }, (_, i) => entry.lookup(i)) : [entry];
      return list.map((one) => (one instanceof PDFRawStream ? Buffer.from(one.contents).toString('latin1') : ''));
    };
    for (const page of [0, 1]) expect(streams(is, page).slice(1, -1)).toEqual(streams(was, page));
  });

  it('that cannot be set are refused', async () => {
    const source = await file([{}]);
    const code = async (more: Partial<Stamp>, bytes = source): Promise<string> => {
      const made = await stampFile(bytes, wish(more), studio);
      return made.ok ? 'ok' : made.fault.code;
    };
    expect(await code({ head: null, foot: { text: '  ', at: 'left' } })).toBe('stamp-empty');
    expect(await code({ head: { text: 'x'.repeat(201), at: 'left' } })).toBe('stamp-long');
    expect(await code({ head: { text: '漢字', at: 'left' } })).toBe('stamp-letters');
    expect(await code({ pages: { from: 3, to: 4 } })).toBe('stamp-pages');
    expect(await code({}, new TextEncoder().encode('no pdf'))).toBe('pdf-not');
    const wide = await stampFile(source, wish({ head: { text: 'w'.repeat(150), at: 'left' }, foot: null }), studio);
    expect(wide).toMatchObject({ fault: { code: 'stamp-no-room' } });
  });
});

const real = readdirSync(BOOKS).filter((name) => name.endsWith('.pdf'));

describe('real PDFs of others', () => {
  it('are there', () => expect(real.length).toBeGreaterThanOrEqual(5));

  it.each(real)('%s: lines stand on its pages, over nothing', { timeout: 120_000 }, async (name) => {
    const source = new Uint8Array(readFileSync(join(BOOKS, name)));
    const { bytes, report } = await stamped(source);
    expect(report.stamped).toBeGreaterThan(report.pages * 0.8);
    const pages = Array.from({ length: 5 }, (_, i) => 1 + Math.floor((i * (report.pages - 1)) / 4));
    const seen = await differences(source, bytes, pages);
    seen.forEach(({ over }, i) => expect(over, `page ${pages[i]}`).toBe(0));
    expect(seen.filter(({ changed }) => changed > 100).length).toBeGreaterThan(3);
    expect(checks(bytes)).toBe(
      checks(source).replace(/PDF Version: .*/, /PDF Version: .*/.exec(checks(bytes))?.[0] ?? ''),
    );
    const [was, is] = [await PDFDocument.load(source), await PDFDocument.load(bytes)];
    expect(is.getPageCount()).toBe(was.getPageCount());
    for (const key of ['Outlines', 'PageLabels', 'Names', 'Dests'])
      expect(is.catalog.has(PDFName.of(key))).toBe(was.catalog.has(PDFName.of(key)));
  });
});
