import { change } from '@yosomi/core/base';
import { type Book } from '@yosomi/core/project';
import { MASTERS, coverRaster, hasShape, onSibling, siblingDoc, sizesOf } from '@yosomi/core/recipe';
import { PROFILES } from '@yosomi/core/stores';
import { NodeStudio } from '@yosomi/node-kit';
import { describe, expect, it } from 'vitest';
import { wordsBook } from './fixtures/books';

const withSizes = (book: Book): Book => ({
  ...book,
  siblings: Object.fromEntries(
    MASTERS.map(({ id, name, widthPx, heightPx }) => [id, { name, widthPx, heightPx, places: {} }]),
  ),
});

describe('all sizes of a cover', () => {
  it('are each there once: the front, what a person added, what stores ask for beyond that', () => {
    const book = wordsBook();
    const alone = sizesOf(book, PROFILES);
    const shapes = alone.map(({ doc }) => Math.round((1000 * doc.heightPx) / doc.widthPx));
    expect(new Set(shapes).size).toBe(shapes.length);
    expect(alone[0]).toMatchObject({ kind: 'front', doc: book.cover });
    // Every store is served by one of them.
    expect(alone.flatMap(({ stores }) => stores).sort()).toEqual(PROFILES.map(({ name }) => name).sort());
    const more = sizesOf(withSizes(book), PROFILES);
    expect(more.filter(({ kind }) => kind === 'sibling').map(({ name }) => name)).toEqual(
      MASTERS.map(({ name }) => name),
    );
    // A square store takes the square that the person made.
    const squares = more.filter(({ doc }) => doc.widthPx === doc.heightPx);
    expect(squares.filter(({ kind }) => kind === 'store')).toEqual([]);
  });

  it('follow the front, and keep what was placed in one of them', () => {
    const book = withSizes(wordsBook());
    const title = Object.values(book.cover.parts).find((p) => p.kind === 'words' && p.role === 'title')!;
    const area = { x: 0.5, y: 0.1, width: 0.4, height: 0.3 };
    const placed = change(
      book,
      onSibling('picture-landscape', (doc) => {
        const part = doc.parts[title.id];
        if (part.kind === 'words') part.area = area;
      }),
    );
    if (!placed.ok) throw new Error(placed.fault.code);
    const next = change(placed.value.next, (draft) => {
      const part = draft.cover.parts[title.id];
      if (part.kind === 'words') part.colour = '#123456';
    });
    if (!next.ok) throw new Error(next.fault.code);
    const sizes = sizesOf(next.value.next, []);
    for (const { doc } of sizes) expect(doc.parts[title.id]).toMatchObject({ colour: '#123456' });
    expect(sizes.find(({ id }) => id === 'picture-landscape')!.doc.parts[title.id]).toMatchObject({ area });
    expect(sizes.find(({ id }) => id === 'audio')!.doc.parts[title.id]).not.toMatchObject({ area });
    expect(hasShape(next.value.next, { widthPx: 1100, heightPx: 850 })).toBe(true);
    expect(hasShape(next.value.next, { widthPx: 1100, heightPx: 700 })).toBe(false);
  });

  it.each(MASTERS.map((one) => [one.id, one] as const))(
    'the master %s shows every word of the cover within its edges',
    async (_, master) => {
      const book = wordsBook();
      const doc = siblingDoc(book.cover, { ...master, places: {} });
      const made = await coverRaster({ ...book, cover: doc }, 400, new NodeStudio(new Map()));
      expect(made.height).toBe(Math.round((400 * master.heightPx) / master.widthPx));
      for (const part of Object.values(doc.parts)) {
        if (part.kind !== 'words') continue;
        expect(part.area.x).toBeGreaterThanOrEqual(-1e-9);
        expect(part.area.x + part.area.width).toBeLessThanOrEqual(1 + 1e-9);
        expect(part.area.y + part.area.height).toBeLessThanOrEqual(1 + 1e-9);
      }
    },
  );
});
