import { LRUCache } from 'lru-cache';
import { keyOf } from '../base';
import { palette } from '../colour';
import { busyness, compose } from '../compose';
import { type Doc, type PicturePart, type WordsPart, docOf } from '../cover';
import type { Raster } from '../pixels';
import type { Rect } from '../plane';
import type { Book } from '../project';
import { type CoverFacts, type Faces, type Hues, SHOTS, type ShotId, huesOf } from '../promo';
import { findCut, isOwnCut } from '../text';
import { coverKey, coverRaster } from './cover';
import { gather } from './gather';
import { seriesOf, shotBox } from './promo-shots';
import type { Others } from './scene-art';
import type { Studio } from './studio';

/** What promos take from a title as it is now. */
export type PromoFacts = {
  readonly hues: Hues;
  readonly faces: Faces;
  readonly cover: CoverFacts;
  readonly boxes: ReadonlyMap<ShotId, Rect>;
};

const known = new WeakMap<Studio, LRUCache<string, PromoFacts>>();
const KEPT = 12;

/** Reads a title for its promos; remembered while the cover and what is beside it stay as they are. */
export async function promoFacts(book: Book, others: Others, studio: Studio): Promise<PromoFacts> {
  let kept = known.get(studio);
  if (!kept) known.set(studio, (kept = new LRUCache({ max: KEPT })));
  const key = factsKey(book, others);
  const found = kept.get(key);
  if (found) return found;
  const bare = await bareRaster(book, 256, studio);
  const made: PromoFacts = {
    hues: huesOf(palette(await coverRaster(book, 160, studio))),
    faces: facesOf(book.cover),
    cover: {
      ratio: book.cover.heightPx / book.cover.widthPx,
      map: bare && busyness(bare, 24),
      volumes: seriesOf(book, others).length,
    },
    boxes: new Map(SHOTS.map((shot) => [shot, shotBox(book, shot, others)])),
  };
  kept.set(key, made);
  return made;
}

/** The cover's own picture without anything on it; null for a finished file, and where there is none. */
export async function bareRaster(book: Book, widthPx: number, studio: Studio): Promise<Raster | null> {
  const { cover, brief } = book;
  const pictures = Object.values(cover.parts).filter(
    (p): p is PicturePart => p.kind === 'picture' && !p.hidden && p.source.kind === 'asset',
  );
  if (cover.finished || pictures.length === 0) return null;
  const size = ({ area }: PicturePart): number => area.width * area.height;
  const main = pictures.reduce((a, b) => (size(b) > size(a) ? b : a));
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

const wordsIn = (cover: Doc): WordsPart[] =>
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

/** Key of what facts are read from. */
export const factsKey = (book: Book, others: Others): string =>
  keyOf({
    covers: seriesOf(book, others).map((id) => coverKey(id === book.id ? book : (others.get(id) ?? book))),
    pages: book.brief.pageCount,
    things: book.scene.things,
    light: book.scene.light,
  });
