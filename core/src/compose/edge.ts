import { type Hex, contrast, hexOf, luminance, rgbOf } from '../colour';
import { type Paint, type Stop } from '../ink';
import type { Raster } from '../pixels';

/** Colours down the left or right edge of a cover, evenly spaced from top to bottom. */
export function edgeColours(front: Raster, side: 'left' | 'right', count = 33): Hex[] {
  const strip = Math.max(1, Math.round(front.width * 0.004));
  const x0 = side === 'left' ? 0 : front.width - strip;
  return Array.from({ length: count }, (_, i) => {
    // Each colour is the mean of the rows around its stop, so that a gradient between stops follows the edge.
    const centre = (i / (count - 1)) * (front.height - 1);
    const half = front.height / (count - 1) / 2;
    const y0 = Math.max(0, Math.floor(centre - half));
    const y1 = Math.min(front.height, Math.ceil(centre + half) + 1);
    const sum = [0, 0, 0];
    for (let y = y0; y < y1; y++) {
      for (let x = x0; x < x0 + strip; x++) {
        const p = (y * front.width + x) * 4;
        for (let c = 0; c < 3; c++) sum[c] += front.data[p + c];
      }
    }
    const n = (y1 - y0) * strip;
    return hexOf([sum[0] / n, sum[1] / n, sum[2] / n]);
  });
}

/** A vertical gradient through these colours over a height. */
export function edgePaint(colours: readonly Hex[], height: number): Paint {
  const stops: Stop[] = colours.map((colour, i) => ({ at: i / (colours.length - 1), colour, opacity: 1 }));
  return { kind: 'linear', from: { x: 0, y: 0 }, to: { x: 0, y: height }, stops };
}

/** Words on an edge: from where to where they stand, as shares of its height, and their colour. */
export type EdgeWords = { readonly from: number; readonly to: number; readonly colour: Hex };

/** The colours of an edge from one share of its height to another. */
export const edgeAt = (edge: readonly Hex[], from: number, to: number): Hex[] =>
  edge.slice(Math.floor(from * (edge.length - 1)), Math.ceil(to * (edge.length - 1)) + 1);

const LETTERS: readonly Hex[] = ['#faf7ee', '#16181b'];
/** More than the 4.5:1 that is asked for, since letters are measured with their soft rims. */
const APART = 4.9;
/** How far a colour of the edge may be taken towards black or white. */
const MOST_HELD = 0.6;
/** Words that read on less of their ground than this are in a wrong colour: that is reported, and the ground stays. */
const LEAST_REACH = 2.5;

/** How well a colour reads on these grounds, 1..`APART`: the mean of its contrasts, none counted for more than is needed. */
const reach = (colour: Hex, grounds: readonly Hex[]): number =>
  grounds.reduce((sum, ground) => sum + Math.min(APART, contrast(colour, ground)), 0) / grounds.length;

/** The colour for words over these grounds: their own where it reads on each at 4.5:1, else the tone that reads on most. */
export function edgeInk(own: Hex | null, grounds: readonly Hex[]): Hex {
  if (own && grounds.every((ground) => contrast(own, ground) >= 4.5)) return own;
  return LETTERS.reduce((best, ink) => (reach(ink, grounds) > reach(best, grounds) ? ink : best));
}

/** The edge as a ground for words: where it comes too near to their tone, as much darker or lighter as they need to read. */
export function heldApart(edge: readonly Hex[], words: readonly EdgeWords[]): Hex[] {
  const step = 1 / (edge.length - 1);
  const held = words.filter(({ from, to, colour }) => reach(colour, edgeAt(edge, from, to)) >= LEAST_REACH);
  return edge.map((ground, i) =>
    held
      .filter(({ from, to }) => i * step >= from - step && i * step <= to + step)
      .reduce((now, { colour }) => apart(now, colour), ground),
  );
}

function apart(ground: Hex, ink: Hex): Hex {
  const away = luminance(rgbOf(ink)) > 0.18 ? 0 : 255;
  for (let share = 0; share <= MOST_HELD; share += 0.02) {
    const [r, g, b] = rgbOf(ground).map((v) => v + (away - v) * share);
    const held = share === 0 ? ground : hexOf([r, g, b]);
    if (contrast(held, ink) >= APART) return held;
  }
  return ground;
}
