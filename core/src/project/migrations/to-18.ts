import { sceneTo3 } from '../../mockup';
import { type Loose, tellAll } from './everywhere';

/** Since then things of scenes can show pages of the booklet: scenes have another number, wherever they are. */
const told = (value: Loose): Loose =>
  value.schema === 2 && typeof value.arrangement === 'string' && Array.isArray(value.things) ? sceneTo3(value) : value;

const { title, patch } = tellAll(18, told);

/** And a title can name the works that its text is made from: until now none. */
export const to18 = (old: Loose): Loose => ({ ...title(old), origins: old.origins ?? [] });
export const patchTo18 = patch;
