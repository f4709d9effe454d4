import { rgbOf } from '../../colour';
import { LINEAR_OF, type Raster, raster } from '../../pixels';
import { smoothstep } from '../../plane';
import { type Camera, type Vec3, rayThrough } from '../../space';
import { type LightGrid, type Linear, type Surface, shaderOf, texturesOf } from '../../warp';
import type { Scene } from '../scene';
import { dither } from './band';
import { materialRaster } from './materials';
import type { Stage } from './stage';

type Table = Extract<Scene['ground'], { kind: 'table' }>;

/** A tile's side and where the table goes over into the wall behind it, as shares of the scene's size. */
const TILE = 2.2;
const FADES = [1.1, 3.2] as const;
/** The light falls off from the middle of the scene outwards. */
const DIM = 0.42;
const CELLS = 12;

/** Light over one tile of the table, and how much of it has not yet faded into the wall. */
function lightOver(x0: number, z0: number, side: number, size: number): LightGrid {
  const nodes = new Float32Array((CELLS + 1) ** 2 * 4);
  for (let j = 0; j <= CELLS; j++) {
    for (let i = 0; i <= CELLS; i++) {
      const [x, z] = [x0 + (i / CELLS) * side, z0 + (j / CELLS) * side];
      const away = Math.hypot(x, z) / size;
      nodes.set(
        [1.04 - DIM * smoothstep(0.4, 3.4, away), 0, 0, 1 - smoothstep(FADES[0], FADES[1], -z / size)],
        (j * (CELLS + 1) + i) * 4,
      );
    }
  }
  return { columns: CELLS, rows: CELLS, nodes };
}

/** The form that gives a ground coordinate as a ratio of functions linear in the pixel: x, z and their divisor. */
function groundForms(camera: Camera): { x: Linear; z: Linear; w: Linear } {
  const at = (px: number, py: number): Vec3 => rayThrough(camera, px, py);
  const [o, dx, dy] = [at(0, 0), at(1, 0), at(0, 1)];
  const ray = (c: 0 | 1 | 2): Linear => [dx[c] - o[c], dy[c] - o[c], o[c]];
  const { eye } = camera;
  // A ray meets the ground at eye + ray * t, t = -eye.y / ray.y.
  const over = (c: 0 | 2): Linear => {
    const [r, y] = [ray(c), ray(1)];
    return [0, 1, 2].map((k) => eye[c] * y[k] - eye[1] * r[k]) as unknown as Linear;
  };
  return { x: over(0), z: over(2), w: ray(1) };
}

/** The table that a scene's things stand on, before its wall, as the stage's camera sees it. Opaque. */
export function tableRaster({ material, colour, wall }: Table, stage: Stage): Raster {
  const { width, height, camera, size, tones } = stage;
  const textures = texturesOf([['table', { art: materialRaster(material, rgbOf(colour)), foil: null }]]);
  const texture = textures.byName.get('table')!;
  const shader = shaderOf(textures);
  const side = TILE * size;
  const { x, z, w } = groundForms(camera);
  const out = raster(width, height);
  const back = rgbOf(wall).map((v) => LINEAR_OF[v]);

  // Tiles are made when a run of pixels first needs one: mirrored every other time, so that they join.
  const surfaces: Surface[] = [];
  const known = new Map<number, number>();
  const half = Math.ceil(40 / TILE);
  const runs: { y: number; from: number; to: number; tile: number }[] = [];
  const tileOf = (i: number, j: number): number => {
    const key = (j + half) * (2 * half + 1) + i + half;
    const found = known.get(key);
    if (found !== undefined) return found;
    const [x0, z0] = [(i - 0.5) * side, (j - 0.5) * side];
    const less = (form: Linear, from: number): Linear =>
      form.map((v, k) => (v - from * w[k]) / side) as unknown as Linear;
    const even = (j & 1) === 0;
    const b = less(z, z0);
    surfaces.push({
      a: less(x, x0),
      b: even ? b : (w.map((v, k) => v - b[k]) as unknown as Linear),
      g: w,
      u0: (i & 1) === 0 ? 0 : 1,
      du: (i & 1) === 0 ? 1 : -1,
      light: even ? lightOver(x0, z0, side, size) : flipped(lightOver(x0, z0, side, size)),
      profile: null,
      texture,
      colour: [0, 0, 0],
    });
    known.set(key, surfaces.length - 1);
    return surfaces.length - 1;
  };
  for (let py = 0; py < height; py++) {
    let before = -1;
    for (let px = 0; px < width; px++) {
      const down = w[0] * (px + 0.5) + w[1] * (py + 0.5) + w[2];
      const gx = (x[0] * (px + 0.5) + x[1] * (py + 0.5) + x[2]) / down / side;
      const gz = (z[0] * (px + 0.5) + z[1] * (py + 0.5) + z[2]) / down / side;
      const [i, j] = [Math.round(gx), Math.round(gz)];
      const there = down < 0 && Math.abs(i) <= half && Math.abs(j) <= half && -gz * TILE < FADES[1];
      const tile = there ? tileOf(i, j) : -1;
      if (there && tile === before) runs[runs.length - 1].to = px + 1;
      else if (there) runs.push({ y: py, from: px, to: px + 1, tile });
      before = tile;
    }
  }
  shader.place(surfaces, { kind: 'cubic', taps: 8 });
  const sums = shader.sums(width);
  let next = 0;
  for (let py = 0; py < height; py++) {
    sums.fill(0);
    for (; next < runs.length && runs[next].y === py; next++) {
      const { from, to, tile } = runs[next];
      shader.shade(tile, from + 0.5, py + 0.5, to - from, 1, sums, from * 4);
    }
    // The wall: lighter at its head, and what of the table has faded into it.
    const lit = 1.08 - 0.2 * (py / height);
    for (let px = 0; px < width; px++) {
      const rest = (1 - sums[px * 4 + 3]) * lit;
      const grain = 1 + 2 * dither(px, py);
      for (let c = 0; c < 3; c++) sums[px * 4 + c] = (sums[px * 4 + c] + back[c] * rest) * grain;
    }
    shader.encode(sums, 0, width, tones.bytes, out.data, py * width * 4);
  }
  const { lens } = stage;
  if (!lens) return out;
  return softened(out, (py) => {
    const ray = rayThrough(camera, width / 2, py + 0.5);
    const ground = ray[1] < -1e-6 ? -camera.eye[1] / ray[1] : Infinity;
    const depth = Math.min(ground, lens.sharpMm + FADES[1] * size);
    return lens.radiusMm * camera.focalPx * Math.abs(1 / depth - 1 / lens.sharpMm);
  });
}

/** Each row blurred by a radius of its own, px: means over a square, along the rows and then across them. */
function softened(source: Raster, radiusOf: (row: number) => number): Raster {
  const { width, height } = source;
  const out = raster(width, height, new Uint8ClampedArray(source.data));
  // A disc's blur is that of a square of about this half side.
  const radii = Array.from({ length: height }, (_, y) => Math.round(0.8 * radiusOf(y)));
  const sums = new Float64Array(Math.max(width, height) + 1);
  const mean = (i: number, r: number, n: number): number => {
    const [from, to] = [Math.max(0, i - r), Math.min(n, i + r + 1)];
    return (sums[to] - sums[from]) / (to - from);
  };
  for (let c = 0; c < 3; c++) {
    for (let y = 0; y < height; y++) {
      if (radii[y] < 1) continue;
      for (let x = 0; x < width; x++) sums[x + 1] = sums[x] + out.data[(y * width + x) * 4 + c];
      for (let x = 0; x < width; x++) out.data[(y * width + x) * 4 + c] = mean(x, radii[y], width);
    }
    for (let x = 0; x < width; x++) {
      for (let y = 0; y < height; y++) sums[y + 1] = sums[y] + out.data[(y * width + x) * 4 + c];
      for (let y = 0; y < height; y++)
        if (radii[y] >= 1) out.data[(y * width + x) * 4 + c] = mean(y, radii[y], height) + 128 * dither(x, y);
    }
  }
  return out;
}

function flipped({ columns, rows, nodes }: LightGrid): LightGrid {
  const row = (columns + 1) * 4;
  const own = new Float32Array(nodes.length);
  for (let j = 0; j <= rows; j++) own.set(nodes.subarray((rows - j) * row, (rows - j + 1) * row), j * row);
  return { columns, rows, nodes: own };
}
