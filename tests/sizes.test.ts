import { change } from '@yosomi/core/base';
import { Book } from '@yosomi/core/project';
import {
  MASTERS,
  addSize,
  coverAt,
  coverRaster,
  hasShape,
  onSibling,
  removeSize,
  sizedCover,
  sizesOf,
} from '@yosomi/core/recipe';
import { PROFILES } from '@yosomi/core/stores';
import { NodeStudio } from '@yosomi/node-kit';
import { describe, expect, it } from 'vitest';
import { finishedProject, wordsBook } from './fixtures/books';

const done = (book: Book, ...edits: Parameters<typeof change<Book>>[1][]): Book =>
  edits.reduce((now, edit) => {
    const made = change(now, edit);
    if (!made.ok) throw new Error(made.fault.code);
    return made.value.next;
  }, book);
const withSizes = (book: Book): Book =>
  done(book, ...MASTERS.filter(({ id }) => id !== 'picture-square').map((one) => addSize(one.id, one.name, one)));
const shape = ({ widthPx, heightPx }: { widthPx: number; heightPx: number }): number =>
  Math.round((1000 * heightPx) / widthPx);

describe('all sizes of a cover', () => {
  it('are each there once: the front, what a person added, what stores ask for beyond that', () => {
    const book = wordsBook();
    const alone = sizesOf(book, PROFILES);
    expect(new Set(alone.map(shape)).size).toBe(alone.length);
    expect(alone[0]).toMatchObject({ kind: 'front', widthPx: book.cover.widthPx });
    // Every store is served by one of them.
    expect(alone.flatMap(({ stores }) => stores).sort()).toEqual(PROFILES.map(({ name }) => name).sort());
    const more = sizesOf(withSizes(book), PROFILES);
    expect(new Set(more.map(shape)).size).toBe(more.length);
    // A square store takes the square that the person made.
    expect(more.filter((one) => one.kind === 'store' && one.widthPx === one.heightPx)).toEqual([]);
  });

  it('follow the front, and keep what was placed in one of them', () => {
    const title = Object.values(wordsBook().cover.parts).find((p) => p.kind === 'words' && p.role === 'title')!;
    const area = { x: 0.5, y: 0.1, width: 0.4, height: 0.3 };
    const book = done(
      withSizes(wordsBook()),
      onSibling('picture-landscape', (doc) => {
        const part = doc.parts[title.id];
        if (part.kind === 'words') part.area = area;
      }),
      (draft) => {
        const part = draft.cover.parts[title.id];
        if (part.kind === 'words') part.colour = '#123456';
      },
    );
    for (const size of sizesOf(book, PROFILES)) {
      const part = coverAt(book, size, '#ffffff').cover.parts[title.id];
      expect(part).toMatchObject({ colour: '#123456' });
      if (size.id === 'picture-landscape') expect(part).toMatchObject({ area });
      else expect(part).not.toMatchObject({ area });
    }
    expect(hasShape(book, { widthPx: 1100, heightPx: 850 })).toBe(true);
    expect(hasShape(book, { widthPx: 1100, heightPx: 700 })).toBe(false);
  });

  it('are added and removed as steps that can be stored, refused with a reason', () => {
    const refused = (book: Book, edit: Parameters<typeof change<Book>>[1]) => {
      const made = change(book, edit);
      return made.ok ? null : made.fault.code;
    };
    const book = wordsBook();
    // A store may have a longer name than a size.
    const long = done(
      book,
      addSize('s', `For ${'A very long name of a store '.repeat(3)}`, { widthPx: 3000, heightPx: 2000 }),
    );
    expect(Book.safeParse(long).success).toBe(true);
    expect(long.siblings.s.name).toHaveLength(60);
    expect(refused(long, addSize('t', 'Again', { widthPx: 300, heightPx: 200 }))).toBe('size-there');
    expect(refused(book, addSize('t', 'The front', book.cover))).toBe('size-there');
    expect(refused(book, addSize('t', 'Tiny', { widthPx: 8, heightPx: 9 }))).toBe('size-range');
    expect(refused(book, addSize('t', '  ', { widthPx: 800, heightPx: 900 }))).toBeNull();
    expect(
      refused(
        { ...book, cover: { ...book.cover, finished: true } },
        addSize('t', 'Square', { widthPx: 800, heightPx: 800 }),
      ),
    ).toBe('cover-finished');
    expect(done(long, removeSize('s')).siblings).toEqual({});
    expect(refused(book, removeSize('s'))).toBe('sibling-gone');
  });

  it('a finished cover is shown whole on the colour of its edge, as stores get it', async () => {
    const { book, files } = await finishedProject(400, 640, { title: 'Done Elsewhere' });
    const sized = await sizedCover(book, { widthPx: 800, heightPx: 800 }, new NodeStudio(files));
    const ground = Object.values(sized.cover.parts).find((part) => part.kind === 'ground')!;
    expect(ground).toMatchObject({ paint: { kind: 'flat' } });
    expect(ground).not.toMatchObject({ paint: { colour: '#ffffff' } });
    expect(Object.values(sized.cover.parts).find((part) => part.kind === 'picture')).toMatchObject({ fit: 'whole' });
  });

  it.each(MASTERS.map((one) => [one.id, one] as const))(
    'the master %s shows every word of the cover within its edges',
    async (_, master) => {
      const sized = coverAt(wordsBook(), master, '#ffffff');
      const made = await coverRaster(sized, 400, new NodeStudio(new Map()));
      expect(made.height).toBe(Math.round((400 * master.heightPx) / master.widthPx));
      for (const part of Object.values(sized.cover.parts)) {
        if (part.kind !== 'words') continue;
        expect(part.area.x).toBeGreaterThanOrEqual(-1e-9);
        expect(part.area.x + part.area.width).toBeLessThanOrEqual(1 + 1e-9);
        expect(part.area.y + part.area.height).toBeLessThanOrEqual(1 + 1e-9);
      }
    },
  );
});
