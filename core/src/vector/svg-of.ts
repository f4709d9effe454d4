import type { Hex } from '../colour';
import { DRAWING_HEIGHT, type Drawing } from './drawing';

/** A drawing as an SVG file on a clear ground; what has no colour of its own is drawn in `colour`. */
export function svgOf({ ratio, paths }: Drawing, colour: Hex): string {
  const width = Math.round(ratio * DRAWING_HEIGHT);
  const drawn = paths.map((path) => `  <path fill="${path.colour ?? colour}" d="${path.d}"/>`);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${DRAWING_HEIGHT}" width="${width}" height="${DRAWING_HEIGHT}">`,
    ...drawn,
    '</svg>',
    '',
  ].join('\n');
}
