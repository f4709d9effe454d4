import { keyOf } from '../base';
import { type Hues, huesOf, labOf, palette } from '../colour';
import { busyness, compose } from '../compose';
import { type Doc, type PicturePart, type WordsPart, docOf } from '../cover';
import type { Raster } from '../pixels';
import type { Rect } from '../plane';
import type { Book } from '../project';
import { type CoverFacts, type Faces, SHOTS, type ShotId } from '../promo';
import { findCut, isOwnCut } from '../text';
import { coverRaster } from './cover';
import { gather } from './gather';
import { missingFile } from './missing';
import { artKey } from './mockup';
import { pinnedAt } from './pin-art';
import { perStudio } from './per-studio';
import { seriesOf, shotBox, volumesOf } from './promo-shots';
import type { Others } from './scene-art';
import type { Studio } from './studio';

/** What promos take from a title as it is now. */
export type PromoFacts = {
  /** False while a picture or face of the cover is not there: then they hold only for now. */
  readonly whole: boolean;
  readonly hues: Hues;
  readonly faces: Faces;
  readonly cover: CoverFacts;
  readonly boxes: ReadonlyMap<ShotId, Rect>;
  /** Where the cover tells most without giving away its title, fractions. */
  readonly hole: { readonly x: number; readonly y: number };
};

const factsOf = perStudio<PromoFacts>({ max: 12 });

/** Reads a title for its promos; remembered while the cover and what is beside it stay as they are. */
export async function promoFacts(book: Book, others: Others, studio: Studio): Promise<PromoFacts> {
  const kept = factsOf(studio);
  // Its own scene has a box too, and its photograph a place: what does not show them does not change with them.
  const key = keyOf({ facts: factsKey(book, others), own: book.scene, pin: book.pin });
  const found = kept.get(key);
  if (found) return found;
  const bare = await bareRaster(book, 256, studio);
  const small = await coverRaster(book, 160, studio);
  const made: PromoFacts = {
    whole: (await missingFile(book, 'cover', studio)) === null,
    hues: huesOf(palette(small), edgeLight(small)),
    faces: facesOf(book.cover),
    cover: {
      ratio: book.cover.heightPx / book.cover.widthPx,
      map: bare && busyness(bare, 24),
      volumes: seriesOf(book, others).length,
      photo: book.pin && {
        ratio: book.pin.photo.widthPx / book.pin.photo.heightPx,
        at: pinnedAt(book.pin),
      },
    },
    hole: await tellingPlace(book, small, studio),
    boxes: new Map(SHOTS.map((shot) => [shot, shotBox(book, shot, others)])),
  };
  if (made.whole) kept.set(key, made);
  return made;
}

/** The busiest place of the cover that is clear of its words, for a hole about a third as wide as the cover. */
async function tellingPlace(book: Book, small: Raster, studio: Studio): Promise<{ x: number; y: number }> {
  const { cover, brief } = book;
  const { resources } = await gather(cover, brief, studio, 200);
  const { frames } = compose(cover, brief, resources);
  const words = wordsIn(cover).flatMap(({ id }) => frames.get(id) ?? []);
  // Nobody knows where a finished cover has its title: most have it in the upper half.
  const taken = cover.finished ? [{ x: 0, y: 0, width: cover.widthPx, height: cover.heightPx * 0.48 }] : words;
  const map = busyness(small, 24);
  const r = 0.17;
  const ratio = cover.heightPx / cover.widthPx;
  let best = { x: 0.5, y: 0.62, score: -Infinity };
  for (let i = 0; i <= 16; i++) {
    for (let j = 0; j <= 24; j++) {
      const [x, y] = [0.2 + (0.6 * i) / 16, 0.12 + (0.76 * j) / 24];
      const box = { x: x - r, y: y - r / ratio, width: 2 * r, height: (2 * r) / ratio };
      const hidden = taken.reduce((sum, f) => {
        const across =
          Math.min(box.x + box.width, (f.x + f.width) / cover.widthPx) - Math.max(box.x, f.x / cover.widthPx);
        const down =
          Math.min(box.y + box.height, (f.y + f.height) / cover.heightPx) - Math.max(box.y, f.y / cover.heightPx);
        return sum + Math.max(0, across) * Math.max(0, down);
      }, 0);
      let [busy, n] = [0, 0];
      for (let c = 0; c < map.columns; c++)
        for (let w = 0; w < map.rows; w++)
          if (Math.abs((c + 0.5) / map.columns - x) < r && Math.abs((w + 0.5) / map.rows - y) < r / ratio) {
            busy += map.cells[w * map.columns + c];
            n++;
          }
      const score = busy / Math.max(1, n) - (hidden / (box.width * box.height)) * 400 - 2 * Math.abs(x - 0.5);
      if (score > best.score) best = { x, y, score };
    }
  }
  return { x: best.x, y: best.y };
}

/** Mean lightness of the rim of a picture, 0..1: what meets the ground that it stands on. */
function edgeLight({ width, height, data }: Raster): number {
  const rim = Math.max(1, Math.round(width * 0.03));
  let [sum, n] = [0, 0];
  for (let y = 0; y < height; y += 2) {
    const whole = y < rim || y >= height - rim;
    for (let x = 0; x < width; x += whole || x < rim || x >= width - rim ? 2 : Math.max(2, width - 2 * rim)) {
      const p = (y * width + x) * 4;
      if (!whole && x >= rim && x < width - rim) continue;
      sum += labOf([data[p], data[p + 1], data[p + 2]])[0];
      n++;
    }
  }
  return sum / Math.max(1, n);
}

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
    // Covers, spines and backs of all volumes, on whatever the title's scene shows them.
    art: artKey(book, { ...book.scene, things: volumesOf(book, others) }, others),
    light: book.scene.light,
    look: book.scene.look,
  });
