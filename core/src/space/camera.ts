import { type Vec3, along, cross, dot, sub, unit } from './vec3';

/** A pinhole camera that looks from `eye` along `forward`; `focalPx` and the centre are in output pixels. */
export type Camera = {
  readonly eye: Vec3;
  readonly forward: Vec3;
  readonly right: Vec3;
  readonly up: Vec3;
  readonly focalPx: number;
  readonly centreX: number;
  readonly centreY: number;
};

/** Camera at `eye` aimed at `target`, upright. `eye` must not stand straight above the target. */
export function lookAt(eye: Vec3, target: Vec3, focalPx: number, centreX: number, centreY: number): Camera {
  const forward = unit(sub(target, eye));
  const right = unit(cross(forward, [0, 1, 0]));
  return { eye, forward, right, up: cross(right, forward), focalPx, centreX, centreY };
}

/** Position in output pixels (x right, y down). The point must lie before the camera. */
export function projectPoint(camera: Camera, p: Vec3): [x: number, y: number] {
  const q = sub(p, camera.eye);
  const k = camera.focalPx / dot(q, camera.forward);
  return [camera.centreX + k * dot(q, camera.right), camera.centreY - k * dot(q, camera.up)];
}

/** Direction (not of unit length) through an output pixel. */
export function rayThrough(camera: Camera, x: number, y: number): Vec3 {
  const a = (x - camera.centreX) / camera.focalPx;
  const b = -(y - camera.centreY) / camera.focalPx;
  return along(along(camera.forward, camera.right, a), camera.up, b);
}
