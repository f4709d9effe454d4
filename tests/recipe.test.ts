import { looksOf, setting } from '@yosomi/core/mockup';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { compose, firstCover, needs } from '@yosomi/core/compose';
import { contrast } from '@yosomi/core/colour';
import type { WordsPart } from '@yosomi/core/cover';
import { profileName } from '@yosomi/core/image-file';
import { type Raster, largestDifference, raster, ssim } from '@yosomi/core/pixels';
import type { Book, Project } from '@yosomi/core/project';
import {
  coverAt,
  coverKey,
  coverRaster,
  deliverables,
  ebookFile,
  looksLikeCover,
  noOthers,
  onGround,
  sceneArt,
  subjectsOf,
  mockupKey,
  pngFile,
  promoAt,
  promoKey,
  settledCover,
  storeImage,
  verdictOf,
} from '@yosomi/core/recipe';
import { findProfile } from '@yosomi/core/stores';
import { NodeStudio } from '@yosomi/node-kit';
import { demos } from './fixtures/demos';
import { brief, finishedProject, pictureProject, wordsBook, withCampaign } from './fixtures/books';
import { picturePixels } from './fixtures/pictures';

let project: Project;
let studio: NodeStudio;
beforeAll(async () => {
  project = await pictureProject();
  studio = new NodeStudio(project.files);
});

const withBrief = (book: Book, own: Partial<Book['brief']>): Book => ({ ...book, brief: { ...book.brief, ...own } });
const words = (book: Book, id: string): WordsPart => book.cover.parts[id] as WordsPart;
const change = (book: Book, id: string, fields: Partial<WordsPart>): Book => ({
  ...book,
  cover: { ...book.cover, parts: { ...book.cover.parts, [id]: { ...words(book, id), ...fields } } },
});

describe('a cover composed from words and a picture', () => {
  it('is 1600 x 2560, names its fonts and pictures, and has the words of the brief', async () => {
    const { book } = project;
    expect([book.cover.widthPx, book.cover.heightPx]).toEqual([1600, 2560]);
    expect(needs(book.cover, book.brief).images.map((need) => need.name)).toEqual([...project.files.keys()]);
    const { settled } = await settledCover(book, studio, 800);
    const said = settled.composition.blocks
      .get('title')!
      .words.map((w) => w.text)
      .join(' ');
    expect(said).toBe(brief.title);
    expect(settled.composition.blocks.get('byline')!.words.map((w) => w.text)).toEqual(['ODA', 'PENHALLOW']);
  });

  it('keeps all words on the cover and apart from each other', async () => {
    for (const { book, files } of demos()) {
      const { settled } = await settledCover(book, new NodeStudio(files), 800);
      const boxes = [...settled.composition.blocks]
        .filter(([id, b]) => b.words.length > 0 && !book.cover.parts[id].hidden)
        .map(([, b]) => b.box);
      boxes.forEach((a, i) => {
        expect(a.x).toBeGreaterThan(40);
        expect(a.x + a.width).toBeLessThan(1560);
        for (const b of boxes.slice(i + 1)) {
          const meet = a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
          expect(meet, `${book.brief.title}: ${JSON.stringify([a, b])}`).toBe(false);
        }
      });
    }
  });

  it('reaches 4.5 : 1 behind every word of every demo book, worst tenth included', async () => {
    for (const { book, files } of demos()) {
      const { settled } = await settledCover(book, new NodeStudio(files), 800);
      expect(settled.reports.size).toBeGreaterThan(1);
      for (const report of settled.reports.values()) expect(report.worstTenth).toBeGreaterThanOrEqual(4.5);
      expect(settled.findings.filter((f) => f.severity === 'must')).toEqual([]);
    }
  });

  it('hangs the subtitle under the title, wherever that ends', async () => {
    const long = withBrief(project.book, {
      subtitle: 'And of what they show',
      title: 'A Very Much Longer Title That Takes More Lines Than Before',
    });
    for (const book of [withBrief(project.book, { subtitle: 'And of what they show' }), long]) {
      const { settled } = await settledCover(book, studio, 800);
      const title = settled.composition.blocks.get('title')!.box;
      const subtitle = settled.composition.blocks.get('subtitle')!.box;
      expect(subtitle.y - title.y - title.height).toBeCloseTo(0.022 * 2560, 0);
    }
  });

  it('puts the title where the picture is calm', () => {
    const noisyTop = raster(200, 320);
    for (let i = 0; i < 200 * 320; i++) {
      const v = i < 200 * 160 ? ((i * 7919) % 97) * 2.5 : 60;
      noisyTop.data.set([v, v, v, 255], i * 4);
    }
    const noisyFoot = raster(200, 320, noisyTop.data.slice() as Uint8ClampedArray<ArrayBuffer>);
    for (let y = 0; y < 320; y++) noisyFoot.data.set(noisyTop.data.subarray((319 - y) * 800, (320 - y) * 800), y * 800);
    const at = (sample: Raster): number =>
      (firstCover(brief, { asset: 'abcdef', sample }).parts.title as WordsPart).area.y;
    expect(at(noisyTop)).toBeGreaterThan(0.4);
    expect(at(noisyFoot)).toBeLessThan(0.2);
  });

  it('adds the weakest scrim that makes faint words read, says so, and leaves it off when told to', async () => {
    const faint = change(project.book, 'title', { colour: '#b4b9c0', minor: null });
    const bare = change(faint, 'title', { support: 'none' });
    const before = (await settledCover(bare, studio, 800)).settled;
    expect(before.added).toEqual([]);
    expect(before.reports.get('title')!.worstTenth).toBeLessThan(4.5);
    expect(before.findings).toContainEqual(
      expect.objectContaining({ code: 'contrast-low', severity: 'must', part: 'title' }),
    );
    const { settled } = await settledCover(faint, studio, 800);
    expect(settled.added).toHaveLength(1);
    expect(settled.added[0].parts).toContain('title');
    expect(settled.reports.get('title')!.worstTenth).toBeGreaterThanOrEqual(4.5);
    expect(settled.findings).toContainEqual(expect.objectContaining({ code: 'scrim-added', part: 'title' }));
    // What was promised is what is painted: measured again on the finished pixels.
    const { resources, images } = await import('@yosomi/core/recipe').then((r) =>
      r.gather(faint.cover, faint.brief, studio, 400),
    );
    const ink = compose(faint.cover, faint.brief, resources, settled.added).ink;
    const under = studio.paint(
      {
        ...ink,
        items: ink.items.filter((item) => item.part === null || faint.cover.parts[item.part].kind !== 'words'),
      },
      400,
      images,
    );
    const box = settled.composition.blocks.get('title')!.box;
    const ratios: number[] = [];
    for (let y = box.y / 4; y < (box.y + box.height) / 4; y += 3) {
      for (let x = box.x / 4; x < (box.x + box.width) / 4; x += 3) {
        const p = (Math.floor(y) * 400 + Math.floor(x)) * 4;
        const hex = `#${[0, 1, 2].map((c) => under.data[p + c].toString(16).padStart(2, '0')).join('')}`;
        ratios.push(contrast('#b4b9c0', hex));
      }
    }
    ratios.sort((a, b) => a - b);
    expect(ratios[Math.floor(ratios.length * 0.15)]).toBeGreaterThan(4.3);
  });

  it('says when even the strongest scrim is not enough', async () => {
    const grey = change(project.book, 'title', { colour: '#777777', minor: null });
    const { settled } = await settledCover(grey, studio, 800);
    expect(settled.findings).toContainEqual(expect.objectContaining({ code: 'contrast-low', part: 'title' }));
    // What it cannot save, it does not bury the picture for.
    expect(settled.added).toEqual([]);
  });

  it('does not stain a plain ground with a scrim', async () => {
    const plain = change(wordsBook(), 'title', { colour: '#777777' });
    expect((await settledCover(plain, new NodeStudio(new Map()), 800)).settled.added).toEqual([]);
  });

  it('says when words are small, overflow or have letters that no face has', async () => {
    const codes = async (book: Book): Promise<string[]> =>
      (await settledCover(book, studio, 800)).settled.findings.map((f) => f.code);
    expect(await codes(withBrief(project.book, { title: 'x'.repeat(300) }))).toContain('words-small');
    expect(await codes(change(project.book, 'title', { size: 0.6 }))).toContain('words-overflow');
    expect(await codes(withBrief(project.book, { title: '深い森' }))).toContain('letters-missing');
    expect(
      await codes(change(withBrief(project.book, { title: 'Тихий' }), 'title', { cut: 'bebas-neue/400' })),
    ).toContain('letters-borrowed');
  });

  it('stands an empty title and no author', async () => {
    const book = withBrief(project.book, { title: '', author: '' });
    expect((await coverRaster(book, 200, studio)).width).toBe(200);
  });
});

describe('one source', () => {
  it('gives another key to all that follows from the cover when the cover changes, and the same when it does not', () => {
    const book = withCampaign(project.book);
    const changed = change(book, 'title', { colour: '#ff0000' });
    const size = { widthPx: 500, heightPx: 500 };
    const ofPromo = (b: Book): string => promoKey(b, promoAt(b, 'first', 'square')!, noOthers);
    for (const key of [coverKey, ofPromo, (b: Book) => mockupKey(b, size)]) {
      expect(key(changed)).not.toBe(key(book));
      expect(key({ ...book, updatedAt: '2030-01-01T00:00:00Z' })).toBe(key(book));
    }
    const before = new Map(deliverables(book).map((d) => [d.id, d.key]));
    for (const d of deliverables(changed)) expect(d.key).not.toBe(before.get(d.id));
    const turned: Book = { ...book, scene: { ...book.scene, pose: { ...book.scene.pose, turnRad: 0 } } };
    const after = new Map(deliverables(turned).map((d) => [d.id, d.key]));
    expect([...before].filter(([id, key]) => after.get(id) !== key).map(([id]) => id)).toEqual(['mockup']);
  });

  it('gives the spine the colours of the front\u2019s edge and the book\u2019s thickness', async () => {
    const { scene } = project.book;
    const made = await sceneArt(project.book, scene, noOthers, studio);
    const { art: wanted } = looksOf(
      scene,
      setting(scene, subjectsOf(project.book, scene, noOthers)).map((m) => m.looks),
    );
    const side = (name: string) => made.art.get([...wanted].find(([, want]) => want.side === name)![0])!;
    const art = { front: side('front'), spine: side('spine') };
    expect(art.spine.height).toBe(art.front.height);
    expect(art.spine.width).toBe(Math.round((art.front.height * 300 * 0.063) / 203));
    for (const y of [20, 700, 1400, 2000, 2500]) {
      for (let c = 0; c < 3; c++) {
        const edge = art.front.data[(y * art.front.width + 1) * 4 + c];
        const spine = art.spine.data[(y * art.spine.width + art.spine.width - 2) * 4 + c];
        expect(Math.abs(edge - spine)).toBeLessThan(26);
      }
    }
  });

  it('stands in for a title or a picture of a scene that is gone, and draws what is there', async () => {
    const { book } = project;
    const gone: Book = {
      ...book,
      scene: {
        ...book.scene,
        things: [
          { ...book.scene.things[0], art: { kind: 'title', id: 'gone-title' } },
          { ...book.scene.things[0], art: { kind: 'picture', asset: 'gone' }, spine: 'gone' },
        ],
        ground: { kind: 'picture', asset: 'gone' },
      },
    };
    const { scene } = gone;
    const { art } = await sceneArt(gone, scene, noOthers, studio, 200);
    const own = await coverRaster(book, 200, studio);
    const fronts = [...art.values()].filter((r) => r.width === 200 && r.height === own.height);
    expect(fronts).toHaveLength(2);
    for (const front of fronts) expect(largestDifference(front, own)).toBe(0);
    const nothing = raster(40, 40);
    const shown = await onGround(nothing, gone, scene, subjectsOf(gone, scene, noOthers), studio);
    expect([...shown.data.slice(0, 4)]).toEqual([0xc9, 0xca, 0xc8, 255]);
    expect(await onGround(nothing, book, book.scene, subjectsOf(book, book.scene, noOthers), studio)).toBe(nothing);
  });

  it('puts art of another ratio on a face whole, cut or anew, never stretched', async () => {
    const { book } = project;
    const at = async (fit: 'whole' | 'fill' | 'recompose') => {
      const thing = { ...book.scene.things[0], object: { kind: 'phone' as const }, fit };
      const scene = { ...book.scene, things: [thing] };
      const { art } = await sceneArt(book, scene, noOthers, studio, 240);
      return [...art.values()][0];
    };
    const own = await coverRaster(book, 240, studio);
    const [whole, fill, anew] = [await at('whole'), await at('fill'), await at('recompose')];
    const ratio = (73 - 7.2) / (150 - 8.4);
    for (const r of [whole, fill, anew]) expect(r.width / r.height).toBeCloseTo(ratio, 2);
    const row = (r: typeof own, y: number, x0: number, n: number) => [
      ...r.data.slice((y * r.width + x0) * 4, (y * r.width + x0 + n) * 4),
    ];
    // Whole: as wide as the cover, its rows in the middle; cut: the cover's own rows without its sides.
    const above = Math.round((whole.height - own.height) / 2);
    expect(whole.width).toBe(own.width);
    const apart = (a: number[], b: number[]): number => a.reduce((sum, v, i) => sum + Math.abs(v - b[i]), 0) / a.length;
    expect(apart(row(whole, above + 150, 20, 200), row(own, 150, 20, 200))).toBeLessThan(6);
    expect(fill.height).toBe(own.height);
    const cut = Math.round((own.width - fill.width) / 2);
    expect(apart(row(fill, 150, 5, fill.width - 10), row(own, 150, cut + 5, fill.width - 10))).toBeLessThan(6);
    const n = Math.min(anew.width, fill.width);
    expect(apart(row(anew, 150, 0, n), row(fill, 150, 0, n))).toBeGreaterThan(1);
  });
});

describe('files', () => {
  it('for longreach: a JPEG of exactly 1600 x 2560, 8-bit sRGB with its profile, 300 ppi, nothing else', async () => {
    const made = await storeImage(project.book, findProfile('longreach')!, studio);
    if (!made.ok) throw new Error(made.fault.code);
    const meta = await sharp(made.value.bytes).metadata();
    expect(meta).toMatchObject({
      format: 'jpeg',
      width: 1600,
      height: 2560,
      space: 'srgb',
      channels: 3,
      depth: 'uchar',
      density: 300,
    });
    expect(profileName(new Uint8Array(meta.icc!))).toBe('sRGB');
    expect([meta.exif, meta.xmp, meta.iptc, meta.comments]).toEqual([undefined, undefined, undefined, undefined]);
    expect(verdictOf(made.value.findings)).toBe('passes');
    const { data, info } = await sharp(made.value.bytes).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    const flat = await coverRaster(project.book, 1600, studio);
    expect(ssim(raster(info.width, info.height, new Uint8ClampedArray(data)), flat)).toBeGreaterThan(0.98);
  });

  it.each(['bindery', 'cartwheel', 'pocketreel', 'earshot', 'fennel'])(
    'for %s: its own pixels, within its bytes, accepted',
    async (id) => {
      const profile = findProfile(id)!;
      const made = await storeImage(project.book, profile, studio);
      if (!made.ok) throw new Error(made.fault.code);
      expect(await sharp(made.value.bytes).metadata()).toMatchObject({
        width: profile.ideal.widthPx,
        height: profile.ideal.heightPx,
      });
      expect(made.value.bytes.length).toBeLessThanOrEqual(profile.mostBytes);
      expect(verdictOf(made.value.findings)).toBe('passes');
      expect(made.value.findings.map((f) => f.code)).toContain('cover-recomposed');
    },
  );

  it('need a title', async () => {
    const book = withBrief(project.book, { title: '  ' });
    expect(await storeImage(book, findProfile('longreach')!, studio)).toMatchObject({
      ok: false,
      fault: { code: 'title-missing' },
    });
    expect(await ebookFile(book, '2026-11-25T10:00:00Z', studio)).toMatchObject({
      ok: false,
      fault: { code: 'title-missing' },
    });
  });

  it('have safe names that say what they are, each its own', () => {
    const book = withBrief(withCampaign(project.book, undefined, { name: '../Größe <1>' }), {
      title: '../Über <Nacht>: "Тихий" ' + 'long '.repeat(40),
      stores: ['longreach', 'pocketreel', 'nowhere'],
    });
    const names = deliverables(book).map((d) => d.fileName);
    expect(new Set(names).size).toBe(names.length);
    expect(names).toHaveLength(7);
    for (const name of names) {
      expect(name).toMatch(/^[a-z0-9-]+\.(jpg|png|epub|pdf|svg)$/);
      expect(name.length).toBeLessThanOrEqual(100);
    }
  });

  it('as PNG are read back and graded', () => {
    const opaque = picturePixels(50, 60);
    expect(pngFile(opaque, false)).toMatchObject({ ok: true, value: { findings: [] } });
    expect(pngFile(opaque, true)).toMatchObject({ ok: true, value: { findings: [{ code: 'png-opaque' }] } });
    opaque.data[3] = 0;
    expect(pngFile(opaque, false)).toMatchObject({ ok: true, value: { findings: [{ code: 'png-transparent' }] } });
  });
});

describe('a finished cover', () => {
  it('is the front as it is', async () => {
    const finished = await finishedProject(500, 800);
    const own = new NodeStudio(finished.files);
    const shown = await coverRaster(finished.book, 500, own);
    const { data } = await sharp([...finished.files.values()][0])
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(ssim(shown, raster(500, 800, new Uint8ClampedArray(data)))).toBeGreaterThan(0.999);
  });

  it('of another ratio is shown whole on its own edge colour, never stretched, and that is said', async () => {
    const finished = await finishedProject(800, 1200);
    const own = new NodeStudio(finished.files);
    const made = await storeImage(finished.book, findProfile('longreach')!, own);
    if (!made.ok) throw new Error(made.fault.code);
    expect(made.value.findings.map((f) => f.code)).toEqual(expect.arrayContaining(['cover-fitted', 'cover-enlarged']));
    const sized = coverAt(finished.book, { widthPx: 1600, heightPx: 2560 }, '#112233');
    const pixels = await coverRaster(sized, 1600, own);
    expect([...pixels.data.slice(0, 3)]).toEqual([0x11, 0x22, 0x33]);
    expect([...pixels.data.slice(100 * 1600 * 4, 100 * 1600 * 4 + 3)]).not.toEqual([0x11, 0x22, 0x33]);
  });

  it('is guessed from its ratio', () => {
    expect(looksLikeCover({ widthPx: 1600, heightPx: 2560 })).toBe(true);
    expect(looksLikeCover({ widthPx: 1600, heightPx: 1600 })).toBe(false);
    expect(looksLikeCover({ widthPx: 4000, heightPx: 3000 })).toBe(false);
  });
});
