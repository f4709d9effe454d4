import { compose } from '../compose';
import { type Doc, type PicturePart, type WordsPart, docOf } from '../cover';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import type { Faces } from '../promo';
import { findCut, isOwnCut } from '../text';
import { gather } from './gather';
import type { Studio } from './studio';

/** The cover's own picture without anything on it; null for a finished file, and where there is none. */
export async function bareRaster(book: Book, widthPx: number, studio: Studio): Promise<Raster | null> {
  const { cover, brief } = book;
  const pictures = Object.values(cover.parts).filter(
    (p): p is PicturePart => p.kind === 'picture' && !p.hidden && p.source.kind === 'asset',
  );
  if (cover.finished || pictures.length === 0) return null;
  // One that is only a tinted shape behind another tells less than the picture itself.
  const told = ({ area, look, opacity }: PicturePart): number =>
    area.width * area.height * opacity * (1 - 0.9 * (look.tint?.amount ?? 0)) * (1 - 0.5 * Math.min(1, look.blur * 40));
  const main = pictures.reduce((a, b) => (told(b) > told(a) ? b : a));
  const whole = { x: 0, y: 0, width: 1, height: 1 };
  const plain = {
    mask: null,
    border: null,
    shadow: null,
    opacity: 1,
    blend: 'normal',
    turnRad: 0,
    maskBelow: false,
  } as const;
  const alone = docOf(cover.widthPx, cover.heightPx, [{ ...main, ...plain, area: whole, fit: 'fill' }]);
  const { resources, images } = await gather(alone, brief, studio, widthPx);
  return studio.paint(compose(alone, brief, resources).ink, widthPx, images);
}

const PLAIN: Faces = { head: 'libre-baskerville/700', text: 'work-sans/400', strong: 'work-sans/700', upper: false };

/** Words of a cover that are shown. */
export const wordsIn = (cover: Doc): WordsPart[] =>
  Object.values(cover.parts).filter((p): p is WordsPart => p.kind === 'words' && !p.hidden);

/** The upright cut of the same family that is nearest to a weight. */
export function cutNear(cut: string, weight: number): string {
  const found = findCut(cut);
  const upright = found?.family.cuts.filter((c) => !c.italic) ?? [];
  if (upright.length === 0) return cut;
  return upright.reduce((best, c) => (Math.abs(c.weight - weight) < Math.abs(best.weight - weight) ? c : best)).id;
}

/** Faces that were made to be read small, for a button and lines where the cover's second face was not. */
const readsSmall = (cut: string): boolean => {
  const group = findCut(cut)?.family.group;
  return group === 'plain' || group === 'storied' || group === 'scripts';
};

/** Faces of the cover: its title's for the headline, its second for lines and button. */
export function facesOf(cover: Doc): Faces {
  const words = wordsIn(cover);
  const title = words.find((p) => p.role === 'title');
  if (!title) return PLAIN;
  const second = words.find((p) => p.cut.split('/')[0] !== title.cut.split('/')[0] && readsSmall(p.cut));
  const base = second?.cut ?? (readsSmall(title.cut) ? title.cut : PLAIN.text);
  if (isOwnCut(base)) return { head: title.cut, text: base, strong: base, upper: title.upper };
  return { head: title.cut, text: cutNear(base, 500), strong: cutNear(base, 700), upper: title.upper };
}
