import { keyOf } from '../base';
import type { Brief } from '../book';
import { type Doc, type Fill, type OverlayPart, type PicturePart, type PictureSource } from '../cover';
import { type Development, enlargedBy, isPlain } from '../darkroom';
import { type TextureSpec } from '../texture';
import { FALLBACK_CUT, fallbacksFor } from '../text';
import { textOf } from './words-of';

/** An image that a composition draws, and how it comes to be. It fills a place of `across` x `down` fractions of the cover's
 * width at the least, so that a resolution can be chosen. */
export type ImageNeed =
  | {
      readonly kind: 'asset';
      readonly name: string;
      readonly asset: string;
      readonly look: Development | null;
      readonly across: number;
      readonly down: number;
    }
  | { readonly kind: 'texture'; readonly name: string; readonly spec: TextureSpec; readonly ratio: number }
  /** Made of the title itself: whoever composes hands it in under `base`. */
  | {
      readonly kind: 'made';
      readonly name: string;
      readonly base: string;
      readonly source: MadeSource;
      readonly look: Development | null;
      readonly across: number;
      readonly down: number;
    };
export type MadeSource = Exclude<PictureSource, { kind: 'asset' }>;

export type Needs = {
  readonly cuts: readonly string[];
  readonly images: readonly ImageNeed[];
  /** The language whose words are divided; null where none are. */
  readonly hyphens: string | null;
};

/** The name of a picture before it is developed. */
export function baseName(source: PictureSource): string {
  switch (source.kind) {
    case 'asset':
      return source.asset;
    case 'mockup':
    case 'pinned':
      return source.kind;
    case 'shot':
      return source.set ? `shot:${source.shot}:${keyOf(source.set)}` : `shot:${source.shot}`;
    case 'cover':
      return source.bare ? 'cover:bare' : 'cover';
    case 'reveal':
      return `reveal:${keyOf(source)}`;
  }
}

/** The name under which a picture part finds its image: developed copies have names of their own. */
export function imageOf(part: PicturePart): string {
  const base = baseName(part.source);
  const look = developmentOf(part);
  return isPlain(look) ? base : `${base}#${keyOf(look)}`;
}

const developmentOf = ({ look, soft, cutOut, lean, source }: PicturePart): Development => {
  const { brightness, contrast, saturation, hueRad, tint, blur } = look;
  // It was found in one picture, and cuts no other.
  const own = source.kind === 'asset' && source.asset === cutOut?.of;
  const matte = cutOut && own ? { picture: cutOut.matte, feather: cutOut.feather } : null;
  return { brightness, contrast, saturation, hueRad, tint, blur, clear: soft?.clear ?? null, matte, lean };
};

const ratioOf = (doc: Doc): number => Math.round((1000 * doc.heightPx) / doc.widthPx) / 1000;

export const textureOf = (part: OverlayPart): TextureSpec => {
  const { texture, seed, scale, amount, angleRad, colour } = part;
  return { texture, seed, scale, amount, angleRad, colour };
};

export const textureName = (spec: TextureSpec, doc: Doc): string => `texture:${keyOf({ spec, ratio: ratioOf(doc) })}`;

/** The grain that lies over a picture: of the cover's own pixels, whatever the picture's size. */
export const grainOf = (part: PicturePart): TextureSpec => ({
  texture: 'grain',
  seed: 3,
  scale: 1,
  amount: part.look.grain * 0.6,
  angleRad: 0,
  colour: '#000000',
});

/** The fonts and pictures that `compose` will ask for. */
export function needs(doc: Doc, brief: Brief): Needs {
  const cuts = new Set<string>([FALLBACK_CUT]);
  const images = new Map<string, ImageNeed>();
  const want = (need: ImageNeed): void => {
    const known = images.get(need.name);
    if (known && 'across' in known && 'across' in need && known.across >= need.across && known.down >= need.down)
      return;
    images.set(need.name, need);
  };
  const wantFill = (fill: Fill | null, across: number, down: number): void => {
    if (fill?.kind === 'picture')
      want({
        kind: 'asset',
        name: fill.asset,
        asset: fill.asset,
        look: null,
        across: across * fill.zoom,
        down: down * fill.zoom,
      });
  };
  const wantTexture = (spec: TextureSpec): void =>
    want({ kind: 'texture', name: textureName(spec, doc), spec, ratio: ratioOf(doc) });
  for (const part of Object.values(doc.parts)) {
    switch (part.kind) {
      case 'words':
        [part.cut, part.minor?.cut, part.initial?.cut, ...part.accents.map((a) => a.cut)].forEach(
          (cut) => cut && cuts.add(cut),
        );
        fallbacksFor(textOf(part, brief)).forEach((cut) => cuts.add(cut));
        wantFill(part.fill, part.area.width, part.area.height * ratioOf(doc));
        break;
      case 'picture': {
        if (part.mask?.kind === 'letters') cuts.add(part.mask.cut);
        if (part.look.grain > 0) wantTexture(grainOf(part));
        const wanted = developmentOf(part);
        const look = isPlain(wanted) ? null : wanted;
        const k = part.zoom * (part.innerTurnRad === 0 ? 1 : 1.6) * enlargedBy(part.lean);
        const tiled = part.fit === 'tile';
        const size = {
          across: k * (tiled ? part.tileSize : part.area.width),
          down: k * (tiled ? 0 : part.area.height * ratioOf(doc)),
        };
        const { source } = part;
        if (source.kind === 'asset') want({ kind: 'asset', name: imageOf(part), asset: source.asset, look, ...size });
        else want({ kind: 'made', name: imageOf(part), base: baseName(source), source, look, ...size });
        break;
      }
      case 'shape':
        wantFill(part.fill, part.area.width, part.area.height * ratioOf(doc));
        break;
      case 'ground':
        wantFill(part.paint, 1, ratioOf(doc));
        break;
      case 'overlay':
        wantTexture(textureOf(part));
        break;
      case 'scrim':
      case 'curve':
        break;
    }
  }
  const divided = Object.values(doc.parts).some((part) => part.kind === 'words' && part.hyphens && !part.hidden);
  return { cuts: [...cuts], images: [...images.values()], hyphens: divided ? brief.language : null };
}
