import type { Doc } from '../document';
import type { Area, Part, ShapePart } from '../parts';

type Drawn = ShapePart & { form: Extract<ShapePart['form'], { kind: 'drawn' }> };

/** A drawing of one's own: it keeps its ratio whatever its place. */
export const isDrawn = (part: Part): part is Drawn => part.kind === 'shape' && part.form.kind === 'drawn';

/** The place that a drawing of a ratio (width by height, in px) fills in an area: as large as fits, in the middle. */
export function drawnArea(ratio: number, area: Area, doc: Pick<Doc, 'widthPx' | 'heightPx'>): Area {
  // The ratio of shares: width of the width by height of the height.
  const share = (ratio * doc.heightPx) / doc.widthPx;
  const height = Math.min(area.height, area.width / share);
  const width = height * share;
  return { x: area.x + (area.width - width) / 2, y: area.y + (area.height - height) / 2, width, height };
}
