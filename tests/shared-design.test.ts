import { describe, expect, it } from 'vitest';
import { editBook } from '@yosomi/core/project';
import { SHARED_FACTS, sharedFact, volumeColours } from '@yosomi/core/recipe';
import { demos } from './fixtures/demos';

const volumes = demos()
  .map(({ book }) => book)
  .filter(({ brief }) => brief.seriesName === 'The Lamplighter Accounts')
  .sort((a, b) => a.brief.seriesNumber! - b.brief.seriesNumber!);

describe('what volumes of a series share', () => {
  it.each(SHARED_FACTS)('%s: every volume stands in one group, and those that say the same stand together', (fact) => {
    const groups = sharedFact(fact, volumes);
    expect(groups.flatMap(({ ids }) => ids).sort()).toEqual(volumes.map(({ id }) => id).sort());
    expect(new Set(groups.map(({ value }) => value)).size).toBe(groups.length);
    for (const [i, { ids }] of groups.entries())
      if (i > 0) expect(ids.length).toBeLessThanOrEqual(groups[i - 1].ids.length);
  });

  it('is the layout and faces where one front was carried, whatever the words say', () => {
    const [first] = volumes;
    const other = { ...first, id: 'another', brief: { ...first.brief, title: 'Quite Another Name', seriesNumber: 9 } };
    for (const fact of SHARED_FACTS) expect(sharedFact(fact, [first, other])).toHaveLength(1);
  });

  it('tells a volume apart where its title is moved, set in another face, or its cover has another size', () => {
    const [first] = volumes;
    const title = Object.values(first.cover.parts).find((part) => part.kind === 'words' && part.role === 'title')!;
    const changed = (edit: Parameters<typeof editBook>[1]) => {
      const done = editBook({ ...first, id: 'another' }, edit);
      if (!done.ok) throw new Error(done.fault.code);
      return done.value.next;
    };
    const moved = changed((book) => {
      const part = book.cover.parts[title.id];
      if (part.kind === 'words') part.area.y += 0.05;
    });
    expect(sharedFact('layout', [first, moved])).toHaveLength(2);
    expect(sharedFact('faces', [first, moved])).toHaveLength(1);
    const faced = changed((book) => {
      const part = book.cover.parts[title.id];
      if (part.kind === 'words') part.cut = 'anton/400';
    });
    expect(sharedFact('faces', [first, faced])).toHaveLength(2);
    expect(sharedFact('layout', [first, faced])).toHaveLength(1);
    const wide = changed((book) => void (book.cover.widthPx = 1700));
    expect(sharedFact('size', [first, wide]).map(({ value }) => value)).toContain(`1700 x ${first.cover.heightPx} px`);
  });

  it('leaves each volume its colours', () => {
    for (const book of volumes) {
      const colours = volumeColours(book, 3);
      expect(colours.length).toBeGreaterThan(0);
      for (const hex of colours) expect(hex).toMatch(/^#[0-9a-f]{6}$/);
    }
  });
});
