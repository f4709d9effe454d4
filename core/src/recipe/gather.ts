import type { LRUCache } from 'lru-cache';
import { keyOf } from '../base';
import type { Brief } from '../book';
import { type ImageNeed, type Resources, needs } from '../compose';
import type { Doc } from '../cover';
import { type Development, develop } from '../darkroom';
import type { Images, SurfaceImage } from '../ink';
import type { Raster } from '../pixels';
import { syllablesFor } from '../text';
import { textureRaster } from '../texture';
import { perStudio } from './per-studio';
import type { Studio } from './studio';

/** Most pixels kept of images that were made here: reduced, developed, or textures. */
const KEPT_PIXELS = 40_000_000;

/** Images made for one studio, the least recently used dropped first. */
type Made = LRUCache<string, SurfaceImage>;

const madeFor = perStudio<SurfaceImage>({
  maxSize: KEPT_PIXELS,
  sizeCalculation: ({ widthPx, heightPx }) => widthPx * heightPx,
});

const keep = (made: Made, name: string, image: SurfaceImage): SurfaceImage => {
  made.set(name, image);
  return image;
};

/**
 * Fonts and pictures of a document, ready to be painted `widthPx` wide: pictures at the lowest halved resolution that
 * is still enough, developed where a part asks for it. `extra` adds images that are made and not stored; `whole` says
 * that nothing was missing.
 */
export async function gather(
  doc: Doc,
  brief: Brief,
  studio: Studio,
  widthPx: number,
  extra: Images = new Map(),
): Promise<{ resources: Resources; images: Images; whole: boolean }> {
  const wanted = needs(doc, brief);
  await studio.loadFonts(wanted.cuts);
  const made = madeFor(studio);
  const images = new Map<string, SurfaceImage>(extra);
  const sizes = new Map<string, { widthPx: number; heightPx: number }>(extra);
  for (const need of wanted.images) {
    if (images.has(need.name)) continue;
    if (need.kind === 'made') {
      const base = extra.get(need.base);
      if (!base) continue;
      images.set(need.name, need.look ? developed(base, need.look, studio) : base);
      sizes.set(need.name, base);
      continue;
    }
    if (need.kind === 'texture') {
      images.set(need.name, textureFor(need, studio, widthPx, made));
      continue;
    }
    const found = await pictureFor(need, studio, widthPx, made);
    if (!found) continue;
    images.set(need.name, found.image);
    sizes.set(need.name, found.size);
  }
  const whole =
    wanted.images.every((need) => images.has(need.name)) && wanted.cuts.every((cut) => studio.shaper.has(cut));
  const syllables = wanted.hyphens === null ? null : await syllablesFor(wanted.hyphens);
  return { resources: { shaper: studio.shaper, images: sizes, syllables }, images, whole };
}

/** Copies of made pictures, developed: they go with the picture. */
const copies = new WeakMap<SurfaceImage, Map<string, SurfaceImage>>();

function developed(base: SurfaceImage, look: Development, studio: Studio): SurfaceImage {
  let known = copies.get(base);
  if (!known) copies.set(base, (known = new Map()));
  const key = keyOf(look);
  const made = known.get(key);
  if (made) return made;
  // A blurred picture has no detail that a smaller one lacks, and is blurred faster.
  let small = base;
  while (look.blur * small.widthPx > 6) small = studio.resized(small, Math.max(1, Math.round(small.widthPx / 2)));
  const image = studio.imageOf(develop(studio.pixelsOf(small), look));
  known.set(key, image);
  return image;
}

type TextureNeed = Extract<ImageNeed, { kind: 'texture' }>;

/** A texture, halved until one more would have fewer pixels than the cover. */
function textureFor(need: TextureNeed, studio: Studio, widthPx: number, made: Made): SurfaceImage {
  let image = made.get(need.name) ?? keep(made, need.name, studio.imageOf(textureRaster(need.spec, need.ratio)));
  for (let level = 1; image.widthPx / 2 >= widthPx; level++) {
    const name = `${need.name}@${level}`;
    image = made.get(name) ?? keep(made, name, studio.resized(image, Math.round(image.widthPx / 2)));
  }
  return image;
}

type AssetNeed = Extract<ImageNeed, { kind: 'asset' }>;
type Size = { readonly widthPx: number; readonly heightPx: number };

/** Sizes of full pictures, so that a reduced one can be used without opening the full one. */
const fullSizes = new WeakMap<Studio, Map<string, Size>>();

async function pictureFor(
  need: AssetNeed,
  studio: Studio,
  widthPx: number,
  made: Made,
): Promise<{ image: SurfaceImage; size: Size } | null> {
  let sizes = fullSizes.get(studio);
  if (!sizes) fullSizes.set(studio, (sizes = new Map()));
  let size = sizes.get(need.asset);
  if (!size) {
    const full = await studio.picture(need.asset);
    if (!full) return null;
    sizes.set(need.asset, (size = { widthPx: full.widthPx, heightPx: full.heightPx }));
  }
  const least = Math.max(need.across, (need.down * size.widthPx) / size.heightPx) * widthPx;
  let level = 0;
  while (size.widthPx / 2 ** (level + 1) >= least && size.widthPx / 2 ** (level + 1) >= 64) level++;
  // A blurred picture has no detail that a smaller one lacks, and is blurred faster.
  while (need.look && need.look.blur * (size.widthPx / 2 ** level) > 6) level++;
  const name = `${need.name}@${level}`;
  const known = made.get(name);
  if (known) return { image: known, size };
  let image = await reduced(need.asset, level, studio, made);
  if (!image) return null;
  if (need.look) {
    const matte = need.look.matte && (await matteFor(need.look.matte.picture, image.widthPx, studio, made));
    if (need.look.matte && !matte) return null;
    image = keep(made, name, studio.imageOf(develop(studio.pixelsOf(image), need.look, matte)));
  }
  return { image, size };
}

/** What says which of a picture is kept, in about as many pixels; null where it is missing. */
async function matteFor(asset: string, widthPx: number, studio: Studio, made: Made): Promise<Raster | null> {
  const full = await studio.picture(asset);
  if (!full) return null;
  let level = 0;
  while (full.widthPx / 2 ** (level + 1) >= widthPx) level++;
  const image = await reduced(asset, level, studio, made);
  return image && studio.pixelsOf(image);
}

/** A picture halved `level` times. */
async function reduced(asset: string, level: number, studio: Studio, made: Made): Promise<SurfaceImage | null> {
  if (level === 0) return studio.picture(asset);
  const name = `${asset}@${level}`;
  const known = made.get(name);
  if (known) return known;
  const above = await reduced(asset, level - 1, studio, made);
  if (!above) return null;
  const half = studio.resized(above, Math.max(1, Math.round(above.widthPx / 2)));
  return keep(made, name, half);
}
