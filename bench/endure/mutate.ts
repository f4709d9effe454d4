import type { Random } from '@yosomi/core/base';

const below = (random: Random, n: number): number => Math.floor(random() * n);

/** One to eight wounds to a file: bytes changed, cut out, doubled, blanked, or its end missing. */
export function woundBytes(random: Random, whole: Uint8Array): Uint8Array<ArrayBuffer> {
  let bytes = new Uint8Array(whole);
  for (let wounds = 1 + below(random, 8); wounds > 0 && bytes.length > 0; wounds--) {
    const at = below(random, bytes.length);
    const long = 1 + below(random, Math.min(400, bytes.length - at));
    switch (below(random, 5)) {
      case 0:
        bytes[at] = below(random, 256);
        break;
      case 1:
        bytes.fill(below(random, 256), at, at + long);
        break;
      case 2:
        bytes = joined(bytes.subarray(0, at), bytes.subarray(at + long));
        break;
      case 3:
        bytes = joined(bytes.subarray(0, at + long), bytes.subarray(at));
        break;
      default:
        if (random() < 0.25) bytes = bytes.slice(0, at);
        else bytes[at] ^= 1 << below(random, 8);
    }
  }
  return bytes;
}

function joined(a: Uint8Array, b: Uint8Array): Uint8Array<ArrayBuffer> {
  const both = new Uint8Array(a.length + b.length);
  both.set(a);
  both.set(b, a.length);
  return both;
}

/** What people and programs put where something else should stand. */
const STRANGE: readonly unknown[] = [
  null,
  true,
  '',
  ' ',
  'x'.repeat(5000),
  '\u0000\u000c',
  '<b>&amp;',
  '../../etc',
  'https://elsewhere.example/a.png',
  -1,
  0,
  1e9,
  1e308,
  0.5,
  [],
  {},
  [[]],
  '__proto__',
];

/** A JSON value with one to four of its places changed, dropped, doubled or exchanged. */
export function woundJson(random: Random, value: unknown): unknown {
  const copy: unknown = structuredClone(value);
  for (let wounds = 1 + below(random, 4); wounds > 0; wounds--) {
    const places = placesOf(copy);
    if (places.length === 0) return STRANGE[below(random, STRANGE.length)];
    const { holder, key } = places[below(random, places.length)]!;
    const held = holder as Record<string, unknown>;
    switch (below(random, 4)) {
      case 0:
        if (Array.isArray(holder)) holder.splice(Number(key), 1);
        else delete held[key];
        break;
      case 1: {
        const other = places[below(random, places.length)]!;
        held[key] = structuredClone((other.holder as Record<string, unknown>)[other.key]);
        break;
      }
      case 2:
        if (Array.isArray(holder)) holder.push(structuredClone(held[key]));
        else held[`${key}2`] = held[key];
        break;
      default:
        held[key] = structuredClone(STRANGE[below(random, STRANGE.length)]);
    }
  }
  return copy;
}

type Place = { readonly holder: object; readonly key: string };

function placesOf(value: unknown, into: Place[] = []): Place[] {
  if (typeof value === 'object' && value !== null)
    for (const key of Object.keys(value)) {
      into.push({ holder: value, key });
      placesOf((value as Record<string, unknown>)[key], into);
    }
  return into;
}
