/** Right-handed space: x to the right, y up, z towards the viewer. Millimetres unless a name says otherwise. */
export type Vec3 = readonly [x: number, y: number, z: number];

export const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const sub = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: Vec3, k: number): Vec3 => [a[0] * k, a[1] * k, a[2] * k];
export const along = (a: Vec3, b: Vec3, k: number): Vec3 => [a[0] + b[0] * k, a[1] + b[1] * k, a[2] + b[2] * k];
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const length = (a: Vec3): number => Math.hypot(a[0], a[1], a[2]);

/** Unit vector; the zero vector stays zero. */
export function unit(a: Vec3): Vec3 {
  const l = length(a);
  return l === 0 ? a : times(a, 1 / l);
}

/** Turns a vector about the vertical axis; positive turns its front (+z) towards +x. */
export function turnY(a: Vec3, angleRad: number): Vec3 {
  const c = Math.cos(angleRad);
  const s = Math.sin(angleRad);
  return [a[0] * c + a[2] * s, a[1], -a[0] * s + a[2] * c];
}
