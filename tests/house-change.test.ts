import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { replay } from '@yosomi/core/base';
import { type Doc, type DrawnForm, SAFE, eachColour, lookOf } from '@yosomi/core/cover';
import { demoHouse } from '@yosomi/core/demo';
import { type Book, type House, editBook, emptyHouse } from '@yosomi/core/project';
import {
  type HouseChange,
  type HouseTouched,
  coverKey,
  coverRaster,
  faceOf,
  houseAfter,
  housePlan,
  houseUse,
  houseUses,
  mockupKey,
  touchedBy,
} from '@yosomi/core/recipe';
import { FAMILIES, findCut } from '@yosomi/core/text';
import { demos } from './fixtures/demos';
import { QuickStudio } from './fixtures/quick-studio';

const projects = demos();
const books = projects.map(({ book }) => book);
const FERN = demoHouse.marks[0].form;
const moss = books.find(({ id }) => id === 'demo-balcony-moss')!;

const SITE: HouseChange = { kind: 'site', from: 'fernhollow.example', to: 'mossandquill.example' };
const IMPRINT: HouseChange = { kind: 'imprint', from: 'Fernhollow Press', to: 'Moss and Quill' };

function touched(book: Book, changes: readonly HouseChange[], faces: House['faces'] = []): HouseTouched | null {
  const plan = housePlan(changes);
  if (!plan.ok) throw new Error(plan.fault.code);
  const done = touchedBy(book, plan.value, { faces });
  if (!done.ok) throw new Error(done.fault.code);
  return done.value;
}

const after = (book: Book, ...changes: HouseChange[]): Book => touched(book, changes)?.change?.next ?? book;

const edited = (book: Book, edit: Parameters<typeof editBook>[1]): Book => {
  const done = editBook(book, edit);
  if (!done.ok) throw new Error(done.fault.code);
  return done.value.next;
};

/** All that a title says today: what it said in kept versions stays as it was. */
const today = (book: Book): string => JSON.stringify({ ...book, versions: [], sheet: null });

const coloursIn = (doc: Doc): string[] => {
  const found: string[] = [];
  for (const part of [...Object.values(doc.parts), ...Object.values(doc.styles)])
    eachColour(part, (hex) => (found.push(hex), hex));
  return found;
};

describe('a change of the house in its titles', () => {
  it.each(books.map((book) => [book.brief.title, book] as const))(
    '%s: site and imprint, wherever they stand',
    (_, book) => {
      const found = touched(book, [SITE, IMPRINT])!;
      const next = found.change!.next;
      expect(next.brief).toMatchObject({ website: 'mossandquill.example', publisher: 'Moss and Quill' });
      expect(today(next)).not.toContain('Fernhollow Press');
      // Only what is told of as left is left.
      const rest = today(next).match(/[^\s"]*fernhollow\.example[^\s"]*/g) ?? [];
      expect(new Set(rest.map((one) => one.replace('mailto:', '')))).toEqual(new Set(found.touches.left));
      for (const one of rest) expect(one).toContain('@');
      expect(found.touches.places.brief).toBe(2);
      expect(next.cover.parts).toEqual(book.cover.parts);
    },
  );

  it.each(books.map((book) => [book.brief.title, book] as const))('%s: taken back, all is as it was', (_, book) => {
    const from = houseUse(book);
    const { change } = touched(book, [
      SITE,
      IMPRINT,
      { kind: 'colour', from: from.colours[0], to: '#123321' },
      { kind: 'face', from: from.faces[0], to: 'lora' },
      ...from.marks.map((mark) => ({ kind: 'mark' as const, from: mark, to: FERN })),
    ])!;
    expect(replay(change!.next, change!.back)).toEqual(book);
    // Made again it finds nothing of what it changed; a site under the old one cannot come of it.
    expect(touched(change!.next, [SITE, IMPRINT])?.change ?? null).toBeNull();
  });

  it('leaves titles alone that say nothing of it, and mail addresses, which it tells of', () => {
    const other = { ...SITE, from: 'another.example' } as HouseChange;
    for (const book of books) expect(touched(book, [other])).toBeNull();
    const mailed = edited(moss, (book) => {
      book.promos = {};
      book.booklet = null;
      book.brief.website = '';
      book.brief.blurb = 'Write to hello@fernhollow.example.';
    });
    expect(touched(mailed, [SITE])).toMatchObject({
      change: null,
      front: false,
      touches: { left: ['hello@fernhollow.example'] },
    });
  });

  it('takes an imprint of one word for that word in sentences, and leaves it there', () => {
    const worded = edited(moss, (book) => {
      book.brief.publisher = 'Moss';
      book.brief.strapline = 'Moss for every balcony';
    });
    const found = touched(worded, [{ kind: 'imprint', from: 'Moss', to: 'Quill' }])!;
    const next = found.change!.next;
    expect(next.brief).toMatchObject({ publisher: 'Quill', strapline: 'Moss for every balcony' });
    expect(next.cover).toEqual(worded.cover);
    expect(next.booklet).toEqual(worded.booklet);
    expect(found.touches.left).toContain('Moss');
  });

  it('gives titles that have none the site of the house, and those alone', () => {
    const bare = edited(moss, (book) => void (book.brief.website = '  '));
    const none: HouseChange = { kind: 'site', from: '', to: 'mossandquill.example' };
    expect(after(bare, none).brief.website).toBe('mossandquill.example');
    expect(touched(moss, [none])).toBeNull();
  });

  it('exchanges what a Brief says in the place of a site and is none, and what it says with more round it', () => {
    const odd = edited(moss, (book) => void (book.brief.website = 'ask my publisher'));
    const next = after(odd, { kind: 'site', from: 'ask my publisher', to: 'mossandquill.example' });
    expect(next.brief.website).toBe('mossandquill.example');
    expect(next.promos).toEqual(odd.promos);
    const whole = edited(moss, (book) => void (book.brief.website = 'https://www.fernhollow.example/books'));
    expect(after(whole, SITE).brief.website).toBe('https://www.mossandquill.example/books');
  });

  it('paints and keys a front anew only where it shows the words that changed', async () => {
    const studio = new QuickStudio(projects[0].files);
    const plain = touched(
      books.find(({ id }) => id === 'demo-lamplighter-1')!,
      [SITE, IMPRINT],
    )!;
    expect(plain.front).toBe(false);
    const shown = edited(moss, (book) => {
      const part = Object.values(book.cover.parts).find((one) => one.kind === 'words' && one.role === 'byline');
      if (part?.kind === 'words') part.says = { kind: 'brief', field: 'website' };
    });
    const found = touched(shown, [SITE])!;
    expect(found.front).toBe(true);
    expect(found.touches.places.front).toBe(1);
    const [was, is] = [await coverRaster(shown, 200, studio), await coverRaster(found.change!.next, 200, studio)];
    expect(Buffer.compare(Buffer.from(was.data.buffer), Buffer.from(is.data.buffer))).not.toBe(0);
    // The back that nobody edited says the site, so what shows a back is made anew.
    const size = { widthPx: 600, heightPx: 600 };
    expect(mockupKey(after(moss, SITE), size)).not.toBe(mockupKey(moss, size));
    expect(coverKey(after(moss, SITE))).toBe(coverKey(moss));
  });

  it('exchanges colours everywhere, also with each other, and no others', () => {
    const all = houseUse(moss).colours;
    fc.assert(
      fc.property(fc.subarray([...all], { minLength: 2 }), (some) => {
        const changes = some.map((from, i): HouseChange => ({ kind: 'colour', from, to: some[(i + 1) % some.length] }));
        const map = new Map(changes.map((one) => [one.from, one.to] as [string, string]));
        const next = after(moss, ...changes);
        expect(coloursIn(next.cover)).toEqual(coloursIn(moss.cover).map((hex) => map.get(hex) ?? hex));
      }),
      { numRuns: 20 },
    );
  });

  it('recolours sides, campaigns, the scene and styles of words too, and never what words say', () => {
    const hex = '#a1b2c3';
    const worn = edited(moss, (book) => {
      const words = Object.values(book.cover.parts).find((part) => part.kind === 'words')!;
      if (words.kind !== 'words') return;
      words.says = { kind: 'own', text: hex };
      words.colour = hex;
      book.cover.styles = { one: { name: 'One', look: lookOf(words) } };
      const doc = structuredClone(moss.cover);
      for (const part of Object.values(doc.parts)) if (part.kind === 'words') part.colour = hex;
      book.sides.back = { doc, follows: false };
      book.scene.ground = { kind: 'colour', colour: hex };
      const campaign = Object.values(book.promos)[0];
      campaign.style.colour = hex;
    });
    const found = touched(worn, [{ kind: 'colour', from: hex, to: '#010203' }])!;
    for (const place of ['front', 'back', 'mockups', 'promos'] as const)
      expect(found.touches.places[place], place).toBeGreaterThan(0);
    const rest = today(found.change!.next).split(hex).length - 1;
    // The text alone.
    expect(rest).toBe(1);
  });

  it('exchanges faces: heavy stays heavy, italic stays italic, and no cut is of a family that it is not', () => {
    for (const book of books)
      for (const from of houseUse(book).faces)
        for (const family of FAMILIES.filter(({ id }) => id !== from)) {
          const next = after(book, { kind: 'face', from, to: family.id });
          expect(houseUse(next).faces).not.toContain(from);
          for (const [id, part] of Object.entries(book.cover.parts)) {
            const now = next.cover.parts[id];
            if (part.kind !== 'words' || now.kind !== 'words') continue;
            if (faceOf(part.cut) !== from) expect(now.cut).toBe(part.cut);
            else {
              const [was, is] = [findCut(part.cut)!.cut, findCut(now.cut)!.cut];
              expect(faceOf(now.cut)).toBe(family.id);
              const upright = family.cuts.filter(({ italic }) => !italic).map(({ weight }) => weight);
              if (!was.italic && was.weight >= 600) expect(is.weight).toBe(Math.max(...upright));
              if (was.italic) expect(is.italic).toBe(family.cuts.some(({ italic }) => italic));
            }
          }
        }
  });

  it('brings a font of one’s own into the titles that come to set it, and only there', () => {
    const own = { id: 'abcdef123456', name: 'Quill Hand', format: 'ttf' as const };
    const change: HouseChange = { kind: 'face', from: 'fraunces', to: `own/${own.id}` };
    const next = touched(moss, [change], [own])!.change!.next;
    expect(next.faces[own.id]).toEqual(own);
    expect(houseUse(next).faces).toContain(`own/${own.id}`);
    for (const book of books.filter((one) => !houseUse(one).faces.includes('fraunces')))
      expect(touched(book, [change], [own])).toBeNull();
  });

  it('exchanges a mark for another: as large to the eye, within the safe area, on its side, in other sizes too', () => {
    const [old] = houseUse(moss).marks;
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 6, noNaN: true }), (ratio) => {
        const to: DrawnForm = { kind: 'drawn', ratio, paths: [{ d: 'M0 0L10 0L10 10Z', colour: null }] };
        const part = Object.values(moss.cover.parts).find((one) => one.kind === 'shape' && one.role === 'mark')!;
        const sized = edited(moss, (book) => {
          book.siblings.square = {
            name: 'Square',
            widthPx: 2400,
            heightPx: 2400,
            places: { [part.id]: { area: { x: 0.7, y: 0.8, width: 0.1, height: 0.1 } } },
          };
        });
        const next = after(sized, { kind: 'mark', from: old, to });
        const now = next.cover.parts[part.id];
        if (now.kind !== 'shape' || part.kind !== 'shape') throw new Error('no mark');
        expect(now.form).toEqual(to);
        const { widthPx, heightPx } = moss.cover;
        const { x, y, width, height } = now.area;
        expect((width * widthPx) / (height * heightPx)).toBeCloseTo(ratio, 5);
        const area = width * widthPx * height * heightPx;
        expect(area).toBeLessThanOrEqual(part.area.width * widthPx * part.area.height * heightPx * 1.0001);
        if (width < 0.9 && height < 0.9)
          expect(area).toBeCloseTo(part.area.width * widthPx * part.area.height * heightPx, -1);
        expect(x).toBeGreaterThanOrEqual(SAFE - 1e-6);
        expect(x + width).toBeLessThanOrEqual(1 - SAFE + 1e-6);
        expect(y + height).toBeLessThanOrEqual(1);
        const square = next.siblings.square.places[part.id].area!;
        expect(square.width / square.height).toBeCloseTo(ratio, 5);
        expect(square.x + square.width).toBeLessThanOrEqual(1 - SAFE + 1e-6);
      }),
      { numRuns: 30 },
    );
  });

  it.each<[string, readonly HouseChange[], string]>([
    ['a site that is none', [{ kind: 'site', from: 'fernhollow.example', to: 'my new site' }], 'name-site'],
    ['one that is none for titles without', [{ kind: 'site', from: '', to: 'my new site' }], 'name-site'],
    ['one name that becomes two', [SITE, { ...SITE, to: 'third.example' } as HouseChange], 'names-twice'],
    ['nothing', [], 'names-none'],
    [
      'what stays as it is',
      [{ kind: 'colour', from: '#111111', to: '#111111' }, { ...SITE, to: 'fernhollow.example' } as HouseChange],
      'names-none',
    ],
    ['an empty name', [{ kind: 'imprint', from: 'Fernhollow Press', to: '  ' }], 'names-none'],
  ])('refuses %s', (_, changes, code) => expect(housePlan(changes)).toMatchObject({ ok: false, fault: { code } }));

  it('refuses what a title cannot hold, and changes nothing of it', () => {
    const long = housePlan([{ kind: 'imprint', from: 'Fernhollow Press', to: 'x'.repeat(121) }]);
    expect(long.ok && touchedBy(moss, long.value, emptyHouse)).toMatchObject({
      ok: false,
      fault: { code: 'edit-wrong' },
    });
  });
});

describe('the house itself', () => {
  it('follows: its name, site, colours, marks and styles', () => {
    const to: DrawnForm = { kind: 'drawn', ratio: 1, paths: [{ d: 'M0 0L10 0L10 10Z', colour: null }] };
    const plan = housePlan([
      SITE,
      IMPRINT,
      { kind: 'colour', from: '#16302b', to: '#efe7d6' },
      { kind: 'mark', from: demoHouse.marks[0].form, to },
    ]);
    if (!plan.ok) throw new Error(plan.fault.code);
    expect(houseAfter(demoHouse, plan.value)).toMatchObject({
      name: 'Moss and Quill',
      website: 'mossandquill.example',
      colours: ['#efe7d6', '#a5452c', '#d9a441'],
      marks: [{ id: 'fernhollow', form: to }],
    });
    // One that says nothing yet takes what its titles come to say.
    const both = housePlan([SITE, IMPRINT]);
    expect(both.ok && houseAfter(emptyHouse, both.value)).toMatchObject({
      name: 'Moss and Quill',
      website: 'mossandquill.example',
    });
    // What a house does not say is not changed in it.
    const other = housePlan([{ ...SITE, from: 'another.example' } as HouseChange]);
    expect(other.ok && houseAfter(demoHouse, other.value)).toEqual(demoHouse);
  });
});

describe('what titles use', () => {
  it('is each thing once, with all that use it, what most use first', () => {
    const uses = houseUses(books.map(houseUse));
    expect(uses.sites).toEqual([{ value: 'fernhollow.example', titles: books.map(({ id }) => id) }]);
    for (const list of [uses.colours, uses.faces, uses.marks])
      for (const [i, { titles }] of list.entries()) {
        expect(new Set(titles).size).toBe(titles.length);
        if (i > 0) expect(titles.length).toBeLessThanOrEqual(list[i - 1].titles.length);
      }
    for (const book of books)
      for (const face of houseUse(book).faces)
        expect(uses.faces.find(({ value }) => value === face)!.titles).toContain(book.id);
  });
});
