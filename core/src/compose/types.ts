import type { Finding } from '../base';
import type { Area, Doc, ScrimPart } from '../cover';
import type { Ink } from '../ink';
import type { Affine, Rect } from '../plane';
import type { Block, Shaper, Syllables } from '../text';

export type Size = { readonly widthPx: number; readonly heightPx: number };

export type Resources = {
  readonly shaper: Shaper;
  /** Sizes of the images by name, upright. */
  readonly images: ReadonlyMap<string, Size>;
  /** How words of the title's language are divided; null where none are, or its rules are not known. */
  readonly syllables: Syllables | null;
};

/** A scrim that the engine adds behind words; it is drawn over pictures and under shapes and words. */
export type AddedScrim = Pick<ScrimPart, 'hold' | 'reach' | 'colour' | 'opacity'> & {
  readonly from: 'top' | 'bottom';
  readonly parts: readonly string[];
};

export type Composition = {
  readonly ink: Ink;
  /** Set words by part. */
  readonly blocks: ReadonlyMap<string, Block>;
  /** Frame of every part in pixels: the area, or for words the box of their letters. */
  readonly frames: ReadonlyMap<string, Rect>;
  readonly findings: readonly Finding[];
};

/** What an item of a part is laid down with. */
export type Laid = {
  readonly part: string;
  readonly blend: ScrimPart['blend'];
  readonly opacity: number;
  readonly transform: Affine | null;
};

export const areaPx = (area: Area, doc: Size): Rect => ({
  x: area.x * doc.widthPx,
  y: area.y * doc.heightPx,
  width: area.width * doc.widthPx,
  height: area.height * doc.heightPx,
});

export const wholeOf = (doc: Pick<Doc, 'widthPx' | 'heightPx'>): Rect => ({
  x: 0,
  y: 0,
  width: doc.widthPx,
  height: doc.heightPx,
});
