import { type Loose, tellAll } from './everywhere';

/** What parts say since then: a name of their own, how figures stand, how a curve ends; what a family of curves passes. */
function told(value: Loose): Loose {
  const part = typeof value.id === 'string' && typeof value.order === 'string' && typeof value.kind === 'string';
  const next: Loose = part ? { name: '', ...value } : value;
  if (part && value.kind === 'words') return { figures: 'face', ...next };
  if (part && value.kind === 'curve') return { closed: false, dash: 0, arrowStart: false, arrowEnd: false, ...next };
  if (value.kind === 'between' && typeof value.part === 'string') return { via: [], carry: false, ...next };
  return next;
}

/** Parts have names, words have figures, curves have ends, dashes and ways: until now they were as they are without. */
export const { title: to12, patch: patchTo12 } = tellAll(12, told);
