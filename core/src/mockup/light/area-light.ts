import { type Vec3, add, cross, times } from '../../space';

/** A one-sided rectangular light, corners in order round it. */
export type AreaLight = {
  readonly corners: readonly [Vec3, Vec3, Vec3, Vec3];
  readonly centre: Vec3;
  readonly areaMm2: number;
};

/** The light of a scene: at `distance` from the target in the given direction, facing it. */
export function areaLight(
  target: Vec3,
  azimuthRad: number,
  heightRad: number,
  distance: number,
  side: number,
): AreaLight {
  const direction: Vec3 = [
    Math.sin(azimuthRad) * Math.cos(heightRad),
    Math.sin(heightRad),
    Math.cos(azimuthRad) * Math.cos(heightRad),
  ];
  const right: Vec3 = [Math.cos(azimuthRad), 0, -Math.sin(azimuthRad)];
  const up = cross(direction, right);
  const centre = add(target, times(direction, distance));
  const corner = (a: number, b: number): Vec3 =>
    add(add(centre, times(right, (a * side) / 2)), times(up, (b * side) / 2));
  return {
    corners: [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)],
    centre,
    areaMm2: side * side,
  };
}
