import { type Part, inOrder, mainColour } from '../cover';
import type { Book } from '../project';
import { type Kept, toneDistance, tonesOf } from '../sketch';
import { findCut } from '../text';

/** Colours nearer to one another than this are one. */
const SAME = 0.04;

/** Whether a picture fills the cover, so that what lies under it is not seen. */
const filled = (parts: readonly Part[]): boolean =>
  parts.some((part) => part.kind === 'picture' && !part.hidden && part.area.width * part.area.height > 0.9);

/**
 * What a sheet keeps in order to be like a cover that stands elsewhere: its two faces and its colours, as they are on it now. Where a
 * picture fills it the colours are those of the sketch that it was taken from, and none where there is none. Null where it shows no title, or one in a face that only its own title has.
 */
export function likenessOf({ cover, sheet }: Pick<Book, 'cover' | 'sheet'>): Kept | null {
  const parts = inOrder(cover).filter(({ hidden }) => !hidden);
  const words = parts.filter((part) => part.kind === 'words');
  const title = words.find(({ role }) => role === 'title');
  if (!title || !findCut(title.cut)) return null;
  const other = words.find(({ role, cut }) => role !== 'title' && findCut(cut));
  const { taken } = sheet;
  const under = parts.find((part) => part.kind === 'ground');
  const ground = under && mainColour(under.paint);
  if (!ground) return null;
  const shapes = parts.flatMap((part) => (part.kind === 'shape' ? [part.colour] : []));
  const colours = [title.colour, ...words.map(({ colour }) => colour), ...shapes];
  const apart = colours.filter((one, i) => [ground, ...colours.slice(0, i)].every((c) => toneDistance(c, one) > SAME));
  const [ink = title.colour, accent = ink, block = accent] = apart;
  const tones = filled(parts) ? taken?.tones : tonesOf('Of another cover', { ground, words: ink, accent, block });
  return {
    of: {
      structure: taken?.structure ?? '',
      faces: { title: title.cut, other: other?.cut ?? title.cut },
      tones: tones ?? tonesOf('Of another cover', { ground, words: ink, accent, block }),
      pictures: [],
      symbols: [],
      grade: taken?.grade ?? 'plain',
      turn: 0,
    },
    structure: false,
    tones: tones !== undefined,
    faces: true,
  };
}
