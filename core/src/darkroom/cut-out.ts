import { type Raster, raster } from '../pixels';
import { blurred } from './blur';

/** How far away the ground is looked for that shines into an edge, a fraction of the picture's width. */
const NEAR = 0.02;
/** Nearer to nothing or to all than this an edge is no mixture. */
const PURE = 0.02;

/** The matte's white, 0..1, at the pixels of a picture of another size: straight lines between its own. */
function shares(matte: Raster, width: number, height: number): Float32Array {
  const out = new Float32Array(width * height);
  const [kx, ky] = [matte.width / width, matte.height / height];
  const at = (x: number, y: number): number => matte.data[(y * matte.width + x) * 4];
  for (let y = 0; y < height; y++) {
    const sy = Math.min(matte.height - 1, Math.max(0, (y + 0.5) * ky - 0.5));
    const [y0, v] = [Math.floor(sy), sy % 1];
    const y1 = Math.min(matte.height - 1, y0 + 1);
    for (let x = 0; x < width; x++) {
      const sx = Math.min(matte.width - 1, Math.max(0, (x + 0.5) * kx - 0.5));
      const [x0, u] = [Math.floor(sx), sx % 1];
      const x1 = Math.min(matte.width - 1, x0 + 1);
      const top = at(x0, y0) * (1 - u) + at(x1, y0) * u;
      const foot = at(x0, y1) * (1 - u) + at(x1, y1) * u;
      out[y * width + x] = (top * (1 - v) + foot * v) / 255;
    }
  }
  return out;
}

/**
 * A copy without what the matte leaves dark; `feather` softens the edge, a fraction of the width. An edge is a mixture of the
 * thing and what was behind it: the ground beside it is known, so its share is taken out, and no rim of it stays.
 */
export function cutOut(source: Raster, matte: Raster, feather: number): Raster {
  const { width, height, data } = source;
  const found = shares(matte, width, height);
  const kept = feather > 0 ? softened(found, width, height, feather * width) : found;
  const ground = raster(width, height);
  for (let i = 0, p = 0; i < kept.length; i++, p += 4) {
    for (let c = 0; c < 3; c++) ground.data[p + c] = data[p + c];
    ground.data[p + 3] = found[i] < PURE ? data[p + 3] : 0;
  }
  const around = blurred(ground, Math.max(3, NEAR * width)).data;
  const out = raster(width, height);
  for (let i = 0, p = 0; i < kept.length; i++, p += 4) {
    // What is mixed in is told by the edge as it was found; the feather only fades it.
    const share = found[i];
    const mixed = share > PURE && share < 1 - PURE && around[p + 3] > 0;
    for (let c = 0; c < 3; c++) {
      const v = data[p + c];
      out.data[p + c] = mixed ? Math.min(255, Math.max(0, (v - (1 - share) * around[p + c]) / share)) : v;
    }
    out.data[p + 3] = Math.round(data[p + 3] * kept[i]);
  }
  return out;
}

function softened(kept: Float32Array, width: number, height: number, sigmaPx: number): Float32Array {
  const grey = raster(width, height);
  for (let i = 0, p = 0; i < kept.length; i++, p += 4) {
    grey.data[p] = grey.data[p + 1] = grey.data[p + 2] = kept[i] * 255;
    grey.data[p + 3] = 255;
  }
  const soft = blurred(grey, sigmaPx).data;
  // Softer inwards only: what was ground stays gone.
  return kept.map((v, i) => Math.min(v, Math.max(0, (soft[i * 4] / 255 - 0.5) * 2)));
}
