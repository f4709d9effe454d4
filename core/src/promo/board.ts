import type { Hex } from '../colour';
import { quietestPlace, setWords } from '../compose';
import {
  type Area,
  type PartSeed,
  type PictureSource,
  type WordsPart,
  newGround,
  newPicture,
  newShape,
  newWords,
  plainLook,
} from '../cover';
import type { Rect } from '../plane';
import { type Block, readsRightToLeft } from '../text';
import { type Align, type Column, type ColumnAsk, setColumn } from './column';
import type { Slot } from './message';
import { type PromoSetting, linkOf } from './setting';
import type { ShotId } from './shots';
import { type Tone, printEnds } from './tones';

export type Inks = { readonly head: Hex; readonly line: Hex; readonly plate: Hex; readonly onPlate: Hex };

/** x-height, CSS px, that a word of this contrast needs at the width at which it is seen (see `readsFrom`). */
const READS = 5.7;

/** Where a promo is composed: in pixels of its format, with words measured as they are set. */
export class PromoBoard {
  readonly w: number;
  readonly h: number;
  /** Width by height. */
  readonly ratio: number;
  /** Geometric mean of the sides. */
  readonly mean: number;
  readonly margin: number;
  /** Where words may stand: inside the margins and clear of what others lay over. */
  readonly safe: Rect;
  readonly #least = new Map<string, number>();

  constructor(readonly s: PromoSetting) {
    const { widthPx, heightPx, zones } = s.format;
    this.w = widthPx;
    this.h = heightPx;
    this.ratio = widthPx / heightPx;
    this.mean = Math.sqrt(widthPx * heightPx);
    this.margin = Math.min(0.068 * this.mean, 0.105 * Math.min(widthPx, heightPx));
    const edge = (zone: number, side: number): number => Math.max(this.margin, zone * side + this.margin * 0.35);
    const [x, y] = [edge(zones.left, widthPx), edge(zones.top, heightPx)];
    this.safe = {
      x,
      y,
      width: widthPx - x - edge(zones.right, widthPx),
      height: heightPx - y - edge(zones.bottom, heightPx),
    };
  }

  get tone(): Tone {
    return this.s.tone;
  }
  get inks(): Inks {
    const { ink, soft, plate, onPlate } = this.tone;
    return { head: ink, line: soft, plate, onPlate };
  }
  /** Inks on the second surface. */
  get blockInks(): Inks {
    const { onBlock, blockPlate, onBlockPlate } = this.tone;
    return { head: onBlock, line: onBlock, plate: blockPlate, onPlate: onBlockPlate };
  }
  /** Where words run from right to left, what is ranged left is ranged right. */
  get rightToLeft(): boolean {
    return readsRightToLeft(this.text('headline') || this.text('line'));
  }
  get wide(): boolean {
    return this.ratio > 1.22;
  }
  get strip(): boolean {
    return this.ratio > 2.2;
  }

  text(slot: Slot): string {
    return this.s.slots[slot]?.trim() ?? '';
  }
  has(...slots: readonly Slot[]): boolean {
    return slots.some((slot) => this.text(slot) !== '');
  }

  area({ x, y, width, height }: Rect): Area {
    const kept = (v: number): number => Math.max(0.002, Math.min(8, v));
    return { x: x / this.w, y: y / this.h, width: kept(width / this.w), height: kept(height / this.h) };
  }

  /** Least size, px, at which a face is read where this format is seen. */
  least(cut: string): number {
    const known = this.#least.get(cut);
    if (known !== undefined) return known;
    const part = newWords({
      role: 'free',
      says: { kind: 'own', text: 'x' },
      area: { x: 0, y: 0, width: 1, height: 1 },
      cut,
      colour: '#000000',
      size: 0.1,
    });
    const block = setWords(part, 'noxe', { x: 0, y: 0, width: this.w, height: this.h }, this.w, this.s.shaper);
    const share = block.xHeightPx / Math.max(1, block.sizePx) || 0.45;
    const least = (READS * this.w) / this.s.format.displayPx / Math.max(0.25, share);
    this.#least.set(cut, least);
    return least;
  }

  /** Usual size of lines under a headline, px. */
  get small(): number {
    return Math.max(this.least(this.s.faces.text), 0.027 * this.mean);
  }

  /** Words of a slot as a part, at most `size` px, in a place. */
  words(slot: Slot, place: Rect, size: number, more: Partial<WordsPart>): Omit<WordsPart, 'order' | 'id'> {
    const { faces } = this.s;
    const head = slot === 'headline';
    const call = slot === 'call';
    const text = this.text(slot);
    const upper = head && faces.upper && text.length <= 32 && !this.rightToLeft;
    return newWords({
      role: head ? 'headline' : call ? 'call' : slot === 'link' ? 'website' : 'free',
      says: { kind: 'own', text },
      area: this.area(place),
      cut: head ? faces.head : call || slot === 'badge' ? faces.strong : faces.text,
      colour: head ? this.inks.head : this.inks.line,
      maxSize: Math.min(2, size / this.w),
      leading: head ? (upper ? 1.06 : 1.02) : 1.28,
      tracking: upper ? 0.02 : head ? -0.004 : call ? 0.01 : 0,
      upper,
      support: 'none',
      link: call ? linkOf(this.text('link')) : slot === 'link' ? linkOf(text) : null,
      ...more,
    });
  }

  measure(part: Omit<WordsPart, 'order' | 'id'>, place: Rect): Block {
    const text = part.says.kind === 'own' ? part.says.text : '';
    return setWords(part, text, place, this.w, this.s.shaper);
  }

  /** Words under each other in a place, as large as they can be; what cannot be read there is left out and named. null where not even the most important fits. */
  column(place: Rect, ask: ColumnAsk = {}): Column | null {
    return setColumn(this, place, ask);
  }

  /** The area of a shot's picture with which its things fill a place as far as they can, and where they come to be. */
  book(
    shot: ShotId,
    place: Rect,
    at: { readonly x?: number; readonly y?: number; readonly grow?: number; readonly id?: string } = {},
  ): { part: PartSeed; box: Rect } {
    const box = this.s.box(shot);
    const k = Math.min(place.width / box.width, place.height / box.height) * (at.grow ?? 1);
    const [width, height] = [box.width * k, box.height * k];
    const x = place.x + (place.width - width) * (at.x ?? 0.5);
    const y = place.y + (place.height - height) * (at.y ?? 0.5);
    const part = newPicture(
      { kind: 'shot', shot, set: null },
      { area: this.area({ x: x - box.x * k, y: y - box.y * k, width: k, height: k }), fit: 'whole' },
    );
    return { part: { ...part, id: at.id ?? 'book' }, box: { x, y, width, height } };
  }

  /** The flat cover in a place: whole, with a shadow. */
  flat(place: Rect, at: { readonly x?: number; readonly y?: number } = {}): { part: PartSeed; box: Rect } {
    const { ratio } = this.s.cover;
    const width = Math.min(place.width, place.height / ratio);
    const box = {
      x: place.x + (place.width - width) * (at.x ?? 0.5),
      y: place.y + (place.height - width * ratio) * (at.y ?? 0.5),
      width,
      height: width * ratio,
    };
    const soft = {
      dx: 0,
      dy: (0.012 * this.mean) / this.w,
      blur: Math.min(0.2, (0.02 * this.mean) / this.w),
      opacity: 0.42,
    };
    const part = newPicture(
      { kind: 'cover', bare: false },
      { area: this.area(box), fit: 'whole', shadow: { ...soft, colour: '#000000' } },
    );
    return { part: { ...part, id: 'book' }, box };
  }

  /** The ground: by the look, or by what the campaign has behind it. `at` is the middle of its light, fractions. */
  ground(at: { readonly x: number; readonly y: number } = { x: 0.5, y: 0.5 }, flat = false): PartSeed[] {
    const { backing, tone } = this.s;
    const { ground, centre } = tone;
    const halo = {
      kind: 'radial' as const,
      centre: at,
      reach: 1,
      stops: [
        { at: 0, colour: centre },
        { at: 1, colour: ground },
      ],
    };
    const base: PartSeed = { ...newGround(ground, flat ? {} : { paint: halo }), id: 'ground' };
    switch (backing.kind) {
      case 'look':
      case 'tone':
        return [base];
      case 'cover':
        return [base, this.print({ kind: 'cover', bare: true }, 0.035)];
      case 'picture':
        return [base, this.print({ kind: 'asset', asset: backing.asset }, 0.004)];
    }
  }

  /** A picture over the whole, printed between two tones on which the words read. */
  print(source: PictureSource, blur: number, more: { readonly place?: Rect; readonly amount?: number } = {}): PartSeed {
    const ends = printEnds(this.tone);
    const tint = { ...ends, amount: more.amount ?? 1 };
    const place = more.place ?? { x: 0, y: 0, width: this.w, height: this.h };
    // A little over the edge, so that a blurred rim never shows.
    const over = more.place ? 0 : 0.03 * Math.max(place.width, place.height);
    const area = this.area({
      x: place.x - over,
      y: place.y - over,
      width: place.width + 2 * over,
      height: place.height + 2 * over,
    });
    return { ...newPicture(source, { area, look: { ...plainLook, tint, blur } }), id: 'backdrop' };
  }

  /** A flat shape in a place. */
  plate(id: string, place: Rect, colour: Hex, radius = 0): PartSeed {
    return {
      ...newShape({ kind: 'rectangle', radius }, { role: 'plate', area: this.area(place), colour }),
      id,
    };
  }

  /** Diameter of the seal, px; 0 where there is none. */
  get seal(): number {
    return this.has('badge') ? Math.max(0.165 * this.mean, this.least(this.s.faces.strong) * 4.2) : 0;
  }

  /** A seal with the badge's words about a point; nothing where there are none. `size` is its diameter, px. */
  badge(x: number, y: number, size: number, form: 'round' | 'burst' | 'seal' = 'round'): PartSeed[] {
    if (!this.has('badge')) return [];
    const { plate, onPlate } = this.inks;
    const r = size / 2;
    const edge = this.margin * 0.28;
    const [top, bottom] = [
      Math.max(edge, this.s.format.zones.top * this.h),
      Math.max(edge, this.s.format.zones.bottom * this.h),
    ];
    const cx = Math.min(this.w - edge - r, Math.max(edge + r, x));
    const cy = Math.min(this.h - bottom - r, Math.max(top + r, y));
    const box = { x: cx - r, y: cy - r, width: size, height: size };
    const inner = { x: cx - r * 0.72, y: cy - r * 0.5, width: r * 1.44, height: r };
    const part = this.words('badge', inner, size * 0.34, { colour: onPlate, leading: 1.05, align: 'centre' });
    const block = this.measure(part, inner);
    if (block.overflows || block.sizePx < this.least(this.s.faces.strong)) return [];
    const kind =
      form === 'burst'
        ? ({ kind: 'burst', points: 18, depth: 0.12 } as const)
        : form === 'seal'
          ? ({ kind: 'badge', scallops: 22, ring: true } as const)
          : ({ kind: 'ellipse' } as const);
    return [
      { ...newShape(kind, { role: 'plate', area: this.area(box), colour: plate }), id: 'badge-plate' },
      { ...part, id: 'badge', maxSize: block.sizePx / this.w },
    ];
  }

  /** The point of the cover without its words about which most goes on, fractions: what a crop keeps in view. */
  get subject(): { x: number; y: number } {
    const { map } = this.s.cover;
    if (!map) return { x: 0.5, y: 0.5 };
    let [sum, sx, sy] = [1e-9, 0, 0];
    map.cells.forEach((busy, i) => {
      const weight = busy * busy;
      sum += weight;
      sx += weight * ((i % map.columns) + 0.5);
      sy += weight * (Math.floor(i / map.columns) + 0.5);
    });
    return { x: Math.min(1, sx / sum / map.columns), y: Math.min(1, sy / sum / map.rows) };
  }

  /** Where on the cover without its words a block of words stands calmest; null where that is not known or nowhere calm. */
  calm(box: { readonly width: number; readonly height: number }): { x: number; y: number; align: Align } | null {
    const { map } = this.s.cover;
    return map && quietestPlace(map, box, { x: 0.06, y: 0.06 });
  }
}
