import { keyOf } from '../../base';
import { type Raster, raster } from '../../pixels';
import { type ArtSide, type Look, keyboard, pageEdges, printedPage } from '../models';
import type { FITS, SURFACES, Scene, Thing, ThingArt } from '../scene';

/** Art that a scene asks for: what it is of, the side, the ratio of the place and how art of another ratio goes into it. */
export type WantedArt = {
  readonly art: ThingArt;
  readonly side: ArtSide;
  readonly ratio: number;
  readonly fit: (typeof FITS)[number];
  readonly surface: (typeof SURFACES)[number];
  /** A picture of the title that is used for this side. */
  readonly own: string | null;
};

const ownOf = (side: ArtSide, thing: Thing): string | null =>
  side === 'spine' ? thing.spine : side === 'back' ? thing.back : null;

const wantedOf = (look: Extract<Look, { kind: 'art' }>, thing: Thing): WantedArt => ({
  art: thing.art,
  side: look.side,
  ratio: look.ratio,
  fit: thing.fit,
  surface: look.surface === 'cover' ? thing.surface : 'satin',
  own: ownOf(look.side, thing),
});

/** Key of what is printed on a face; equal keys, equal pixels for the same art. */
export function lookKey(look: Look, thing: Thing): string {
  if (look.kind !== 'art') return keyOf(look);
  const { surface, ratio, ...wanted } = wantedOf(look, thing);
  return keyOf({ ...wanted, ratio: ratio.toFixed(4), linen: surface === 'linen' });
}

/** Pixels of a look that is drawn from its numbers; null for art. */
export function drawnLook(look: Look): Raster | null {
  switch (look.kind) {
    case 'pages':
      return pageEdges(look.leaves, look.throughMm, look.turned);
    case 'text':
      return printedPage(look.seed, 0.65);
    case 'keys':
      return keyboard();
    case 'art':
    case 'flat':
      return null;
  }
}

/** Threads of a linen cloth across a face's width. */
const THREADS = 340;

/** Art as it is printed on cloth: the threads' light and dark over it. */
export function onLinen(art: Raster): Raster {
  const out = raster(art.width, art.height, new Uint8ClampedArray(art.data));
  const k = (THREADS * Math.PI * 2) / art.width;
  for (let y = 0; y < art.height; y++) {
    for (let x = 0; x < art.width; x++) {
      const [u, v] = [Math.sin(x * k + 0.8 * Math.sin(y * 0.013)), Math.sin(y * k + 0.8 * Math.sin(x * 0.017))];
      // Over and under: where one thread lies on top, the other dips.
      const over = Math.sin(x * k * 0.5) * Math.sin(y * k * 0.5) > 0 ? u : v;
      const tone = 1 + 0.075 * over;
      const p = (y * out.width + x) * 4;
      for (let c = 0; c < 3; c++) out.data[p + c] = Math.min(255, out.data[p + c] * tone + 2.5 * over);
    }
  }
  return out;
}

/** Looks and art of a scene's things, each once by its key. */
export function looksOf(
  scene: Scene,
  looks: readonly ReadonlyMap<string, Look>[],
): { drawn: Map<string, Look>; art: Map<string, WantedArt> } {
  const drawn = new Map<string, Look>();
  const art = new Map<string, WantedArt>();
  looks.forEach((faces, i) => {
    const thing = scene.things[i];
    for (const look of faces.values()) {
      if (look.kind === 'flat') continue;
      if (look.kind === 'art') art.set(lookKey(look, thing), wantedOf(look, thing));
      else drawn.set(lookKey(look, thing), look);
    }
  });
  return { drawn, art };
}
