import type { Brief } from '../book';
import { type Swatch, accentOf, contrast, labOf, rgbOf, withLightness } from '../colour';
import { type Doc, commonDefaults, docOf, newGround, newPicture, newWords } from '../cover';

export const PROMO_SIZE = { widthPx: 1080, heightPx: 1080 } as const;

/** Mean lightness 0..1 of a palette by its shares. */
const meanLightness = (swatches: readonly Swatch[]): number =>
  swatches.reduce((sum, s) => sum + s.lab[0] * s.share, 0) /
  Math.max(
    1e-6,
    swatches.reduce((sum, s) => sum + s.share, 0),
  );

/**
 * A square graphic: headline and call to action on the left, the book on the right. The ground takes its hue from
 * the cover and stands against it in lightness, so that the book steps forward.
 */
export function firstPromo(brief: Brief, swatches: readonly Swatch[], titleCut: string, textCut: string): Doc {
  const accent = accentOf(swatches)?.hex ?? swatches[0]?.hex ?? '#8a7a5c';
  const darkCover = meanLightness(swatches) < 0.55;
  const chroma = Math.hypot(...labOf(rgbOf(accent)).slice(1));
  const calm = Math.min(1, 0.026 / Math.max(0.01, chroma));
  const ground = darkCover ? withLightness(accent, 0.92, calm) : withLightness(accent, 0.27, calm);
  const ink = darkCover
    ? withLightness(accent, 0.22, Math.min(1, calm * 1.6))
    : withLightness(accent, 0.97, calm * 0.4);
  const plate = darkCover ? withLightness(accent, 0.34, Math.min(1, calm * 3)) : withLightness(accent, 0.85, 0.9);
  const onPlate = contrast('#ffffff', plate) >= 4.5 ? '#ffffff' : '#16181b';
  return docOf(PROMO_SIZE.widthPx, PROMO_SIZE.heightPx, [
    {
      ...newGround(ground),
      id: 'ground',
      paint: { kind: 'radial', colours: [withLightness(ground, labOf(rgbOf(ground))[0] + 0.045), ground] },
    },
    {
      ...newPicture({ kind: 'mockup' }, { area: { x: 0.34, y: -0.04, width: 0.76, height: 1.08 }, fit: 'whole' }),
      id: 'mockup',
    },
    {
      ...newWords({
        role: 'headline',
        says: brief.strapline.trim()
          ? { kind: 'brief', field: 'strapline' }
          : { kind: 'own', text: 'A new book for your evenings' },
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
      ...commonDefaults,
      kind: 'shape',
      role: 'plate',
      id: 'call-plate',
      area: { x: 0.075, y: 0.665, width: 0.32, height: 0.082 },
      radius: 0.12,
      colour: plate,
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
}
