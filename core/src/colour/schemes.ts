import {
  type Hex,
  type Lab,
  chromaOf,
  contrast,
  hexOf,
  labOf,
  luminance,
  mostLegible,
  rgbOf,
  rgbOfLab,
} from './colour';
import type { Swatch } from './palette';

/** Colours that belong together, by what they are for. Words, second and accent read on the ground. */
export type Scheme = {
  readonly name: string;
  readonly ground: Hex;
  readonly words: Hex;
  readonly second: Hex;
  readonly accent: Hex;
};

const ENOUGH = 4.5;

/**
 * A colour of the given hue and chroma that reaches `ratio` against every one of `grounds`, as near to its own
 * lightness as that allows; black or white where no lightness does. Chroma gives way towards the ends of the scale.
 */
export function readableOn(hex: Hex, grounds: readonly Hex[], ratio = ENOUGH): Hex {
  const passes = (c: Hex): boolean => grounds.every((ground) => contrast(c, ground) >= ratio);
  if (passes(hex)) return hex;
  const [l, a, b] = labOf(rgbOf(hex));
  const at = (lightness: number): Hex => {
    const room = Math.min(1, Math.max(0.1, Math.min(lightness, 1 - lightness) / 0.12));
    return hexOf(rgbOfLab([lightness, a * room, b * room]));
  };
  for (let step = 1; step <= 50; step++) {
    const lighter = l + step * 0.02;
    const darker = l - step * 0.02;
    // The way that keeps nearer to the ground's opposite is tried first.
    const up = luminance(rgbOf(grounds[0])) < 0.18;
    for (const lightness of up ? [lighter, darker] : [darker, lighter]) {
      if (lightness > 1 || lightness < 0) continue;
      const candidate = at(lightness);
      if (passes(candidate)) return candidate;
    }
  }
  return mostLegible(grounds[0], ['#000000', '#ffffff']);
}

const turned = (lab: Lab, angleRad: number, chroma = 1): Lab => {
  const [c, s] = [Math.cos(angleRad), Math.sin(angleRad)];
  return [lab[0], (lab[1] * c - lab[2] * s) * chroma, (lab[1] * s + lab[2] * c) * chroma];
};

const hexAt = (lab: Lab, lightness: number, chroma = 1): Hex =>
  hexOf(rgbOfLab([lightness, lab[1] * chroma, lab[2] * chroma]));

/** A colour that is grey is given a little warmth, so that its schemes have a hue to turn. */
function withHue(lab: Lab): Lab {
  return chromaOf(lab) < 0.02 ? [lab[0], 0.02, 0.035] : lab;
}

/**
 * Schemes about one colour: its tints, its neighbours on the hue circle, its opposite and two at a third of the circle,
 * each on a dark and on a light ground. `under` are further colours that words will stand on (what is really behind
 * them in a picture): they read there too.
 */
export function schemesAround(hex: Hex, under: readonly Hex[] = []): Scheme[] {
  const base = withHue(labOf(rgbOf(hex)));
  const ways: readonly (readonly [string, number, number])[] = [
    ['Tints of one', 0, 0],
    ['Near neighbours', 0.6, -0.5],
    ['Opposites', Math.PI, 0],
    ['Thirds', (2 * Math.PI) / 3, (-2 * Math.PI) / 3],
  ];
  return ways.flatMap(([name, first, second]) =>
    [true, false].map((dark): Scheme => {
      const ground = dark ? hexAt(base, 0.24, 0.7) : hexAt(base, 0.93, 0.35);
      const grounds = [ground, ...under];
      const [a, b] = [turned(base, first), turned(base, second)];
      return {
        name: `${name}, ${dark ? 'dark' : 'light'}`,
        ground,
        words: readableOn(hexAt(b, dark ? 0.95 : 0.22, 0.35), grounds, under.length > 0 ? ENOUGH : 7),
        second: readableOn(hexAt(b, dark ? 0.82 : 0.36, 0.8), grounds),
        accent: readableOn(hexAt(a, dark ? 0.78 : 0.45, 1.1), grounds),
      };
    }),
  );
}

/** Schemes from a picture's own colours: grounds from its darkest and lightest, words and accents from the rest. */
export function schemesFrom(swatches: readonly Swatch[], under: readonly Hex[] = []): Scheme[] {
  if (swatches.length === 0) return [];
  const byLight = [...swatches].sort((a, b) => a.lab[0] - b.lab[0]);
  const vivid = [...swatches].sort((a, b) => chromaOf(b.lab) - chromaOf(a.lab));
  const [darkest, lightest] = [byLight[0], byLight[byLight.length - 1]];
  const main = [...swatches].sort((a, b) => b.share - a.share)[0];
  const made: Scheme[] = [
    ['The picture’s dark', hexAt(darkest.lab, Math.min(0.26, darkest.lab[0])), lightest, vivid[0]] as const,
    ['The picture’s light', hexAt(lightest.lab, Math.max(0.9, lightest.lab[0]), 0.6), darkest, vivid[0]] as const,
    [
      'The picture’s main colour',
      main.hex,
      lightest.lab[0] - main.lab[0] > 0.4 ? lightest : darkest,
      vivid[1] ?? vivid[0],
    ] as const,
    [
      'The picture’s strongest colour',
      hexAt(vivid[0].lab, vivid[0].lab[0] > 0.6 ? 0.86 : 0.34),
      vivid[0].lab[0] > 0.6 ? darkest : lightest,
      main,
    ] as const,
  ].map(([name, ground, words, accent]) => {
    const grounds = [ground, ...under];
    return {
      name,
      ground,
      words: readableOn(words.hex, grounds, under.length > 0 ? ENOUGH : 7),
      second: readableOn(words.hex, grounds),
      accent: readableOn(accent.hex, grounds),
    };
  });
  return [...made, ...schemesAround(vivid[0].hex, under).slice(0, 4)];
}

/** Eight schemes that would suit a picture, none like another: of its own colours, then round its strongest. */
export function unlikeSchemes(swatches: readonly Swatch[], under: readonly Hex[] = []): Scheme[] {
  const vivid = [...swatches].sort((a, b) => chromaOf(b.lab) - chromaOf(a.lab)).slice(0, 3);
  return unlike([...schemesFrom(swatches, under), ...vivid.flatMap(({ hex }) => schemesAround(hex, under))], 8);
}

/** How far two schemes are apart to the eye: the ground, which is most of a cover, counts most. */
export function schemesApart(a: Scheme, b: Scheme): number {
  const away = (x: Hex, y: Hex): number => {
    const [p, q] = [labOf(rgbOf(x)), labOf(rgbOf(y))];
    return Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]);
  };
  return away(a.ground, b.ground) + (away(a.words, b.words) + away(a.second, b.second) + away(a.accent, b.accent)) / 2;
}

/** Colours of which no two are one to the eye, the first of such kept. */
export function distinct(colours: readonly Hex[]): Hex[] {
  const taken: { hex: Hex; lab: Lab }[] = [];
  for (const hex of colours) {
    const lab = labOf(rgbOf(hex));
    const known = taken.some((one) => Math.hypot(...one.lab.map((v, i) => v - lab[i])) < ONE_COLOUR);
    if (!known) taken.push({ hex, lab });
  }
  return taken.map(({ hex }) => hex);
}

/** Distance in OKLab under which two colours look the same. */
const ONE_COLOUR = 0.02;

/** Least distance of two schemes of one list. */
export const UNLIKE = 0.12;

/** The first schemes of a list, up to `most`, of which none is like another. */
function unlike(schemes: readonly Scheme[], most: number): Scheme[] {
  const taken: Scheme[] = [];
  for (const one of schemes) {
    if (taken.length === most) break;
    const fresh = taken.every((other) => other.name !== one.name && schemesApart(other, one) >= UNLIKE);
    if (fresh) taken.push(one);
  }
  return taken;
}

/** Colours from a text that somebody pasted: #rgb and #rrggbb, with or without the sign, each once. */
export function readColours(text: string): Hex[] {
  const found = text.toLowerCase().match(/#[0-9a-f]{6}\b|#[0-9a-f]{3}\b|\b[0-9a-f]{6}\b/g) ?? [];
  const whole = found.map((one) => {
    const digits = one.replace('#', '');
    return `#${digits.length === 3 ? [...digits].map((d) => d + d).join('') : digits}`;
  });
  return [...new Set(whole)];
}

/** Schemes of colours that somebody brought: each in turn is the ground, the others are what stands on it, as readable as they must be. */
export function schemesOf(colours: readonly Hex[], under: readonly Hex[] = []): Scheme[] {
  const made = colours.map((ground, i): Scheme => {
    const rest = colours.filter((_, k) => k !== i);
    const byContrast = [...rest].sort((a, b) => contrast(b, ground) - contrast(a, ground));
    const [words = mostLegible(ground, ['#101112', '#fbf8f1']), second = words] = byContrast;
    const accent = [...rest].sort((a, b) => chromaOf(labOf(rgbOf(b))) - chromaOf(labOf(rgbOf(a))))[0] ?? second;
    const grounds = [ground, ...under];
    return {
      name: `On ${ground}`,
      ground,
      words: readableOn(words, grounds),
      second: readableOn(second, grounds),
      accent: readableOn(accent, grounds),
    };
  });
  return unlike(made, 8);
}
