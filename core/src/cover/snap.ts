import type { Rect } from '../plane';

/** A line that something snapped to, in px, with the distances worth showing beside it. */
export type Guide = {
  readonly axis: 'x' | 'y';
  readonly at: number;
  readonly from: number;
  readonly to: number;
  readonly kind: 'edge' | 'centre' | 'safe' | 'third' | 'part' | 'gap' | 'guide';
  /** Where gaps on both sides are equal: how wide they are, px. */
  readonly gapPx?: number;
};

export type Snapped = { readonly dx: number; readonly dy: number; readonly guides: readonly Guide[] };

/** The page's own lines count as twice as near: they are what is meant where something else lies close to them. */
const OWN = new Set<Guide['kind']>(['edge', 'centre', 'safe', 'guide']);

type Target = Omit<Guide, 'axis'>;

/**
 * Pulls a moving frame to lines within `reach` px: edges, centres, safe area and thirds of the cover, edges and centres
 * of other parts, lines of one's own (`lines`), and places at which the gaps to both neighbours are equal. The nearest line of each axis wins, the page's own ones first.
 */
export function snap(
  moving: Rect,
  others: readonly Rect[],
  page: { readonly widthPx: number; readonly heightPx: number },
  safe: number,
  reach: number,
  lines: readonly { readonly axis: 'x' | 'y'; readonly at: number }[] = [],
): Snapped {
  const margin = safe * page.widthPx;
  const x = axis(
    moving.x,
    moving.width,
    page.widthPx,
    margin,
    others.map((o) => [o.x, o.width, o.y, o.y + o.height]),
    page.heightPx,
    reach,
    lines.filter((line) => line.axis === 'x').map((line) => line.at),
  );
  const y = axis(
    moving.y,
    moving.height,
    page.heightPx,
    margin,
    others.map((o) => [o.y, o.height, o.x, o.x + o.width]),
    page.widthPx,
    reach,
    lines.filter((line) => line.axis === 'y').map((line) => line.at),
  );
  return {
    dx: x?.by ?? 0,
    dy: y?.by ?? 0,
    guides: [...(x ? [{ ...x.line, axis: 'x' as const }] : []), ...(y ? [{ ...y.line, axis: 'y' as const }] : [])],
  };
}

function axis(
  from: number,
  size: number,
  whole: number,
  margin: number,
  others: readonly (readonly number[])[],
  across: number,
  reach: number,
  guides: readonly number[],
): { by: number; line: Target } | null {
  const page = (at: number, kind: Guide['kind']): Target => ({ at, kind, from: 0, to: across });
  const lines: Target[] = [
    page(0, 'edge'),
    page(whole, 'edge'),
    page(whole / 2, 'centre'),
    page(margin, 'safe'),
    page(whole - margin, 'safe'),
    page(whole / 3, 'third'),
    page((2 * whole) / 3, 'third'),
    ...guides.map((at) => page(at, 'guide')),
    ...others.flatMap(([at, length, lo, hi]) =>
      [at, at + length / 2, at + length].map((line): Target => ({ at: line, kind: 'part', from: lo, to: hi })),
    ),
  ];
  let best: { by: number; line: Target; away: number } | null = null;
  const tryBy = (by: number, line: Target): void => {
    const away = Math.abs(by) * (OWN.has(line.kind) ? 0.5 : 1);
    if (Math.abs(by) <= reach && (best === null || away < best.away - 1e-6)) best = { by, line, away };
  };
  for (const line of lines) {
    for (const own of line.kind === 'third' || line.kind === 'centre' ? [size / 2] : [0, size / 2, size]) {
      // A middle on an edge of something else means nothing.
      if (own === size / 2 && (line.kind === 'edge' || line.kind === 'safe')) continue;
      tryBy(line.at - (from + own), line);
    }
  }
  // Equal gaps to the neighbours on both sides; the edges of the page count as neighbours.
  const spans = [...others.map(([at, length]) => [at, at + length]), [-Infinity, 0], [whole, Infinity]];
  const before = Math.max(...spans.map(([, end]) => end).filter((end) => end <= from + reach));
  const after = Math.min(...spans.map(([start]) => start).filter((start) => start >= from + size - reach));
  if (Number.isFinite(before) && Number.isFinite(after) && (before > 0 || after < whole)) {
    const at = (before + after - size) / 2;
    tryBy(at - from, { at: at + size / 2, kind: 'gap', from: 0, to: across, gapPx: at - before });
  }
  return best;
}
