import { toEncoded } from '../../pixels';
import type { Scene } from '../scene';

/**
 * For red, green and blue: the encoded value 0..255 of linear light 0..65535, looked up by `value >> 3`; the same
 * rounded to bytes, one after the other.
 */
export type Tones = { readonly exact: readonly [Float32Array, Float32Array, Float32Array]; readonly bytes: Uint8Array };

/** Gains of red and blue at full warmth. */
const WARM = [1.09, 1, 0.84];
const COOL = [0.88, 1, 1.1];

function made(look: Scene['look'], warmth: number): Tones {
  const gains = [0, 1, 2].map((c) => 2 ** look.exposure * (1 + Math.abs(warmth) * ((warmth > 0 ? WARM : COOL)[c] - 1)));
  const k = look.contrast;
  // A smooth S through (0, 0), (0.5, 0.5), (1, 1); slope at the middle 1 + k / 2 where k is positive, flatter below.
  const curve = (v: number): number => v + k * (k > 0 ? 1 : 0.6) * v * (1 - v) * (2 * v - 1);
  const of = (gain: number): Float32Array =>
    Float32Array.from({ length: 8192 }, (_, i) =>
      i === 0 ? 0 : 255 * curve(toEncoded(Math.min(1, ((i + 0.5) / 8192) * gain))),
    );
  const exact = [of(gains[0]), of(gains[1]), of(gains[2])] as const;
  return { exact, bytes: Uint8Array.from(exact.flatMap((v) => Array.from(v, Math.round))) };
}

let last: { readonly key: string; readonly tones: Tones } | null = null;

/** How light becomes colour: exposure in stops, warmth -1..1, and a contrast curve about middle grey. The last is kept. */
export function tonesOf(look: Scene['look'], warmth: number): Tones {
  const key = JSON.stringify([look.exposure, look.contrast, warmth]);
  if (last?.key !== key) last = { key, tones: made(look, warmth) };
  return last.tones;
}
