import type { Brief } from '../book';
import type { Hex } from '../colour';
import { type Part, inOrder, mainColour } from '../cover';
import type { Book } from '../project';
import { type Kept, type Tones, factsOf, toneDistance, tonesOf } from '../sketch';
import { findCut, hasScripts } from '../text';

/** Colours nearer to one another than this are one. */
const SAME = 0.04;

/** Whether a picture fills the cover, so that what lies under it is not seen. */
const filled = (parts: readonly Part[]): boolean =>
  parts.some((part) => part.kind === 'picture' && !part.hidden && part.area.width * part.area.height > 0.9);

/**
 * What a sheet of the words of `brief` keeps in order to be like a cover that stands elsewhere: its two faces and its colours, as they are on it
 * now. Where a picture fills it, or it has no ground, the colours are those of the sketch that it was taken from, and none where there is
 * none; faces that lack letters of these words are left out. Null where it shows no title in a face that all may use, or nothing is left.
 */
export function likenessOf({ cover, sheet: { taken } }: Pick<Book, 'cover' | 'sheet'>, brief: Brief): Kept | null {
  const parts = inOrder(cover).filter(({ hidden }) => !hidden);
  const words = parts.filter((part) => part.kind === 'words');
  const title = words.find(({ role }) => role === 'title');
  if (!title || !findCut(title.cut)) return null;
  const other = words.find(({ role, cut }) => role !== 'title' && findCut(cut))?.cut ?? title.cut;
  const { scripts } = factsOf(brief);
  const faces = [title.cut, other].every((cut) => hasScripts(cut, scripts));
  const seen = filled(parts) ? undefined : parts.find((part) => part.kind === 'ground');
  const tones = seen ? tonesOn(mainColour(seen.paint), parts, title.colour) : taken?.tones;
  if (!faces && !tones) return null;
  return {
    of: {
      structure: '',
      faces: { title: title.cut, other },
      tones: tones ?? tonesOn('#ffffff', parts, title.colour),
      pictures: [],
      symbols: [],
      grade: 'plain',
      turn: 0,
    },
    structure: false,
    tones: tones !== undefined,
    faces,
  };
}

/** The colours of a cover by what they are for: the title's, and the two that are next to it, apart from one another. */
function tonesOn(ground: Hex, parts: readonly Part[], ink: Hex): Tones {
  const colours = parts.flatMap((part) => (part.kind === 'words' || part.kind === 'shape' ? [part.colour] : []));
  const own = [ink, ...colours];
  const apart = own.filter((one, i) => [ground, ...own.slice(0, i)].every((c) => toneDistance(c, one) > SAME));
  const [words = ink, accent = words, block = accent] = apart;
  return tonesOf('Of another cover', { ground, words, accent, block });
}
