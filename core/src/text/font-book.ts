/** One file of a family. `id` is "family/weight" or "family/weight-italic". */
export type Cut = { readonly id: CutId; readonly weight: number; readonly italic: boolean; readonly file: string };
export type CutId = string;

/** What a family suits, in our own groups. */
export type FaceGroup = 'storied' | 'stately' | 'carved' | 'plain' | 'loud';

export type Family = {
  readonly id: string;
  readonly name: string;
  readonly group: FaceGroup;
  readonly cuts: readonly Cut[];
};

function family(id: string, name: string, group: FaceGroup, styles: readonly string[]): Family {
  const cuts = styles.map((style) => ({
    id: `${id}/${style}`,
    weight: parseInt(style, 10),
    italic: style.endsWith('italic'),
    file: `${id}/${style}.ttf`,
  }));
  return { id, name, group, cuts };
}

/** The families that ship, each with its licence beside its files in assets/fonts. */
export const FAMILIES: readonly Family[] = [
  family('cormorant-garamond', 'Cormorant Garamond', 'storied', ['500', '500-italic', '600', '700']),
  family('spectral', 'Spectral', 'storied', ['400', '400-italic', '700']),
  family('libre-baskerville', 'Libre Baskerville', 'storied', ['400', '400-italic', '700']),
  family('fraunces', 'Fraunces', 'storied', ['500', '500-italic', '800']),
  family('playfair-display', 'Playfair Display', 'stately', ['500', '500-italic', '800']),
  family('dm-serif-display', 'DM Serif Display', 'stately', ['400', '400-italic']),
  family('cinzel', 'Cinzel', 'carved', ['500', '700']),
  family('marcellus', 'Marcellus', 'carved', ['400']),
  family('jost', 'Jost', 'plain', ['400', '600']),
  family('montserrat', 'Montserrat', 'plain', ['500', '800']),
  family('josefin-sans', 'Josefin Sans', 'plain', ['400', '600']),
  family('oswald', 'Oswald', 'loud', ['400', '600']),
  family('bebas-neue', 'Bebas Neue', 'loud', ['400']),
  family('noto-serif', 'Noto Serif', 'storied', ['400', '400-italic', '700']),
];

/** Set where a family lacks a letter. */
export const FALLBACK_CUT: CutId = 'noto-serif/400';

const CUTS = new Map(FAMILIES.flatMap((f) => f.cuts.map((cut) => [cut.id, { family: f, cut }] as const)));

export const findCut = (id: CutId): { family: Family; cut: Cut } | undefined => CUTS.get(id);

export const familyOf = (cutId: CutId): Family | undefined => CUTS.get(cutId)?.family;

/** The italic of the nearest weight in the same family, or the cut itself where there is none. */
export function italicOf(cutId: CutId): CutId {
  const found = findCut(cutId);
  const italics = found?.family.cuts.filter((cut) => cut.italic) ?? [];
  if (!found || italics.length === 0) return cutId;
  const away = (cut: Cut): number => Math.abs(cut.weight - found.cut.weight);
  return italics.reduce((best, cut) => (away(cut) < away(best) ? cut : best)).id;
}
