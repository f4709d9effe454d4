import { type Hex, type Lab, contrast, hexOf, labOf, luminance, rgbOf, rgbOfLab } from '../colour';
import { type Paint, type Stop } from '../ink';
import type { Raster } from '../pixels';
import { smoothstep } from '../plane';

/** The outermost part of a cover that counts as its edge, and how far inwards a stripe must go on to be one, as shares of its width. */
const RIM = 0.004;
const INWARDS = 0.3;
/** Of the height: how far the ground of an edge is looked for around a place. */
const AROUND = 0.2;
/** How unlike its ground a place is that something lies on, as distances in OKLab, from none to all. */
const UNLIKE = [0.01, 0.025] as const;
/** How much of that it loses inwards where it is no stripe, from none to all. */
const FADES = [0.2, 0.5] as const;
const FINE = 4;

/**
 * Colours of the ground down the left or right edge of a cover, evenly spaced from top to bottom: what another side goes on with. A stripe
 * that runs into the cover is part of it; what only touches the edge (a lamp, a letter, a leaf) is left out.
 */
export function edgeColours(front: Raster, side: 'left' | 'right', count = 33): Hex[] {
  const rows = edgeRows(front, side, (count - 1) * FINE + 1);
  const labs = rows.map(({ colours: [edge] }) => edge);
  const reach = Math.max(1, Math.round(AROUND * rows.length));
  const touched = rows.map(({ colours }, i) => {
    const calm = middleOf(labs.slice(Math.max(0, i - reach), i + reach + 1));
    const inwards = median(colours.slice(1).map((colour) => apartBy(colour, colours[0])));
    const unlike = apartBy(colours[0], calm);
    const touches = smoothstep(...UNLIKE, unlike) * smoothstep(...FADES, inwards / Math.max(unlike, 1e-6));
    return { calm, touches };
  });
  const ground = labs.map((lab, i): Lab => {
    // Its soft rim goes with it.
    const near = touched.slice(Math.max(0, i - FINE), i + FINE + 1);
    const share = Math.max(...near.map(({ touches }) => touches));
    return mixed(lab, touched[i].calm, share);
  });
  return Array.from({ length: count }, (_, i) => {
    const some = ground.slice(Math.max(0, i * FINE - FINE / 2), i * FINE + FINE / 2 + 1);
    return hexOf(rgbOfLab(meanOf(some)));
  });
}

/** One colour for what stands beside a cover: the mean of the middle half of its left edge. */
export function edgeColour(front: Raster): Hex {
  const rows = edgeRows(front, 'left', 5, 1);
  return hexOf(rgbOfLab(meanOf(rows.slice(1, 4).map(({ colours: [edge] }) => edge))));
}

/** Mean colours of an edge row by row, each followed by those at `steps` places inwards from it. */
function edgeRows(front: Raster, side: 'left' | 'right', count: number, steps = 9): { colours: Lab[] }[] {
  const { width, height, data } = front;
  const rim = Math.max(1, Math.round(width * RIM));
  const strips = Array.from({ length: steps + 1 }, (_, s) => {
    const x = Math.min(width - rim, Math.round((s / steps) * INWARDS * width));
    return side === 'left' ? x : width - rim - x;
  });
  return Array.from({ length: count }, (_, i) => {
    const centre = (i / (count - 1)) * (height - 1);
    const half = height / (count - 1) / 2;
    const y0 = Math.max(0, Math.floor(centre - half));
    const y1 = Math.min(height, Math.ceil(centre + half) + 1);
    const colours = strips.map((x0): Lab => {
      const sum = [0, 0, 0];
      for (let y = y0; y < y1; y++)
        for (let x = x0; x < x0 + rim; x++) for (let c = 0; c < 3; c++) sum[c] += data[(y * width + x) * 4 + c];
      const n = (y1 - y0) * rim;
      return labOf([sum[0] / n, sum[1] / n, sum[2] / n]);
    });
    return { colours };
  });
}

const apartBy = (a: Lab, b: Lab): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
const mixed = (a: Lab, b: Lab, share: number): Lab =>
  [0, 1, 2].map((c) => a[c] + (b[c] - a[c]) * share) as unknown as Lab;
const meanOf = (labs: readonly Lab[]): Lab =>
  [0, 1, 2].map((c) => labs.reduce((sum, lab) => sum + lab[c], 0) / labs.length) as unknown as Lab;
const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;
const middleOf = (labs: readonly Lab[]): Lab =>
  [0, 1, 2].map((c) => median(labs.map((lab) => lab[c]))) as unknown as Lab;

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
