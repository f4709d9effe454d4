import { thicknessMm } from '../book';
import type { Hex } from '../colour';
import { backDoc, spineDoc } from '../compose';
import { COARSE, setting } from '../mockup';
import type { Book, Side, SideName } from '../project';
import { noOthers, subjectsOf } from './scene-art';

/** Height of a book that no scene shows, mm. */
const USUAL_MM = 203;

/** Width over height of a title's spine or back: on the first thing of its scene that shows it, else on a usual book. */
export function sideRatio(book: Book, side: SideName): number {
  const models = setting(book.scene, subjectsOf(book, book.scene, noOthers), COARSE);
  const own = book.scene.things.findIndex(({ art }, i) => art.kind === 'this' && models[i].looks.has(side));
  const look = models[own]?.looks.get(side);
  if (look?.kind === 'art') return look.ratio;
  const { widthPx, heightPx } = book.cover;
  return side === 'spine' ? thicknessMm(book.brief.pageCount) / USUAL_MM : widthPx / heightPx;
}

const MOST_PX = 2560;

/** A side to edit, as it is made from the front: at the exact ratio that the book's thickness asks for. */
export function newSide(book: Book, side: SideName, edge: readonly Hex[]): Side {
  const heightPx = Math.min(MOST_PX, Math.max(800, book.cover.heightPx));
  const size = { widthPx: Math.max(16, Math.round(heightPx * sideRatio(book, side))), heightPx };
  const doc = (side === 'spine' ? spineDoc : backDoc)(book.cover, book.brief, edge, size);
  return { doc, follows: true };
}
