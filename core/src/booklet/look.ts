import type { FaceGroup } from '../text';

/** The families that long text is set in: each has an italic and a bold. */
export const TEXT_FAMILIES = [
  'eb-garamond',
  'spectral',
  'crimson-pro',
  'lora',
  'libre-baskerville',
  'work-sans',
  'noto-serif',
] as const;
export type TextFamily = (typeof TEXT_FAMILIES)[number];

/** How pages look: choices that rules turn into pages. Colours, and where it suits the face of chapters, come from the cover. */
export type PageLook = {
  readonly id: string;
  readonly name: string;
  /** What it is for, one line. */
  readonly says: string;
  readonly text: TextFamily;
  /** Faces are of unlike size: how much larger than the sheet's text size this one is set. */
  readonly scale: number;
  /** Baseline to baseline, in sizes of the text. */
  readonly leading: number;
  /** The face of chapters: the cover's title face where it is of one of these groups, else this family's cut. */
  readonly display: { readonly cut: string; readonly cover: readonly FaceGroup[] };
  readonly filled: boolean;
  readonly paragraphs: 'indent' | 'space';
  /** One column in the middle, or to the right of a side for headings, captions and marks. */
  readonly layout: 'middle' | 'side';
  readonly opening: 'plate' | 'numeral' | 'rule' | 'bar' | 'quiet';
  readonly heading: 'plain' | 'rule' | 'caps' | 'italic';
  readonly tip: 'tint' | 'bar' | 'frame' | 'deep';
  readonly quote: 'bar' | 'large' | 'inset';
  readonly bullet: 'disc' | 'square' | 'dash';
  readonly foot: 'middle' | 'outer' | 'block';
  /** Where the title and the chapter run. */
  readonly running: 'head' | 'foot';
  readonly initial: boolean;
  readonly ground: 'white' | 'warm';
};
