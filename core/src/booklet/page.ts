import type { Hex } from '../colour';
import type { Path, Rect } from '../plane';
import type { CutId } from '../text';

/** A sign on a page: where its pen stands from the start of its mark, how far it moves it, and what it stands for, all in points. */
export type PageGlyph = {
  readonly glyph: number;
  readonly x: number;
  readonly dx: number;
  readonly dy: number;
  readonly advance: number;
  readonly text: string;
};

/** A run of letters of one face, size and colour on one baseline. */
export type TextMark = {
  readonly kind: 'text';
  readonly cut: CutId;
  readonly size: number;
  readonly colour: Hex;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly glyphs: readonly PageGlyph[];
  readonly link: string | null;
  /** It ends in a hyphen that the text does not have. */
  readonly divided: boolean;
};

/**
 * What stands on a page, from its top left, y down, in points. `tag` is the place in the structure that it belongs to;
 * null is ornament, which is not read aloud.
 */
export type Mark = (
  | TextMark
  | { readonly kind: 'fill'; readonly path: Path; readonly colour: Hex; readonly opacity: number }
  | { readonly kind: 'picture'; readonly image: string; readonly from: Rect; readonly to: Rect }
) & { readonly tag: number | null };

/** Structure types of ISO 32000, 14.8.4. */
export type TagKind =
  | 'Document'
  | 'H1'
  | 'H2'
  | 'H3'
  | 'P'
  | 'L'
  | 'LI'
  | 'Lbl'
  | 'LBody'
  | 'BlockQuote'
  | 'Div'
  | 'Table'
  | 'TR'
  | 'TH'
  | 'TD'
  | 'Figure'
  | 'Caption'
  | 'TOC'
  | 'TOCI'
  | 'Link';

/** A node of the structure; children follow from their parents, in order. The first is the document. */
export type Tag = { readonly kind: TagKind; readonly parent: number; readonly alt?: string };

/** Leads to an address, or to a page by its place from 0. */
export type PageLink = {
  readonly rect: Rect;
  readonly tag: number | null;
  readonly to: { readonly kind: 'url'; readonly url: string } | { readonly kind: 'page'; readonly page: number };
  /** What it says. */
  readonly label: string;
};

export type Page = {
  readonly number: number;
  readonly marks: readonly Mark[];
  readonly links: readonly PageLink[];
  /** Blocks of the text that stand on it at all, with the place of what is here of each: for choosing what is pointed at. */
  readonly places: readonly { readonly block: number; readonly rect: Rect }[];
};

export type OutlineEntry = { readonly text: string; readonly level: 1 | 2; readonly page: number; readonly y: number };

/** A booklet as pages. Equal text, look, sheet and dress give equal pages everywhere. */
export type Pages = {
  readonly width: number;
  readonly height: number;
  readonly pages: readonly Page[];
  readonly tags: readonly Tag[];
  readonly outline: readonly OutlineEntry[];
  /** What a person should know: codes for the sentence table. */
  readonly notes: readonly PageNote[];
};

export type PageNote =
  | { readonly kind: 'letters-missing'; readonly letters: string }
  | { readonly kind: 'word-cut'; readonly word: string }
  | { readonly kind: 'button-nowhere'; readonly label: string; readonly page: number }
  | { readonly kind: 'picture-missing'; readonly page: number }
  | { readonly kind: 'picture-small'; readonly page: number; readonly ppi: number }
  | { readonly kind: 'alt-missing'; readonly page: number };
