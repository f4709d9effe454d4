import { type Loose, isLoose, tellAll } from './everywhere';

/**
 * Since then a brief names the kinds by which its book is shelved, a sketch which symbols it shows and how its picture is graded, and a sheet how many of its covers
 * show a picture and whether the author's name is large: until now none, none and not at all, as it comes, and no.
 */
function told(value: Loose): Loose {
  if (typeof value.audience === 'string' && Array.isArray(value.moods)) return { genres: [], ...value };
  if (typeof value.structure === 'string' && isLoose(value.faces) && isLoose(value.tones))
    return { grade: 'plain', symbols: [], ...value };
  if (typeof value.seed === 'number' && isLoose(value.must) && Array.isArray(value.favourites))
    return { pictured: 'any', authorLarge: false, ...value };
  return value;
}

export const { title: to15, patch: patchTo15 } = tellAll(15, told);
