import type { Hex } from '../colour';
import type { Affine, Path, Point, Rect } from '../plane';

/** Blend modes of the W3C compositing standard that a canvas knows. */
export const BLENDS = [
  'normal',
  'multiply',
  'screen',
  'overlay',
  'darken',
  'lighten',
  'color-dodge',
  'color-burn',
  'hard-light',
  'soft-light',
  'difference',
  'exclusion',
  'hue',
  'saturation',
  'color',
  'luminosity',
] as const;
export type Blend = (typeof BLENDS)[number];

/** `at` 0..1 along the gradient, `opacity` 0..1. */
export type Stop = { readonly at: number; readonly colour: Hex; readonly opacity: number };

export type Paint =
  | { readonly kind: 'flat'; readonly colour: Hex; readonly opacity: number }
  | { readonly kind: 'linear'; readonly from: Point; readonly to: Point; readonly stops: readonly Stop[] }
  | { readonly kind: 'radial'; readonly centre: Point; readonly radius: number; readonly stops: readonly Stop[] };

/**
 * One thing to draw, in cover pixels. `part` names the part it comes from, so that one part can be painted alone
 * or left out; null for what no part owns.
 */
export type InkItem = (
  | { readonly kind: 'fill'; readonly path: Path; readonly paint: Paint }
  | {
      readonly kind: 'stroke';
      readonly path: Path;
      readonly widthPx: number;
      readonly paint: Paint;
      /** Lengths of dash and gap, px; none draws a whole line. */
      readonly dash: readonly number[];
      readonly cap: 'round' | 'butt';
      readonly join: 'round' | 'miter';
    }
  /** `from` in fractions of the image, so that any resolution of it will do. */
  | {
      readonly kind: 'image';
      readonly image: string;
      readonly from: Rect;
      readonly to: Rect;
      /** Has no edges of its own: may be enlarged the fast way. */
      readonly soft?: boolean;
    }
  /** Painted apart, cut to where `mask` is, taken away where `without` is, blurred (standard deviation, px), and then laid down as one. */
  | {
      readonly kind: 'group';
      readonly items: readonly InkItem[];
      readonly mask: readonly InkItem[] | null;
      readonly without: readonly InkItem[] | null;
      readonly blurPx: number;
    }
) & {
  readonly part: string | null;
  readonly blend: Blend;
  readonly opacity: number;
  readonly transform: Affine | null;
};

/** A display list: the painter needs nothing else but the named images. */
export type Ink = { readonly widthPx: number; readonly heightPx: number; readonly items: readonly InkItem[] };

const plain = { part: null, blend: 'normal', opacity: 1, transform: null } as const;

export const flat = (colour: Hex, opacity = 1): Paint => ({ kind: 'flat', colour, opacity });

export const fill = (path: Path, paint: Paint, more: Partial<InkItem> = {}): InkItem =>
  ({ ...plain, kind: 'fill', path, paint, ...more }) as InkItem;

export const stroke = (path: Path, widthPx: number, paint: Paint, more: Partial<InkItem> = {}): InkItem =>
  ({ ...plain, kind: 'stroke', path, widthPx, paint, dash: [], cap: 'round', join: 'round', ...more }) as InkItem;

export const image = (id: string, from: Rect, to: Rect, more: Partial<InkItem> = {}): InkItem =>
  ({ ...plain, kind: 'image', image: id, from, to, ...more }) as InkItem;

export const group = (items: readonly InkItem[], more: Partial<InkItem> = {}): InkItem =>
  ({ ...plain, kind: 'group', items, mask: null, without: null, blurPx: 0, ...more }) as InkItem;

/** Names of all images a list draws. */
export function imagesOf(items: readonly InkItem[]): string[] {
  return items.flatMap((item) => {
    if (item.kind === 'image') return [item.image];
    return item.kind === 'group' ? [item.items, item.mask ?? [], item.without ?? []].flatMap(imagesOf) : [];
  });
}
