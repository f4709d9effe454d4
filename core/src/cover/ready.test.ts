import { describe, expect, it } from 'vitest';
import { change } from '../base';
import { type Brief, emptyBrief } from '../book';
import { contrast } from '../colour';
import { newGround, newWords } from './defaults';
import { docOf, inOrder } from './document';
import { READY, addGroup, readyArea, readyNeeds, readyParts } from './ready';

const brief: Brief = {
  ...emptyBrief,
  title: 'Salt and Rope',
  subtitle: 'Knots for small boats',
  website: 'ropewalk.example',
  publisher: 'Ropewalk',
  seriesName: 'Small Boats',
  seriesNumber: 2,
};
const words = { brief, free: 'Free', quotation: '“Dry and exact.”', reader: 'A harbour master' };
const cover = (widthPx: number, heightPx: number) =>
  docOf(widthPx, heightPx, [
    { ...newGround('#f2e7d5'), id: 'ground' },
    {
      ...newWords({
        role: 'title',
        says: { kind: 'brief', field: 'title' },
        area: { x: 0.1, y: 0.3, width: 0.8, height: 0.2 },
        cut: 'prata/400',
        colour: '#203040',
      }),
      id: 'title',
    },
    {
      ...newWords({
        role: 'byline',
        says: { kind: 'brief', field: 'author' },
        area: { x: 0.1, y: 0.9, width: 0.8, height: 0.05 },
        cut: 'jost/400',
        colour: '#203040',
      }),
      id: 'byline',
    },
  ]);

describe.each([
  [1600, 2560],
  [2400, 1500],
  [3000, 3000],
  [800, 6000],
])('ready groups on a cover of %i by %i', (width, height) => {
  const doc = cover(width, height);
  it.each([...READY])('%s: parts that can be stored, within their place, in the cover’s faces', (kind) => {
    const area = readyArea(kind, doc);
    expect(area.y).toBeGreaterThanOrEqual(0);
    expect(area.y + area.height).toBeLessThanOrEqual(0.98);
    const seeds = readyParts(kind, doc, words, area, '#203040');
    expect(seeds.length).toBeGreaterThan(0);
    for (const seed of seeds) {
      if (!('area' in seed)) throw new Error('a part without a place');
      expect(seed.area.x).toBeGreaterThanOrEqual(area.x - 1e-9);
      expect(seed.area.x + seed.area.width).toBeLessThanOrEqual(area.x + area.width + 1e-9);
      expect(seed.area.y).toBeGreaterThanOrEqual(area.y - 1e-9);
      expect(seed.area.y + seed.area.height).toBeLessThanOrEqual(area.y + area.height + 0.002);
      if (seed.kind === 'words') expect(['prata/400', 'jost/400']).toContain(seed.cut);
    }
    const ids = seeds.map((_, i) => `new${i}`);
    const added = change(doc, addGroup(ids, seeds, 'g1', 'Praise'));
    if (!added.ok) throw new Error(added.fault.code);
    const { next } = added.value;
    // In front of everything, in their order, bound together where they are several.
    expect(
      inOrder(next)
        .map(({ id }) => id)
        .slice(-ids.length),
    ).toEqual(ids);
    expect(new Set(ids.map((id) => next.parts[id].group))).toEqual(new Set([seeds.length > 1 ? 'g1' : null]));
    expect(next.groups).toEqual(seeds.length > 1 ? { g1: 'Praise' } : {});
  });
});

describe('ready groups', () => {
  const doc = cover(1600, 2560);
  it('say what the Brief says, and nothing where it says nothing', () => {
    expect(READY.filter((kind) => !readyNeeds(kind, doc, emptyBrief))).toEqual([
      'headline',
      'preheader',
      'contact',
      'number',
    ]);
    for (const kind of READY)
      if (!readyNeeds(kind, doc, emptyBrief))
        expect(readyParts(kind, doc, { ...words, brief: emptyBrief }, readyArea(kind, doc), '#203040')).toEqual([]);
  });

  it('take a line that the cover does not show yet', () => {
    const says = (of: Brief) =>
      readyParts('preheader', doc, { ...words, brief: of }, readyArea('preheader', doc), '#203040')[0];
    expect(says(brief)).toMatchObject({ says: { field: 'series' } });
    expect(says({ ...brief, strapline: 'Hold fast' })).toMatchObject({ says: { field: 'strapline' } });
    const shown = change(doc, (draft) => {
      const title = draft.parts.title;
      if (title.kind === 'words') title.says = { kind: 'brief', field: 'strapline' };
    });
    const next = shown.ok ? shown.value.next : doc;
    const seeds = readyParts(
      'preheader',
      next,
      { ...words, brief: { ...brief, strapline: 'Hold fast' } },
      readyArea('preheader', next),
      '#203040',
    );
    expect(seeds[0]).toMatchObject({ says: { field: 'series' } });
  });

  it('hang over the title where there is room', () => {
    expect(readyArea('preheader', doc).y + readyArea('preheader', doc).height).toBeCloseTo(0.3, 6);
  });

  it.each(['#203040', '#f2e7d5', '#808080', '#cc2244'])('have words that read on their shape of %s', (colour) => {
    for (const kind of ['offer', 'number'] as const) {
      const seeds = readyParts(kind, doc, words, readyArea(kind, doc), colour);
      const [plate, text] = seeds;
      if (plate.kind !== 'shape' || text.kind !== 'words') throw new Error('not a plate with words');
      expect(contrast(plate.colour, text.colour)).toBeGreaterThanOrEqual(colour === '#808080' ? 3.9 : 4.5);
    }
  });

  it('is refused whole where an id is taken', () => {
    const seeds = readyParts('offer', doc, words, readyArea('offer', doc), '#203040');
    const added = change(doc, addGroup(['new', 'title'], seeds, 'g1', 'Offer'));
    expect(added).toMatchObject({ ok: false, fault: { code: 'part-exists' } });
  });
});
