import { type Fault, fault } from '../base';
import { picturesIn } from '../booklet';
import { needs } from '../compose';
import type { Doc } from '../cover';
import { type Scene, assetsOf } from '../mockup';
import { pinAssetsOf } from '../pin';
import { type Book, SIDES, campaignAssets, hasPages, picturesOf } from '../project';
import { findLook } from '../promo';
import { isOwnCut } from '../text';
import { seriesOf } from './promo-shots';
import { type Others, goneFrom, noOthers, pagedIn, titlesOf } from './scene-art';
import type { Studio } from './studio';

/** What is made of a title: each draws pictures of its own. */
export type Drawn = 'cover' | 'scene' | 'promo' | 'pin' | 'booklet';

const shownIn = (doc: Doc): string[] => picturesOf(Object.values(doc.parts).filter((part) => !part.hidden));

type Wanted = readonly [id: string, name: string];

const named = (book: Book, ids: readonly string[]): Wanted[] =>
  ids.map((id) => [id, book.assets[id]?.name ?? 'without a name']);

function wantedFor(book: Book, what: Drawn, others: Others, scene: Scene): Wanted[] {
  const cover = named(book, shownIn(book.cover));
  const sides = (): Wanted[] =>
    named(
      book,
      SIDES.flatMap((side) => (book.sides[side] ? shownIn(book.sides[side].doc) : [])),
    );
  const ofScene = (scene: Scene): Wanted[] => [
    ...cover,
    ...sides(),
    ...named(book, assetsOf(scene)),
    ...titlesOf(scene).flatMap((id) => {
      const other = others.get(id);
      return other ? named(other, shownIn(other.cover)) : [];
    }),
    ...pagedIn(book, scene, others).flatMap((title) => named(title, picturesIn(title.booklet.manuscript))),
  ];
  switch (what) {
    case 'cover':
      return cover;
    case 'scene':
      return ofScene(scene);
    case 'promo':
      return [
        // No promo shows what the things stand before in Mockups.
        ...ofScene({ ...scene, ground: { kind: 'clear' } }),
        ...(book.pin && Object.values(book.promos).some(({ style }) => findLook(style.look)?.asks === 'photo')
          ? named(book, pinAssetsOf(book.pin))
          : []),
        ...seriesOf(book, others).flatMap((id) => {
          const other = others.get(id);
          return other ? named(other, shownIn(other.cover)) : [];
        }),
        ...named(
          book,
          Object.values(book.promos).flatMap((campaign) => campaignAssets(book, campaign)),
        ),
      ];
    case 'booklet':
      return [...cover, ...named(book, book.booklet ? picturesIn(book.booklet.manuscript) : [])];
    case 'pin':
      return book.pin ? [...cover, ...sides(), ...named(book, pinAssetsOf(book.pin))] : [];
  }
}

/** Whether a file shows the scene itself, and not only the book. */
const showsScene = (book: Book, what: Drawn): boolean =>
  what === 'scene' ||
  (what === 'promo' &&
    Object.values(book.promos).some(
      ({ style, made }) =>
        findLook(style.look)?.shots.includes('own') || Object.values(made).some(({ kind }) => kind === 'drawn'),
    ));

/** Other titles, or pages of its booklet, that a scene shows and that are not there. */
function goneFault(book: Book, others: Others, scene: Scene): Fault | null {
  if (!hasPages(book) && scene.things.some(({ art }) => art.kind === 'page')) return fault('pages-gone');
  const { length: count } = goneFrom(scene, book, others);
  return count > 0 ? fault('volume-gone', { count }) : null;
}

/** Fonts of one's own that a title's cover and sides are set in. */
function ownCuts({ cover, brief, sides }: Book): string[] {
  const docs = [cover, ...SIDES.flatMap((side) => sides[side]?.doc ?? [])];
  return docs.flatMap((doc) => needs(doc, brief).cuts.filter(isOwnCut));
}

/** Fonts of one's own that campaigns are set in. */
const campaignCuts = ({ promos }: Book): string[] =>
  Object.values(promos)
    .flatMap(({ style: { faces } }) => (faces ? [faces.head, faces.text] : []))
    .filter(isOwnCut);

/**
 * What would be drawn and is not there or cannot be opened, as a fault: `picture-missing` with its name and how many there are,
 * `face-missing` for a font of one's own, `pages-gone` where a page of a booklet without text is shown, `volume-gone` with how many other titles it shows that are not there; null where all is there. What is made without is not what a person has seen.
 */
export async function missingFile(
  book: Book,
  what: Drawn,
  studio: Studio,
  others: Others = noOthers,
  scene: Scene = book.scene,
): Promise<Fault | null> {
  const gone = showsScene(book, what) ? goneFault(book, others, scene) : null;
  if (gone) return gone;
  const lost = new Map<string, string>();
  for (const [id, name] of wantedFor(book, what, others, scene)) {
    if (!lost.has(id) && !(await studio.picture(id))) lost.set(id, name);
  }
  const [first] = lost.values();
  if (first !== undefined) return fault('picture-missing', { name: first, count: lost.size });
  const cuts = [...ownCuts(book), ...(what === 'promo' ? campaignCuts(book) : [])];
  await studio.loadFonts(cuts);
  return cuts.every((cut) => studio.shaper.has(cut)) ? null : fault('face-missing');
}
