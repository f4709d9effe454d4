import { describe, expect, it } from 'vitest';
import { CATALOGUE, HAND_NAMES, MOTIF_NAMES } from '../paintings';
import { DESK } from './desk';
import { COLOURS, PLACES } from './reading';
import { type DeskAsk, SHAPES, anyPicture, searchDesk, shapeOf } from './search';

const find = (words: string, more: Partial<DeskAsk> = {}) => searchDesk({ ...anyPicture, ...more, words });
const motifs = (words: string): string[] => [...new Set(find(words).found.map(({ motif }) => motif))];

describe('the desk', () => {
  it('has over 160 pictures, each once and each of its kind read, of every motif and in every hand eight or more', () => {
    expect(DESK.length).toBeGreaterThanOrEqual(160);
    expect(DESK.length, 'run `npm run desk`').toBe(CATALOGUE.length);
    expect(new Set(DESK.map(({ id }) => id)).size).toBe(DESK.length);
    for (const motif of MOTIF_NAMES)
      expect(
        DESK.some((one) => one.motif === motif),
        motif,
      ).toBe(true);
    for (const hand of HAND_NAMES)
      expect(DESK.filter((one) => one.hand === hand).length, hand).toBeGreaterThanOrEqual(8);
    for (const { id, reading } of DESK) {
      expect(reading.light, id).toBeGreaterThan(0);
      expect(reading.light, id).toBeLessThan(1);
      for (const place of reading.quiet) expect(PLACES).toContain(place);
      for (const colour of reading.colours) expect(COLOURS).toContain(colour);
    }
  });

  it.each([
    ['lighthouse', ['lighthouse']],
    ['candles', ['candle']],
    ['Wald', ['wood', 'birches', 'mushrooms', 'fern', 'lone-tree']],
    ['fliegende Vögel', ['wires', 'feather', 'flock', 'moon']],
    ['desierto', ['dunes']],
    ['neige', ['snowfield', 'village', 'ice']],
    ['a map of the mountains', ['contours']],
    ['Poppies', ['meadow']],
  ])('finds %s', (words, wanted) => {
    const found = motifs(words);
    expect(found.length).toBeGreaterThan(0);
    for (const motif of found) expect(wanted).toContain(motif);
  });

  it('takes moods, colours and hands beside nouns, and each narrows what is found', () => {
    const night = find('night').found;
    const violet = find('violet night').found;
    expect(violet.length).toBeGreaterThan(0);
    expect(violet.length).toBeLessThan(night.length);
    for (const { reading } of violet) expect(reading.colours).toContain('violet');
    for (const { hand } of find('engraving').found) expect(hand).toBe('engraving');
    for (const { reading } of find('dark').found) expect(reading.light).toBeLessThan(0.46);
    for (const { reading } of find('kalt').found) expect(reading.warmth).toBeLessThan(0);
  });

  it('leaves out a word that no picture answers, and says which', () => {
    expect(find('velociraptor moon').unknown).toEqual(['velociraptor']);
    expect(find('velociraptor moon').found).toEqual(find('moon').found);
  });

  it('proposes nouns that are near, and some that find something where none is', () => {
    expect(find('lighthuose')).toMatchObject({ found: [], neighbours: expect.arrayContaining(['lighthouse']) });
    for (const words of ['zzkx', 'Πέτρα', '漢字', '!!!x', 'w'.repeat(300)]) {
      const { found, neighbours } = find(words);
      if (found.length > 0) continue;
      expect(neighbours.length, words).toBeGreaterThan(0);
      for (const noun of neighbours) expect(find(noun).found.length, noun).toBeGreaterThan(0);
    }
  });

  it('passes only what has what was chosen, alone and together, and counts what that hides', () => {
    const all = find('').found.length;
    expect(all).toBe(DESK.length);
    for (const quiet of PLACES) {
      const { found, hides } = find('', { quiet });
      expect(found.length, quiet).toBeGreaterThan(4);
      expect(found.length + hides).toBe(all);
      for (const { reading } of found) expect(reading.quiet).toContain(quiet);
    }
    for (const colour of COLOURS)
      for (const { reading } of find('', { colour }).found) expect(reading.colours).toContain(colour);
    for (const shape of SHAPES) {
      const { found } = find('', { shape });
      expect(found.length, shape).toBeGreaterThan(4);
      for (const { tall } of found) expect(shapeOf(tall)).toBe(shape);
    }
    const both = find('', { tone: 'dark', detail: 'calm', hand: 'gouache' }).found;
    for (const { hand, reading } of both) {
      expect(hand).toBe('gouache');
      expect(reading.light).toBeLessThan(0.45);
    }
    expect(find('lighthouse', { colour: 'green' })).toMatchObject({ found: [], neighbours: [], hides: 5 });
  });

  it('shows one picture of each motif before a second one of any, where nobody asked for one', () => {
    const first = find('').found.slice(0, MOTIF_NAMES.length);
    expect(new Set(first.map(({ motif }) => motif)).size).toBe(MOTIF_NAMES.length);
  });
});
