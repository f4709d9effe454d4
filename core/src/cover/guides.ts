import { z } from 'zod';
import type { Edit } from '../base';
import { fault } from '../base';
import { clamp } from '../plane';
import type { Doc } from './document';

const band = z.object({ count: z.number().int().min(1).max(24), gutter: z.number().min(0).max(0.3) });

/**
 * Lines to work by, never painted: some of one's own (`at` in fractions of the width or height), columns and rows with gutters
 * between them within a margin (gutters and margin in fractions of the width), and the golden section.
 */
export const PageGuides = z.object({
  lines: z.array(z.object({ axis: z.enum(['x', 'y']), at: z.number().min(-0.5).max(1.5) })).max(60),
  margin: z.number().min(0).max(0.4),
  columns: band.nullable(),
  rows: band.nullable(),
  golden: z.boolean(),
});
export type PageGuides = z.infer<typeof PageGuides>;
type Axis = 'x' | 'y';

export const noGuides: PageGuides = { lines: [], margin: 0.08, columns: null, rows: null, golden: false };

const GOLDEN = (Math.sqrt(5) - 1) / 2;

type Paged = Pick<Doc, 'widthPx' | 'heightPx' | 'guides'>;

/** The columns or rows of a page, px: where each begins and ends. Empty where their gutters leave no room. */
export function bandsOf({ widthPx, heightPx, guides }: Paged, axis: Axis): { from: number; to: number }[] {
  const of = axis === 'x' ? guides?.columns : guides?.rows;
  if (!guides || !of) return [];
  const margin = guides.margin * widthPx;
  const gutter = of.gutter * widthPx;
  const whole = axis === 'x' ? widthPx : heightPx;
  const size = (whole - 2 * margin - gutter * (of.count - 1)) / of.count;
  if (size <= 0) return [];
  return Array.from({ length: of.count }, (_, i) => {
    const from = margin + i * (size + gutter);
    return { from, to: from + size };
  });
}

/** Every line that a page is worked by, px. */
export function guideLines(doc: Paged): { axis: Axis; at: number }[] {
  const { guides, widthPx, heightPx } = doc;
  if (!guides) return [];
  const whole = { x: widthPx, y: heightPx };
  const axes: readonly Axis[] = ['x', 'y'];
  return [
    ...guides.lines.map(({ axis, at }) => ({ axis, at: at * whole[axis] })),
    ...axes.flatMap((axis) => bandsOf(doc, axis).flatMap(({ from, to }) => [from, to].map((at) => ({ axis, at })))),
    ...(guides.golden
      ? axes.flatMap((axis) => [1 - GOLDEN, GOLDEN].map((share) => ({ axis, at: share * whole[axis] })))
      : []),
  ];
}

/** Writes what a page is worked by; nothing at all is no guides. Faults: `guide-value`. */
export function setGuides(fields: Partial<PageGuides>): Edit<Doc> {
  return (doc) => {
    const next = PageGuides.safeParse({ ...(doc.guides ?? noGuides), ...fields });
    if (!next.success) return fault('guide-value');
    const { lines, columns, rows, golden } = next.data;
    doc.guides = lines.length === 0 && !columns && !rows && !golden ? null : next.data;
  };
}

/** Puts a line of one's own, px. Faults: `guides-full`. */
export function addGuide(axis: Axis, at: number): Edit<Doc> {
  return (doc) => {
    const { lines } = doc.guides ?? noGuides;
    if (lines.length >= 60) return fault('guides-full');
    return setGuides({ lines: [...lines, { axis, at: share(doc, axis, at) }] })(doc);
  };
}

/** Moves one of the lines, px; it may be off the page while a hand holds it. Faults: `part-gone`. */
export function moveGuide(index: number, at: number): Edit<Doc> {
  return (doc) => {
    const lines = doc.guides?.lines ?? [];
    const line = lines[index];
    if (!line) return fault('part-gone');
    return setGuides({ lines: lines.with(index, { ...line, at: share(doc, line.axis, at) }) })(doc);
  };
}

/** Takes away the lines that were pushed off the page. */
export const dropOff: Edit<Doc> = (doc) =>
  setGuides({ lines: (doc.guides?.lines ?? []).filter(({ at }) => at >= 0 && at <= 1) })(doc);

/** Takes one of the lines away. Faults: `part-gone`. */
export function dropGuide(index: number): Edit<Doc> {
  return (doc) => {
    const lines = doc.guides?.lines ?? [];
    return lines[index] ? setGuides({ lines: lines.toSpliced(index, 1) })(doc) : fault('part-gone');
  };
}

const share = (doc: Paged, axis: Axis, at: number): number =>
  clamp(at / (axis === 'x' ? doc.widthPx : doc.heightPx), -0.5, 1.5);
