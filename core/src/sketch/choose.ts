import type { Lab } from '../colour';
import type { Sketch, Tones } from './sketch';
import { toneDistance } from './tones';

/** What two covers of a sheet are told apart by. `look` is the cover at 8 x 12 px, OKLab. */
export type Traits = { readonly sketch: Sketch; readonly look: readonly Lab[] };

export const LOOK = { columns: 8, rows: 12 } as const;

/** How much two covers of one sheet must differ, 0..1 (see `difference`). */
export const LEAST_DIFFERENCE = 0.3;
/** The same among covers of one family, where parts are kept on purpose. */
export const LEAST_ALIKE = 0.06;

const tonesApart = (a: Tones, b: Tones): number =>
  (2 * toneDistance(a.ground, b.ground) + toneDistance(a.block, b.block) + toneDistance(a.accent, b.accent)) / 4;

/**
 * How different two covers are, 0..1: their structure (0.3), colours (0.25), faces (0.15), and what one sees from afar
 * (0.3, mean OKLab distance of 8 x 12 fields).
 */
export function difference(a: Traits, b: Traits): number {
  const structure = a.sketch.structure === b.sketch.structure ? (a.sketch.turn === b.sketch.turn ? 0 : 0.35) : 1;
  const colours = Math.min(1, tonesApart(a.sketch.tones, b.sketch.tones) / 0.3);
  const faces = a.sketch.faces.title === b.sketch.faces.title ? 0 : 1;
  let sum = 0;
  a.look.forEach((x, i) => {
    const y = b.look[i];
    sum += Math.hypot(x[0] - y[0], x[1] - y[1], x[2] - y[2]);
  });
  const seen = Math.min(1, sum / a.look.length / 0.25);
  return 0.3 * structure + 0.25 * colours + 0.15 * faces + 0.3 * seen;
}

/** How many places back no structure comes again: the covers around one on a sheet of up to six columns. */
const AROUND = 7;
/** How far the grounds of two that follow each other are apart, OKLab, unless their structures leave no choice. */
const NEXT_APART = 0.05;

/**
 * Takes what was made, in the order of the plan, and lets onto the sheet what differs from all that is there and does
 * not stand beside its like. What has to wait comes later, if it can. The outcome depends only on what is offered.
 */
export class Chooser<T extends Traits> {
  readonly chosen: T[] = [];
  #waiting: T[] = [];

  readonly #around: number;

  /** `structures` is how many the plan has: with few of them each comes again sooner. */
  constructor(
    readonly most: number,
    structures: number,
    readonly family = false,
    /** Of how many covers at most one may be without a picture; null where any may. */
    readonly oneWithoutOf: number | null = null,
  ) {
    this.#around = Math.min(AROUND, Math.floor(structures / 2));
  }

  get full(): boolean {
    return this.chosen.length >= this.most;
  }

  /** The covers that come onto the sheet by this offer, in order. */
  offer(made: T): T[] {
    this.#waiting.push(made);
    return this.#take(true);
  }

  /** Those that come onto it once nothing more is made: rather a sheet with fewer pictures than a short one. */
  rest(): T[] {
    return this.#take(false);
  }

  #take(sharing: boolean): T[] {
    const before = this.chosen.length;
    for (let i = 0; i < this.#waiting.length && !this.full;) {
      const one = this.#waiting[i];
      if (this.#alike(one)) this.#waiting.splice(i, 1);
      else if (this.#beside(one) || (sharing && this.#tooPlain(one))) i++;
      else {
        this.#waiting.splice(i, 1);
        this.chosen.push(one);
        i = 0;
      }
    }
    return this.chosen.slice(before);
  }

  #alike(one: T): boolean {
    const least = this.family ? LEAST_ALIKE : LEAST_DIFFERENCE;
    return this.chosen.some((other) => difference(one, other) < least);
  }

  /** Whether as many covers without a picture are there as may be, counted from the first on. */
  #tooPlain(one: T): boolean {
    if (this.oneWithoutOf === null || one.sketch.pictures.length > 0) return false;
    const plain = this.chosen.filter((other) => other.sketch.pictures.length === 0).length;
    return (plain + 1) * this.oneWithoutOf > this.chosen.length + 1;
  }

  #beside(one: T): boolean {
    if (this.family) return false;
    const last = this.#around > 0 ? this.chosen.slice(-this.#around) : [];
    const previous = last[last.length - 1];
    const sameColours = previous && toneDistance(previous.sketch.tones.ground, one.sketch.tones.ground) < NEXT_APART;
    return last.some((other) => other.sketch.structure === one.sketch.structure) || Boolean(sameColours);
  }
}
