/** Edits that follow each other later than this are two, ms. */
const PAUSE_MS = 1000;

/**
 * Tells where one gesture ends and the next begins, so that each is one step of the history: a drag ends when the hand
 * lets go, typing when the field is left, and all else after a second of rest.
 */
export class Gestures {
  #number: number;
  #lastMs = -Infinity;
  #held = false;

  /** `first` must be another in each window and visit: steps that were stored are never joined by later ones. */
  constructor(first: number) {
    this.#number = first;
  }

  /** The merge key of an edit that is made now: equal keys within one gesture are one step. */
  key(merge: string, nowMs: number): string {
    if (!this.#held && nowMs - this.#lastMs > PAUSE_MS) this.#number++;
    this.#lastMs = nowMs;
    return `${merge}#${this.#number}`;
  }

  /** The hand goes down: nothing ends until it is lifted, however long it rests. */
  press(): void {
    this.#number++;
    this.#held = true;
  }

  /** The hand is lifted. */
  lift(): void {
    this.#number++;
    this.#held = false;
  }

  /** A field is left; under the hand that says nothing, for pressing is what moves the focus. */
  leave(): void {
    if (!this.#held) this.#number++;
  }
}
