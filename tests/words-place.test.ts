import { untold } from '@yosomi/core/book';
import { change } from '@yosomi/core/base';
import { compose, inkBox, textOf } from '@yosomi/core/compose';
import {
  type Doc,
  type WordsPart,
  SAFE,
  addPart,
  alignWords,
  behindWords,
  bringInside,
  inOrder,
  newOverlay,
  newPicture,
  newShape,
  putWords,
  removePart,
  setPart,
} from '@yosomi/core/cover';
import { type Rect, intersect } from '@yosomi/core/plane';
import { type Book, assetId } from '@yosomi/core/project';
import {
  coverPartPictures,
  deliverables,
  frontFindings,
  gather,
  landing,
  makeDeliverable,
  offerPictures,
  settledCover,
  sideFindings,
  verdictOf,
} from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pictureProject, smallScenes, wordsBook } from './fixtures/books';
import { fileOf, picturePixels } from './fixtures/pictures';
import { QuickStudio } from './fixtures/quick-studio';

const studio = new QuickStudio(new Map());
const edited = (book: Book, ...edits: Parameters<typeof change<Doc>>[1][]): Book => {
  const cover = edits.reduce((doc, edit) => {
    const done = change(doc, edit);
    if (!done.ok) throw new Error(done.fault.code);
    return done.value.next;
  }, book.cover);
  return { ...book, cover };
};
async function look(book: Book) {
  const { settled } = await settledCover(book, studio, 400);
  const ink = (id: string): Rect => {
    const part = book.cover.parts[id] as WordsPart;
    return inkBox(part, settled.composition.blocks.get(id)!);
  };
  const codes = (id: string): string[] => settled.findings.filter((f) => f.part === id).map((f) => f.code);
  return { settled, ink, codes };
}
const at = '2026-11-27T10:00:00Z';

describe('words that reach out of the cover', () => {
  it.each([
    ['to the right', { area: { x: 0.7, y: 0.4, width: 0.8, height: 0.2 } }, 'words-outside'],
    ['over the head', { area: { x: 0.1, y: -0.1, width: 0.8, height: 0.2 } }, 'words-outside'],
    [
      'turned, below the foot',
      { turnRad: Math.PI / 2, area: { x: 0.1, y: 0.9, width: 0.8, height: 0.1 } },
      'words-outside',
    ],
    [
      'into the margin',
      { area: { x: 0.01, y: 0.4, width: 0.98, height: 0.2 }, align: 'left', size: 0.06 },
      'words-unsafe',
    ],
  ] as const)('%s are found, and the fix brings them inside', async (_, fields, code) => {
    const book = edited(wordsBook(), setPart('title', { follows: null, ...fields }));
    const { codes, ink, settled } = await look(book);
    expect(codes('title')).toContain(code);
    const box = settled.composition.blocks.get('title')!.box;
    // The fix is given the letters as they lie; a turned part moves with them.
    const turned = (book.cover.parts.title as WordsPart).turnRad !== 0;
    const fixed = edited(book, bringInside('title', turned ? ink('title') : box));
    const after = await look(fixed);
    expect(after.codes('title').filter((c) => c === 'words-outside' || c === 'words-unsafe')).toEqual([]);
  });

  it('are none of a cover that somebody else finished, nor of words that say nothing', async () => {
    const book = edited(
      wordsBook(),
      setPart('title', { follows: null, area: { x: 0.9, y: 0.4, width: 0.8, height: 0.2 } }),
    );
    const silent = { ...book, brief: { ...book.brief, title: ' ' } };
    expect((await look(silent)).codes('title')).not.toContain('words-outside');
  });
});

const place = fc.record({
  x: fc.integer({ min: 4, max: 40 }).map((n) => n / 100),
  y: fc.integer({ min: 5, max: 60 }).map((n) => n / 100),
  width: fc.integer({ min: 30, max: 90 }).map((n) => n / 100),
});
const side = fc.constantFrom('left' as const, 'centre' as const, 'right' as const);

describe('ranging words on another side', () => {
  it('moves only lines, never the box of the letters', async () => {
    await fc.assert(
      fc.asyncProperty(place, side, side, fc.boolean(), async ({ x, y, width }, from, to, plate) => {
        const own = {
          follows: null,
          align: from,
          size: 0.05,
          area: { x, y, width, height: 0.3 },
          plate: plate ? { padX: 0.4, padY: 0.3, radius: 0, colour: '#ffffff', opacity: 1, blend: 'normal' } : null,
        };
        const book = edited(wordsBook(), setPart('title', own));
        const before = (await look(book)).ink('title');
        const after = (await look(edited(book, alignWords('title', to, before)))).ink('title');
        expect(Math.abs(after.x - before.x)).toBeLessThan(1.5);
        expect(Math.abs(after.width - before.width)).toBeLessThan(1.5);
        expect(Math.abs(after.y - before.y)).toBeLessThan(1.5);
      }),
      { numRuns: 30 },
    );
  });

  it('and putting them somewhere puts the letters there, whatever side they are ranged on', async () => {
    await fc.assert(
      fc.asyncProperty(place, side, side, async ({ x, y, width }, from, to) => {
        const own = { follows: null, align: from, size: 0.05, area: { x, y, width, height: 0.3 } };
        const book = edited(wordsBook(), setPart('title', own));
        const before = (await look(book)).ink('title');
        const there = { x: SAFE * 1600, y: 0.3 * 2560 };
        const after = (await look(edited(book, putWords('title', to, there, before)))).ink('title');
        expect(Math.abs(after.x - there.x)).toBeLessThan(1.5);
        expect(Math.abs(after.y - there.y)).toBeLessThan(2.5);
      }),
      { numRuns: 25 },
    );
  });

  it('holds still where it is locked', () => {
    const book = edited(wordsBook(), setPart('title', { locked: true }));
    const ink = { x: 0, y: 0, width: 10, height: 10 };
    for (const edit of [
      alignWords('title', 'left', ink),
      putWords('title', 'left', ink, ink),
      bringInside('title', ink),
    ])
      expect(change(book.cover, edit)).toMatchObject({ ok: false, fault: { code: 'part-locked' } });
  });
});

describe('a picture that is added', () => {
  it('lies behind every word, in front of the picture that was there', async () => {
    const { book, files } = await pictureProject();
    const bytes = await fileOf(picturePixels(400, 640, 9), 'jpeg');
    const id = assetId(bytes);
    const seed = newPicture({ kind: 'asset', asset: id });
    const added = edited(
      {
        ...book,
        assets: {
          ...book.assets,
          [id]: { id, format: 'jpeg', widthPx: 400, heightPx: 640, name: 'n', rights: untold },
        },
      },
      addPart('new', seed, behindWords(book.cover)),
    );
    const order = inOrder(added.cover).map((p) => p.id);
    const words = inOrder(added.cover).flatMap((p) => (p.kind === 'words' ? [order.indexOf(p.id)] : []));
    expect(order.indexOf('new')).toBeLessThan(Math.min(...words));
    expect(order.indexOf('new')).toBeGreaterThan(order.indexOf('picture'));
    const { settled } = await settledCover(added, new NodeStudio(new Map([...files, [id, bytes]])), 400);
    for (const report of settled.reports.values()) expect(report.seen).toBeGreaterThan(0.6);
    expect(behindWords(wordsBook().cover)).toBe('ground');
  });
});

describe('words that are added', () => {
  it('land in a colour that reads on what is painted there', async () => {
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 0, max: 0xffffff }), async (n) => {
        const colour = `#${n.toString(16).padStart(6, '0')}`;
        const bare = wordsBook();
        const parts = {
          ground: { ...bare.cover.parts.ground, paint: { kind: 'flat' as const, colour }, border: null },
        };
        const book = { ...bare, cover: { ...bare.cover, parts } as Doc };
        const found = await landing(book, { x: 0.15, y: 0.5, width: 0.7, height: 0.05 }, studio);
        expect(found.contrast).toBeGreaterThanOrEqual(4.5);
      }),
      { numRuns: 25 },
    );
  });
});

describe('what is added', () => {
  it('lands on no words and no mark, wherever it was meant to stand', async () => {
    const book = wordsBook();
    const { resources } = await gather(book.cover, book.brief, studio, 240);
    const { frames } = compose(book.cover, book.brief, resources);
    const lying = Object.values(book.cover.parts).flatMap((part) => {
      const frame = part.kind === 'words' && !part.hidden ? frames.get(part.id) : undefined;
      return frame && frame.height > 0 ? [frame] : [];
    });
    const { widthPx: w, heightPx: h } = book.cover;
    for (const enough of [4.5, 2])
      for (const [x, y] of [
        [0.15, 0.12],
        [0.4, 0.2],
        [0.3, 0.88],
        [0.1, 0.5],
      ]) {
        const { area } = await landing(book, { x, y, width: 0.3, height: 0.06 }, studio, enough);
        const box = { x: area.x * w, y: area.y * h, width: area.width * w, height: area.height * h };
        for (const frame of lying) {
          const { width, height } = intersect(box, frame);
          expect(Math.min(width, height)).toBeLessThan(0.004 * w);
        }
        expect([area.width, area.height]).toEqual([0.3, 0.06]);
      }
  });

  it('is shown by itself before it is there, and parts that are there as they are', async () => {
    const book = wordsBook();
    const here = await coverPartPictures(book, studio, 60);
    expect([...here.keys()].sort()).toEqual(
      Object.values(book.cover.parts)
        .filter((p) => !p.hidden && (p.kind !== 'words' || textOf(p, book.brief).trim()))
        .map((p) => p.id)
        .sort(),
    );
    const area = { x: 0.2, y: 0.2, width: 0.4, height: 0.25 };
    const offered = await offerPictures(
      book,
      { disc: [newShape({ kind: 'ellipse' }, { area, colour: '#aa3300' })], rays: [newOverlay('rays', '#fff6e4')] },
      studio,
      60,
    );
    const disc = offered.get('disc')!;
    expect([disc.width, disc.height]).toEqual([60, 60]);
    const at = (x: number, y: number): number[] => [...disc.data.slice((y * 60 + x) * 4, (y * 60 + x) * 4 + 4)];
    expect(at(30, 30)).toEqual([0xaa, 0x33, 0, 255]);
    expect(at(1, 1)[3]).toBe(0);
    expect(Math.max(...offered.get('rays')!.data)).toBeGreaterThan(20);
  });
});

describe('a front as a whole', () => {
  it('that is empty, or lacks its title, says so', () => {
    const book = wordsBook();
    expect(frontFindings(book.cover, book.brief)).toEqual([]);
    const ids = Object.keys(book.cover.parts).filter((id) => id !== 'ground');
    const empty = edited(book, ...ids.map((id) => removePart(id)));
    expect(frontFindings(empty.cover, book.brief).map((f) => f.code)).toEqual(['cover-empty']);
    const untitled = edited(book, removePart('title'));
    expect(frontFindings(untitled.cover, book.brief).map((f) => f.code)).toEqual(['title-not-shown']);
    const hidden = edited(book, setPart('title', { hidden: true }));
    expect(frontFindings(hidden.cover, book.brief).map((f) => f.code)).toEqual(['title-not-shown']);
    expect(frontFindings(untitled.cover, { ...book.brief, title: '' })).toEqual([]);
    expect(frontFindings({ ...untitled.cover, finished: true }, book.brief)).toEqual([]);
  });
});

describe('what the Front knows of words', () => {
  it('is part of the verdict of every file, and a cover that lacks its title is refused', async () => {
    const book = smallScenes(wordsBook({ stores: ['longreach', 'pocketreel'] }));
    const faint = edited(
      book,
      setPart('byline', { colour: '#e9e6df', support: 'none' }),
      setPart('ground', { paint: { kind: 'flat', colour: '#f4f2ec' } }),
    );
    const untitled = edited(book, removePart('title'));
    for (const wanted of deliverables(book)) {
      const good = await makeDeliverable(book, wanted, at, studio);
      const bad = await makeDeliverable(faint, wanted, at, studio);
      const none = await makeDeliverable(untitled, wanted, at, studio);
      if (!good.ok || !bad.ok || !none.ok) throw new Error(wanted.id);
      const reads = (f: { code: string }): boolean => f.code.startsWith('reads-');
      expect(good.value.findings.filter(reads), wanted.id).toEqual([]);
      expect(
        bad.value.findings.filter(reads).map((f) => f.data.role),
        wanted.id,
      ).toContain('byline');
      expect(verdictOf(bad.value.findings), wanted.id).toBe('reads');
      expect(verdictOf(none.value.findings), wanted.id).toBe('fails');
    }
  }, 180_000);

  it('judges spine and back like the front', async () => {
    const book = wordsBook();
    expect(await sideFindings(book, studio)).toEqual([]);
    const dark = edited(book, setPart('ground', { paint: { kind: 'flat', colour: '#10182c' } }));
    const { newSide } = await import('@yosomi/core/recipe');
    const spine = newSide(dark, 'spine', ['#10182c', '#10182c', '#10182c']);
    const parts = Object.fromEntries(
      Object.entries(spine.doc.parts).map(([id, p]) => [
        id,
        p.kind === 'words' && p.role === 'byline' ? { ...p, colour: '#16181b' } : p,
      ]),
    );
    const found = await sideFindings(
      { ...dark, sides: { spine: { ...spine, doc: { ...spine.doc, parts } }, back: null } },
      studio,
    );
    expect(found.map((f) => [f.code, f.data.role])).toEqual([['reads-contrast', 'spine']]);
  });
});
