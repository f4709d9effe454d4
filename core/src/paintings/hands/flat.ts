import { rasterOf } from './finish';
import type { Hand } from './hand';

/** Even colours with clean edges, light and dark in few steps. */
export const flatShapes: Hand = {
  name: 'Flat shapes',
  steps: 3,
  wobble: 0,
  shadow: 0,
  lens: 0,
  depth: 0.7,
  finish: rasterOf,
};
