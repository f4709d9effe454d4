import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BOOK_KINDS, type Brief, MOODS, emptyBrief } from '../book';
import { type Swatch, contrast, hexOf, hexTurned, hueOf, labOf, rgbOf } from '../colour';
import { raster } from '../pixels';
import { FACES_WITH, FAMILIES, findCut, scriptsOf } from '../text';
import { noSymbols } from '../symbols';
import {
  Chooser,
  GROUPS,
  LEAST_DIFFERENCE,
  PAIRINGS,
  STRUCTURES,
  type SheetAsk,
  Sketch,
  type Tones,
  type Traits,
  difference,
  factsOf,
  keyWord,
  moodsOfSketch,
  pictureFacts,
  planSheet,
  coloursOfSketch,
  evenTurn,
  seriesSketch,
  strife,
  structuresIn,
  toneDistance,
  tonesFromColours,
  tonesFromPicture,
  tonesOf,
  tonesOfMood,
  turnedTones,
  volumeTurns,
} from './index';

const hex = fc
  .tuple(fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }))
  .map(([r, g, b]) => hexOf([r, g, b]));

const ask = (more: Partial<Brief> = {}, other: Partial<SheetAsk> = {}): SheetAsk => ({
  brief: { ...emptyBrief, title: 'A Map of Slow Rivers', author: 'Ada Fenwright', ...more },
  widthPx: 1600,
  heightPx: 2560,
  pictures: [],
  symbols: noSymbols,
  authorLarge: false,
  mark: null,
  seed: 7,
  house: { colours: [], cuts: [] },
  must: { colour: null, cut: null },
  pictured: 'any',
  ...other,
});

function reads({ ground, words, second, accent, block, onBlock }: Tones): void {
  // 7 : 1 is wanted for the title; where no lightness of any colour reaches it, black or white is the best there is.
  const most = Math.max(contrast('#000000', ground), contrast('#ffffff', ground));
  expect(contrast(words, ground)).toBeGreaterThanOrEqual(Math.min(7, most) - 1e-9);
  for (const colour of [words, second, accent]) expect(contrast(colour, ground)).toBeGreaterThanOrEqual(4.5);
  expect(contrast(onBlock, block)).toBeGreaterThanOrEqual(4.5);
  expect(toneDistance(ground, block)).toBeGreaterThanOrEqual(0.119);
}

describe('tones', () => {
  it('read by construction, whatever they are made from', () => {
    fc.assert(
      fc.property(hex, hex, hex, hex, (ground, words, accent, block) => {
        reads(tonesOf('any', { ground, words, accent, block }));
      }),
      { numRuns: 400 },
    );
    for (const mood of MOODS) for (const tones of tonesOfMood(mood)) reads(tones);
  });

  it('read from the colours of a house, of one colour that must be there, and of any picture', () => {
    fc.assert(
      fc.property(fc.array(hex, { minLength: 1, maxLength: 5 }), (colours) => {
        for (const tones of tonesFromColours(colours, 'The house’s')) reads(tones);
      }),
      { numRuns: 60 },
    );
    fc.assert(
      fc.property(fc.array(hex, { minLength: 1, maxLength: 6 }), (colours) => {
        const sample = raster(24, 24);
        for (let i = 0; i < 24 * 24; i++) {
          const n = parseInt(colours[i % colours.length].slice(1), 16);
          sample.data.set([n >> 16, (n >> 8) & 255, n & 255, 255], i * 4);
        }
        for (const tones of tonesFromPicture(sample, 'The picture’s')) reads(tones);
      }),
      { numRuns: 40 },
    );
  });

  it('still read when their hues are turned', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...MOODS),
        fc.nat(4),
        fc.double({ min: -7, max: 7, noNaN: true }),
        (mood, i, angle) => {
          reads(turnedTones(tonesOfMood(mood)[i], angle));
        },
      ),
    );
  });
});

describe('words', () => {
  it('have a key word that is no article, and an initial that is of no article', () => {
    expect(keyWord('A Debt of Foxfire'.split(' '))).toBe(3);
    expect(keyWord('The Ledger of Small Hours'.split(' '))).toBe(1);
    expect(keyWord(['of', 'the'])).toBe(1);
    expect(factsOf({ ...emptyBrief, title: 'The  Quiet\nStreets' })).toMatchObject({
      initial: 'Q',
      letters: 15,
      longest: 7,
    });
    expect(factsOf({ ...emptyBrief, title: '“…”' }).initial).toBe('');
  });

  it('are told by the letters they need', () => {
    expect(scriptsOf('Ο Κήπος').scripts).toEqual(['greek']);
    expect(scriptsOf('Сад и дождь — 2').scripts).toEqual(['cyrillic', 'latin']);
    expect(scriptsOf('Khu vườn nhỏ').scripts).toContain('vietnamese');
    expect(scriptsOf('حديقة').scripts).toEqual(['arabic']);
    expect(scriptsOf('Łąka').scripts).toContain('latin-extended');
    expect(scriptsOf('苔の庭').foreign.length).toBe(3);
    for (const families of Object.values(FACES_WITH))
      for (const id of families)
        expect(
          FAMILIES.some((f) => f.id === id),
          id,
        ).toBe(true);
  });
});

describe('the registries', () => {
  it('have structures of every group and for every kind of book, with or without pictures', () => {
    expect(STRUCTURES.length).toBeGreaterThanOrEqual(24);
    expect(new Set(STRUCTURES.map((s) => s.id)).size).toBe(STRUCTURES.length);
    expect(new Set(STRUCTURES.map((s) => s.name)).size).toBe(STRUCTURES.length);
    for (const group of GROUPS) expect(STRUCTURES.filter((s) => s.group === group).length).toBeGreaterThan(5);
    for (const kind of BOOK_KINDS) {
      const good = STRUCTURES.filter((s) => (s.kinds[kind] ?? 1) >= 2);
      expect(good.filter((s) => s.asks.pictures[0] === 0).length).toBeGreaterThan(5);
      expect(good.filter((s) => s.asks.pictures[0] > 0).length).toBeGreaterThan(5);
    }
    for (const s of STRUCTURES) expect(s.turns).toBeLessThanOrEqual(8);
  });

  it('name only cuts that ship, each pairing once and with a reason', () => {
    for (const { title, other, why } of PAIRINGS) {
      expect(findCut(title), title).toBeDefined();
      expect(findCut(other), other).toBeDefined();
      expect(why.length).toBeGreaterThan(10);
    }
    expect(new Set(PAIRINGS.map((p) => p.id)).size).toBe(PAIRINGS.length);
  });
});

describe('a picture', () => {
  const painted = (paint: (x: number, y: number) => readonly [number, number, number]) => {
    const r = raster(120, 90);
    for (let y = 0; y < 90; y++) for (let x = 0; x < 120; x++) r.data.set([...paint(x, y), 255], (y * 120 + x) * 4);
    return pictureFacts('p', r, { widthPx: 1200, heightPx: 900 });
  };
  it('has its subject where something stands out', () => {
    const { subject } = painted((x, y) => (Math.hypot(x - 90, y - 30) < 14 ? [240, 60, 40] : [60, 90, 120]));
    expect(subject.x).toBeCloseTo(0.75, 1);
    expect(subject.y).toBeCloseTo(0.33, 1);
  });
  it('is plain where it shows nothing, and stands free where its border is one light', () => {
    expect(painted(() => [255, 255, 255]).plain).toBe(true);
    expect(painted((x, y) => (Math.hypot(x - 60, y - 45) < 20 ? [40, 60, 40] : [252, 252, 250]))).toMatchObject({
      plain: false,
      border: 'light',
    });
    expect(painted((x, y) => (Math.hypot(x - 60, y - 45) < 20 ? [240, 200, 40] : [3, 4, 5])).border).toBe('dark');
    expect(painted((x) => [x * 2, 90, 120]).border).toBeNull();
  });
});

describe('a plan', () => {
  const planned = (a: SheetAsk) => {
    const plan = planSheet(a);
    if (!plan.ok) throw new Error(plan.fault.code);
    return plan.value;
  };
  it('is the same for the same seed and another for another', () => {
    expect(planned(ask())).toEqual(planned(ask()));
    expect(planned(ask({}, { seed: 8 }))).not.toEqual(planned(ask()));
  });
  it('has valid sketches, and no structure again within seven places', () => {
    const plan = planned(ask());
    expect(plan.length).toBeGreaterThan(48);
    for (const { attempts } of plan) for (const one of attempts) expect(Sketch.parse(one)).toEqual(one);
    const order = plan.map((slot) => slot.attempts[0].structure);
    order.forEach((id, i) => expect(order.slice(i + 1, i + 8)).not.toContain(id));
  });
  it('keeps what "more like this" keeps, and varies the rest', () => {
    const [{ attempts }] = planned(ask());
    const of = attempts[0];
    for (const keep of ['structure', 'tones', 'faces'] as const) {
      const plan = planSheet(ask(), { of, structure: false, tones: false, faces: false, [keep]: true });
      if (!plan.ok) throw new Error(plan.fault.code);
      const all = plan.value.flatMap((slot) => slot.attempts);
      for (const one of all) expect(one[keep]).toEqual(of[keep]);
      const rest = (['structure', 'tones', 'faces'] as const).filter((k) => k !== keep);
      for (const k of rest) expect(new Set(all.map((one) => JSON.stringify(one[k]))).size).toBeGreaterThan(3);
    }
  });
  it('has the colour and the face that must be there everywhere', () => {
    const all = planned(ask({}, { must: { colour: '#8a1f3d', cut: 'lora/700' } })).flatMap((slot) => slot.attempts);
    for (const { tones, faces } of all) {
      expect(
        Math.min(...[tones.ground, tones.accent, tones.block].map((c) => toneDistance(c, '#8a1f3d'))),
      ).toBeLessThan(0.02);
      expect([faces.title, faces.other]).toContain('lora/700');
    }
  });
  it('takes only faces that have the letters, and says where none has', () => {
    for (const { attempts } of planned(ask({ title: 'Ο Κήπος της Βροχής', author: 'Ελένη' })))
      for (const { faces } of attempts) expect(FACES_WITH.greek).toContain(faces.title.split('/')[0]);
    expect(planSheet(ask({ title: '苔の庭' }))).toMatchObject({ ok: false, fault: { code: 'letters-foreign' } });
    expect(planSheet(ask({ title: '  ' }))).toMatchObject({ ok: false, fault: { code: 'title-missing' } });
  });
  it('takes number structures only for volumes of a series', () => {
    const has = (a: SheetAsk) => planned(a).some(({ attempts }) => attempts[0].structure === 'great-number');
    expect(has(ask())).toBe(false);
    expect(has(ask({ seriesName: 'The Fen Papers', seriesNumber: 3 }))).toBe(true);
  });
});

const traits = (more: Partial<Sketch> = {}, light = 0.5): Traits => ({
  sketch: {
    structure: 'disc',
    faces: { title: 'lora/700', other: 'lora/400' },
    tones: tonesOfMood('calm')[0],
    pictures: [],
    symbols: [],
    grade: 'plain',
    turn: 0,
    ...more,
  },
  look: Array.from({ length: 96 }, () => [light, 0, 0] as const),
});

describe('difference', () => {
  it('is nothing to itself, the same both ways, and never past 1', () => {
    const any = fc.record({
      structure: fc.constantFrom('disc', 'hills', 'plate'),
      turn: fc.nat(3),
      tones: fc.constantFrom(...MOODS.flatMap(tonesOfMood)),
    });
    fc.assert(
      fc.property(any, any, fc.double({ min: 0, max: 1, noNaN: true }), (a, b, light) => {
        const [x, y] = [traits(a), traits(b, light)];
        expect(difference(x, x)).toBe(0);
        expect(difference(x, y)).toBeCloseTo(difference(y, x), 12);
        expect(difference(x, y)).toBeLessThanOrEqual(1 + 1e-9);
      }),
    );
  });

  it('keeps the like off a sheet, and lets what stands beside its like wait', () => {
    const chooser = new Chooser<Traits>(10, 4);
    const [dark, bold, bright] = [tonesOfMood('dark')[0], tonesOfMood('bold')[0], tonesOfMood('bright')[0]];
    const first = traits();
    expect(chooser.offer(first)).toEqual([first]);
    expect(chooser.offer(traits())).toEqual([]);
    const same = traits({ tones: dark, turn: 1, faces: { title: 'jost/600', other: 'jost/400' } }, 0.1);
    expect(chooser.offer(same)).toEqual([]);
    const other = traits({ structure: 'hills', tones: bold }, 0.3);
    expect(chooser.offer(other)).toEqual([other]);
    const last = traits({ structure: 'plate', tones: bright }, 0.9);
    expect(chooser.offer(last)).toEqual([last, same]);
    for (const [i, a] of chooser.chosen.entries())
      for (const b of chooser.chosen.slice(i + 1)) expect(difference(a, b)).toBeGreaterThanOrEqual(LEAST_DIFFERENCE);
  });

  it('takes no more than asked for', () => {
    const chooser = new Chooser<Traits>(1, 3);
    chooser.offer(traits());
    expect(chooser.full).toBe(true);
    expect(chooser.offer(traits({ structure: 'hills', tones: tonesOfMood('bold')[0] }, 0.1))).toEqual([]);
  });
});

describe('a series', () => {
  const swatches = (...of: readonly (readonly [string, number])[]): Swatch[] =>
    of.map(([hex, share]) => ({ hex, share, lab: labOf(rgbOf(hex)) }));
  const snow = swatches(['#1f2a4b', 0.25], ['#38456e', 0.25], ['#c0bbc7', 0.3], ['#e0dbdf', 0.2]);
  const design = coloursOfSketch(traits({ tones: tonesOfMood('bright')[1] }).sketch);
  const turned = (angle: number): typeof design =>
    design.map(({ hex, weight }) => ({ hex: hexTurned(hex, angle), weight }));

  it('keeps structure and faces, and turns the palette', () => {
    const { sketch } = traits({ tones: tonesOfMood('bright')[1] });
    const hue = (c: string): number => hueOf(labOf(rgbOf(c)));
    const all = [0, 1, 2].map((i) => seriesSketch(sketch, evenTurn(i, 3), [`p${i}`]));
    expect(all[0].tones).toEqual(sketch.tones);
    for (const one of all)
      expect([one.structure, one.faces, one.turn]).toEqual([sketch.structure, sketch.faces, sketch.turn]);
    expect(all.map((one) => one.pictures)).toEqual([['p0'], ['p1'], ['p2']]);
    for (let i = 0; i < 3; i++)
      for (let k = i + 1; k < 3; k++)
        expect(Math.abs(Math.sin((hue(all[i].tones.ground) - hue(all[k].tones.ground)) / 2))).toBeGreaterThan(0.3);
  });

  it('has no strife with its own colours, nor grey with any, and brown has with snow', () => {
    expect(strife(design, [])).toBe(0);
    const own = swatches(...design.map(({ hex }) => [hex, 0.25] as const));
    expect(strife(design, own)).toBeCloseTo(0, 6);
    expect(strife([{ hex: '#777777', weight: 1 }], snow)).toBeCloseTo(0, 6);
    const dark = (hex: string): number => strife([{ hex, weight: 1 }], snow);
    expect(dark('#21110f')).toBeGreaterThan(2 * dark('#101623'));
    // A colour that a picture has little of is no match for what a cover has much of.
    const speck = swatches(['#1f2a4b', 0.95], ['#21110f', 0.05]);
    expect(strife([{ hex: '#21110f', weight: 0.8 }], speck)).toBeGreaterThan(0.05);
    expect(strife([{ hex: '#21110f', weight: 0.02 }], speck)).toBeCloseTo(0, 6);
  });

  it('turns evenly where pictures ask for nothing, and to what goes with them where they do', () => {
    expect(volumeTurns(design, evenTurn(1, 3), [], [0])[0]).toBeCloseTo(evenTurn(1, 3), 6);
    expect(volumeTurns(design, evenTurn(2, 3), [], [0, evenTurn(1, 3)])[0]).toBeCloseTo(evenTurn(2, 3), 6);
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 23 }),
        fc.array(fc.tuple(fc.integer({ min: 0, max: 0xffffff }), fc.double({ min: 0.05, max: 1, noNaN: true })), {
          minLength: 1,
          maxLength: 7,
        }),
        (n, colours) => {
          const sum = colours.reduce((all, [, share]) => all + share, 0);
          const shown = swatches(
            ...colours.map(([hex, share]) => [`#${hex.toString(16).padStart(6, '0')}`, share / sum] as const),
          );
          const even = evenTurn(n, 24);
          const [first] = volumeTurns(design, even, shown, []);
          // As far from even as it is, so much less strife does it have.
          expect(strife(turned(first), shown)).toBeLessThanOrEqual(strife(turned(even), shown) + 1e-9);
        },
      ),
    );
  });

  it('gives no volume the colours of another', () => {
    const turns: number[] = [0];
    for (const volume of [1, 2, 3]) turns.push(volumeTurns(design, evenTurn(volume, 4), snow, turns)[0]);
    const grounds = turns.map((angle) => hexTurned(design[0].hex, angle));
    expect(new Set(grounds).size).toBe(4);
  });
});

describe('moods', () => {
  it('of a sketch are those of its colours, and those that structure and faces share', () => {
    const { sketch } = traits({ structure: 'hills', tones: tonesOfMood('bold')[0] });
    expect(moodsOfSketch(sketch)).toEqual(['bold', 'calm', 'warm', 'tender']);
  });
});

describe('structures in a plan', () => {
  it('are counted', () => {
    const plan = planSheet(ask());
    if (!plan.ok) throw new Error(plan.fault.code);
    expect(structuresIn(plan.value, ask())).toBe(new Set(plan.value.map((s) => s.attempts[0].structure)).size);
  });
});
