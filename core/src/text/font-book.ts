/**
 * One way a family is set. `id` is "family/weight" or "family/weight-italic"; `axes` are the settings of a variable
 * file that several cuts share.
 */
export type Cut = {
  readonly id: CutId;
  readonly weight: number;
  readonly italic: boolean;
  readonly file: string;
  readonly axes: Readonly<Record<string, number>> | null;
};
export type CutId = string;

/** What a family suits, in our own groups. */
export type FaceGroup = 'storied' | 'stately' | 'carved' | 'plain' | 'loud' | 'written' | 'antique' | 'scripts';

export type Family = {
  readonly id: string;
  readonly name: string;
  readonly group: FaceGroup;
  readonly cuts: readonly Cut[];
  /** Percent of its own width between which its letters can be set; null where it has no such axis. */
  readonly widths: readonly [least: number, most: number] | null;
};

function family(id: string, name: string, group: FaceGroup, styles: readonly string[]): Family {
  const cuts = styles.map((style) => ({
    id: `${id}/${style}`,
    weight: parseInt(style, 10),
    italic: style.endsWith('italic'),
    file: `${id}/${style}.ttf`,
    axes: null,
  }));
  return { id, name, group, cuts, widths: null };
}

/** A family of one variable file, with weights as its cuts and a width axis. */
function variable(
  id: string,
  name: string,
  group: FaceGroup,
  weights: readonly number[],
  widths: readonly [number, number],
): Family {
  const cuts = weights.map((weight): Cut => ({
    id: `${id}/${weight}`,
    weight,
    italic: false,
    file: `${id}/variable.ttf`,
    axes: weights.length > 1 ? { wght: weight } : {},
  }));
  return { id, name, group, cuts, widths };
}

/** The families that ship, each with its licence beside its files in assets/fonts. */
export const FAMILIES: readonly Family[] = [
  family('cormorant-garamond', 'Cormorant Garamond', 'storied', ['500', '500-italic', '600', '700']),
  family('eb-garamond', 'EB Garamond', 'storied', ['400', '400-italic', '600', '800']),
  family('spectral', 'Spectral', 'storied', ['400', '400-italic', '700']),
  family('crimson-pro', 'Crimson Pro', 'storied', ['400', '400-italic', '700']),
  family('lora', 'Lora', 'storied', ['400', '400-italic', '700']),
  family('libre-baskerville', 'Libre Baskerville', 'storied', ['400', '400-italic', '700']),
  family('fraunces', 'Fraunces', 'storied', ['500', '500-italic', '800']),
  family('gilda-display', 'Gilda Display', 'storied', ['400']),
  family('playfair-display', 'Playfair Display', 'stately', ['500', '500-italic', '800']),
  family('bodoni-moda', 'Bodoni Moda', 'stately', ['500', '500-italic', '800']),
  family('dm-serif-display', 'DM Serif Display', 'stately', ['400', '400-italic']),
  family('prata', 'Prata', 'stately', ['400']),
  family('abril-fatface', 'Abril Fatface', 'stately', ['400']),
  family('yeseva-one', 'Yeseva One', 'stately', ['400']),
  family('cinzel', 'Cinzel', 'carved', ['500', '700']),
  family('forum', 'Forum', 'carved', ['400']),
  family('marcellus', 'Marcellus', 'carved', ['400']),
  family('poiret-one', 'Poiret One', 'carved', ['400']),
  family('limelight', 'Limelight', 'carved', ['400']),
  family('jost', 'Jost', 'plain', ['400', '600']),
  family('work-sans', 'Work Sans', 'plain', ['400', '400-italic', '700']),
  family('montserrat', 'Montserrat', 'plain', ['500', '800']),
  family('josefin-sans', 'Josefin Sans', 'plain', ['400', '600']),
  variable('archivo', 'Archivo', 'plain', [400, 600, 800], [62, 125]),
  family('archivo-narrow', 'Archivo Narrow', 'loud', ['500', '700']),
  family('oswald', 'Oswald', 'loud', ['400', '600']),
  family('bebas-neue', 'Bebas Neue', 'loud', ['400']),
  variable('league-gothic', 'League Gothic', 'loud', [400], [75, 100]),
  family('anton', 'Anton', 'loud', ['400']),
  variable('anybody', 'Anybody', 'loud', [400, 800], [50, 150]),
  family('alfa-slab-one', 'Alfa Slab One', 'loud', ['400']),
  family('caveat', 'Caveat', 'written', ['500', '700']),
  family('kalam', 'Kalam', 'written', ['400', '700']),
  family('amatic-sc', 'Amatic SC', 'written', ['700']),
  family('pinyon-script', 'Pinyon Script', 'written', ['400']),
  family('great-vibes', 'Great Vibes', 'written', ['400']),
  family('im-fell-english', 'IM Fell English', 'antique', ['400', '400-italic']),
  family('uncial-antiqua', 'Uncial Antiqua', 'antique', ['400']),
  family('courier-prime', 'Courier Prime', 'antique', ['400', '700']),
  family('noto-serif', 'Noto Serif', 'scripts', ['400', '400-italic', '700']),
  family('amiri', 'Amiri', 'scripts', ['400', '700']),
  family('frank-ruhl-libre', 'Frank Ruhl Libre', 'scripts', ['400', '700']),
];

/** Set where a family lacks a letter, and where a face is not there. */
export const FALLBACK_CUT: CutId = 'noto-serif/400';

/** Cuts to try, in order, for the letters of a text that its own face lacks. */
export function fallbacksFor(text: string): CutId[] {
  const cuts = [FALLBACK_CUT];
  if (/\p{Script=Arabic}/u.test(text)) cuts.push('amiri/400');
  if (/\p{Script=Hebrew}/u.test(text)) cuts.push('frank-ruhl-libre/400');
  return cuts;
}

/** Cuts of a person's own fonts are named by the stored file: "own/<asset>". */
export const OWN_FACE = 'own/';
export const isOwnCut = (cut: CutId): boolean => cut.startsWith(OWN_FACE);

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

/** Weights from here on are heavy ones. */
const HEAVY = 600;

/** How a family is set where another one was: heavy words stay heavy, and italic ones italic as far as it has one. */
export function cutLike(cutId: CutId, { cuts }: Family): CutId {
  const was = findCut(cutId)?.cut;
  const upright = cuts.filter((cut) => !cut.italic);
  const plain = (was?.weight ?? 0) >= HEAVY ? upright[upright.length - 1] : upright[0];
  return was?.italic ? italicOf(plain.id) : plain.id;
}
