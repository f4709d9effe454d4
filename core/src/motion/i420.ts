import type { Raster } from '../pixels';

/** A picture as video holds it: luma for each pixel, then two planes of colour for each square of four; BT.709, 16..235. */
export type I420 = {
  readonly data: Uint8Array<ArrayBuffer>;
  readonly layout: readonly { readonly offset: number; readonly stride: number }[];
};

/** Opaque sRGB as I420 (ITU-R BT.709, limited range); each colour sample is the mean of its pixels. An odd side's last pixels stand for themselves. */
export function i420({ width, height, data }: Raster): I420 {
  const [cw, ch] = [(width + 1) >> 1, (height + 1) >> 1];
  const [u0, v0] = [width * height, width * height + cw * ch];
  const out = new Uint8Array(v0 + cw * ch);
  for (let i = 0, p = 0; i < u0; i++, p += 4)
    out[i] = 16.5 + (data[p] * 0.2126 + data[p + 1] * 0.7152 + data[p + 2] * 0.0722) * (219 / 255);
  for (let y = 0; y < ch; y++) {
    const [top, foot] = [2 * y * width, Math.min(2 * y + 1, height - 1) * width];
    for (let x = 0; x < cw; x++) {
      const [left, right] = [2 * x, Math.min(2 * x + 1, width - 1)];
      const [a, b, c, d] = [(top + left) * 4, (top + right) * 4, (foot + left) * 4, (foot + right) * 4];
      const r = (data[a] + data[b] + data[c] + data[d]) / 4;
      const g = (data[a + 1] + data[b + 1] + data[c + 1] + data[d + 1]) / 4;
      const bl = (data[a + 2] + data[b + 2] + data[c + 2] + data[d + 2]) / 4;
      const luma = r * 0.2126 + g * 0.7152 + bl * 0.0722;
      out[u0 + y * cw + x] = 128.5 + ((bl - luma) / 1.8556) * (224 / 255);
      out[v0 + y * cw + x] = 128.5 + ((r - luma) / 1.5748) * (224 / 255);
    }
  }
  return {
    data: out,
    layout: [
      { offset: 0, stride: width },
      { offset: u0, stride: cw },
      { offset: v0, stride: cw },
    ],
  };
}
