import { orderKeys } from '../base';
import { z } from 'zod';
import { PageGuides } from './guides';
import { Part, WordsStyle } from './parts';

/** Margin of the safe area, as a share of the width: what must be read stays within it. */
export const SAFE = 0.04;

/** A flat composition: a cover front or a promotional graphic. Parts are keyed by id and sorted by their order key. */
export const Doc = z.object({
  widthPx: z.number().int().min(16).max(10_000),
  heightPx: z.number().int().min(16).max(10_000),
  /** True for a cover file that somebody else finished: it is the front as it is. */
  finished: z.boolean(),
  parts: z.record(z.string(), Part).refine((parts) => Object.keys(parts).length <= 500),
  /** Looks of words that have a name, by id. Older documents do not say it. */
  styles: z
    .record(z.string(), WordsStyle)
    .refine((styles) => Object.keys(styles).length <= 60)
    .default({}),
  /** What groups are called, by the group; one without a name says how many parts it holds. Older documents do not say it. */
  groups: z
    .record(z.string().max(40), z.string().min(1).max(60))
    .refine((groups) => Object.keys(groups).length <= 250)
    .default({}),
  /** What it is worked by; null for nothing but its edges. Older documents do not say it. */
  guides: PageGuides.nullable().default(null),
});
export type Doc = z.infer<typeof Doc>;

/** Parts from back to front. */
export function inOrder(doc: Doc): Part[] {
  return Object.values(doc.parts).sort((a, b) =>
    a.order < b.order ? -1 : a.order > b.order ? 1 : a.id < b.id ? -1 : 1,
  );
}

/** A document without what no painter reads, for keys: a part that was named, locked or given a style paints as before. */
export const paintedDoc = (doc: Doc): unknown => ({
  widthPx: doc.widthPx,
  heightPx: doc.heightPx,
  finished: doc.finished,
  parts: Object.fromEntries(
    Object.entries(doc.parts).map(([id, part]) => [
      id,
      { ...part, name: '', locked: false, ...(part.kind === 'words' && { style: null }) },
    ]),
  ),
});

/** A document of these parts, back to front; ids and order keys are given here. */
export function docOf(widthPx: number, heightPx: number, parts: readonly PartSeed[], finished = false): Doc {
  const keyed: Record<string, Part> = {};
  const keys = orderKeys(parts.length);
  parts.forEach((part, i) => {
    const full = { ...part, id: part.id ?? `${part.kind}-${i}`, order: keys[i] } as Part;
    keyed[full.id] = full;
  });
  return { widthPx, heightPx, finished, parts: keyed, styles: {}, groups: {}, guides: null };
}

type Seed<P> = P extends Part ? Omit<P, 'id' | 'order'> & { id?: string } : never;
export type PartSeed = Seed<Part>;
