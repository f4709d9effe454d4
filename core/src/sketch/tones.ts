import type { Mood } from '../book';
import {
  type Hex,
  type Lab,
  type Swatch,
  chromaOf,
  hexOf,
  hexTurned,
  labOf,
  luminance,
  palette,
  readableOn,
  rgbOf,
  rgbOfLab,
  schemesAround,
  schemesFrom,
} from '../colour';
import type { Raster } from '../pixels';
import { CHORDS, type Chord, type Tone } from './moods';
import type { Tones } from './sketch';

/** Contrast of the title, and of all other words, on what they stand on. */
const STRONG = 7;

export const hexOfTone = ([l, c, h]: Tone): Hex => {
  const a = (h * Math.PI) / 180;
  return hexOf(rgbOfLab([l, c * Math.cos(a), c * Math.sin(a)]));
};

export const labDistance = (x: Lab, y: Lab): number => Math.hypot(x[0] - y[0], x[1] - y[1], x[2] - y[2]);

/** OKLab distance of two colours; 0.1 is a clear difference. */
export const toneDistance = (a: Hex, b: Hex): number => labDistance(labOf(rgbOf(a)), labOf(rgbOf(b)));

export const isDark = (hex: Hex): boolean => luminance(rgbOf(hex)) < 0.22;

/** The least distance of the second surface from the ground, OKLab. */
const APART = 0.12;

/** Moves a colour in lightness, away from the ground, until the two surfaces can be told apart. */
function apartFrom(ground: Hex, block: Hex): Hex {
  const [l, a, b] = labOf(rgbOf(block));
  const [g] = labOf(rgbOf(ground));
  const up = l === g ? g < 0.5 : l > g;
  for (let step = 0; step <= 30; step++) {
    for (const way of up ? [1, -1] : [-1, 1]) {
      const lightness = l + way * step * 0.03;
      if (lightness < 0.04 || lightness > 0.98) continue;
      const found = hexOf(rgbOfLab([lightness, a, b]));
      if (toneDistance(found, ground) >= APART) return found;
    }
  }
  return isDark(ground) ? '#f2efe8' : '#20201f';
}

/** Tones whose words read by construction: title 7 : 1 where any lightness reaches it, all others 4.5 : 1. */
export function tonesOf(name: string, from: { ground: Hex; words: Hex; second?: Hex; accent: Hex; block: Hex }): Tones {
  const { ground } = from;
  const words = readableOn(from.words, [ground], STRONG);
  const block = apartFrom(ground, from.block);
  return {
    name,
    ground,
    words,
    second: readableOn(from.second ?? mixed(from.words, from.accent), [ground]),
    accent: readableOn(from.accent, [ground]),
    block,
    onBlock: readableOn(isDark(block) === isDark(ground) ? words : ground, [block], STRONG),
  };
}

/** Half way between two colours, OKLab. */
export function mixed(a: Hex, b: Hex, share = 0.5): Hex {
  const [x, y] = [labOf(rgbOf(a)), labOf(rgbOf(b))];
  const at = (i: number): number => x[i] * (1 - share) + y[i] * share;
  return hexOf(rgbOfLab([at(0), at(1), at(2)]));
}

export const tonesOfChord = (chord: Chord): Tones =>
  tonesOf(chord.name, {
    ground: hexOfTone(chord.ground),
    words: hexOfTone(chord.words),
    accent: hexOfTone(chord.accent),
    block: hexOfTone(chord.block),
  });

/** The same tones with their hues turned, and read anew: volumes of a series differ by such a turn. */
export function turnedTones(tones: Tones, angleRad: number, name = tones.name): Tones {
  const turn = (hex: Hex): Hex => hexTurned(hex, angleRad);
  return tonesOf(name, {
    ground: turn(tones.ground),
    words: turn(tones.words),
    second: turn(tones.second),
    accent: turn(tones.accent),
    block: turn(tones.block),
  });
}

/** Tones from a picture's own colours. */
export function tonesFromPicture(sample: Raster, name: string): Tones[] {
  const swatches = palette(sample, 7);
  const vivid = [...swatches].sort((a, b) => chromaOf(b.lab) - chromaOf(a.lab));
  const other = (ground: Hex): Hex =>
    [...vivid].sort((a, b) => worth(b, ground) - worth(a, ground))[0]?.hex ?? '#808080';
  const made = schemesFrom(swatches).slice(0, 4);
  return made.map((s, i) =>
    tonesOf(`${name} ${i + 1}`, {
      ground: s.ground,
      words: s.words,
      second: s.second,
      accent: s.accent,
      block: other(s.ground),
    }),
  );
}

const worth = (s: Swatch, ground: Hex): number =>
  chromaOf(s.lab) + Math.min(0.3, toneDistance(s.hex, ground)) + Math.min(0.1, s.share);

/** Tones about colours that are given, those of a house or one that must be there: each is once the ground and once the accent. */
export function tonesFromColours(colours: readonly Hex[], name: string): Tones[] {
  const made: Tones[] = [];
  for (const [i, ground] of colours.entries()) {
    const rest = colours.filter((_, k) => k !== i).sort((a, b) => toneDistance(b, ground) - toneDistance(a, ground));
    const [far] = rest;
    const [accent, block] = [rest[1] ?? far, rest[2] ?? rest[1] ?? far];
    if (far) made.push(tonesOf(`${name} ${i + 1}`, { ground, words: far, accent: accent ?? far, block: block ?? far }));
  }
  if (colours.length === 1)
    for (const [i, s] of schemesAround(colours[0]).entries())
      if (i % 2 === 0 || i < 4)
        made.push(tonesOf(`${name} ${i + 1}`, { ...s, block: i % 4 === 0 ? colours[0] : s.accent }));
  return made;
}

export const tonesOfMood = (mood: Mood): Tones[] => CHORDS[mood].map(tonesOfChord);
