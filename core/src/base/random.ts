/** A source of numbers in [0, 1). */
export type Random = () => number;

/** Seeded generator (mulberry32): the same seed gives the same sequence everywhere. */
export function seeded(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const ALPHABET = 'abcdefghijkmnpqrstuvwxyz23456789';

/** A new id of 12 characters without look-alikes (60 bits of the given randomness). */
export function makeId(random: Random): string {
  let id = '';
  for (let i = 0; i < 12; i++) id += ALPHABET[Math.floor(random() * ALPHABET.length)];
  return id;
}
