import { hashText } from '../base';
import type { Doc } from '../cover';
import { PLACE_AREAS, type Place, readPicture } from '../desk';
import type { Book } from '../project';
import type { Raster } from '../pixels';
import { centreOf, contains } from '../plane';
import { type Kept, cropFor, cropped, pictureFacts, planSheet } from '../sketch';
import type { Symbols } from '../symbols';
import { type HouseAsk, type Sketched, fillSlot, sheetAsk } from './sketches';
import type { Studio } from './studio';

/** Structures that show a picture whole and sharp, those that lay nothing on it first. Its colours stay its own: it is not graded. */
const WAYS = ['quiet-end', 'figure-at-foot', 'plate', 'label'] as const;
/** Faces and colours that are tried in each. */
const TRIES = 2;

const kept = (structure: string): Kept => ({
  of: {
    structure,
    faces: { title: '', other: '' },
    tones: { name: '', ground: '', words: '', second: '', accent: '', block: '', onBlock: '' },
    pictures: [],
    symbols: [],
    grade: 'plain',
    turn: 0,
  },
  structure: true,
  tones: false,
  faces: false,
});

/** Other faces on other pictures, the same ones each time. */
const seedOf = (id: string, seed: number): number => (parseInt(hashText(id).slice(-4), 36) + seed) % 1_000_000;

/**
 * A title's words set on a picture that it does not have yet, where the picture is quiet: the first cover that reads and leaves the subject
 * free, measured like those of the sheet. `sample` is the picture at any size, `full` its pixels, `id` the name under which the studio finds it.
 * Null where the words fit in no way.
 */
export async function deskCover(
  book: Book,
  house: HouseAsk,
  picture: { readonly id: string; readonly sample: Raster; readonly widthPx: number; readonly heightPx: number },
  symbols: Symbols,
  studio: Studio,
  lookPx: number,
): Promise<(Sketched & { pixels: Raster }) | null> {
  const facts = pictureFacts(picture.id, picture.sample, picture);
  const on = {
    ...sheetAsk(book, house, [facts], symbols),
    pictured: 'most' as const,
    seed: seedOf(picture.id, book.sheet.seed),
  };
  const crop = cropFor(facts, book.cover.widthPx / book.cover.heightPx);
  const { quiet } = readPicture(cropped(facts, crop).pixels);
  for (const way of WAYS) {
    const plan = planSheet(on, kept(way));
    if (!plan.ok) return null;
    let best: { rank: number; made: Sketched & { pixels: Raster } } | null = null;
    for (const attempt of plan.value.slice(0, TRIES).flatMap(({ attempts }) => attempts)) {
      const made = await fillSlot({ attempts: [{ ...attempt, grade: 'plain' }] }, on, studio, lookPx);
      if (!made) continue;
      const rank = way === 'quiet-end' ? rankOf(made.doc, quiet) : 0;
      if (!best || rank < best.rank) best = { rank, made };
      if (rank === 0) break;
    }
    if (best) return best.made;
  }
  return null;
}

/** Which of these places the middle of the title is in, the first counted as 0; as many as there are where it is in none. */
function rankOf(doc: Doc, places: readonly Place[]): number {
  const title = Object.values(doc.parts).find((part) => part.kind === 'words' && part.role === 'title');
  const at =
    title?.kind === 'words' ? places.findIndex((place) => contains(PLACE_AREAS[place], centreOf(title.area))) : -1;
  return at < 0 ? places.length : at;
}
