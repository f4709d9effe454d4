import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  type Block,
  type Dress,
  LOOK_IDS,
  type Mark,
  Manuscript,
  PAGE_LOOKS,
  type Pages,
  SHEET_IDS,
  type SheetId,
  type TextMark,
  allBlocks,
  cutsOf,
  designOf,
  findPageLook,
  findSheet,
  fromMarkdownText,
  fromPlainText,
  makePages,
  chaptersOf,
  ownWords,
  pageColours,
  picturesInDraft,
  readMarkdown,
} from '@yosomi/core/booklet';
import { type Swatch, contrast, hexOf, labOf } from '@yosomi/core/colour';
import { sevenMosses } from '@yosomi/core/demo';
import { pathBounds } from '@yosomi/core/plane';
import { onBooklet, setText, addPagePicture, beginBooklet, editBook, newBook, setPageLook } from '@yosomi/core/project';
import { untold } from '@yosomi/core/book';
import { finishedCover } from '@yosomi/core/compose';
import { syllablesFor } from '@yosomi/core/text';
import { NodeStudio } from '@yosomi/node-kit';

const studio = new NodeStudio(new Map());
const swatch = (hex: string, rgb: [number, number, number], share: number): Swatch => ({ hex, lab: labOf(rgb), share });
let dress: Dress;
beforeAll(async () => {
  dress = {
    swatches: [
      swatch('#3c5a3a', [60, 90, 58], 0.6),
      swatch('#d8d2b8', [216, 210, 184], 0.3),
      swatch('#c9762c', [201, 118, 44], 0.1),
    ],
    titleCut: 'cormorant-garamond/600',
    art: null,
    title: 'The Balcony Moss Garden',
    author: 'Ottoline Frew',
    language: 'en',
    syllables: await syllablesFor('en'),
    credits: [],
    pictures: new Map([['moss', { widthPx: 1600, heightPx: 1200 }]]),
  };
  const all = PAGE_LOOKS.flatMap((look) => cutsOf(designOf(look, findSheet('letter'), dress)));
  await studio.loadFonts([...all, 'noto-serif/400', 'amiri/400', 'frank-ruhl-libre/400']);
});

const read = (source: string): Manuscript => {
  const text = fromMarkdownText(source, new Map([['moss', 'moss']]));
  if (!text.ok) throw new Error(text.fault.code);
  return text.value.manuscript;
};
const set = (text: Manuscript, look = LOOK_IDS[0], sheet: SheetId = 'letter', more: Partial<Dress> = {}) => {
  const design = designOf(findPageLook(look), findSheet(sheet), { ...dress, ...more });
  return { design, pages: makePages(studio.shaper, design, text) };
};
const isText = (mark: Mark): mark is TextMark & { tag: number | null } => mark.kind === 'text';
/** What is read of pages: letters in order, without hyphens that the text does not have, and without white. */
const lettersIn = ({ pages }: Pages, from = 0): string =>
  pages
    .slice(from)
    .flatMap(({ marks }) => marks.filter(isText).filter(({ tag }) => tag !== null))
    .map(({ glyphs, divided }) =>
      glyphs
        .slice(0, divided ? -1 : undefined)
        .map(({ text }) => text)
        .join(''),
    )
    .join('')
    .replace(/\s/g, '');
const bare = (text: string): string => text.replace(/\s/g, '');

const MOSS = sevenMosses('moss');
const EVERY = LOOK_IDS.flatMap((look) => SHEET_IDS.map((sheet) => [look, sheet] as const));

describe.each(EVERY)('pages in %s on %s', (look, sheet) => {
  const made = () => set(read(MOSS), look, sheet);

  it('say every word once and in order', () => {
    const { pages } = made();
    const contents = pages.pages.findIndex(({ places }) => places.length > 0);
    const words = allBlocks(read(MOSS).blocks)
      // Numbers and addresses that pages add are looked for apart.
      .filter(({ kind }) => kind !== 'button')
      .flatMap(ownWords)
      .map((text) => bare(text).toLocaleLowerCase());
    const found = lettersIn(pages, contents).toLocaleLowerCase();
    let at = 0;
    for (const word of words) {
      const next = found.indexOf(word, at);
      expect(next, word.slice(0, 60)).toBeGreaterThanOrEqual(at);
      // Between two pieces stand only numbers of lists, and the button.
      if (word.length > 2) expect(next - at, `before ${word.slice(0, 60)}`).toBeLessThan(60);
      at = next + word.length;
    }
  });

  it('keep within the sheet and the measure, and on the grid', () => {
    const { pages, design } = made();
    for (const { marks, number } of pages.pages) {
      const left = design.sheet.bound && number % 2 === 0;
      const x0 = left ? design.sheet.width - design.column.x - design.column.width : design.column.x;
      for (const mark of marks) {
        if (!isText(mark) || mark.tag === null) continue;
        expect(mark.x).toBeGreaterThan(0);
        expect(mark.x + mark.width).toBeLessThanOrEqual(x0 + design.column.width + 0.01);
        expect(mark.y).toBeLessThanOrEqual(design.column.y + design.steps * design.step + 0.01);
        // Lines of the text stand on whole steps.
        if (mark.size === design.size && mark.cut === design.cuts.text) {
          const steps = (mark.y - design.column.y - design.leading * 0.76) / design.step;
          expect(Math.abs(steps - Math.round(steps)), mark.glyphs.map(({ text }) => text).join('')).toBeLessThan(0.01);
        }
      }
    }
  });

  it('leave no heading at the foot, and no line of a paragraph alone', () => {
    const { pages } = made();
    const kinds = pages.tags.map(({ kind }) => kind);
    const lines = new Map<number, number[]>();
    pages.pages.forEach(({ marks }, page) => {
      const said = marks.filter(isText).filter(({ tag }) => tag !== null);
      const last = said.at(-1);
      if (last && page < pages.pages.length - 1) expect(kinds[last.tag!]).not.toMatch(/^H/);
      const ys = new Map<number, Set<number>>();
      for (const { tag, y } of said)
        if (kinds[tag!] === 'P') ys.set(tag!, (ys.get(tag!) ?? new Set()).add(Math.round(y * 10)));
      for (const [tag, set] of ys) lines.set(tag, [...(lines.get(tag) ?? []), set.size]);
    });
    for (const [tag, counts] of lines)
      if (counts.length > 1) expect(Math.min(...counts), `paragraph ${tag}`).toBeGreaterThan(1);
  });

  it('lead from the contents to the chapters, and from links to their addresses', () => {
    const { pages } = made();
    const listed = pages.pages.filter(({ places }) => places.length === 0);
    const chapters = pages.outline.filter(({ level, text }) => level === 1 && text !== 'Contents');
    expect(chapters.map(({ text }) => text)).toEqual(
      read(MOSS).blocks.flatMap((b) => (b.kind === 'heading' && b.level === 1 ? ownWords(b) : [])),
    );
    const leads = pages.pages.flatMap(({ links }) => links);
    const inside = leads.flatMap(({ to, label }) => (to.kind === 'page' ? [[label, to.page] as const] : []));
    expect(inside).toEqual(chapters.map(({ text, page }) => [text, page]));
    // The number that is printed is the one on the page that it leads to.
    const printed = listed
      .flatMap(({ marks }) => marks)
      .filter(isText)
      .map(({ glyphs }) =>
        glyphs
          .map(({ text }) => text)
          .join('')
          .trim(),
      );
    for (const { page } of chapters) expect(printed).toContain(String(pages.pages[page].number));
    const urls = new Set(leads.flatMap(({ to }) => (to.kind === 'url' ? [to.url] : [])));
    expect([...urls].sort()).toEqual(['https://fernhollow.example/moss', 'mailto:ottoline@fernhollow.example']);
  });
});

describe('the page maker', () => {
  it('makes the same pages of what it remembers as of nothing', async () => {
    const fresh = new NodeStudio(new Map());
    const design = designOf(findPageLook('essay'), findSheet('a5'), dress);
    await fresh.loadFonts([...cutsOf(design), 'noto-serif/400', 'amiri/400', 'frank-ruhl-libre/400']);
    const changed = read(MOSS.replace('Moss asks for very little', 'Moss asks for next to nothing at all'));
    makePages(studio.shaper, design, read(MOSS));
    expect(makePages(studio.shaper, design, changed)).toEqual(makePages(fresh.shaper, design, changed));
  });

  it('makes equal pages of equal text, and others of another', () => {
    const [a, b] = [set(read(MOSS)).pages, set(read(MOSS)).pages];
    expect(a).toEqual(b);
    expect(set(read(`${MOSS}\nOne more.`)).pages).not.toEqual(a);
  });

  it('fills the lines that are to be filled to the measure, to a hundredth of a point', () => {
    const { pages, design } = set(read(MOSS), 'essay', '6x9');
    const ends = new Map<string, number>();
    pages.pages.forEach(({ marks, number }) => {
      for (const mark of marks)
        if (
          isText(mark) &&
          mark.tag !== null &&
          pages.tags[mark.tag].kind === 'P' &&
          pages.tags[mark.tag].parent === 0 &&
          mark.size === design.size
        )
          ends.set(
            `${number} ${mark.tag} ${mark.y.toFixed(1)}`,
            Math.max(ends.get(`${number} ${mark.tag} ${mark.y.toFixed(1)}`) ?? 0, mark.x + mark.width),
          );
    });
    const right = (number: number): number =>
      number % 2 === 0 ? design.sheet.width - design.column.x : design.column.x + design.column.width;
    const full = [...ends].filter(([key, end]) => Math.abs(end - right(Number(key.split(' ')[0]))) < 0.01);
    expect(ends.size).toBeGreaterThan(60);
    expect(full.length / ends.size).toBeGreaterThan(0.65);
  });

  it('opens pages only for chapters that fill them', () => {
    const short = read(Array.from({ length: 6 }, (_, i) => `# Chapter ${i}\n\nA few words.`).join('\n\n'));
    expect(set(short).pages.pages.length).toBeLessThan(4);
    expect(set(read(MOSS)).pages.pages.length).toBeGreaterThan(9);
  });

  it('sets 400 pages, and a text without a heading', () => {
    const sentence = 'The keeper counted the lamps twice, and wrote the number down where nobody would look for it. ';
    const long = read(Array.from({ length: 1700 }, () => sentence.repeat(6)).join('\n\n'));
    const { pages } = set(long, 'essay', '6x9');
    expect(pages.pages.length).toBeGreaterThan(350);
    expect(pages.outline).toEqual([]);
    expect(lettersIn(pages)).toBe(bare(allBlocks(long.blocks).flatMap(ownWords).join('')));
  });

  it('underlines links, so that they are seen without their colour', () => {
    const { pages } = set(read('Words that [lead somewhere](https://a.example) and words that do not.'));
    const [{ marks }] = pages.pages;
    const link = marks.filter(isText).find((mark) => mark.link !== null)!;
    const under = marks.flatMap((mark) =>
      mark.kind === 'fill' && mark.colour === link.colour ? [pathBounds(mark.path)] : [],
    );
    expect(under).toHaveLength(1);
    expect(under[0]).toMatchObject({ x: link.x, width: link.width });
    expect(under[0].y).toBeGreaterThan(link.y);
    expect(under[0].y).toBeLessThan(link.y + link.size * 0.3);
  });

  it('makes the name of a chapter smaller before it tears a word of it', () => {
    for (const look of LOOK_IDS) {
      const { pages } = set(read('# Straßenbahnführerhäuschen\n\nWords.'), look, 'a5');
      expect(pages.notes, look).toEqual([]);
      const head = pages.pages[0].marks
        .filter(isText)
        .filter(({ tag }) => tag !== null && pages.tags[tag].kind === 'H1');
      expect(new Set(head.map(({ y }) => y)).size, look).toBe(1);
    }
  });

  it('says which button leads nowhere, and lets no address run anything', () => {
    const button = (url: string): Manuscript => ({ blocks: [{ kind: 'button', label: 'Get it', url }] });
    const leads = (url: string) => {
      const { pages } = set(button(url));
      return [
        pages.notes.map(({ kind }) => kind),
        pages.pages[0].links.map(({ to }) => (to.kind === 'url' ? to.url : '')),
      ];
    };
    expect(leads('')).toEqual([['button-nowhere'], []]);
    expect(leads('javascript:alert(1)')).toEqual([['button-nowhere'], []]);
    expect(leads('https://')).toEqual([['button-nowhere'], []]);
    expect(leads('fernhollow.example/moss')).toEqual([[], ['https://fernhollow.example/moss']]);
    expect(leads('una@vale.example')).toEqual([[], ['mailto:una@vale.example']]);
    const words = { text: 'here', em: false, strong: false, link: 'javascript:alert(1)' };
    expect(set({ blocks: [{ kind: 'paragraph', spans: [words] }] }).pages.pages[0].links).toEqual([]);
    const [chapter] = chaptersOf(
      { blocks: [...button('javascript:alert(1)').blocks, { kind: 'paragraph', spans: [words] }] },
      'T',
      () => null,
    );
    expect(chapter.body).not.toContain('javascript');
    expect(chapter.body).toContain('Get it');
  });

  it('passes over headings without words', () => {
    const empty = { kind: 'heading' as const, level: 1 as const, spans: [] };
    const text: Manuscript = { blocks: [...read('# One\n\nWords.\n\n# Two\n\nWords.').blocks, empty] };
    expect(set(text).pages.outline.map(({ text }) => text)).toEqual(['One', 'Two']);
    expect(chaptersOf(text, 'T', () => null).map(({ title }) => title)).toEqual(['One', 'Two']);
  });

  it('tears a word that is wider than its line, and says so', () => {
    const word = 'Rindfleischetikettierungs'.repeat(9);
    const { pages, design } = set(read(`Before ${word} after.`));
    expect(pages.notes).toMatchObject([{ kind: 'word-cut' }]);
    expect(lettersIn(pages)).toBe(`Before${word}after.`);
    for (const { marks } of pages.pages)
      for (const mark of marks)
        if (isText(mark)) expect(mark.x + mark.width).toBeLessThan(design.column.x + design.column.width + 0.01);
  });

  it('sets a table that is wider than the page within it', () => {
    const row = `|${Array.from({ length: 12 }, (_, i) => `column${i}withalongname`).join('|')}|`;
    const { pages, design } = set(read(`${row}\n|${'---|'.repeat(12)}\n${row}\n${row}`), 'essay', 'a5');
    for (const { marks } of pages.pages)
      for (const mark of marks)
        if (isText(mark) && mark.tag !== null) expect(mark.x + mark.width).toBeLessThan(design.sheet.width - 20);
    expect(lettersIn(pages)).toContain('column11withalongname');
  });

  describe.each(['letter', 'a5', 'screen'] as const)('a table longer than a page of %s', (sheet) => {
    const rows = Array.from({ length: 90 }, (_, i) => `| moss ${i} | shade ${i} and some words of where it grows |`);
    const long = (head: string): string => `Before.\n\n${head}\n|---|---|\n${rows.join('\n')}\n\nAfter.`;
    const said = (marks: readonly Mark[], aloud: boolean): TextMark[] =>
      marks.filter(isText).filter(({ tag }) => (tag !== null) === aloud);
    const words = ({ glyphs }: TextMark): string => glyphs.map(({ text }) => text).join('');

    it.each(LOOK_IDS)('shows its head on each page in %s, and is read aloud once', (look) => {
      const { pages, design } = set(read(long('| Kindhead | Placehead |')), look, sheet);
      const all = lettersIn(pages);
      expect(all.match(/Kindhead/g)).toHaveLength(1);
      for (let i = 0, at = 0; i < 90; i++) {
        at = all.indexOf(`moss${i}shade${i}and`, at);
        expect(at, String(i)).toBeGreaterThanOrEqual(0);
      }
      const going = pages.pages.filter(({ marks }) =>
        said(marks, true).some((mark) => /^(moss|shade)/.test(words(mark))),
      );
      expect(going.length).toBeGreaterThan(1);
      for (const [n, { marks, number }] of going.entries()) {
        const rowTops = said(marks, true).flatMap((mark) => (words(mark).startsWith('moss') ? [mark.y] : []));
        const head = said(marks, n === 0).filter((mark) => words(mark).startsWith('Kindhead'));
        expect(head, `page ${number}`).toHaveLength(1);
        expect(head[0].y).toBeLessThan(Math.min(...rowTops));
        // It pushes nothing below the foot.
        const foot = design.column.y + design.steps * design.step;
        expect(Math.max(...rowTops)).toBeLessThanOrEqual(foot);
      }
    });

    it('has none where the table has none', () => {
      const { pages } = set(read(long('|  |  |')), LOOK_IDS[0], sheet);
      const heads = pages.pages.slice(1).flatMap(({ marks }) => said(marks, false).map(words));
      expect(heads.filter((text) => /^(moss|shade)/.test(text))).toEqual([]);
    });
  });

  it('sets what reads to the left from the right, its numbers as they are', () => {
    const { pages, design } = set(read('שלום עולם 1984 ועוד מילים רבות'), 'field-notes');
    const marks = pages.pages[0].marks.filter(isText).filter(({ tag }) => tag !== null);
    const right = Math.max(...marks.map(({ x, width }) => x + width));
    expect(right).toBeCloseTo(design.column.x + design.column.width, 1);
    const glyphs = marks.flatMap((mark) => mark.glyphs.map(({ x, text }) => ({ x: mark.x + x, text })));
    const number = glyphs.filter(({ text }) => /\d/.test(text)).sort((a, b) => a.x - b.x);
    expect(number.map(({ text }) => text).join('')).toBe('1984');
    expect(pages.notes).toEqual([]);
  });

  it('says which letters no font has', () => {
    expect(set(read('A word in 𒀀𒁀 signs.')).pages.notes).toMatchObject([{ kind: 'letters-missing' }]);
  });

  it('says that a picture is missing, has few pixels, or no words', () => {
    const text = read('Words.\n\n![](moss)\n\nMore.');
    const notes = (pictures: Dress['pictures']) =>
      set(text, LOOK_IDS[0], 'letter', { pictures }).pages.notes.map(({ kind }) => kind);
    expect(notes(new Map())).toEqual(['picture-missing', 'alt-missing']);
    expect(notes(new Map([['moss', { widthPx: 8, heightPx: 8 }]]))).toEqual(['picture-small', 'alt-missing']);
    expect(notes(new Map([['moss', { widthPx: 2400, heightPx: 1600 }]]))).toEqual(['alt-missing']);
  });

  it('draws pictures whole, within the column, with their caption under them', () => {
    const { pages, design } = set(read('![A tray of moss](moss "The first tray")'));
    const [mark] = pages.pages[0].marks.filter((one) => one.kind === 'picture');
    expect(mark.kind === 'picture' && mark.to.width / mark.to.height).toBeCloseTo(4 / 3, 5);
    const bottom = mark.kind === 'picture' ? mark.to.y + mark.to.height : 0;
    const caption = pages.pages[0].marks
      .filter(isText)
      .find(({ tag }) => tag !== null && pages.tags[tag].kind === 'Caption');
    expect(caption!.y - caption!.size).toBeGreaterThan(bottom);
    expect(bottom).toBeLessThan(design.sheet.height - design.sheet.foot);
    expect(pages.tags.find(({ kind }) => kind === 'Figure')?.alt).toBe('A tray of moss');
  });

  it('makes a picture smaller where that keeps it on the page of its words, and never less than three fifths', () => {
    const line = 'Moss asks for very little and gives back a great deal, year after year. '.repeat(3);
    const sizes = new Map<number, { height: number; page: number }>();
    for (let n = 1; n <= 14; n++) {
      const { pages, design } = set(read(`${`${line}\n\n`.repeat(n)}![A tray](moss "The first tray")\n\n${line}`));
      pages.pages.forEach(({ marks }, page) => {
        for (const mark of marks) {
          if (mark.kind !== 'picture') continue;
          sizes.set(n, { height: mark.to.height, page });
          expect(mark.to.width / mark.to.height).toBeCloseTo(4 / 3, 5);
          expect(mark.to.y + mark.to.height).toBeLessThan(design.column.y + design.steps * design.step);
        }
      });
    }
    const whole = Math.max(...[...sizes.values()].map(({ height }) => height));
    const smaller = [...sizes.values()].filter(({ height, page }) => height < whole - 1 && page === 0);
    expect(smaller.length).toBeGreaterThan(0);
    for (const { height } of sizes.values()) expect(height).toBeGreaterThan(whole * 0.55);
  });

  it('draws letters within the fields that are behind them', () => {
    const { pages } = set(
      read('> **Take care.** Moss is slow, and what is torn takes years to close. Cut it with a knife.'),
    );
    const [field] = pages.pages[0].marks.filter((mark) => mark.kind === 'fill' && mark.colour !== '#ffffff');
    const box = field.kind === 'fill' ? pathBounds(field.path) : null;
    for (const mark of pages.pages[0].marks.filter(isText).filter(({ tag }) => tag !== null)) {
      expect(mark.y - mark.size * 0.7).toBeGreaterThan(box!.y);
      expect(mark.y + mark.size * 0.25).toBeLessThan(box!.y + box!.height);
    }
  });
});

describe.each(SHEET_IDS)('a chapter with a long name on %s', (sheet) => {
  it('keeps its letters on the field, clear of the picture', () => {
    const name = 'Where the rain goes when it has run off the roof, down the wall, along the gutter and into the yard';
    const art = { image: 'art', ratio: 1.6, detail: Array.from({ length: 100 }, (_, i) => i) };
    const body = 'Words of the chapter, enough of them that it fills its page. '.repeat(60);
    for (const { id, opening } of PAGE_LOOKS) {
      if (opening !== 'plate') continue;
      for (const title of [name, 'Short']) {
        const { pages } = set(read(`# ${title}\n\n${body}\n\n# Two\n\n${body}`), id, sheet, { art });
        const page = pages.pages.find(({ marks }) => marks.some((mark) => mark.kind === 'picture'))!;
        const picture = page.marks.find((mark) => mark.kind === 'picture');
        const foot = picture?.kind === 'picture' ? picture.to.y + picture.to.height : 0;
        const field = page.marks.find((mark) => mark.kind === 'fill' && pathBounds(mark.path).height < pages.height);
        const bottom = field?.kind === 'fill' ? pathBounds(field.path) : null;
        const head = page.marks.filter(isText).filter(({ tag }) => tag !== null && pages.tags[tag].kind === 'H1');
        expect(head.length).toBeGreaterThan(0);
        for (const mark of head) {
          expect(mark.y - mark.size * 0.8, `${id} ${title}`).toBeGreaterThanOrEqual(foot);
          expect(mark.y + mark.size * 0.2, `${id} ${title}`).toBeLessThan(bottom!.y + bottom!.height);
        }
      }
    }
  });
});

describe('the field over a chapter', () => {
  const art = { image: 'art', ratio: 1.6, detail: Array.from({ length: 100 }, (_, i) => i) };
  const line = 'Moss asks for very little and gives back a great deal, year after year.';

  it('is lower where that saves a page with a few lines on it, and only there; nothing comes to lie on it', () => {
    const fields = new Map<number, { height: number; pages: number; last: number }>();
    for (let n = 8; n < 46; n++) {
      const { pages, design } = set(
        read(`# Two\n\n${`${line}\n\n`.repeat(20)}# One\n\n${`${line}\n\n`.repeat(n)}`),
        LOOK_IDS[0],
        'letter',
        {
          art,
        },
      );
      const first = pages.pages.findIndex(({ marks }) =>
        marks.some((mark) => mark.kind === 'text' && mark.glyphs.map(({ text }) => text).join('') === 'One'),
      );
      const { marks } = pages.pages[first];
      const field = marks.find((mark) => mark.kind === 'fill' && pathBounds(mark.path).width > pages.width - 1);
      const { y, height } = pathBounds((field as Extract<typeof field, { kind: 'fill' }>)!.path);
      const text = marks.filter(isText).filter(({ tag }) => tag !== null && pages.tags[tag].kind === 'P');
      for (const mark of text) {
        expect(mark.y - mark.size, `${n}`).toBeGreaterThan(y + height);
        expect(mark.y, `${n}`).toBeLessThan(design.column.y + design.steps * design.step + 0.01);
      }
      const end = pages.pages
        .at(-1)!
        .marks.filter(isText)
        .filter(({ tag }) => tag !== null && pages.tags[tag].kind === 'P');
      fields.set(n, { height, pages: pages.pages.length - first, last: end.length });
    }
    const usual = Math.max(...[...fields.values()].map(({ height }) => height));
    const lower = [...fields].filter(([, { height }]) => height < usual - 1);
    expect(lower.length).toBeGreaterThan(3);
    for (const [n, { height, pages }] of lower) {
      expect(height, `${n}`).toBeGreaterThan(usual * 0.55);
      // One line more than fewer of them, and still no page more.
      expect(pages, `${n}`).toBe(fields.get(n - 1)!.pages);
    }
    // As many lines as the field could make room for never stand alone on a page.
    const saved = lower.filter(([, { pages }]) => pages === 1);
    expect(saved.length).toBeGreaterThan(1);
    for (const [n, { pages, last }] of fields) if (pages === 2) expect(last, `${n}`).toBeGreaterThan(saved.length);
  });
});

describe('colours of pages', () => {
  it('read on what they stand on, whatever the cover', () => {
    const channel = fc.integer({ min: 0, max: 255 });
    const swatches = fc.array(fc.tuple(channel, channel, channel, fc.double({ min: 0.02, max: 1, noNaN: true })), {
      maxLength: 6,
    });
    fc.assert(
      fc.property(swatches, fc.constantFrom('white' as const, 'warm' as const), (given, ground) => {
        const c = pageColours(
          given.map(([r, g, b, share]) => swatch(hexOf([r, g, b]), [r, g, b], share)),
          ground,
        );
        expect(contrast(c.ink, c.paper)).toBeGreaterThanOrEqual(10);
        expect(contrast(c.ink, c.tint)).toBeGreaterThanOrEqual(7);
        expect(contrast(c.soft, c.paper)).toBeGreaterThanOrEqual(4.5);
        expect(contrast(c.accent, c.paper)).toBeGreaterThanOrEqual(4.5);
        expect(contrast(c.accent, c.tint)).toBeGreaterThanOrEqual(4.5);
        expect(contrast(c.onDeep, c.deep)).toBeGreaterThanOrEqual(6.5);
        expect(contrast(c.onButton, c.button)).toBeGreaterThanOrEqual(4.5);
      }),
    );
  });
});

describe('text that is taken in', () => {
  const kinds = (source: string): string[] => read(source).blocks.map(({ kind }) => kind);

  it('is headings, lists, quotations, tips, tables, pictures, buttons and pauses', () => {
    const source = [
      '# One',
      'Words *with* **force** and a [way](https://a.example).',
      '- a\n- b',
      '1. x\n2. y',
      '- [ ] open\n- [x] done',
      '> Said by somebody',
      '> [!TIP]\n> Do it so',
      '|a|b|\n|-|-|\n|1|2|',
      '![alt](moss)',
      '**[Get it](https://b.example)**',
      '***',
    ].join('\n\n');
    expect(kinds(source)).toEqual([
      'heading',
      'paragraph',
      'list',
      'list',
      'list',
      'quote',
      'tip',
      'table',
      'picture',
      'button',
      'pause',
    ]);
    const [, words] = read(source).blocks;
    expect(
      words.kind === 'paragraph' && words.spans.filter(({ em, strong, link }) => em || strong || link).length,
    ).toBe(3);
  });

  it('keeps notes, numbered, at its end', () => {
    const { blocks } = read('Some words[^1].\n\n[^1]: And what they mean.');
    expect(blocks.flatMap(ownWords)[0]).toBe('Some words¹.');
    expect(allBlocks(blocks).flatMap(ownWords).at(-1)).toBe('And what they mean.');
  });

  it('leaves out HTML and scripts, and says so; no link runs anything', () => {
    const taken = fromMarkdownText(
      '<script>alert(1)</script>\n\nWords <b>here</b> [x](javascript:alert(1)) [y](file:///etc/passwd).',
    );
    expect(taken.ok && taken.value.dropped.map(({ kind, count }) => [kind, count])).toEqual([['html', 3]]);
    if (!taken.ok) return;
    expect(JSON.stringify(taken.value.manuscript)).not.toMatch(/script|passwd|<b>/);
  });

  const named = (source: string): string[] => {
    const draft = readMarkdown(source);
    if (!draft.ok) throw new Error(draft.fault.code);
    return picturesInDraft(draft.value, null);
  };

  it('says which pictures are not there, and keeps their words', () => {
    const taken = fromMarkdownText('See ![the gate](gate.png) there.');
    expect(taken.ok && [taken.value.dropped[0].kind, ownWords(taken.value.manuscript.blocks[0])]).toEqual([
      'picture',
      ['See the gate there.'],
    ]);
    expect(named('![a](x.png) and ![b](y/z.jpg) and ![c](x.png)')).toEqual(['x.png', 'y/z.jpg']);
  });

  it('takes pictures that stand among words, or are named at the end', () => {
    const known = new Map([['moss.png', 'moss']]);
    const kindsOf = (source: string) => {
      const taken = fromMarkdownText(source, known);
      if (!taken.ok) throw new Error(taken.fault.code);
      return [taken.value.manuscript.blocks.map(({ kind }) => kind), taken.value.dropped.map(({ kind }) => kind)];
    };
    expect(kindsOf('See ![a tray](moss.png) there.')).toEqual([['paragraph', 'picture'], []]);
    expect(kindsOf('[![a tray](moss.png)](https://a.example)')).toEqual([['picture'], []]);
    expect(kindsOf('![a tray][t]\n\n[t]: moss.png')).toEqual([['picture'], []]);
    expect(kindsOf('![a tray][t]\n\n[t]: lost.png')).toEqual([['paragraph'], ['picture']]);
    expect(named('![a][t]\n\n[t]: moss.png')).toEqual(['moss.png']);
  });

  it('makes every item of a list with boxes have one', () => {
    const [list] = read('- [x] done\n- plain').blocks;
    expect(list.kind === 'list' && list.items.map(({ checked }) => checked)).toEqual([true, false]);
  });

  it('takes tables of many columns, and what is nested thousands deep or not at all', () => {
    expect(Manuscript.safeParse(read(`|${'x|'.repeat(60)}\n|${'-|'.repeat(60)}\n|${'y|'.repeat(60)}`)).success).toBe(
      true,
    );
    const stairs = Array.from({ length: 400 }, (_, i) => `${' '.repeat(2 * i)}- x`).join('\n');
    for (const source of [stairs, '> '.repeat(20_000), '- '.repeat(5000), '* '.repeat(2000), '1. '.repeat(2000)])
      expect(fromMarkdownText(`${source}words`)).toMatchObject({ ok: false, fault: { code: 'text-format' } });
    const deep = Array.from({ length: 40 }, (_, i) => `${'  '.repeat(i)}- x`).join('\n');
    for (const source of [deep, `${'> '.repeat(40)}words`, `${' '.repeat(60)}words`, '- - - -', '***', '2. two'])
      expect(fromMarkdownText(`Words\n\n${source}`).ok, source).toBe(true);
    for (const source of ['['.repeat(20_000), '*'.repeat(20_000)]) {
      const taken = fromMarkdownText(`${source}words`);
      if (!taken.ok) expect(taken.fault.code).toBe('text-format');
    }
  });

  it('takes no sign of a plain text for more than it is', () => {
    const source = 'Chapter *one*\n\n# not a heading, 5 < 6 & _so_ on\n\n• first\n• second\n\n    indented';
    const taken = fromPlainText(source);
    if (!taken.ok) throw new Error(taken.fault.code);
    const { blocks } = taken.value.manuscript;
    expect(blocks.map(({ kind }) => kind)).toEqual(['paragraph', 'paragraph', 'list', 'paragraph']);
    expect(ownWords(blocks[0])).toEqual(['Chapter *one*']);
    expect(ownWords(blocks[1])).toEqual(['# not a heading, 5 < 6 & _so_ on']);
    expect(taken.value.dropped).toEqual([]);
  });

  it('never loses a word of a plain text', () => {
    const word = fc.stringMatching(/^[a-z*#_>.~`|[\]()!0-9&<-]{1,9}$/);
    fc.assert(
      fc.property(
        fc.array(fc.array(word, { minLength: 1, maxLength: 8 }), { minLength: 1, maxLength: 6 }),
        (paragraphs) => {
          const source = paragraphs.map((words) => words.join(' ')).join('\n\n');
          const taken = fromPlainText(`x ${source}`);
          if (!taken.ok) throw new Error(taken.fault.code);
          const said = bare(allBlocks(taken.value.manuscript.blocks).flatMap(ownWords).join(''));
          // A number or a dash that begins a line makes a list, and is drawn by it.
          const marks = /^(?:[-+*]|\d{1,9}[.)])(?=\s|$)/gm;
          expect(said.replace(/[-+*\d.)]/g, '')).toBe(bare(`x ${source}`.replace(marks, '')).replace(/[-+*\d.)]/g, ''));
        },
      ),
      { numRuns: 200 },
    );
  });

  it('refuses what is empty or too long', () => {
    expect(fromMarkdownText('  \n')).toMatchObject({ ok: false, fault: { code: 'text-empty' } });
    expect(fromMarkdownText('a'.repeat(1_000_001))).toMatchObject({ ok: false, fault: { code: 'text-long' } });
    const deep = fromMarkdownText(`${'> '.repeat(500)}words`);
    expect(deep.ok && deep.value.dropped.map(({ kind }) => kind)).toEqual(['depth']);
  });
});

describe('edits of a booklet', () => {
  const book = () =>
    newBook('abcdefgh', 'urn:yosomi:abcdefgh', '2026-01-01T00:00:00Z', finishedCover('abcdef1', 160, 256));
  const begun = (text: Manuscript) => {
    const done = editBook(book(), beginBooklet(text));
    if (!done.ok) throw new Error(done.fault.code);
    return done.value.next;
  };
  const para = (text: string): Block => ({
    kind: 'paragraph',
    spans: [{ text, em: false, strong: false, link: null }],
  });

  it('write only the blocks that were changed', () => {
    const text = {
      blocks: Array.from({ length: 200 }, (_, i) => para(`Paragraph ${i} of some length, so that it counts.`)),
    };
    const next = text.blocks.map((block, i) => (i === 90 ? para('Another.') : block));
    const done = editBook(begun(text), onBooklet(setText(next)));
    if (!done.ok) throw new Error(done.fault.code);
    expect(done.value.next.booklet!.manuscript.blocks).toEqual(next);
    expect(JSON.stringify(done.value.forward).length).toBeLessThan(400);
  });

  it('refuse an unknown look, a text that is too long, and a booklet that is not there', () => {
    const fault = (made: ReturnType<typeof editBook>) => (made.ok ? null : made.fault.code);
    const many = Array.from({ length: 5001 }, () => para('x'));
    expect(fault(editBook(begun({ blocks: [para('x')] }), onBooklet(setPageLook('nobody'))))).toBe('look-unknown');
    expect(fault(editBook(begun({ blocks: [] }), onBooklet(setText(many))))).toBe('text-long');
    expect(fault(editBook(book(), onBooklet(setText([]))))).toBe('booklet-gone');
  });

  it('put a picture after a block', () => {
    const asset = { id: 'abcdef2', format: 'png' as const, widthPx: 9, heightPx: 9, name: 'x', rights: untold };
    const done = editBook(begun({ blocks: [para('a'), para('b')] }), addPagePicture(asset, 0));
    expect(done.ok && done.value.next.booklet!.manuscript.blocks.map(({ kind }) => kind)).toEqual([
      'paragraph',
      'picture',
      'paragraph',
    ]);
    expect(done.ok && done.value.next.assets.abcdef2.name).toBe('x');
  });
});
