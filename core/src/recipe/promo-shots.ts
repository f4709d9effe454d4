import { type Scene, type Thing, defaultScene, plainThing, thingsBox } from '../mockup';
import type { PictureSource } from '../cover';
import type { Rect } from '../plane';
import type { Book } from '../project';
import { SHOTS_OF_MANY, type ShotId } from '../promo';
import { type Others, subjectsOf } from './scene-art';

export type ShotSource = Extract<PictureSource, { kind: 'shot' }>;

/** Titles of the same series that are there, in reading order, this one in its place. */
export function seriesOf(book: Book, others: Others): string[] {
  const name = book.brief.seriesName.trim();
  if (!name) return [book.id];
  const same = [...others.values()].filter((one) => one.id !== book.id && one.brief.seriesName.trim() === name);
  const number = (one: Book): number => one.brief.seriesNumber ?? 1000;
  return [book, ...same].sort((a, b) => number(a) - number(b)).map((one) => one.id);
}

/** Most volumes that stand in one picture. */
const MOST = 5;

/** The book that a title is shown as: that of its scene in Mockups where it is one, else a paperback. */
function bookOf(book: Book): Thing {
  const own = book.scene.things.find(({ object }) =>
    ['paperback', 'hardcover', 'jacketed', 'booklet', 'magazine'].includes(object.kind),
  );
  return {
    ...(own ?? plainThing({ kind: 'paperback', thicknessMm: null })),
    art: { kind: 'this' },
    turnRad: 0,
    rightMm: 0,
    nearerMm: 0,
  };
}

/** Every volume of a title's series as a book, in reading order. */
export function volumesOf(book: Book, others: Others): Thing[] {
  const one = bookOf(book);
  return seriesOf(book, others).map((id) => ({
    ...one,
    art: id === book.id ? { kind: 'this' } : { kind: 'title', id },
  }));
}

function thingsFor(book: Book, shot: ShotId, others: Others): Thing[] {
  const one = bookOf(book);
  const as = (id: string): Thing => ({ ...one, art: id === book.id ? { kind: 'this' } : { kind: 'title', id } });
  const series = seriesOf(book, others);
  if (shot === 'row') return volumesOf(book, others).slice(0, MOST);
  if (SHOTS_OF_MANY.has(shot)) {
    const rest = series.filter((id) => id !== book.id);
    const many = [book.id, ...rest].slice(0, shot === 'fan' ? MOST : 4);
    while (many.length < 3) many.push(book.id);
    return many.map(as);
  }
  return [one];
}

const POSES: Readonly<
  Record<Exclude<ShotId, 'own'>, Partial<Scene['pose']> & { readonly arrangement: Scene['arrangement'] }>
> = {
  standing: { arrangement: 'standing', turnRad: 0.46, tiltRad: 0.16, lensMm: 85 },
  facing: { arrangement: 'standing', turnRad: 0.17, tiltRad: 0.07, lensMm: 110 },
  pages: { arrangement: 'standing', turnRad: -0.5, tiltRad: 0.16, lensMm: 85 },
  low: { arrangement: 'standing', turnRad: 0.5, tiltRad: 0.02, lensMm: 45 },
  lying: { arrangement: 'lying', turnRad: 0.42, tiltRad: 0.72, lensMm: 80 },
  above: { arrangement: 'stack', turnRad: 0.3, tiltRad: 0.98, lensMm: 90 },
  stack: { arrangement: 'stack', turnRad: 0.5, tiltRad: 0.5, lensMm: 85 },
  fan: { arrangement: 'fan', turnRad: 0, tiltRad: 0.12, lensMm: 85 },
  row: { arrangement: 'row', turnRad: 0, tiltRad: 0.1, lensMm: 110 },
  floating: { arrangement: 'floating', turnRad: 0.38, tiltRad: 0.1, lensMm: 70 },
  reader: { arrangement: 'leaning', turnRad: 0.3, tiltRad: 0.16, lensMm: 85 },
  devices: { arrangement: 'beside', turnRad: 0, tiltRad: 0.14, lensMm: 85 },
};

/** The scene of a shot on nothing, its picture square. */
export function shotScene(book: Book, shot: ShotId, others: Others): Scene {
  if (shot === 'own') {
    const { scene } = book;
    return { ...scene, ground: { kind: 'clear' }, place: null, pose: { ...scene.pose, margin: 0.02 } };
  }
  const { arrangement, ...pose } = POSES[shot];
  const base: Scene = {
    ...defaultScene,
    things: thingsFor(book, shot, others),
    arrangement,
    pose: { ...defaultScene.pose, rollRad: 0, margin: 0.02, ...pose },
    light: { ...book.scene.light, shadow: Math.max(0.6, book.scene.light.shadow) },
    look: book.scene.look,
    ground: { kind: 'clear' },
  };
  if (shot === 'reader') return { ...base, things: [plainThing({ kind: 'ereader' })] };
  if (shot === 'devices') return { ...base, things: [bookOf(book), plainThing({ kind: 'phone' })] };
  return base;
}

const SET_POSE = { turnRad: 0.4, tiltRad: 0.13, lensMm: 70 } as const;

/** The scene that a picture part asks for. */
export function sceneOfSource(book: Book, source: ShotSource, others: Others): Scene {
  if (!source.set) return shotScene(book, source.shot as ShotId, others);
  const { place, wall, colour } = source.set;
  const base = shotScene(book, 'standing', others);
  const material = source.shot.replace('set-', '') as Extract<Scene['ground'], { kind: 'table' }>['material'];
  return {
    ...base,
    pose: { ...base.pose, ...SET_POSE },
    light: { ...base.light, azimuthRad: -0.7, heightRad: 0.72, softness: 0.4 },
    ground: { kind: 'table', material, colour, wall },
    place,
  };
}

/** Where the things are in a shot's square picture. */
export function shotBox(book: Book, shot: ShotId, others: Others): Rect {
  const scene = shotScene(book, shot, others);
  return thingsBox(scene, subjectsOf(book, scene, others), 1000, 1000);
}
