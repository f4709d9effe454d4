import { u16, u16le, u32, u32le } from './bytes';

/** Orientation 1..8 of a TIFF block as Exif embeds it; 1 where it is missing or not readable. */
export function orientationOf(tiff: Uint8Array): number {
  const little = tiff[0] === 0x49;
  const short = little ? u16le : u16;
  const long = little ? u32le : u32;
  if (tiff.length < 14 || short(tiff, 2) !== 42) return 1;
  const ifd = long(tiff, 4);
  if (ifd + 2 > tiff.length) return 1;
  const count = Math.min(200, short(tiff, ifd));
  for (let i = 0; i < count; i++) {
    const row = ifd + 2 + i * 12;
    if (row + 12 > tiff.length) return 1;
    if (short(tiff, row) === 0x0112) {
      const value = short(tiff, row + 8);
      return value >= 1 && value <= 8 ? value : 1;
    }
  }
  return 1;
}

/** Orientations 5 to 8 lie on their side. */
export const liesOnSide = (orientation: number): boolean => orientation >= 5;

/** The affine map from stored pixels to upright pixels for a stored size of width x height. */
export function uprightMap(
  orientation: number,
  width: number,
  height: number,
): [number, number, number, number, number, number] {
  switch (orientation) {
    case 2:
      return [-1, 0, 0, 1, width, 0];
    case 3:
      return [-1, 0, 0, -1, width, height];
    case 4:
      return [1, 0, 0, -1, 0, height];
    case 5:
      return [0, 1, 1, 0, 0, 0];
    case 6:
      return [0, 1, -1, 0, height, 0];
    case 7:
      return [0, -1, -1, 0, height, width];
    case 8:
      return [0, -1, 1, 0, 0, width];
    default:
      return [1, 0, 0, 1, 0, 0];
  }
}
