import { type Loose, tellAll } from './everywhere';

/** Pictures can be cut out since then: until now none was. */
const told = (value: Loose): Loose =>
  value.kind === 'picture' && typeof value.id === 'string' && typeof value.order === 'string'
    ? { cutOut: null, ...value }
    : value;

export const { title: to14, patch: patchTo14 } = tellAll(14, told);
