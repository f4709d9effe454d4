import { type Hex, type Swatch, chromaOf, contrast, hexAtHue, hueOf, hueTurn, hueWeight, readableOn } from '../colour';

/** Colours of pages by what they are for. All words read on what they stand on: text at 10 : 1, the rest at 4.6 : 1 or more. */
export type PageColours = {
  readonly paper: Hex;
  readonly ink: Hex;
  /** Captions and what runs at the head and foot. */
  readonly soft: Hex;
  /** Headings, marks and links. */
  readonly accent: Hex;
  readonly rule: Hex;
  /** A pale field for advice, and a deep one for openings, with words on it. */
  readonly tint: Hex;
  readonly deep: Hex;
  readonly onDeep: Hex;
  readonly button: Hex;
  readonly onButton: Hex;
};

/** Colours from the cover's own: what is strong in it marks the pages, ink and paper lean a little to its hue. */
export function pageColours(swatches: readonly Swatch[], ground: 'white' | 'warm'): PageColours {
  const coloured = swatches.filter(({ lab }) => chromaOf(lab) > 0.025).sort((a, b) => hueWeight(b) - hueWeight(a));
  const main = coloured[0]?.lab ?? null;
  const hue = main ? hueOf(main) : 1.2;
  const strength = main ? Math.min(0.14, Math.max(0.05, chromaOf(main))) : 0.01;
  const paper = ground === 'warm' ? hexAtHue(0.982, 0.011, 1.4) : '#ffffff';
  const tint = hexAtHue(0.945, Math.min(0.03, strength * 0.4), hue);
  const deep = readableOn(hexAtHue(0.34, Math.min(0.09, strength), hue), ['#ffffff'], 7);
  // A second strong hue makes the button: it must not be taken for a heading.
  const other = coloured.find(({ lab }) => hueTurn(hueOf(lab), hue) > 0.6 && chromaOf(lab) > 0.05);
  const buttonHue = other ? hueOf(other.lab) : hue;
  const button = readableOn(
    hexAtHue(0.52, Math.max(0.09, Math.min(0.15, strength * 1.3)), buttonHue),
    [paper, '#ffffff'],
    4.6,
  );
  return {
    paper,
    ink: readableOn(hexAtHue(0.22, 0.015, hue), [paper], 10),
    soft: readableOn(hexAtHue(0.47, 0.025, hue), [paper], 5),
    accent: readableOn(hexAtHue(0.46, strength, hue), [paper, tint], 4.8),
    rule: hexAtHue(0.8, Math.min(0.05, strength * 0.6), hue),
    tint,
    deep,
    onDeep: contrast('#ffffff', deep) >= 7 ? hexAtHue(0.985, 0.008, hue) : '#ffffff',
    button,
    onButton: '#ffffff',
  };
}
