import { beforeAll, describe, expect, it } from 'vitest';
import { type Edit, change } from '@yosomi/core/base';
import { emptyBrief } from '@yosomi/core/book';
import { areaPx, compose, slivers } from '@yosomi/core/compose';
import { contrast } from '@yosomi/core/colour';
import {
  type Doc,
  type Part,
  type PartSeed,
  type PicturePart,
  type WordsPart,
  Doc as DocSchema,
  addPart,
  applyScheme,
  docOf,
  equalMargins,
  moveParts,
  newGround,
  newPicture,
  newShape,
  newWords,
  scaleParts,
  setPart,
  turnParts,
} from '@yosomi/core/cover';
import { type Raster, shrink, ssim } from '@yosomi/core/pixels';
import { Book, type Project } from '@yosomi/core/project';
import {
  contrastFixes,
  coverKey,
  coverRaster,
  drawingRaster,
  gather,
  onSibling,
  rememberMeasure,
  settledCover,
  siblingDoc,
  siblingFor,
  withChanges,
} from '@yosomi/core/recipe';
import { schemesAround } from '@yosomi/core/colour';
import { NodeStudio } from '@yosomi/node-kit';
import { demos } from './fixtures/demos';
import { busyCover } from './fixtures/busy-cover';
import { finishedProject, pictureProject } from './fixtures/books';

let project: Project;
let studio: NodeStudio;
beforeAll(async () => {
  project = await pictureProject();
  studio = new NodeStudio(project.files);
});

const W = 400;
const H = 640;
const all = { x: 0, y: 0, width: 1, height: 1 };
const ground = { ...newGround('#ffffff'), id: 'ground' };
const words = (id: string, text: string, more: Partial<WordsPart> = {}): PartSeed => ({
  ...newWords({
    role: 'title',
    says: { kind: 'own', text },
    area: { x: 0.1, y: 0.3, width: 0.8, height: 0.3 },
    cut: 'anton/400',
    colour: '#000000',
    support: 'none',
    ...more,
  }),
  id,
});
const box = (id: string, colour: string, area = all, more: Partial<Part> = {}): PartSeed =>
  ({ ...newShape({ kind: 'rectangle', radius: 0 }, { area, colour }), ...more, id }) as PartSeed;
const paint = async (doc: Doc, widthPx = W): Promise<Raster> => {
  const { resources, images } = await gather(doc, emptyBrief, studio, widthPx);
  return studio.paint(compose(doc, emptyBrief, resources).ink, widthPx, images);
};
const at = (r: Raster, x: number, y: number): number[] => {
  const i = (Math.floor(y * r.height) * r.width + Math.floor(x * r.width)) * 4;
  return [...r.data.slice(i, i + 3)];
};
const findings = async (doc: Doc): Promise<string[]> => {
  const { resources } = await gather(doc, emptyBrief, studio, W);
  return compose(doc, emptyBrief, resources).findings.map((f) => f.code);
};

describe('effects of words', () => {
  it('a gradient runs through the letters, from one colour to the other', async () => {
    const fill = {
      kind: 'linear',
      angleRad: Math.PI / 2,
      stops: [
        { at: 0, colour: '#ff0000' },
        { at: 1, colour: '#0000ff' },
      ],
    } as const;
    const r = await paint(docOf(W, H, [ground, words('title', 'III', { fill: { ...fill, stops: [...fill.stops] } })]));
    const column: number[][] = [];
    for (let y = 0.3; y < 0.6; y += 0.01)
      for (let x = 0.3; x < 0.7; x += 0.01) {
        const p = at(r, x, y);
        if (p[1] < 20) column.push(p);
      }
    expect(column.length).toBeGreaterThan(30);
    expect(column[0][0]).toBeGreaterThan(200);
    expect(column.at(-1)![2]).toBeGreaterThan(200);
  });

  it('a picture shows through the letters, and only there', async () => {
    const [asset] = project.files.keys();
    const r = await paint(
      docOf(W, H, [
        ground,
        words('title', 'M', { fill: { kind: 'picture', asset, focus: { x: 0.5, y: 0.5 }, zoom: 1 } }),
      ]),
    );
    expect(at(r, 0.02, 0.02)).toEqual([255, 255, 255]);
    const seen = new Set<string>();
    for (let y = 0.32; y < 0.58; y += 0.01) for (let x = 0.2; x < 0.8; x += 0.01) seen.add(at(r, x, y).join());
    // Neither the ground nor the colour of the words, but the many colours of the picture.
    seen.delete('255,255,255');
    expect(seen.has('0,0,0')).toBe(false);
    expect(seen.size).toBeGreaterThan(100);
  });

  it('an outline outside makes letters wider, inside it does not', async () => {
    const covered = async (side: 'inside' | 'outside' | 'centre' | null): Promise<number> => {
      const outline = side ? { width: 0.06, colour: '#000000', side } : null;
      const r = await paint(docOf(W, H, [ground, words('title', 'MOSS', { size: 0.2, outline })]));
      let n = 0;
      for (let i = 0; i < r.data.length; i += 4) if (r.data[i] < 128) n++;
      return n;
    };
    const plain = await covered(null);
    expect(await covered('outside')).toBeGreaterThan(plain * 1.1);
    expect(await covered('centre')).toBeGreaterThan(plain * 1.03);
    expect(Math.abs((await covered('inside')) / plain - 1)).toBeLessThan(0.04);
  });

  it('a plate stands behind, with its padding, and words count as read on it', async () => {
    const plate = { padX: 0.5, padY: 0.4, radius: 0, colour: '#101820', opacity: 1, blend: 'normal' } as const;
    const doc = docOf(W, H, [ground, words('title', 'MOSS', { colour: '#ffffff', size: 0.15, plate })]);
    const { settled } = await settledCover(bookWith(doc), studio, W);
    expect(settled.reports.get('title')!.worstTenth).toBeGreaterThan(12);
    expect(contrast('#ffffff', '#101820')).toBeGreaterThan(12);
    const frame = settled.composition.frames.get('title')!;
    const r = await paint(doc);
    expect(at(r, (frame.x + 3) / W, (frame.y + 3) / H)).toEqual([16, 24, 32]);
  });
});

const bookWith = (cover: Doc): Book => ({ ...project.book, cover });

describe('masks and slivers', () => {
  it('a part can be shown only where the part below it is', async () => {
    const doc = docOf(W, H, [
      ground,
      box('below', '#00ff00', { x: 0.25, y: 0.25, width: 0.5, height: 0.5 }),
      box('over', '#ff0000', all, { maskBelow: true }),
    ]);
    const r = await paint(doc);
    expect(at(r, 0.5, 0.5)).toEqual([255, 0, 0]);
    expect(at(r, 0.1, 0.5)).toEqual([255, 255, 255]);
    const open = await paint(docOf(W, H, [ground, box('over', '#ff0000')]));
    expect(at(open, 0.1, 0.5)).toEqual([255, 0, 0]);
  });

  it('finds a gap of a few pixels at an edge and no wide margin', () => {
    const doc = docOf(W, H, [ground]);
    const part = (area: PicturePart['area']): PicturePart =>
      ({ ...newPicture({ kind: 'asset', asset: 'x' }, { area }), id: 'p', order: 'a' }) as PicturePart;
    const gaps = (area: PicturePart['area']): string[] =>
      slivers(part(area), { x: area.x * W, y: area.y * H, width: area.width * W, height: area.height * H }, doc).map(
        (s) => s.edge,
      );
    expect(gaps(all)).toEqual([]);
    expect(gaps({ x: 0.01, y: 0, width: 0.99, height: 1 })).toEqual(['left']);
    expect(gaps({ x: 0, y: 0.004, width: 0.99, height: 0.99 })).toEqual(['right', 'top', 'bottom']);
    expect(gaps({ x: 0.1, y: 0.1, width: 0.8, height: 0.8 })).toEqual([]);
  });

  it('masks keep to their shapes: an ellipse leaves the corners open', async () => {
    const [asset] = project.files.keys();
    const doc = docOf(W, H, [
      ground,
      { ...newPicture({ kind: 'asset', asset }, { area: all, mask: { kind: 'ellipse' } }), id: 'p' },
    ]);
    const r = await paint(doc);
    expect(at(r, 0.02, 0.02)).toEqual([255, 255, 255]);
    expect(at(r, 0.5, 0.5)).not.toEqual([255, 255, 255]);
  });
});

describe('what is reported', () => {
  it('a third family, a least size that is not kept, a face that is not there', async () => {
    const two = [words('a', 'One'), words('b', 'Two', { cut: 'lora/400' })];
    expect(await findings(docOf(W, H, [ground, ...two]))).toEqual([]);
    expect(await findings(docOf(W, H, [ground, ...two, words('c', 'Three', { cut: 'kalam/400' })]))).toContain(
      'faces-many',
    );
    const small = words('a', 'A very long title that will not be large', { leastSize: 0.2 });
    expect(await findings(docOf(W, H, [ground, small]))).toContain('words-below-least');
    expect(await findings(docOf(W, H, [ground, words('a', 'One', { cut: 'own/nowhere' })]))).toContain('face-missing');
  });
});

describe('fixes for words that cannot be read', () => {
  it('are tried on the cover: each one offered reaches 4.5 : 1, and does so again when it is taken', async () => {
    const cover = structuredClone(project.book.cover);
    Object.assign(cover.parts.title, { colour: '#6f8f6a', fill: null, minor: null, support: 'none' });
    const book = bookWith(cover);
    const before = await settledCover(book, studio, 400);
    expect(before.settled.reports.get('title')!.worstTenth).toBeLessThan(4.5);
    const fixes = await contrastFixes(book, 'title', studio);
    expect(fixes.length).toBeGreaterThanOrEqual(3);
    expect(new Set(fixes.map((f) => f.kind)).size).toBe(fixes.length);
    for (const fix of fixes) {
      expect(fix.worstTenth).toBeGreaterThanOrEqual(4.5);
      const taken = await settledCover(bookWith(withChanges(cover, fix.changes)), studio, 400);
      expect(taken.settled.reports.get('title')!.worstTenth, fix.kind).toBeGreaterThanOrEqual(4.5);
      expect(fix.preview.width).toBe(120);
    }
    expect(await contrastFixes(book, 'title', studio, () => true)).toEqual([]);
    expect(await contrastFixes(book, 'ground', studio)).toEqual([]);
  });
});

describe('a scheme put on a cover', () => {
  it('dresses ground, words and shapes, and every word reads', async () => {
    const cover = docOf(1600, 2560, [
      { ...newGround('#888888'), id: 'ground' },
      box('band', '#999999', { x: 0, y: 0.7, width: 1, height: 0.2 }, { role: 'band' } as Partial<Part>),
      words('title', 'Weather', { colour: '#777777' }),
      words('byline', 'Somebody', { role: 'byline', area: { x: 0.2, y: 0.75, width: 0.6, height: 0.08 } }),
    ]);
    const { settled } = await settledCover(bookWith(cover), studio, 400);
    for (const scheme of schemesAround('#a05a2c')) {
      const done = change(cover, applyScheme(scheme, settled.composition.frames));
      if (!done.ok) throw new Error(done.fault.code);
      const after = await settledCover(bookWith(done.value.next), studio, 400);
      for (const report of after.settled.reports.values())
        expect(report.worstTenth, `${scheme.name} ${report.part}`).toBeGreaterThanOrEqual(4.4);
    }
  });
});

describe('a square sibling', () => {
  const square = { name: 'Square', widthPx: 2400, heightPx: 2400, places: {} };
  const withSquare = (book: Book): Book => ({ ...book, siblings: { sq: square } });
  const apply = (book: Book, edit: ReturnType<typeof onSibling>): Book => {
    const done = change(book, edit);
    if (!done.ok) throw new Error(done.fault.code);
    return done.value.next;
  };

  it('of every demo book keeps its words apart, readable and on the cover', async () => {
    for (const { book, files } of demos()) {
      const cover = siblingDoc(book.cover, square);
      expect(DocSchema.parse(cover)).toEqual(cover);
      const { settled } = await settledCover({ ...book, cover }, new NodeStudio(files), 600);
      for (const [id, report] of settled.reports) {
        const frame = settled.composition.frames.get(id)!;
        expect(frame.x, `${book.id} ${id}`).toBeGreaterThan(0);
        expect(frame.x + frame.width).toBeLessThan(2400);
        expect(frame.y).toBeGreaterThan(0);
        expect(frame.y + frame.height).toBeLessThan(2400);
        expect(report.worstTenth, `${book.id} ${id}`).toBeGreaterThanOrEqual(4);
      }
    }
  });

  it('keeps what is moved on it to itself, and shares what is said and coloured', () => {
    const book = withSquare(project.book);
    const moved = apply(book, onSibling('sq', moveParts(['byline'], new Map(), 0.05, -0.1)));
    expect(moved.cover).toEqual(book.cover);
    expect(Object.keys(moved.siblings.sq.places)).toEqual(['byline']);
    const painted = apply(moved, onSibling('sq', setPart('byline', { colour: '#123456' })));
    expect((painted.cover.parts.byline as WordsPart).colour).toBe('#123456');
    const there = siblingDoc(painted.cover, painted.siblings.sq).parts.byline as WordsPart;
    const was = siblingDoc(book.cover, square).parts.byline as WordsPart;
    expect(there.colour).toBe('#123456');
    expect(there.area.x).toBeCloseTo(was.area.x + 0.05, 9);
  });

  it('keeps what is scaled and turned together on it to itself, whatever hangs under what', () => {
    for (const { book: demo } of demos()) {
      const book = withSquare(demo);
      const shown = siblingDoc(book.cover, square);
      const ids = Object.values(shown.parts).flatMap((p) => (p.kind === 'ground' ? [] : [p.id]));
      const frames = new Map(
        Object.values(shown.parts).map((p) => [
          p.id,
          'area' in p ? areaPx(p.area, shown) : { x: 0, y: 0, width: 2400, height: 2400 },
        ]),
      );
      const about = { x: 1200, y: 1200 };
      // As a drag does it: from the parts as they were when it began.
      const begun =
        (edit: Edit<Doc>): Edit<Doc> =>
        (doc) => {
          for (const id of ids) doc.parts[id] = structuredClone(shown.parts[id]);
          return edit(doc);
        };
      for (const edit of [scaleParts(ids, frames, about, 0.8), turnParts(ids, frames, about, 0.2)]) {
        const next = apply(book, onSibling('sq', begun(edit)));
        expect(next.cover, demo.id).toEqual(book.cover);
        expect(Book.safeParse(next).success).toBe(true);
        const there = siblingDoc(next.cover, next.siblings.sq);
        const moved = ids.filter((id) => JSON.stringify(there.parts[id]) !== JSON.stringify(shown.parts[id]));
        expect(moved.length, demo.id).toBeGreaterThan(1);
        // A drag that ends where it began leaves the sibling as it was.
        expect(
          apply(
            book,
            onSibling(
              'sq',
              begun(() => {}),
            ),
          ),
        ).toEqual(book);
      }
    }
  });

  it('takes over parts that are added or removed on it', () => {
    const book = withSquare(project.book);
    const added = apply(book, onSibling('sq', addPart('new', box('x', '#ff0000') as PartSeed)));
    expect(added.cover.parts.new).toMatchObject({ kind: 'shape', colour: '#ff0000' });
    const gone = apply(
      added,
      onSibling('sq', (doc) => {
        delete doc.parts.new;
      }),
    );
    expect(gone.cover.parts.new).toBeUndefined();
    expect(change(book, onSibling('gone', equalMargins(new Map())))).toMatchObject({
      ok: false,
      fault: { code: 'sibling-gone' },
    });
  });

  it('is found by its ratio, whatever its pixels', () => {
    const book = withSquare(project.book);
    expect(siblingFor(book, { widthPx: 3000, heightPx: 3000 })?.name).toBe('Square');
    expect(siblingFor(book, { widthPx: 1600, heightPx: 2560 })).toBeUndefined();
  });
});

describe('one painter', () => {
  it('paints a preview of thirty parts that is its export made smaller', async () => {
    // A picture with as many pixels as the cover: one that must be enlarged is sharper small than large.
    const own = await finishedProject(1600, 2560);
    const [asset] = own.files.keys();
    const studio = new NodeStudio(own.files);
    const cover = busyCover(asset);
    expect(DocSchema.parse(cover)).toEqual(cover);
    expect(Object.keys(cover.parts)).toHaveLength(30);
    const book = bookWith(cover);
    const full = await coverRaster(book, 1600, studio);
    // As the editor shows it: painted at 800 px or more, then made as small as the screen asks.
    const painted = await coverRaster(book, 800, studio);
    for (const width of [400, 800]) {
      const height = Math.round((width * full.height) / full.width);
      expect(ssim(shrink(painted, width, height), shrink(full, width, height))).toBeGreaterThanOrEqual(0.99);
    }
  });
});

describe('a drawing by itself', () => {
  it('is painted at its ratio, clear where it leaves open', async () => {
    const drawing = { ratio: 2, paths: [{ d: 'M0 0L1000 0L1000 1000L0 1000Z', colour: '#336699' }] };
    const r = await drawingRaster(drawing, 200, null, studio);
    expect([r.width, r.height]).toEqual([200, 100]);
    expect([...r.data.slice((50 * 200 + 40) * 4, (50 * 200 + 40) * 4 + 4)]).toEqual([0x33, 0x66, 0x99, 255]);
    expect(r.data[(50 * 200 + 160) * 4 + 3]).toBe(0);
    const solid = await drawingRaster(drawing, 200, '#ffffff', studio);
    expect(solid.data[(50 * 200 + 160) * 4 + 3]).toBe(255);
  });
});

describe('a cover that was measured before', () => {
  it('is painted the same from what is remembered', async () => {
    const fresh = new NodeStudio(project.files);
    const first = await coverRaster(project.book, 400, fresh);
    const again = await coverRaster(project.book, 400, fresh);
    expect(Buffer.from(again.data).equals(Buffer.from(first.data))).toBe(true);
  });

  it('is measured anew once a picture that was missing is there', async () => {
    const dim = structuredClone(project.book.cover);
    Object.assign(dim.parts.title, { colour: '#6f8f6a', fill: null, minor: null });
    const wanted = await coverRaster(bookWith(dim), 200, new NodeStudio(project.files));
    const late = new NodeStudio(project.files);
    const picture = late.picture.bind(late);
    let there = false;
    late.picture = async (asset) => (there ? picture(asset) : null);
    expect((await settledCover(bookWith(dim), late, 200)).whole).toBe(false);
    await coverRaster(bookWith(dim), 200, late);
    there = true;
    const then = await coverRaster(bookWith(dim), 200, late);
    expect(Buffer.from(then.data).equals(Buffer.from(wanted.data))).toBe(true);
  });

  it('takes what another studio has measured, and nothing that was measured of another cover', async () => {
    const scrim = { from: 'top', hold: 1, reach: 1, colour: '#ff0000', opacity: 1, parts: [] } as const;
    const told = new NodeStudio(project.files);
    rememberMeasure(told, coverKey(project.book), { added: [scrim], titleFromPx: 100, reads: [], findings: [] });
    expect(at(await coverRaster(project.book, 200, told), 0.5, 0.99)).toEqual([255, 0, 0]);
    const other = new NodeStudio(project.files);
    rememberMeasure(other, 'another cover', { added: [scrim], titleFromPx: 100, reads: [], findings: [] });
    expect(at(await coverRaster(project.book, 200, other), 0.5, 0.99)).not.toEqual([255, 0, 0]);
  });
});
