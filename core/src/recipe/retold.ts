import type { Block, Span } from '../booklet';
import type { Hex } from '../colour';
import { eachColour } from '../cover';
import type { Standing, nameFinder } from '../renaming';
import { replaced } from '../renaming';

/** Where in a title something is changed. */
export const TOUCH_PLACES = ['brief', 'front', 'spine', 'back', 'mockups', 'promos', 'booklet'] as const;
export type TouchPlace = (typeof TOUCH_PLACES)[number];

/** What is changed in a title: how many things in each place, which texts, and what was found and is left, since it is doubted. */
export type Touches = {
  readonly places: Readonly<Partial<Record<TouchPlace, number>>>;
  readonly texts: readonly { readonly before: string; readonly after: string }[];
  readonly left: readonly string[];
};

/** As many texts of a title are told. */
const MOST_TOLD = 12;

type Loose = Record<string, unknown>;
const isLoose = (value: unknown): value is Loose => typeof value === 'object' && value !== null;

/** Writes names, colours and faces anew in drafts of things, and keeps count. */
export class Retold {
  private readonly counts: Partial<Record<TouchPlace, number>> = {};
  private readonly told: { before: string; after: string }[] = [];
  private readonly doubted = new Set<string>();
  private readonly cutsSet = new Set<string>();

  constructor(
    private readonly find: ReturnType<typeof nameFinder>,
    private readonly colourMap: ReadonlyMap<Hex, Hex>,
    private readonly cutOf: (cut: string) => string,
  ) {}

  count(place: TouchPlace): void {
    this.counts[place] = (this.counts[place] ?? 0) + 1;
  }

  /** Whether any words were set in this cut. */
  sets = (cut: string): boolean => this.cutsSet.has(cut);

  touches = (): Touches => ({ places: this.counts, texts: this.told.slice(0, MOST_TOLD), left: [...this.doubted] });

  private text(source: string, place: TouchPlace, standing: Standing): string {
    if (source === '') return source;
    const hits = this.find(source, standing);
    // A page of a site goes where the site goes; a mail address at it may stay where it is.
    const meant = hits.filter(({ sure, manner }) => sure || manner === 'page');
    for (const hit of hits)
      if (!meant.includes(hit)) this.doubted.add(wordAt(source, hit.start, hit.end).replace(/^mailto:/i, ''));
    if (meant.length === 0) return source;
    const after = replaced(source, meant);
    this.count(place);
    this.told.push({ before: near(source, meant[0].start), after: near(after, meant[0].start) });
    return after;
  }

  /** Lets a field say something else altogether. */
  say<F extends string>(thing: Record<F, string>, field: F, next: string, place: TouchPlace): void {
    this.count(place);
    if (thing[field].trim() !== '') this.told.push({ before: thing[field].trim(), after: next });
    thing[field] = next;
  }

  /** Texts of a thing, by the names of its fields; what is no text is left. A word of `prose` may be any word, in a `label` it is the name. */
  texts<T extends object>(
    thing: T,
    fields: readonly (keyof T)[],
    place: TouchPlace,
    standing: Standing = 'prose',
  ): void {
    for (const field of fields) {
      const now: unknown = thing[field];
      if (typeof now !== 'string') continue;
      const next = this.text(now, place, standing);
      if (next !== now) Object.assign(thing, { [field]: next });
    }
  }

  colours(thing: object, place: TouchPlace): void {
    if (this.colourMap.size === 0) return;
    eachColour(thing, (hex) => {
      const next = this.colourMap.get(hex);
      if (next === undefined) return hex;
      this.count(place);
      return next;
    });
  }

  cuts<T extends object>(thing: T, fields: readonly (keyof T)[], place: TouchPlace): void {
    for (const field of fields) {
      const now: unknown = thing[field];
      if (typeof now !== 'string') continue;
      const next = this.cutOf(now);
      if (next === now) continue;
      Object.assign(thing, { [field]: next });
      this.cutsSet.add(next);
      this.count(place);
    }
  }

  /** A part, a style of words, or fields of one: its texts, colours and faces. */
  part(thing: object, place: TouchPlace): void {
    const { says, role } = thing as Loose;
    if (isLoose(says)) this.texts(says, ['text'], place, role === 'publisher' ? 'label' : 'prose');
    this.texts(thing as Loose, ['link'], place);
    this.colours(thing, place);
    this.faces(thing as Loose, place);
  }

  private faces(thing: Loose, place: TouchPlace): void {
    const before = thing.cut;
    this.cuts(thing, ['cut'], place);
    // How wide letters are set is an axis of the family that they were of.
    if (thing.cut !== before && typeof thing.wide === 'number') thing.wide = null;
    for (const [name, inner] of Object.entries(thing)) if (name !== 'says' && isLoose(inner)) this.faces(inner, place);
  }

  /** The text of a booklet. */
  blocks(blocks: readonly Block[], place: TouchPlace): void {
    const spans = (some: readonly Span[]): void => {
      for (const span of some) {
        this.texts(span, ['text'], place);
        this.texts(span, ['link'], place);
      }
    };
    for (const block of blocks)
      switch (block.kind) {
        case 'heading':
        case 'paragraph':
          spans(block.spans);
          break;
        case 'picture':
          spans(block.caption);
          this.texts(block, ['alt'], place);
          break;
        case 'table':
          for (const cell of [...block.head, ...block.rows.flat()]) spans(cell);
          break;
        case 'button':
          this.texts(block, ['label', 'url'], place);
          break;
        case 'list':
          for (const item of block.items) this.blocks(item.blocks, place);
          break;
        case 'quote':
        case 'tip':
          this.blocks(block.blocks, place);
          break;
        case 'pause':
          break;
      }
  }
}

/** The signs without a gap among which a place stands. */
function wordAt(text: string, start: number, end: number): string {
  const before = /\S*$/.exec(text.slice(0, start))?.[0] ?? '';
  const after = /^\S*/.exec(text.slice(end))?.[0] ?? '';
  return `${before}${text.slice(start, end)}${after}`.replace(/^[(“"']+|[)”"'.,;:!?]+$/g, '');
}

const AROUND = 40;

/** A text round about a place, on one line. */
function near(text: string, at: number): string {
  const [from, to] = [Math.max(0, at - AROUND), Math.min(text.length, at + 2 * AROUND)];
  const line = text.slice(from, to).replace(/\s+/g, ' ').trim();
  return `${from > 0 ? '… ' : ''}${line}${to < text.length ? ' …' : ''}`;
}
