import { type Hex, type Swatch, accentOf, contrast, labOf, rgbOf, withLightness } from '../colour';
import { type Doc, type Fill, type Part, evenStops } from '../cover';

/** The colours of a promo by what they are for. */
export type PromoColours = {
  readonly ground: Hex;
  /** The lighter middle of the ground, behind the book. */
  readonly centre: Hex;
  readonly ink: Hex;
  readonly plate: Hex;
  readonly onPlate: Hex;
};

/** Mean lightness 0..1 of a palette by its shares. */
function meanLightness(swatches: readonly Swatch[]): number {
  const whole = swatches.reduce((sum, s) => sum + s.share, 0);
  return whole === 0 ? 0.5 : swatches.reduce((sum, s) => sum + s.lab[0] * s.share, 0) / whole;
}

/**
 * Colours from the cover: the ground takes its hue from the cover's accent and stands against the cover in
 * lightness, so that the book steps forward; words reach 4.5 : 1 on it by construction.
 */
export function promoColours(swatches: readonly Swatch[]): PromoColours {
  const accent = accentOf(swatches)?.hex ?? swatches[0]?.hex ?? '#8a7a5c';
  const darkCover = meanLightness(swatches) < 0.55;
  const chroma = Math.hypot(...labOf(rgbOf(accent)).slice(1));
  const calm = Math.min(1, 0.026 / Math.max(0.01, chroma));
  const ground = darkCover ? withLightness(accent, 0.92, calm) : withLightness(accent, 0.27, calm);
  const plate = darkCover ? withLightness(accent, 0.34, Math.min(1, calm * 3)) : withLightness(accent, 0.85, 0.9);
  return {
    ground,
    centre: withLightness(ground, labOf(rgbOf(ground))[0] + 0.045),
    ink: darkCover ? withLightness(accent, 0.22, Math.min(1, calm * 1.6)) : withLightness(accent, 0.97, calm * 0.4),
    plate,
    onPlate: contrast('#ffffff', plate) >= 4.5 ? '#ffffff' : '#16181b',
  };
}

const halo = ({ centre, ground }: PromoColours): Fill => ({
  kind: 'radial',
  centre: { x: 0.5, y: 0.5 },
  reach: 1,
  stops: evenStops([centre, ground]),
});

/** The promo in these colours: ground, plate and words by what they are. Bands, rules and free colours of pictures stay. */
export function dressPromo(doc: Doc, colours: PromoColours): Doc {
  const parts = Object.fromEntries(
    Object.entries(doc.parts).map(([id, part]): [string, Part] => {
      switch (part.kind) {
        case 'ground':
          return [id, { ...part, paint: halo(colours) }];
        case 'words':
          return [id, { ...part, colour: part.role === 'call' ? colours.onPlate : colours.ink }];
        case 'shape':
          return [id, part.role === 'plate' ? { ...part, colour: colours.plate } : part];
        case 'picture':
        case 'scrim':
        case 'curve':
        case 'overlay':
          return [id, part];
      }
    }),
  );
  return { ...doc, parts };
}
