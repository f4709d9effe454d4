import type { Swatch } from '../colour';
import { type Doc, docOf, newGround, newPicture, newShape, newWords } from '../cover';

import { dressPromo, promoColours } from './colours';

export const PROMO_SIZE = { widthPx: 1080, heightPx: 1080 } as const;

/**
 * A square graphic: headline and call to action on the left, the book on the right. The ground takes its hue from
 * the cover and stands against it in lightness, so that the book steps forward.
 */
export function firstPromo(swatches: readonly Swatch[], titleCut: string, textCut: string): Doc {
  const { ground, ink, plate, onPlate } = promoColours(swatches);
  const doc = docOf(PROMO_SIZE.widthPx, PROMO_SIZE.heightPx, [
    { ...newGround(ground), id: 'ground' },
    {
      ...newPicture({ kind: 'mockup' }, { area: { x: 0.34, y: -0.04, width: 0.76, height: 1.08 }, fit: 'whole' }),
      id: 'mockup',
    },
    {
      ...newWords({
        role: 'headline',
        says: { kind: 'brief', field: 'strapline' },
        area: { x: 0.075, y: 0.16, width: 0.4, height: 0.36 },
        cut: titleCut,
        colour: ink,
        align: 'left',
        alignY: 'bottom',
        maxSize: 0.086,
        leading: 1.04,
        support: 'none',
      }),
      id: 'headline',
    },
    {
      ...newWords({
        role: 'free',
        says: { kind: 'brief', field: 'title' },
        area: { x: 0.075, y: 0.545, width: 0.34, height: 0.075 },
        follows: { part: 'headline', gap: 0.04 },
        cut: textCut,
        colour: ink,
        align: 'left',
        alignY: 'top',
        maxSize: 0.03,
        leading: 1.3,
        support: 'none',
      }),
      id: 'book-title',
    },
    {
      ...newShape(
        { kind: 'rectangle', radius: 0.12 },
        { role: 'plate', area: { x: 0.075, y: 0.665, width: 0.32, height: 0.082 }, colour: plate },
      ),
      id: 'call-plate',
    },
    {
      ...newWords({
        role: 'call',
        says: { kind: 'own', text: 'Get your copy' },
        area: { x: 0.1, y: 0.677, width: 0.27, height: 0.058 },
        cut: textCut,
        colour: onPlate,
        maxSize: 0.036,
        tracking: 0.01,
        support: 'none',
      }),
      id: 'call',
    },
    {
      ...newWords({
        role: 'website',
        says: { kind: 'brief', field: 'website' },
        area: { x: 0.075, y: 0.775, width: 0.36, height: 0.035 },
        cut: textCut,
        colour: ink,
        align: 'left',
        alignY: 'top',
        maxSize: 0.027,
        support: 'none',
      }),
      id: 'website',
    },
  ]);
  return dressPromo(doc, promoColours(swatches));
}
