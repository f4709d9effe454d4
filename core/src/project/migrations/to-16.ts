import { type Rights, ownPainting, untold } from '../../book';
import { type Loose, everywhere, tellAll } from './everywhere';

/** Until then rights were one sentence; these were written by the program itself. */
const PAINTED = new Map(
  [
    [
      'Painted by the picture desk of Yosomi. Free to use and to sell, on covers and on goods; no credit is due.',
      'The picture desk',
    ],
    ['Drawn by this program for this title; free to use and to sell.', 'Drawn for this title'],
  ].map(([sentence, source]) => [sentence, ownPainting(source)]),
);

/** A sentence of earlier releases: what a person wrote is where it comes from; whether it may be sold it does not say for certain. */
export const rightsOf = (sentence: string): Rights => PAINTED.get(sentence) ?? { ...untold, source: sentence };

/** Since then rights of a picture have fields. */
const told = (value: Loose): Loose =>
  typeof value.rights === 'string' && typeof value.format === 'string'
    ? { ...value, rights: rightsOf(value.rights) }
    : value;

export const { title: to16, patch } = tellAll(16, told);

/** Pictures of something else that is kept with them, such as copied parts. */
export const assetsTo16 = (old: Loose): Loose => everywhere(old, told) as Loose;

/** A step that wrote the sentence alone writes the fields. */
export const patchTo16 = <P extends { readonly value?: unknown; readonly path: readonly (string | number)[] }>(
  of: P,
): P =>
  of.path[0] === 'assets' && of.path[2] === 'rights' && typeof of.value === 'string'
    ? { ...of, value: rightsOf(of.value) }
    : patch(of);
