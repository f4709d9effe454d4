import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, shippedSymbols } from '@yosomi/node-kit';
import { DrawnForm } from '@yosomi/core/cover';
import { readPathData } from '@yosomi/core/forms';
import { drawnBounds } from '@yosomi/core/plane';
import {
  KNOWN_WORDS,
  NOUN_WORDS,
  broughtToMind,
  ideasOf,
  packetOf,
  readPacket,
  readSilhouettes,
  readSymbols,
  searchSilhouettes,
  searchSymbols,
  silhouetteCredit,
  silhouetteIdeas,
} from '@yosomi/core/symbols';

const symbols = shippedSymbols();

describe('the symbols that ship', () => {
  it('are hundreds, each an outline that fills its box', () => {
    expect(symbols.size).toBeGreaterThan(250);
    for (const { id, d, ratio } of symbols.values()) {
      const path = readPathData(d);
      if (!path.ok) throw new Error(id);
      const box = drawnBounds(path.value);
      for (const [is, wanted] of [
        [box.x, 0],
        [box.y, 0],
        [box.width, 1000 * ratio],
        [box.height, 1000],
      ])
        expect(Math.abs(is - wanted), id).toBeLessThan(2);
    }
  });

  it('are named by the lexicon as they are called', () => {
    const unknown = KNOWN_WORDS.flatMap((word) => broughtToMind(word)).filter((id) => !symbols.has(id));
    expect([...new Set(unknown)]).toEqual([]);
  });

  it('are refused where their file is damaged', () => {
    expect(() => readSymbols([{ id: 'Leaf!', words: [], ratio: 1, d: 'M0 0' }])).toThrow();
    expect(() => readSymbols({})).toThrow();
  });
});

describe('a search by nouns', () => {
  it.each([
    ['moon', 'moon'],
    ['Night', 'moon'],
    ['leaves', 'leaf'],
    ['Moos', 'leaf'],
    ['forêt', 'tree-evergreen'],
    ['niño', 'person'],
    ['MURDER', 'skull'],
    ['trains', 'train'],
    ['compass rose', 'compass-rose'],
    ['straße', 'road-horizon'],
  ])('finds for %s first %s', (query, first) => {
    expect(searchSymbols(symbols, query).found[0]).toBe(first);
  });

  it('finds all for nothing, what answers every word, and proposes neighbours where none does', () => {
    expect(searchSymbols(symbols, '  ').found).toHaveLength(symbols.size);
    const both = searchSymbols(symbols, 'cloud rain').found;
    expect(both[0]).toBe('cloud-rain');
    for (const id of both) {
      expect(searchSymbols(symbols, 'cloud').found).toContain(id);
      expect(searchSymbols(symbols, 'rain').found).toContain(id);
    }
    const missed = searchSymbols(symbols, 'lantren');
    expect(missed.found).toEqual([]);
    expect(missed.neighbours).toContain('lantern');
    for (const word of missed.neighbours) expect(searchSymbols(symbols, word).found.length).toBeGreaterThan(0);
    expect(searchSymbols(symbols, 'qqqqqqqqqq')).toEqual({ found: [], neighbours: [] });
  });

  it('never fails, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60, unit: 'grapheme' }), (query) => {
        const { found, neighbours } = searchSymbols(symbols, query);
        expect(new Set(found).size).toBe(found.length);
        expect(neighbours.length).toBeLessThanOrEqual(6);
      }),
      { numRuns: 60 },
    );
  });
});

describe('the detailed silhouettes', () => {
  const folder = join(ROOT, 'assets/symbols/silhouettes');
  const json = (name: string): unknown => JSON.parse(readFileSync(join(folder, `${name}.json`), 'utf8'));
  const all = readSilhouettes(json('names'));
  const packets = Math.ceil(all.names.length / all.packet);

  it('are thousands, each an outline of its own that fills its box and fits into a part', () => {
    expect(all.names.length).toBeGreaterThan(2000);
    expect(new Set(all.names).size).toBe(all.names.length);
    expect(readdirSync(folder)).toHaveLength(packets + 1);
    const drawn = Array.from({ length: packets }, (_, i) => readPacket(json(`packet-${i}`), all, i)).flat();
    expect(drawn.map(({ id }) => id)).toEqual(all.names);
    for (const { id, ratio, d } of drawn) {
      const form = { kind: 'drawn', ratio, paths: [{ d, colour: null }], credit: silhouetteCredit(id) };
      expect(DrawnForm.safeParse(form).success, id).toBe(true);
      const path = readPathData(d);
      if (!path.ok) throw new Error(id);
      const box = drawnBounds(path.value);
      expect(Math.max(Math.abs(box.x), Math.abs(box.y)), id).toBeLessThan(2);
      expect(Math.abs(box.width - 1000 * ratio) + Math.abs(box.height - 1000), id).toBeLessThan(4);
    }
  });

  it('lie in the packet that their name says, and a damaged or another packet is refused', () => {
    for (const id of ['abacus', 'barn-owl', all.names[all.names.length - 1]]) {
      const packet = packetOf(all, id)!;
      expect(readPacket(json(`packet-${packet}`), all, packet).map((one) => one.id)).toContain(id);
    }
    expect(packetOf(all, 'no-such-thing')).toBeNull();
    expect(() => readPacket(json('packet-0'), all, packets - 1)).toThrow();
    expect(() => readPacket(json('packet-0'), all, packets + 4)).toThrow();
    expect(() => readPacket((json('packet-0') as unknown[]).slice(1), all, 0)).toThrow();
    expect(() => readSilhouettes({ packet: 0, names: [] })).toThrow();
  });

  it.each([
    ['owl', 'owl'],
    ['Eule', 'owl'],
    ['búho', 'owl'],
    ['chouette', 'owl'],
    ['barn owl', 'barn-owl'],
    ['wolves', 'wolf-head'],
    ['Schlüssel', 'key'],
    ['château', 'castle'],
    ['Hexe', 'witch-face'],
    ['LIGHTHOUSE', 'lighthouse'],
  ])('are found for %s: first %s', (query, first) => {
    expect(searchSilhouettes(all, query)[0]).toBe(first);
  });

  it('are found by every noun of their table, all for nothing, and none for what is no thing', () => {
    const words = NOUN_WORDS.filter((word) => searchSilhouettes(all, word).length === 0);
    expect(words).toEqual([]);
    expect(searchSilhouettes(all, ' ')).toEqual(all.names);
    expect(searchSilhouettes(all, 'qqqqqqqq')).toEqual([]);
    for (const id of searchSilhouettes(all, 'dragon head')) {
      expect(searchSilhouettes(all, 'dragon')).toContain(id);
      expect(searchSilhouettes(all, 'head')).toContain(id);
    }
  });

  it('show what the plain symbols only hint at, in the language of the title, and words that those do not know', () => {
    const ideas = (title: string, language = 'en') => silhouetteIdeas(symbols, all, [title], language);
    expect(ideas('The Barn Owl Winter')).toEqual(['owl']);
    expect(ideas('Der Wolf im Moor', 'de')).toEqual(['wolf-head', 'swamp']);
    expect(ideas('Le violon et le hibou', 'fr')).toEqual(['violin', 'owl']);
    expect(ideas('Das Gift der Stille', 'de')).toEqual(['poison']);
    expect(ideas('The Glass Harp')).toEqual(['harp']);
    // "Ours" is a bear in French alone, and a road has its plain symbol.
    expect(ideas('Ours')).toEqual([]);
    expect(ideas('Ours', 'fr')).toEqual(['bear-head']);
    expect(ideas('The Reckoning Road')).toEqual([]);
    expect(ideas('Zorblax Unquith')).toEqual([]);
    const both = new Map([...symbols, ['owl', { id: 'owl', words: [], ratio: 1, d: 'M0 0L9 9L0 9Z' }]]);
    expect(ideasOf(both, ['The Barn Owl Winter'], 'en', []).slice(0, 2)).toEqual(['barn', 'owl']);
    expect(ideasOf(both, ['Die Eule'], 'de', [])[0]).toBe('owl');
  });

  it('ask for the credit of each', () => {
    expect(silhouetteCredit('barn-owl')).toBe('Symbol “Barn owl” by the contributors of game-icons, CC BY 3.0');
  });
});

describe('the ideas of a title', () => {
  const ideas = (title: string, subtitle = '', language = 'en', otherwise: string[] = ['key']) =>
    ideasOf(symbols, [title, subtitle], language, otherwise);

  it('come from its words, the plainest of each first', () => {
    expect(ideas('Salt, Smoke, Morning').slice(0, 3)).toEqual(['waves', 'fire', 'sun-horizon']);
    expect(ideas('Night Freight').slice(0, 2)).toEqual(['moon', 'train']);
    expect(ideas('The Clockmaker’s Winter').slice(0, 2)).toEqual(['clock', 'snowflake']);
    expect(ideas('The Reckoning Road')[0]).toBe('road-horizon');
    expect(ideas('Das Haus am Fluss', '', 'de').slice(0, 2)).toEqual(['house', 'waves']);
    expect(ideas('La llave del jardín', '', 'es').slice(0, 2)).toEqual(['key', 'potted-plant']);
    expect(ideas('The Balcony Moss Garden', 'Small landscapes for rain')).toEqual(
      expect.arrayContaining(['leaf', 'cloud-rain']),
    );
  });

  it('do not mistake a word for one of another language, nor an article for a thing', () => {
    // "The" is no tea, and a German "Gift" no present.
    expect(ideas('The End')).toEqual(['key']);
    expect(ideas('Das Gift', '', 'de')).not.toContain('gift');
    expect(ideas('Once or Twice')).toEqual(['key']);
  });

  it('come from its kind of book where its words say nothing, and are few and no two the same', () => {
    expect(ideas('Zorblax Unquith', '', 'en', ['planet', 'no-such-thing', 'atom'])).toEqual(['planet', 'atom']);
    expect(ideas('月の庭', '', 'ja')).toEqual(['key']);
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...KNOWN_WORDS), { maxLength: 30 }), (words) => {
        const found = ideas(words.join(' '));
        expect(found.length).toBeLessThanOrEqual(8);
        expect(new Set(found).size).toBe(found.length);
        for (const id of found) expect(symbols.has(id)).toBe(true);
      }),
      { numRuns: 60 },
    );
    expect(ideas('a '.repeat(150))).toEqual(['key']);
  });
});
