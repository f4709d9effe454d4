import { beforeAll, describe, expect, it } from 'vitest';
import { type Brief, emptyBrief, wordsOf } from '@yosomi/core/book';
import { type Doc, docOf, newShape, newWords, plainLook } from '@yosomi/core/cover';
import type { Book, Project } from '@yosomi/core/project';
import { type SeriesCover, carriedFront, mainPicture, seriesCover, turnBetween } from '@yosomi/core/recipe';
import { type PictureFacts, evenTurn, pictureFacts, strife } from '@yosomi/core/sketch';
import { labOf, palette, rgbOf } from '@yosomi/core/colour';
import { NodeStudio } from '@yosomi/node-kit';
import { demos } from './fixtures/demos';
import { scenePixels } from './fixtures/pictures';

const area = { x: 0.1, y: 0.1, width: 0.8, height: 0.3 };
const one: Brief = {
  ...emptyBrief,
  title: 'The Salt Letters',
  subtitle: 'A novel',
  author: 'Ida Quill',
  seriesName: 'Tides',
  seriesNumber: 1,
};
const two: Brief = { ...one, title: 'A Harbour of Glass', subtitle: 'A winter', author: 'Ida Quill', seriesNumber: 2 };

const own = (text: string) => ({ kind: 'own', text }) as const;
const words = (id: string, role: 'title' | 'subtitle' | 'byline' | 'series' | 'endorsement', text: string) => ({
  ...newWords({ cut: 'eb-garamond/400', role, area, colour: '#f4e9d0', says: own(text), maxSize: 0.2 }),
  id,
});
const facts = (id: string, width = 400, height = 640): PictureFacts =>
  pictureFacts(id, scenePixels(width, height), { widthPx: width * 4, heightPx: height * 4 });

function front(change: (doc: Doc) => void = () => {}): Pick<Book, 'brief' | 'cover'> {
  const picture = {
    kind: 'picture',
    id: 'picture',
    source: { kind: 'asset', asset: 'mine' },
    area: { x: 0, y: 0, width: 1, height: 1 },
  };
  const cover = docOf(1600, 2560, [
    words('title', 'title', 'The  Salt\nLetters'),
    words('by', 'byline', 'by IDA QUILL'),
    words('line', 'subtitle', 'An old story'),
    words('praise', 'endorsement', '“Cold and bright.”'),
    { ...newShape({ kind: 'rectangle', radius: 0 }, { area, colour: '#123456' }), id: 'band' },
  ]);
  const shape = cover.parts.band;
  cover.parts.picture = {
    ...shape,
    ...picture,
    order: 'a0',
    fit: 'fill',
    tileSize: 0.2,
    tileGap: 0,
    focus: { x: 0.1, y: 0.1 },
    zoom: 1,
    innerTurnRad: 0.2,
    flipX: false,
    flipY: false,
    mask: null,
    soft: {
      fade: { kind: 'round', from: 0.5, to: 1 },
      strokes: [],
      clear: { colour: '#ffffff', reach: 0.1, soft: 0.1 },
    },
    cutOut: { of: 'mine', matte: 'matte', hints: [], feather: 0 },
    lean: { x: 0.1, y: 0 },
    look: { ...plainLook, tint: { dark: '#201008', light: '#ffe8b0', amount: 0.3 } },
    border: null,
    shadow: null,
  } as unknown as Doc['parts'][string];
  change(cover);
  return { brief: one, cover };
}
const says = (doc: Doc, id: string, brief: Brief): string => {
  const part = doc.parts[id];
  if (part.kind !== 'words') throw new Error(id);
  return part.says.kind === 'own' ? part.says.text : wordsOf(brief, part.says.field);
};

describe('a front carried to another volume', () => {
  it('says what the brief there says, keeps what was typed beside it, and tells what stays as it was', () => {
    const { doc, typed } = carriedFront(front(), two, 0, null);
    expect(says(doc, 'title', two)).toBe('A Harbour of Glass');
    // The name is in what was typed; the rest of that stays.
    expect(carriedFront(front(), { ...two, author: 'Oda Penhallow' }, 0, null).doc.parts.by).toMatchObject({
      says: own('by Oda Penhallow'),
    });
    expect(says(doc, 'line', two)).toBe('An old story');
    expect(typed.map(({ text }) => text)).toEqual(['An old story', '“Cold and bright.”']);
    const same = front((c) => Object.assign(c.parts.line, { says: own(' a NOVEL ') }));
    expect(says(carriedFront(same, two, 0, null).doc, 'line', two)).toBe('A winter');
    const hidden = front((c) => Object.assign(c.parts.praise, { hidden: true }));
    expect(carriedFront(hidden, two, 0, null).typed.map(({ text }) => text)).toEqual(['An old story']);
  });

  it('sets the word apart that carries the title, and none that is not there', () => {
    const accent = (word: number) => ({ word, colour: '#ff0000', scale: null, cut: null });
    const at = (accents: readonly number[], to: Brief): number[] => {
      const from = front((c) => Object.assign(c.parts.title, { accents: accents.map(accent) }));
      const part = carriedFront(from, to, 0, null).doc.parts.title;
      return part.kind === 'words' ? part.accents.map(({ word }) => word) : [];
    };
    // "Letters" carries the one, "Harbour" the other.
    expect(at([2], two)).toEqual([1]);
    expect(at([0, 2], { ...two, title: 'Ash' })).toEqual([0]);
    expect(at([1], one)).toEqual([1]);
  });

  it('turns every colour, those of styles too, and leaves how a picture is developed', () => {
    const from = front((c) => {
      const title = c.parts.title;
      if (title.kind === 'words') c.styles.s = { name: 'Large', look: { ...title } };
    });
    const { doc } = carriedFront(from, two, 2, null);
    const colour = (id: string): unknown => (doc.parts[id] as { colour?: unknown }).colour;
    expect(colour('band')).not.toBe('#123456');
    expect(doc.styles.s.look.colour).toBe(colour('title'));
    expect(labOf(rgbOf(String(colour('title'))))[0]).toBeCloseTo(labOf(rgbOf('#f4e9d0'))[0], 1);
    expect(doc.parts.picture).toMatchObject({ look: { tint: { dark: '#201008' } } });
    // A picture in the design's own two colours goes with them.
    const toned = front((c) =>
      Object.assign(c.parts.picture, {
        look: { ...plainLook, tint: { dark: '#123456', light: '#f4e9d0', amount: 0.9 } },
      }),
    );
    const there = carriedFront(toned, two, 2, null).doc;
    expect((there.parts.picture as { look: { tint: { dark: string } } }).look.tint.dark).toBe(
      (there.parts.band as { colour: string }).colour,
    );
    expect(carriedFront(from, two, 0, null).doc.parts.band).toEqual(from.cover.parts.band);
  });

  it('shows the other picture with its own subject in view, and nothing that was marked on the one before', () => {
    const from = front();
    const before = structuredClone(from);
    const { doc } = carriedFront(from, two, 0, facts('theirs'), -0.2);
    expect(from).toEqual(before);
    expect(mainPicture(from.cover)).toBe('mine');
    expect(mainPicture(doc)).toBe('theirs');
    expect(JSON.stringify(doc)).not.toContain('"mine"');
    expect(doc.parts.picture).toMatchObject({
      cutOut: null,
      innerTurnRad: 0,
      lean: { x: 0, y: 0 },
      look: { brightness: -0.2 },
    });
    expect(doc.parts.picture).toMatchObject({ soft: { fade: { kind: 'round' }, strokes: [], clear: null } });
    expect((doc.parts.picture as { focus: unknown }).focus).not.toEqual({ x: 0.1, y: 0.1 });
    // What is filled with it goes along, and counts as the picture where no frame shows one.
    const filled = front((c) => {
      delete c.parts.picture;
      Object.assign(c.parts.band, { fill: { kind: 'picture', asset: 'mine', focus: { x: 0, y: 0 }, zoom: 1 } });
    });
    expect(mainPicture(filled.cover)).toBe('mine');
    expect(carriedFront(filled, two, 0, facts('theirs')).doc.parts.band).toMatchObject({ fill: { asset: 'theirs' } });
    // The same picture keeps all that was done to it.
    expect(carriedFront(from, two, 0, facts('mine')).doc.parts.picture).toEqual(from.cover.parts.picture);
    expect(carriedFront(from, two, 0, null).doc.parts.picture).toEqual(from.cover.parts.picture);
  });
});

describe('the fronts of a series', () => {
  let volumes: Project[];
  let studio: NodeStudio;
  beforeAll(() => {
    volumes = demos()
      .filter(({ book }) => book.brief.seriesName === 'The Lamplighter Accounts')
      .sort((a, b) => a.book.brief.seriesNumber! - b.book.brief.seriesNumber!);
    studio = new NodeStudio(new Map(volumes.flatMap(({ files }) => [...files])));
  });
  const made = async (from: Book, to: Book, more: Partial<Parameters<typeof seriesCover>[0]> = {}) => {
    const place = to.brief.seriesNumber! - from.brief.seriesNumber!;
    const ask = {
      design: { kind: 'front' },
      from,
      to,
      place,
      volumes: 3,
      picture: null,
      turning: true,
      taken: [0],
      own: null,
    };
    const done = await seriesCover({ ...ask, ...more } as Parameters<typeof seriesCover>[0], studio, 160);
    if (!done.ok) throw new Error(done.fault.code);
    return done.value;
  };

  it.each([0, 1, 2])(
    'read in every volume that the front of volume %i is carried to, and go with its picture',
    async (i) => {
      const from = volumes[i].book;
      const design = await made(from, from);
      expect(design.doc).toEqual(from.cover);
      const covers: SeriesCover[] = [design];
      for (const { book } of volumes) {
        if (book.id === from.id) continue;
        const cover = await made(from, book, { own: design, taken: covers.map(({ turn }) => turn) });
        covers.push(cover);
        expect(
          cover.low.filter((id) => !design.low.includes(id)),
          book.brief.title,
        ).toEqual([]);
        expect(mainPicture(cover.doc)).toBe(mainPicture(book.cover));
        const [title] = Object.values(cover.doc.parts).filter((p) => p.kind === 'words' && p.role === 'title');
        expect(says(cover.doc, title.id, book.brief)).toBe(book.brief.title);
        // What lies on the picture goes with it at least as well as an even turn would.
        const picture = await studio.picture(mainPicture(book.cover)!);
        const shown = palette(studio.pixelsOf(studio.resized(picture!, 160)));
        const ground = (turn: number): number => {
          const { doc } = carriedFront(from, book.brief, turn, null);
          const found = Object.values(doc.parts).find((p) => p.kind === 'ground');
          return found?.kind === 'ground' && found.paint.kind === 'flat'
            ? strife([{ hex: found.paint.colour, weight: 1 }], shown)
            : 0;
        };
        expect(ground(cover.turn)).toBeLessThanOrEqual(
          ground(evenTurn(book.brief.seriesNumber! - from.brief.seriesNumber!, 3)) + 0.06,
        );
      }
      expect(new Set(covers.map(({ turn }) => turn.toFixed(2))).size).toBe(3);
    },
  );

  it('keep the colours of the design where that is asked for', async () => {
    const [from, to] = [volumes[0].book, volumes[1].book];
    const cover = await made(from, to, { turning: false });
    expect(cover.turn).toBe(0);
    const band = Object.values(from.cover.parts).find(
      (part) => part.kind === 'shape' && part.form.kind === 'rectangle',
    );
    expect(cover.doc.parts[band!.id]).toEqual(band);
  });

  it('show a picture that is chosen, and that of the design where a volume has none', async () => {
    const [from, to] = [volumes[0].book, volumes[1].book];
    const chosen = mainPicture(volumes[2].book.cover)!;
    expect((await made(from, to, { picture: chosen })).picture).toBe(chosen);
    const bare: Book = { ...to, cover: { ...to.cover, parts: {} }, sheet: { ...to.sheet, pictures: [] } };
    expect((await made(from, bare)).picture).toBe(mainPicture(from.cover));
    // A finished file has its words in it: it is no picture for another design.
    const finished: Book = { ...to, cover: { ...to.cover, finished: true } };
    expect((await made(from, finished)).picture).toBe(mainPicture(from.cover));
  });
});

describe('the turn between two fronts', () => {
  const all = demos().map(({ book }) => book);
  const apart = (a: number, b: number): number => Math.abs(Math.atan2(Math.sin(a - b), Math.cos(a - b)));
  it('is the one by which the colours of one were turned, as far as screens have the colours', () => {
    for (const book of all.filter(({ cover }) => !cover.finished))
      for (const angle of [0.4, 1.2, 2.1, 3, -0.9, -2.4]) {
        const found = turnBetween(book.cover, carriedFront(book, two, angle, null).doc);
        expect(found === null ? Infinity : apart(found, angle), `${book.id} ${angle}`).toBeLessThan(0.4);
      }
  });
  it('is none between a front and itself', () => {
    for (const { cover } of all.filter((book) => !book.cover.finished))
      expect(turnBetween(cover, cover)).toBeCloseTo(0);
  });
  it('is not told where fronts have nothing in common, or no colour', () => {
    const grey = docOf(1600, 2560, [{ ...words('title', 'title', 'A'), colour: '#888888' }]);
    expect(turnBetween(grey, grey)).toBeNull();
    expect(
      turnBetween(docOf(1600, 2560, [words('title', 'title', 'A')]), docOf(1600, 2560, [words('other', 'title', 'A')])),
    ).toBeNull();
  });
});
