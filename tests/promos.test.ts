import { beforeAll, describe, expect, it } from 'vitest';
import { untold } from '@yosomi/core/book';
import type { SurfaceImage } from '@yosomi/core/ink';
import { type Rect, contains } from '@yosomi/core/plane';
import type { Book, Project } from '@yosomi/core/project';
import {
  FORMATS,
  LOOKS,
  type Message,
  PromoBoard,
  REVEALS,
  type PromoSetting,
  newCampaign,
  ownFormat,
  setKind,
  stillShares,
  rulePromo,
  slotsOf,
  toneOf,
} from '@yosomi/core/promo';
import {
  type PromoAt,
  type PromoFacts,
  campaignPage,
  coverPicture,
  deliverables,
  gather,
  makeDeliverable,
  oneThread,
  pictureKey,
  promoAlt,
  promoDoc,
  promoFacts,
  promoFile,
  promoPicture,
  promoPictures,
  promoRaster,
  promoWords,
} from '@yosomi/core/recipe';
import { compose } from '@yosomi/core/compose';
import sharp from 'sharp';
import { inTurn, ofMany } from './fixtures/cases';
import { demos } from './fixtures/demos';
import { change } from '@yosomi/core/base';
import { WRAPPINGS } from '@yosomi/core/cover';
import { wrapped } from '@yosomi/core/wrapping';
import { picturePixels } from './fixtures/pictures';
import { finishedProject, start, withCampaign, wordsBook } from './fixtures/books';
import { QuickStudio } from './fixtures/quick-studio';
import { startFromWords } from '@yosomi/core/recipe';

let books: Project[];
let studio: QuickStudio;
let others: Map<string, Book>;
const facts = new Map<string, PromoFacts>();
const messages: Record<string, Partial<Message>> = {
  short: { wordings: [{ headline: 'Now', line: '' }], call: 'Read', link: '' },
  usual: {
    wordings: [{ headline: 'Every light is owed to someone', line: 'The Lamplighter Accounts begin' }],
    call: 'Read chapter one',
    link: 'fernhollow.example/foxfire',
    badge: 'New',
    date: '2026-12-03',
  },
  long: {
    wordings: [
      {
        headline: 'What the lamplighter wrote in the book that nobody was meant to open before the thaw '
          .repeat(2)
          .trim(),
        line: 'A longer line that tells who lent what to whom, and when it is to be given back',
      },
    ],
    call: 'Read the first three chapters',
    link: 'fernhollow.example/the-lamplighter-accounts/foxfire',
    date: '2026-12-03',
  },
};

beforeAll(async () => {
  books = demos();
  studio = new QuickStudio(new Map(books.flatMap((d) => [...d.files])));
  others = new Map(books.map((d) => [d.book.id, d.book]));
  for (const { book } of books) facts.set(book.id, await promoFacts(book, others, studio));
  const cuts = [...facts.values()].flatMap(({ faces }) => [faces.head, faces.text, faces.strong]);
  await studio.loadFonts([...cuts, 'noto-serif/400', 'amiri/400']);
});

function settingOf(
  book: Book,
  message: Partial<Message>,
  format: PromoSetting['format'],
  tone: PromoSetting['tone'],
): PromoSetting {
  const { faces, cover, boxes } = facts.get(book.id)!;
  const campaign = Object.values(withCampaign(book).promos)[0];
  return {
    format,
    slots: slotsOf({ ...campaign.message, ...message }, book.brief),
    tone,
    faces,
    cover: { ...cover, photo: { ratio: 1.4, at: { x: 0.6, y: 0.5 } } },
    backing: { kind: 'look' },
    reveal: { wrapping: 'paper', share: 0.3, at: { x: 0.5, y: 0.6 }, shape: 7, stills: 5 },
    shaper: studio.shaper,
    box: (shot) => boxes.get(shot)!,
  };
}

const overlap = (a: Rect, b: Rect): number =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));

/** Every shape there is, from 1 : 3 to 4 : 1. */
const SHAPES = [
  ...FORMATS.filter((f) => !['mail', 'hero', 'letter', 'a4', 'poster', 'wide'].includes(f.id)),
  ownFormat(1600, 400),
  ownFormat(600, 1800),
];

/** Looks whose words stand on the picture itself. */
const ON_PICTURE = new Set(['bleed']);

describe.each(LOOKS.map((look, at) => [look.id, look, at] as const))('the look %s', (id, look, at) => {
  it('sets its words whole, apart and large enough, over all formats, lengths of message and covers', () => {
    let served = 0;
    for (const [b, { book }] of [books[0], books[1], books[4]].entries()) {
      const tone = toneOf(look.tone, facts.get(book.id)!.hues);
      for (const [f, format] of SHAPES.entries()) {
        for (const [l, [length, message]] of Object.entries(messages).entries()) {
          if (length !== 'usual' && book !== books[1].book) continue;
          if (!inTurn(2, b, f, l, at)) continue;
          const what = `${book.id} ${format.id} ${length}`;
          const setting = settingOf(book, message, format, tone);
          const ruled = rulePromo(look, setting);
          if (!ruled.ok) {
            expect(['look-asks', 'look-full'], what).toContain(ruled.fault.code);
            continue;
          }
          served++;
          if (length === 'usual' && format.id === 'square') expect(rulePromo(look, setting), what).toEqual(ruled);
          const { doc } = ruled.value;
          const { blocks, frames } = compose(doc, book.brief, {
            shaper: studio.shaper,
            images: new Map(),
            syllables: null,
          });
          const board = new PromoBoard(setting);
          const { widthPx: w, heightPx: h, zones } = format;
          const free = { x: 0, y: zones.top * h, width: w, height: h * (1 - zones.top - zones.bottom) };
          const words = Object.values(doc.parts).filter((p) => p.kind === 'words');
          const outer = words.map((part) => {
            const { box, sizePx } = blocks.get(part.id)!;
            const [px, py] = [(part.plate?.padX ?? 0) * sizePx, (part.plate?.padY ?? 0) * sizePx];
            return { x: box.x - px, y: box.y - py, width: box.width + 2 * px, height: box.height + 2 * py };
          });
          words.forEach((part, i) => {
            const block = blocks.get(part.id)!;
            const name = `${what} ${part.id}`;
            expect(block.overflows, name).toBe(false);
            const mine = outer[i];
            expect(contains(free, { x: mine.x + 1, y: mine.y + 1 }), `${name} inside`).toBe(true);
            expect(contains(free, { x: mine.x + mine.width - 1, y: mine.y + mine.height - 1 }), `${name} inside`).toBe(
              true,
            );
            expect(block.sizePx, `${name} size`).toBeGreaterThanOrEqual(board.least(part.cut) * 0.98);
            for (let j = 0; j < i; j++) expect(overlap(mine, outer[j]), `${name} over ${words[j].id}`).toBeLessThan(2);
          });
          // A whole picture behind everything is no obstacle; a book is.
          const book3d = doc.parts.book;
          const box = bookBox(board, doc, frames, setting);
          if (box && book3d && !ON_PICTURE.has(id))
            words.forEach((part, i) => {
              if (part.id !== 'badge')
                expect(overlap(outer[i], box), `${what} ${part.id} over the book`).toBeLessThan(4);
            });
        }
      }
    }
    expect(served).toBeGreaterThan(ofMany(7, 20));
  });
});

/** Where the book itself is, without its shadow; null where it is a whole picture. */
function bookBox(
  board: PromoBoard,
  doc: Parameters<typeof compose>[0],
  frames: ReadonlyMap<string, Rect>,
  setting: PromoSetting,
): Rect | null {
  const part = doc.parts.book;
  const frame = frames.get('book');
  if (part?.kind !== 'picture' || !frame) return null;
  if (part.source.kind === 'cover') return frame;
  if (part.source.kind !== 'shot' || part.source.set) return null;
  const box = setting.box(part.source.shot as Parameters<PromoSetting['box']>[0]);
  // Boxes round what is turned are larger than the thing: a hair of them may be touched.
  const side = frame.width;
  const [x, y] = [frame.x + box.x * side, frame.y + box.y * side];
  const slack = 0.012 * board.mean;
  return { x: x + slack, y: y + slack, width: box.width * side - 2 * slack, height: box.height * side - 2 * slack };
}

async function picturesFor(book: Book, at: PromoAt, widthPx: number, made = new Map<string, SurfaceImage>()) {
  const { doc } = await promoDoc(book, at, others, studio);
  const pictures = new Map<string, SurfaceImage>();
  for (const picture of promoPictures(doc, book.brief, widthPx)) {
    const key = pictureKey(book, picture, others);
    const image = made.get(key) ?? studio.imageOf((await promoPicture(oneThread(studio), book, picture, others))!);
    made.set(key, image);
    pictures.set(picture.name, image);
  }
  return pictures;
}

const atOf = (book: Book, look: string, format: string): PromoAt => {
  const campaign = Object.values(withCampaign(book, undefined, {}).promos)[0];
  return {
    campaign: {
      ...campaign,
      message: {
        ...campaign.message,
        ...messages.usual,
        kind: REVEALS.has(look) ? 'reveal' : 'announcement',
      },
      style: { ...campaign.style, look },
    },
    format: FORMATS.find((f) => f.id === format)!,
  };
};

describe('on the painted pixels', () => {
  const made = new Map<string, SurfaceImage>();
  it.each([
    [1, 'square'],
    [1, 'column'],
    [4, 'link'],
  ] as const)('words of every look read, on cover %i in %s', async (n, format) => {
    const { book } = books[n];
    for (const [l, look] of LOOKS.entries()) {
      if (
        !inTurn(
          2,
          l,
          FORMATS.findIndex(({ id }) => id === format),
          n,
        )
      )
        continue;
      const at = atOf(book, look.id, format);
      const pictures = await picturesFor(book, at, 300, made);
      const { findings } = await promoWords(book, at, pictures, others, studio);
      const bad = findings
        .filter((f) => f.severity !== 'note')
        .map((f) => `${f.code} ${f.part} ${JSON.stringify(f.data)}`);
      expect(bad, `${look.id} ${format}`).toEqual([]);
    }
  });

  it('words that something covers are found', async () => {
    const { book } = books[1];
    const at = atOf(book, 'dusk', 'square');
    const { doc } = await promoDoc(book, at, others, studio);
    const over = { ...doc.parts.book, area: { x: -0.2, y: 0, width: 1, height: 1 } };
    const campaign = {
      ...at.campaign,
      made: {
        square: {
          kind: 'ruled' as const,
          words: {},
          changes: { dusk: { book: { kind: 'set' as const, fields: { area: over.area, order: 'zz' } } } },
        },
      },
    };
    const hidden = { ...at, campaign };
    const pictures = await picturesFor(book, hidden, 400);
    const codes = (await promoWords(book, hidden, pictures, others, studio)).findings.map((f) => f.code);
    expect(codes).toContain('words-hidden');
  });
});

describe('a promo', () => {
  it('follows the cover in its colours and in what it shows', async () => {
    const { book } = books[1];
    const red: Book = {
      ...book,
      cover: {
        ...book.cover,
        parts: {
          ground: { ...book.cover.parts.ground, paint: { kind: 'flat', colour: '#a01820' } } as never,
        },
      },
    };
    const corner = async (one: Book): Promise<number[]> => {
      const at = atOf(one, 'dusk', 'square');
      const pixels = await promoRaster(one, at, await picturesFor(one, at, 200), 200, others, studio);
      return [...pixels.data.slice(0, 3)];
    };
    const [green, other] = [await corner(book), await corner(red)];
    expect(green[1]).toBeGreaterThan(green[0]);
    expect(other[0]).toBeGreaterThan(other[1]);
  });

  it('shows its volumes in reading order, each once', async () => {
    const { book } = books[2];
    const at = atOf(book, 'row', 'wide');
    const { doc } = await promoDoc(book, at, others, studio);
    const [picture] = promoPictures(doc, book.brief, 300);
    expect(picture.source).toMatchObject({ kind: 'shot', shot: 'row' });
    const key = pictureKey(book, picture, others);
    const fewer = new Map([...others].filter(([id]) => id !== books[3].book.id));
    expect(pictureKey(book, picture, fewer)).not.toBe(key);
  });

  it('is never stopped by what it lacks: no words, no picture, a square cover, letters of another script, emoji', async () => {
    const none = startFromWords({
      ...start({ title: '', author: '', strapline: '', website: '' }),
      id: 'no-words-book',
    });
    const square = await finishedProject(900, 900);
    const wide = await finishedProject(1600, 1000);
    const arabic = wordsBook({ title: 'رسائل الليل', strapline: 'كل ضوء دين', language: 'ar' });
    const emoji = wordsBook({ strapline: '🌿 Moss 🌧️' });
    const files = new Map([...square.files, ...wide.files]);
    const own = new QuickStudio(files);
    for (const book of [none, square.book, wide.book, arabic, emoji]) {
      for (const look of ['dusk', 'bleed', 'halves', 'desk', 'said', 'framed', 'row', 'carried', 'gone']) {
        const made = withCampaign(book, undefined, {
          message: { ...Object.values(withCampaign(book).promos)[0].message },
        });
        const campaign = { ...made.promos.first, style: { ...made.promos.first.style, look } };
        const at = { campaign, format: FORMATS[1] };
        const shown = await promoDoc(book, at, new Map(), own);
        expect(Object.keys(shown.doc.parts).length, `${book.id} ${look}`).toBeGreaterThan(0);
        const { frames } = compose(shown.doc, book.brief, { shaper: own.shaper, images: new Map(), syllables: null });
        for (const frame of frames.values()) expect(Object.values(frame).every(Number.isFinite)).toBe(true);
      }
    }
    const { doc } = await promoDoc(
      arabic,
      { campaign: withCampaign(arabic).promos.first, format: FORMATS[3] },
      new Map(),
      own,
    );
    const headline = doc.parts.headline;
    expect(headline.kind === 'words' && headline.align).toBe('right');
  });

  it('smears a finished cover\u2019s words where only its picture is wanted', async () => {
    const { book, files } = await finishedProject(800, 1280);
    const own = new QuickStudio(files);
    const bare = await coverPicture(book, { kind: 'cover', bare: true }, 300, own);
    const whole = await coverPicture(book, { kind: 'cover', bare: false }, 300, own);
    const steps = (r: typeof bare): number => {
      let sum = 0;
      for (let i = 4; i < r.data.length; i += 4) sum += Math.abs(r.data[i] - r.data[i - 4]);
      return sum / (r.width * r.height);
    };
    expect(steps(bare)).toBeLessThan(steps(whole) * 0.7);
  });
});

describe('a reveal', () => {
  const cover = picturePixels(240, 384);
  const base = { at: { x: 0.5, y: 0.6 }, colour: '#1f4d43', accent: '#d7b25a', seed: 3 };
  /** Share of the pixels that are those of the cover, give or take a shadow. */
  const seen = (shown: typeof cover): number => {
    let n = 0;
    for (let i = 0; i < cover.data.length; i += 4) {
      const ratio = [0, 1, 2].map((c) => shown.data[i + c] / Math.max(1, cover.data[i + c]));
      if (Math.max(...ratio) - Math.min(...ratio) < 0.06 && ratio[0] <= 1.02 && ratio[0] > 0.2) n++;
    }
    return n / (cover.data.length / 4);
  };

  it.each(WRAPPINGS)('in %s shows little by little more, all of it at the end, and the same each time', (kind) => {
    const at = (share: number) => wrapped(cover, { ...base, kind, share });
    const shares = [0, 0.15, 0.4, 0.75].map((share) => seen(at(share)));
    expect(shares[0]).toBeLessThan(0.12);
    for (let i = 1; i < shares.length; i++) expect(shares[i], `still ${i}`).toBeGreaterThan(shares[i - 1]);
    expect(shares[3]).toBeGreaterThan(kind === 'ribbon' ? 0.35 : 0.5);
    expect(at(1)).toBe(cover);
    const [one, again] = [at(0.4).data, at(0.4).data];
    expect(one.every((v, i) => v === again[i])).toBe(true);
    expect(one.every((v, i) => i % 4 !== 3 || v === 255)).toBe(true);
  });

  it('tears in another shape where another is asked for, and shows about as much', () => {
    const torn = [7, 8, 9, 10, 11].map((seed) => wrapped(cover, { ...base, kind: 'paper', share: 0.3, seed }));
    const apart = (a: typeof cover, b: typeof cover): number => {
      let n = 0;
      for (let i = 0; i < a.data.length; i += 4) if (Math.abs(a.data[i] - b.data[i]) > 24) n++;
      return n / (a.data.length / 4);
    };
    for (const [i, one] of torn.entries()) {
      expect(seen(one)).toBeGreaterThan(0.15);
      expect(seen(one)).toBeLessThan(0.5);
      if (i > 0) expect(apart(one, torn[i - 1]), String(i)).toBeGreaterThan(0.03);
    }
  });

  it('begins where the cover tells most, clear of its words', async () => {
    for (const { book } of [books[1], books[2], books[3]]) {
      const { hole } = facts.get(book.id)!;
      const { resources } = await gather(book.cover, book.brief, studio, 200);
      const { frames } = compose(book.cover, book.brief, resources);
      const title = frames.get('title')!;
      const y = hole.y * book.cover.heightPx;
      expect(y < title.y || y > title.y + title.height, book.id).toBe(true);
    }
  });

  it('is a series from little to all', () => {
    for (const n of [2, 5, 14]) {
      const shares = stillShares(n);
      expect(shares).toHaveLength(n);
      expect(shares.at(-1)).toBe(1);
      for (let i = 1; i < n; i++) expect(shares[i]).toBeGreaterThan(shares[i - 1]);
    }
  });

  it('has looks of its own, which no other kind of message can have', () => {
    const plain = newCampaign('c', 'C', 'reveal');
    expect(plain.style.look).toBe('wrapped');
    const other = change(plain, setKind('offer'));
    expect(other.ok && other.value.next.style.look).toBe('dusk');
    const back = change(newCampaign('c', 'C', 'offer'), setKind('reveal'));
    expect(back.ok && back.value.next.style.look).toBe('wrapped');
  });
});

describe('what would be lost in silence', () => {
  it('a price stands on every look, or is named as left out', () => {
    const { book } = books[1];
    const offer: Partial<Message> = {
      ...messages.usual,
      kind: 'offer',
      badge: null,
      price: { amount: 4.99, currency: 'EUR' },
    };
    for (const look of LOOKS)
      for (const id of ['square', 'tall', 'header', 'mail']) {
        const tone = toneOf(look.tone, facts.get(book.id)!.hues);
        const ruled = rulePromo(
          look,
          settingOf(
            book,
            offer,
            FORMATS.find((f) => f.id === id)!,
            tone,
          ),
        );
        if (!ruled.ok) continue;
        const said = Object.values(ruled.value.doc.parts).some(
          (p) => p.kind === 'words' && p.says.kind === 'own' && p.says.text.includes('4.99'),
        );
        const named = ruled.value.dropped.some((slot) => slot === 'badge' || slot === 'facts');
        expect(said || named, `${look.id} ${id}`).toBe(true);
      }
  });

  it('a file is out of date when spine, thickness or exposure change, or a volume beside it', () => {
    const { book } = books[1];
    const key = (one: Book, shelf = others): string =>
      deliverables(one, shelf).find((d) => d.id === 'promo-release-square')!.key;
    const before = key(book);
    expect(key({ ...book, updatedAt: '2030-01-01T00:00:00Z' })).toBe(before);
    const spine = { doc: book.cover, follows: false };
    const beside = { ...books[2].book, sides: { ...books[2].book.sides, spine } };
    for (const changed of [
      key({ ...book, sides: { ...book.sides, spine } }),
      key({ ...book, brief: { ...book.brief, pageCount: 90 } }),
      key({ ...book, brief: { ...book.brief, publisher: 'Another House' } }),
      key({ ...book, scene: { ...book.scene, look: { exposure: 1, contrast: 0 } } }),
      key(book, new Map([...others, [beside.id, beside]])),
    ])
      expect(changed).not.toBe(before);
  });

  it('a picture that is gone stops the campaign that shows it, and no other', async () => {
    const { book } = books[0];
    const [guide] = Object.values(book.promos);
    const asset = { id: 'gonepicture', format: 'png' as const, widthPx: 9, heightPx: 9, name: 'Gone', rights: untold };
    const behind = {
      ...guide,
      id: 'other',
      style: { ...guide.style, backing: { kind: 'picture' as const, asset: asset.id } },
    };
    const lacking: Book = { ...book, assets: { ...book.assets, [asset.id]: asset }, promos: { guide, other: behind } };
    const list = deliverables(lacking, others);
    const make = (id: string) =>
      makeDeliverable(
        lacking,
        list.find((d) => d.id === id)!,
        book.updatedAt,
        studio,
        undefined,
        others,
      );
    expect(await make('promo-other-mail')).toMatchObject({
      ok: false,
      fault: { code: 'picture-missing', data: { name: 'Gone' } },
    });
    expect((await make('promo-guide-mail')).ok).toBe(true);
  });

  it('colours that were read while the cover\u2019s picture was gone are read anew when it is there', async () => {
    const { book, files } = books[1];
    const shelf = new Map<string, Uint8Array>();
    const own = new QuickStudio(shelf);
    expect((await promoFacts(book, others, own)).whole).toBe(false);
    const back = new QuickStudio(files);
    const whole = await promoFacts(book, others, back);
    expect(whole.whole).toBe(true);
    expect(await promoFacts(book, others, back)).toBe(whole);
    expect(await promoFacts(book, others, own)).not.toBe(await promoFacts(book, others, own));
  });
});

describe('files of a campaign', () => {
  it('are one for each format, of its pixels, under names that tell them apart; other words make other files', async () => {
    const { book } = books[1];
    const list = deliverables(book, others).filter((d) => d.kind === 'promo');
    expect(list.map((d) => [d.promo?.format, d.widthPx, d.heightPx])).toContainEqual(['tall', 1080, 1920]);
    expect(new Set(list.map((d) => d.fileName)).size).toBe(list.length);
    const wanted = list.find((d) => d.promo?.format === 'mail')!;
    const made = await makeDeliverable(book, wanted, book.updatedAt, studio, undefined, others);
    if (!made.ok) throw new Error(made.fault.code);
    const meta = await sharp(made.value.bytes).metadata();
    expect(meta).toMatchObject({ format: 'png', width: 1200, height: 400 });
    expect(meta.exif).toBeUndefined();
    const again = await makeDeliverable(book, wanted, book.updatedAt, studio, undefined, others);
    expect(again.ok && Buffer.compare(again.value.bytes, made.value.bytes)).toBe(0);
    const [release] = Object.values(book.promos);
    const said = {
      ...book,
      promos: { ...book.promos, [release.id]: { ...release, message: { ...release.message, call: 'Go' } } },
    };
    const keys = new Map(list.map((d) => [d.id, d.key]));
    const moved = deliverables(said, others).filter((d) => d.kind === 'promo' && keys.get(d.id) !== d.key);
    expect(moved.map((d) => d.promo?.campaign)).toEqual(Array(10).fill('release'));
    expect(deliverables({ ...book, promos: {} }, others).some((d) => d.kind === 'promo')).toBe(false);
  });

  it('keep to a limit in bytes, or say that it is too small', async () => {
    const { book } = books[1];
    const at = atOf(book, 'dusk', 'link');
    const { doc } = await promoDoc(book, at, others, studio);
    const pictures = new Map();
    for (const p of promoPictures(doc, book.brief, 1200))
      pictures.set(p.name, (await promoPicture(oneThread(studio), book, p, others))!);
    const job = { book, at, pictures, others, widthPx: at.format.widthPx };
    const small = await promoFile(job, { format: 'jpeg', mostBytes: 60_000 }, studio);
    expect(small.ok && small.value.bytes.length).toBeLessThanOrEqual(60_000);
    expect(await promoFile(job, { format: 'jpeg', mostBytes: 300 }, studio)).toMatchObject({
      ok: false,
      fault: { code: 'budget-too-small' },
    });
    const pdf = await promoFile(job, { format: 'pdf', mostBytes: null }, studio);
    if (!pdf.ok) throw new Error(pdf.fault.code);
    expect(pdf.value.findings).toContainEqual(expect.objectContaining({ code: 'links-live', data: { count: 2 } }));
  });

  it('come with a page that shows each with its words, safe against what they hold', () => {
    const { book } = books[0];
    const [guide] = Object.values(book.promos);
    const angry = { ...guide, name: '<b>&', message: { ...guide.message, call: '"><script>alert(1)</script>' } };
    const page = campaignPage(book, angry, new Map(angry.formats.map((id) => [id, `${id}.png`])), '2026-11-28');
    expect(page).not.toContain('<script');
    expect(page.match(/<img /g)).toHaveLength(angry.formats.length);
    expect(page).toContain('&lt;b&gt;&amp;');
    for (const id of angry.formats) expect(page).toContain(`src="${id}.png"`);
  });

  it('have alt text that says what they say, unless a person wrote their own', () => {
    const { book } = books[1];
    const [release] = Object.values(book.promos);
    const at = { campaign: release, format: FORMATS[0] };
    expect(promoAlt(book, at)).toBe(
      'Every light is owed to someone. The Lamplighter Accounts begin. December 3, 2026. The book A Debt of Foxfire by Caspian Durrow. Read chapter one: fernhollow.example/foxfire.',
    );
    expect(promoAlt(book, { ...at, campaign: { ...release, alt: { square: 'Mine' } } })).toBe('Mine');
  });
});
