import type { Random } from '../base';
import type { Hex } from '../colour';
import type { InkItem } from '../ink';
import type { Noise } from '../texture';

/** A number that changes over a picture: `u` 0..1 from the left, `v` in widths from the top. */
export type Field = (u: number, v: number) => number;

/**
 * One thing of a motif, before any hand has painted it; layers lie from back to front. All but `colour` may be left out: a layer without a
 * `shape` fills the picture.
 */
export type Layer = {
  /** What is painted, in white; a unit is a thousandth of the picture's width. */
  readonly shape?: readonly InkItem[];
  /** How much of it is there, 0..1. */
  readonly field?: Field;
  readonly colour: Hex;
  /** The colour it runs to, and how far it has come to it, 0..1. */
  readonly into?: Hex;
  readonly mix?: Field;
  /** Form and light on it: -1 dark, 1 light. */
  readonly tone?: Field;
  /** How far away it is, 0 near..1 far: far and very near things are softer in a lens. */
  readonly far?: number;
  /** Light that is added to what lies behind it. */
  readonly light?: boolean;
  /** Has no edge of its own: mist, smoke, a shade. */
  readonly soft?: boolean;
  /** Lines too fine to throw a shadow. */
  readonly fine?: boolean;
  /** Way of strokes over it, radians. */
  readonly way?: number;
  /** Has small grain of its own: stone, bark, moss. 0..1 */
  readonly rough?: number;
};

/** Colours of a painting, by what they are for. */
export type Pigments = {
  readonly high: Hex;
  readonly low: Hex;
  readonly far: Hex;
  readonly near: Hex;
  readonly light: Hex;
  readonly accent: Hex;
  /** What is printed or washed on, and with. */
  readonly paper: Hex;
  readonly ink: Hex;
};

/** What a motif is drawn from: its chances, its colours, height in widths. */
export type Sitting = {
  readonly random: Random;
  readonly seed: number;
  readonly c: Pigments;
  readonly tall: number;
  /** Noise of its own, -1..1, features of one unit. */
  noise(octaves: number, salt: number): Noise;
};

export type Motif = (sitting: Sitting) => Layer[];
