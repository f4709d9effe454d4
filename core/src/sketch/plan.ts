import { type Random, type Result, fail, ok, seeded } from '../base';
import type { Mood } from '../book';
import { type Hex, type Lab, labOf, rgbOf } from '../colour';
import { type CutId, hasScripts } from '../text';
import { factsOf } from './facts';
import { type GenreRule, ruleOf } from './genres';
import type { Grade } from './grades';
import { PAIRINGS, type Pairing, mannerOf, pairingsFor } from './pairings';
import type { Pictured } from './sheet';
import { type SketchGround, symbolsFor } from './draw';
import type { Sketch, Tones } from './sketch';
import { type Structure, canServe } from './structure';
import { STRUCTURES } from './structures';
import { labDistance, toneDistance, tonesFromColours, tonesFromPicture, tonesOfChord, tonesOfMood } from './tones';

/** What a person asks of a sheet, beyond the words and pictures. */
export type SheetAsk = SketchGround & {
  readonly seed: number;
  /** Colours and faces of the house; empty where there is none. */
  readonly house: { readonly colours: readonly Hex[]; readonly cuts: readonly CutId[] };
  readonly must: { readonly colour: Hex | null; readonly cut: CutId | null };
  /** How many of its covers show a picture, where there is one. */
  readonly pictured: Pictured;
};

/** What "more like this" keeps of a sketch. */
export type Kept = {
  readonly of: Sketch;
  readonly structure: boolean;
  readonly tones: boolean;
  readonly faces: boolean;
};

/** One place in the order of the sheet: what is tried there, in this order, until something fits and is good. */
export type Slot = { readonly attempts: readonly Sketch[] };

const ATTEMPTS = 3;
/** How many places a plan has at least, for up to 48 covers: some stay empty, some would be like others. */
const PLACES = 200;

/** Items in an order of chance in which heavier ones tend to come first (an exponential race). */
function race<T>(items: readonly T[], weight: (item: T) => number, random: Random): T[] {
  return items
    .map((item) => ({ item, at: -Math.log(1 - random()) / Math.max(1e-6, weight(item)) }))
    .sort((a, b) => a.at - b.at)
    .map(({ item }) => item);
}

const familyOf = (cut: CutId): string => cut.split('/')[0];

/** The faces that a sheet may use, with how well each suits. */
function facesFor(ask: SheetAsk): Pairing[] {
  const { scripts } = factsOf(ask.brief);
  const { never } = ruleOf(ask.brief.genres).faces;
  const all = pairingsFor(scripts);
  const fitting = all.filter((p) => !never.includes(familyOf(p.title)));
  // Letters that only a face has which the kind never takes are set in it all the same.
  const known = fitting.length > 0 ? fitting : all;
  const { cut } = ask.must;
  if (cut !== null) {
    const own = all.filter((p) => p.title === cut || p.other === cut);
    const others = ['work-sans/400', 'jost/400', 'eb-garamond/400', 'spectral/400', 'noto-serif/400'].filter((other) =>
      hasScripts(other, scripts),
    );
    return own.length > 0 ? own : others.map((other) => mannerOf({ title: cut, other }));
  }
  const house = ask.house.cuts
    .filter((title) => hasScripts(title, scripts))
    .flatMap((title) =>
      ['work-sans/400', 'eb-garamond/400', 'noto-serif/400']
        .filter((other) => hasScripts(other, scripts))
        .slice(0, 2)
        .map((other) => mannerOf({ title, other })),
    );
  return [...house, ...known];
}

/** The moods of a sheet: those asked for, or those that go with the kind of book. */
export function moodsOf({ brief }: Pick<SheetAsk, 'brief'>): readonly Mood[] {
  if (brief.moods.length > 0) return brief.moods;
  const { moods } = ruleOf(brief.genres);
  if (moods.length > 0) return moods;
  const young: readonly Mood[] =
    brief.audience === 'children' ? ['playful', 'bright'] : brief.audience === 'young' ? ['bold', 'bright'] : [];
  switch (brief.kind) {
    case 'story':
      return [...young, 'dark', 'warm', 'tender', 'bold'];
    case 'practical':
      return [...young, 'bright', 'warm', 'calm', 'bold'];
    case 'poems':
      return [...young, 'calm', 'tender', 'grave'];
    case 'report':
      return [...young, 'grave', 'calm', 'bold', 'bright'];
  }
}

type WeighedTones = { readonly tones: Tones; readonly weight: number };
type Choice = WeighedTones & { readonly lab: Lab };

/** The colours that a sheet may use: from its pictures, its house and its moods; one colour that must be there decides alone. */
function tonesFor(ask: SheetAsk): WeighedTones[] {
  const { colour } = ask.must;
  if (colour !== null) {
    const around = tonesFromColours([colour], 'Your colour');
    const withHouse = ask.house.colours
      .filter((c) => c !== colour)
      .map((c) => tonesFromColours([colour, c], 'Your colour and the house’s'));
    const moods = moodsOf(ask)
      .flatMap(tonesOfMood)
      .map((t) => tonesFromColours([colour, t.ground, t.words], `Your colour, ${t.name.toLowerCase()}`));
    return [...around, ...withHouse.flat(), ...moods.flat()]
      .filter((t) => [t.ground, t.accent, t.block].some((c) => toneDistance(c, colour) < 0.02))
      .map((tones) => ({ tones, weight: 1 }));
  }
  const pictures = ask.pictures
    .filter((p) => !p.plain)
    .flatMap((p, i) => tonesFromPicture(p.sample, i === 0 ? 'The picture’s' : `Picture ${i + 1}’s`));
  const house = tonesFromColours(ask.house.colours.slice(0, 6), 'The house’s');
  const moods = moodsOf(ask);
  const { chords } = ruleOf(ask.brief.genres);
  // A kind of book has colours of its own; those of moods are added where a person names moods.
  const ofMoods = chords.length > 0 && ask.brief.moods.length === 0 ? [] : moods;
  return [
    ...chords.map((chord) => ({ tones: tonesOfChord(chord), weight: 2.2 })),
    ...pictures.map((tones) => ({ tones, weight: 3 })),
    ...house.map((tones) => ({ tones, weight: 2.5 })),
    ...ofMoods.flatMap((mood, i) => tonesOfMood(mood).map((tones) => ({ tones, weight: 1.6 / (1 + i * 0.5) }))),
  ];
}

const inCommon = (a: readonly Mood[], b: readonly Mood[]): number => a.filter((m) => b.includes(m)).length;

/**
 * The whole order of a sheet, the same for the same seed. Structures come in rounds, those that suit the book sooner and
 * some that surprise; each place has other faces and other colours than those just before it. Faults: `title-missing`,
 * `letters-foreign` (no face here has them all).
 */
export function planSheet(ask: SheetAsk, kept: Kept | null = null): Result<Slot[]> {
  const facts = factsOf(ask.brief);
  if (facts.title === '') return fail('title-missing');
  const faces = kept?.faces ? [mannerOf(kept.of.faces)] : facesFor(ask);
  if (facts.foreign.length > 0 || faces.length === 0) return fail('letters-foreign');
  const random = seeded(ask.seed);
  const moods = moodsOf(ask);
  const tones = (kept?.tones ? [{ tones: kept.of.tones, weight: 1 }] : tonesFor(ask)).map((one): Choice => ({
    ...one,
    lab: labOf(rgbOf(one.tones.ground)),
  }));
  const ratio = ask.heightPx / ask.widthPx;
  const ideas = symbolsFor(ask);
  const rule = ruleOf(ask.brief.genres);
  const inSeries = ask.brief.seriesNumber !== null && ask.brief.seriesName.trim() !== '';
  const served = STRUCTURES.filter(
    (s) =>
      (kept?.structure ? s.id === kept.of.structure : !rule.structures.never.includes(s.id)) &&
      canServe(s, facts, ask.pictures, ratio, inSeries, ideas.length),
  );
  const weightOf = (s: Structure): number => {
    const kind = s.kinds[ask.brief.kind] ?? 1;
    const mood = 1 + 0.6 * inCommon(s.moods, moods.slice(0, 3));
    const pictured = showsPicture(s) ? 1 : ask.pictures.length > 0 ? 0.4 : 1;
    const serves = rule.structures.serve.includes(s.id) ? 3 : 1;
    return (0.35 + kind) * mood * pictured * serves;
  };
  const slots: Slot[] = [];
  const recentFaces: string[] = [];
  const recentTones: Lab[] = [];
  const turns = new Map<string, number>();
  while (served.length > 0 && slots.length < PLACES) {
    const round = mostlyServing(rule, race(served, weightOf, random));
    for (const structure of spread(shared(ask, round), slots)) {
      const offset = turns.get(structure.id) ?? Math.floor(random() * structure.turns);
      turns.set(structure.id, offset + 1);
      const attempts = Array.from({ length: ATTEMPTS }, (_, i): Sketch => {
        const pair = pickFaces(faces, structure, ask, facts.letters, recentFaces, random);
        const found = pickTones(tones, recentTones, random);
        if (i === 0) {
          recentFaces.unshift(pair.title);
          recentTones.unshift(found.lab);
          recentFaces.length = Math.min(recentFaces.length, 7);
          recentTones.length = Math.min(recentTones.length, 6);
        }
        return {
          structure: structure.id,
          faces: { title: pair.title, other: pair.other },
          tones: found.tones,
          pictures: pickPictures(structure, ask, slots.length + i, random),
          symbols: pickSymbols(structure, ideas, slots.length + i, random),
          grade: pickGrade(structure, rule, random),
          turn: (offset + i) % structure.turns,
        };
      });
      slots.push({ attempts });
    }
  }
  return ok(slots);
}

/**
 * A round of those that serve the kind of book, and half as many that surprise, others each time. Where few serve, or nothing is known of the
 * kind, all come.
 */
function mostlyServing({ structures: { serve } }: GenreRule, round: readonly Structure[]): Structure[] {
  const serving = round.filter((s) => serve.includes(s.id)).length;
  if (serving < FEW) return [...round];
  let others = Math.ceil(serving / 2);
  return round.filter((s) => serve.includes(s.id) || others-- > 0);
}

const showsPicture = (s: Structure): boolean => s.asks.pictures[0] > 0;

/** Fewer structures than this are no sheet by themselves. */
const FEW = 8;

/** A picture narrower than this share of the cover is too small for most structures. */
const LEAST_WIDE = 0.2;

/** Of how many covers one may be without a picture, where the sheet has one to show; null where any may. */
export function oneWithoutOf(ask: Pick<SheetAsk, 'pictured' | 'pictures' | 'widthPx'>): number | null {
  if (!ask.pictures.some((p) => !p.plain && p.widthPx >= LEAST_WIDE * ask.widthPx)) return null;
  return ask.pictured === 'most' ? 6 : ask.pictured === 'half' ? 2 : null;
}

/** A round in which those without a picture are as few as a sheet wants, where others can take their places. */
function shared(ask: SheetAsk, round: readonly Structure[]): Structure[] {
  const of = oneWithoutOf(ask);
  const pictured = round.filter(showsPicture);
  if (of === null || pictured.length === 0) return [...round];
  let left = Math.ceil(pictured.length / (of - 1));
  return round.filter((s) => showsPicture(s) || left-- > 0);
}

/** Symbols for a structure: those that come first to mind most of the time. */
function pickSymbols(structure: Structure, ideas: readonly string[], at: number, random: Random): string[] {
  const count = structure.asks.symbols ?? 0;
  if (count === 0) return [];
  const order = race(ideas, (id) => 1 / (1 + 0.7 * ideas.indexOf(id) + ((ideas.indexOf(id) + at) % 3)), random);
  return order.slice(0, count);
}

/** The commonest grade of the kind of book most of the time, and the others in their order less often. */
function pickGrade(structure: Structure, rule: GenreRule, random: Random): Grade {
  if (structure.asks.pictures[1] === 0 || structure.asks.ungraded) return 'plain';
  return race(rule.grades, (grade) => 1 / (1 + 0.45 * rule.grades.indexOf(grade)), random)[0];
}

/** An order whose first ones are none of those that came last. */
function spread(order: readonly Structure[], before: readonly Slot[]): Structure[] {
  const last = new Set(before.slice(-Math.min(7, order.length - 1)).map((slot) => slot.attempts[0].structure));
  const fresh = order.filter((s) => !last.has(s.id));
  return [...fresh, ...order.filter((s) => last.has(s.id))];
}

function pickFaces(
  faces: readonly Pairing[],
  structure: Structure,
  ask: SheetAsk,
  letters: number,
  recent: readonly string[],
  random: Random,
): Pairing {
  const { weight } = structure.asks;
  const moods = moodsOf(ask);
  const fitting = faces.filter((p) => letters <= p.mostLetters && (!weight || weight.includes(p.weight)));
  const choice = fitting.length > 0 ? fitting : faces;
  const own = new Set(ask.house.cuts);
  const { serve } = ruleOf(ask.brief.genres).faces;
  return race(
    choice,
    (p) => {
      const kind = 0.25 + (p.kinds[ask.brief.kind] ?? 0);
      const mood = 1 + 0.7 * inCommon(p.moods, moods.slice(0, 3));
      const house = own.has(p.title) ? 4 : 1;
      const serves = serve.length === 0 ? 1 : serve.includes(familyOf(p.title)) ? 5 : 0.15;
      return (kind * mood * house * serves) / (recent.includes(p.title) ? 30 : 1);
    },
    random,
  )[0];
}

/** Colours whose ground is far from those of the places just before come sooner. */
function pickTones(tones: readonly Choice[], recent: readonly Lab[], random: Random): Choice {
  const near = (lab: Lab): number => Math.min(1, ...recent.map((r) => labDistance(r, lab)));
  return race(tones, ({ lab, weight }) => weight * (0.03 + Math.min(0.3, near(lab)) * 3), random)[0];
}

function pickPictures(structure: Structure, ask: SheetAsk, at: number, random: Random): string[] {
  const [least, most] = structure.asks.pictures;
  if (most === 0) return [];
  const fitting = ask.pictures.filter((p) => structure.asks.picture?.(p) ?? true);
  const choice = fitting.length >= least ? fitting : ask.pictures;
  const start = Math.floor(random() * choice.length) + at;
  const count = Math.min(most, choice.length);
  return Array.from({ length: count }, (_, i) => choice[(start + i) % choice.length].asset);
}

/** How many structures a plan has to take turns with: where few covers may be without a picture, those that show one. */
export function structuresIn(plan: readonly Slot[], ask: Parameters<typeof oneWithoutOf>[0]): number {
  const of = oneWithoutOf(ask);
  const pictured = plan.filter((slot) => of === null || slot.attempts[0].pictures.length > 0);
  return new Set(pictured.map((slot) => slot.attempts[0].structure)).size;
}

/** All faces that a sheet can ever set, for those who load them ahead. */
export const ALL_CUTS: readonly CutId[] = [...new Set(PAIRINGS.flatMap((p) => [p.title, p.other]))];
