import type { Hex } from '../colour';
import type { Doc, Part } from '../cover';
import type { Book } from '../project';
import { familyOf } from '../text';
import { coloursOfFront } from './carry-front';

/** What the volumes of a series may have in common. */
export const SHARED_FACTS = ['author', 'publisher', 'website', 'size', 'layout', 'faces', 'spine'] as const;
export type SharedFact = (typeof SHARED_FACTS)[number];

/** Volumes that say the same of a fact. `value` is text to be shown, or a sign that only tells one from another (`layout`, `spine`). */
export type FactGroup = { readonly value: string; readonly ids: readonly string[] };

const round = (n: number): number => Math.round(n * 200) / 200;

/** Where what stands, to half a hundredth of the cover: equal signs, one layout. What words say and what pictures show is each volume's own. */
function layoutOf(doc: Doc): string {
  const placeOf = (part: Part): string => {
    const at = 'area' in part ? [part.area.x, part.area.y, part.area.width, part.area.height].map(round).join(' ') : '';
    const what = part.kind === 'words' ? part.role : part.kind === 'shape' ? part.form.kind : '';
    return `${part.kind} ${what} ${at}`;
  };
  return Object.values(doc.parts)
    .filter((part) => !part.hidden)
    .map(placeOf)
    .sort()
    .join('|');
}

const facesOf = (doc: Doc): string => {
  const cuts = Object.values(doc.parts).flatMap((part) => (part.kind === 'words' && !part.hidden ? [part.cut] : []));
  return [...new Set(cuts.map((cut) => familyOf(cut)?.name ?? 'A font of your own'))].sort().join(', ');
};

function factOf(fact: SharedFact, { brief, cover, sides }: Book): string {
  switch (fact) {
    case 'author':
    case 'publisher':
    case 'website':
      return brief[fact].trim();
    case 'size':
      return `${cover.widthPx} x ${cover.heightPx} px`;
    case 'layout':
      return cover.finished ? 'finished' : layoutOf(cover);
    case 'faces':
      return cover.finished ? '' : facesOf(cover);
    case 'spine':
      return sides.spine ? 'own' : 'front';
  }
}

/** How the volumes stand to a fact: those that say the same together, the most first. One group: they share it. */
export function sharedFact(fact: SharedFact, volumes: readonly Book[]): FactGroup[] {
  const groups = new Map<string, string[]>();
  for (const book of volumes) {
    const value = factOf(fact, book);
    const there = groups.get(value);
    if (there) there.push(book.id);
    else groups.set(value, [book.id]);
  }
  return [...groups].map(([value, ids]) => ({ value, ids })).sort((a, b) => b.ids.length - a.ids.length);
}

/** The colours by which a volume is known: those that cover most of its front, at most `most`. */
export const volumeColours = ({ cover }: Pick<Book, 'cover'>, most: number): Hex[] =>
  [...coloursOfFront(cover)]
    .sort((a, b) => b.weight - a.weight)
    .slice(0, most)
    .map(({ hex }) => hex);
