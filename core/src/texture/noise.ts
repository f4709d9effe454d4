import { createNoise2D } from 'simplex-noise';
import { seeded } from '../base';

export type Noise = (x: number, y: number) => number;

/** Smooth noise -1..1 with features of about one unit. */
export const noise = (seed: number): Noise => createNoise2D(seeded(seed + 1));

/** Several octaves of it, -1..1. */
export function layeredNoise(seed: number, octaves: number): Noise {
  const one = noise(seed);
  // Powers once, not at every place of a million.
  const sizes = Float64Array.from({ length: octaves }, (_, o) => 2 ** o);
  const shares = Float64Array.from({ length: octaves }, (_, o) => 0.5 ** o);
  const whole = shares.reduce((sum, share) => sum + share, 0);
  return (x, y) => {
    let sum = 0;
    for (let o = 0; o < octaves; o++) sum += one(x * sizes[o] + o * 17.3, y * sizes[o] - o * 9.1) * shares[o];
    return sum / whole;
  };
}

/** White noise -1..1 of a whole place: the same place gives the same value. */
export function speck(seed: number, x: number, y: number): number {
  let h = Math.imul(x | 0, 0x27d4eb2d) ^ Math.imul(y | 0, 0x165667b1) ^ Math.imul(seed + 1, 0x9e3779b1);
  h = Math.imul(h ^ (h >>> 15), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return ((h ^ (h >>> 16)) >>> 0) / 2147483648 - 1;
}
