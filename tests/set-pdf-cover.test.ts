import {
  PDFArray,
  PDFDocument,
  PDFName,
  PDFRawStream,
  PDFStream,
  PDFString,
  StandardFonts,
  rgb,
} from '@cantoo/pdf-lib';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { beforeAll, describe, expect, it } from 'vitest';
import { type PdfCover, setPdfCover } from '@yosomi/core/pdf';
import { fileOf, picturePixels } from './fixtures/pictures';

let jpeg: Uint8Array<ArrayBuffer>;
beforeAll(async () => (jpeg = await fileOf(picturePixels(160, 256), 'jpeg')));

const cover = (more: Partial<PdfCover> = {}): PdfCover => ({
  jpeg,
  widthPx: 160,
  heightPx: 256,
  ground: [200, 210, 220],
  place: 'auto',
  modified: '2026-11-26T10:00:00Z',
  ...more,
});

/** A PDF of pages of words; with `front`, its first page is one picture. */
async function ebook(more: { front?: boolean; size?: [number, number]; turn?: boolean } = {}): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.setTitle('Old title');
  doc.setAuthor('Old author');
  const font = await doc.embedFont(StandardFonts.TimesRoman);
  const size = more.size ?? [420, 595];
  if (more.front) {
    const page = doc.addPage(size);
    page.drawImage(await doc.embedJpg(await fileOf(picturePixels(84, 119, 3), 'jpeg')), {
      x: 0,
      y: 0,
      width: size[0],
      height: size[1],
    });
  }
  for (const text of ['One', 'Two', 'Three']) {
    const page = doc.addPage(size);
    page.drawText(`Chapter ${text}`, { x: 40, y: 500, font, size: 18, color: rgb(0.1, 0.1, 0.1) });
  }
  return doc.save();
}

/** The coded content of each page, as it lies in the file. */
async function contents(bytes: Uint8Array): Promise<string[]> {
  const doc = await PDFDocument.load(bytes);
  return doc.getPages().map((page) => {
    const entry = page.node.Contents();
    const streams = entry instanceof PDFArray ? entry.asArray().map((ref) => doc.context.lookup(ref)) : [entry];
    return streams
      .map((s) =>
        s instanceof PDFRawStream
          ? Buffer.from(s.contents).toString('latin1')
          : s instanceof PDFStream
            ? Buffer.from(s.getContents()).toString('latin1')
            : '',
      )
      .join('|');
  });
}

/** The file as a reader that the product does not use opens it. */
async function read(bytes: Uint8Array) {
  const doc = await getDocument({ data: bytes.slice(), useSystemFonts: false, verbosity: 0 }).promise;
  const pages = await Promise.all(
    Array.from({ length: doc.numPages }, async (_, i) => {
      const page = await doc.getPage(i + 1);
      const text = (await page.getTextContent()).items.map((one) => ('str' in one ? one.str : '')).join('');
      return { box: page.view.slice(2), text, turn: page.rotate };
    }),
  );
  const info = (await doc.getMetadata()).info as unknown as Record<string, string>;
  return { pages, info, labels: await doc.getPageLabels() };
}

const put = async (bytes: Uint8Array, more: Partial<PdfCover> = {}) => {
  const made = await setPdfCover(bytes, cover(more));
  if (!made.ok) throw new Error(made.fault.code);
  return made.value;
};

describe('a cover put into a PDF', () => {
  it('goes before pages of words, in their size, and leaves them as they are', async () => {
    const before = await ebook();
    const { bytes, report } = await put(before, { title: 'The Weight of Lanterns', author: 'Oda Penhallow' });
    const { pages, info } = await read(bytes);
    expect(pages.map((p) => p.text)).toEqual(['', 'Chapter One', 'Chapter Two', 'Chapter Three']);
    expect(pages[0].box).toEqual([420, 595]);
    expect([info.Title, info.Author]).toEqual(['The Weight of Lanterns', 'Oda Penhallow']);
    expect(report).toMatchObject({
      placed: 'inserted',
      pages: { before: 3, after: 4 },
      title: { before: 'Old title' },
    });
    expect((await contents(bytes)).slice(1)).toEqual(await contents(before));
  });

  it('stands before a first page that is one picture, since that may be content, and asks', async () => {
    const { report } = await put(await ebook({ front: true }));
    expect(report).toMatchObject({ placed: 'inserted', pages: { before: 4, after: 5 } });
    expect(report.notes.map((n) => n.code)).toEqual(['pdf-first-kept']);
    expect((await put(await ebook())).report.notes).toEqual([]);
  });

  it.each(['label', 'outline'] as const)(
    'takes the place of a first page that the file calls its cover, by a %s',
    async (by) => {
      const doc = await PDFDocument.load(await ebook({ front: true }));
      const name = PDFString.of('Cover');
      if (by === 'label')
        doc.catalog.set(PDFName.of('PageLabels'), doc.context.obj({ Nums: [0, { P: name }, 1, { S: 'D' }] }));
      else {
        const item = doc.context.register(doc.context.obj({ Title: name, Dest: [doc.getPages()[0].ref, 'Fit'] }));
        doc.catalog.set(
          PDFName.of('Outlines'),
          doc.context.obj({ Type: 'Outlines', First: item, Last: item, Count: 1 }),
        );
      }
      const { report } = await put(await doc.save());
      expect(report).toMatchObject({ placed: 'replaced', pages: { before: 4, after: 4 } });
      expect(report.notes).toEqual([]);
    },
  );

  it('takes the place of the first page where that is asked for', async () => {
    const before = await ebook({ front: true });
    const { bytes, report } = await put(before, { place: 'replace' });
    expect(report).toMatchObject({ placed: 'replaced', pages: { before: 4, after: 4 } });
    expect((await contents(bytes)).slice(1)).toEqual((await contents(before)).slice(1));
    expect((await read(bytes)).info.Title).toBe('Old title');
  });

  it('goes where it is told', async () => {
    expect((await put(await ebook({ front: true }), { place: 'insert' })).report.pages).toEqual({
      before: 4,
      after: 5,
    });
    const { bytes } = await put(await ebook(), { place: 'replace' });
    expect((await read(bytes)).pages.map((p) => p.text)).toEqual(['', 'Chapter Two', 'Chapter Three']);
  });

  it('has the size of most of the pages, as they are shown', async () => {
    const doc = await PDFDocument.load(await ebook({ size: [600, 400] }));
    for (const page of doc.getPages()) page.setRotation({ type: 'degrees' as never, angle: 90 });
    doc.addPage([50, 50]);
    const { report } = await put(await doc.save());
    expect(report.box).toEqual({ widthPt: 400, heightPt: 600 });
  });

  it('of one page alone is put in its place too', async () => {
    const doc = await PDFDocument.create();
    doc.addPage([300, 400]);
    const { report } = await put(await doc.save(), { place: 'replace' });
    expect(report).toMatchObject({ placed: 'replaced', pages: { before: 1, after: 1 }, box: { widthPt: 300 } });
  });

  it('leaves printed page numbers with their pages', async () => {
    const doc = await PDFDocument.load(await ebook());
    doc.catalog.set(PDFName.of('PageLabels'), doc.context.obj({ Nums: [0, { S: 'D' }] }));
    const { bytes } = await put(await doc.save());
    expect((await read(bytes)).labels).toEqual(['Cover', '1', '2', '3']);
  });

  it('leads outlines and links of an old cover to the new one', async () => {
    const doc = await PDFDocument.load(await ebook({ front: true }));
    const [first] = doc.getPages();
    const link = doc.context.obj({ Type: 'Annot', Subtype: 'Link', Rect: [0, 0, 9, 9], Dest: [first.ref, 'Fit'] });
    doc.getPages()[1].node.set(PDFName.of('Annots'), doc.context.obj([doc.context.register(link)]));
    const { bytes } = await put(await doc.save(), { place: 'replace' });
    const opened = await getDocument({ data: bytes.slice(), verbosity: 0 }).promise;
    const [annotation] = await (await opened.getPage(2)).getAnnotations();
    expect(await opened.getPageIndex(annotation.dest[0])).toBe(0);
  });

  it('says of a signed PDF that its signature is no longer true', async () => {
    const doc = await PDFDocument.load(await ebook());
    doc.context.register(doc.context.obj({ Type: 'Sig', ByteRange: [0, 1, 2, 3] }));
    expect((await put(await doc.save({ useObjectStreams: false }))).report.notes.map((n) => n.code)).toEqual([
      'pdf-signed',
    ]);
  });

  it.each([
    ['file-empty', async () => new Uint8Array()],
    ['pdf-not', async () => new TextEncoder().encode('Dear reader')],
    ['pdf-not', async () => jpeg],
    ['pdf-damaged', async () => new TextEncoder().encode('%PDF-1.7\nnothing more')],
    [
      'pdf-encrypted',
      async () => {
        const doc = await PDFDocument.load(await ebook());
        doc.encrypt({ userPassword: 'secret', ownerPassword: 'more' });
        return doc.save({ useObjectStreams: false });
      },
    ],
  ] as const)('is refused as %s', async (code, bytes) => {
    const made = await setPdfCover(new Uint8Array(await bytes()), cover());
    expect(made).toMatchObject({ ok: false, fault: { code } });
  });
});
