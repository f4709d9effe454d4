/** Lets a few through at a time; a few more wait, and all others are turned away at once, so that memory stays bounded. */
export class Gate {
  #inside = 0;
  readonly #waiting: (() => void)[] = [];

  constructor(
    readonly most: number,
    readonly mostWaiting: number,
  ) {}

  /** Resolves to a way out, or to null where too many wait already. Call the way out once. */
  async enter(): Promise<(() => void) | null> {
    if (this.#inside < this.most) this.#inside++;
    else {
      if (this.#waiting.length >= this.mostWaiting) return null;
      await new Promise<void>((resolve) => this.#waiting.push(resolve));
    }
    let left = false;
    return () => {
      if (left) return;
      left = true;
      // The place goes straight to whoever waits longest.
      const next = this.#waiting.shift();
      if (next) next();
      else this.#inside--;
    };
  }
}

/** One at a time for each client, however many it sends at once. */
export class Clients {
  readonly #gates = new Map<string, { gate: Gate; inside: number }>();

  constructor(readonly mostWaiting: number) {}

  /** The same for one client: a way out, or null where too many of its own wait. */
  async enter(client: string): Promise<(() => void) | null> {
    const known = this.#gates.get(client) ?? { gate: new Gate(1, this.mostWaiting), inside: 0 };
    this.#gates.set(client, known);
    known.inside++;
    const leave = await known.gate.enter();
    const gone = (): void => {
      if (--known.inside === 0) this.#gates.delete(client);
    };
    if (!leave) {
      gone();
      return null;
    }
    return () => {
      leave();
      gone();
    };
  }
}
