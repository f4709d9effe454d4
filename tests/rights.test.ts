import { EpubCheck } from '@likecoin/epubcheck-ts';
import { unzipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import { MOST_ORIGINS, type Origin, type Rights, answered, noOrigin, originLine, untold } from '@yosomi/core/book';
import { DrawnForm, type Part, newShape, setPart } from '@yosomi/core/cover';
import { newEdition } from '@yosomi/core/ebook';
import { readImage } from '@yosomi/core/image-file';
import {
  type Asset,
  type Book,
  type Project,
  editBook,
  onCover,
  removeOrigin,
  setOrigin,
  setRights,
  takeAsset,
} from '@yosomi/core/project';
import {
  allCredits,
  composeSheet,
  coverCredits,
  deliverables,
  docCredits,
  ebookCredits,
  ebookFile,
  noHouse,
  packageReadme,
  picturesAndRights,
  sheetAsk,
  sheetSymbols,
} from '@yosomi/core/recipe';
import { newCampaign } from '@yosomi/core/promo';
import { planSheet } from '@yosomi/core/sketch';
import { drawnForm, silhouetteCredit } from '@yosomi/core/symbols';
import { NodeStudio } from '@yosomi/node-kit';
import { bookFile, plainPlan } from './fixtures/epubs';
import { pictureProject, wordsBook } from './fixtures/books';
import { fileOf, picturePixels } from './fixtures/pictures';
import { QuickStudio } from './fixtures/quick-studio';

const NOW = '2026-11-25T10:00:00Z';
const text = (bytes: Uint8Array | undefined): string => new TextDecoder().decode(bytes);
const telling = (book: Book, id: string, rights: Partial<Rights>): Book => {
  const done = editBook(book, setRights(id, rights));
  if (!done.ok) throw new Error(done.fault.code);
  return done.value.next;
};

let project: Project;
let id: string;
beforeAll(async () => {
  project = await pictureProject();
  [id] = Object.keys(project.book.assets);
});

/** A drawing that asks for credit, on top of a cover. */
const withSymbol = (book: Book, more: Partial<Part> = {}): Book => {
  const form = {
    kind: 'drawn' as const,
    ratio: 1,
    paths: [{ d: 'M0 0L1000 0L1000 1000Z', colour: null }],
    credit: 'Owl by Ida',
  };
  const part = {
    ...newShape(form, { area: { x: 0.4, y: 0.4, width: 0.2, height: 0.1 }, colour: '#ffffff' }),
    id: 'owl',
    order: 'zz',
    ...more,
  };
  return { ...book, cover: { ...book.cover, parts: { ...book.cover.parts, owl: part as Part } } };
};

describe('credits', () => {
  it('come from what the cover shows, back to front, each once; what is hidden asks for none', () => {
    expect(coverCredits(project.book)).toEqual([]);
    const book = withSymbol(telling(project.book, id, { credit: ' Picture by Ida ' }));
    expect(coverCredits(book)).toEqual(['Picture by Ida', 'Owl by Ida']);
    expect(coverCredits(withSymbol(book, { hidden: true }))).toEqual(['Picture by Ida']);
    expect(coverCredits(withSymbol(telling(book, id, { credit: 'Owl by Ida' })))).toEqual(['Owl by Ida']);
    const hidden = Object.values(book.cover.parts).filter((part) => part.kind === 'picture');
    let bare = book;
    for (const part of hidden) {
      const done = editBook(bare, onCover(setPart(part.id, { hidden: true })));
      if (!done.ok) throw new Error(done.fault.code);
      bare = done.value.next;
    }
    expect(coverCredits(bare)).toEqual(['Owl by Ida']);
    expect(allCredits(bare)).toEqual(['Owl by Ida']);
    expect(picturesAndRights(bare)).toEqual([]);
    // What a picture is cut out by has what was told when it was made.
    const matte: Asset = { ...book.assets[id], id: 'mattematte', rights: { ...untold, credit: 'Told before' } };
    const parts = Object.fromEntries(
      Object.entries(book.cover.parts).map(([key, part]) => [
        key,
        part.kind === 'picture' ? { ...part, cutOut: { matte: 'mattematte', feather: 0 } as never } : part,
      ]),
    );
    const cut = { ...book, assets: { ...book.assets, mattematte: matte }, cover: { ...book.cover, parts } };
    expect(coverCredits(cut)).toEqual(['Picture by Ida', 'Owl by Ida']);
    expect(allCredits(cut)).toEqual(['Picture by Ida', 'Owl by Ida']);
  });

  it('of all files come after those of the cover, and not from what lies on the sketch sheet or in a version alone', () => {
    const other: Asset = {
      ...project.book.assets[id],
      id: 'otherother',
      name: 'Other',
      rights: { ...untold, credit: 'Other by Ida' },
    };
    const assets = { ...project.book.assets, otherother: other };
    const onSheet: Book = { ...project.book, assets, sheet: { ...project.book.sheet, pictures: [id, 'otherother'] } };
    expect(allCredits(onSheet)).toEqual([]);
    expect(picturesAndRights(onSheet).map((asset) => asset.id)).toEqual([id]);
    const { cover } = withSymbol(wordsBook());
    const back: Book = { ...onSheet, sides: { spine: null, back: { doc: cover, follows: false } } };
    expect(allCredits(back)).toEqual(['Owl by Ida']);
    expect(coverCredits(back)).toEqual([]);
  });

  it('of another title are due where a mockup or a promo shows its cover', () => {
    const other: Book = { ...withSymbol(wordsBook()), id: 'another-title' };
    const others = new Map([[other.id, other]]);
    expect(allCredits(project.book, others)).toEqual([]);
    const [thing] = project.book.scene.things;
    const beside = { ...thing, art: { kind: 'title' as const, id: other.id } };
    const scene = { ...project.book.scene, things: [thing, beside] };
    expect(allCredits({ ...project.book, scene }, others)).toEqual(['Owl by Ida']);
    expect(allCredits({ ...project.book, scene })).toEqual([]);
    expect(packageReadme({ ...project.book, scene }, [], NOW, [], others)).toContain('Owl by Ida');
    // A series is shown together by its promos.
    const inSeries = (book: Book): Book => ({ ...book, brief: { ...book.brief, seriesName: 'Owls' } });
    const mates = new Map([[other.id, inSeries(other)]]);
    expect(allCredits({ ...inSeries(project.book), promos: {} }, mates)).toEqual([]);
    const promos = { one: newCampaign('one', 'Release week', 'announcement') };
    expect(allCredits({ ...inSeries(project.book), promos }, mates)).toEqual(['Owl by Ida']);
  });

  it('stand in the text of the package, with what is known of each picture', () => {
    const book = telling(project.book, id, answered(untold, 'credited', { name: 'Test picture', author: 'Oda' }));
    const told = packageReadme(withSymbol(book), [], NOW);
    expect(told).toContain(
      'Licence: CC BY 4.0\r\n  May be sold on covers and on goods.\r\n  Credit due: Test picture, CC BY 4.0',
    );
    expect(told).toMatch(/CREDITS THAT ARE DUE[\s\S]*Test picture, CC BY 4\.0\r\nOwl by Ida/);
    expect(packageReadme(project.book, [], NOW)).not.toContain('CREDITS');
    expect(packageReadme(telling(book, id, { use: 'none' }), [], NOW)).toContain('May not be sold.');
  });

  it('move the key of the ebook and of nothing else', () => {
    const keys = (book: Book): Map<string, string> => new Map(deliverables(book).map((one) => [one.id, one.key]));
    const [before, after] = [keys(project.book), keys(telling(project.book, id, { credit: 'Picture by Ida' }))];
    expect([...before.keys()].filter((one) => before.get(one) !== after.get(one))).toEqual(['epub']);
  });
});

describe('a sheet whose words bring a detailed silhouette to mind', () => {
  it('plays with it, and every cover that shows it says whose it is', async () => {
    const studio = new NodeStudio(new Map());
    const plain = wordsBook();
    const book: Book = { ...plain, brief: { ...plain.brief, title: 'The Owl and the Fox', subtitle: '' } };
    const { symbols, whole } = await sheetSymbols(book.brief, [], studio);
    expect(whole).toBe(true);
    const ask = sheetAsk(book, noHouse, [], symbols);
    const plan = planSheet(ask);
    if (!plan.ok) throw new Error(plan.fault.code);
    const shown = new Set<string>();
    for await (const { sketch, doc } of composeSheet(plan.value, ask, 48, studio, 60)) {
      const own = sketch.symbols.filter((one) => one === 'owl' || one === 'fox');
      const said = docCredits(doc, {}).join('; ');
      for (const one of own) expect(said, sketch.structure).toContain(silhouetteCredit(one));
      if (own.length === 0) expect(said).toBe('');
      for (const one of own) shown.add(one);
    }
    expect([...shown].sort()).toEqual(['fox', 'owl']);
    // Four of the longest names: no line is cut.
    const long = Array.from({ length: 4 }, (_, i) => silhouetteCredit(`${'n'.repeat(38)}-${i}`));
    const form = drawnForm(
      long.map((credit, i) => ({ id: `n-${i}`, words: [], ratio: 1, d: 'M0 0L9 9Z', credit })),
      1,
      ['M0 0L9 9Z'],
    );
    for (const line of long) expect(DrawnForm.parse(form).credit).toContain(line);
    // A sketch of another book finds its symbol here too; one that cannot be read is missed aloud.
    expect((await sheetSymbols(plain.brief, ['owl'], studio)).symbols.get('owl')?.credit).toBe(silhouetteCredit('owl'));
    const lost = Object.assign(new NodeStudio(new Map()), { packet: async () => null });
    expect(await sheetSymbols(book.brief, [], lost)).toMatchObject({ whole: false });
    const none = Object.assign(new NodeStudio(new Map()), { silhouettes: async () => null });
    expect(await sheetSymbols(book.brief, [], none)).toMatchObject({ whole: false });
  }, 240_000);
});

describe('an ebook whose cover asks for credit', () => {
  it('says it on its title page, as written, and no checker objects', async () => {
    const book = telling(project.book, id, { credit: '“Fog” by Ida & Sons <ida@example.org>' });
    const made = await ebookFile(withSymbol(book), NOW, new QuickStudio(project.files));
    if (!made.ok) throw new Error(made.fault.code);
    const page = text(unzipSync(made.value.bytes)['EPUB/title.xhtml']);
    expect(page).toContain('“Fog” by Ida &amp; Sons &lt;ida@example.org&gt;</p>');
    expect(page).toContain('Owl by Ida</p>');
    const checked = await EpubCheck.validate(made.value.bytes);
    expect(checked.messages.filter((m) => m.severity !== 'info' && m.severity !== 'usage')).toEqual([]);
    const plain = await ebookFile(project.book, NOW, new QuickStudio(project.files));
    if (!plain.ok) throw new Error(plain.fault.code);
    expect(text(unzipSync(plain.value.bytes)['EPUB/title.xhtml'])).not.toContain('cover-credits');
  });

  it.each([2, 3] as const)(
    'has it on a page at its end where it is a new edition of an EPUB %i: once, anew, and not for long',
    async (version) => {
      const cover = await fileOf(picturePixels(160, 256), 'jpeg');
      const info = readImage(cover);
      if (!info.ok) throw new Error(info.fault.code);
      const edit = async (bytes: Uint8Array, credits?: readonly string[]) => {
        const made = await newEdition(new Blob([new Uint8Array(bytes)]), {
          cover: { bytes: cover, info: info.value, alt: null },
          modified: NOW,
          ...(credits ? { credits } : {}),
        });
        if (!made.ok) throw new Error(made.fault.code);
        return { bytes: new Uint8Array(await made.value.file.arrayBuffer()), changes: made.value.report.changes };
      };
      const pages = (bytes: Uint8Array): string[] =>
        Object.entries(unzipSync(bytes)).flatMap(([name, page]) =>
          name.endsWith('html') && text(page).includes('cover-credits') ? [text(page)] : [],
        );
      const opf = (bytes: Uint8Array): string =>
        text(Object.entries(unzipSync(bytes)).find(([name]) => name.endsWith('.opf'))?.[1]);
      type Message = Awaited<ReturnType<typeof EpubCheck.validate>>['messages'][number];
      const graver = (messages: readonly Message[]): Message[] =>
        messages.filter((m) => m.severity !== 'info' && m.severity !== 'usage');
      const old = await fileOf(picturePixels(60, 80, 4), 'jpeg');
      const before = bookFile(
        version === 3
          ? plainPlan(old)
          : { ...plainPlan(old), version, opf: 'content.opf', property: false, meta: 'id', guide: null },
      );
      const known = graver((await EpubCheck.validate(before)).messages).map(({ id: code }) => code);
      const first = await edit(before, ['Fog by Ida', 'Owl by Ida']);
      expect(pages(first.bytes)).toHaveLength(1);
      expect(pages(first.bytes)[0]).toContain('>Fog by Ida</p>\n    <p class="cover-credits">Owl by Ida</p>');
      expect(first.changes).toContainEqual({ what: 'credits', before: '', after: 'Fog by Ida; Owl by Ida' });
      const news = async (bytes: Uint8Array): Promise<string[]> =>
        graver((await EpubCheck.validate(bytes)).messages).flatMap(({ id: code }) =>
          known.includes(code) ? [] : [code],
        );
      expect(await news(first.bytes)).toEqual([]);
      // Another cover, another line: the page is the same one.
      const second = await edit(first.bytes, ['Snow by Ida']);
      expect(pages(second.bytes).map((page) => page.match(/>([^<]+)<\/p>/)?.[1])).toEqual(['Snow by Ida']);
      // Not told: it stays. None due: it goes, and no list names it any more.
      expect(pages((await edit(second.bytes)).bytes)).toHaveLength(1);
      const bare = await edit(second.bytes, []);
      expect(pages(bare.bytes)).toEqual([]);
      expect(opf(bare.bytes)).not.toContain('credits');
      expect(await news(bare.bytes)).toEqual([]);
    },
  );
});

describe('a picture that comes again', () => {
  it('keeps what was told of its rights; one that tells more is believed', () => {
    const book = structuredClone(telling(project.book, id, { maker: 'Ida', use: 'goods' }));
    const again = { ...project.book.assets[id], name: 'Again', rights: untold };
    takeAsset(book, again);
    expect(book.assets[id]).toMatchObject({ name: 'Again', rights: { maker: 'Ida', use: 'goods' } });
    takeAsset(book, { ...again, rights: { ...untold, maker: 'Nora' } });
    expect(book.assets[id].rights).toMatchObject({ maker: 'Nora', use: 'unknown' });
    expect(editBook(project.book, setRights('gone', { maker: 'x' }))).toMatchObject({
      fault: { code: 'picture-unknown' },
    });
    const long = editBook(project.book, setRights(id, { maker: 'm'.repeat(200) }));
    expect(long).toMatchObject({ ok: false, fault: { code: 'edit-wrong' } });
  });
});

describe('works that a text is made from', () => {
  const origin: Origin = {
    ...noOrigin,
    work: 'Stones & Mosses',
    maker: 'A. Bell',
    from: 'example.org/mosses',
    licence: 'CC BY 4.0',
    changed: 'title, cover and author',
  };
  const LINE =
    'Text: “Stones & Mosses” by A. Bell, from example.org/mosses. CC BY 4.0. Changed: title, cover and author.';
  const named = (book: Book, ...origins: Origin[]): Book =>
    origins.reduce((now, one, at) => {
      const done = editBook(now, setOrigin(at, one));
      if (!done.ok) throw new Error(done.fault.code);
      return done.value.next;
    }, book);

  it('have one line: title, author, source, licence and what was changed, as far as they are told', () => {
    const line = (told: Partial<Origin>): string => originLine({ ...noOrigin, ...told });
    expect(originLine(origin)).toBe(LINE);
    expect(line({})).toBe('');
    expect(line({ changed: 'all' })).toBe('');
    expect(line({ work: ' Mosses ' })).toBe('Text: “Mosses”.');
    expect(line({ maker: 'A. Bell' })).toBe('Text: by A. Bell.');
    expect(line({ from: 'a shop', licence: 'Resale rights bought' })).toBe('Text: a shop. Resale rights bought.');
    expect(line({ licence: 'Public domain' })).toBe('Text: Public domain.');
    expect(line({ work: 'Why?', line: ' My own words ' })).toBe('My own words');
    expect(line({ work: 'W', changed: 'All of it!' })).toBe('Text: “W”. Changed: All of it!');
  });

  it('are named, changed and taken out, as many as a title can hold', () => {
    const { book } = project;
    const two = named(book, origin, { ...origin, work: 'Second' });
    expect(two.origins.map(({ work }) => work)).toEqual(['Stones & Mosses', 'Second']);
    const less = editBook(two, removeOrigin(0));
    expect(less.ok && less.value.next.origins.map(({ work }) => work)).toEqual(['Second']);
    expect(editBook(two, removeOrigin(2))).toMatchObject({ fault: { code: 'origin-gone' } });
    expect(editBook(two, setOrigin(3, origin))).toMatchObject({ fault: { code: 'origin-gone' } });
    const full = named(book, ...Array.from({ length: MOST_ORIGINS }, () => origin));
    expect(editBook(full, setOrigin(MOST_ORIGINS, origin))).toMatchObject({ fault: { code: 'origins-full' } });
    expect(editBook(book, setOrigin(0, { ...origin, work: 'x'.repeat(301) }))).toMatchObject({
      fault: { code: 'edit-wrong' },
    });
  });

  it('stand on the title page of the ebook, in the package and before the credits of the cover, each once', async () => {
    const book = named(withSymbol(project.book), origin, origin);
    expect(ebookCredits(book)[0]).toBe(LINE);
    expect(allCredits(book).filter((line) => line === LINE)).toHaveLength(1);
    expect(coverCredits(book)).not.toContain(LINE);
    const made = await ebookFile(book, NOW, new NodeStudio(project.files));
    if (!made.ok) throw new Error(made.fault.code);
    const page = text(unzipSync(made.value.bytes)['EPUB/title.xhtml']);
    expect(page).toContain(LINE.replace('&', '&amp;'));
    expect(packageReadme(book, [], NOW)).toContain(LINE);
  });

  it('put the files out of date that say them, and no others', () => {
    const keys = (book: Book) => new Map(deliverables(book).map(({ id, key }) => [id, key]));
    const before = keys(project.book);
    const after = keys(named(project.book, origin));
    expect([...before].filter(([id, key]) => after.get(id) !== key).map(([id]) => id)).toEqual(['epub']);
  });
});
