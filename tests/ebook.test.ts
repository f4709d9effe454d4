import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { EpubCheck } from '@likecoin/epubcheck-ts';
import { strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { EPUBCHECK, JAVA } from './fixtures/java';
import { type Brief, emptyBrief } from '@yosomi/core/book';
import { checkEpub, makeEpub } from '@yosomi/core/ebook';
import { fileOf, picturePixels } from './fixtures/pictures';

let jpeg: Uint8Array<ArrayBuffer>;
beforeAll(async () => {
  jpeg = await fileOf(picturePixels(320, 512), 'jpeg');
});

const make = (own: Partial<Brief> = {}, credits: readonly string[] = []): Uint8Array<ArrayBuffer> =>
  makeEpub({
    brief: { ...emptyBrief, title: 'The Weight of Lanterns', author: 'Oda Penhallow', ...own },
    cover: { bytes: jpeg, widthPx: 320, heightPx: 512 },
    credits,
    identifier: 'urn:uuid:00000000-0000-4000-8000-000000000001',
    modified: '2026-11-25T10:00:00Z',
  });

const BRIEFS: Record<string, Partial<Brief>> = {
  plain: {},
  full: {
    subtitle: 'Poems',
    seriesName: 'Evenings',
    seriesNumber: 2,
    publisher: 'Fernhollow Press',
    website: 'fernhollow.example',
  },
  'without an author': { author: '' },
  'with signs': { title: 'Salt & <Iron> "quoted" \u0001', author: "O'Dell & Sons" },
  Cyrillic: { title: 'Тихий сад — том I', author: 'Ægir Þórsson', language: 'ru' },
  'a title of 300 letters': { title: 'word '.repeat(60).trim() },
};

describe('a new EPUB', () => {
  it.each(Object.keys(BRIEFS))('gives no message from the in-process checker: %s', async (name) => {
    const result = await EpubCheck.validate(make(BRIEFS[name]));
    expect(result.messages.filter((m) => m.severity !== 'info' && m.severity !== 'usage')).toEqual([]);
  });

  it('gives no error and no warning from EPUBCheck itself', () => {
    const folder = mkdtempSync(join(tmpdir(), 'epub-'));
    try {
      const file = join(folder, 'book.epub');
      writeFileSync(file, make(BRIEFS.full));
      const out = execFileSync(JAVA, [...EPUBCHECK, '--failonwarnings', file], {
        encoding: 'utf8',
        stdio: ['ignore', 'pipe', 'pipe'],
      });
      expect(out).toMatch(/No errors or warnings detected/);
    } finally {
      rmSync(folder, { recursive: true });
    }
  });

  it('begins with its type, uncompressed and without an extra field', () => {
    const bytes = make();
    expect(Buffer.from(bytes.slice(0, 4)).toString('latin1')).toBe('PK\x03\x04');
    expect(bytes[8] | (bytes[9] << 8)).toBe(0);
    expect(bytes[28] | (bytes[29] << 8)).toBe(0);
    expect(Buffer.from(bytes.slice(30, 58)).toString('latin1')).toBe('mimetypeapplication/epub+zip');
  });

  it('marks its cover for new and for old readers, shows it first, with words for who cannot see it', async () => {
    const files = unzipSync(make(BRIEFS.full));
    const text = (name: string): string => new TextDecoder().decode(files[name]);
    const opf = text('EPUB/package.opf');
    expect(opf).toMatch(/<item id="cover-image" href="cover.jpg" media-type="image\/jpeg" properties="cover-image"\/>/);
    expect(opf).toContain('<meta name="cover" content="cover-image"/>');
    expect(opf.indexOf('idref="cover-page"')).toBeLessThan(opf.indexOf('idref="title-page"'));
    expect(opf).toContain('schema:accessibilityFeature');
    expect(text('EPUB/cover.xhtml')).toContain('alt="Cover of The Weight of Lanterns: Poems by Oda Penhallow"');
    expect(text('EPUB/title.xhtml')).toContain('Evenings · Two');
    expect(await sharp(files['EPUB/cover.jpg']).metadata()).toMatchObject({ width: 320, height: 512 });
  });

  it('is the same bytes for the same book', () => expect(Buffer.from(make()).equals(Buffer.from(make()))).toBe(true));
});

describe('reading an EPUB back', () => {
  const codes = async (bytes: Uint8Array): Promise<string[]> =>
    (await checkEpub(new Blob([new Uint8Array(bytes)]))).map((f) => f.code);
  const broken = (change: (files: Record<string, Uint8Array>) => void): Promise<string[]> => {
    const files = unzipSync(make());
    change(files);
    const { mimetype, ...rest } = files;
    return codes(zipSync({ ...(mimetype ? { mimetype: [mimetype, { level: 0 }] as const } : {}), ...rest } as never));
  };
  const edit = (files: Record<string, Uint8Array>, name: string, from: string, to: string): void => {
    const text = new TextDecoder().decode(files[name]);
    expect(text).toContain(from);
    files[name] = strToU8(text.replace(from, to));
  };

  it('finds nothing wrong with ours', async () => expect(await codes(make())).toEqual([]));

  it.each([
    ['epub-no-mimetype', (f: Record<string, Uint8Array>) => delete f.mimetype],
    ['epub-package', (f: Record<string, Uint8Array>) => delete f['EPUB/package.opf']],
    ['epub-file-missing', (f: Record<string, Uint8Array>) => delete f['EPUB/book.css']],
    ['epub-nav', (f: Record<string, Uint8Array>) => edit(f, 'EPUB/package.opf', ' properties="nav"', '')],
    [
      'epub-cover-property',
      (f: Record<string, Uint8Array>) => edit(f, 'EPUB/package.opf', ' properties="cover-image"', ''),
    ],
    ['epub-cover-image', (f: Record<string, Uint8Array>) => delete f['EPUB/cover.jpg']],
    ['epub-cover-unreadable', (f: Record<string, Uint8Array>) => (f['EPUB/cover.jpg'] = strToU8('no picture'))],
    [
      'epub-cover-meta',
      (f: Record<string, Uint8Array>) => edit(f, 'EPUB/package.opf', 'content="cover-image"', 'content="cover-page"'),
    ],
    [
      'epub-cover-page',
      (f: Record<string, Uint8Array>) => edit(f, 'EPUB/package.opf', '<itemref idref="cover-page"/>', ''),
    ],
    [
      'epub-cover-alt',
      (f: Record<string, Uint8Array>) =>
        edit(f, 'EPUB/cover.xhtml', 'alt="Cover of The Weight of Lanterns by Oda Penhallow"', 'alt=""'),
    ],
    [
      'epub-package',
      (f: Record<string, Uint8Array>) =>
        edit(f, 'EPUB/package.opf', '<package', '<!DOCTYPE x [<!ENTITY a "b">]><package'),
    ],
  ] as const)('notices %s', async (code, change) =>
    expect(await broken(change as (f: Record<string, Uint8Array>) => void)).toContain(code),
  );

  it('does not throw at rubbish', async () => {
    expect(await codes(new Uint8Array(0))).toEqual(['file-empty']);
    expect(await codes(jpeg)).toEqual(['epub-not']);
  });

  it('counts the pixels of the cover, as a store does', async () => {
    const found = await checkEpub(new Blob([make()]), 320 * 512 - 1);
    expect(found.map((f) => f.code)).toEqual(['epub-cover-large']);
  });
});
