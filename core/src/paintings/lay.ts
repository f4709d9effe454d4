import { type Rgb, labOf, rgbOf, rgbOfLab } from '../colour';
import { clamp, smoothstep } from '../plane';
import { layeredNoise, speck } from '../texture';
import { type Canvas, type Patch, SPREAD_PX, type Spread, sampled, softenedPatch, spread } from './canvas';
import type { Hand } from './hands/hand';
import type { Field, Layer } from './layer';

const SHADES = 64;

/** A colour from its dark, by way of itself, to its light: RGB 0..1, `SHADES` of them. */
function ramp(rgb: Rgb, depth: number): Float32Array {
  const [l, a, b] = labOf(rgb);
  const out = new Float32Array(SHADES * 3);
  for (let i = 0; i < SHADES; i++) {
    const t = (i / (SHADES - 1)) * 2 - 1;
    const to = t < 0 ? l * (1 + t * 0.62 * depth) : l + (0.97 - l) * t * 0.7 * depth;
    // Shadows keep their colour and lights lose some of it.
    const share = t < 0 ? 1 + t * 0.25 : 1 - t * 0.35;
    const made = rgbOfLab([to, a * share, b * share]);
    for (let c = 0; c < 3; c++) out[i * 3 + c] = clamp(made[c] / 255, 0, 1);
  }
  return out;
}

/** A value 0..1 in so many steps, their borders a little soft. */
function stepped(value: number, steps: number): number {
  const v = clamp(value, 0, 1) * (steps - 1);
  const whole = Math.floor(v);
  return (whole + smoothstep(0.44, 0.56, v - whole)) / (steps - 1);
}

/** Lays one thing of a motif over what is there. `mask` is where its shape is, 0..1; null is everywhere. */
export function layDown(canvas: Canvas, layer: Layer, mask: Patch | null, hand: Hand, salt: number): void {
  const { width, height, k, rgb, seed } = canvas;
  const [wanderX, wanderY] = canvas.wander;
  // What has no edge is computed on cells; all else at each pixel.
  const reads = (field: Field): Spread =>
    layer.soft ? spread(field, width, height, SPREAD_PX) : (x, y) => field((x + 0.5) / k, (y + 0.5) / k);
  const fieldAt = layer.field && reads(layer.field);
  const toneAt = layer.tone && reads(layer.tone);
  const mixAt = layer.mix && reads(layer.mix);
  const rough = layer.rough ? layeredNoise(seed + salt + 1, 4) : null;
  const lens = mask && hand.lens > 0 ? softenedPatch(mask, hand.lens * k * (layer.far ?? 0)) : mask;
  if (mask && hand.shadow > 0 && !layer.soft && !layer.light && !layer.fine) throwShadow(canvas, mask, hand.shadow);
  const [first, last] = [ramp(rgbOf(layer.colour), hand.depth), ramp(rgbOf(layer.into ?? layer.colour), hand.depth)];
  const wobble = layer.soft ? 0 : hand.wobble * (layer.fine ? 0.35 : 1);
  const steps = layer.soft || layer.light ? (hand.steps ? hand.steps + 3 : null) : hand.steps;
  const box = lens ?? { x: 0, y: 0, width, height };
  for (let y = box.y; y < box.y + box.height; y++) {
    for (let x = box.x; x < box.x + box.width; x++) {
      const i = y * width + x;
      let cover = 1;
      if (lens) {
        if (wobble > 0) {
          const by = wobble * k;
          cover = sampled(
            lens.plane,
            lens.width,
            lens.height,
            x - lens.x + wanderX(x, y) * by,
            y - lens.y + wanderY(x, y) * by,
          );
        } else cover = lens.plane[(y - lens.y) * lens.width + x - lens.x];
        if (cover < 0.003) continue;
      }
      if (fieldAt) {
        const field = clamp(fieldAt(x, y), 0, 1);
        cover *= layer.soft && steps ? stepped(field, steps) : field;
      }
      if (cover < 0.003) continue;
      let tone = toneAt ? toneAt(x, y) : 0;
      if (rough) tone += rough(((x + 0.5) / k) * 70, ((y + 0.5) / k) * 70) * (layer.rough ?? 0);
      let mix = mixAt ? clamp(mixAt(x, y), 0, 1) : 0;
      if (steps) {
        tone = stepped(tone * 0.5 + 0.5, steps) * 2 - 1;
        mix = stepped(mix, steps + 2);
      }
      const shade = clamp((tone * 0.5 + 0.5) * (SHADES - 1), 0, SHADES - 1);
      const [low, part] = [Math.floor(shade), shade - Math.floor(shade)];
      const high = Math.min(SHADES - 1, low + 1);
      for (let c = 0; c < 3; c++) {
        const a = first[low * 3 + c] * (1 - part) + first[high * 3 + c] * part;
        const b = last[low * 3 + c] * (1 - part) + last[high * 3 + c] * part;
        // Half a code of noise keeps smooth skies from showing bands.
        const own = a + (b - a) * mix + speck(seed, x * 3 + c, y) * 0.002;
        const was = rgb[i * 3 + c];
        rgb[i * 3 + c] = layer.light ? 1 - (1 - was) * (1 - own * cover) : was + (own - was) * cover;
      }
      if (layer.light) canvas.lit[i] = Math.max(canvas.lit[i], cover);
      else canvas.lit[i] *= 1 - cover;
      if (layer.way !== undefined && cover > 0.5) canvas.ways[i] = layer.way;
    }
  }
  if (lens && !layer.soft && !layer.light) noteEdges(canvas, lens, layer.fine ?? false);
}

/** A shadow to the lower right, on what is behind. */
function throwShadow({ width, height, k, rgb }: Canvas, mask: Patch, dark: number): void {
  const shade = softenedPatch(mask, 0.006 * k);
  const [dx, dy] = [0.005 * k, 0.009 * k];
  const { x: x0, y: y0 } = mask;
  for (let y = y0; y < Math.min(height, y0 + mask.height); y++)
    for (let x = x0; x < Math.min(width, x0 + mask.width); x++) {
      const s = sampled(shade.plane, mask.width, mask.height, x - x0 - dx, y - y0 - dy);
      if (s < 0.004) continue;
      const i = (y * width + x) * 3;
      for (let c = 0; c < 3; c++) rgb[i + c] *= 1 - dark * s;
    }
}

/** Where a thing ends: its edge counts, and what it covers of older edges is gone. */
function noteEdges({ width, k, edges }: Canvas, { x: x0, y: y0, ...mask }: Patch, fine: boolean): void {
  const wide = softenedPatch({ x: x0, y: y0, ...mask }, Math.max(1, 0.0016 * k)).plane;
  for (let y = 0; y < mask.height; y++)
    for (let x = 0; x < mask.width; x++) {
      const m = y * mask.width + x;
      if (mask.plane[m] < 0.003 && wide[m] < 0.003) continue;
      const i = (y + y0) * width + x + x0;
      const edge = fine ? mask.plane[m] : 4 * wide[m] * (1 - wide[m]);
      edges[i] = Math.max(edges[i] * (1 - mask.plane[m]), edge);
    }
}
