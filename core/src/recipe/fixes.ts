import { type Hex, contrast, luminance, mostLegible, rgbOf, withLightness } from '../colour';
import { type Doc, type Part, type WordsPart, coloursOf, setPart } from '../cover';
import { change } from '../base';
import { ENOUGH } from '../glance';
import type { Raster } from '../pixels';
import type { Book } from '../project';
import { settledCover } from './cover';
import type { Studio } from './studio';

/** A way to make words read, tried and measured: `changes` are what it writes, `worstTenth` is what it reaches. */
export type Fix = {
  readonly kind: 'colour' | 'scrim' | 'plate' | 'outline' | 'picture';
  readonly changes: readonly { readonly part: string; readonly fields: Partial<Part> }[];
  readonly worstTenth: number;
  readonly preview: Raster;
};

const PREVIEW_PX = 120;

/** Writes what a fix changes. */
export function withChanges(doc: Doc, changes: Fix['changes']): Doc {
  return changes.reduce((now, { part, fields }) => {
    const done = change(now, setPart(part, fields));
    return done.ok ? done.value.next : now;
  }, doc);
}

/**
 * Ways to make the words of a part reach 4.5 : 1 in their worst tenth, each tried on the real cover; only those that do
 * are offered, the least change first, at most `most`. Stops between tries when `stopped` says so.
 */
export async function contrastFixes(
  book: Book,
  partId: string,
  studio: Studio,
  stopped: () => boolean = () => false,
  most = Infinity,
): Promise<Fix[]> {
  const part = book.cover.parts[partId];
  if (part?.kind !== 'words') return [];
  const found: Fix[] = [];
  const attempt = async (kind: Fix['kind'], tries: readonly Fix['changes'][]): Promise<void> => {
    for (const changes of tries) {
      if (stopped() || found.length >= most) return;
      const cover = withChanges(book.cover, changes);
      if (cover === book.cover) continue;
      const { settled, images } = await settledCover({ ...book, cover }, studio, PREVIEW_PX * 2);
      const reached = settled.reports.get(partId)?.worstTenth ?? 0;
      if (reached < ENOUGH) continue;
      const preview = studio.paint(settled.composition.ink, PREVIEW_PX, images);
      found.push({ kind, changes, worstTenth: reached, preview });
      return;
    }
  };
  const own = (fields: Partial<WordsPart>): Fix['changes'] => [{ part: partId, fields }];
  // Without help by an added scrim, so that each way is judged for itself.
  const alone = { support: 'none' } as const;
  await attempt(
    'colour',
    colourTries(part, book.cover).map((colour) =>
      own({ ...alone, colour, fill: null, minor: part.minor && { ...part.minor, colour } }),
    ),
  );
  if (part.support === 'none') await attempt('scrim', [own({ support: 'auto' })]);
  await attempt(
    'picture',
    pictureTries(book.cover).map((changes) => [...changes, { part: partId, fields: alone }]),
  );
  const [behind] = mostLegibleBehind(part.colour);
  await attempt(
    'outline',
    [0.03, 0.05, 0.08].map((width) => own({ ...alone, outline: { width, colour: behind, side: 'outside' } })),
  );
  await attempt(
    'plate',
    [0.7, 0.85, 1].map((opacity) =>
      own({ ...alone, plate: { padX: 0.35, padY: 0.25, radius: 0, colour: behind, opacity, blend: 'normal' } }),
    ),
  );
  return found;
}

/** Colours to try: the cover's own, then lighter and darker ones of the words' hue, nearest in lightness first. */
function colourTries(part: WordsPart, doc: Doc): Hex[] {
  const others = coloursOf(doc).filter((hex) => hex !== part.colour);
  const tints = [0.98, 0.95, 0.9, 0.85, 0.12, 0.18, 0.25].map((l) => withLightness(part.colour, l, 0.6));
  const light = luminance(rgbOf(part.colour));
  const near = (hex: Hex): number => Math.abs(luminance(rgbOf(hex)) - light);
  return [...others.sort((a, b) => near(a) - near(b)), ...tints, '#ffffff', '#101112'].slice(0, 16);
}

/** Other crops of the picture that fills the cover. */
function pictureTries(doc: Doc): Fix['changes'][] {
  const picture = Object.values(doc.parts).find(
    (p) => p.kind === 'picture' && !p.hidden && !p.locked && p.fit === 'fill' && p.area.width > 0.8,
  );
  if (picture?.kind !== 'picture') return [];
  const places = [0, 0.25, 0.5, 0.75, 1];
  const { focus } = picture;
  const zoom = Math.max(picture.zoom, 1.15);
  const away = (x: number, y: number): number => Math.hypot(x - focus.x, y - focus.y);
  return places
    .flatMap((x) => places.map((y) => ({ x, y })))
    .filter(({ x, y }) => away(x, y) > 0.05)
    .sort((a, b) => away(a.x, a.y) - away(b.x, b.y))
    .slice(0, 8)
    .map((at) => [{ part: picture.id, fields: { focus: at, zoom } }]);
}

const mostLegibleBehind = (colour: Hex): Hex[] => {
  const dark = withLightness(colour, 0.2, 0.5);
  const light = withLightness(colour, 0.96, 0.4);
  const best = mostLegible(colour, [dark, light]);
  return [contrast(best, colour) >= ENOUGH ? best : mostLegible(colour, ['#101112', '#ffffff'])];
};
