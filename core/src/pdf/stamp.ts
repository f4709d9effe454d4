import { PDFArray, PDFDict, type PDFDocument, PDFName, type PDFPage, type PDFRef, PDFString } from '@cantoo/pdf-lib';
import { type Finding, type Result, fail, finding, ok } from '../base';
import { type TextMark, typedLink } from '../booklet';
import { type Hex, contrast, hexOf } from '../colour';
import { rectAround, union } from '../plane';
import type { CutId, FontSubsetter, Letter, Shaper } from '../text';
import { markOps } from './content';
import { addressOf } from './cover-page';
import { embedFont, unicodeString } from './font-embed';
import { type Wanted, OVER, UNDER, commonDepth, freeDepths, nearest } from './free-place';
import { isSigned, openPdf } from './open';
import { labelsOf } from './page-labels';
import { contentsOf } from './page-content';
import { type Painted, paintedOf } from './painted';
import { type Seen, seenOf } from './seen';
import { tagLinks } from './tag-links';

export const STAMP_PLACES = ['left', 'centre', 'right', 'outer', 'inner'] as const;
export type StampPlace = (typeof STAMP_PLACES)[number];

/** A line for the head or foot. `{page}` is the printed number of the page, `{pages}` how many there are. */
export type StampLine = { readonly text: string; readonly at: StampPlace };

export type Stamp = {
  readonly head: StampLine | null;
  readonly foot: StampLine | null;
  /** What even pages have instead, where they have something else. */
  readonly even: { readonly head: StampLine | null; readonly foot: StampLine | null } | null;
  /** From which page to which, from 1; null for all. */
  readonly pages: { readonly from: number; readonly to: number } | null;
  /** Points. */
  readonly size: number;
  readonly cut: CutId;
  readonly modified: string;
};

/** Why a page is without its line. */
export type Unstamped = {
  readonly page: number;
  readonly end: 'head' | 'foot';
  readonly why: 'full' | 'unread' | 'long';
};

export type StampReport = {
  readonly pages: number;
  readonly stamped: number;
  /** Pages whose line stands at another height, or is smaller, than on the others. */
  readonly moved: readonly number[];
  readonly without: readonly Unstamped[];
  readonly links: number;
  readonly notes: readonly Finding[];
};

/** The least size to which a line may shrink, points, and how much of the width it may take. */
const LEAST_SIZE = 6;
const SIDE = 24;
const INKS: readonly Hex[] = ['#3a3a3a', '#000000', '#ffffff'];
const MOST_LINE = 200;

type Set = { readonly letters: readonly Letter[]; readonly em: number; readonly text: string };
type Job = {
  readonly index: number;
  readonly end: 'head' | 'foot';
  readonly set: Set;
  readonly wanted: Wanted;
  readonly free: readonly number[];
};

const set = (shaper: Shaper, cut: CutId, text: string): Set => {
  const letters = shaper.letters(cut, text);
  return { letters, text, em: letters.reduce((sum, one) => sum + one.advance, 0) };
};

/** Where the words of the pages begin and end, so that a line stands over their edges: the middle of what pages have. */
function columnOf(pages: readonly { readonly painted: Painted; readonly seen: Seen }[]): [left: number, right: number] {
  const middle = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1];
  const wide = pages.flatMap(({ painted, seen }) => {
    if (painted.boxes.length === 0) return [];
    const { x, width } = union(painted.boxes);
    return width > seen.width * 0.4 && x >= SIDE / 2 && x + width <= seen.width - SIDE / 2
      ? [[x / seen.width, (x + width) / seen.width]]
      : [];
  });
  return wide.length > 0
    ? [middle(wide.map(([left]) => left)), middle(wide.map(([, right]) => right))]
    : [1 / 9, 8 / 9];
}

/** Places of a line's letters from left to right; null where it is too wide even at its least size. */
function placed(
  line: Set,
  at: StampPlace,
  odd: boolean,
  seen: Seen,
  column: [number, number],
  size: number,
  end: 'head' | 'foot',
): Wanted | null {
  const side = at === 'outer' ? (odd ? 'right' : 'left') : at === 'inner' ? (odd ? 'left' : 'right') : at;
  const room = seen.width - 2 * SIDE;
  const fitted = Math.min(size, room / line.em);
  if (fitted < LEAST_SIZE) return null;
  const width = line.em * fitted;
  const [from, to] = [column[0] * seen.width, column[1] * seen.width];
  const wish = side === 'left' ? from : side === 'right' ? to - width : (from + to - width) / 2;
  const left = Math.max(SIDE, Math.min(seen.width - SIDE - width, wish));
  return { end, left, right: left + width, size: fitted };
}

const filled = (text: string, page: string, pages: number): string =>
  text.replace(/\{page\}/g, page).replace(/\{pages\}/g, String(pages));

/** Addresses in a line, each with where it begins and ends among the letters of the text. */
function addressesIn(text: string): { readonly url: string; readonly start: number; readonly end: number }[] {
  return [...text.matchAll(/\S+/g)].flatMap((match) => {
    const word = match[0].replace(/^[([“"'„]+|[)\].,;:!?”"']+$/g, '');
    const start = match.index + match[0].indexOf(word);
    const url = /\.\p{L}{2,}(?:[/?#:]|$)/u.test(word) ? typedLink(word) : null;
    return url ? [{ url, start, end: start + word.length }] : [];
  });
}

/** The ink that is read best on a ground. */
const inkOn = (ground: Painted['ground']): Hex => {
  const paper = hexOf(ground ?? [255, 255, 255]);
  return contrast(INKS[0], paper) >= 7
    ? INKS[0]
    : INKS.slice(1).reduce((a, b) => (contrast(b, paper) > contrast(a, paper) ? b : a));
};

/**
 * Puts a head, a foot and page numbers on the pages of a PDF, in the margin that each page has free: it is measured by following what the page
 * draws, and nothing is ever put over it. Where there is no room the page stays as it is, and is told. What pages draw stays the same operators.
 * Faults: those of `openPdf`, `stamp-empty`, `stamp-pages`, `stamp-letters` (`letters`), `stamp-long`, `font-damaged`.
 */
export async function stampPdf(
  source: Uint8Array,
  stamp: Stamp,
  shaper: Shaper,
  subset: FontSubsetter,
): Promise<Result<{ bytes: Uint8Array<ArrayBuffer>; report: StampReport }>> {
  const lines = [stamp.head, stamp.foot, stamp.even?.head, stamp.even?.foot].flatMap((one) =>
    one?.text.trim() ? [one] : [],
  );
  if (lines.length === 0) return fail('stamp-empty');
  if (lines.some(({ text }) => text.length > MOST_LINE)) return fail('stamp-long', { most: MOST_LINE });
  const lacks = lines.flatMap(({ text }) => shaper.lacks(stamp.cut, text));
  if (lacks.length > 0) return fail('stamp-letters', { letters: [...new Set(lacks)].join(' ') });
  const opened = await openPdf(source);
  if (!opened.ok) return opened;
  const { doc, pages } = opened.value;
  const { from, to } = stamp.pages ?? { from: 1, to: pages.length };
  if (from < 1 || from > pages.length || to < from) return fail('stamp-pages', { pages: pages.length });
  const notes: Finding[] = isSigned(doc) ? [finding('pdf-signed', 'should', null)] : [];

  const chosen = pages.slice(from - 1, to).map((page, i) => {
    const seen = seenOf(page);
    return { page, index: from - 1 + i, seen, painted: paintedOf(doc, page, seen) };
  });
  const labels = labelsOf(doc, pages.length);
  const column = columnOf(chosen);
  const without: Unstamped[] = [];
  const jobs: Job[] = [];
  for (const { index, seen, painted } of chosen) {
    // A right-hand page has an odd number; where it has none, every other one is right.
    const odd = /^\d+$/.test(labels[index]) ? Number(labels[index]) % 2 === 1 : index % 2 === 0;
    const own = odd || !stamp.even ? stamp : stamp.even;
    for (const end of ['head', 'foot'] as const) {
      const line = own[end];
      if (!line?.text.trim()) continue;
      const page = index + 1;
      const text = set(shaper, stamp.cut, filled(line.text.trim(), labels[index], pages.length));
      const wanted = placed(text, line.at, odd, seen, column, stamp.size, end);
      if (!wanted) without.push({ page, end, why: 'long' });
      else if (!painted.known || !painted.ground) without.push({ page, end, why: 'unread' });
      else jobs.push({ index, end, set: text, wanted, free: freeDepths(painted.boxes, seen.height, wanted) });
    }
  }

  const used = new Map<number, string>();
  const placedLines: { job: Job; wanted: Wanted; depth: number }[] = [];
  const moved = new Set<number>();
  for (const end of ['head', 'foot'] as const) {
    const own = jobs.filter((job) => job.end === end);
    const common = commonDepth(own.map(({ free }) => free));
    for (const job of own) {
      const { seen, painted } = chosen[job.index - from + 1];
      const found = atDepth(job, common, painted, seen);
      if (!found) {
        without.push({ page: job.index + 1, end, why: 'full' });
        continue;
      }
      if (found.depth !== common || found.wanted.size < job.wanted.size) moved.add(job.index + 1);
      placedLines.push({ job, ...found });
      for (const { glyph, text } of job.set.letters) if (text !== '' || !used.has(glyph)) used.set(glyph, text);
    }
  }
  if (placedLines.length > 0) {
    const font = embedFont(doc, { cut: stamp.cut, signs: used }, doc.context.largestObjectNumber, shaper, subset);
    if (!font) return fail('font-damaged', { cut: stamp.cut });
    const sign = (glyph: number) => ({ advance: shaper.advanceOf(stamp.cut, glyph), text: used.get(glyph) ?? '' });
    const links: { page: PDFPage; note: PDFRef }[] = [];
    for (const { page, index, seen, painted } of chosen) {
      const own = placedLines.filter(({ job }) => job.index === index);
      if (own.length === 0) continue;
      const key = ownFont(doc, page, font);
      const colour = inkOn(painted.ground);
      const ops = own.flatMap(({ job, wanted, depth }) => {
        const mark = markOf(job.set, wanted, depth, seen, stamp.cut, colour);
        const said = markOps(mark, 0, { font: () => key, image: () => null, sign: (_, glyph) => sign(glyph) });
        const kind = job.end === 'head' ? 'Header' : 'Footer';
        return [`/Artifact << /Type /Pagination /Subtype /${kind} >> BDC`, ...said, 'EMC'];
      });
      append(doc, page, painted, ['q', `${seen.upright.join(' ')} cm`, ...ops, 'Q']);
      for (const { job, wanted, depth } of own)
        for (const link of linksOf(job.set, wanted, depth, seen)) links.push({ page, note: annotate(doc, page, link) });
    }
    if (!tagLinks(doc, links)) notes.push(finding('pdf-links-untagged', 'note', null));
    doc.setModificationDate(new Date(stamp.modified));
    const bytes = new Uint8Array(await doc.save({ useObjectStreams: true, updateFieldAppearances: false }));
    const stamped = new Set(placedLines.map(({ job }) => job.index)).size;
    return ok({
      bytes,
      report: {
        pages: pages.length,
        stamped,
        moved: [...moved].sort((a, b) => a - b),
        without,
        links: links.length,
        notes,
      },
    });
  }
  return fail('stamp-no-room');
}

/** A line at the depth that all have, else the nearest that is free, else smaller; null where the margin is full. */
function atDepth(
  job: Job,
  common: number | null,
  painted: Painted,
  seen: Seen,
): { wanted: Wanted; depth: number } | null {
  const wish = common ?? 0;
  const near = nearest(job.free, wish);
  if (near !== null) return { wanted: job.wanted, depth: near };
  for (let size = job.wanted.size - 0.5; size >= LEAST_SIZE; size -= 0.5) {
    const middle = (job.wanted.left + job.wanted.right) / 2;
    const half = (job.set.em * size) / 2;
    const wanted = { ...job.wanted, size, left: middle - half, right: middle + half };
    const depth = nearest(freeDepths(painted.boxes, seen.height, wanted), wish);
    if (depth !== null) return { wanted, depth };
  }
  return null;
}

const lineOf = (depth: number, { end }: Wanted, seen: Seen): number => (end === 'head' ? depth : seen.height - depth);

function markOf(
  line: Set,
  wanted: Wanted,
  depth: number,
  seen: Seen,
  cut: CutId,
  colour: Hex,
): TextMark & { tag: null } {
  const { size, left } = wanted;
  let pen = 0;
  const glyphs = line.letters.map(({ glyph, advance, dx, dy, text }) => {
    const made = { glyph, advance: advance * size, x: pen * size, dx: dx * size, dy: dy * size, text };
    pen += advance;
    return made;
  });
  return {
    kind: 'text',
    cut,
    size,
    colour,
    x: left,
    y: lineOf(depth, wanted, seen),
    width: wanted.right - left,
    glyphs,
    link: null,
    divided: false,
    tag: null,
  };
}

type Link = { readonly url: string; readonly rect: [number, number, number, number]; readonly text: string };

/** The addresses of a line as areas of the page. */
function linksOf(line: Set, wanted: Wanted, depth: number, seen: Seen): Link[] {
  const baseline = -lineOf(depth, wanted, seen);
  return addressesIn(line.text).map(({ url, start, end }) => {
    let [pen, at, left, right] = [0, 0, Infinity, 0];
    for (const { advance, text } of line.letters) {
      if (at >= start && at < end) [left, right] = [Math.min(left, pen), pen + advance];
      pen += advance;
      at += text.length;
    }
    const frame = {
      x: wanted.left + left * wanted.size,
      y: baseline - UNDER * wanted.size,
      width: (right - left) * wanted.size,
      height: (OVER + UNDER) * wanted.size,
    };
    const { x, y, width, height } = rectAround(seen.upright, frame);
    return { url, rect: [x, y, x + width, y + height], text: line.text.slice(start, end) };
  });
}

function annotate(doc: PDFDocument, page: PDFPage, { url, rect, text }: Link): PDFRef {
  const { context } = doc;
  const note = context.register(
    context.obj({
      Type: 'Annot',
      Subtype: 'Link',
      F: 4,
      Rect: rect,
      Border: [0, 0, 0],
      Contents: unicodeString(text),
      P: page.ref,
      A: { Type: 'Action', S: 'URI', URI: PDFString.of(addressOf(url)) },
    }),
  );
  const known = page.node.Annots();
  const list = context.obj([...(known ? known.asArray() : []), note]);
  page.node.set(PDFName.of('Annots'), list);
  return note;
}

/** Gives a page a font of its own beside those that it has, under a name that none of them bears. */
function ownFont(doc: PDFDocument, page: PDFPage, font: PDFRef): string {
  const { context } = doc;
  const resources = (page.node.Resources() ?? context.obj({})).clone(context) as PDFDict;
  const fonts = (resources.lookupMaybe(PDFName.of('Font'), PDFDict) ?? context.obj({})).clone(context) as PDFDict;
  let n = 1;
  while (fonts.has(PDFName.of(`Line${n}`))) n++;
  fonts.set(PDFName.of(`Line${n}`), font);
  resources.set(PDFName.of('Font'), fonts);
  page.node.set(PDFName.of('Resources'), resources);
  return `Line${n}`;
}

/** Adds operators after a page's own, which stay in their streams; what those leave open is closed first. */
function append(doc: PDFDocument, page: PDFPage, { open, under }: Painted, ops: readonly string[]): void {
  const { context } = doc;
  const stream = (text: string): PDFRef => context.register(context.flateStream(text));
  const entry = page.node.get(PDFName.of('Contents'));
  const own = page.node.Contents();
  const before = own instanceof PDFArray ? own.asArray() : entry && contentsOf(page).length > 0 ? [entry] : [];
  const closing = `${'Q\n'.repeat(open)}Q\n`;
  page.node.set(
    PDFName.of('Contents'),
    context.obj([stream('q\n'.repeat(1 + under)), ...before, stream(`\n${closing}${ops.join('\n')}`)]),
  );
}
