import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { FAMILIES, plainManner } from '@yosomi/core/text';
import { FONTS, NodeStudio } from '@yosomi/node-kit';

it('thousands of titles, one after the other, are set in the same fonts without each taking room for its own', async () => {
  const cuts = FAMILIES.slice(0, 12).map(({ cuts: [first] }) => first.id);
  const widths = new Set<number>();
  for (let i = 0; i < 1500; i++) {
    const studio = new NodeStudio(new Map());
    await studio.loadFonts(cuts);
    widths.add(cuts.reduce((sum, cut) => sum + studio.shaper.shape(cut, `Title ${i % 3}`, plainManner).advance, 0));
  }
  expect(widths.size).toBe(3);
});

it('a font of one’s own is that of its title, and of no other that names it', async () => {
  const read = (file: string): Uint8Array => new Uint8Array(readFileSync(join(FONTS, file)));
  const width = async (files: ReadonlyMap<string, Uint8Array>): Promise<number | null> => {
    const studio = new NodeStudio(files);
    await studio.loadFonts(['own/abcdef']);
    return studio.shaper.has('own/abcdef') ? studio.shaper.shape('own/abcdef', 'Title', plainManner).advance : null;
  };
  const [anton, lora] = [read('anton/400.ttf'), read('lora/400.ttf')];
  const narrow = await width(new Map([['abcdef', anton]]));
  const wide = await width(new Map([['abcdef', lora]]));
  expect(narrow).toBeLessThan(wide!);
  expect(await width(new Map())).toBeNull();
  expect(await width(new Map([['abcdef', lora.subarray(0, 400)]]))).toBeNull();
  expect(await width(new Map([['abcdef', anton]]))).toBe(narrow);
  for (let i = 0; i < 70; i++) {
    const studio = new NodeStudio(new Map([[`face${i}`, anton]]));
    await studio.loadFonts([`own/face${i}`, 'lora/400']);
    expect(studio.shaper.shape(`own/face${i}`, 'Title', plainManner).advance).toBe(narrow);
    expect(studio.shaper.has('lora/400')).toBe(true);
  }
});
