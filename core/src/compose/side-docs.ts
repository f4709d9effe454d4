import type { Brief } from '../book';
import type { Hex } from '../colour';
import { type Doc, type PartSeed, docOf, evenStops, newGround, newWords } from '../cover';
import { BLURB, blurbSize } from './back';
import { edgeAt, edgeInk, heldApart } from './edge';
import { spineNeeds, spinePlan, voice } from './spine';

type Size = { readonly widthPx: number; readonly heightPx: number };

/** What a side's ground is painted with while it follows the edge of the front, held apart from the words that stand on it. */
export function edgeFill(edge: readonly Hex[], parts: readonly PartSeed[]) {
  const words = parts.flatMap((part) =>
    part.kind === 'words' && !part.hidden
      ? [{ from: part.area.y, to: part.area.y + part.area.height, colour: part.colour }]
      : [],
  );
  return { kind: 'linear', angleRad: Math.PI / 2, stops: evenStops(heldApart(edge, words)) } as const;
}

const ground = (edge: readonly Hex[], words: readonly PartSeed[]): PartSeed => ({
  ...newGround(edge[0], { paint: edgeFill(edge, words) }),
  id: 'ground',
});

/** The automatic spine as parts that can be changed: title and author down it, the publisher's mark and the number. */
export function spineDoc(front: Doc, brief: Brief, edge: readonly Hex[], size: Size): Doc {
  const { widthPx: w, heightPx: h } = size;
  const plan = spinePlan(brief);
  const across = Math.min(0.58, (h * 0.05) / w);
  const down = (role: 'title' | 'byline', [from, to]: readonly [number, number], share: number): PartSeed => {
    const { cut, colour, upper, tracking, foil } = voice(front, role, edgeAt(edge, from, to));
    return {
      ...newWords({
        role,
        says: { kind: 'brief', field: role === 'title' ? 'title' : 'author' },
        area: { x: 0.5 - (across * share) / 2, y: from, width: across * share, height: to - from },
        cut,
        colour,
        upper,
        tracking,
        leading: 1,
        setting: 'down',
        maxSize: across * share,
        align: role === 'title' ? 'left' : 'right',
        support: 'none',
        foil,
      }),
      id: role,
    };
  };
  const upright = (
    role: 'publisher' | 'free',
    says: Extract<PartSeed, { kind: 'words' }>['says'],
    y: number,
  ): PartSeed => {
    const { cut, colour } = voice(front, 'byline', edgeAt(edge, y, Math.min(1, y + 0.04)));
    const area = { x: 0.15, y, width: 0.7, height: Math.min(role === 'publisher' ? 0.02 : 0.03, (0.7 * w) / h) };
    return newWords({ role, says, area, cut, colour, maxSize: across, support: 'none' });
  };
  const words = [
    down('title', plan.title, 1),
    ...(plan.author ? [down('byline', plan.author, 0.54)] : []),
    ...(plan.mark
      ? [{ ...upright('publisher', { kind: 'own', text: plan.mark.initials }, plan.mark.at), id: 'mark' }]
      : []),
    ...(plan.number === null
      ? []
      : [{ ...upright('free', { kind: 'brief', field: 'number' }, plan.number), id: 'number' }]),
  ];
  return docOf(w, h, [ground(edge, words), ...words]);
}

/** The automatic back as parts that can be changed: strapline, text and website. */
export function backDoc(front: Doc, brief: Brief, edge: readonly Hex[], size: Size): Doc {
  const [, titleCut, bylineCut] = spineNeeds(front);
  const words = (
    role: 'strapline' | 'blurb' | 'website',
    cut: string,
    y: number,
    height: number,
    maxSize: number,
  ): PartSeed => ({
    ...newWords({
      role,
      says: { kind: 'brief', field: role },
      area: { x: 0.16, y, width: 0.68, height },
      cut,
      colour: edgeInk(null, edgeAt(edge, y, y + height)),
      leading: role === 'blurb' ? 1.4 : 1.2,
      maxSize,
      ...(role === 'blurb' && { alignY: 'top', align: 'left', size: blurbSize(brief.blurb, size) }),
      support: 'none',
    }),
    id: role,
  });
  const text = brief.blurb.trim() !== '';
  const all = [
    words('strapline', titleCut, text ? 0.09 : 0.2, text ? 0.13 : 0.2, 0.075),
    words('blurb', bylineCut, BLURB.y, BLURB.height, 0.04),
    words('website', bylineCut, 0.9, 0.03, 0.03),
  ];
  return docOf(size.widthPx, size.heightPx, [ground(edge, all), ...all]);
}
