import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ownPainting, untold } from '@yosomi/core/book';
import { shrink, ssim } from '@yosomi/core/pixels';
import { replay } from '@yosomi/core/base';
import { BOOK_SCHEMA, Book, type Project, packProject, readBook, readStep, unpackProject } from '@yosomi/core/project';
import { coverRaster, deliverables, makeDeliverable } from '@yosomi/core/recipe';
import { NodeStudio } from '@yosomi/node-kit';
import { pixelsOf } from './fixtures/pictures';

const fixture = (name: string): Uint8Array => new Uint8Array(readFileSync(join(import.meta.dirname, 'fixtures', name)));

/** Titles as earlier releases wrote them, with the pictures of their covers that those made. */
describe.each([
  'schema-1/pictured',
  'schema-1/words',
  'schema-2/pictured',
  'schema-2/words',
  'schema-3/pictured',
  'schema-3/words',
  'schema-4/pictured',
  'schema-4/words',
  'schema-5/pictured',
  'schema-5/words',
  'schema-6/pictured',
  'schema-6/words',
  'schema-7/pictured',
  'schema-7/words',
  'schema-8/pictured',
  'schema-8/words',
  'schema-9/pictured',
  'schema-9/words',
  'schema-10/pictured',
  'schema-10/words',
  'schema-11/pictured',
  'schema-11/words',
  'schema-12/pictured',
  'schema-12/words',
  'schema-13/pictured',
  'schema-13/words',
  'schema-14/pictured',
  'schema-14/words',
  'schema-15/pictured',
  'schema-15/words',
  'schema-16/pictured',
  'schema-16/words',
  'schema-17/pictured',
  'schema-17/words',
])('a title of %s', (name) => {
  const opened = unpackProject(fixture(`${name}.yosomi`));

  it('opens as the present schema', () => {
    expect(opened.ok).toBe(true);
    if (!opened.ok) return;
    expect(opened.value.book.schema).toBe(BOOK_SCHEMA);
    expect(Book.parse(opened.value.book)).toEqual(opened.value.book);
    expect(opened.value.book).toMatchObject({
      versions: [],
      faces: {},
      booklet: null,
      origins: [],
      sides: { spine: null, back: null },
      pin: null,
    });
    expect(opened.value.book.scene).toMatchObject({ schema: 3, arrangement: 'standing' });
    expect(opened.value.book.scene.things.map((t) => t.object.kind)).toEqual(['paperback']);
  });

  it('keeps its words and looks as it looked', async () => {
    if (!opened.ok) throw new Error(opened.fault.code);
    const { book, files } = opened.value;
    expect(book.brief.title.length).toBeGreaterThan(5);
    const now = shrink(await coverRaster(book, 800, new NodeStudio(files)), 250, 400);
    expect(ssim(now, await pixelsOf(fixture(`${name}.png`)))).toBeGreaterThan(0.995);
  });

  it('is written as the present schema, and comes back the same', () => {
    if (!opened.ok) throw new Error(opened.fault.code);
    const again = unpackProject(packProject(opened.value));
    expect(again.ok && again.value.book).toEqual(opened.value.book);
  });
});

describe('the promo of an earlier schema', () => {
  const opened = (name: string) => {
    const made = unpackProject(fixture(`${name}.yosomi`));
    if (!made.ok) throw new Error(made.fault.code);
    return made.value;
  };

  it.each(['schema-8/pictured', 'schema-8/words'])(
    'of %s is drawn by hand now, and looks as it looked',
    async (name) => {
      const { book, files } = opened(name);
      const { first } = book.promos;
      expect(first.formats).toEqual(['square']);
      expect(first.made.square).toMatchObject({ kind: 'drawn', follows: true });
      expect(first.message.call).toBe('Get your copy');
      const wanted = deliverables(book).find((d) => d.kind === 'promo')!;
      const made = await makeDeliverable(book, wanted, book.updatedAt, new NodeStudio(files));
      if (!made.ok) throw new Error(made.fault.code);
      const now = shrink(await pixelsOf(made.value.bytes), 270, 270);
      expect(ssim(now, await pixelsOf(fixture(`${name}-promo.png`)))).toBeGreaterThan(0.985);
    },
  );

  const likeBefore = async (name: string, book: Book, files: Project['files']): Promise<number> => {
    const wanted = deliverables(book).find((d) => d.id === 'promo-launch-square')!;
    const made = await makeDeliverable(book, wanted, book.updatedAt, new NodeStudio(files));
    if (!made.ok) throw new Error(made.fault.code);
    return ssim(shrink(await pixelsOf(made.value.bytes), 270, 270), await pixelsOf(fixture(`${name}-promo.png`)));
  };

  it.each(['schema-9/pictured', 'schema-9/words'])('of %s has a motion now, and looks as it looked', async (name) => {
    const { book, files } = opened(name);
    expect(book.promos.launch.motion).toEqual({ kind: 'swing', arrive: true, seconds: 6 });
    expect(book.promos.launch.reveal.shape).toBe(7);
    expect(await likeBefore(name, book, files)).toBeGreaterThan(0.995);
  });

  it.each(['schema-10/pictured', 'schema-10/words'])('of %s shows its books as they are in Mockups', async (name) => {
    const { book, files } = opened(name);
    expect([book.scenes, book.promos.launch.style.scene]).toEqual([{}, null]);
    expect(await likeBefore(name, book, files)).toBeGreaterThan(0.995);
  });

  it.each([11, 12, 13, 14, 15, 16].flatMap((n) => [`schema-${n}/pictured`, `schema-${n}/words`]))(
    'of %s looks as it looked',
    async (name) => {
      const { book, files } = opened(name);
      expect(await likeBefore(name, book, files)).toBeGreaterThan(0.995);
    },
  );

  it('a headline that the product had made up gives way to the strapline', () => {
    const { square } = opened('schema-7/words').book.promos.first.made;
    expect(square.kind === 'drawn' && square.doc.parts.headline).toMatchObject({
      says: { kind: 'brief', field: 'strapline' },
    });
    for (const name of ['schema-1/words', 'schema-3/pictured', 'schema-6/words', 'schema-7/words'])
      expect(JSON.stringify(opened(name).book.promos), name).not.toContain('evenings"');
  });

  it('takes the steps of its history along', () => {
    const patch = (path: (string | number)[], value: unknown) => ({ op: 'replace' as const, path, value });
    const step = {
      label: 'x',
      forward: [
        patch(['promo', 'parts', 'call', 'opacity'], 0.5),
        patch(['promoFollows'], false),
        patch(['cover', 'widthPx'], 9),
      ],
      back: [patch(['promoFollows'], true)],
      key: null,
    };
    const now = readStep(step as never, 8)!;
    expect(now.forward.map((p) => p.path.join('.'))).toEqual([
      'promos.first.made.square.doc.parts.call.opacity',
      'promos.first.made.square.follows',
      'cover.widthPx',
    ]);
    const added = { op: 'add' as const, path: ['promos', 'late'], value: { id: 'late', formats: ['square'] } };
    expect(readStep({ label: 'x', forward: [added], back: [], key: null } as never, 9)!.forward[0].value).toMatchObject(
      {
        id: 'late',
        motion: { kind: 'swing' },
      },
    );
    const style = { op: 'replace' as const, path: ['promos', 'launch', 'style'], value: { look: 'dusk' } };
    const before = {
      label: 'x',
      forward: [style, { ...added, value: { style: { look: 'dusk' } } }],
      back: [],
      key: null,
    };
    expect(readStep(before as never, 10)!.forward.map((p) => p.value)).toEqual([
      { look: 'dusk', scene: null },
      { style: { look: 'dusk', scene: null } },
    ]);
    const { book } = opened('schema-8/words');
    const done = replay(book, now.forward);
    const { square } = done.promos.first.made;
    expect(square.kind === 'drawn' && [square.follows, square.doc.parts.call.opacity]).toEqual([false, 0.5]);
  });
});

describe('documents that are none', () => {
  it('are refused with the place that is wrong, and never thrown at', () => {
    for (const raw of [
      null,
      7,
      'book',
      [],
      {},
      { schema: '2' },
      { schema: 0 },
      { schema: 1.5 },
      { schema: 1 },
      { schema: 1, cover: 4 },
      { schema: 1, cover: { parts: { a: null } } },
      { schema: 2, cover: null },
    ]) {
      const read = readBook(raw);
      expect(read.ok).toBe(false);
      expect(!read.ok && read.fault.code).toBe('project-damaged');
    }
    expect(readBook({ schema: BOOK_SCHEMA + 1 })).toMatchObject({ ok: false, fault: { code: 'project-newer' } });
  });
});

describe('curves and parts of schema 11', () => {
  const opened = unpackProject(fixture('schema-11/curves.yosomi'));

  it('say what they say since then, and look as they looked', async () => {
    if (!opened.ok) throw new Error(opened.fault.code);
    const { book, files } = opened.value;
    const parts = Object.values(book.cover.parts);
    expect(parts.every((part) => part.name === '')).toBe(true);
    const families = parts.flatMap((part) => (part.kind === 'curve' && part.family ? [part.family] : []));
    expect(families.length).toBeGreaterThan(1);
    for (const family of families) expect(family).toMatchObject({ kind: 'between', via: [], carry: false });
    const now = shrink(await coverRaster(book, 800, new NodeStudio(files)), 250, 400);
    expect(ssim(now, await pixelsOf(fixture('schema-11/curves.png')))).toBeGreaterThan(0.99);
  });

  it('and so do those that a step of their history puts back', () => {
    if (!opened.ok) throw new Error(opened.fault.code);
    const curve = { id: 'c', order: 'm', kind: 'curve', family: { kind: 'between', count: 3, part: 'd' } };
    const words = { id: 'w', order: 'n', kind: 'words' };
    const since = { kerning: 'face', hyphens: false, initial: null, room: null, style: null, pairs: [] };
    const step = {
      label: 'x',
      forward: [{ op: 'remove', path: ['cover', 'parts', 'c'] }],
      back: [
        { op: 'add', path: ['cover', 'parts', 'c'], value: curve },
        { op: 'replace', path: ['cover', 'parts'], value: { w: words } },
        { op: 'replace', path: ['cover', 'parts', 'c', 'family'], value: curve.family },
        { op: 'replace', path: ['brief', 'title'], value: 'between' },
      ],
      key: null,
    };
    const now = readStep(step as never, 11)!;
    expect(now.forward).toEqual(step.forward);
    expect(now.back.map((patch) => patch.value)).toEqual([
      {
        ...curve,
        name: '',
        closed: false,
        dash: 0,
        arrowStart: false,
        arrowEnd: false,
        family: { ...curve.family, via: [], carry: false },
      },
      { w: { ...words, name: '', figures: 'face', ...since } },
      { ...curve.family, via: [], carry: false },
      'between',
    ]);
  });
});

describe('words and documents of schema 12', () => {
  it('have no styles, rooms, initials, and keep what a step of their history puts back', async () => {
    const opened = unpackProject(fixture('schema-12/curves.yosomi'));
    if (!opened.ok) throw new Error(opened.fault.code);
    const { book, files } = opened.value;
    expect(book.cover.styles).toEqual({});
    const curves = Object.values(book.cover.parts).filter((part) => part.kind === 'curve');
    expect(curves.length).toBeGreaterThan(1);
    for (const curve of curves) expect(curve).toMatchObject({ dash: 2, arrowEnd: true });
    const now = shrink(await coverRaster(book, 800, new NodeStudio(files)), 250, 400);
    expect(ssim(now, await pixelsOf(fixture('schema-12/curves.png')))).toBeGreaterThan(0.995);

    const words = { id: 'w', order: 'n', kind: 'words', figures: 'lining' };
    const doc = { widthPx: 9, heightPx: 9, finished: false, parts: { w: words } };
    const step = { label: 'x', forward: [], back: [{ op: 'replace', path: ['cover'], value: doc }], key: null };
    const since = { kerning: 'face', hyphens: false, initial: null, room: null, style: null, pairs: [] };
    expect(readStep(step as never, 12)!.back[0].value).toEqual({
      ...doc,
      parts: { w: { ...words, ...since } },
      styles: {},
      groups: {},
      guides: null,
    });
  });
});

describe('scenes of schema 17', () => {
  it('are of the present number wherever they are, and so are those that a step puts back', () => {
    const opened = unpackProject(fixture('schema-17/words.yosomi'));
    if (!opened.ok) throw new Error(opened.fault.code);
    const { book } = opened.value;
    const old = { ...book.scene, schema: 2 };
    const kept = { name: 'On wood', scene: old };
    const read = readBook({ ...book, schema: 17, origins: undefined, scene: old, scenes: { kept } });
    expect(read.ok && read.value).toEqual({ ...book, scenes: { kept: { ...kept, scene: book.scene } } });
    const patches = [
      { op: 'replace', path: ['scene'], value: old },
      { op: 'add', path: ['scenes', 'kept'], value: kept },
      { op: 'replace', path: ['scene', 'pose', 'turnRad'], value: 2 },
    ];
    const step = readStep({ label: 'x', forward: patches, back: patches, key: null } as never, 17)!;
    for (const way of [step.forward, step.back])
      expect(way.map(({ value }) => value)).toEqual([book.scene, { ...kept, scene: book.scene }, 2]);
  });
});

describe('rights of schema 15', () => {
  const opened = unpackProject(fixture('schema-15/pictured.yosomi'));
  const SENTENCE = 'Ida Quill, by leave of 3 May';

  it('say what the sentence said, and claim nothing that it did not', () => {
    if (!opened.ok) throw new Error(opened.fault.code);
    const [asset] = Object.values(opened.value.book.assets);
    expect(asset.rights).toEqual({ ...untold, source: SENTENCE });
  });

  it('are known where the program itself wrote the sentence', () => {
    if (!opened.ok) throw new Error(opened.fault.code);
    const [asset] = Object.values(opened.value.book.assets);
    const desk =
      'Painted by the picture desk of Yosomi. Free to use and to sell, on covers and on goods; no credit is due.';
    for (const [rights, source] of [
      [desk, 'The picture desk'],
      ['Drawn by this program for this title; free to use and to sell.', 'Drawn for this title'],
    ]) {
      const read = readBook({ ...opened.value.book, schema: 15, assets: { [asset.id]: { ...asset, rights } } });
      expect(read.ok && read.value.assets[asset.id].rights).toEqual(ownPainting(source));
    }
  });

  it('and so do the steps that wrote them', () => {
    const picture = { id: 'abcdef1', format: 'png', widthPx: 9, heightPx: 9, name: 'x', rights: SENTENCE };
    const step = {
      label: 'Rights of a picture',
      forward: [{ op: 'replace', path: ['assets', 'abcdef1', 'rights'], value: SENTENCE }],
      back: [
        { op: 'replace', path: ['assets', 'abcdef1', 'rights'], value: '' },
        { op: 'add', path: ['assets', 'abcdef1'], value: picture },
        { op: 'replace', path: ['brief', 'title'], value: SENTENCE },
      ],
      key: null,
    };
    const now = readStep(step as never, 15)!;
    expect(now.forward[0].value).toEqual({ ...untold, source: SENTENCE });
    expect(now.back.map(({ value }) => value)).toEqual([
      untold,
      { ...picture, rights: { ...untold, source: SENTENCE } },
      SENTENCE,
    ]);
  });
});

describe('pictures of schema 13', () => {
  it('are whole, keep what was painted away, and so do those that a step puts back', () => {
    const opened = unpackProject(fixture('schema-13/pictured.yosomi'));
    if (!opened.ok) throw new Error(opened.fault.code);
    const { cover } = opened.value.book;
    const pictures = Object.values(cover.parts).filter((part) => part.kind === 'picture');
    expect(pictures.length).toBeGreaterThan(0);
    for (const picture of pictures)
      expect(picture).toMatchObject({ cutOut: null, lean: { x: 0, y: 0 }, soft: { fade: { kind: 'side' } } });
    expect(cover.guides?.columns).toEqual({ count: 4, gutter: 0.02 });
    const picture = { id: 'p', order: 'n', kind: 'picture', soft: null };
    const words = { id: 'w', order: 'o', kind: 'words', style: null };
    const doc = { widthPx: 9, heightPx: 9, finished: false, parts: { w: words }, styles: {}, guides: null };
    const step = {
      label: 'x',
      forward: [],
      back: [
        { op: 'add', path: ['cover', 'parts', 'p'], value: picture },
        { op: 'replace', path: ['cover'], value: doc },
      ],
      key: null,
    };
    expect(readStep(step as never, 13)!.back.map(({ value }) => value)).toEqual([
      { ...picture, cutOut: null, lean: { x: 0, y: 0 } },
      { ...doc, parts: { w: { ...words, pairs: [] } }, groups: {} },
    ]);
  });
});
