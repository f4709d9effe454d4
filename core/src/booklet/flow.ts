import { type Path, rectPath } from '../plane';
import type { Shaper } from '../text';
import type { Design } from './design';
import type { Block, Span } from './manuscript';
import { safeLink } from './link';
import type { Mark, PageLink, PageNote, Tag, TagKind } from './page';
import type { Panel, Row } from './rows';
import { type Heard, type SetLine, type SettingOptions, type Spoken, type Voice, setLines } from './setting';

/** Where a block stands: how far from the column's left, how wide, and what it is within. */
export type Place = {
  readonly x: number;
  readonly width: number;
  readonly panels: readonly Panel[];
  readonly tag: number;
  readonly voice: Voice;
  /** On a dark field. */
  readonly deep: boolean;
};

export type Chapters = {
  /** The level of headings that are chapters; null where the text has none. */
  readonly level: 1 | 2 | 3 | null;
  /** Whether each begins a page. */
  readonly open: boolean;
};

/** What was found on the way, with the row at which: its page is known once there are pages. */
export type Met = { readonly row: number; readonly note: (page: number) => PageNote };

const ORPHAN = Infinity;
const AFTER_HYPHEN = 60;
const WITHIN = 8;

/** A place for what is heard of words that are only tried. */
export const nothingHeard = (): Heard => ({ missing: new Set(), cut: new Set() });

/** Turns blocks into rows of lines, and into the structure that is read aloud. */
export class Flow {
  readonly rows: Row[] = [];
  readonly tags: Tag[] = [{ kind: 'Document', parent: -1 }];
  readonly met: Met[] = [];
  readonly heard: Heard = nothingHeard();
  #keep = 0;
  #panels = 0;
  #block: number | null = null;
  #chapters = 0;
  /** White that the next row has before it. */
  #gap = 0;
  /** What comes next stands at the height of a heading in the side. */
  #flush = false;
  #forced = false;

  constructor(
    readonly shaper: Shaper,
    readonly design: Design,
    readonly chapters: Chapters,
    /** Lays out a block, for those that hold others. */
    readonly put: (flow: Flow, block: Block, place: Place, before: Block | null) => void = () => {},
  ) {}

  /** Where the column begins, with nothing around it. */
  top(): Place {
    const { width } = this.design.column;
    return { x: 0, width, panels: [], tag: 0, voice: this.voice('text'), deep: false };
  }

  /** What is laid out from here on comes from this block of the text. */
  from(block: number): void {
    this.#block = block;
  }

  /** The next row stays on the page of the one before it; `false` lets go of that. */
  keepNext(keep = true): void {
    this.#keep = keep ? 1 : 0;
  }

  /** No white before what comes next. */
  close(): void {
    this.#gap = 0;
  }

  /** The next row stands beside the one before it. */
  beside(): void {
    this.#flush = true;
  }

  /** The next row begins a page, unless nothing is before it. */
  newPage(): void {
    this.#forced = this.rows.length > 0;
  }

  panel(kind: Panel['kind'], { x, width }: Place): Panel {
    return { id: ++this.#panels, kind, x, width };
  }

  /** How many chapters have begun, this one too. */
  nextChapter(): number {
    return ++this.#chapters;
  }

  get chapter(): number {
    return this.#chapters;
  }

  tag(kind: TagKind, parent: number, alt?: string): number {
    this.tags.push(alt === undefined ? { kind, parent } : { kind, parent, alt });
    return this.tags.length - 1;
  }

  voice(
    kind: 'text' | 'italic' | 'bold' | 'display',
    size = this.design.size,
    colour = this.design.colours.ink,
  ): Voice {
    return { cut: this.design.cuts[kind], size, colour, tracking: 0 };
  }

  /** White before what comes next: the widest that anybody asked for. */
  gap(steps: number): void {
    if (!this.#flush) this.#gap = Math.max(this.#gap, steps);
  }

  push(row: Partial<Row> & Pick<Row, 'height' | 'marks'>): void {
    const cut = this.#keep > 0 ? Infinity : (row.cut ?? 0);
    if (this.#keep > 0) this.#keep--;
    this.rows.push({
      links: [],
      panels: [],
      block: this.#block,
      heading: null,
      bleeds: false,
      gives: null,
      again: null,
      ...row,
      gap: this.#gap,
      cut: this.#forced ? -Infinity : cut,
    });
    this.#gap = 0;
    this.#flush = false;
    this.#forced = false;
  }

  /** Spans in a voice: italics and bold by their cuts, links in the accent. */
  spoken(spans: readonly Span[], voice: Voice, deep = false): Spoken[] {
    const { cuts, colours } = this.design;
    return spans.map(({ text, em, strong, link }) => ({
      text,
      // A text that was stored elsewhere may lead anywhere.
      link: link === null ? null : safeLink(link),
      voice: {
        ...voice,
        cut: strong ? cuts.bold : em ? (voice.cut === cuts.italic ? cuts.text : cuts.italic) : voice.cut,
        colour: link && !deep ? colours.accent : voice.colour,
      },
    }));
  }

  /** Tells of what is laid out next. */
  meet(note: Met['note']): void {
    this.met.push({ row: this.rows.length, note });
  }

  lines(
    spoken: readonly Spoken[],
    options: Partial<SettingOptions> & { readonly width: number },
    heard: Heard = this.heard,
  ): readonly SetLine[] {
    const syllables =
      options.align === 'filled' || options.width < this.design.size * 13 ? this.design.dress.syllables : null;
    return setLines(this.shaper, spoken, { align: 'left', syllables, indent: 0, ...options }, heard);
  }

  /** Marks of a line at a place, from the column's left and the row's top. */
  at(line: SetLine, x: number, y: number, tag: number | null): Mark[] {
    return line.marks.flatMap((mark): Mark[] => {
      const { size, colour, width, link } = mark;
      const set: Mark = { ...mark, x: mark.x + x, y, tag };
      // A link is seen without its colour too.
      const under = { x: mark.x + x, y: y + size * 0.14, width, height: Math.max(0.4, size * 0.045) };
      return link === null ? [set] : [set, fill(rectPath(under), colour)];
    });
  }

  /** Links of marks, once for each run: only where they lead anywhere. */
  links(marks: readonly Mark[]): PageLink[] {
    return marks.flatMap((mark): PageLink[] => {
      if (mark.kind !== 'text' || mark.link === null) return [];
      const { x, y, width, size, link, tag } = mark;
      const label = mark.glyphs.map(({ text }) => text).join('');
      return [
        { rect: { x, y: y - size * 0.95, width, height: size * 1.25 }, tag, to: { kind: 'url', url: link }, label },
      ];
    });
  }

  /** Where the baseline of text stands within its row. */
  baseline(leading = this.design.leading): number {
    return leading * 0.76;
  }

  /** One row a line, with the breaks that a paragraph allows. */
  lineRows(
    lines: readonly SetLine[],
    place: Place,
    tag: number,
    first: { readonly marks?: readonly Mark[] } = {},
  ): void {
    const n = lines.length;
    const height = place.voice.size > this.design.size * 1.2 ? 3 : 2;
    lines.forEach((line, i) => {
      const marks = this.at(line, place.x, this.baseline(height * this.design.step), tag);
      const lonely = i === 1 || i === n - 1;
      const cut = i === 0 ? 0 : lonely ? ORPHAN : WITHIN + (lines[i - 1].divided ? AFTER_HYPHEN : 0);
      this.push({
        height,
        cut,
        marks: i === 0 ? [...(first.marks ?? []), ...marks] : marks,
        links: this.links(marks),
        panels: place.panels,
      });
    });
  }
}

export const fill = (path: Path, colour: string, opacity = 1): Mark => ({
  kind: 'fill',
  path,
  colour,
  opacity,
  tag: null,
});
