import { type Rect, rectPath, transformPath, translate, union } from '../plane';
import type { Shaper } from '../text';
import { FEWEST_ENTRIES, putContents, wordsOf } from './contents';
import type { Design } from './design';
import { flowOf } from './blocks';
import { Flow, fill } from './flow';
import { furniture, panelMarks } from './furniture';
import { type Manuscript, chapterLevelOf, isWorded } from './manuscript';
import type { Mark, OutlineEntry, Page, PageLink, PageNote, Pages } from './page';
import { type PageRows, type Row, pagesOf } from './rows';

/** A chapter that fills less of a page than this, in the mean, does not begin one. */
const FULL_CHAPTER = 0.62;

/** The level of the chapters; that of the only heading where there is one. */
export function chapterLevel({ blocks }: Manuscript): 1 | 2 | 3 | null {
  const levels = blocks.flatMap((block) => (block.kind === 'heading' && isWorded(block) ? [block.level] : []));
  const [highest] = [...levels].sort();
  return chapterLevelOf(levels) ?? highest ?? null;
}

const heightOf = (rows: readonly Row[]): number => rows.reduce((sum, row) => sum + row.height + row.gap, 0);

function opensPages(flow: Flow, steps: number): boolean {
  const count = flow.rows.filter(({ heading }) => heading?.chapter).length;
  return count > 0 && heightOf(flow.rows) / count >= steps * FULL_CHAPTER;
}

const moved = (mark: Mark, x: number, y: number): Mark => {
  switch (mark.kind) {
    case 'text':
      return { ...mark, x: mark.x + x, y: mark.y + y };
    case 'fill':
      return { ...mark, path: transformPath(mark.path, translate(x, y)) };
    case 'picture':
      return { ...mark, to: { ...mark.to, x: mark.to.x + x, y: mark.to.y + y } };
  }
};

/** Rows of a page in their places. */
function placed(design: Design, rows: readonly Row[], { from, to, over }: PageRows, left: boolean) {
  const { step, column, sheet, colours } = design;
  const x = sheet.bound && left ? sheet.width - column.x - column.width : column.x;
  const marks: Mark[] = [];
  const links: PageLink[] = [];
  const spans = new Map<number, { panel: Row['panels'][number]; top: number; bottom: number }>();
  const blocks = new Map<number, Rect[]>();
  const tops: number[] = [];
  let y = column.y;
  let tooMuch = over;
  for (let i = from; i < to; i++) {
    const row = rows[i];
    if (i > from) y += row.gap * step;
    const above = y;
    if (i === from && row.again) {
      for (const mark of row.again.marks) marks.push(moved(mark, x, y));
      y += row.again.height * step;
    }
    // What is too much is taken from the first that gives, and what it cannot give from the next.
    const given = row.gives ? Math.min(tooMuch, row.height - row.gives.least) : 0;
    tooMuch -= given;
    const bottom = y + (row.height - given) * step;
    tops.push(y);
    for (const panel of row.panels) {
      const known = spans.get(panel.id);
      if (known) known.bottom = bottom;
      else spans.set(panel.id, { panel, top: above, bottom });
    }
    // What reaches over the margins does so from either column.
    const shift = row.bleeds ? column.x - x : 0;
    const drawn = given > 0 && row.gives ? row.gives.marks(row.height - given) : row.marks;
    for (const mark of drawn) marks.push(moved(mark, x + (mark.kind === 'text' ? 0 : shift), y));
    for (const link of row.links)
      links.push({ ...link, rect: { ...link.rect, x: link.rect.x + x, y: link.rect.y + y } });
    if (row.block !== null) {
      const rect = { x, y, width: column.width, height: bottom - y };
      blocks.set(row.block, [...(blocks.get(row.block) ?? []), rect]);
    }
    y = bottom;
  }
  const behind = [...spans.values()].flatMap(({ panel, top, bottom }) => panelMarks(design, panel, top, bottom, x));
  const paper =
    colours.paper === '#ffffff'
      ? []
      : [fill(rectPath({ x: 0, y: 0, width: sheet.width, height: sheet.height }), colours.paper)];
  const places = [...blocks].map(([block, rects]) => ({ block, rect: union(rects) }));
  return { marks: [...paper, ...behind, ...marks], links, places, tops };
}

/** Makes the pages of a booklet. All cuts of the design must be in the shaper. */
export function makePages(shaper: Shaper, design: Design, manuscript: Manuscript): Pages {
  const { sheet, steps, dress } = design;
  const level = chapterLevel(manuscript);
  const tried = flowOf(shaper, design, manuscript, { level, open: true });
  const open = opensPages(tried, steps);
  const flow = open ? tried : flowOf(shaper, design, manuscript, { level, open: false });
  const ranges = pagesOf(flow.rows, steps);
  const pageOf = (row: number): number => ranges.findIndex(({ from, to }) => row >= from && row < to);
  const heads = flow.rows.flatMap((row, i) => (row.heading ? [{ ...row.heading, row: i, page: pageOf(i) }] : []));
  const chapters = heads.filter(({ chapter }) => chapter);
  const wanted = chapters.length >= FEWEST_ENTRIES && ranges.length > 2;

  // The contents are set first without numbers, to know how many pages they take.
  const entries = (shift: number) =>
    chapters.map(({ text, page }) => ({ text, page, number: String(page + 1 + shift) }));
  const laid = (shift: number, close: boolean): Flow => {
    const own = new Flow(shaper, design, { level: null, open: false });
    putContents(own, entries(shift), shift, close);
    return own;
  };
  // Set closer where that saves a page.
  const [wide, tight] = [false, true].map((close) => pagesOf(laid(0, close).rows, steps).length);
  const before = wanted ? Math.min(wide, tight) : 0;
  const contents = wanted ? laid(before, tight < wide) : null;

  const pages: Page[] = [];
  const outline: OutlineEntry[] = [];
  let chapter = '';
  const add = (rows: readonly Row[], range: PageRows, tagShift: number, made: boolean): void => {
    const index = pages.length;
    const number = index + 1;
    const left = number % 2 === 0;
    const { marks, links, places, tops } = placed(design, rows, range, left);
    const opens = rows[range.from].bleeds || (rows[range.from].heading?.chapter ?? false);
    for (let i = range.from; i < range.to; i++) {
      const { heading } = rows[i];
      if (!heading) continue;
      if (heading.chapter) chapter = heading.text;
      outline.push({ text: heading.text, level: heading.level, page: index, y: tops[i - range.from] });
    }
    const running = {
      title: dress.title,
      chapter: made ? '' : chapter,
      number: String(number),
      left,
      opens: opens || made,
    };
    const shifted = marks.map((mark) => (mark.tag === null ? mark : { ...mark, tag: mark.tag + tagShift }));
    pages.push({
      number,
      marks: [...shifted, ...furniture(shaper, design, running)],
      links: links.map((link) => (link.tag === null ? link : { ...link, tag: link.tag + tagShift })),
      places: made ? [] : places,
    });
  };
  // One structure: that of the contents before that of the text, under one document.
  const contentTags = contents ? contents.tags : [flow.tags[0]];
  if (contents) {
    outline.push({ text: wordsOf(dress.language).contents, level: 1, page: 0, y: 0 });
    for (const range of pagesOf(contents.rows, steps)) add(contents.rows, range, 0, true);
  }
  const shift = contentTags.length - 1;
  for (const range of ranges) add(flow.rows, range, shift, false);
  const tags = [
    ...contentTags,
    ...flow.tags.slice(1).map((tag) => ({ ...tag, parent: tag.parent === 0 ? 0 : tag.parent + shift })),
  ];
  return {
    width: sheet.width,
    height: sheet.height,
    pages,
    tags,
    outline,
    notes: notesOf(flow, (row) => pageOf(row) + before + 1),
  };
}

function notesOf(flow: Flow, pageOf: (row: number) => number): PageNote[] {
  const { missing, cut } = flow.heard;
  return [
    ...(missing.size > 0 ? [{ kind: 'letters-missing' as const, letters: [...missing].slice(0, 20).join(' ') }] : []),
    ...[...cut].map((word) => ({ kind: 'word-cut' as const, word: word.slice(0, 40) })),
    ...flow.met.map(({ row, note }) => note(pageOf(row))),
  ];
}
