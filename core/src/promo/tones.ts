import {
  type Hex,
  type Hue,
  type Hues,
  type Lab,
  chromaOf,
  contrast,
  hexAtHue,
  hexOf,
  hueOf,
  labOf,
  readableOn,
  rgbOf,
  rgbOfLab,
} from '../colour';

/** Colours of one promo. All words read on all that they can stand on, by construction. */
export type Tone = {
  /** The ground, and its lighter middle. */
  readonly ground: Hex;
  readonly centre: Hex;
  readonly dark: boolean;
  /** Headline at 7 : 1 where any lightness reaches it; lines under it at 5 : 1. */
  readonly ink: Hex;
  readonly soft: Hex;
  /** Rules and ornaments. */
  readonly accent: Hex;
  /** The button, and words on it. */
  readonly plate: Hex;
  readonly onPlate: Hex;
  /** A second surface that is clearly another than the ground, and words on it. */
  readonly block: Hex;
  readonly onBlock: Hex;
  readonly blockPlate: Hex;
  readonly onBlockPlate: Hex;
};

export const TONES = ['deep', 'pale', 'vivid', 'second', 'blush', 'paper', 'night'] as const;
export type ToneName = (typeof TONES)[number];

const apart = (a: Lab, b: Lab): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** A button that cannot be missed: the colour of the cover that stands out most from the ground. */
function plateOn(ground: Hex, { first, second }: Hues): { plate: Hex; onPlate: Hex } {
  const lab = labOf(rgbOf(ground));
  const choices = [first, second].flatMap(({ hue, chroma }) =>
    [0.34, 0.5, 0.66, 0.86].map((l) => hexAtHue(l, Math.min(0.17, Math.max(0.07, chroma * 1.3)), hue)),
  );
  const fit = choices.filter((c) => contrast(c, ground) >= 3.2);
  const worth = (c: Hex): number => {
    const own = labOf(rgbOf(c));
    return apart(own, lab) + chromaOf(own) * 1.6;
  };
  const plate = [...fit].sort((a, b) => worth(b) - worth(a))[0] ?? readableOn(choices[0], [ground], 3.2);
  const onPlate =
    contrast('#ffffff', plate) >= 4.8 ? '#ffffff' : readableOn(hexAtHue(0.2, 0.03, first.hue), [plate], 6);
  return { plate, onPlate };
}

/** Colours on a ground: its own hue in the words. */
export function toneOn(ground: Hex, hues: Hues, lift = 0.05): Tone {
  const lab = labOf(rgbOf(ground));
  const dark = contrast('#ffffff', ground) >= contrast('#000000', ground);
  const hue = chromaOf(lab) > 0.015 ? hueOf(lab) : hues.first.hue;
  const centre = hexOf(rgbOfLab([Math.min(0.985, lab[0] + lift), lab[1], lab[2]]));
  const grounds = [ground, centre];
  const block = dark
    ? hexAtHue(Math.max(0.78, lab[0] + 0.4), Math.min(0.09, hues.second.chroma), hues.second.hue)
    : hexAtHue(Math.min(0.38, lab[0] - 0.4), Math.min(0.09, hues.second.chroma), hues.second.hue);
  const button = plateOn(block, hues);
  return {
    blockPlate: button.plate,
    onBlockPlate: button.onPlate,
    ground,
    centre,
    dark,
    ink: readableOn(hexAtHue(dark ? 0.97 : 0.2, dark ? 0.018 : 0.035, hue), grounds, 7),
    soft: readableOn(hexAtHue(dark ? 0.86 : 0.36, 0.055, hues.second.hue), grounds, 5),
    accent: readableOn(
      hexAtHue(dark ? 0.8 : 0.48, Math.min(0.14, hues.second.chroma * 1.2), hues.second.hue),
      grounds,
      3,
    ),
    ...plateOn(ground, hues),
    block,
    onBlock: readableOn(hexAtHue(dark ? 0.22 : 0.97, 0.03, hues.second.hue), [block], 7),
  };
}

/** How far a ground's lightness stays from the cover's. */
const APART = 0.1;

/** The grounds that a cover's own hues give. */
export function toneOf(name: ToneName, hues: Hues): Tone {
  const { first, second, light } = hues;
  // A book on a ground of its own lightness does not step forward: the ground gives way, dark ones up, pale ones down.
  const off = (l: number): number => {
    const near = APART - Math.abs(l - light);
    return near <= 0
      ? l
      : l < 0.6
        ? Math.min(0.43, Math.max(l, light) + near)
        : Math.max(0.78, Math.min(l, light) - near);
  };
  const some = (most: number, of: Hue): number => Math.min(most, of.chroma);
  switch (name) {
    case 'deep':
      return toneOn(hexAtHue(off(0.29), some(0.062, first), first.hue), hues, 0.085);
    case 'pale':
      return toneOn(hexAtHue(off(0.915), some(0.032, first), first.hue), hues, 0.045);
    case 'vivid':
      return toneOn(
        hexAtHue(0.46, Math.min(0.13, Math.max(Math.min(0.07, first.chroma * 2.2), first.chroma * 1.3)), first.hue),
        hues,
        0.035,
      );
    case 'second':
      return toneOn(hexAtHue(off(0.33), some(0.075, second), second.hue), hues, 0.07);
    case 'blush':
      return toneOn(hexAtHue(off(0.89), some(0.042, second), second.hue), hues, 0.045);
    case 'paper':
      return toneOn(hexAtHue(0.955, 0.014, 1.35), hues, 0.02);
    case 'night':
      return toneOn(hexAtHue(off(0.2), some(0.035, first), first.hue), hues, 0.06);
  }
}

/** Two ends between which a picture is printed so that words in the tone's ink read on all of it. */
export function printEnds(tone: Tone): { dark: Hex; light: Hex } {
  const [lightness, a, b] = labOf(rgbOf(tone.ground));
  // Farther from the ground there is room for more of its colour.
  const at = (l: number): Hex => {
    const more = 1 + Math.min(1.2, Math.abs(l - lightness) * 4);
    return hexOf(rgbOfLab([l, a * more, b * more]));
  };
  const reads = (c: Hex): boolean => contrast(tone.ink, c) >= 5.4 && contrast(tone.soft, c) >= 4.7;
  const steps = Array.from({ length: 45 }, (_, i) => 0.06 + i * 0.02)
    .map(at)
    .filter(reads);
  const [low, high] = [steps[0] ?? tone.ground, steps.at(-1) ?? tone.ground];
  return { dark: low, light: high };
}
