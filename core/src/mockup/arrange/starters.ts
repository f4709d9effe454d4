import { type Kind, showsPages } from '../models';
import { type Arrangement, MOST_THINGS, type Scene, type Thing, type ThingArt, plainThing } from '../scene';
import { POSES } from './laws';

/** Objects that a single thing can be in every arrangement; others belong to one arrangement. */
const BOOKISH: ReadonlySet<Kind['kind']> = new Set([
  'paperback',
  'hardcover',
  'jacketed',
  'booklet',
  'magazine',
  'binder',
  'disc-case',
  'carton',
  'ereader',
  'tablet',
  'phone',
]);

/** Books whose thickness is that of their pages. */
const PAGED: ReadonlySet<Kind['kind']> = new Set(['paperback', 'hardcover', 'jacketed', 'open-book']);
const paperback: Kind = { kind: 'paperback', thicknessMm: null };
const ofThis: ThingArt = { kind: 'this' };

/** Art for `count` things: this title first, then others of its series, then this one again. */
const arts = (count: number, series: readonly string[]): ThingArt[] =>
  Array.from({ length: count }, (_, i) => (i > 0 && series[i - 1] ? { kind: 'title', id: series[i - 1] } : ofThis));

/** The same in reading order: this title is the volume after `place` others. */
function volumes(count: number, series: readonly string[], place: number): ThingArt[] {
  const [own, ...others] = arts(count, series);
  const at = Math.min(place, series.length, others.length);
  return [...others.slice(0, at), own, ...others.slice(at)];
}

/** Art on a thing of a kind: where no page is read, the cover is seen instead. */
export const artFor = (kind: Kind['kind'], art: ThingArt): ThingArt =>
  art.kind === 'page' && !showsPages(kind) ? ofThis : art;

/** A boxed set holds books; the others stand or lie by themselves. */
function startThings(arrangement: Arrangement, first: Thing, series: readonly string[], place: number): Thing[] {
  const object = BOOKISH.has(first.object.kind) ? first.object : paperback;
  const book: Kind = object.kind === 'hardcover' ? object : paperback;
  const like = (art: ThingArt): Thing => ({
    ...first,
    object,
    art: artFor(object.kind, art),
    turnRad: 0,
    rightMm: 0,
    nearerMm: 0,
  });
  const many = Math.min(MOST_THINGS - 1, Math.max(3, series.length + 1));
  switch (arrangement) {
    case 'standing':
    case 'lying':
    case 'leaning':
    case 'floating':
      return [like(first.art)];
    case 'row':
      return volumes(many, series, place).map(like);
    // A wider fan or a higher pile hides more than it shows.
    case 'fan':
    case 'stack':
      return arts(Math.min(many, 5), series).map(like);
    case 'boxed':
      return [
        plainThing({ kind: 'slipcase', thicknessMm: null }),
        // Who looks at the spines has the first volume on the left: it stands furthest from the front of the case.
        ...volumes(many, series, place)
          .reverse()
          .map((art) => plainThing(book, art)),
      ];
    case 'beside':
      return [like(first.art), plainThing({ kind: 'phone' }, first.art)];
    case 'screens':
      return [
        plainThing({ kind: 'laptop' }, first.art),
        plainThing(book, artFor(book.kind, first.art)),
        plainThing({ kind: 'tablet' }, first.art),
        plainThing({ kind: 'phone' }, first.art),
      ];
    case 'open':
      return [
        plainThing({ kind: 'open-book', thicknessMm: null }, first.art),
        plainThing(book, artFor(book.kind, first.art)),
      ];
  }
}

/**
 * The scene in another arrangement: light, ground and look stay as they are, and so do things where there are enough of
 * them already. `series` names other titles that belong beside this one, in reading order, of which `place` come before it.
 */
export function arranged(scene: Scene, arrangement: Arrangement, series: readonly string[], place = 0): Scene {
  const first = scene.things.find(({ art }) => art.kind === 'this') ?? scene.things[0];
  const things = startThings(arrangement, first, series, place);
  return { ...scene, arrangement, things, pose: { ...scene.pose, ...POSES[arrangement] } };
}

/** An object of a kind with the numbers it starts with, its thickness kept from the one before where it has one. */
export function objectOf(kind: Kind['kind'], before: Kind): Kind {
  const typed = 'thicknessMm' in before ? before.thicknessMm : null;
  // Books of the same pages are about as thick; a booklet or a box has a thickness of its own.
  const thicknessMm = kind === before.kind || (PAGED.has(kind) && PAGED.has(before.kind)) ? typed : null;
  switch (kind) {
    case 'ereader':
    case 'tablet':
    case 'phone':
    case 'laptop':
    case 'disc':
    case 'disc-case':
      return { kind };
    case 'jacketed':
      return { kind, thicknessMm, openRad: 0 };
    case 'paperback':
    case 'hardcover':
    case 'booklet':
    case 'magazine':
    case 'binder':
    case 'carton':
    case 'slipcase':
    case 'open-book':
      return { kind, thicknessMm };
  }
}
