import { beforeAll, describe, expect, it } from 'vitest';
import { rgbOf } from '@yosomi/core/colour';
import { fromMarkdownText, newBooklet, openingOf, spreadWith, spreadsOf } from '@yosomi/core/booklet';
import {
  type Scene,
  type Thing,
  adopted,
  arranged,
  artFor,
  defaultScene,
  looksOf,
  plainThing,
  setting,
} from '@yosomi/core/mockup';
import { type Raster, flatten, largestDifference } from '@yosomi/core/pixels';
import { LOOKS } from '@yosomi/core/promo';
import { type Book, type Paged, type Project, hasPages } from '@yosomi/core/project';
import {
  type Others,
  allCredits,
  artKey,
  bookletPage,
  bookletPages,
  coverRaster,
  missingFile,
  noOthers,
  sceneArt,
  subjectsOf,
} from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { demos } from './fixtures/demos';

const PX = 400;
const OPEN = plainThing({ kind: 'open-book', thicknessMm: null });
const sceneOf = (...things: Thing[]): Scene => ({ ...defaultScene, arrangement: 'row', things });
const pageThing = (at: number, kind: 'tablet' | 'open-book' | 'paperback' = 'tablet'): Thing => ({
  ...plainThing(kind === 'tablet' ? { kind } : { kind, thicknessMm: null }),
  art: { kind: 'page', at },
});

let project: Project;
let book: Paged;
let studio: NodeStudio;
beforeAll(() => {
  project = demos().find((one) => one.book.booklet !== null)!;
  if (!hasPages(project.book)) throw new Error('no booklet');
  book = project.book;
  studio = new NodeStudio(project.files);
});

const withText = (of: Book, text: string): Paged => {
  const read = fromMarkdownText(text);
  if (!read.ok) throw new Error(read.fault.code);
  return { ...of, booklet: { ...newBooklet(read.value.manuscript), sheet: 'a5' } };
};

/** A page as it is printed: nothing of it is clear, not even where it ends within a pixel. */
const printed = async (of: Paged, at: number): Promise<Raster> =>
  flatten((await bookletPage(of, at, PX, studio))!, [255, 255, 255]);

/** The art of one thing of a scene by its side. */
async function artOf(of: Book, scene: Scene, others: Others = noOthers): Promise<Map<string, Raster>> {
  const { art } = await sceneArt(of, scene, others, studio, PX);
  const models = setting(scene, subjectsOf(of, scene, others));
  const { art: wanted } = looksOf(
    scene,
    models.map((model) => model.looks),
  );
  return new Map([...wanted].map(([key, { side }]) => [side, art.get(key)!]));
}

describe('openings of a booklet', () => {
  it('lie side by side as in a book: the first page alone at the right, and every page in one of them', () => {
    expect(spreadsOf(1)).toEqual([-1]);
    expect(spreadsOf(2)).toEqual([-1, 1]);
    expect(spreadsOf(5)).toEqual([-1, 1, 3]);
    for (let count = 1; count < 30; count++) {
      const shown = spreadsOf(count)
        .flatMap((left) => [left, left + 1])
        .filter((at) => at >= 0 && at < count);
      expect(shown).toEqual(Array.from({ length: count }, (_, at) => at));
      for (let at = -1; at < count; at++) {
        const left = spreadWith(at);
        expect(spreadsOf(count + 1)).toContain(left);
        expect([left, left + 1]).toContain(at);
      }
    }
  });

  it('show text on both sides where there is such a one', async () => {
    const { pages } = await bookletPages(book, studio);
    const left = openingOf(pages);
    expect(pages.pages[left].number % 2).toBe(0);
    for (const at of [left, left + 1]) expect(pages.pages[at].places.length).toBeGreaterThan(0);
  });
});

describe('a book that lies open', () => {
  it('shows two pages of the booklet, as they are in its file, on a sheet of their shape', async () => {
    const scene = sceneOf(OPEN);
    const [subject] = subjectsOf(book, scene, noOthers);
    const { pages } = await bookletPages(book, studio);
    expect(subject.widthPx / subject.heightPx).toBeCloseTo(pages.width / pages.height, 6);
    const art = await artOf(book, scene);
    const left = openingOf(pages);
    for (const [side, at] of [
      ['leftPage', left],
      ['rightPage', left + 1],
    ] as const) {
      const page = await printed(book, at);
      expect(largestDifference(art.get(side)!, page), side).toBe(0);
    }
    expect(largestDifference(art.get('leftPage')!, art.get('rightPage')!)).toBeGreaterThan(100);
  });

  it('opens where a person says, and beyond the ends there is bare paper', async () => {
    const art = await artOf(book, sceneOf(pageThing(4, 'open-book')));
    expect(largestDifference(art.get('leftPage')!, await printed(book, 3))).toBe(0);
    expect(largestDifference(art.get('rightPage')!, await printed(book, 4))).toBe(0);
    const first = await artOf(book, sceneOf(pageThing(0, 'open-book')));
    expect(new Set(first.get('leftPage')!.data)).toEqual(new Set([255]));
    expect(largestDifference(first.get('rightPage')!, await printed(book, 0))).toBe(0);
  });

  it('opens at the last of them where the text has become shorter, and bare paper has the colour of the pages', async () => {
    const { pages } = await bookletPages(book, studio);
    const last = pages.pages.length - 1;
    const far = await artOf(book, sceneOf(pageThing(900, 'open-book')));
    const side = last % 2 === 0 ? 'rightPage' : 'leftPage';
    expect(largestDifference(far.get(side)!, await printed(book, last))).toBe(0);
    const essay: Paged = { ...book, booklet: { ...book.booklet, look: 'essay' } };
    const { colours } = (await bookletPages(essay, studio)).design;
    expect(colours.paper).not.toBe('#ffffff');
    const bare = (await artOf(essay, sceneOf(pageThing(0, 'open-book')))).get('leftPage')!;
    expect([...bare.data.subarray(0, 3)]).toEqual([...rgbOf(colours.paper)]);
  });

  it('has the cover’s colour about its pages, and lines in place of text where the title has no pages', async () => {
    const bare = { ...book, booklet: null };
    const plain = await artOf(bare, sceneOf(OPEN));
    expect([...plain.keys()]).toEqual(['plain']);
    expect(largestDifference((await artOf(book, sceneOf(OPEN))).get('plain')!, plain.get('plain')!)).toBe(0);
  });

  it('shows those of another title that stands beside it', async () => {
    const other = withText({ ...book, id: 'another-title' }, '# One\n\nWords of another\n');
    const others: Others = new Map([[other.id, other]]);
    const scene = sceneOf({ ...OPEN, art: { kind: 'title', id: other.id } });
    const art = await artOf({ ...book, booklet: null }, scene, others);
    expect(largestDifference(art.get('rightPage')!, await printed(other, 0))).toBe(0);
  });
});

describe('a page on a thing', () => {
  it('is the whole page, on its paper where the place has another shape; the cover is nowhere', async () => {
    const art = (await artOf(book, sceneOf(pageThing(2)))).get('front')!;
    const page = await printed(book, 2);
    const top = Math.floor((art.height - page.height) / 2);
    expect(art.width).toBe(page.width);
    expect(top).toBeGreaterThan(4);
    const { design } = await bookletPages(book, studio);
    expect(design.colours.paper).toBe('#ffffff');
    expect(new Set(art.data.subarray(0, art.width * 4 * (top - 1)))).toEqual(new Set([255]));
    // Row by row: the place is a fraction of a pixel off at most.
    let [sum, n] = [0, 0];
    for (let y = 0; y < page.height; y++)
      for (let x = 0; x < page.width; x++, n++)
        sum += Math.abs(art.data[((y + top) * art.width + x) * 4] - page.data[(y * page.width + x) * 4]);
    expect(sum / n).toBeLessThan(6);
  });

  it('cannot be composed anew: it is a page', async () => {
    const [whole, anew] = await Promise.all(
      (['whole', 'recompose'] as const).map(async (fit) =>
        (await artOf(book, sceneOf({ ...pageThing(2), fit }))).get('front')!,
      ),
    );
    expect(largestDifference(whole, anew)).toBe(0);
  });

  it('is a front like any other on a book', async () => {
    const art = await artOf(book, sceneOf(pageThing(2, 'paperback')));
    expect(largestDifference(art.get('front')!, await printed(book, 2))).toBe(0);
    expect(art.has('spine')).toBe(true);
  });

  it('past the last one is the last one', async () => {
    const { pages } = await bookletPages(book, studio);
    const last = await printed(book, pages.pages.length - 1);
    const art = await artOf(book, sceneOf(pageThing(900, 'paperback')));
    expect(largestDifference(art.get('front')!, last)).toBe(0);
  });

  it('is the cover where the booklet has gone, on the screen alone: no file is made so', async () => {
    const gone = { ...book, booklet: null };
    const scene = sceneOf(pageThing(2, 'paperback'));
    const art = (await artOf(gone, scene)).get('front')!;
    expect(largestDifference(art, await coverRaster(gone, PX, studio))).toBe(0);
    expect(await missingFile(gone, 'scene', studio, noOthers, scene)).toMatchObject({ code: 'pages-gone' });
    expect(await missingFile(book, 'scene', studio, noOthers, scene)).toBeNull();
  });
});

describe('a promo', () => {
  it('asks for the pages of a scene only where it shows that scene', async () => {
    const gone = { ...book, booklet: null, scene: sceneOf(pageThing(2)) };
    const [campaign] = Object.values(book.promos);
    const code = async (look: string): Promise<string | null> => {
      const promos = { one: { ...campaign, id: 'one', made: {}, style: { ...campaign.style, look } } };
      return (await missingFile({ ...gone, promos }, 'promo', studio))?.code ?? null;
    };
    const shows = (own: boolean): string => LOOKS.find(({ shots }) => shots.includes('own') === own)!.id;
    expect(await code(shows(true))).toBe('pages-gone');
    expect(await code(shows(false))).toBeNull();
  });
});

describe('what follows from pages in a scene', () => {
  it('a scene that shows pages is out of date when their text is another, one that shows none is not', () => {
    const other = withText(book, '# One\n\nOther words\n');
    for (const [scene, moves] of [
      [sceneOf(OPEN), true],
      [sceneOf(pageThing(1)), true],
      [sceneOf(plainThing({ kind: 'tablet' })), false],
    ] as const)
      expect(artKey(other, scene) !== artKey(book, scene), JSON.stringify(scene.things[0].object)).toBe(moves);
  });

  it('a picture on a page that is not there is a fault of the scene, and not of one without pages', async () => {
    const [id] = Object.keys(book.assets);
    const paged: Book = {
      ...withText(book, '# One\n\nWords\n'),
      cover: { ...book.cover, parts: {} },
    };
    paged.booklet!.manuscript.blocks.push({
      kind: 'picture',
      asset: id,
      alt: 'Moss',
      caption: [],
      width: 'column',
    } as Paged['booklet']['manuscript']['blocks'][number]);
    const without = new NodeStudio(new Map());
    expect(await missingFile(paged, 'scene', without, noOthers, sceneOf(OPEN))).toMatchObject({
      code: 'picture-missing',
    });
    expect(await missingFile(paged, 'scene', without, noOthers, sceneOf(plainThing({ kind: 'tablet' })))).toBeNull();
    const line = 'Picture: Ida Quill';
    const due = {
      ...paged,
      id: 'another-title',
      assets: { [id]: { ...book.assets[id], rights: { ...book.assets[id].rights, credit: line } } },
    };
    const shown = { ...book, scene: sceneOf({ ...OPEN, art: { kind: 'title', id: due.id } }) };
    const others: Others = new Map([[due.id, due]]);
    expect(allCredits(shown, others)).toContain(line);
    expect(
      allCredits(
        { ...shown, scene: sceneOf({ ...OPEN, object: { kind: 'tablet' }, art: { kind: 'title', id: due.id } }) },
        others,
      ),
    ).not.toContain(line);
  });

  it('a kept scene serves a title without pages with its cover', () => {
    const scene = sceneOf(pageThing(1), OPEN);
    const by = (pages: boolean) =>
      adopted(scene, { id: 'x', pages, has: () => true }).things.map(({ art }) => art.kind);
    expect(by(true)).toEqual(['page', 'this']);
    expect(by(false)).toEqual(['this', 'this']);
  });

  it('a page stays where pages are read; a bound book has its cover again', () => {
    const kinds = (scene: Scene) => scene.things.map(({ object, art }) => `${object.kind} ${art.kind}`);
    const open = arranged(sceneOf(pageThing(3, 'open-book')), 'open', []);
    expect(kinds(open)).toEqual(['open-book page', 'paperback this']);
    expect(kinds(arranged(sceneOf(pageThing(3, 'open-book')), 'standing', []))).toEqual(['paperback this']);
    expect(kinds(arranged(sceneOf(pageThing(3)), 'standing', []))).toEqual(['tablet page']);
    expect(kinds(arranged(sceneOf(pageThing(3)), 'screens', []))).toEqual([
      'laptop page',
      'paperback this',
      'tablet page',
      'phone page',
    ]);
    expect(artFor('hardcover', { kind: 'page', at: 1 })).toEqual({ kind: 'this' });
    expect(artFor('phone', { kind: 'page', at: 1 })).toEqual({ kind: 'page', at: 1 });
  });

  it('the open arrangement lays the pages beside the book', () => {
    const scene = arranged(defaultScene, 'open', []);
    expect(subjectsOf(book, scene, noOthers).map(({ pages }) => pages ?? false)).toEqual([true, false]);
  });
});
