/**
 * The only two doors between sRGB-encoded and linear light (IEC 61966-2-1).
 * Values are 0..1; outside that range the formulas still hold by symmetry of their branches at 0.
 */
export const toLinear = (encoded: number): number =>
  encoded <= 0.04045 ? encoded / 12.92 : ((encoded + 0.055) / 1.055) ** 2.4;

export const toEncoded = (linear: number): number =>
  linear <= 0.0031308 ? linear * 12.92 : 1.055 * linear ** (1 / 2.4) - 0.055;

/** Linear light 0..65535 of each 8-bit sRGB code. */
export const LINEAR_OF: Uint16Array = Uint16Array.from({ length: 256 }, (_, i) =>
  Math.round(65535 * toLinear(i / 255)),
);

/** Nearest 8-bit sRGB code of linear light 0..65535, looked up by `value >> 3`. */
export const ENCODED_OF: Uint8Array = Uint8Array.from({ length: 8192 }, (_, i) =>
  i === 0 ? 0 : Math.round(255 * toEncoded((i + 0.5) / 8192)),
);
