import { type Raster, raster } from '../../pixels';
import { layeredNoise, noise, speck } from '../../texture';
import type { TABLES } from '../scene';

type Material = (typeof TABLES)[number];

/** Pixels of a material's square; it goes on mirrored beyond its edges. */
const SIDE = 1024;
/** Boards across the square. */
const BOARDS = 4;

/** Brightness of a material at a place 0..1 each way, 1 in the mean. */
function toneOf(material: Material): (u: number, v: number) => number {
  switch (material) {
    case 'wood': {
      const [wave, fibre, ring] = [noise(11), noise(12), noise(13)];
      return (u, v) => {
        const board = Math.floor(v * BOARDS);
        const within = v * BOARDS - board;
        const [x, y] = [u * 2.2 + board * 7.3, within + board * 3.1];
        // Year rings cut along the board: long waves that drift, and fine fibres over them.
        const bent = y * 5 + 1.3 * wave(x * 0.55, y * 1.4) + 0.25 * ring(x * 2, y * 5);
        const rings = Math.sin(bent * 6.283);
        const fine = fibre(x * 9, y * 90) + 0.6 * fibre(x * 30 + 40, y * 210);
        const joint = Math.min(within, 1 - within) * 256;
        const gap = joint < 1.6 ? 0.62 + 0.22 * joint : 1;
        return (1 + 0.075 * rings + 0.05 * fine + 0.07 * ring(board * 5.1, 2.7)) * gap;
      };
    }
    case 'stone': {
      const [cloud, vein] = [layeredNoise(21, 4), layeredNoise(22, 4)];
      return (u, v) => {
        const mist = cloud(u * 2.5, v * 2.5);
        const line = 1 - Math.min(1, Math.abs(vein(u * 3 + 0.6 * mist, v * 3)) * 14);
        const dust = speck(23, u * SIDE, v * SIDE);
        return 1 + 0.06 * mist - 0.09 * line * (0.6 - 0.4 * mist) + 0.012 * dust;
      };
    }
    case 'cloth': {
      const [slub, drift] = [noise(31), noise(32)];
      return (u, v) => {
        const [x, y] = [u * 170 + 0.3 * drift(u * 12, v * 12), v * 170 + 0.3 * drift(u * 12 + 5, v * 12)];
        const over = Math.floor(x) + Math.floor(y);
        const thread = over % 2 === 0 ? Math.sin((x % 1) * Math.PI) : Math.sin((y % 1) * Math.PI);
        return 0.93 + 0.14 * thread + 0.04 * slub(u * 6, v * 170) + 0.04 * slub(u * 170, v * 6 + 3);
      };
    }
    case 'plain':
      return (u, v) => 1 + 0.01 * speck(41, u * SIDE, v * SIDE);
  }
}

/** The patterns that were asked for: a sheet shows several sets at once. */
const patterns = new Map<Material, Float32Array>();

function patternOf(material: Material): Float32Array {
  const known = patterns.get(material);
  if (known) return known;
  const tone = toneOf(material);
  const tones = Float32Array.from({ length: SIDE * SIDE }, (_, i) =>
    tone((i % SIDE) / SIDE, Math.floor(i / SIDE) / SIDE),
  );
  patterns.set(material, tones);
  return tones;
}

/** A square of a material in a colour. */
export function materialRaster(material: Material, [r, g, b]: readonly [number, number, number]): Raster {
  const out = raster(SIDE, SIDE);
  const tones = patternOf(material);
  for (let i = 0, o = 0; i < tones.length; i++, o += 4) {
    out.data[o] = r * tones[i];
    out.data[o + 1] = g * tones[i];
    out.data[o + 2] = b * tones[i];
    out.data[o + 3] = 255;
  }
  return out;
}
