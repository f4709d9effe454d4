import fc from 'fast-check';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { slug } from '@yosomi/core/base';
import { untold } from '@yosomi/core/book';
import { inGreys, nearestGreys } from '@yosomi/core/glance';
import { fill, flat, outlinesOnTop } from '@yosomi/core/ink';
import { type Raster, largestDifference, raster, ssim } from '@yosomi/core/pixels';
import { rectPath, rotate } from '@yosomi/core/plane';
import type { Book, Project } from '@yosomi/core/project';
import {
  MOST_NAME,
  NAME_FIELDS,
  type Wishes,
  coverMeasure,
  coverRaster,
  coverWords,
  deliverables,
  folderFor,
  makeDeliverable,
  noWishes,
  packageReadme,
  nameFields,
  patternName,
  pdfFile,
  settledCover,
  storeImage,
  svgFile,
  titleFolders,
  unknownFields,
  verdictOf,
} from '@yosomi/core/recipe';
import { findProfile } from '@yosomi/core/stores';
import { paintRaster } from '@yosomi/node-kit';
import './chance';
import { brief, finishedProject, pictureProject, smallScenes, wordsBook } from './fixtures/books';
import { picturePixels } from './fixtures/pictures';
import { QuickStudio } from './fixtures/quick-studio';

let project: Project;
let studio: QuickStudio;
beforeAll(async () => {
  project = await pictureProject();
  studio = new QuickStudio(project.files);
});
const MADE = '2026-11-26T10:00:00Z';

describe('names by a pattern', () => {
  const fields = (title: string, store = 'longreach') => ({
    title,
    author: 'Oda Penhallow',
    series: '',
    number: '',
    store,
    width: '1600',
    height: '2560',
  });

  it('fill their braces with safe words', () => {
    const name = patternName('{title}-{store}-{width}x{height}', fields('Łąka & “Über” Ночь'), 'jpg', new Set());
    expect(name).toBe('laka-uber-noch-longreach-1600x2560.jpg');
  });

  it('are safe, short and different for any title and pattern', () => {
    const pattern = fc.oneof(
      fc.constantFrom('{title}', '{store}', '../{title}/{author}', '', '{title}{title}{title}', 'con', '...'),
      fc.string({ maxLength: 120 }),
    );
    fc.assert(
      fc.property(
        pattern,
        fc.array(fc.string({ unit: 'grapheme', maxLength: 300 }), { minLength: 1, maxLength: 8 }),
        (text, titles) => {
          const taken = new Set<string>();
          const names = titles.map((title) => patternName(text, fields(title), 'jpg', taken));
          expect(new Set(names.map((n) => n.toLowerCase())).size).toBe(names.length);
          for (const name of names) {
            expect(name).toMatch(/^[\p{L}\p{N}][\p{L}\p{M}\p{N}._-]*\.jpg$/u);
            expect(new TextEncoder().encode(name).length).toBeLessThanOrEqual(255);
            expect(name.length).toBeLessThanOrEqual(MOST_NAME);
            expect(name).not.toMatch(/^(con|prn|aux|nul|com\d|lpt\d)\./i);
            expect(name).not.toContain('..');
          }
        },
      ),
    );
  });

  it('know which braces mean nothing', () => {
    expect(unknownFields('{title}-{colour}-{width')).toEqual(['colour']);
    expect(unknownFields(NAME_FIELDS.map((f) => `{${f}}`).join(''))).toEqual([]);
  });

  it('are those of all files of a title, each its own even where the pattern says little', () => {
    const wishes: Wishes = { ...noWishes, pattern: '{title}' };
    const book: Book = { ...project.book, brief: { ...brief, stores: ['longreach', 'bindery', 'cartwheel'] } };
    const names = deliverables(book, undefined, wishes).map((d) => d.fileName);
    expect(new Set(names).size).toBe(names.length);
    expect(names.slice(0, 3)).toEqual([
      'the-weight-of-lanterns.jpg',
      'the-weight-of-lanterns-2.jpg',
      'the-weight-of-lanterns-3.jpg',
    ]);
  });
});

describe('folders of titles', () => {
  const titled = (id: string, title: string, seriesNumber: number | null = null): Book => ({
    ...project.book,
    id,
    brief: { ...brief, title, seriesNumber },
  });

  it('are told apart by the titles’ own ids where words are the same, in whatever order they come', () => {
    const books = [titled('id-aaaa1111', 'Salt'), titled('id-bbbb2222', 'Salt'), titled('id-cccc3333', 'Smoke')];
    const folders = titleFolders(books);
    expect(Object.fromEntries(folders)).toEqual({
      'id-aaaa1111': 'salt-aaaa1111',
      'id-bbbb2222': 'salt-bbbb2222',
      'id-cccc3333': 'smoke',
    });
    expect(titleFolders([...books].reverse())).toEqual(new Map([...folders].reverse()));
  });

  it('stay as they were while a title is called the same, and give way to it when it is not', () => {
    const salt = titled('id-aaaa1111', 'Salt');
    const other = titled('id-bbbb2222', 'Salt');
    // It was alone once, and the other comes later.
    expect(titleFolders([other, salt], { 'id-aaaa1111': 'salt' }).get(salt.id)).toBe('salt');
    expect(titleFolders([other, salt], { 'id-aaaa1111': 'salt' }).get(other.id)).toBe('salt-bbbb2222');
    // One that is not among these has its folder all the same.
    expect(titleFolders([other], { 'id-aaaa1111': 'salt' }).get(other.id)).toBe('salt-bbbb2222');
    expect(
      titleFolders([{ ...salt, brief: { ...brief, title: 'Smoke' } }], { 'id-aaaa1111': 'salt' }).get(salt.id),
    ).toBe('smoke');
  });

  it('and files tell the volume', () => {
    const second = titled('id-aaaa1111', '塩の道', 2);
    expect(titleFolders([second]).get(second.id)).toBe('塩の道-vol-2');
    const [first] = deliverables(second);
    expect(first.fileName).toMatch(/^塩の道-vol-2-cover-/);
    expect(patternName('{title}-{number}', nameFields(second, 'x', 1, 1), 'jpg', new Set())).toBe('塩の道-2.jpg');
  });
});

describe('a package', () => {
  it('has a folder for each title and each store, and a text that tells alt texts and rights', () => {
    expect(titleFolders([project.book])).toEqual(new Map([[project.book.id, slug(brief.title)]]));
    const list = deliverables(project.book);
    expect([...new Set(list.map(folderFor))]).toEqual(['longreach', 'ebook', 'pages', 'pictures']);
    const id = Object.keys(project.book.assets)[0];
    const book: Book = {
      ...project.book,
      assets: {
        [id]: {
          ...project.book.assets[id],
          rights: { ...untold, source: 'By leave of 3 May', maker: 'Ida Quill', use: 'covers' },
        },
      },
    };
    const told = packageReadme(
      book,
      list.map((wanted) => ({ wanted, path: `${folderFor(wanted)}/${wanted.fileName}`, bytes: 7 })),
      MADE,
    );
    expect(told).toContain('Alt text: Cover of The Weight of Lanterns by Oda Penhallow.');
    expect(told).toContain(
      'Test picture (800 x 1280 px)\r\n  Source: By leave of 3 May\r\n  Made by: Ida Quill\r\n  May be sold on covers, not on goods.\r\n',
    );
    expect(told).not.toContain('No rights are noted');
    expect(packageReadme(project.book, [], MADE)).toContain('No rights are noted: ask before you publish it.');
    expect(packageReadme(wordsBook(), [], MADE)).toContain('No pictures are used');
  });

  it('is made file by file, whatever the kind', async () => {
    const book = smallScenes(project.book);
    for (const wanted of deliverables(book)) {
      const made = await makeDeliverable(book, wanted, MADE, studio);
      expect(made.ok && verdictOf(made.value.findings), wanted.id).not.toBe('fails');
    }
  });
});

describe('words and outlines', () => {
  it('laid over a picture of the rest are the cover', async () => {
    for (const book of [project.book, wordsBook({ subtitle: 'A novel', seriesName: 'Evenings', seriesNumber: 2 })]) {
      const { settled, images } = await settledCover(book, studio, 800);
      const { ink } = settled.composition;
      const { rest, outlines } = outlinesOnTop(ink);
      expect(outlines.length).toBeGreaterThanOrEqual(1);
      expect(rest.items.length + outlines.length).toBe(ink.items.length);
      const again = paintRaster(
        { ...rest, items: [...rest.items, ...outlines.map((o) => fill(o.path, flat(o.colour)))] },
        800,
        images,
      );
      expect(largestDifference(again, studio.paint(ink, 800, images))).toBeLessThanOrEqual(1);
    }
  });

  it('end at the first thing that is not plain', () => {
    const box = rectPath({ x: 0, y: 0, width: 5, height: 5 });
    const plain = fill(box, flat('#ff0000'), { transform: rotate(0.3) });
    const items = [
      plain,
      fill(box, flat('#00ff00', 0.5)),
      plain,
      fill(box, flat('#0000ff'), { blend: 'multiply' }),
      plain,
      plain,
    ];
    const { rest, outlines } = outlinesOnTop({ widthPx: 9, heightPx: 9, items });
    expect([rest.items.length, outlines.length]).toEqual([4, 2]);
    expect(outlines[0].path.ops).not.toEqual(box.ops);
  });

  it('are the cover as an SVG too, as another renderer draws it', async () => {
    const made = await svgFile(project.book, studio);
    if (!made.ok) throw new Error(made.fault.code);
    const svg = new TextDecoder().decode(made.value.bytes);
    expect(svg).not.toMatch(/<script|<text|href="(?!data:)|font-family/);
    const drawn = await sharp(made.value.bytes)
      .resize(400, 640)
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const shown = raster(drawn.info.width, drawn.info.height, new Uint8ClampedArray(drawn.data));
    expect(ssim(shown, await coverRaster(project.book, 400, studio))).toBeGreaterThan(0.97);
  });

  it('leave the same PDF for the same cover, whatever the sheet', async () => {
    for (const size of ['cover', 'a4', '6x9'] as const) {
      const wish = { size, ppi: 150, bleedMm: 3 } as const;
      const [a, b] = [await pdfFile(project.book, MADE, studio, wish), await pdfFile(project.book, MADE, studio, wish)];
      expect(a.ok && b.ok && Buffer.from(a.value.bytes).equals(Buffer.from(b.value.bytes)), size).toBe(true);
    }
  });
});

describe('what a store reads in a title’s own file', () => {
  it('is what it says, what it shows, and how small it reads', async () => {
    const bindery = findProfile('bindery')!;
    const book: Book = { ...project.book, brief: { ...brief, strapline: 'The #1 bestseller, only $2.99' } };
    const codes = async (b: Book): Promise<string[]> => {
      const made = await storeImage(b, bindery, studio);
      if (!made.ok) throw new Error(made.fault.code);
      return made.value.findings.filter((f) => f.severity === 'must').map((f) => f.code);
    };
    expect(await codes(project.book)).toEqual([]);
    const strap = Object.values(book.cover.parts).find(
      (p) => p.kind === 'words' && p.says.kind === 'brief' && p.says.field === 'title',
    )!;
    const loud = {
      ...strap,
      id: 'loud',
      says: { kind: 'own', text: 'The #1 bestseller, only $2.99' },
      follows: null,
    } as typeof strap;
    const parts = { ...book.cover.parts, loud };
    expect(await codes({ ...book, cover: { ...book.cover, parts } })).toEqual(['store-price', 'store-rank']);
    const finished = await finishedProject(400, 600);
    expect(coverWords(finished.book, null).texts).toBeNull();
  });
});

describe('electronic paper', () => {
  const mean = (r: Raster): number => {
    let sum = 0;
    for (let i = 0; i < r.data.length; i += 4)
      sum += 0.2126 * r.data[i] + 0.7152 * r.data[i + 1] + 0.0722 * r.data[i + 2];
    return sum / (r.data.length / 4);
  };
  it('shows so many greys and no more, as bright as the picture, over the whole and in each part', () => {
    const picture = picturePixels(96, 160);
    for (const levels of [2, 4, 16]) {
      const paper = inGreys(picture, levels);
      const seen = new Set<number>();
      for (let i = 0; i < paper.data.length; i += 4) {
        seen.add(paper.data[i]);
        expect(paper.data[i + 1]).toBe(paper.data[i]);
      }
      expect(seen.size).toBeLessThanOrEqual(levels);
      expect(Math.abs(mean(paper) - mean(picture))).toBeLessThan(1);
    }
  });
  it('is where the contrast of words is measured for a store of such screens', async () => {
    const book = wordsBook();
    const title = Object.values(book.cover.parts).find(
      (p) => p.kind === 'words' && p.says.kind === 'brief' && p.says.field === 'title',
    )!;
    const ground = Object.values(book.cover.parts).find((p) => p.kind === 'ground')!;
    const on = (colour: string): Book => {
      const parts = {
        ...book.cover.parts,
        [title.id]: { ...title, colour: '#ffffff' } as typeof title,
        [ground.id]: { ...ground, paint: { kind: 'flat', colour } } as typeof ground,
      };
      return { ...book, cover: { ...book.cover, parts } };
    };
    const from = async (colour: string, greys: number | null): Promise<number | null | undefined> =>
      (await coverMeasure(on(colour), studio, greys)).titleFromPx;
    // On a middle ground the title never reads; in two greys that ground is black, and it does.
    expect(await from('#707070', null)).toBeNull();
    expect(await from('#707070', 2)).toBeLessThan(60);
    const dark = await Promise.all([null, 16, 2].map((greys) => from('#101010', greys)));
    expect(new Set(dark).size).toBe(1);
    expect(dark[0]).toBeLessThan(60);
    const seen = new Set<number>();
    const greys = nearestGreys(picturePixels(60, 90), 16);
    for (let i = 0; i < greys.data.length; i += 4) seen.add(greys.data[i]);
    expect(seen.size).toBeLessThanOrEqual(16);
  });

  it('keeps black and white as they are', () => {
    for (const v of [0, 255]) {
      const flatOne = raster(20, 20);
      flatOne.data.fill(v);
      for (let i = 3; i < flatOne.data.length; i += 4) flatOne.data[i] = 255;
      expect(largestDifference(inGreys(flatOne, 16), flatOne)).toBe(0);
    }
  });
});
