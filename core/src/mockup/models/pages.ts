import { seeded } from '../../base';
import { type Raster, raster } from '../../pixels';

/**
 * The trimmed edge of a page block: fine lines across its thickness in warm paper, the cover's own stock as a rim at
 * both ends. Rows run through the thickness; `turned` swaps the axes for the fore-edge. Seeded, so always the same.
 */
export function pageEdges(leaves: number, thicknessMm: number, turned: boolean): Raster {
  const through = 768;
  const along = 96;
  const random = seeded(leaves * 7 + 11);
  const rim = Math.max(2, Math.round((0.32 / thicknessMm) * through));
  const lines = Math.min(leaves, 190);
  const tones = Float32Array.from({ length: lines + 1 }, () => random());
  const drift = Float32Array.from({ length: lines + 1 }, () => random() - 0.5);
  const out = turned ? raster(through, along) : raster(along, through);
  for (let t = 0; t < through; t++) {
    for (let a = 0; a < along; a++) {
      const fromRim = Math.min(t, through - 1 - t);
      let rgb: [number, number, number];
      if (fromRim < rim) rgb = [222, 221, 216];
      else {
        const at = ((t - rim) / (through - 2 * rim)) * lines;
        const line = Math.min(lines, Math.floor(at));
        const within = at - Math.floor(at);
        // Each leaf is lit on its edge and dark in the gap to the next; a slow wave along it keeps it from looking ruled.
        const gap = within < 0.24 ? 0.72 : 1;
        const wave = 1 + 0.02 * Math.sin((a / along) * 9 + drift[line] * 12);
        const tone = (0.93 + 0.07 * tones[line]) * gap * wave;
        const shade = fromRim < rim * 3 ? 0.84 + 0.16 * ((fromRim - rim) / (rim * 2)) : 1;
        rgb = [214 * tone * shade, 206 * tone * shade, 188 * tone * shade];
      }
      const p = ((turned ? a * through + t : t * along + a) as number) * 4;
      out.data[p] = rgb[0];
      out.data[p + 1] = rgb[1];
      out.data[p + 2] = rgb[2];
      out.data[p + 3] = 255;
    }
  }
  return out;
}
