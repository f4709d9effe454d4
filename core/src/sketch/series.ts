import { type Hex, type Lab, type Swatch, hexTurned, labOf, rgbOf } from '../colour';
import type { Sketch } from './sketch';
import { labDistance, turnedTones } from './tones';

/** Colours of a design, each with the share of it that it has. */
export type Weighted = readonly { readonly hex: Hex; readonly weight: number }[];

const CIRCLE = 2 * Math.PI;
/** Turns that are looked at for a volume: this many, evenly round the circle. */
const TURNS = 24;
/** What it costs a turn to lie opposite the even one, in the measure of `strife`. */
const AWAY = 0.01;
/** What it costs a volume to have the colours of another one, and from which share of the most that a turn can differ it does not. */
const ALIKE = 0.04;
const APART = 0.5;
/** A colour that a picture has less of than this is not one that it is known by. */
const LEAST_SHARE = 0.02;
/** What there is much of in a design is held against what there is this much of in a picture. */
const MAIN_SHARE = 0.1;
/** How much a difference in lightness counts beside one in hue. */
const LIGHT = 0.25;
/** What is darker than this shows no more colour, OKLab. */
const LEAST_LIGHT = 0.2;

/** The turn, in radians, by which the colours of one of several volumes differ from those of the first. */
export const evenTurn = (volume: number, volumes: number): number => (CIRCLE * volume) / Math.max(1, volumes);

/** One design for the volumes of a series: the same structure and faces, the palette turned by an angle. */
export function seriesSketch(sketch: Sketch, angleRad: number, pictures: readonly string[]): Sketch {
  const tones =
    angleRad === 0 ? sketch.tones : turnedTones(sketch.tones, angleRad, `${sketch.tones.name}, turned`.slice(0, 80));
  return { ...sketch, tones, pictures: [...pictures] };
}

/** The colours of a sketch by how much of a cover they usually have. */
export const coloursOfSketch = ({ tones }: Sketch): Weighted => [
  { hex: tones.ground, weight: 0.45 },
  { hex: tones.block, weight: 0.25 },
  { hex: tones.words, weight: 0.2 },
  { hex: tones.accent, weight: 0.1 },
];

/** A colour as it is compared here: chroma by lightness, for a dark colour of little chroma is as full as a light one of much, and some of its lightness. */
function tone([l, a, b]: Lab): Lab {
  const by = Math.max(LEAST_LIGHT, l);
  return [LIGHT * l, a / by, b / by];
}

const toneOf = (hex: Hex): Lab => tone(labOf(rgbOf(hex)));

/**
 * How far the colours of a design lie from those of the pictures that are shown with it, 0 where they are the same: for each the distance in hue,
 * saturation and a little in lightness to the nearest that the pictures have as much of, and never more than that to grey, which goes with anything.
 */
export function strife(design: Weighted, shown: readonly Swatch[]): number {
  if (shown.length === 0) return 0;
  const known = shown.map(({ lab, share }) => ({ own: tone(lab), share }));
  return design.reduce((sum, { hex, weight }) => {
    const mine = toneOf(hex);
    const near = known
      .filter(({ share }) => share >= Math.min(MAIN_SHARE, Math.max(LEAST_SHARE, weight)))
      .map(({ own }) => labDistance(own, mine));
    return sum + weight * Math.min(Math.hypot(mine[1], mine[2]), ...near);
  }, 0);
}

const turned = (design: Weighted, angleRad: number): Weighted =>
  design.map(({ hex, weight }) => ({ hex: hexTurned(hex, angleRad), weight }));

const distance = (a: Weighted, b: Weighted): number =>
  a.reduce((sum, { hex, weight }, i) => sum + weight * labDistance(toneOf(hex), toneOf(b[i].hex)), 0);

/**
 * By which angles a design's colours may be turned for one of its volumes, the best first: such as go with the pictures it shows, are not those
 * of volumes that have theirs (`taken`), and lie near the even turn.
 */
export function volumeTurns(
  design: Weighted,
  even: number,
  shown: readonly Swatch[],
  taken: readonly number[],
): number[] {
  const others = taken.map((angle) => turned(design, angle));
  const enough = Math.max(1e-6, APART * distance(design, turned(design, CIRCLE / 2)));
  const cost = (angle: number): number => {
    const own = turned(design, angle);
    const apart = Math.min(enough, ...others.map((other) => distance(own, other)));
    return strife(own, shown) + (AWAY * (1 - Math.cos(angle - even))) / 2 + ALIKE * (1 - apart / enough);
  };
  return Array.from({ length: TURNS }, (_, i) => even + (i * CIRCLE) / TURNS)
    .map((angle) => ({ angle, cost: cost(angle) }))
    .sort((a, b) => a.cost - b.cost)
    .map(({ angle }) => angle);
}
