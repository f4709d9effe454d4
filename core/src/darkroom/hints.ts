/** What a person's strokes say of a pixel. */
export const UNSAID = 0;
export const KEEP = 1;
export const DROP = 2;

/** A stroke that says what is kept or goes, in fractions of a picture; `width` of its width. */
export type Hint = {
  readonly keep: boolean;
  readonly width: number;
  readonly points: readonly { readonly x: number; readonly y: number }[];
};

/** Strokes as pixels of a picture, the later over the earlier: `UNSAID`, `KEEP` or `DROP`, row by row. */
export function hintPixels(hints: readonly Hint[], width: number, height: number): Uint8Array {
  const said = new Uint8Array(width * height);
  for (const { keep, width: share, points } of hints) {
    const r = Math.max(0.75, (share * width) / 2);
    points.forEach((p, i) => {
      const q = points[Math.max(0, i - 1)];
      const [ax, ay, bx, by] = [q.x * width, q.y * height, p.x * width, p.y * height];
      const [dx, dy] = [bx - ax, by - ay];
      const long = dx * dx + dy * dy;
      const [x0, x1] = [
        Math.max(0, Math.floor(Math.min(ax, bx) - r)),
        Math.min(width - 1, Math.ceil(Math.max(ax, bx) + r)),
      ];
      const [y0, y1] = [
        Math.max(0, Math.floor(Math.min(ay, by) - r)),
        Math.min(height - 1, Math.ceil(Math.max(ay, by) + r)),
      ];
      for (let y = y0; y <= y1; y++)
        for (let x = x0; x <= x1; x++) {
          const [px, py] = [x + 0.5 - ax, y + 0.5 - ay];
          const t = long > 0 ? Math.min(1, Math.max(0, (px * dx + py * dy) / long)) : 0;
          if (Math.hypot(px - t * dx, py - t * dy) <= r) said[y * width + x] = keep ? KEEP : DROP;
        }
    });
  }
  return said;
}
