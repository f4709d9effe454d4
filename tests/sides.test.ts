import { beforeAll, describe, expect, it } from 'vitest';
import { change } from '@yosomi/core/base';
import { composeSpine, edgeColours } from '@yosomi/core/compose';
import { setPart } from '@yosomi/core/cover';
import { LINEAR_OF, type Raster, ssim } from '@yosomi/core/pixels';
import type { Book, Project } from '@yosomi/core/project';
import {
  artKey,
  asSide,
  coverRaster,
  foilRaster,
  frontEdge,
  hasFoil,
  newSide,
  noOthers,
  onSide,
  sceneArt,
  sceneTextures,
  settledCover,
  shownSide,
  sideRatio,
} from '@yosomi/core/recipe';
import { thicknessMm } from '@yosomi/core/book';
import { NodeStudio } from '@yosomi/node-kit';
import { demos } from './fixtures/demos';

let project: Project;
let book: Book;
let studio: NodeStudio;
let edge: readonly string[];
beforeAll(async () => {
  project = demos()[2];
  book = project.book;
  studio = new NodeStudio(project.files);
  edge = await frontEdge(book, studio);
});

const withSpine = (): Book => ({ ...book, sides: { spine: newSide(book, 'spine', edge), back: null } });
const meanApart = (a: Raster, b: Raster): number =>
  a.data.reduce((sum, v, i) => sum + Math.abs(v - b.data[i]), 0) / a.data.length;

describe('a spine to edit', () => {
  it('has exactly the ratio that the thickness asks for', () => {
    const { doc } = newSide(book, 'spine', edge);
    expect(doc.widthPx / doc.heightPx).toBeCloseTo(thicknessMm(book.brief.pageCount) / 203, 3);
    const thin = { ...book, brief: { ...book.brief, pageCount: 40 } };
    expect(newSide(thin, 'spine', edge).doc.widthPx).toBeLessThan(doc.widthPx / 5);
    expect(sideRatio(book, 'back')).toBeCloseTo(book.cover.widthPx / book.cover.heightPx, 9);
  });

  it('begins as the automatic one: the same words in the same places', async () => {
    const { doc } = newSide(book, 'spine', edge);
    const made = await coverRaster(asSide(book, shownSide({ doc, follows: true }, edge)), 120, studio);
    const front = await coverRaster(book, 400, studio);
    const size = { widthPx: doc.widthPx, heightPx: doc.heightPx };
    await studio.loadFonts(['cormorant-garamond/700']);
    const ink = composeSpine(book.cover, book.brief, studio.shaper, edgeColours(front, 'left'), size);
    const automatic = studio.paint(ink, 120, new Map());
    expect(ssim(made, automatic)).toBeGreaterThan(0.93);
  });

  it('is measured on no more pixels than a front, however thin the book', async () => {
    for (const pageCount of [30, 320, 900]) {
      const thin = { ...book, brief: { ...book.brief, pageCount } };
      const side = asSide(book, shownSide(newSide(thin, 'spine', edge), edge));
      let most = 0;
      const counting = new NodeStudio(project.files);
      const paint = counting.paint.bind(counting);
      counting.paint = (ink, widthPx, images) => {
        const painted = paint(ink, widthPx, images);
        most = Math.max(most, painted.width * painted.height);
        return painted;
      };
      const { settled } = await settledCover(side, counting, 400);
      expect(settled.reports.size).toBeGreaterThan(0);
      expect(most).toBeGreaterThan(0);
      expect(most).toBeLessThanOrEqual(400 * 1610);
    }
  });

  it('takes its words from the brief, and its ground from the front until it is painted', async () => {
    let now = withSpine();
    const edited = change(now, onSide('spine', setPart('title', { colour: '#ff0000' })));
    if (!edited.ok) throw new Error(edited.fault.code);
    now = edited.value.next;
    expect(now.sides.spine).toMatchObject({ follows: true });
    expect(now.cover).toBe(book.cover);
    const red = Array.from({ length: 33 }, () => '#c01020');
    const followed = shownSide(now.sides.spine!, red);
    const pixels = await coverRaster(asSide(now, followed), 60, studio);
    expect([...pixels.data.slice(0, 3)]).toEqual([0xc0, 0x10, 0x20]);
    const retitled = { ...now, brief: { ...now.brief, title: 'Another Ledger Altogether' } };
    const other = await coverRaster(asSide(retitled, followed), 60, studio);
    expect(meanApart(pixels, other)).toBeGreaterThan(1);
    const painted = change(now, onSide('spine', setPart('ground', { paint: { kind: 'flat', colour: '#00ff00' } })));
    if (!painted.ok) throw new Error(painted.fault.code);
    expect(painted.value.next.sides.spine).toMatchObject({ follows: false });
    expect(shownSide(painted.value.next.sides.spine!, red)).toBe(painted.value.next.sides.spine!.doc);
    expect(change(book, onSide('spine', setPart('title', {})))).toMatchObject({
      ok: false,
      fault: { code: 'side-gone' },
    });
  });

  it('is on the objects in 3D, and joins the front without a sliver', async () => {
    const plain = await sceneArt(book, book.scene, noOthers, studio, 400);
    const green = change(withSpine(), onSide('spine', setPart('title', { colour: '#00ff00' })));
    if (!green.ok) throw new Error(green.fault.code);
    const now = green.value.next;
    expect(artKey(now)).not.toBe(artKey(book));
    const made = await sceneArt(now, book.scene, noOthers, studio, 400);
    const thin = (art: ReadonlyMap<string, Raster>): Raster => [...art.values()].sort((a, b) => a.width - b.width)[0];
    const [before, after] = [thin(plain.art), thin(made.art)];
    expect([after.width, after.height]).toEqual([before.width, before.height]);
    const greens = (r: Raster): number => {
      let n = 0;
      for (let i = 0; i < r.data.length; i += 4) if (r.data[i + 1] > 200 && r.data[i] < 80) n++;
      return n;
    };
    expect(greens(before)).toBe(0);
    expect(greens(after)).toBeGreaterThan(100);
    // Its right edge goes on with the front's left one: no row is further from it than the gradient's step.
    const front = await coverRaster(book, 400, studio);
    const colours = edgeColours(front, 'left', 20);
    const own = edgeColours(after, 'right', 20);
    const value = (hex: string, c: number): number => parseInt(hex.slice(1 + c * 2, 3 + c * 2), 16);
    colours.forEach((hex, i) =>
      [0, 1, 2].forEach((c) => expect(Math.abs(value(hex, c) - value(own[i], c))).toBeLessThan(9)),
    );
  });
});

describe('a back to edit', () => {
  it('sets the text of the brief whole, however long it is', async () => {
    for (const words of [6, 60, 400]) {
      const blurb = Array.from({ length: words }, (_, i) => ['lantern', 'of', 'salt', 'and', 'snow'][i % 5]).join(' ');
      const long = { ...book, brief: { ...book.brief, blurb } };
      const { doc } = newSide(long, 'back', edge);
      const [with_, without] = [blurb, ''].map((text) =>
        coverRaster(asSide({ ...long, brief: { ...long.brief, blurb: text } }, doc), 300, studio),
      );
      const [shown, bare] = [await with_, await without];
      let lowest = 0;
      for (let i = 0; i < shown.data.length; i += 4)
        if (Math.abs(shown.data[i] - bare.data[i]) > 40) lowest = Math.floor(i / 4 / shown.width);
      expect(lowest).toBeGreaterThan(0.27 * shown.height);
      expect(lowest).toBeLessThan(0.86 * shown.height);
    }
  });
});

describe('foil', () => {
  const stamped = (...parts: string[]): Book => ({
    ...book,
    cover: {
      ...book.cover,
      parts: Object.fromEntries(
        Object.entries(book.cover.parts).map(([id, part]) => [id, { ...part, foil: parts.includes(id) }]),
      ),
    },
  });

  it('is where its parts are, and nowhere else', async () => {
    expect(hasFoil(book.cover)).toBe(false);
    expect(await foilRaster(book, 200, studio)).toBeNull();
    const title = stamped('title');
    const mask = (await foilRaster(title, 200, studio))!;
    const hidden = {
      ...title,
      cover: { ...title.cover, parts: { ...title.cover.parts, title: { ...title.cover.parts.title, hidden: true } } },
    };
    const [whole, without] = [await coverRaster(book, 200, studio), await coverRaster(hidden, 200, studio)];
    let [white, agree] = [0, 0];
    for (let i = 0; i < mask.data.length; i += 4) {
      expect([mask.data[i], mask.data[i + 3]]).toEqual([mask.data[i + 1], 255]);
      if (mask.data[i] < 250) continue;
      white++;
      if (Math.abs(whole.data[i + 1] - without.data[i + 1]) > 12) agree++;
    }
    expect(white).toBeGreaterThan(1000);
    expect(agree / white).toBeGreaterThan(0.97);
    expect(await foilRaster(hidden, 200, studio)).toBeNull();
  });

  it('is in the fourth number of the texels, and on the spine where the title is foil', async () => {
    const art = await sceneArt(stamped('title'), book.scene, noOthers, studio, 200);
    expect(art.foil.size).toBe(2);
    const { memory, byName } = sceneTextures(art);
    const texels = new Int16Array(memory.buffer);
    for (const [key, stampedArt] of art.foil) {
      const [level] = byName.get(key)!;
      const at = (x: number, y: number): number => level.at / 2 + ((y + 2) * (level.width + 4) + x + 2) * 4;
      let most = 0;
      for (let y = 0; y < stampedArt.height; y += 3) {
        for (let x = 0; x < stampedArt.width; x += 3) {
          const share = stampedArt.data[(y * stampedArt.width + x) * 4];
          expect(texels[at(x, y) + 3]).toBe(Math.round((share * 32767) / 255));
          most = Math.max(most, share);
        }
      }
      expect(most).toBe(255);
      const drawn = art.art.get(key)!;
      expect(texels[at(20, 20)]).toBe(LINEAR_OF[drawn.data[(20 * drawn.width + 20) * 4]] >> 1);
    }
  });
});
