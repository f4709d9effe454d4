import type { Scene, Thing } from '@yosomi/core/mockup';
import { FINAL, defaultScene } from '@yosomi/core/mockup';
import type { Book } from '@yosomi/core/project';
import {
  type Others,
  type PromoAt,
  type PromoMakers,
  bookAt,
  isFlat,
  sceneOfPicture,
  subjectsOf,
} from '@yosomi/core/recipe';
import type { KeyedPicture, PromoTile } from './promo-art';
import { PREVIEW, traceBook } from './trace';
import { press, studio } from './workers';

/** A promo to be shown at a width, under an id of the asker's. */
export type PromoAsk = { readonly id: string; readonly at: PromoAt; readonly widthPx: number };

export type TileOptions = {
  readonly signal: AbortSignal;
  /** Quick pictures of the book for many looks at once. */
  readonly quick?: boolean;
  readonly onTile: (id: string, tile: PromoTile) => void;
};

/** Width of the fronts on things that are shown as small as in a sheet of looks, px. */
const QUICK_ART = 420;

/** The things of several scenes as one, so that their art is made and handed on once. */
function together(scenes: readonly Scene[]): Scene {
  const all = new Map<string, Thing>();
  for (const scene of scenes) for (const thing of scene.things) all.set(JSON.stringify(thing), thing);
  return { ...defaultScene, things: [...all.values()].slice(0, 12) };
}

/** Makes the pictures that are lacking and hands them to the worker that paints. */
async function supply(
  book: Book,
  others: Others,
  lacking: readonly KeyedPicture[],
  quick: boolean,
  signal: AbortSignal,
  onMade: (name: string) => void,
): Promise<void> {
  const scenes = new Map(
    lacking.flatMap((one) => {
      const scene = sceneOfPicture(book, one, others);
      return scene ? [[one.key, scene] as const] : [];
    }),
  );
  const art = scenes.size > 0 ? { scene: together([...scenes.values()]), mostPx: quick ? QUICK_ART : null } : undefined;
  // What is soon there comes first: no tracing, then things on nothing, then a set with its table.
  const labour = ({ key }: KeyedPicture): number => {
    const scene = scenes.get(key);
    return !scene ? 0 : scene.ground.kind === 'clear' ? 1 : 2;
  };
  const order = [...lacking].sort((a, b) => labour(a) - labour(b));
  for (const one of order) {
    if (signal.aborted) return;
    const scene = scenes.get(one.key);
    if (!scene) {
      if (isFlat(one.source)) await studio.keepCover(book, one.source, one.widthPx, one.key);
    } else {
      const size = { widthPx: one.widthPx, heightPx: one.heightPx };
      const things = await traceBook(book, scene, size, quick ? PREVIEW : FINAL, { signal, others, art });
      if (!things || signal.aborted) return;
      const pixels =
        scene.ground.kind === 'clear'
          ? things
          : await studio.onGround(things, book, scene, subjectsOf(book, scene, others));
      await studio.keepPicture(one.key, pixels);
    }
    onMade(one.name);
  }
}

/** Which picture of the worker's stands for which name. */
export type PictureKeys = Readonly<Record<string, string>>;

/**
 * Paints promos one after another, each as soon as its pictures are there: those that place nothing new are laid anew at once. Answers the
 * keys of their pictures.
 */
export async function promoTiles(
  owner: Book,
  others: Others,
  asks: readonly PromoAsk[],
  { signal, quick = false, onTile }: TileOptions,
): Promise<PictureKeys> {
  const shown = [...others.values()];
  // What is shown together is of one campaign.
  const book = asks[0] ? bookAt(owner, asks[0].at) : owner;
  const plan = await studio.promoPlan(book, shown, asks, quick);
  const keys = Object.fromEntries(plan.pictures.map(({ name, key }) => [name, key]));
  const lacking = new Set(plan.pictures.filter(({ key }) => plan.lacking.includes(key)).map(({ name }) => name));
  const waiting = new Map(asks.map((ask, i) => [ask, new Set(plan.names[i].filter((name) => lacking.has(name)))]));
  const paint = async (ask: PromoAsk): Promise<void> => {
    waiting.delete(ask);
    const tile = await studio.promoTile(book, shown, ask.at, ask.widthPx, keys);
    if (signal.aborted) tile.bitmap.close();
    else onTile(ask.id, tile);
  };
  const painting: Promise<void>[] = [];
  const supplied = supply(
    book,
    others,
    plan.pictures.filter(({ name }) => lacking.has(name)),
    quick,
    signal,
    (made) => {
      for (const [ask, names] of [...waiting]) {
        names.delete(made);
        if (names.size === 0) painting.push(paint(ask));
      }
    },
  );
  // Meanwhile, one after another: what comes to be lacking is put between them.
  for (const [ask, names] of [...waiting]) {
    if (signal.aborted) break;
    if (names.size === 0) await paint(ask);
  }
  await supplied;
  await Promise.all(painting);
  return keys;
}

/** The steps of a promo's pictures, by the workers. */
export const promoMakers = (signal: AbortSignal): PromoMakers => ({
  missing: (book, what, others) => press().missing(book, what, [...others.values()]),
  promoDoc: (book, at, others) => press().promoDocOf(book, [...others.values()], at),
  trace: (book, scene, size, others) => traceBook(book, scene, size, FINAL, { signal, others }),
  onGround: (things, book, scene, subjects) => press().onGround(things, book, scene, subjects),
  cover: (book, source, widthPx) => press().coverPicture(book, source, widthPx),
});
