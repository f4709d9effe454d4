import type { Raster } from './raster';

/** Largest difference of any channel, 0..255. Sizes must match. */
export function largestDifference(a: Raster, b: Raster): number {
  if (a.width !== b.width || a.height !== b.height) throw new Error('rasters differ in size');
  let most = 0;
  for (let i = 0; i < a.data.length; i++) most = Math.max(most, Math.abs(a.data[i] - b.data[i]));
  return most;
}

const luma = (r: Raster, i: number): number => 0.2126 * r.data[i] + 0.7152 * r.data[i + 1] + 0.0722 * r.data[i + 2];

/**
 * Mean structural similarity of luma (Wang, Bovik, Sheikh and Simoncelli 2004) over 8x8 blocks at a stride of 4;
 * 1 means equal. `inside` limits the blocks to those whose pixels it accepts.
 */
export function ssim(a: Raster, b: Raster, inside: (x: number, y: number) => boolean = () => true): number {
  if (a.width !== b.width || a.height !== b.height) throw new Error('rasters differ in size');
  const c1 = 6.5025;
  const c2 = 58.5225;
  let total = 0;
  let blocks = 0;
  for (let y = 0; y + 8 <= a.height; y += 4) {
    for (let x = 0; x + 8 <= a.width; x += 4) {
      if (!inside(x, y) || !inside(x + 7, y) || !inside(x, y + 7) || !inside(x + 7, y + 7)) continue;
      let sa = 0;
      let sb = 0;
      let saa = 0;
      let sbb = 0;
      let sab = 0;
      for (let j = 0; j < 8; j++) {
        for (let i = 0; i < 8; i++) {
          const p = ((y + j) * a.width + x + i) * 4;
          const u = luma(a, p);
          const v = luma(b, p);
          sa += u;
          sb += v;
          saa += u * u;
          sbb += v * v;
          sab += u * v;
        }
      }
      const ma = sa / 64;
      const mb = sb / 64;
      const va = saa / 64 - ma * ma;
      const vb = sbb / 64 - mb * mb;
      const cov = sab / 64 - ma * mb;
      total += ((2 * ma * mb + c1) * (2 * cov + c2)) / ((ma * ma + mb * mb + c1) * (va + vb + c2));
      blocks++;
    }
  }
  return blocks === 0 ? 1 : total / blocks;
}

/** Weights of luma and the two colour differences (BT.709) in `likeness`. */
const PLANES = [
  { weight: 0.8, r: 0.2126, g: 0.7152, b: 0.0722 },
  { weight: 0.1, r: -0.1146, g: -0.3854, b: 0.5 },
  { weight: 0.1, r: 0.5, g: -0.4542, b: -0.0458 },
] as const;

/**
 * How alike two pictures look, 1 for equal ones: structural similarity over 8x8 blocks beside each other, of luma and, by a
 * fifth, of colour, so that blurred edges of coloured letters count. Quick enough for every file that is made.
 */
export function likeness(a: Raster, b: Raster): number {
  if (a.width !== b.width || a.height !== b.height) throw new Error('rasters differ in size');
  const c1 = 6.5025;
  const c2 = 58.5225;
  const across = Math.max(1, a.width >> 3);
  const down = Math.max(1, a.height >> 3);
  const side = Math.min(8, a.width, a.height);
  const count = side * side;
  let total = 0;
  for (let by = 0; by < down; by++) {
    for (let bx = 0; bx < across; bx++) {
      for (const { weight, r, g, b: blue } of PLANES) {
        let [sa, sb, saa, sbb, sab] = [0, 0, 0, 0, 0];
        for (let j = 0; j < side; j++) {
          let p = ((by * 8 + j) * a.width + bx * 8) * 4;
          for (let i = 0; i < side; i++, p += 4) {
            const u = r * a.data[p] + g * a.data[p + 1] + blue * a.data[p + 2];
            const v = r * b.data[p] + g * b.data[p + 1] + blue * b.data[p + 2];
            sa += u;
            sb += v;
            saa += u * u;
            sbb += v * v;
            sab += u * v;
          }
        }
        const [ma, mb] = [sa / count, sb / count];
        const cov = sab / count - ma * mb;
        total +=
          (weight * (2 * ma * mb + c1) * (2 * cov + c2)) /
          ((ma * ma + mb * mb + c1) * (saa / count - ma * ma + sbb / count - mb * mb + c2));
      }
    }
  }
  return total / (across * down);
}
