import { rayThrough } from '../../space';
import { shadowAt, shadowScratch } from '../light';
import { type Stage, shadowAlpha } from './stage';

/** Shadow alpha on a coarse grid over some rows of the picture; between its points it is read bilinearly. */
export type ShadowGrid = {
  readonly step: number;
  readonly columns: number;
  readonly firstRow: number;
  readonly alpha: Float32Array;
};

/** Computes the grid rows that output rows y0..y1 need, every `step` pixels. */
export function shadowGrid(stage: Stage, y0: number, y1: number, step: number): ShadowGrid {
  const columns = Math.ceil(stage.width / step) + 2;
  const firstRow = Math.floor(y0 / step);
  const rows = Math.floor(y1 / step) + 2 - firstRow;
  const alpha = new Float32Array(columns * rows);
  if (stage.shadow <= 0) return { step, columns, firstRow, alpha };
  const { occluder: occ, light, camera, shadowBox, fadeTo } = stage;
  const { planes, sides } = occ;
  const scratch = shadowScratch(occ);
  const out = new Float64Array(2);
  const near = 0.004 * occ.vertices[occ.vertices.length - 2];
  for (let j = 0; j < rows; j++) {
    const y = (firstRow + j) * step;
    if (y < shadowBox[1] - step || y > shadowBox[3] + step) continue;
    const i0 = Math.max(0, Math.floor(shadowBox[0] / step) - 1);
    const i1 = Math.min(columns, Math.ceil(shadowBox[2] / step) + 2);
    for (let i = i0; i < i1; i++) {
      const ray = rayThrough(camera, i * step, y);
      if (ray[1] > -1e-6) continue;
      const t = -camera.eye[1] / ray[1];
      let x = camera.eye[0] + ray[0] * t;
      let z = camera.eye[2] + ray[2] * t;
      const away = Math.hypot(x, z);
      if (away >= fadeTo) continue;
      // A grid point under the object would bleed its full dark out along the contact line: it moves to the nearest side.
      let most = -Infinity;
      let side = 0;
      for (let s = 0; s < sides; s++) {
        const d = planes[s * 4] * x + planes[s * 4 + 2] * z - planes[s * 4 + 3];
        if (d > most) {
          most = d;
          side = s;
        }
      }
      if (most < near) {
        x += planes[side * 4] * (near - most);
        z += planes[side * 4 + 2] * (near - most);
      }
      shadowAt(occ, light, x, z, scratch, out);
      alpha[j * columns + i] = shadowAlpha(stage.shadow, out[0], out[1], away / fadeTo);
    }
  }
  return { step, columns, firstRow, alpha };
}
