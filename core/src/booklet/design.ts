import type { Swatch } from '../colour';
import { type CutId, type Syllables, familyOf, findCut, italicOf } from '../text';
import { type PageColours, pageColours } from './colours';
import type { PageLook, TextFamily } from './look';
import type { Sheet } from './sheets';

/** A picture by the name under which it is painted, with height to width, and how much there is to see in it, row by row from its top. */
export type Art = { readonly image: string; readonly ratio: number; readonly detail: readonly number[] };

/** What a booklet takes from its title. */
export type Dress = {
  readonly swatches: readonly Swatch[];
  /** The face of the cover's title; null where it is not known. */
  readonly titleCut: CutId | null;
  /** The cover's picture without its words; null where it has none. */
  readonly art: Art | null;
  readonly title: string;
  readonly author: string;
  readonly language: string;
  readonly syllables: Syllables | null;
  /** Lines that are due for what is shown; they close the last page. */
  readonly credits: readonly string[];
  /** Pixels of the pictures that the text may show, by their ids; those that are missing are not here. */
  readonly pictures: ReadonlyMap<string, { readonly widthPx: number; readonly heightPx: number }>;
};

/** Everything that pages are computed from, in points. */
export type Design = {
  readonly sheet: Sheet;
  readonly look: PageLook;
  readonly dress: Dress;
  readonly colours: PageColours;
  readonly cuts: {
    readonly text: CutId;
    readonly italic: CutId;
    readonly bold: CutId;
    readonly display: CutId;
  };
  readonly size: number;
  /** Baseline to baseline of the text; all heights are whole numbers of `step`. */
  readonly leading: number;
  readonly step: number;
  /** Steps of a full column. */
  readonly steps: number;
  /** The column of the text on a right page, and the side beside it. */
  readonly column: { readonly x: number; readonly y: number; readonly width: number };
  readonly side: { readonly x: number; readonly width: number } | null;
};

/** The cuts of a family that text is set in: its plain one, the italic of that, and the upright nearest to bold. */
function textCuts(family: TextFamily): { text: CutId; italic: CutId; bold: CutId } {
  const text = `${family}/400`;
  const heavy = (familyOf(text)?.cuts ?? []).filter(({ italic, weight }) => !italic && weight >= 600);
  return { text, italic: italicOf(text), bold: heavy[0]?.id ?? text };
}

/** Letters of a line that are read with ease: a column is no wider than this many sizes, and no narrower side than the least. */
const WIDEST = 33;
const LEAST_SIDE = 92;
const GUTTER = 22;

/** A face for chapters: the cover's where the look takes its kind. */
function displayCut({ display }: PageLook, titleCut: CutId | null): CutId {
  const family = titleCut === null ? undefined : familyOf(titleCut);
  return titleCut !== null && family && findCut(titleCut) && display.cover.includes(family.group)
    ? titleCut
    : display.cut;
}

export function designOf(look: PageLook, sheet: Sheet, dress: Dress): Design {
  const size = sheet.body * look.scale;
  const leading = Math.round(size * look.leading * 4) / 4;
  const step = leading / 2;
  const steps = Math.floor((sheet.height - sheet.head - sheet.foot) / step / 2) * 2;
  const usable = sheet.width - 2 * sheet.side;
  const sided = look.layout === 'side' && !sheet.bound && usable - GUTTER - LEAST_SIDE >= size * 24;
  const width = Math.min(usable - (sided ? GUTTER + LEAST_SIDE : 0), size * WIDEST);
  const spare = usable - width;
  const x = sheet.side + (sided ? spare : spare / 2);
  return {
    sheet,
    look,
    dress,
    colours: pageColours(dress.swatches, look.ground),
    cuts: { ...textCuts(look.text), display: displayCut(look, dress.titleCut) },
    size,
    leading,
    step,
    steps,
    column: { x, y: sheet.head, width },
    side: sided ? { x: sheet.side, width: spare - GUTTER } : null,
  };
}

/** All cuts that a look may need for a text, so that they can be loaded. */
export const cutsOf = ({ cuts }: Pick<Design, 'cuts'>): CutId[] => [...new Set(Object.values(cuts))];
