import { never } from '../base';
import { type Hex, rgbOf } from '../colour';
import { clamp, smoothstep } from '../plane';
import { type Raster, raster } from '../pixels';
import { layeredNoise, noise, speck } from './noise';

export type TextureSpec = {
  readonly texture: 'grain' | 'worn' | 'paper' | 'rays' | 'vignette' | 'halftone' | 'fog' | 'wash' | 'strokes';
  readonly seed: number;
  readonly scale: number;
  readonly amount: number;
  readonly angleRad: number;
  readonly colour: Hex;
};

/** Texture lengths are given in pixels of a cover this wide. */
const UNIT_WIDTH = 1600;

/** Width at which each is made: soft ones need few pixels. */
const WIDTHS: Record<TextureSpec['texture'], number> = {
  grain: 1600,
  worn: 800,
  paper: 800,
  rays: 500,
  vignette: 400,
  halftone: 1600,
  fog: 400,
  wash: 640,
  strokes: 800,
};

/** Whether a texture has nothing finer than the pixels it is made at, so that it may be enlarged in any way. */
export const isSoft = (texture: TextureSpec['texture']): boolean => WIDTHS[texture] < 800;

/** At a place in unit pixels: opacity 0..1; below 0 the same in white. */
type Shade = (x: number, y: number, px: number, py: number) => number;

/**
 * A texture for a cover of the given ratio (height by width), as coloured pixels with alpha. It does not depend on the
 * pixels it is shown at: preview and export draw the same one. Only a sample is made at a `width` of its own.
 */
export function textureRaster(spec: TextureSpec, ratio: number, width = WIDTHS[spec.texture]): Raster {
  const height = Math.max(1, Math.round(width * ratio));
  const out = raster(width, height);
  const k = UNIT_WIDTH / width;
  const shade = shadeOf(spec, UNIT_WIDTH, UNIT_WIDTH * ratio);
  const [r, g, b] = rgbOf(spec.colour);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const v = shade((x + 0.5) * k, (y + 0.5) * k, x, y);
      const i = (y * width + x) * 4;
      const light = v < 0;
      out.data[i] = light ? 255 : r;
      out.data[i + 1] = light ? 255 : g;
      out.data[i + 2] = light ? 255 : b;
      // Half a level of noise keeps soft gradients from showing steps.
      out.data[i + 3] = 255 * Math.min(1, Math.abs(v)) + speck(spec.seed + 7, x, y) * 0.5;
    }
  }
  return out;
}

function shadeOf(spec: TextureSpec, w: number, h: number): Shade {
  const { seed, scale, amount, angleRad } = spec;
  const cos = Math.cos(angleRad);
  const sin = Math.sin(angleRad);
  /** 0 at the edge the direction comes from, 1 at the edge it goes to. */
  const along = (x: number, y: number): number => {
    const half = (Math.abs(w * cos) + Math.abs(h * sin)) / 2;
    return ((x - w / 2) * cos + (y - h / 2) * sin) / (2 * half) + 0.5;
  };
  switch (spec.texture) {
    case 'grain': {
      const cell = Math.max(1, 1.6 * scale);
      return (x, y) => {
        const u = x / cell;
        const v = y / cell;
        const n = speck(seed, u, v) + speck(seed + 1, u, v) + speck(seed + 2, u, v);
        return (n / 3) * amount;
      };
    }
    case 'paper': {
      const fibre = layeredNoise(seed, 3);
      const cloud = layeredNoise(seed + 1, 3);
      const f = 0.05 / scale;
      return (x, y) => {
        const slope = fibre(x * f + 0.06, y * f * 0.7 + 0.06) - fibre(x * f, y * f * 0.7);
        const mottle = cloud(x / (420 * scale), y / (420 * scale));
        return amount * (slope * 1.1 + mottle * 0.22 + speck(seed, x, y) * 0.05);
      };
    }
    case 'worn': {
      const coarse = layeredNoise(seed, 4);
      const fine = layeredNoise(seed + 1, 3);
      const scratch = noise(seed + 2);
      return (x, y) => {
        const edge = Math.min(x, y, w - x, h - y);
        const reach = (26 + 150 * amount) * scale;
        const bite = edge / reach + 0.9 * coarse(x / (210 * scale), y / (210 * scale));
        const rim = 1 - smoothstep(-0.05, 0.4, bite);
        const rub = smoothstep(0.5, 0.72, fine(x / (46 * scale), y / (46 * scale)) + 0.5 * rim + 0.2 * amount - 0.16);
        const line = smoothstep(0.93, 0.99, scratch(x / (9 * scale), y / (1300 * scale))) * 0.5 * amount;
        return clamp(rim * (0.25 + 0.75 * rub) + rub * 0.4 * amount + line, 0, 1);
      };
    }
    case 'vignette':
      return (x, y) => {
        const d = Math.hypot((x - w / 2) / (w / 2), (y - h / 2) / (h / 2)) / Math.SQRT2;
        return amount * smoothstep(0.92 - 0.6 * Math.min(1, scale / 2), 1.06, d);
      };
    case 'rays': {
      const beams = layeredNoise(seed, 3);
      // The light stands outside the page, against the direction.
      const sx = w / 2 - cos * Math.hypot(w, h) * 0.62;
      const sy = h / 2 - sin * Math.hypot(w, h) * 0.62;
      return (x, y) => {
        const angle = Math.atan2(y - sy, x - sx);
        const beam = smoothstep(0.0, 0.75, beams((angle * 7) / scale, 3.7) + 0.12);
        const fade = 1 - smoothstep(0.05, 0.95, Math.hypot(x - sx, y - sy) / (Math.hypot(w, h) * 1.15));
        return amount * beam * fade;
      };
    }
    case 'fog': {
      const cloud = layeredNoise(seed, 4);
      const warp = noise(seed + 1);
      return (x, y) => {
        const s = 760 * scale;
        const bend = warp(x / s, y / s) * 0.16;
        const n = 0.5 + 0.5 * cloud(x / (s * 1.9) + bend, (y / s) * 1.35 + bend);
        return amount * smoothstep(0.25, 0.95, n * 0.75 + along(x, y) * 0.6);
      };
    }
    case 'wash': {
      const cloud = layeredNoise(seed, 5);
      const warp = layeredNoise(seed + 1, 3);
      return (x, y) => {
        const s = 560 * scale;
        const bend = warp(x / s, y / s);
        const n = cloud(x / s + bend * 0.55, y / s - bend * 0.4) * 0.5 + 0.5;
        const level = n + (along(x, y) - 0.5) * 0.7 - (0.62 - 0.5 * amount);
        const body = smoothstep(0, 0.06, level);
        // Pigment gathers where a wash dries: a darker rim inside its edge.
        const rim = smoothstep(0, 0.02, level) * (1 - smoothstep(0.02, 0.1, level));
        return clamp(body * (0.5 + 0.35 * n) + rim * 0.3, 0, 1) * body;
      };
    }
    case 'strokes': {
      const body = layeredNoise(seed, 3);
      const bristle = layeredNoise(seed + 1, 2);
      return (x, y) => {
        const u = x * cos + y * sin;
        const v = -x * sin + y * cos + 60 * scale * body(u / (1500 * scale), 5.1);
        const lane = v / (210 * scale);
        const row = Math.floor(lane);
        const n = body(u / (2300 * scale) + row * 31.7, row * 3.3);
        // Bristles run dry one by one towards the end of a stroke.
        const hair = bristle(u / (900 * scale), v / (5 * scale));
        const level = n * 0.5 + 0.5 - (0.66 - 0.7 * amount) + hair * 0.16;
        const across = 1 - Math.abs(2 * (lane - row) - 1) ** 6;
        return smoothstep(0, 0.07, level) * smoothstep(0.05, 0.3, across + hair * 0.12) * (0.82 + 0.18 * hair);
      };
    }
    case 'halftone': {
      const pitch = 26 * scale;
      const c = Math.cos(Math.PI / 4);
      return (x, y) => {
        const u = (x * c + y * c) / pitch;
        const v = (y * c - x * c) / pitch;
        const cu = Math.floor(u) + 0.5;
        const cv = Math.floor(v) + 0.5;
        // Each dot has the size that its own centre asks for.
        const dx = (cu * c - cv * c) * pitch;
        const dy = (cu * c + cv * c) * pitch;
        const tone = smoothstep(1 - amount, 1.02, Math.min(1, along(dx, dy))) * 0.72;
        const radius = tone * pitch;
        return clamp(radius - Math.hypot(u - cu, v - cv) * pitch + 0.5, 0, 1) * (tone > 0.02 ? 1 : 0);
      };
    }
    default:
      return never(spec.texture);
  }
}
