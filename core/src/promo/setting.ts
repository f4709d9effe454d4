import type { Busyness } from '../compose';
import { LinkTarget } from '../cover';
import type { Rect } from '../plane';
import type { Shaper } from '../text';
import type { Reveal } from './campaign';
import type { Format } from './formats';
import type { Slots } from './message';
import type { ShotId } from './shots';
import type { Tone } from './tones';

/** Faces of a campaign: of its headline, its lines, and its button. */
export type Faces = {
  readonly head: string;
  readonly text: string;
  readonly strong: string;
  /** The headline in capitals, where it is short. */
  readonly upper: boolean;
};

export type CoverFacts = {
  /** Height by width. */
  readonly ratio: number;
  /** Where the cover without its words is busy; null where its words cannot be taken away. */
  readonly map: Busyness | null;
  /** Titles of the series, this one among them. */
  readonly volumes: number;
  /** The title's photograph with the cover on it: width by height, and where in it the cover is, fractions; null where there is none. */
  readonly photo: { readonly ratio: number; readonly at: { readonly x: number; readonly y: number } } | null;
};

/** What stands behind a promo instead of its look's own ground. */
export type Backing =
  | { readonly kind: 'look' }
  | { readonly kind: 'tone' }
  | { readonly kind: 'cover' }
  | { readonly kind: 'picture'; readonly asset: string };

/** What a look composes from. */
export type PromoSetting = {
  readonly format: Format;
  readonly slots: Slots;
  readonly tone: Tone;
  readonly faces: Faces;
  readonly cover: CoverFacts;
  readonly backing: Backing;
  /** In a message that reveals the cover: how, and where. */
  readonly reveal: (Omit<Reveal, 'at'> & { readonly at: { readonly x: number; readonly y: number } }) | null;
  readonly shaper: Shaper;
  /** The box round the things in a shot's square picture, fractions of its side. */
  box(shot: ShotId): Rect;
};

/** What a typed address leads to; null where it is none. */
export function linkOf(text: string): string | null {
  const url = /^(https?:\/\/|mailto:)/i.test(text)
    ? text
    : /^[^\s@]+@[^\s@]+\.\w+$/.test(text)
      ? `mailto:${text}`
      : `https://${text}`;
  const parsed = LinkTarget.safeParse(url);
  return text.includes('.') && parsed.success ? parsed.data : null;
}
