import { keyOf } from '../base';
import { type Hues, huesOf, labOf, palette } from '../colour';
import { busyness, compose } from '../compose';
import type { Raster } from '../pixels';
import type { Rect } from '../plane';
import type { Book } from '../project';
import { type CoverFacts, type Faces, SHOTS, type ShotId } from '../promo';
import { bareRaster, facesOf, wordsIn } from './bare-cover';
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

/** Key of what facts are read from. */
export const factsKey = (book: Book, others: Others): string =>
  keyOf({
    // Covers, spines and backs of all volumes, on whatever the title's scene shows them.
    art: artKey(book, { ...book.scene, things: volumesOf(book, others) }, others),
    light: book.scene.light,
    look: book.scene.look,
  });
