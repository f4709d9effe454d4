import { z } from 'zod';

/** A plain drawing of one thing: an outline in a box 1000 high and `ratio` times as wide, filled by non-zero winding. */
export type Drawn = {
  readonly id: string;
  readonly words: readonly string[];
  readonly ratio: number;
  readonly d: string;
  /** The line that its licence wants to see; left out where none is due. */
  readonly credit?: string;
};

/** Symbols as one drawing of these outlines, with the credit that is due for them. */
export function drawnForm(of: readonly Drawn[], ratio: number, outlines: readonly string[]) {
  const credit = [...new Set(of.flatMap((one) => one.credit ?? []))].join('; ');
  const paths = outlines.map((d) => ({ d, colour: null }));
  return { kind: 'drawn' as const, ratio, paths, ...(credit ? { credit } : {}) };
}

const File = z.array(
  z.object({
    id: z.string().regex(/^[a-z0-9-]{1,40}$/),
    words: z.array(z.string().max(60)).max(60),
    ratio: z.number().min(0.02).max(50),
    d: z.string().min(4).max(40_000),
  }),
);

/** The symbols that ship, by name and in their order. */
export type Symbols = ReadonlyMap<string, Drawn>;

export const noSymbols: Symbols = new Map();

/** Reads the file of the symbols that ship; throws where it is damaged. */
export const readSymbols = (raw: unknown): Symbols => new Map(File.parse(raw).map((one) => [one.id, one]));
