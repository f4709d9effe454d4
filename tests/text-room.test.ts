import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { type Doc, type WordsPart, docOf, newShape, newWords, outlineOf, runwayOf } from '@yosomi/core/cover';
import { emptyBrief } from '@yosomi/core/book';
import { compose } from '@yosomi/core/compose';
import {
  type Path,
  type Rect,
  contoursOf,
  crossingsAt,
  intersect,
  pathBounds,
  polygonPath,
  polyline,
} from '@yosomi/core/plane';
import {
  FAMILIES,
  type Block,
  type PlacedWord,
  type TextSpec,
  hyphensTag,
  initialOf,
  layOutAlong,
  layOutInRoom,
  openTrack,
  plainManner,
  plainRoom,
  syllablesFor,
  pairAround,
  pairsIn,
  withPair,
} from '@yosomi/core/text';
import { loadAllFonts, shaper, spec as plain } from './fixtures/type';

beforeAll(loadAllFonts);

const TEXT =
  'A guide for households that mend their own roofs, dig their own wells and would rather understand a boiler than replace it';
const spec: TextSpec = { ...plain, text: TEXT, align: 'left', alignY: 'top', sizePx: 30, leading: 1.25 };
const whole = { initial: null, syllables: null };
const area: Rect = { x: 100, y: 100, width: 420, height: 900 };

/** Words by line, from their feet. */
function linesOf(block: Block): PlacedWord[][] {
  const lines: PlacedWord[][] = [];
  let base = -Infinity;
  for (const word of block.words.filter((one) => !one.initial)) {
    const middle = word.box.y + word.box.height / 2;
    if (middle > base + block.sizePx * 0.6) lines.push([]);
    base = lines[lines.length - 1].length === 0 ? middle : base;
    lines[lines.length - 1].push(word);
  }
  return lines;
}

const inside = (path: Path, outline: Path): boolean => {
  const contours = contoursOf(outline);
  return contoursOf(path).every((points) =>
    points.every(({ x, y }) => crossingsAt(contours, y).some(([from, to]) => x >= from - 0.6 && x <= to + 0.6)),
  );
};

const words = (more: Partial<WordsPart>): ReturnType<typeof newWords> =>
  newWords({
    role: 'strapline',
    says: { kind: 'own', text: TEXT },
    area: { x: 0.1, y: 0.1, width: 0.8, height: 0.8 },
    cut: 'work-sans/400',
    colour: '#101010',
    ...more,
  });
const composed = (doc: Doc) => compose(doc, emptyBrief, { shaper, images: new Map(), syllables: null });

describe('words in a form', () => {
  const forms = [
    { kind: 'ellipse' },
    { kind: 'rectangle', radius: 0.4 },
    { kind: 'polygon', sides: 3 },
    { kind: 'polygon', sides: 6 },
    { kind: 'burst', points: 12, depth: 0.2 },
    { kind: 'badge', scallops: 16, ring: false },
    { kind: 'ribbon', fold: 0.2, notch: 0.3 },
  ] as const;

  it('stay within its outline, every letter, turned too, and keep their order', () => {
    for (const form of forms)
      for (const turnRad of [0, 0.35])
        for (const size of [null, 0.02]) {
          const shape = newShape(form, {
            area: { x: 0.15, y: 0.2, width: 0.7, height: 0.5 },
            colour: '#ffffff',
            turnRad,
          });
          const doc = docOf(1600, 2560, [
            { ...shape, id: 'form' },
            { ...words({ size, align: 'centre', room: { kind: 'inside', part: 'form', gap: 0.01 } }), id: 'words' },
          ]);
          const { blocks } = composed(doc);
          const block = blocks.get('words')!;
          const outline = outlineOf(doc.parts.form, doc)!;
          expect(block.overflows, form.kind).toBe(false);
          expect(block.words.map((w) => w.index)).toEqual(TEXT.split(' ').map((_, i) => i));
          for (const word of block.words) expect(inside(word.path, outline), `${form.kind} ${word.text}`).toBe(true);
        }
  });

  it('are as large as fits where no size is set: a little more would not', () => {
    const doc = (size: number | null): Doc =>
      docOf(1600, 2560, [
        {
          ...newShape({ kind: 'ellipse' }, { area: { x: 0.2, y: 0.2, width: 0.6, height: 0.4 }, colour: '#ffffff' }),
          id: 'form',
        },
        { ...words({ size, align: 'centre', room: { kind: 'inside', part: 'form', gap: 0 } }), id: 'words' },
      ]);
    const fitted = composed(doc(null)).blocks.get('words')!;
    const [width, height] = [0.6 * 1600, 0.4 * 2560];
    const letters = fitted.words.reduce((sum, w) => sum + w.box.width * w.box.height, 0);
    expect(letters / ((Math.PI / 4) * width * height)).toBeGreaterThan(0.25);
    expect(composed(doc((fitted.sizePx * 1.12) / 1600)).blocks.get('words')!.overflows).toBe(true);
  });

  it('run beside it: no letter in it, none out of their own place', () => {
    for (const x of [0.02, 0.55])
      for (const form of forms) {
        const shape = newShape(form, { area: { x, y: 0.15, width: 0.4, height: 0.2 }, colour: '#ffffff' });
        const doc = docOf(1600, 2560, [
          { ...shape, id: 'form' },
          {
            ...words({ size: 0.045, align: 'left', alignY: 'top', room: { kind: 'beside', part: 'form', gap: 0.02 } }),
            id: 'words',
          },
        ]);
        const block = composed(doc).blocks.get('words')!;
        const contours = contoursOf(outlineOf(doc.parts.form, doc)!);
        expect(block.overflows).toBe(false);
        for (const word of block.words) {
          expect(word.box.x).toBeGreaterThan(0.1 * 1600 - 4);
          expect(word.box.x + word.box.width).toBeLessThan(0.9 * 1600 + 4);
          for (const points of contoursOf(word.path))
            for (const p of points)
              expect(
                crossingsAt(contours, p.y).some(([a, b]) => p.x > a && p.x < b),
                word.text,
              ).toBe(false);
        }
        // Beside it lines are shorter than in their whole place, so that there are more of them.
        const free = composed({ ...doc, parts: { words: doc.parts.words } }).blocks.get('words')!;
        expect(linesOf(block).length, form.kind).toBeGreaterThan(linesOf(free).length);
      }
  });

  it('stand in their own place where the form is gone', () => {
    const doc = docOf(1600, 2560, [
      { ...words({ size: 0.03, room: { kind: 'inside', part: 'gone', gap: 0 } }), id: 'words' },
    ]);
    expect(composed(doc).blocks.get('words')!.words.length).toBe(TEXT.split(' ').length);
  });
});

describe('lines in a room', () => {
  it('are never wider than it, hold all words in order, and end on no lone short word', () => {
    fc.assert(
      fc.property(
        fc.array(fc.string({ unit: fc.constantFrom(...'aeiorstlnm'), minLength: 1, maxLength: 9 }), {
          minLength: 4,
          maxLength: 40,
        }),
        fc.integer({ min: 260, max: 700 }),
        fc.constantFrom('left', 'centre', 'right'),
        (list, width, align) => {
          const room = plainRoom({ ...area, width, height: 4000 });
          const block = layOutInRoom(shaper, { ...spec, text: list.join(' '), align }, room, whole);
          expect(block.overflows).toBe(false);
          expect(block.words.map((w) => w.text)).toEqual(list);
          const lines = linesOf(block);
          for (const line of lines) {
            const end = line[line.length - 1];
            expect(line[0].box.x).toBeGreaterThan(area.x - 6);
            expect(end.box.x + end.box.width).toBeLessThan(area.x + width + 6);
          }
        },
      ),
      { numRuns: 60 },
    );
    // Filled line after line, this would end on "it" by itself.
    const block = layOutInRoom(
      shaper,
      { ...spec, text: 'to mend a roof and to keep it' },
      plainRoom({ ...area, width: 330 }),
      whole,
    );
    const lines = linesOf(block);
    expect(lines.length).toBe(2);
    expect(lines[1].length).toBeGreaterThan(1);
  });

  it('keep what a person broke, and go on below it where they do not fit', () => {
    const text = 'one\ntwo three\nfour';
    const lines = linesOf(layOutInRoom(shaper, { ...spec, text }, plainRoom(area), whole));
    expect(lines.map((line) => line.map((w) => w.text).join(' '))).toEqual(['one', 'two three', 'four']);
    const low = layOutInRoom(shaper, spec, plainRoom({ ...area, height: 60 }), whole);
    expect(low.overflows).toBe(true);
    expect(low.words.length).toBe(TEXT.split(' ').length);
  });

  it('spread to both sides where they are asked to, but for the last', () => {
    const block = layOutInRoom(shaper, { ...spec, justified: true }, plainRoom(area), whole);
    const lines = linesOf(block);
    for (const line of lines.slice(0, -1)) {
      const end = line[line.length - 1];
      if (line.length > 1) expect(end.box.x + end.box.width).toBeGreaterThan(area.x + area.width - 8);
    }
    const last = lines[lines.length - 1];
    expect(last[last.length - 1].box.x + last[last.length - 1].box.width).toBeLessThan(area.x + area.width - 8);
  });
});

describe('a first letter', () => {
  it('stands on the last of its lines, as high as they are, and nothing lies on it', () => {
    for (const lines of [2, 3, 4])
      for (const cut of [null, 'playfair-display/800'])
        for (const sizePx of [24, 40]) {
          const initial = { lines, cut };
          const block = layOutInRoom(shaper, { ...spec, sizePx }, plainRoom(area), { initial, syllables: null });
          const [first] = block.words;
          expect(first).toMatchObject({ text: 'A', initial: true });
          const set = linesOf(block);
          expect(set.length).toBeGreaterThan(lines);
          const foot = first.box.y + first.box.height;
          const cap = shaper.metrics(spec.cut).capHeight * sizePx;
          const base = (line: number): number => area.y + cap + line * spec.leading * sizePx;
          expect(foot).toBeGreaterThan(base(lines - 1) - 3);
          expect(foot).toBeLessThan(base(lines - 1) + 0.04 * sizePx * lines + 3);
          expect(Math.abs(first.box.y - area.y)).toBeLessThan(0.06 * sizePx * lines);
          for (const [i, line] of set.entries())
            if (i < lines) expect(line[0].box.x).toBeGreaterThan(first.box.x + first.box.width);
            else expect(line[0].box.x).toBeLessThan(first.box.x + first.box.width);
        }
  });

  it('follows the words: quotes stay with it, a lone letter leaves no hole, and no words make none', () => {
    expect(initialOf('“Once')).toEqual({ letter: '“O', rest: 'nce' });
    expect(initialOf('Über')).toEqual({ letter: 'Ü', rest: 'ber' });
    const manner = { initial: { lines: 3, cut: null }, syllables: null };
    const texts = (text: string): string[] =>
      layOutInRoom(shaper, { ...spec, text }, plainRoom(area), manner).words.map((w) => w.text);
    expect(texts('Of ash and bone')).toEqual(['O', 'f', 'ash', 'and', 'bone']);
    expect(texts('A ship')).toEqual(['A', 'ship']);
    expect(texts('I')).toEqual(['I']);
    expect(texts('')).toEqual([]);
  });
});

describe('hyphens', () => {
  it('divide by the rules of the language, and only there', async () => {
    const en = (await syllablesFor('en-GB'))!;
    const de = (await syllablesFor('de-AT'))!;
    expect(de('Donaudampfschiff').join('-')).toBe('Do-nau-dampf-schiff');
    expect(en('understanding').join('')).toBe('understanding');
    expect(en('understanding').length).toBeGreaterThan(2);
    for (const word of ['roofs', 'well-kept', 'name@site.org', 'A1', '—']) expect(en(word)).toEqual([word]);
    for (const piece of [...en('international'), ...de('Wirklichkeit')]) expect(piece.length).toBeGreaterThan(1);
    expect(await syllablesFor('ja')).toBeNull();
    expect([hyphensTag('pt-BR'), hyphensTag('zz'), hyphensTag('constructor')]).toEqual(['pt', null, null]);
  });

  it('make lines more even, lose no letter, and leave no piece by itself on the last line', async () => {
    const syllables = await syllablesFor('en');
    const narrow = plainRoom({ ...area, width: 210, height: 4000 });
    const ragged = (block: Block): number =>
      linesOf(block)
        .slice(0, -1)
        .reduce(
          (sum, line) => sum + (210 - (line[line.length - 1].box.x + line[line.length - 1].box.width - area.x)) ** 2,
          0,
        );
    const kept = layOutInRoom(shaper, spec, narrow, whole);
    const divided = layOutInRoom(shaper, spec, narrow, { initial: null, syllables });
    expect(divided.words.some((w) => w.text.endsWith('-'))).toBe(true);
    expect(ragged(divided)).toBeLessThan(ragged(kept));
    const back = divided.words.map((w) => (w.text.endsWith('-') ? w.text.slice(0, -1) : `${w.text} `)).join('');
    expect(back.trim()).toBe(TEXT);
    const lines = linesOf(divided);
    const last = lines[lines.length - 1];
    const before = lines[lines.length - 2];
    expect(last.length === 1 && before[before.length - 1].text.endsWith('-')).toBe(false);
  });
});

describe('letters spaced by eye', () => {
  const optical = { ...plainManner, kerning: 'optical' as const };
  const bare = 'AVWTYLPFOHNEDKxvwyotranehg';

  it('bring open pairs together, leave straight ones, and let no letters touch', () => {
    const advance = (cut: string, text: string, manner = plainManner): number =>
      shaper.shape(cut, text, manner).advance;
    const apart = (cut: string, pair: string): number =>
      advance(cut, pair, optical) - advance(cut, pair[0]) - advance(cut, pair[1]);
    for (const family of FAMILIES.filter(
      ({ group }) => group === 'plain' || group === 'stately' || group === 'carved',
    )) {
      const cut = family.cuts[0].id;
      expect(apart(cut, 'AV'), family.name).toBeLessThan(apart(cut, 'HH') - 0.015);
      expect(apart(cut, 'LT'), family.name).toBeLessThan(-0.04);
      expect(Math.abs(apart(cut, 'HH')), family.name).toBeLessThan(0.05);
      for (const a of bare)
        for (const b of bare) {
          const { glyphs } = shaper.shape(cut, a + b, optical);
          if (glyphs.length !== 2) continue;
          const [one, two] = glyphs.map(({ path, at }) => {
            const box = pathBounds(path);
            return { left: box.x + at, right: box.x + box.width + at };
          });
          expect(two.left, `${family.name} ${a}${b}`).toBeGreaterThan(one.left);
        }
    }
  });

  it('are as the face has them in scripts that join, and cost the face nothing elsewhere', () => {
    const arabic = shaper.shape('amiri/400', 'كتاب', optical);
    expect(arabic.advance).toBe(shaper.shape('amiri/400', 'كتاب', plainManner).advance);
  });
});

describe('two letters with a space of their own', () => {
  const spaced = (text: string, pair: string, by: number, more = {}) =>
    shaper.shape('jost/600', text, { ...plainManner, ...more, pairs: [{ pair, by }] });

  it('stand so much apart wherever they meet, and nothing else moves', () => {
    const plain = shaper.shape('jost/600', 'WAVAWA', plainManner);
    const apart = spaced('WAVAWA', 'WA', 0.11);
    expect(apart.advance - plain.advance).toBeCloseTo(0.22, 6);
    const moved = apart.glyphs.map(({ at }, i) => Math.round((at - plain.glyphs[i].at) * 1e4) / 1e4);
    expect(moved).toEqual([0, 0.11, 0.11, 0.11, 0.11, 0.22]);
    // And on top of what the eye asks for, and of tracking.
    for (const more of [{ kerning: 'optical' as const }, { tracking: 0.1 }]) {
      const without = shaper.shape('jost/600', 'WAVE', { ...plainManner, ...more });
      expect(spaced('WAVE', 'AV', -0.05, more).advance - without.advance).toBeCloseTo(-0.05, 6);
    }
  });

  it('are no ligature any more, and others still are', () => {
    const cut = FAMILIES.flatMap(({ cuts }) => cuts)
      .map(({ id }) => id)
      .find((id) => shaper.has(id) && shaper.shape(id, 'fi', plainManner).glyphs.length === 1);
    expect(cut).toBeDefined();
    const glyphs = (pairs: { pair: string; by: number }[]) =>
      shaper.shape(cut!, 'fi', { ...plainManner, pairs }).glyphs.length;
    expect(glyphs([])).toBe(1);
    expect(glyphs([{ pair: 'fi', by: 0.02 }])).toBe(2);
    expect(glyphs([{ pair: 'in', by: 0.02 }])).toBe(1);
  });

  it('are those on either side of a place in a word, accents and all', () => {
    expect(pairsIn('AVA vé')).toEqual(['AV', 'VA', 'vé']);
    expect(pairsIn('كتاب a')).toEqual([]);
    expect(pairAround('AVA', 1)).toBe('AV');
    expect([0, 3, 4].map((at) => pairAround('AVA vé', at))).toEqual([null, null, null]);
    expect(pairAround('ve\u0301t', 3)).toBe('e\u0301t');
    expect(spaced('ve\u0301t', 'e\u0301t', 0.2).advance).toBeCloseTo(
      shaper.shape('jost/600', 've\u0301t', plainManner).advance + 0.2,
      6,
    );
    expect(withPair(withPair([], 'AV', 0.1), 'AV', 0)).toEqual([]);
  });
});

describe('words along a part', () => {
  const ring = (
    more: Partial<Extract<WordsPart['baseline'], { kind: 'along' }>> = {},
    size: number | null = 0.04,
  ): Doc =>
    docOf(1600, 2560, [
      {
        ...newShape({ kind: 'ellipse' }, { area: { x: 0.25, y: 0.3, width: 0.5, height: 0.3125 }, colour: '#ffffff' }),
        id: 'form',
      },
      {
        ...words({ size, baseline: { kind: 'along', part: 'form', from: 0, gap: 0.2, back: false, ...more } }),
        says: { kind: 'own', text: 'Seven winters on the lake' },
        align: 'centre',
        id: 'words',
      },
    ]);
  const centre = { x: 800, y: 0.3 * 2560 + 400 };
  const turns = (block: Block): number[] =>
    block.words.map(({ box }) => Math.atan2(box.x + box.width / 2 - centre.x, centre.y - box.y - box.height / 2));

  it('go round a form: outside over its top, within over its foot, in order', () => {
    const over = composed(ring()).blocks.get('words')!;
    const angles = turns(over);
    expect([...angles].sort((a, b) => a - b)).toEqual(angles);
    expect(Math.abs(angles[0] + angles[angles.length - 1])).toBeLessThan(0.25);
    for (const { box } of over.words)
      expect(Math.hypot(box.x + box.width / 2 - centre.x, box.y + box.height / 2 - centre.y)).toBeGreaterThan(395);
    const under = composed(ring({ back: true })).blocks.get('words')!;
    for (const { box } of under.words) {
      expect(box.y).toBeGreaterThan(centre.y);
      expect(Math.hypot(box.x + box.width / 2 - centre.x, box.y + box.height / 2 - centre.y)).toBeLessThan(400);
    }
    const xs = under.words.map(({ box }) => box.x);
    expect([...xs].sort((a, b) => a - b)).toEqual(xs);
  });

  it('move on along it, and follow it when it moves', () => {
    const quarter = turns(composed(ring({ from: 0.25 })).blocks.get('words')!);
    expect(quarter[0]).toBeGreaterThan(0.5);
    const doc = ring();
    const moved: Doc = {
      ...doc,
      parts: {
        ...doc.parts,
        form: { ...doc.parts.form, area: { x: 0.35, y: 0.3, width: 0.5, height: 0.3125 } } as never,
      },
    };
    const [a, b] = [composed(doc), composed(moved)].map(({ frames }) => frames.get('words')!);
    expect(b.x - a.x).toBeCloseTo(160, 1);
    expect(b.y).toBeCloseTo(a.y, 6);
  });

  it('never lie on each other, however the line bends, and fit it', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.9, max: 0.9, noNaN: true }), fc.integer({ min: 2, max: 5 }), (bend, waves) => {
        const line = polyline(
          Array.from({ length: 200 }, (_, i) => ({
            x: 100 + i * 6,
            y: 600 + Math.sin((i / 200) * Math.PI * waves) * bend * 150,
          })),
        );
        const block = layOutAlong(
          shaper,
          { ...spec, cut: 'work-sans/400', text: 'MINUTE SEMI-TUNING', sizePx: null, maxPx: 46 },
          openTrack(line),
          90,
        );
        expect(block.overflows).toBe(false);
        const letters = block.words.flatMap((word) => contoursOf(word.path));
        // Capitals of one contour each: none has a corner within another.
        const boxes = letters.map((points) => pathBounds(polygonPath(points)));
        for (const [i, one] of letters.entries())
          for (const [k, other] of letters.entries())
            if (i !== k && intersect(boxes[i], boxes[k]).width > 0)
              for (const p of one)
                expect(crossingsAt([other], p.y).some(([a, b]) => p.x > a + 0.5 && p.x < b - 0.5)).toBe(false);
      }),
      { numRuns: 25 },
    );
  });

  it('know the line of a part: closed ones begin where their middle is at the top, or the other way at the foot', () => {
    const doc = ring();
    for (const back of [false, true]) {
      const { line, closed } = runwayOf(doc.parts.form, doc, back)!;
      expect(closed).toBe(true);
      const { point, angleRad } = line.at(line.length / 2);
      expect(point.x).toBeCloseTo(800, -1);
      expect(Math.abs(point.y - (back ? centre.y + 400 : centre.y - 400))).toBeLessThan(6);
      expect(Math.abs(angleRad)).toBeLessThan(0.1);
    }
  });
});
