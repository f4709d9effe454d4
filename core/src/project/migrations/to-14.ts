import { type Loose, isLoose, tellAll } from './everywhere';

/** Since then pictures can be cut out and set upright, two letters have a space of their own, and groups names: until now none. */
function told(value: Loose): Loose {
  if (typeof value.id === 'string' && typeof value.order === 'string') {
    if (value.kind === 'picture') return { cutOut: null, lean: { x: 0, y: 0 }, ...value };
    if (value.kind === 'words') return { pairs: [], ...value };
  }
  const doc = typeof value.widthPx === 'number' && typeof value.finished === 'boolean' && isLoose(value.parts);
  return doc ? { ...value, groups: value.groups ?? {} } : value;
}

export const { title: to14, patch: patchTo14 } = tellAll(14, told);
